"""Read an ink's colour off a scan of its draw-down, as a task, and keep it with the ink."""

from __future__ import annotations

import uuid
from typing import Any

from server.accounts.models import User
from server.files.models import Picture
from server.files.paths import on_disk
from server.record.actions.write import write
from server.replies.errors import NotFound
from server.rooms.permissions import enter, find
from server.shopbook.models import Supply
from server.shopbook.schemas import SwatchIn
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task

SWATCH = "read-swatch"


def ask_for_swatch(user: User, room_id: uuid.UUID, ink_id: uuid.UUID, given: SwatchIn) -> Task:
    """Return the task that reads an ink's colour.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "keep recipes")
    ink = find(Supply, room, ink_id)
    if ink.kind != "ink":
        raise NotFound("That ink")
    picture = find(Picture, room, given.picture)
    return ask_for(SWATCH, room=room, user=user, task_id=given.id, about=ink.id,
                   given={"picture": str(picture.id)})  # fmt: skip


def scan_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the picture on disk."""
    return {"image": on_disk(task.room, task.given["picture"])}


def keep_swatch(task: Task) -> None:
    """Keep the colour with its ink."""
    ink = find(Supply, task.room, task.about, lock=True)
    answer: dict[str, Any] = dict(task.result or {})
    ink.facts = {**ink.facts, "swatch_lab": answer["lab"]}
    ink.version += 1
    ink.save()
    write(task.room, task.made_by, "ink", f"{ink.name} drawn down: {answer['text']}")
