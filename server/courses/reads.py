"""A course as it stands."""

from __future__ import annotations

from core.course.course import told_step
from core.course.shapes import CourseStepOut, Step
from core.course.standing import Known, bites, needs_of, plans, status_of, waits_for
from core.data.exposure_stages import EXPOSED_STEPS
from core.data.steps import STEPS
from core.errors import CoreError
from core.prepare.bevel import bevel
from core.prepare.shapes import BevelInput, BevelOutput
from server.courses.ground import ground_check_of
from server.courses.models import Course
from server.courses.schemas import CourseOut, StepNow
from server.courses.standing import known_of, planned_course, steps_of
from server.plates.models import Plate


def course_out(course: Course) -> CourseOut:
    """Return a course with its texts, what waits for what, and what the ground asks for."""
    plate, known, all_steps = course.plate, known_of(course.plate), steps_of(course)
    told = {step.id: step for step in planned_course(plate).steps}
    steps = [_step(step, told, all_steps, known) for step in all_steps]
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


def _step(step: Step, told: dict[str, CourseStepOut], steps: list[Step], known: Known) -> StepNow:
    planned = told.get(step.id) or told_step(
        step.key, step.part, step.route, needs=needs_of(step, steps)
    )
    by_itself = plans(step.key) is not None or bites(step.key) is not None
    return StepNow(
        **planned.model_dump(exclude={"id"}),
        id=step.id,
        status=status_of(step, known),
        reason=step.reason,
        measured=step.measures,
        tries=step.tries,
        by=step.by,
        at=step.at,
        added=step.added,
        by_itself=by_itself or known.settles(step.key),
        by_clock=step.key in EXPOSED_STEPS,
        plans=plans(step.key),
        bites=bites(step.key),
        waits_for=waits_for(step, planned.needs, steps, known),
    )


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
