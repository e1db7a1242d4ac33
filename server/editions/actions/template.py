"""Draw a plate's template for the press bed, as a task."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from server.accounts.models import User
from server.editions.schemas import TemplateIn
from server.plates.models import Plate
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.files import write_to
from server.tasks.models import Task

TEMPLATE = "press-template"


def ask_for_template(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: TemplateIn
) -> Task:
    """Return the task that draws a template.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The paper is smaller than the plate.
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id)
    if given.width_mm < plate.width_mm or given.height_mm < plate.height_mm:
        field, side = (("width_mm", plate.width_mm) if given.width_mm < plate.width_mm
                       else ("height_mm", plate.height_mm))  # fmt: skip
        raise BadValue(
            "paper-smaller-than-plate", "The paper is smaller than the plate as it lies. Turn one "
            "of them, or take a larger piece.", field=field, value=getattr(given, field),
            allowed=f"at least {side:g}", unit="mm",
        )  # fmt: skip
    asked: dict[str, Any] = {
        "plate_mm": [plate.width_mm, plate.height_mm],
        "paper_mm": [given.width_mm, given.height_mm], "lift_mm": given.lift_mm,
        "print_on": given.print_on, "about": plate.name,
    }  # fmt: skip
    return ask_for(TEMPLATE, room=room, user=user, task_id=given.id, about=plate.id, given=asked)


def bed_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: a file of the task's own."""
    return {**task.given, "write": str(Path(write_to(task)) / "template.pdf")}
