"""Work on a task: its calculator runs in a process of its own, so that it stops at once."""

from __future__ import annotations

import logging
import uuid

from django.db import transaction
from django.utils import timezone

from server.tasks.child import BROKE_OFF, Child, Ended, Failed
from server.tasks.kinds import KINDS
from server.tasks.models import OPEN, Task

log = logging.getLogger(__name__)

LOOK_SECONDS = 0.5
"""How often a worker looks whether its task was stopped or taken over."""

MOST_TURNS = 5
"""A task that lost its worker so often is not begun again: it may be what ends them."""


def work_on(task_id: uuid.UUID) -> None:
    """Carry a task to its end; nothing where it is stopped, ended, or its turn passed to another.

    Parameters
    ----------
    task_id : UUID
    """
    task = _take(task_id)
    if task is None:
        return
    try:
        told = _calculated(task)
        if told is not None:
            _end(task, told)
    except Exception:  # whatever it is: a task that nobody works on must not look as if
        log.exception("task %s broke off", task_id)
        _end(task, Failed(BROKE_OFF))


def _calculated(task: Task) -> Ended | None:
    """Return what the calculation came to; None where the turn was lost or the task stopped."""
    kind = KINDS[task.kind]
    with Child(kind.calculator, kind.prepare(task)) as child:
        while (told := child.told_within(LOOK_SECONDS)) is None or isinstance(told, float):
            if not _still_mine(task, told):
                return None
        return told


@transaction.atomic
def _take(task_id: uuid.UUID) -> Task | None:
    """Return the task with a new turn begun; who worked on it before has lost his."""
    task = Task.objects.select_for_update().filter(id=task_id, state__in=OPEN).first()
    if task is None:
        return None
    if task.turn >= MOST_TURNS:
        task.state, task.fault, task.ended_at = "failed", BROKE_OFF, timezone.now()
        task.save()
        return None
    task.state, task.progress, task.turn = "doing", 0.0, task.turn + 1
    task.save(update_fields=["state", "progress", "turn"])
    return task


def _still_mine(task: Task, share: float | None) -> bool:
    mine = Task.objects.filter(id=task.id, turn=task.turn, state="doing")
    return bool(mine.update(progress=share) if share is not None else mine.exists())


@transaction.atomic
def _end(task: Task, told: Ended) -> None:
    """Write the end and what follows from it, once: only who still has the turn."""
    mine = Task.objects.select_for_update().filter(id=task.id, turn=task.turn, state="doing")
    now = mine.select_related("made_by", "room").first()
    if now is None:
        return
    now.ended_at = timezone.now()
    if isinstance(told, Failed):
        now.state, now.fault = "failed", told.fault
    else:
        now.state, now.progress, now.result = "done", 1.0, told.answer
        KINDS[now.kind].keep(now)
    now.save()
