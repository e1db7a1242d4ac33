"""Begin the course of a plate."""

from __future__ import annotations

import uuid
from typing import Any

from core.course.course import course
from core.course.shapes import CourseInput, CourseOutput
from server.courses.models import Course
from server.plates.models import Plate

BEFORE = "Done before the steps were kept one by one."


def planned_course(plate: Plate) -> CourseOutput:
    """Return the core's course of a plate.

    Raises
    ------
    CoreError
        A route that its material cannot take.
    """
    return course(
        CourseInput(
            routes=routes_of(plate),
            material=plate.metal,
            thickness_mm=plate.thickness_mm,
            history_unknown=bool(plate.facts.get("history_unknown")),
        )
    )


def routes_of(plate: Plate) -> list[Any]:
    """Return the routes of a plate; a mixed one is lines and tone unless it says otherwise."""
    if plate.routes:
        return list(plate.routes)
    return ["etched line", "aquatint"] if plate.route == "mixed" else [plate.route]


def new_step(step_id: str, key: str, part: int, route: str, **more: object) -> dict[str, Any]:
    """Return a step as it is stored."""
    return {
        "id": step_id, "key": key, "part": part, "route": route, "status": "todo", "reason": "",
        "measures": {}, "tries": 0, "by": "", "at": None, "added": False, **more,
    }  # fmt: skip


def begin_course(plate: Plate, done: dict[str, str] | None = None) -> Course:
    """Return the stored course of a new plate; groups in ``done`` carry their fact."""
    facts = done or {}
    steps = [
        new_step(
            step.id, step.key, step.part, step.route,
            status="done" if step.group in facts else "todo",
            reason=BEFORE if step.group in facts else "",
        )
        for step in planned_course(plate).steps
    ]  # fmt: skip
    return Course.objects.create(
        id=uuid.uuid5(plate.id, "course"), room=plate.room, plate=plate, steps=steps, facts=facts
    )
