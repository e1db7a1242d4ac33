"""Tasks as they are shown."""

from __future__ import annotations

from typing import cast

from server.replies.errors import ErrorBody
from server.tasks.models import Task
from server.tasks.schemas import Result, State, TaskOut


def task_out(task: Task) -> TaskOut:
    """Return a task as it is shown."""
    return TaskOut(
        id=task.id,
        kind=task.kind,
        about=task.about,
        given=task.given,
        state=cast(State, task.state),
        progress=task.progress,
        turn=task.turn,
        result=Result.model_validate(task.result) if task.result is not None else None,
        fault=ErrorBody.model_validate(task.fault) if task.fault is not None else None,
        created_at=task.created_at,
        ended_at=task.ended_at,
    )
