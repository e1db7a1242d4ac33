"""Look at a scratched plate: photographs are merged as a task, and what is seen is kept."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from server.accounts.models import User
from server.files.models import Picture
from server.files.paths import on_disk
from server.marks.models import Look
from server.marks.schemas import PlateLookIn
from server.marks.state import decided_of
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.files import write_to
from server.tasks.models import Task

VIEW = "scratch-view"


def ask_to_look(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlateLookIn) -> Task:
    """Return the task that merges the photographs of a plate.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        One photograph of clear plastic.
    """
    room = enter(user, room_id, "scratch")
    plate = find(Plate, room, plate_id)
    if len(given.pictures) < 2 and not given.inked:
        raise BadValue(
            "too-few-photographs", "One photograph of clear plastic shows only the scratches that "
            "its light crosses. Take two to six from one place, the light each time from another "
            "side.", field="pictures", value=len(given.pictures), allowed="2 to 6",
        )  # fmt: skip
    pictures = [str(find(Picture, room, each).id) for each in given.pictures]
    drawing = given.drawing or decided_of(plate).drawing or plate.study_id
    asked: dict[str, Any] = {
        "pictures": pictures, "inked": given.inked,
        "drawing": str(find(Picture, room, drawing).id) if drawing else None,
        "under": {
            "width_mm": plate.width_mm, "height_mm": plate.height_mm,
            "drawing_mirrored": given.drawing_mirrored,
            "corners_px": given.model_dump(mode="json")["corners"], "fields": _fields(plate),
        },
    }  # fmt: skip
    return ask_for(VIEW, room=room, user=user, task_id=given.id, about=plate.id, given=asked)


def _fields(plate: Plate) -> list[dict[str, Any]]:
    """Return the groups' fields, whose scratches are counted."""
    columns = {"name", "x_mm", "y_mm", "width_mm", "height_mm"}
    return [each.model_dump(include=columns) for each in decided_of(plate).groups]


def photographs_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: pictures on disk, a folder of the task's own."""
    given = task.given
    drawing = on_disk(task.room, given["drawing"]) if given["drawing"] else None
    under = {**given["under"], "drawing": drawing}
    return {
        "images": [on_disk(task.room, each) for each in given["pictures"]],
        "inked": given["inked"],
        "under": under,
        "write": str(Path(write_to(task)) / "view.png"),
    }


def keep_look(task: Task) -> None:
    """Keep what was seen with the plate, its view named as it is fetched."""
    answer: dict[str, Any] = dict(task.result or {})
    answer["path"] = Path(answer["path"]).name
    task.result = answer
    plate = find(Plate, task.room, task.about)
    Look.objects.update_or_create(
        id=task.id,
        defaults={
            "room": task.room, "plate": plate, "task": task.id,
            "pictures": task.given["pictures"], "drawing_id": task.given["drawing"],
            "inked": task.given["inked"], "seen": answer, "by": task.made_by,
        },
    )  # fmt: skip
    write(task.room, task.made_by, "look", _told(answer), plate=plate)


def _told(seen: dict[str, Any]) -> str:
    missed = seen.get("missed")
    return " ".join(each for each in (seen["text"], missed["text"] if missed else "") if each)
