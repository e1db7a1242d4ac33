"""Begin an edition, change it, cancel its plate."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from core.printing.numbering import Series
from server.accounts.models import User
from server.editions.models import Edition
from server.editions.numbers import most_of, number_signed, numbers_of, stand_at_edition
from server.editions.schemas import CancelIn, EditionIn
from server.plates.models import Plate
from server.pulls.state import pull_state_of
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.permissions import add, change, enter, find

_FIELDS: dict[Series, str] = {
    "edition": "size", "artist": "artist_proofs", "printer": "printer_proofs",
}  # fmt: skip
_NAMES: dict[Series, str] = {
    "edition": "impressions", "artist": "artist's proofs", "printer": "printer's proofs",
}  # fmt: skip


def edition_id(plate: Plate) -> uuid.UUID:
    """Return the id of a plate's edition: a plate has one, whoever begins it."""
    return uuid.uuid5(plate.id, "edition")


@transaction.atomic
def keep_edition(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: EditionIn) -> Plate:
    """Return the plate after its edition was begun or changed.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        Fewer than are numbered already.
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id, lock=True)
    facts = given.model_dump(exclude={"version"})
    if given.version == 0:
        edition, new = add(Edition(id=edition_id(plate), room=room, plate=plate, **facts))
        if not new and any(getattr(edition, name) != value for name, value in facts.items()):
            raise Stale(
                "stale", "An edition of this plate was begun already. Yours is kept here; look at "
                "it, then save again.", field="version", value=0, allowed=str(edition.version),
            )  # fmt: skip
    else:
        edition = change(Edition, room, edition_id(plate), given.version)
        _check_not_smaller(edition, given)
        for field, value in facts.items():
            setattr(edition, field, value)
        edition.save()
    aside = f"{edition.artist_proofs} artist's and {edition.printer_proofs} printer's proofs"
    text = f"Edition of {edition.size}, {aside}, numbered as {edition.order}."
    write(room, user, "edition", text, plate=plate, data=facts)
    number_signed(user, plate)
    stand_at_edition(plate, pull_state_of(plate))
    return plate


def _check_not_smaller(edition: Edition, given: EditionIn) -> None:
    standing = numbers_of(edition)
    for series, field in _FIELDS.items():
        taken = max((each.number or 0 for each in standing if each.series == series), default=0)
        wanted = getattr(given, field)
        if wanted < taken and wanted < most_of(edition)[series]:
            raise BadValue(
                "smaller-than-pulled", f"{taken} {_NAMES[series]} are numbered already, and a "
                "number once signed stays.", field=field, value=wanted,
                allowed=f"at least {taken}",
            )  # fmt: skip


@transaction.atomic
def cancel_plate(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CancelIn) -> Plate:
    """Return the plate after it was cancelled.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id, lock=True)
    edition = change(Edition, room, edition_id(plate), given.version)
    if edition.cancelled_at is None:
        edition.cancelled_at, edition.cancelled_by = timezone.now(), user
        edition.cancelled_how = given.how
        edition.save()
        write(room, user, "edition", f"Plate cancelled: {given.how}.", plate=plate)
    return plate
