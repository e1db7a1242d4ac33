"""What a course's log says of its ground."""

from __future__ import annotations

from collections import Counter
from typing import Any

from django.db.models import OuterRef, QuerySet, Subquery
from django.utils import timezone

from core.course.shapes import Step
from core.ground.from_steps import ground_facts
from core.ground.ground_check import ground_check
from core.ground.shapes import GroundCheckInput, GroundCheckOutput, RoomCount
from server.courses.models import Course
from server.proofs.models import Proof
from server.rooms.models import Room

MOST_COUNTED = 200
"""The newest judged plates a cause is counted in: what was done years ago says little of today."""


def ground_check_of(course: Course) -> GroundCheckOutput | None:
    """Return the check of the last ground laid; None where none was."""
    given = facts_of(course)
    if given is None:
        return None
    counts = {
        key: RoomCount(plates=plates, fouled=fouled)
        for key, (plates, fouled) in _room_counts(course.room).items()
    }
    return ground_check(given.model_copy(update={"counts": counts}))


def facts_of(course: Course) -> GroundCheckInput | None:
    """Return what was logged of the last ground laid, as the core takes it."""
    steps = [Step.model_validate(step) for step in course.steps]
    plate = course.plate
    return ground_facts(plate.metal, steps, plate.facts.get("back"), timezone.now())


def _room_counts(room: Room) -> dict[str, tuple[int, int]]:
    """Return, for each cause, how many of the room's judged plates had it and how many fouled."""
    had: Counter[str] = Counter()
    fouled: Counter[str] = Counter()
    for course in _judged(room):
        given = facts_of(course)
        for cause in ground_check(given).causes if given else ():
            had[cause.key] += 1
            fouled[cause.key] += bool(course.fouled)
    return {key: (had[key], fouled[key]) for key in had}


def _judged(room: Room) -> QuerySet[Course, Any]:
    """Return the courses of the plates judged last, each with what its newest judged proof said."""
    proofs = Proof.objects.filter(plate=OuterRef("plate")).exclude(foul_bite=None)
    newest = proofs.order_by("-pulled_at")
    return (
        Course.objects.filter(room=room)
        .select_related("plate")
        .annotate(
            fouled=Subquery(newest.values("foul_bite")[:1]),
            judged_at=Subquery(newest.values("pulled_at")[:1]),
        )
        .exclude(judged_at=None)
        .order_by("-judged_at")[:MOST_COUNTED]
    )
