"""Ask for the maps of a study as files, for a photograph to be looked over, and for bare maps."""

from __future__ import annotations

import uuid
from typing import Any

from core.data.study import PENS
from server.accounts.models import User
from server.files.models import Picture
from server.files.paths import on_disk
from server.plates.models import Plate
from server.replies.errors import BadValue, NotFound
from server.rooms.models import Room
from server.rooms.permissions import enter, find
from server.studies.cut import current
from server.studies.field import folder_of
from server.studies.models import Study
from server.studies.schemas import LookIn, MapsIn, StopOutMapsIn
from server.tasks.actions.ask import ask_for
from server.tasks.files import bare_names, write_to
from server.tasks.models import Task


def study_of(room: Room, plate_id: uuid.UUID) -> Study:
    """Return the study of a plate.

    Raises
    ------
    NotFound
    """
    plate = find(Plate, room, plate_id)
    found = Study.objects.filter(room=room, plate=plate).select_related("plate", "strip", "bath")
    study = found.first()
    if study is None:
        raise NotFound("A value study of this plate")
    return study


def _cut_now(study: Study) -> dict[str, Any]:
    """Return the greys and the cut of a study, as a calculator takes them.

    Raises
    ------
    BadValue
        It is not cut yet.
    """
    now = current(study)
    if now is None:
        raise BadValue("not-cut", "Cut the study first: its areas are not there yet.")
    field, cut = now
    return {
        "study": str(study.id),
        "digest": field["digest"],
        "cut": cut.model_dump(mode="json"),
        "width_mm": study.plate.width_mm,
        "height_mm": study.plate.height_mm,
    }


def ask_for_maps(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: MapsIn) -> Task:
    """Return the task that draws the maps.

    Raises
    ------
    NotFound, NotAllowed, BadValue
    """
    room = enter(user, room_id, "change plans")
    study = study_of(room, plate_id)
    asked = given.model_dump(mode="json", exclude={"id", "plan_version"})
    more = {"title": study.plate.name, "names": study.names, "pens": pens_of(study)}
    return ask_for(
        "study-maps", room=room, user=user, task_id=given.id, about=study.plate_id,
        given=_cut_now(study) | asked | more,
    )  # fmt: skip


def pens_of(study: Study) -> list[str]:
    """Return the pens of a study: those named, then the usual ones."""
    own = list(study.pens)
    return (own + [pen for pen in PENS if pen not in own])[: len(PENS)]


def ask_to_look(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: LookIn) -> Task:
    """Return the task that looks a photograph of the plate over.

    Raises
    ------
    NotFound, NotAllowed, BadValue
    """
    room = enter(user, room_id, "change plans")
    study = study_of(room, plate_id)
    picture = find(Picture, room, given.picture)
    asked = {"bite": given.bite, "method": given.method, "corners_px": given.corners}
    return ask_for(
        "look-over", room=room, user=user, task_id=given.id, about=study.plate_id,
        given=_cut_now(study) | asked | {"picture": str(picture.id)},
    )  # fmt: skip


def ask_for_bare_maps(user: User, room_id: uuid.UUID, given: StopOutMapsIn) -> Task:
    """Return the task that draws the stop-out maps of a stored picture, of no plate.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "change plans")
    picture = find(Picture, room, given.picture)
    asked = given.given.model_dump(mode="json", exclude={"image", "write"})
    return ask_for(
        "stop-out-maps", room=room, user=user, task_id=given.id, about=picture.id, given=asked
    )


def prepare_maps(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the greys on disk and a folder of the task's own."""
    return _with_field(task) | {"write": write_to(task)}


def prepare_look(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the photograph and the greys on disk."""
    given = _with_field(task)
    return given | {"image": on_disk(task.room, given.pop("picture"))}


def prepare_bare_maps(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the picture on disk and a folder of the task's own."""
    image = on_disk(task.room, task.about)
    return {**task.given, "image": image, "write": write_to(task)}


def _with_field(task: Task) -> dict[str, Any]:
    given = dict(task.given)
    study = find(Study, task.room, uuid.UUID(given.pop("study")))
    return given | {"field": str(folder_of(study, given.pop("digest")) / "field.png")}


def keep_maps(task: Task) -> None:
    """Name the files as they are fetched: none by a path of the server's own."""
    answer: dict[str, Any] = task.result or {}
    task.result = answer | {"files": bare_names(answer["files"])}


def keep_bare_maps(task: Task) -> None:
    """Name the files as they are fetched."""
    answer: dict[str, Any] = task.result or {}
    task.result = answer | {"stages": bare_names(answer["stages"])}


def keep_nothing(task: Task) -> None:
    """What was seen is the answer; nothing follows from it."""
