"""Begin the course of a plate."""

from __future__ import annotations

import uuid

from core.course.shapes import Step
from server.courses.models import Course
from server.courses.standing import planned_course
from server.plates.models import Plate

BEFORE = "Done before the steps were kept one by one."


def begin_course(plate: Plate, done: dict[str, str] | None = None) -> Course:
    """Return the stored course of a new plate; groups in ``done`` carry their fact."""
    facts = done or {}
    steps = [
        Step(
            id=step.id, key=step.key, part=step.part, route=step.route,
            status="done" if step.group in facts else "todo",
            reason=BEFORE if step.group in facts else "",
        ).model_dump(mode="json")
        for step in planned_course(plate).steps
    ]  # fmt: skip
    return Course.objects.create(
        id=uuid.uuid5(plate.id, "course"), room=plate.room, plate=plate, steps=steps, facts=facts
    )
