"""The greys of a study: asked for as a task, kept with the digest of what they were made from."""

from __future__ import annotations

import hashlib
import json
import uuid
from pathlib import Path
from typing import Any

from django.conf import settings

from core.calculators import compute
from server.files.models import Picture
from server.rooms.permissions import find
from server.studies.models import Study
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
    """Return the greys of a study, where they are those of what it says now."""
    field = study.field
    if field is None or field["digest"] != digest_of(asked_of(study)):
        return None
    return dict(field) if (folder_of(study, field["digest"]) / "field.png").exists() else None


def folder_of(study: Study, digest: str) -> Path:
    """Return where what follows from a study is kept."""
    return Path(settings.MEDIA_ROOT) / str(study.room_id) / "studies" / str(study.id) / digest


def sketches_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the pictures on disk and the folder to write into."""
    given = {key: value for key, value in task.given.items() if key != "study"}
    study = find(Study, task.room, uuid.UUID(task.given["study"]))
    given["write"] = str(folder_of(study, digest_of(given)))
    given["sketches"] = [_on_disk(task, sketch) for sketch in given["sketches"]]
    return given


def _on_disk(task: Task, sketch: dict[str, Any]) -> dict[str, Any]:
    picture = find(Picture, task.room, uuid.UUID(sketch["picture"]))
    rest = {key: value for key, value in sketch.items() if key != "picture"}
    return rest | {"image": str(Path(settings.MEDIA_ROOT) / picture.original)}


def field_at_once(study: Study) -> None:
    """Make the greys of a study without a worker: for what is set up by code."""
    given = asked_of(study)
    task = Task(room=study.room, given={"study": str(study.id), **given})
    answer = compute(KIND, sketches_of(task)).model_dump(mode="json")
    study.field = {key: answer[key] for key in KEPT} | {"digest": digest_of(given)}
    study.save(update_fields=["field"])


def keep_field(task: Task) -> None:
    """Keep the greys with the study, unless it says something else by now."""
    made_from = {key: value for key, value in task.given.items() if key != "study"}
    answer: dict[str, Any] = task.result or {}
    task.result = answer | {"path": "field.png", "small_path": "small.png"}
    study = find(Study, task.room, uuid.UUID(task.given["study"]), lock=True)
    if digest_of(made_from) != digest_of(asked_of(study)):
        return
    study.field = {key: answer[key] for key in KEPT} | {"digest": digest_of(made_from)}
    study.save(update_fields=["field"])
