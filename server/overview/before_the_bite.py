"""Steps of a plate's course that its next bite waits for."""

from __future__ import annotations

from core.course.standing import bites, needs_of, status_of, waits_for
from server.courses.models import Course
from server.courses.standing import known_of, steps_of
from server.plans.models import Plan


def not_done_yet(plan: Plan) -> list[str]:
    """Return titles of steps before a part's bite that are not done: its ground, say."""
    course = Course.objects.filter(plate=plan.plate).first()
    if course is None:
        return []
    steps, known = steps_of(course), known_of(plan.plate)
    step = next((s for s in steps if bites(s.key) == plan.part), None)
    if step is None or status_of(step, known) != "todo":
        return []
    return waits_for(step, needs_of(step, steps), steps, known)
