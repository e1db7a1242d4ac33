"""Shapes of courses."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.course.shapes import CourseStepOut, MeasureValue, Status
from core.ground.shapes import GroundCheckOutput
from core.image.shapes import UmPerPixel
from core.prepare.shapes import BevelOutput

Reason = Annotated[str, Field(max_length=500)]
StepId = Annotated[str, Field(min_length=1, max_length=60)]


class CourseAct(Schema):
    """One change of a course, decided on its ``version``."""

    version: Annotated[int, Field(ge=1)]
    act: Literal["done", "skip", "again", "reopen", "swap", "add"]
    step: StepId | None = None
    """The step it is about; for "add" the step it comes after, null for the front."""
    keys: Annotated[list[StepId], Field(max_length=12)] = []
    """Steps of the table to add, or the one to swap in."""
    reason: Reason = ""
    measures: dict[str, MeasureValue] = {}
    """What was noted, by the keys of the step's measures."""


class StepNow(CourseStepOut):
    """A step with how it stands."""

    status: Status
    reason: str
    measured: dict[str, MeasureValue]
    tries: int
    by: str
    at: datetime | None
    added: bool
    by_itself: bool
    """Done or not follows from the plan, the run or the proof; it is not marked by hand."""
    by_clock: bool
    """It is a stage of an exposure, which may be gone through by the clock."""
    plans: str | None
    """The process whose plan it is about."""
    bites: str | None
    """The process whose run it is about."""
    waits_for: list[str]
    """Titles of needed steps that are not done."""


class CourseOut(Schema):
    """A plate's course, with what its ground and its edges ask for."""

    plate: UUID
    version: int
    steps: list[StepNow]
    hands_minutes_left: int
    wait_minutes_left: int
    bevel: BevelOutput | None
    ground: GroundCheckOutput | None
    """Null until a ground was laid."""
    can_add: dict[str, str]
    """Steps that can be added: {key: title}."""


class CoverageIn(Schema):
    """A close photograph, stored before, and its scale."""

    id: UUID
    """Of the task that counts."""
    picture: UUID
    um_per_pixel: UmPerPixel
