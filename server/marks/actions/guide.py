"""Make a guide of a plate's hatching at 1:1, as a task."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from server.accounts.models import User
from server.files.paths import on_disk
from server.marks.reads import groups_of
from server.marks.schemas import GroupOut, GuideIn
from server.marks.state import decided_of
from server.plates.models import Plate
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.files import write_to
from server.tasks.models import Task

GUIDE = "hatch-guide"
_ANGLES = (45.0, -45.0, 0.0, 90.0, 20.0, -70.0)
"""Of each layer on the print, from level: as a right hand hatches first. ``room-practice``"""


def ask_for_guide(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: GuideIn) -> Task:
    """Return the task that draws a plate's guide.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        No group is hatched.
    """
    room = enter(user, room_id, "scratch")
    plate = find(Plate, room, plate_id)
    fields = [_field(each) for each in groups_of(plate) if each.hatch and each.hatch.spacing_um]
    if not fields:
        raise BadValue(
            "nothing-hatched", "No group of this plate is hatched yet: give one a tone first.",
            field="groups", allowed="a group that is hatched",
        )  # fmt: skip
    drawing = decided_of(plate).drawing or plate.study_id
    asked: dict[str, Any] = {
        "fields": fields, "width_mm": plate.width_mm, "height_mm": plate.height_mm,
        "lies": given.lies, "paper": given.paper, "about": plate.name,
        "drawing": str(drawing) if drawing else None,
    }  # fmt: skip
    return ask_for(GUIDE, room=room, user=user, task_id=given.id, about=plate.id, given=asked)


def _field(group: GroupOut) -> dict[str, Any]:
    spacing = group.hatch.spacing_um if group.hatch else None
    columns = {"name", "x_mm", "y_mm", "width_mm", "height_mm"}
    layers = [{"spacing_um": spacing, "angle_deg": a} for a in _ANGLES[: group.layers]]
    return group.model_dump(include=columns) | {"layers": layers}


def fields_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the drawing on disk, a file of the task's own."""
    drawing = task.given["drawing"]
    return {
        **task.given,
        "drawing": on_disk(task.room, drawing) if drawing else None,
        "write": str(Path(write_to(task)) / "guide.pdf"),
    }
