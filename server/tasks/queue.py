"""The queue in the database: a task is put in it in the transaction that makes its row."""

from __future__ import annotations

import uuid

from procrastinate.contrib.django import app

QUEUE, JOB = "tasks", "work"


def put_in(task_id: uuid.UUID) -> None:
    """Put a task in the queue."""
    app.configure_task(JOB, queue=QUEUE).defer(task=str(task_id))
