"""A course as it stands."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from core.course.course import told_step
from core.course.shapes import CourseStepOut
from core.data.steps import STEPS
from core.errors import CoreError
from core.prepare.bevel import bevel
from core.prepare.shapes import BevelInput, BevelOutput
from server.courses.actions.begin import planned_course
from server.courses.actions.ground import ground_check_of
from server.courses.models import Course
from server.courses.schemas import CourseOut, StepNow
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run

BY_ITSELF = {
    "plan-lines": ("plan", "lines"),
    "plan-tones": ("plan", "tones"),
    "bite-lines": ("run", "lines"),
    "bite-tones": ("run", "tones"),
}
SETTLED = ("done", "skipped")


@dataclass(frozen=True)
class Known:
    """Which parts of a plate are planned and bitten, and whether a proof is OK to print."""

    planned: frozenset[str]
    bitten: frozenset[str]
    approved: bool

    def has(self, key: str) -> bool | None:
        """Tell whether a step that follows by itself is done; None for one marked by hand."""
        if key == "proof":
            return True if self.approved else None
        if key not in BY_ITSELF:
            return None
        kind, part = BY_ITSELF[key]
        return part in (self.planned if kind == "plan" else self.bitten) or None


def known_of(plate: Plate) -> Known:
    """Return what is known of one plate."""
    plans = Plan.objects.filter(plate=plate).values_list("part", flat=True)
    runs = Run.objects.filter(plate=plate).exclude(ended_at=None).values_list("part", flat=True)
    return Known(frozenset(plans), frozenset(runs), plate.ok_to_print)


def status_of(step: dict[str, Any], known: Known) -> str:
    """Return how a step stands."""
    return "done" if known.has(step["key"]) else str(step["status"])


def course_out(course: Course) -> CourseOut:
    """Return a course with its texts, what waits for what, and what the ground asks for."""
    plate = course.plate
    known = known_of(plate)
    told = {step.id: step for step in planned_course(plate).steps}
    status = {step["id"]: status_of(step, known) for step in course.steps}
    steps = [_step(step, told, status, course, known) for step in course.steps]
    left = [step for step in steps if step.status == "todo" and not step.optional]
    return CourseOut(
        plate=plate.id,
        version=course.version,
        steps=steps,
        hands_minutes_left=sum(step.hands_minutes for step in left),
        wait_minutes_left=sum(step.wait_minutes for step in left),
        bevel=_bevel(plate),
        ground=ground_check_of(course),
        can_add={key: row.title for key, row in STEPS.items()},
    )


def _step(
    step: dict[str, Any],
    told: dict[str, CourseStepOut],
    status: dict[str, str],
    course: Course,
    known: Known,
) -> StepNow:
    planned = told.get(step["id"]) or told_step(
        step["key"], step["part"], step["route"], needs=needs_of(step, course.steps)
    )
    facts = planned.model_dump(exclude={"id"})
    return StepNow(
        **facts,
        id=step["id"],
        status=status[step["id"]],
        reason=step["reason"],
        measured=step["measures"],
        tries=step["tries"],
        by=step["by"],
        at=step["at"],
        added=step["added"],
        by_itself=known.has(step["key"]) is True or step["key"] in BY_ITSELF,
        waits_for=waits_for(step, planned.needs, course.steps, status),
    )


def needs_of(step: dict[str, Any], steps: list[dict[str, Any]]) -> list[str]:
    """Return ids of the steps before this one that it needs, by the table."""
    place = next(i for i, each in enumerate(steps) if each["id"] == step["id"])
    needed = STEPS[step["key"]].needs
    return [each["id"] for each in steps[:place] if each["key"] in needed]


def waits_for(
    step: dict[str, Any], needs: list[str], steps: list[dict[str, Any]], status: dict[str, str]
) -> list[str]:
    """Return titles of needed steps that are not settled; of alternatives one settled is enough."""
    by_id = {each["id"]: each for each in steps}
    open_needs = [need for need in needs if need in by_id and status[need] not in SETTLED]
    last_asked = _asked_again(step, steps, status)
    ids = dict.fromkeys([*open_needs, *last_asked])
    return [STEPS[by_id[need]["key"]].title for need in ids]


def _asked_again(
    step: dict[str, Any], steps: list[dict[str, Any]], status: dict[str, str]
) -> list[str]:
    """Return repeats, before this step, of steps it needs that are still to do."""
    needed = STEPS[step["key"]].needs
    found = []
    for each in steps:
        if each["id"] == step["id"]:
            break
        if each["key"] in needed and status[each["id"]] == "todo":
            found.append(each["id"])
    return found if found and "~" in found[-1] else []


def _bevel(plate: Plate) -> BevelOutput | None:
    try:
        return bevel(
            BevelInput(
                material=plate.metal, thickness_mm=plate.thickness_mm, width_mm=plate.width_mm,
                height_mm=plate.height_mm,
            )
        )  # fmt: skip
    except CoreError:
        return None
