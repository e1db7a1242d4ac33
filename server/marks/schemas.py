"""Shapes of scratched plates."""

from __future__ import annotations

from datetime import date, datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.scratches import TextureKey, WorkKind
from core.data.wear import MOST_IMPRESSIONS, WearMaterial
from core.drypoint.hatch_guide import Lies
from core.drypoint.mark_shapes import (
    HandPlanOutput,
    LetteringOutput,
    MaskPlanOutput,
    Pressure,
    PressureScaleOutput,
    PressureTrial,
    TextureRead,
    Times,
)
from core.drypoint.missed_shapes import FieldPlace, Px
from core.drypoint.plate_material import PlateMaterialOutput
from core.drypoint.shapes import MOST_LAYERS, FieldMm, HatchPlanOutput, Um
from core.drypoint.view_shapes import MOST_PHOTOGRAPHS, ScratchViewOutput
from core.drypoint.wear_shapes import WearForecastOutput
from core.events.marks_fold import MarksState
from core.stages.shapes import AreaName
from core.study.shapes import Paper
from core.tone.shapes import Lightness
from server.baths.schemas import Caution
from server.events.schemas import EventOut
from server.replies.moments import Day

Name = Annotated[str, Field(min_length=1, max_length=120)]
Tolerance = Annotated[float, Field(ge=0.5, le=20, json_schema_extra={"unit": "L*"})]
Impression = Annotated[int, Field(ge=1, le=MOST_IMPRESSIONS)]
MOST_GROUPS = 20
Way = Literal["hatching", "texture", "line"]
USUAL_LIGHTEST, USUAL_SOLID = 94.0, 18.0
"""What bare plate and solid ink print where no trial was read. ``room-practice``"""


class TrialIn(Schema):
    """A trial on an offcut."""

    id: UUID
    name: Name
    material: WearMaterial
    needle: Annotated[str, Field(max_length=120)] = ""
    needle_um: Um | None = None
    lightest_lstar: Lightness = USUAL_LIGHTEST
    solid_lstar: Lightness = USUAL_SOLID
    pressures: Annotated[list[PressureTrial], Field(max_length=5)] = []
    textures: Annotated[list[TextureRead], Field(max_length=20)] = []
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] = ""


class TrialChange(Schema):
    """A change of a trial, decided on its ``version``."""

    version: int
    name: Name | None = None
    needle: Annotated[str, Field(max_length=120)] | None = None
    needle_um: Um | None = None
    lightest_lstar: Lightness | None = None
    solid_lstar: Lightness | None = None
    pressures: Annotated[list[PressureTrial], Field(max_length=5)] | None = None
    textures: Annotated[list[TextureRead], Field(max_length=20)] | None = None
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] | None = None
    out_reason: Annotated[str, Field(max_length=120)] | None = None


class TrialOut(Schema):
    """A trial with the scale that follows from it."""

    id: UUID
    name: str
    material: WearMaterial
    needle: str
    needle_um: float | None
    lightest_lstar: float
    solid_lstar: float
    pressures: list[PressureTrial]
    textures: list[TextureRead]
    scale: PressureScaleOutput
    read_on: date | None
    note: str
    out_reason: str
    created_at: datetime
    version: int


class MarkGroup(Schema):
    """A group of marks with the tone it shall print; its field as it prints."""

    name: AreaName
    lstar: Lightness | None = None
    """Wanted; null stays bare."""
    way: Way = "hatching"
    layers: Annotated[int, Field(ge=1, le=MOST_LAYERS)] = 2
    pressure: Pressure = 3
    texture: TextureKey | None = None
    times: Times = 1
    x_mm: FieldPlace = 0
    y_mm: FieldPlace = 0
    width_mm: FieldMm = 20
    height_mm: FieldMm = 20
    now_lstar: Lightness | None = None
    """As it was read off a proof."""


