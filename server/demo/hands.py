"""Steps of a course as somebody did them in the demo."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from server.accounts.models import User
from server.courses.actions.change import change_course
from server.courses.models import Course
from server.courses.schemas import CourseAct
from server.plates.models import Plate
from server.record.actions.write import told_from

Steps = tuple[tuple[str, dict[str, Any]], ...]


def do_steps(plate: Plate, user: User, steps: Steps, last: datetime, apart: timedelta) -> None:
    """Mark steps done, each with what was noted: the last at ``last``, the others before it."""
    begin = last - (len(steps) - 1) * apart
    for place, (step, measures) in enumerate(steps):
        at = begin + place * apart
        version = Course.objects.get(plate=plate).version
        given = CourseAct(version=version, act="done", step=step, measures=measures)
        with told_from(at):
            change_course(user, plate.room_id, plate.id, given)
        _set_back(plate, step, at)


def _set_back(plate: Plate, name: str, at: datetime) -> None:
    course = Course.objects.get(plate=plate)
    for step in course.steps:
        if step["key"] == name and step["at"]:
            step["at"] = at.isoformat()
    course.save()
