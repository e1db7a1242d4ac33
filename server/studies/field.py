"""The greys of a study: asked for as a task, kept with the digest of what they were made from."""

from __future__ import annotations

import hashlib
import json
import uuid
from pathlib import Path
from typing import Any

from django.conf import settings

from core.calculators import compute
from server.accounts.models import User
from server.files.paths import on_disk
from server.rooms.permissions import find
from server.studies.models import Study
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task

KIND = "study-field"
KEPT = ("counts", "px_per_mm", "finest_px_per_mm", "width_px", "height_px")


def asked_of(study: Study) -> dict[str, Any]:
    """Return what the greys of a study are made from."""
    return {
        "sketches": study.sketches,
        "tuning": study.tuning,
        "smooth_mm": study.smooth_mm,
        "width_mm": study.plate.width_mm,
        "height_mm": study.plate.height_mm,
    }


def digest_of(given: Any) -> str:
    """Return a short name of plain data, the same for the same data."""
    text = json.dumps(given, sort_keys=True, default=str)
    return hashlib.sha256(text.encode()).hexdigest()[:20]


def field_of(study: Study) -> dict[str, Any] | None:
    """Return the greys of what a study says now; None where they are not made, or lost."""
    folder = folder_of(study, digest_of(asked_of(study)))
    try:
        kept = json.loads((folder / "field.json").read_text("utf-8"))
    except (OSError, ValueError):
        return None
    return dict(kept) if (folder / "field.png").exists() else None


def folder_of(study: Study, digest: str) -> Path:
    """Return where what follows from a study is kept."""
    return Path(settings.MEDIA_ROOT) / str(study.room_id) / "studies" / str(study.id) / digest


def ask_for_field(user: User, study: Study) -> None:
    """Ask for the greys of a study where they are not there."""
    if field_of(study) is not None:
        return
    given = {"study": str(study.id), **asked_of(study)}
    ask_for(
        KIND, room=study.room, user=user, task_id=uuid.uuid4(), about=study.plate_id,
        given=given | {"times": _times_made(study, given)},
    )  # fmt: skip


def _times_made(study: Study, given: dict[str, Any]) -> int:
    """Return how often just these greys were made: once done a task stands for its work, and what
    it wrote may be lost."""
    done = Task.objects.filter(room=study.room, kind=KIND, about=study.plate_id, state="done")
    made = {digest_of(given)}
    return sum(digest_of(_without_times(task.given)) in made for task in done)


def _without_times(given: dict[str, Any]) -> dict[str, Any]:
    return {key: value for key, value in given.items() if key != "times"}


def made_from(task: Task) -> dict[str, Any]:
    """Return what a task's greys are made from."""
    return {key: value for key, value in task.given.items() if key not in ("study", "times")}


def sketches_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the pictures on disk and the folder to write into."""
    given = made_from(task)
    given["write"] = str(_folder_for(task))
    given["sketches"] = [_on_disk(task, sketch) for sketch in given["sketches"]]
    return given


def _folder_for(task: Task) -> Path:
    study = find(Study, task.room, uuid.UUID(task.given["study"]))
    return folder_of(study, digest_of(made_from(task)))


def _on_disk(task: Task, sketch: dict[str, Any]) -> dict[str, Any]:
    rest = {key: value for key, value in sketch.items() if key != "picture"}
    return rest | {"image": on_disk(task.room, sketch["picture"])}


def field_at_once(study: Study) -> None:
    """Make the greys of a study without a worker: for what is set up by code."""
    task = Task(room=study.room, given={"study": str(study.id), **asked_of(study)})
    task.result = compute(KIND, sketches_of(task)).model_dump(mode="json")
    keep_field(task)


def keep_field(task: Task) -> None:
    """Keep what is known of the greys beside them, by what they were made from."""
    answer: dict[str, Any] = task.result or {}
    kept = {key: answer[key] for key in KEPT} | {"digest": digest_of(made_from(task))}
    path = _folder_for(task) / "field.json"
    part = path.with_suffix(".part")
    part.write_text(json.dumps(kept), "utf-8")
    part.replace(path)
    task.result = answer | {"path": "field.png", "small_path": "small.png"}
