"""Log what happened to a plate's marks: its row is made with the first event."""

from __future__ import annotations

import uuid

from server.accounts.models import User
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.marks.actions.keep import marks_row
from server.marks.subject import MARKS
from server.plates.models import Plate
from server.rooms.permissions import enter, find


def log_marks(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: EventsIn) -> Plate:
    """Return the plate after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "scratch")
    plate = find(Plate, room, plate_id)
    log_events(user, room_id, MARKS, marks_row(room, plate).id, given)
    return plate