class MarksDecided(Schema):
    """What a plate's marks shall be."""

    kind: WorkKind = "hatching"
    needle_um: Um | None = None
    pressure: Pressure = 3
    layers: Annotated[int, Field(ge=1, le=3)] = 2
    lstar: Lightness = 50
    """The tone that is asked about."""
    groups: Annotated[list[MarkGroup], Field(max_length=MOST_GROUPS)] = []
    words: Annotated[str, Field(max_length=200)] = ""
    letters_checked: Annotated[
        list[Annotated[int, Field(ge=1, le=200)]], Field(max_length=200)
    ] = []
    """Places of the words' letters that were looked at in the mirror."""
    tolerance_lstar: Tolerance = 3
    wanted: Impression = 20
    ok_impression: Impression = 1
    drawing: UUID | None = None
    """Null: the plate's own picture."""


class MarksIn(MarksDecided):
    """What a plate's marks shall be, decided on a ``version``; 0 for the first."""

    version: Annotated[int, Field(ge=0)]
    trial: UUID | None = None


class GroupOut(MarkGroup):
    """A group with how it is drawn, and how far it is."""

    hatch: HatchPlanOutput | None
    """Of hatching."""
    texture_text: str
    now: float | None
    """L*: as it was read, else as its scratches cover it, ±5."""
    now_from: Literal["proof", "scratches", ""]
    drawn: float
    """Share."""
    advice: str


class Tick(Schema):
    """A tone, and how far apart lines are drawn for it."""

    lstar: float
    spacing_um: float


class HatchRow(Schema):
    """One strip of the figure: lines in so many layers."""

    layers: int
    plan: HatchPlanOutput
    ticks: list[Tick]
    touch_um: float
    """Closer than this the burrs of two lines touch."""


class HatchOut(Schema):
    """How close to hatch for a tone on a plate."""

    lstar: float
    pressure: int
    width_um: float
    """Of a line at this pressure, as it prints."""
    width_measured: bool
    source: str
    """Where the width is from, in words."""
    lightest_lstar: float
    solid_lstar: float
    rows: list[HatchRow]


class PlateLookOut(Schema):
    """A look at a plate."""

    id: UUID
    task: UUID
    pictures: list[UUID]
    drawing: UUID | None
    inked: bool
    seen: ScratchViewOutput
    at: datetime
    by: str


class MarksOut(MarksDecided):
    """A plate's marks: what they shall be, how to draw them, how far they are."""

    id: UUID
    """Of the plate."""
    version: int
    """0 where nothing was decided yet."""
    trial: TrialOut | None
    trials: list[TrialOut]
    """Those that may be taken."""
    material: PlateMaterialOutput | None
    """None for a plastic nobody named."""
    scale: PressureScaleOutput
    lightest_lstar: float
    solid_lstar: float
    textures: list[TextureOut]
    groups_out: list[GroupOut]
    masks: MaskPlanOutput | None
    """Of the groups by texture."""
    lettering: LetteringOutput | None
    hand: HandPlanOutput
    minutes_left: float
    pace_m_per_min: float
    pace_counted: bool
    """By what was drawn and how long was worked; else the usual."""
    sharpen_minutes: float
    """From one sharpening to the next."""
    sharpen_counted: bool
    sharpen_due: bool
    """By sittings that are over."""
    looks: list[PlateLookOut]
    state: MarksState
    now_seconds: float
    events: list[EventOut]
    cautions: list[Caution]


class TextureOut(Schema):
    """A texture with what one pass of it prints here."""

    key: TextureKey
    label: str
    pass_word: str
    lstar: float
    low: float
    high: float
    measured: bool
    how: str


class PlateLookIn(Schema):
    """Photographs of a plate to be merged, the drawing they are compared with."""

    id: UUID
    pictures: Annotated[list[UUID], Field(min_length=1, max_length=MOST_PHOTOGRAPHS)]
    inked: bool = False
    drawing: UUID | None = None
    """Null: the plate's own picture, where it has one."""
    drawing_mirrored: bool = False
    corners: Annotated[list[tuple[Px, Px]], Field(min_length=4, max_length=4)] | None = None
    """Of the plate in the view, as it prints; null: it fills the photograph."""


class GuideIn(Schema):
    """A guide of a plate's hatching to print at 1:1."""

    id: UUID
    lies: Lies = "under"
    paper: Paper = "A4"


class WearOut(Schema):
    """How a plate wears."""

    plate: UUID
    forecast: WearForecastOutput
    history: int
    """Other plates of the room that were taken into account."""
    ok_impression: int
    tolerance_lstar: float
    wanted: int
    state: MarksState
    material: PlateMaterialOutput | None
