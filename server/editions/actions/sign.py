"""Sign an impression with a line, under a number that is asked for."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.events.pull_state import PressPull
from core.printing.numbering import NUMBERED, Number, free_numbers
from server.accounts.models import User
from server.editions.actions.keep import edition_id
from server.editions.models import Edition, Impression
from server.editions.numbers import (
    most_of,
    number_signed,
    numbers_of,
    stand_at_edition,
    store_number,
)
from server.editions.schemas import SignatureIn
from server.editions.subject import PULLS
from server.events.actions.log import store_events
from server.events.schemas import EventsIn
from server.plates.models import Plate
from server.pulls.models import Pulls
from server.pulls.printing import pulls_row
from server.pulls.state import pull_state_of
from server.replies.errors import BadValue, NotFound
from server.rooms.permissions import enter, find

_DOOR = uuid.UUID("2f7f2a3e-5a3c-4d55-9d0a-3a0b8d1f6c11")
"""Stands for a device in what is signed at the desk."""
_MOST_NAMED = 8


@transaction.atomic
def sign_impression(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: SignatureIn
) -> Plate:
    """Return the plate after an impression was signed; sent twice it is signed once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        The number is taken; the pull is spoiled or not through the press; nothing is OK to print
        and no reason is given; the series is full.
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id, lock=True)
    row = find(Pulls, room, pulls_row(room, plate).id, lock=True)
    edition = find(Edition, room, edition_id(plate), lock=True)
    pull = next((p for p in pull_state_of(plate).pulled if p.event == given.pull), None)
    if pull is None:
        raise NotFound("That pull")
    if Impression.objects.filter(edition=edition, pull=pull.event).exists():
        return plate
    _check(plate, edition, pull, given)
    store_events(user, PULLS, row, _event(given))
    signed = next(p for p in pull_state_of(plate).pulled if p.event == given.pull)
    if given.number is None or given.series not in NUMBERED:
        number_signed(user, plate)
    else:
        store_number(user, edition, plate, signed, Number(pull.event, given.series, given.number))
    stand_at_edition(plate, pull_state_of(plate))
    return plate


def _event(given: SignatureIn) -> EventsIn:
    now = timezone.now().timestamp() * 1000
    return EventsIn.model_validate({"events": [{
        "id": given.id, "kind": "signed", "device": _DOOR, "sequence": int(now),
        "monotonic_ms": 0.0, "offset_ms": now, "offset_spread_ms": 0.0,
        "data": {"pull": given.pull, "series": given.series, "reason": given.reason},
    }]})  # fmt: skip


def _check(plate: Plate, edition: Edition, pull: PressPull, given: SignatureIn) -> None:
    if pull.spoiled is not None:
        raise BadValue("spoiled", "This impression is spoiled: it stands for none of the edition.",
                       field="pull", allowed="one that is not spoiled")  # fmt: skip
    if not plate.ok_to_print and not given.reason.strip():
        raise BadValue(
            "before-ok", "Nothing is OK to print yet. Decide the OK on a proof, or say why this "
            "one is signed before it.", field="reason", value="", allowed="a reason",
        )  # fmt: skip
    if given.series not in NUMBERED:
        return
    free = free_numbers(numbers_of(edition), given.series, most_of(edition)[given.series])
    if not free:
        raise BadValue(
            "series-full", "All of them are numbered. Make the edition larger, or sign it as a "
            "proof.", field="series", value=given.series, allowed="a series with a number left",
        )  # fmt: skip
    if given.number is not None and given.number not in free:
        named = ", ".join(map(str, free[:_MOST_NAMED])) + (" …" if len(free) > _MOST_NAMED else "")
        raise BadValue(
            "number-taken", f"No. {given.number} is taken or not of this edition: numbers are "
            "never given twice.", field="number", value=given.number, allowed=f"one of {named}",
        )  # fmt: skip
