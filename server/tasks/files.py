"""Files that a task wrote: in a folder of its own, fetched with permission."""

from __future__ import annotations

import mimetypes
from pathlib import Path
from typing import Any

from django.conf import settings
from django.http import FileResponse

from server.replies.errors import NotFound
from server.tasks.models import Task

_LISTS, _ALONE = ("files", "stages"), ("straight", "path")
"""Where an answer names the files it wrote: in a list, or one by itself."""


def write_to(task: Task) -> str:
    """Return the folder a task writes into."""
    return str(_folder(task))


def bare_names(files: list[dict[str, Any]]) -> list[dict[str, Any]]:
    """Return files named without the folder they stand in."""
    return [file | {"path": Path(file["path"]).name} for file in files]


def name_alone(task: Task) -> None:
    """Name the one file a task wrote as it is fetched: never by a path of the server's own."""
    answer = dict(task.result or {})
    task.result = answer | {"path": Path(answer["path"]).name}


def file_of(task: Task, number: int) -> FileResponse:
    """Return one of the files that a task's answer lists, the first 1.

    Raises
    ------
    NotFound
    """
    result = task.result or {}
    one = [{"path": result[key]} for key in _ALONE if result.get(key)]
    listed: list[dict[str, Any]] = next((result[key] for key in _LISTS if key in result), one)
    listed = [*listed, *result.get("previews", [])]
    if not 1 <= number <= len(listed):
        raise NotFound("That file")
    path = _folder(task) / Path(listed[number - 1]["path"]).name
    if not path.is_file():
        raise NotFound("That file")
    kind = mimetypes.guess_type(path.name)[0] or "application/octet-stream"
    reply = FileResponse(path.open("rb"), content_type=kind, filename=path.name)
    reply["Cache-Control"] = "private, max-age=86400, immutable"
    reply["Content-Security-Policy"] = "default-src 'none'; sandbox"
    return reply


def _folder(task: Task) -> Path:
    return Path(settings.MEDIA_ROOT) / str(task.room_id) / "tasks" / str(task.id)
