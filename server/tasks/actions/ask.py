"""Ask for long work."""

from __future__ import annotations

import hashlib
import json
import uuid
from typing import Any

from django.db import IntegrityError, transaction
from django.utils import timezone

from server.accounts.models import User
from server.rooms.models import Room
from server.rooms.permissions import add
from server.tasks.models import HELD, Task
from server.tasks.queue import put_in


@transaction.atomic
def ask_for(
    kind: str,
    *,
    room: Room,
    user: User,
    task_id: uuid.UUID,
    about: uuid.UUID,
    given: dict[str, Any],
) -> Task:
    """Return the task, waiting for a worker; the same work asked again is the task it was.

    Parameters
    ----------
    kind : str
        Of ``KINDS``. Whoever calls has entered the room with its action.
    room, user
    task_id : UUID
        Made by the device.
    about : UUID
        What it is of.
    given : dict
        Plain JSON data, as the kind's ``prepare`` takes it.

    Returns
    -------
    Task

    Raises
    ------
    Stale
        The id belongs to something else.
    """
    digest = hashlib.sha256(json.dumps([str(about), given], sort_keys=True).encode()).hexdigest()
    same = Task.objects.filter(room=room, kind=kind)
    before = same.filter(id=task_id).first() or _held(same, digest)
    if before is not None:
        before.asked_at = timezone.now()
        before.save(update_fields=["asked_at"])
        return before
    task = Task(
        id=task_id,
        room=room,
        kind=kind,
        about=about,
        given=given,
        digest=digest,
        made_by=user,
        asked_at=timezone.now(),
    )
    try:
        with transaction.atomic():
            task, new = add(task)
    except IntegrityError:  # asked for by two at once
        return same.get(digest=digest, state__in=HELD)
    if new:
        put_in(task.id)
    return task


def _held(same: Any, digest: str) -> Task | None:
    found: Task | None = same.filter(digest=digest, state__in=HELD).first()
    return found
