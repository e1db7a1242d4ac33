"""Read a strip's patches off a stored scan, as a task."""

from __future__ import annotations

import uuid
from typing import Any

from server.accounts.models import User
from server.files.models import Picture
from server.files.paths import on_disk
from server.rooms.permissions import enter, find
from server.strips.schemas import ReadStripIn
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task

KIND = "read-patches"


def ask_to_read(user: User, room_id: uuid.UUID, given: ReadStripIn) -> Task:
    """Return the task that reads the patches; its answer is kept where a strip takes it.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "change strips")
    picture = find(Picture, room, given.picture)
    asked = given.model_dump(mode="json", exclude={"id"})
    return ask_for(KIND, room=room, user=user, task_id=given.id, about=picture.id, given=asked)


def scan_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes."""
    given = dict(task.given)
    return {
        "image": on_disk(task.room, given["picture"]),
        "patches": given["patches"],
        "corners_px": given["corners"],
        "patch_corners_px": given["patch_corners"],
        "black": given["black"],
    }


def keep_nothing(task: Task) -> None:
    """What was read is the answer; whoever keeps the strip takes it from there."""
