"""What a course's log says of its ground."""

from __future__ import annotations

from collections import Counter

from django.utils import timezone

from core.course.shapes import Step
from core.ground.from_steps import ground_facts
from core.ground.ground_check import ground_check
from core.ground.shapes import GroundCheckInput, GroundCheckOutput, RoomCount
from server.courses.models import Course
from server.proofs.models import Proof
from server.rooms.models import Room

MOST_COUNTED = 500


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
    """Return, for each cause, how many of the room's proofed plates had it and how many fouled."""
    judged = dict(
        Proof.objects.filter(room=room)
        .exclude(foul_bite=None)
        .order_by("pulled_at")
        .values_list("plate_id", "foul_bite")[:MOST_COUNTED]
    )
    had: Counter[str] = Counter()
    fouled: Counter[str] = Counter()
    for course in Course.objects.filter(plate__in=judged).select_related("plate"):
        given = facts_of(course)
        for cause in ground_check(given).causes if given else ():
            had[cause.key] += 1
            fouled[cause.key] += bool(judged[course.plate_id])
    return {key: (had[key], fouled[key]) for key in had}
