"""Steps of a course as somebody did them in the demo."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from server.accounts.models import User
from server.courses.actions.change import change_course
from server.courses.models import Course
from server.courses.schemas import CourseAct
from server.plates.models import Plate

Steps = tuple[tuple[str, dict[str, Any]], ...]


def do_steps(plate: Plate, user: User, steps: Steps) -> None:
    """Mark steps done, one after the other, each with what was noted."""
    for step, measures in steps:
        version = Course.objects.get(plate=plate).version
        given = CourseAct(version=version, act="done", step=step, measures=measures)
        change_course(user, plate.room_id, plate.id, given)


def move_back(plate: Plate, last: datetime, apart: timedelta) -> None:
    """Set the times of the done steps back: the last at ``last``, the others before it."""
    course = Course.objects.get(plate=plate)
    done = [step for step in course.steps if step["at"]]
    for place, step in enumerate(reversed(done)):
        step["at"] = (last - place * apart).isoformat()
    course.save()
