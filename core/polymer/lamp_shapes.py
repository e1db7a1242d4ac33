"""A lamp: what was measured of it, and what it gives today."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.data.polymer import STEP_DENSITY, LampKind
from core.polymer.exposure_wedge import Step
from core.polymer.shapes import Distance, Dose, ExposureSeconds, Irradiance, LampHours, StepDensity
from core.schema import Shape

MOST_READINGS, MOST_POINTS = 200, 20


class MeterReading(Shape):
    """Irradiance at the usual place, when the lamp had burnt so long."""

    kind: Literal["irradiance"]
    hours: LampHours
    mw_per_cm2: Irradiance


class DoseReading(Shape):
    """What an integrator gathered in an exposure."""

    kind: Literal["dose"]
    hours: LampHours
    mj_per_cm2: Dose
    seconds: ExposureSeconds


class WedgeReading(Shape):
    """The last step of a wedge that held after an exposure."""

    kind: Literal["wedge"]
    hours: LampHours
    seconds: ExposureSeconds
    held_step: Step
    step_density: StepDensity = STEP_DENSITY


LampReading = Annotated[
    MeterReading | DoseReading | WedgeReading, Field(discriminator="kind")
]  # fmt: skip


class LampTodayInput(Shape):
    """A lamp, its hours now and when a test was made, and what was measured of it."""

    lamp: LampKind
    hours: LampHours | None = None
    """None: nobody counted them; then only readings tell."""
    test_hours: LampHours | None = None
    """None: the same as now."""
    readings: Annotated[list[LampReading], Field(max_length=MOST_READINGS)] = []

    @model_validator(mode="after")
    def _in_order(self) -> LampTodayInput:
        latest = max((each.hours for each in self.readings), default=0.0)
        if self.hours is not None and max(latest, self.test_hours or 0.0) > self.hours:
            raise ValueError("hours must not be less than at a reading or at the test")
        return self


class LampTodayOutput(Shape):
    """What the lamp gives now over what it gave at the test."""

    factor: float
    low: float
    high: float
    times: float
    """By which the test's times are multiplied."""
    mw_per_cm2: float | None
    mw_low: float | None
    mw_high: float | None
    measured: bool
    """Some reading tells of it; else only its hours do."""
    life_left_hours: float | None
    """Until it has lost what such a lamp loses in its usual life; None where hours are unknown."""
    text: str


class LightPoint(Shape):
    """Irradiance measured at a distance."""

    distance_cm: Distance
    mw_per_cm2: Irradiance


class LampDoseInput(Shape):
    """A lamp measured at some distances, and the time or the dose that is wanted at one."""

    lamp: LampKind
    points: Annotated[list[LightPoint], Field(min_length=1, max_length=MOST_POINTS)]
    distance_cm: Distance
    seconds: ExposureSeconds | None = None
    mj_per_cm2: Dose | None = None

    @model_validator(mode="after")
    def _one_of_two(self) -> LampDoseInput:
        if (self.seconds is None) == (self.mj_per_cm2 is None):
            raise ValueError("give seconds or mj_per_cm2, one of the two")
        distances = [point.distance_cm for point in self.points]
        if len(set(distances)) < len(distances):
            raise ValueError("points names a distance twice")
        return self


class LampDoseOutput(Shape):
    """Light at the plate: irradiance, time and dose."""

    mw_per_cm2: float
    seconds: float
    mj_per_cm2: float
    source: Literal["measured", "between", "inverse-square"]


class LampEvennessInput(Shape):
    """Nine readings over a bed, row by row, and the plate that lies in its middle."""

    bed_width_mm: Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
    bed_height_mm: Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
    readings: Annotated[list[Irradiance], Field(min_length=9, max_length=9)]
    """Any unit of light: only their ratios count."""
    width_mm: Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]
    height_mm: Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]


class LampEvennessOutput(Shape):
    """How even the light is over a plate in the middle of the bed."""

    least: float
    """Over the light in the plate's middle."""
    most: float
    steps: float
    """Between both, in steps of a wedge."""
    even: bool
    weakest: str
    """Which part of the plate gets least."""
    map: list[list[float]]
    """Over the whole bed, five by five, its middle 1."""
    text: str
