"""The one job of the queue."""

from __future__ import annotations

import uuid

from procrastinate.contrib.django import app

from server.tasks.actions.work import work_on
from server.tasks.queue import JOB, QUEUE


@app.task(name=JOB, queue=QUEUE)
def work(task: str) -> None:
    """Work on a task; what it leads to stands in the task's row."""
    work_on(uuid.UUID(task))
