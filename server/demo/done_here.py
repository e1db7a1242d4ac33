"""Do a task's calculation while the demo is set up, as its worker would; the same one once."""

from __future__ import annotations

import json
import shutil
from tempfile import mkdtemp
from typing import Any

from core.calculators import compute
from server.tasks.files import write_to
from server.tasks.kinds import KINDS
from server.tasks.models import Task

_DONE: dict[str, tuple[dict[str, Any], str]] = {}


def done_here(task: Task) -> Task:
    """Return the task with its answer; its files stand where they are fetched."""
    kind = KINDS[task.kind]
    answer, folder = _once(task, kind.prepare(task))
    shutil.rmtree(write_to(task), ignore_errors=True)
    shutil.copytree(folder, write_to(task))
    task.result = json.loads(json.dumps(answer))
    kind.keep(task)
    task.state, task.progress, task.ended_at = "done", 1.0, task.created_at
    task.save()
    return task


def _once(task: Task, given: dict[str, Any]) -> tuple[dict[str, Any], str]:
    key = json.dumps([task.kind, task.given], sort_keys=True)
    if key not in _DONE:
        folder = mkdtemp(prefix="keen-demo-")
        answer = compute(task.kind, {**given, "write": folder})
        _DONE[key] = answer.model_dump(mode="json"), folder
    return _DONE[key]
