"""Log what happened to a plate at the press: its row is made with the first event."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.editions.subject import PULLS
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.plates.models import Plate
from server.pulls.printing import pulls_row
from server.rooms.permissions import enter, find


@transaction.atomic
def log_pulls(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: EventsIn) -> Plate:
    """Return the plate after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id, lock=True)  # before its pulls, as everywhere
    log_events(user, room_id, PULLS, pulls_row(room, plate).id, given)
    return plate
