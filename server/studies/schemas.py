"""Shapes of studies."""

from __future__ import annotations

from typing import Annotated, Any, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.study import BRUSH_MM, ResistKey
from core.stages.shapes import AreaName
from core.study.shapes import (
    MOST_EDITS,
    MOST_SKETCHES,
    MOST_TONES,
    Dpi,
    Edit,
    Mapped,
    Method,
    Paper,
    PenName,
    Placed,
    Point,
    Smooth,
    StopOutMapsInput,
    StudyWarning,
    ToneChoice,
    Tuning,
)
from core.tone.shapes import Lightness

Lettering = Literal["", "none", "reads right"]


class SketchIn(Placed):
    """A stored picture placed on the plate."""

    picture: UUID


class StudyIn(Schema):
    """A study as it shall be; ``version`` 0 where there was none."""

    version: Annotated[int, Field(ge=0)] = 0
    id: UUID
    strip: UUID | None = None
    bath: UUID | None = None
    sketches: Annotated[list[SketchIn], Field(min_length=1, max_length=MOST_SKETCHES)]
    tuning: Tuning = Tuning()
    smooth_mm: Smooth = BRUSH_MM
    map: Mapped = "linear"
    count: Annotated[int, Field(ge=2, le=MOST_TONES)] | None = None
    tones: Annotated[list[Lightness], Field(min_length=2, max_length=MOST_TONES)] | None = None
    bounds: Annotated[list[Lightness], Field(min_length=1, max_length=MOST_TONES)] | None = None
    join_mm2: Annotated[float, Field(ge=0, le=500, json_schema_extra={"unit": "mm²"})] = 0
    edits: Annotated[list[Edit], Field(max_length=MOST_EDITS)] = []
    names: dict[str, AreaName] = {}
    pens: Annotated[list[PenName], Field(max_length=8)] = []
    lettering: Lettering = ""


class Graded(Schema):
    """How a graded area fades."""

    from_area: str
    resist: ResistKey
    resist_label: str
    light_lstar: float
    light_low: float
    light_high: float
    dark_lstar: float


class StudyAreaOut(Schema):
    """An area of a study."""

    key: str
    """Its own name, whatever it is called."""
    name: str
    labels: list[int]
    lstar: float | None
    """Null: it stays white."""
    cm2: float
    share: float
    paint_minutes: float
    graded: Graded | None


class StageOut(Schema):
    """What is painted before one bite."""

    bite: int
    now: list[str]
    crayon: list[str]
    pen: str
    cm2: float
    minutes: float
    minutes_low: float
    minutes_high: float
    edge_m: float
    small: int
    """Pieces that are easily missed."""
    states: list[int]
    """What becomes of each label: 0 covered, 64 to crayon, 128 to work on now, 192 crayoned before,
    255 open."""


class Small(Schema):
    """A piece that is hard to paint round, in mm from the top left as it prints."""

    area: str
    x_mm: float
    y_mm: float
    mm2: float


class Worth(ToneChoice):
    """A number of tones, and what it takes."""

    bites: int
    minutes: float | None
    """In all: painting, bites and handling; null where no bath is known."""
    brings_lstar: float | None
    """How much nearer than with one fewer."""
    pays: bool


class Cut(Schema):
    """The study as it is cut now."""

    count: int
    by_hand: bool
    tones_lstar: list[float]
    bounds_lstar: list[float]
    rms_lstar: float | None
    areas: list[StudyAreaOut]
    stages: list[StageOut]
    islands: list[Small]
    left_out: list[str]
    """Tones of 0 cm²: nothing to paint."""


class Reach(Schema):
    """The tones that can be had, and how that is known."""

    lightest_lstar: float
    darkest_lstar: float
    told: str
    measured: bool


class StudyOut(StudyIn):
    """A study with its choices, its areas and its stages; none of those before its greys are."""

    plate: UUID
    width_mm: float
    height_mm: float
    reach: Reach
    ready: bool
    px_per_mm: float | None
    finest_px_per_mm: float | None
    greys: list[float]
    """Share of the picture in each of 128 steps from black to white, as it asks to print."""
    greys_from_lstar: float
    greys_to_lstar: float
    floor_lstar: float
    out_of_reach: float
    choices: list[Worth]
    best: int | None
    """As many tones as pay."""
    cut: Cut | None
    warnings: list[StudyWarning]
    plan_areas: list[dict[str, Any]]
    """The areas as a plan takes them."""
    plan_version: int | None
    lettering_asks: bool
    strip_name: str
    bath_name: str
    resists: dict[str, str]
    drawn: str
    """Changes with what is drawn: part of the pictures' addresses."""


class MapsIn(Schema):
    """In which form maps are wanted."""

    id: UUID
    form: Literal["png", "pdf", "svg"] = "pdf"
    dpi: Dpi = 300
    paper: Paper = "A4"
    mirrored: bool = True
    method: Method = "stop-out"
    plan_version: int | None = None
    """The plan they are for; another by now is said."""


class LookIn(Schema):
    """A photograph of the plate before a dip."""

    id: UUID
    picture: UUID
    bite: Annotated[int, Field(ge=1, le=40)]
    method: Method = "stop-out"
    corners: Annotated[list[Point], Field(min_length=4, max_length=4)] | None = None
    """Of the plate in the photograph, in px: top left, top right, bottom right, bottom left; null:
    they are looked for."""


class _StopOutMaps(StopOutMapsInput):
    """Without the file and the folder: those are the server's own."""

    image: str = "-"
    write: str = "-"


class StopOutMapsIn(Schema):
    """A stored picture and the tones it is cut into."""

    id: UUID
    picture: UUID
    given: _StopOutMaps


class RunMapArea(Schema):
    """An area of a run on its map."""

    name: str
    labels: list[int]
    graded_from: str | None
    resist_label: str


class RunMap(Schema):
    """What is needed to draw what to paint next, with no line too."""

    picture: str
    """Its address: one pixel's value names its area; as it prints."""
    width_mm: float
    height_mm: float
    areas: list[RunMapArea]
    islands: list[Small]
    pens: list[str]
