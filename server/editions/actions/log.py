"""Log what happened to a plate at the press: its row is made with the first event."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.editions.subject import PULLS, number_and_stand
from server.events.actions.log import store_events
from server.events.models import Event
from server.events.schemas import EventsIn
from server.plates.models import Plate
from server.pulls.models import Pulls
from server.pulls.printing import pulls_row
from server.pulls.state import Stood, stood_of
from server.rooms.permissions import enter, find

NUMBERING = frozenset({"signed", "spoiled", "undo"})
"""Kinds after which a number may be given, or an impression become void."""


@transaction.atomic
def log_pulls(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: EventsIn
) -> tuple[Plate, Stood]:
    """Return the plate and how it stands after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, PULLS.action)
    plate = find(Plate, room, plate_id, lock=True)  # before its pulls, as everywhere
    plate.room = room
    row = pulls_row(room, plate)
    row.room, row.plate = room, plate
    new = store_events(user, PULLS, row, given)
    stood = stood_of(plate, row)
    if _numbers(row, new):
        number_and_stand(user, plate, stood.state)
    return plate, stood


def _numbers(row: Pulls, new: list[Event]) -> bool:
    """Tell whether a number may follow; a pull's only where its signature came in before it."""
    if any(event.kind in NUMBERING for event in new):
        return True
    pulled = [event.data.get("pull") for event in new if event.kind == "pulled"]
    if not pulled or None in pulled:
        return bool(pulled)
    signed = Event.objects.filter(subject=row.id, kind="signed", data__pull__in=pulled)
    return signed.exists()
