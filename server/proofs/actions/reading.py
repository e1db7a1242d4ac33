"""What a task read off a proof's scan, as the proof keeps it."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from core.reading.straight import NAME
from server.plates.models import Plate
from server.proofs.models import Proof
from server.replies.errors import BadValue, NotFound
from server.rooms.models import Room
from server.rooms.permissions import find
from server.tasks.files import write_to
from server.tasks.models import Task

KIND = "read-proof"


def reading_of(room: Room, plate: Plate, task_id: uuid.UUID | None) -> dict[str, Any] | None:
    """Return what a proof keeps of the task that read it.

    Raises
    ------
    NotFound
    BadValue
        The task read another plate's proof, or is not done.
    """
    if task_id is None:
        return None
    task = find(Task, room, task_id)
    result = task.result or {}
    if task.kind != KIND or task.about != plate.id or not result:
        raise BadValue(
            "not-this-reading", "That reading is not of a proof of this plate.", field="reading",
            value=str(task_id), allowed="a reading of this plate that is done",
        )  # fmt: skip
    return {
        "task": str(task.id),
        "corners": result["corners_px"],
        "likeness": result["likeness"],
        "warnings": result["warnings"],
    }


def straight_of(proof: Proof) -> Path:
    """Return where a proof laid straight lies.

    Raises
    ------
    NotFound
        It was read by eye, or its picture is lost.
    """
    if proof.reading is not None:
        task = find(Task, proof.room, uuid.UUID(proof.reading["task"]))
        path = Path(write_to(task)) / NAME
        if path.is_file():
            return path
    raise NotFound("That proof laid straight")
