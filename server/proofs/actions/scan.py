"""Read a proof's areas off a stored scan, as a task."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from django.conf import settings

from server.accounts.models import User
from server.files.models import Picture
from server.files.paths import on_disk
from server.plates.models import Plate
from server.proofs.actions.meant import TONAL, Meant, meant_tones
from server.proofs.actions.reading import KIND
from server.proofs.schemas import ReadProofIn
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.runs.models import Run
from server.studies.run_map import map_for
from server.tasks.actions.ask import ask_for
from server.tasks.files import write_to
from server.tasks.models import Task


def ask_to_read(user: User, room_id: uuid.UUID, given: ReadProofIn) -> Task:
    """Return the task that reads the areas of a proof.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The plate has no map of its areas.
    """
    room = enter(user, room_id, "log proofs")
    plate, picture = find(Plate, room, given.plate), find(Picture, room, given.picture)
    meant = {name: each for part in TONAL for name, each in meant_tones(plate, part).items()}
    told = map_of(plate, list(meant))
    if told is None:
        raise BadValue(
            "no-map", "This plate has no map of its areas, so they cannot be found in a scan. Cut "
            "its value study into them, or type the tones.", field="plate",
            allowed="a plate whose value study has the areas of its plan",
        )  # fmt: skip
    asked = {
        "picture": str(picture.id),
        "labels": told["path"],
        "areas": [_area(area, meant) for area in told["areas"]],
        "width_mm": plate.width_mm,
        "height_mm": plate.height_mm,
        "corners_px": given.corners,
        "left_out": [stroke.model_dump(mode="json") for stroke in given.left_out],
    }
    return ask_for(KIND, room=room, user=user, task_id=given.id, about=plate.id, given=asked)


def map_of(plate: Plate, names: list[str]) -> dict[str, Any] | None:
    """Return the map of a plate's areas: of its last run with one, else of its value study."""
    run = Run.objects.filter(plate=plate, part__in=TONAL).exclude(map=None)
    last = run.order_by("-created_at").first()
    return last.map if last is not None else map_for(plate.id, names)


def _area(area: dict[str, Any], meant: dict[str, Meant]) -> dict[str, Any]:
    own = meant.get(area["name"])
    tone = (own.expected if own.expected is not None else own.wanted) if own else None
    return {"name": area["name"], "labels": area["labels"], "expected_lstar": tone}


def scan_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes."""
    given = dict(task.given)
    return given | {
        "image": on_disk(task.room, given.pop("picture")),
        "labels": str(Path(settings.MEDIA_ROOT) / given["labels"]),
        "write": write_to(task),
    }


def keep_names(task: Task) -> None:
    """Name the straight picture without the server's own folder."""
    answer: dict[str, Any] = task.result or {}
    task.result = answer | {"straight": Path(answer["straight"]).name}
