"""Count the dust of a plate from a stored photograph, and log it."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from django.conf import settings

from core.image.shapes import DustCoverageOutput
from server.accounts.models import User
from server.courses.schemas import CoverageIn
from server.files.models import Picture
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task


def count_dust(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CoverageIn) -> Task:
    """Return the task that counts the grains in a photograph.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change plates")
    plate, picture = find(Plate, room, plate_id), find(Picture, room, given.picture)
    return ask_for(
        "dust-coverage", room=room, user=user, task_id=given.id, about=plate.id,
        given={"picture": str(picture.id), "um_per_pixel": given.um_per_pixel},
    )  # fmt: skip


def photograph_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the photograph on disk and its scale."""
    picture = find(Picture, task.room, uuid.UUID(task.given["picture"]))
    path = Path(settings.MEDIA_ROOT) / picture.original
    return {"image": str(path), "um_per_pixel": task.given["um_per_pixel"]}


def keep_coverage(task: Task) -> None:
    """Log what the photograph shows."""
    seen = DustCoverageOutput.model_validate(task.result)
    text = (
        f"Dust covers {100 * seen.covered:.0f} % (± {200 * seen.covered_spread:.0f}), "
        f"{seen.grains_per_mm2:.0f} grains a mm²: {seen.verdict}."
    )
    data = {"picture": task.given["picture"], **seen.model_dump(exclude={"patches"})}
    plate = find(Plate, task.room, task.about)
    write(task.room, task.made_by, "coverage", text, plate=plate, data=data)
