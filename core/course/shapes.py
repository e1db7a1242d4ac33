"""Inputs and outputs of courses, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import AwareDatetime, Field, StrictBool

from core.data.routes import Route
from core.data.step_row import Beside, Group, MeasureKind
from core.prepare.shapes import Material, Thickness
from core.schema import Shape

Status = Literal["todo", "done", "skipped"]
MeasureValue = StrictBool | int | float | str
"""A number 1 is no yes."""


class CourseInput(Shape):
    """Which steps a plate goes through, by its routes, its material and its past."""

    routes: Annotated[list[Route], Field(min_length=1, max_length=4)]
    """In any order: lines are bitten first, then tone, then drypoint is added."""
    material: Material
    thickness_mm: Thickness
    history_unknown: bool = False


class Mend(Shape):
    """How a step fails, and the mend."""

    sign: str
    mend: str


class StepMeasure(Shape):
    """One thing to note down when a step is done."""

    key: str
    label: str
    kind: MeasureKind
    unit: str
    options: list[str]
    low: float | None
    high: float | None


class StepCaution(Shape):
    """A caution of a step, and what to do when it went wrong."""

    level: Literal["danger", "care"]
    title: str
    text: str
    now: str


class CourseStepOut(Shape):
    """One step of a course."""

    id: str
    key: str
    part: int
    """1 for the first pass; a mixed plate is grounded and bitten again in 2 and 3."""
    route: Route
    group: Group
    title: str
    why: str
    good: str
    fails: list[Mend]
    hands_minutes: int
    wait_minutes: int
    timer: str
    at_hand: list[str]
    cautions: list[StepCaution]
    needs: list[str]
    """Ids of steps that come before it; of those that may stand for each other one is enough."""
    measures: list[StepMeasure]
    optional: bool
    optional_why: str
    instead: list[str]
    """Keys of steps that may be done in its place."""
    beside: list[Beside]
    """What is shown beside its texts."""


class Step(Shape):
    """A step of one plate's course as it stands; its texts are the table's."""

    id: str
    key: str
    part: int
    route: Route
    status: Status = "todo"
    reason: str = ""
    measures: dict[str, MeasureValue] = {}
    tries: int = 0
    by: str = ""
    at: AwareDatetime | None = None
    added: bool = False


class Act(Shape):
    """One change of a course."""

    act: Literal["done", "skip", "again", "reopen", "swap", "add"]
    step: str | None = None
    """The step it is about; for "add" the step it comes after, None for the front."""
    keys: list[str] = []
    """Steps of the table to add, or the one to swap in."""
    reason: str = ""
    measures: dict[str, MeasureValue] = {}
    """What was noted, by the keys of the step's measures."""


class CourseOutput(Shape):
    """The steps in working order."""

    steps: list[CourseStepOut]
    hands_minutes: int
    wait_minutes: int
    tables: str
