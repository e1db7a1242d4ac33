"""Tasks as they are shown."""

from __future__ import annotations

from typing import cast

from pydantic import BaseModel

from core.calculators import calculator
from server.replies.errors import ErrorBody
from server.tasks.models import Task
from server.tasks.schemas import Result, State, TaskOut


def answer(task: Task) -> BaseModel:
    """Return what a task that is done came to, in the shape of its calculator."""
    return calculator(task.kind).output.model_validate(task.result)


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
        result=cast(Result, answer(task)) if task.result is not None else None,
        fault=ErrorBody.model_validate(task.fault) if task.fault is not None else None,
        created_at=task.created_at,
        ended_at=task.ended_at,
    )
