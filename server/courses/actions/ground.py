"""What a course's log says of its ground."""

from __future__ import annotations

from collections import Counter
from datetime import datetime
from typing import Any

from django.utils import timezone

from core.ground.ground_check import ground_check
from core.ground.shapes import GroundCheckInput, GroundCheckOutput, RoomCount
from server.courses.models import Course
from server.proofs.models import Proof
from server.rooms.models import Room

GROUND_OF = {
    "ball-ground": "ball",
    "liquid-ground": "liquid",
    "soft-ground": "soft",
    "dust": "dust",
    "spray": "spray",
}
MOST_COUNTED = 500
_SECONDS_PER_HOUR, _HOURS_PER_DAY = 3600.0, 24.0


def ground_check_of(course: Course) -> GroundCheckOutput | None:
    """Return the check of the last ground laid; None where none was."""
    given = ground_facts(course)
    if given is None:
        return None
    counts = {
        key: RoomCount(plates=plates, fouled=fouled)
        for key, (plates, fouled) in _room_counts(course.room).items()
    }
    return ground_check(given.model_copy(update={"counts": counts}))


def ground_facts(course: Course) -> GroundCheckInput | None:
    """Return what was logged of the last ground laid, as the core takes it."""
    done = [step for step in course.steps if step["status"] == "done" and step["at"]]
    laid = _last(done, *GROUND_OF)
    if laid is None or course.plate.metal not in ("copper", "zinc"):
        return None
    clean, polish, draw, fuse = (_last(done, key) for key in ("degrease", "polish", "draw", "fuse"))
    notes = laid["measures"]
    kind = "smoked" if notes.get("smoked") is True else GROUND_OF[laid["key"]]
    covered = notes.get("covered")
    return GroundCheckInput(
        metal=course.plate.metal,
        ground=kind,
        water_break=clean["measures"].get("water_break") if clean else None,
        polished_after_degrease=bool(clean and polish and polish["at"] > clean["at"]),
        film=notes.get("film"),
        heat_c=notes.get("heat"),
        flash_minutes=notes.get("flash"),
        age_days=_hours(laid["at"], timezone.now().isoformat()) / _HOURS_PER_DAY,
        hours_degreased_to_ground=_hours(clean["at"], laid["at"]) if clean else None,
        edges_covered=_edges(done),
        back=_back(course, done),
        needle_um=draw["measures"].get("needle") if draw else None,
        covered_share=None if covered is None else covered / 100,
        fused_clear=fuse["measures"].get("clear") if fuse else None,
    )


def _last(done: list[dict[str, Any]], *keys: str) -> dict[str, Any] | None:
    found = [step for step in done if step["key"] in keys]
    return max(found, key=lambda step: step["at"], default=None)


def _hours(start: str, end: str) -> float:
    gone = datetime.fromisoformat(end) - datetime.fromisoformat(start)
    return max(0.0, gone.total_seconds() / _SECONDS_PER_HOUR)


def _edges(done: list[dict[str, Any]]) -> bool | None:
    said = [step["measures"]["edges"] for step in done if "edges" in step["measures"]]
    return bool(said[-1]) if said else None


def _back(course: Course, done: list[dict[str, Any]]) -> Any:
    step = _last(done, "back")
    said = step["measures"].get("back") if step else None
    return said or course.plate.facts.get("back")


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
        given = ground_facts(course)
        for cause in ground_check(given).causes if given else ():
            had[cause.key] += 1
            fouled[cause.key] += bool(judged[course.plate_id])
    return {key: (had[key], fouled[key]) for key in had}
