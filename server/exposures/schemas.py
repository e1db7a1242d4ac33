"""Shapes of lamps, two-way tests and step charts."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field, model_validator

from core.data.polymer import STEP_DENSITY, LampKind
from core.data.polymer_faults import SignKey
from core.events.exposure_fold import ExposureState
from core.events.exposure_kinds import WaterCelsius
from core.polymer.correction_shapes import MOST_STEPS, ChartStep, CorrectionCurveOutput
from core.polymer.exposure_shapes import ExposureSheet, ExposureStands
from core.polymer.exposure_wedge import Step
from core.polymer.lamp_shapes import (
    DoseReading,
    LampEvennessOutput,
    LampTodayOutput,
    MeterReading,
    WedgeReading,
)
from core.polymer.pair_shapes import MOST_PATCHES, ExposurePairOutput, PairPatch
from core.polymer.pair_test import PairTestInput, PairTestOutput
from core.polymer.positive_shapes import Crop, Form, Levels
from core.polymer.shapes import Dose, ExposureSeconds, Irradiance, LampHours, StepDensity
from core.reading.shapes import Corners
from core.study.shapes import Mm
from server.baths.schemas import Caution
from server.events.schemas import EventOut
from server.replies.errors import ErrorBody
from server.replies.moments import Day

DotUm = Annotated[float, Field(ge=20, le=400, json_schema_extra={"unit": "µm"})]
OpenShare = Annotated[float, Field(ge=0.02, le=0.98)]
FilmDpi = Annotated[float, Field(ge=72, le=2880, json_schema_extra={"unit": "dpi"})]
PrintedSide = Literal["to-plate", "away"]
Forms = Annotated[list[Form], Field(min_length=1, max_length=3)]
Name = Annotated[str, Field(min_length=1, max_length=120)]
Bed = Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
Far = Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]
Light = Annotated[float, Field(ge=0.01, le=1000, json_schema_extra={"unit": "mW/cm²"})]
Nine = Annotated[list[Light], Field(max_length=9)]
Patches = Annotated[list[PairPatch], Field(max_length=MOST_PATCHES)]
Steps = Annotated[list[ChartStep], Field(max_length=MOST_STEPS)]


class LampIn(Schema):
    """A lamp; ``version`` 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    name: Name
    kind: LampKind
    hours: LampHours | None = None
    distance_mm: Far | None = None
    vacuum: bool = False
    bed_width_mm: Bed | None = None
    bed_height_mm: Bed | None = None
    nine: Nine = []
    """Nine readings over the bed, row by row from the top left; empty: never measured."""
    note: Annotated[str, Field(max_length=300)] = ""
    put_away: bool = False

    @model_validator(mode="after")
    def _nine_or_none(self) -> LampIn:
        if len(self.nine) not in (0, 9):
            raise ValueError(f"nine holds nine readings, or none: here are {len(self.nine)}")
        return self


MeasuredBy = Literal["irradiance", "dose", "wedge"]
SAYS: dict[str, tuple[str, ...]] = {
    "irradiance": ("mw_per_cm2",),
    "dose": ("mj_per_cm2", "seconds"),
    "wedge": ("seconds", "held_step"),
}
"""What a reading of each kind says beside the lamp's hours."""
Measured = Annotated[MeterReading | DoseReading | WedgeReading, Field(discriminator="kind")]


class MeasurementIn(Schema):
    """What was measured of a lamp: by a meter, an integrator or a wedge."""

    id: UUID
    kind: MeasuredBy
    hours: LampHours
    """Of the lamp, when it was measured."""
    mw_per_cm2: Irradiance | None = None
    mj_per_cm2: Dose | None = None
    seconds: ExposureSeconds | None = None
    held_step: Step | None = None
    step_density: StepDensity = STEP_DENSITY

    @model_validator(mode="after")
    def _whole(self) -> MeasurementIn:
        missing = [name for name in SAYS[self.kind] if getattr(self, name) is None]
        if missing:
            raise ValueError(f"a reading of this kind needs {' and '.join(missing)}")
        return self

    def said(self) -> dict[str, Any]:
        """Return the reading as the core takes it."""
        names = ("kind", "hours", *SAYS[self.kind])
        more = {"step_density": self.step_density} if self.kind == "wedge" else {}
        return {name: getattr(self, name) for name in names} | more


class MeasurementChange(Schema):
    """A reading that was none is taken back, or put back."""

    version: int
    taken_back: bool


class MeasurementOut(Schema):
    """A reading of a lamp, in words too."""

    id: UUID
    at: datetime
    by: str
    reading: Measured
    text: str
    taken_back: bool
    version: int


class LampOut(LampIn):
    """A lamp as it stands."""

    label: str
    usual_hours: float
    """The usual life of its kind [h]."""
    inverse_square: bool
    today: LampTodayOutput
    evenness: LampEvennessOutput | None
    """Over its whole bed; None where nine points were never measured."""
    measurements: list[MeasurementOut]
    tests: int
    cautions: list[Caution]
    """To be known before it is switched on."""


class TestIn(Schema):
    """A two-way test: to be exposed as planned, or read already."""

    id: UUID
    name: Name
    lamp: UUID
    lamp_hours: LampHours | None = None
    """None: those of the lamp now."""
    planned: PairTestInput | None = None
    patches: Patches = []
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] = ""


class TestChange(Schema):
    """A change of a test, decided on its ``version``."""

    version: int
    name: Name | None = None
    lamp_hours: LampHours | None = None
    planned: PairTestInput | None = None
    patches: Patches | None = None
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] | None = None
    out_reason: Annotated[str, Field(max_length=120)] | None = None


