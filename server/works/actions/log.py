"""Log what happened to a work's sheets."""

from __future__ import annotations

import uuid

from server.accounts.models import User
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.works.models import Layering
from server.works.subject import WORK


def log_work(user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: EventsIn) -> Layering:
    """Return the work after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    return log_events(user, room_id, WORK, work_id, given)
