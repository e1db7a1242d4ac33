"""What the tasks of a work are asked for: pictures by id, paths only when a worker begins."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from server.files.paths import on_disk
from server.tasks.files import bare_names, write_to
from server.tasks.models import Task
from server.works.schemas import LayerOut, WorkDecided

PREVIEW, READ, STENCILS, TRACING = "overprint", "read-print", "stencils", "traced-drawing"
MOST_FILMS = 6


def films_of(layers: list[LayerOut]) -> list[LayerOut]:
    """Return the layers that a preview shows: those of ink with a picture of what they print."""
    inked = [each for each in layers if each.kind != "chine-colle"]
    return [each for each in inked if each.shown is not None][:MOST_FILMS]


def preview_asked(decided: WorkDecided, layers: list[LayerOut]) -> dict[str, Any]:
    """Return what a preview of a work is asked for."""
    return {
        "size_mm": [decided.width_mm, decided.height_mm],
        "plates": [
            {"name": each.name, "ink_lab": list(each.lab), "lets_through": each.lets,
             "image": str(each.shown)}
            for each in films_of(layers)
        ],
    }  # fmt: skip


def plates_of(task: Task) -> list[dict[str, Any]]:
    """Return a task's plates with their pictures on disk."""
    return [{**each, "image": on_disk(task.room, each["image"])} for each in task.given["plates"]]


def preview_given(task: Task) -> dict[str, Any]:
    """Return what the calculator of previews takes."""
    return {**task.given, "plates": plates_of(task), "write": write_to(task)}


def read_given(task: Task) -> dict[str, Any]:
    """Return what the calculator of scans takes."""
    given = dict(task.given)
    given.pop("sheet")
    return {
        **given, "image": on_disk(task.room, given["image"]), "plates": plates_of(task),
        "write": write_to(task),
    }  # fmt: skip


def drawing_given(task: Task) -> dict[str, Any]:
    """Return what the calculators of drawings take."""
    given = {key: value for key, value in task.given.items() if key != "layer"}
    return {**given, "image": on_disk(task.room, given["image"]), "write": write_to(task)}


def keep_names(task: Task) -> None:
    """Name what a task wrote without the server's own folder."""
    answer = dict(task.result or {})
    for key in ("path", "straight"):
        if key in answer:
            answer[key] = Path(answer[key]).name
    for key in ("files", "previews"):
        if key in answer:
            answer[key] = bare_names(answer[key])
    if "stencils" in answer:
        answer["stencils"] = [
            {**each, "mask": Path(each["mask"]).name} for each in answer["stencils"]
        ]
    task.result = answer
