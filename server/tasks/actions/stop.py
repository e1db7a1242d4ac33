"""Stop long work."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.rooms.permissions import enter, find
from server.tasks.kinds import KINDS
from server.tasks.models import OPEN, Task


@transaction.atomic
def stop_task(user: User, room_id: uuid.UUID, task_id: uuid.UUID) -> Task:
    """Return the stopped task; one that has ended stays as it is.

    Raises
    ------
    NotFound, NotAllowed
    """
    task = find(Task, enter(user, room_id, "look"), task_id, lock=True)
    enter(user, room_id, KINDS[task.kind].action)
    if task.state in OPEN:
        task.state, task.ended_at = "stopped", timezone.now()
        task.save(update_fields=["state", "ended_at"])
    return task
