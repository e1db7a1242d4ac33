"""An exposure from the chalk to the hardened plate: what it is planned by, and its sheet."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.data.exposure_stages import CheckKey, Pace, StageKey
from core.events.exposure_kinds import WaterCelsius
from core.polymer.pair_shapes import MOST_PATCHES, PairPatch
from core.polymer.pair_test import PairTestInput
from core.polymer.shapes import ExposureSeconds
from core.schema import Shape

Factor = Annotated[float, Field(ge=0.05, le=20)]


class ExposureRunInput(Shape):
    """What an exposure is planned by: a pair of times, or the strips of a two-way test."""

    screen_seconds: ExposureSeconds | None = None
    image_seconds: ExposureSeconds | None = None
    times: Factor = 1.0
    """Of today's lamp: both times are so much longer than at the test."""
    patches: Annotated[list[PairPatch], Field(max_length=MOST_PATCHES)] = []
    """Of the test that the pair is from: they tell what a time that was missed does."""
    test: PairTestInput | None = None
    """Instead of a pair: the strips of a test, one exposure each."""
    water_c: WaterCelsius = 20.0
    own_wash_seconds: ExposureSeconds | None = None
    """What this room needs at 20 °C, where it knows."""


OutcomeCode = Literal["short", "right", "long"]


class Outcome(Shape):
    """What a stage comes to, by the share of its time that it was given."""

    up_to_share: float | None
    """None: any more."""
    code: OutcomeCode
    text: str


class CheckPlan(Shape):
    """What is looked at or felt before the next stage."""

    check: CheckKey
    label: str
    not_yet: str


class StagePlan(Shape):
    """One stage as it is planned."""

    stage: StageKey
    step: int
    title: str
    pace: Pace
    seconds: float
    low: float
    high: float
    again_seconds: float
    """For how long one goes on where its time is up and it is not right yet; 0: no more."""
    by_celsius: list[tuple[float, float]]
    """(water °C, s) where its time follows the water; else empty."""
    by_screen: list[tuple[float, float]]
    """(screen s as it was, s) where its time follows the screen's; else empty."""
    verb: str
    end_verb: str
    todo: str
    at_zero: str
    checks: list[CheckPlan]
    may_pass: bool
    cautions: list[str]
    outcomes: list[Outcome]


class ExposureSheet(Shape):
    """All that is needed at the lamp with no line: stages, times, what a missed one does."""

    stages: list[StagePlan]
    lamp_seconds: float
    minutes: float
    """From the first to the last, hands and waits."""
    water_c: float


class StageStands(Shape):
    """How a stage stands."""

    stage: StageKey
    step: int
    state: Literal["todo", "under-way", "done", "passed"]
    planned_seconds: float
    given_seconds: float
    """In all, of what is over."""
    code: OutcomeCode | None
    text: str


class ExposureStands(Shape):
    """How an exposure stands against its sheet."""

    stages: list[StageStands]
    next: int | None
    """Place of the stage under way, else of the next; None when all is done."""
    next_seconds: float
    """What that one lasts from its beginning on."""
    due_seconds: float | None
    """When the stage under way is over [s since the epoch]."""
    lamp_seconds: float
    """That the lamp burnt, in all."""
