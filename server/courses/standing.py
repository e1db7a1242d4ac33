"""A course as the core takes it, and what follows for it by itself."""

from __future__ import annotations

from typing import Any

from core.course.course import course
from core.course.shapes import CourseInput, CourseOutput, Step
from core.course.standing import Known
from server.courses.models import Course
from server.exposures.models import Exposure
from server.marks.models import Marks
from server.marks.settled import settled_by_hand
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run


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


def known_of(plate: Plate) -> Known:
    """Return what is known of one plate."""
    planned = Plan.objects.filter(plate=plate).values_list("part", flat=True)
    finished = Run.objects.filter(plate=plate, outcome=Run.FINISHED)
    bitten = finished.values_list("part", flat=True)
    exposed = Exposure.objects.filter(plate=plate, outcome=Exposure.FINISHED).exists()
    by_hand = settled_by_hand(Marks.objects.filter(plate=plate)).get(plate.id, frozenset())
    return Known(frozenset(planned), frozenset(bitten), plate.ok_to_print, exposed, by_hand)


def steps_of(course: Course) -> list[Step]:
    """Return a course's steps as the core takes them."""
    return [Step.model_validate(step) for step in course.steps]
