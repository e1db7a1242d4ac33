"""Inputs and outputs of the planning of bites, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.schema import Shape
from core.tone.shapes import BathCelsius, Curve, CurveBath, Lightness, Seconds

MOST_AREAS = 40
MOST_DONE = 500
AreaName = Annotated[str, Field(min_length=1, max_length=80)]
WarningCode = Literal[
    "tone-out-of-reach",
    "beyond-strip",
    "bite-too-short",
    "tones-too-close",
    "overshoot",
    "bath-near-end",
    "no-strip",
    "land-fails",
    "depths-too-close",
    "rate-guessed",
]


class Area(Shape):
    """All parts of the image meant to have one tone; ``lstar`` None stays paper white."""

    name: AreaName
    lstar: Lightness | None
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})] = 0.0


class DoneBite(Shape):
    """A bite already made: how long, how warm, which areas were open."""

    seconds: Seconds
    temperature_c: BathCelsius | None = None
    temperatures: list[tuple[Seconds, BathCelsius]] | None = Field(default=None, max_length=2000)
    open: list[AreaName] = Field(max_length=MOST_AREAS)


class PlanBitesInput(Shape):
    """What is wanted, with which curve, in which bath, after which bites."""

    curve: Curve | None = None
    method: Literal["stop-out", "open-up"] = "stop-out"
    areas: list[Area] = Field(min_length=1, max_length=MOST_AREAS)
    bath: CurveBath
    done: list[DoneBite] = Field(default_factory=list, max_length=MOST_DONE)
    round_to_seconds: Annotated[float, Field(gt=0, le=60, json_schema_extra={"unit": "s"})] = 5.0

    @model_validator(mode="after")
    def _names_agree(self) -> PlanBitesInput:
        names = [area.name for area in self.areas]
        if len(set(names)) < len(names):
            raise ValueError("each area needs its own name")
        strangers = {name for bite in self.done for name in bite.open} - set(names)
        if strangers:
            raise ValueError(f"done bites name areas that are not given: {sorted(strangers)}")
        return self


class BittenDepth(Shape):
    """A group of lines at the end of a bite: depth and width [µm] with 95 % bands."""

    depth_um: float
    depth_um_low: float
    depth_um_high: float
    width_um: float
    width_um_low: float
    width_um_high: float
    darkness: float


class BittenArea(Shape):
    """An area at the end of a bite, with its 95 % band."""

    name: str
    lstar: float
    lstar_low: float
    lstar_high: float
    finished: bool
    reference_seconds: float
    """Expected biting time so far, as at the strip."""
    lines: BittenDepth | None = None
    """For a group of lines; its ``lstar`` is then only what a line of that depth looks like."""


class PlannedBite(Shape):
    """One immersion still to come."""

    number: int
    seconds: float
    cumulative_seconds: float
    reference_seconds: float
    """Expected biting time gained in this bite, as at the strip."""
    stop_out_before: list[str]
    open_before: list[str]
    areas: list[BittenArea]


class PlanWarning(Shape):
    """Something to know before dipping, with what to do."""

    code: WarningCode
    text: str
    area: str | None = None
    bite: int | None = None
    params: dict[str, float | str] = Field(default_factory=dict)


class PlanBitesOutput(Shape):
    """The bites still to make, what each area stands at, and what to beware of."""

    done: list[PlannedBite]
    """Bites already made, with what they came to."""
    bites: list[PlannedBite]
    areas: list[BittenArea]
    """Every area as it will print when all is done, paper white included."""
    warnings: list[PlanWarning]
    speed: float
    """Speed of the bath now over the strip's, expected."""
    speed_low: float
    speed_high: float
    wetting_seconds: float
    lightest_lstar: float
    darkest_lstar: float
    tables: str


class RunSheetInput(PlanBitesInput):
    """The same as for planning; the sheet is for the bites that remain."""


class SheetArea(Shape):
    """What the browser needs to follow one area with no network."""

    name: str
    wanted_lstar: float | None
    target_reference_seconds: float
    reached_reference_seconds: float
    lstar: list[float]
    lstar_low: list[float]
    lstar_high: list[float]
    wanted_depth_um: float | None = None
    depth_um: list[float] | None = None
    """For a group of lines, on the same grid, with its band."""
    depth_um_low: list[float] | None = None
    depth_um_high: list[float] | None = None
    land_um: float | None = None
    land_fails_seconds: float | None = None


class RunSheet(Shape):
    """Look-up tables of a run: tone or depth over reference seconds, speed over temperature."""

    part: Literal["tones", "lines"] = "tones"
    plan: PlanBitesOutput
    grid_reference_seconds: list[float]
    temperatures_c: list[float]
    speeds: list[float]
    wetting_seconds: float
    areas: list[SheetArea]
    tables: str