class TestCard(Schema):
    """A test in the list."""

    id: UUID
    name: str
    lamp: UUID
    lamp_name: str
    patches: int
    read_on: date | None
    waits: str
    """"to expose", "to read", or empty once a pair is known."""
    screen_seconds: float | None
    image_seconds: float | None
    out_reason: str


class PairToday(Schema):
    """The pair on the lamp as it is now."""

    screen_seconds: float
    image_seconds: float
    times: float
    low: float
    high: float
    text: str


class TestOut(TestCard):
    """A test with its plan and its pair, or why it gives none."""

    lamp_hours: float | None
    planned: PairTestInput | None
    plan: PairTestOutput | None
    readings: list[PairPatch]
    note: str
    pair: ExposurePairOutput | None
    today: PairToday | None
    exposed: bool
    """Its strips have their times as they were, not as planned."""
    exposure: UUID | None
    """That is under way."""
    cautions: list[Caution]
    fault: ErrorBody | None
    created_at: datetime
    version: int


class ExposureIn(Schema):
    """Begin to expose a plate, or the piece of a test."""

    id: UUID
    plate: UUID | None = None
    test: UUID | None = None
    """The test that is exposed, instead of a plate."""
    by_test: UUID | None = None
    """Whose pair is taken, times what its lamp lost since; else the times given here."""
    screen_seconds: ExposureSeconds | None = None
    image_seconds: ExposureSeconds | None = None
    lamp: UUID | None = None
    """None: that of the test."""
    water_c: WaterCelsius = 20.0
    acknowledged: Annotated[list[str], Field(max_length=20)] = []
    """Keys of cautions that were read."""


class ExposureEnd(Schema):
    """End an exposure; with a ``reason`` it is set aside."""

    reason: Annotated[str, Field(max_length=100)] = ""


class ExposureCard(Schema):
    """An exposure in a list."""

    id: UUID
    plate: UUID | None
    test: UUID | None
    name: str
    """What lies under the lamp: the plate, or the test."""
    lamp_name: str
    lamp_seconds: float
    begun_at: datetime
    ended_at: datetime | None
    outcome: str
    """Once it ended: finished, set aside, or never begun."""
    reason: str


class ExposureOut(ExposureCard):
    """An exposure: its sheet, its state, its events."""

    lamp: UUID
    lamp_hours: float | None
    by_test: UUID | None
    by_test_name: str
    times: float
    """Both times under the lamp are so much longer than at the test."""
    own_wash: bool
    """How long it is washed out is this room's own."""
    sheet: ExposureSheet
    state: ExposureState
    stands: ExposureStands
    now_seconds: float
    events: list[EventOut]
    cautions: list[Caution]
    after: str
    cleaning: str
    """What takes ink off it, and what must not touch it."""


class ChartIn(Schema):
    """A step chart, printed through a pair and read."""

    id: UUID
    name: Name
    lamp: UUID
    lamp_hours: LampHours | None = None
    test: UUID | None = None
    screen_seconds: ExposureSeconds
    image_seconds: ExposureSeconds
    steps: Steps = []
    picture: UUID | None = None
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] = ""


class ChartChange(Schema):
    """A change of a chart, decided on its ``version``."""

    version: int
    name: Name | None = None
    steps: Steps | None = None
    picture: UUID | None = None
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] | None = None


class SignOut(Schema):
    """What can be seen on a plate or its proof that went wrong."""

    key: SignKey
    label: str


class ScreenIn(Schema):
    """A dot screen to make, for a film of a size and resolution."""

    id: UUID
    dot_um: DotUm = 60
    open_share: OpenShare = 0.5
    dpi: FilmDpi = 1440
    width_mm: Mm
    height_mm: Mm
    seed: Annotated[int, Field(ge=0, le=2**31 - 1)] = 1


class ChartFilmIn(Schema):
    """A film for a test: of each of its patches, or of a step chart for its pair."""

    id: UUID
    what: Literal["test", "chart"]
    steps: Annotated[int, Field(ge=11, le=256)] = 21
    width_mm: Mm | None = None
    """None: as wide as the test's piece."""
    height_mm: Mm | None = None
    dpi: FilmDpi = 720
    printed_side: PrintedSide = "to-plate"
    forms: Forms = ["tiff"]


class ChartScanIn(Schema):
    """A stored scan of a test's print, or of a step chart's by its pair."""

    id: UUID
    picture: UUID
    what: Literal["test", "chart"]
    steps: Annotated[int, Field(ge=11, le=256)] = 21
    width_mm: Mm | None = None
    """None: as wide as the test's piece."""
    height_mm: Mm | None = None
    corners: Corners | None = None
    """Of the plate mark in the scan; null: it is looked for."""


class PositiveIn(Schema):
    """A positive of a stored picture for a plate, by a chart's curve; without one, as drawn."""

    id: UUID
    picture: UUID
    chart: UUID | None = None
    dpi: FilmDpi = 720
    crop: Crop = Crop()
    fit: Literal["fill", "whole"] = "fill"
    levels: Levels = Levels()
    sharpen: Annotated[float, Field(ge=0, le=3)] = 0.0
    printed_side: PrintedSide = "to-plate"
    most_black: Annotated[float, Field(ge=0.3, le=1)] = 1.0
    film_density: Annotated[float, Field(ge=0.1, le=6, json_schema_extra={"unit": "D"})] | None = (
        None
    )
    forms: Forms = ["tiff"]


class ChartOut(Schema):
    """A chart with its correction curve, or why it gives none."""

    id: UUID
    name: str
    lamp: UUID
    lamp_name: str
    lamp_hours: float | None
    test: UUID | None
    screen_seconds: float
    image_seconds: float
    steps: list[ChartStep]
    picture: UUID | None
    read_on: date | None
    note: str
    curve: CorrectionCurveOutput | None
    fault: ErrorBody | None
    created_at: datetime
    version: int
