"""Shapes of strips."""

from __future__ import annotations

from datetime import date, datetime
from itertools import pairwise
from typing import Annotated, Any, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field, model_validator

from core.events.fold import RunState
from core.kinetics.shapes import Conditions, Seconds
from core.line.shapes import MOST_MEASURED, MeasuredLine
from core.reading.shapes import MOST_IN_A_ROW, BlackPatch, Corners
from core.stages.shapes import Habit
from core.tone.shapes import MOST_PATCHES, CurvePoint, Lightness
from server.events.schemas import EventOut
from server.replies.errors import ErrorBody
from server.replies.moments import Day
from server.shopbook.printed import PrintedIn, PrintedOut, SupplyName

MOST_PLANNED = 20


class StripPatch(Schema):
    """A patch as it was read; left-out patches keep their dip."""

    seconds: Seconds
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] | None = None
    left_out: bool = False


class PatchToRead(Schema):
    """A patch as it was bitten here: seconds in the bath in all, 0 for the white end."""

    name: str
    seconds: float


Lines = Annotated[list[MeasuredLine], Field(max_length=MOST_MEASURED)]
Marks = Annotated[list[Corners], Field(max_length=MOST_PATCHES)]


class ReadStripIn(Schema):
    """A stored scan of a strip, and how many patches stand in its row."""

    id: UUID
    picture: UUID
    patches: Annotated[int, Field(ge=2, le=MOST_IN_A_ROW)]
    corners: Corners | None = None
    """Of the row, or of the plate about it; null: the row is looked for."""
    patch_corners: Annotated[list[Corners], Field(max_length=MOST_IN_A_ROW)] | None = None
    """Of each patch, where they are not equally wide."""
    black: BlackPatch | None = None


class StripIn(PrintedIn):
    """A new strip."""

    id: UUID
    name: Annotated[str, Field(min_length=1, max_length=120)]
    ground: Annotated[str, Field(max_length=80)] = "rosin dust"
    bitten: Literal["dips", "once"] = "dips"
    conditions: Conditions
    bath: UUID | None = None
    """The bath it is bitten in here; null where it was bitten elsewhere."""
    planned: Annotated[list[Habit], Field(max_length=MOST_PLANNED)] = []
    """Seconds in the bath in all of each patch, to be bitten here: they rise."""
    patches: Annotated[list[StripPatch], Field(max_length=MOST_PATCHES)] = []
    lines: Lines = []
    """A line strip's lines, measured for depth and width."""
    picture: UUID | None = None
    """The scan it was read from."""
    marks: Marks = []
    """Corners of each patch in the scan, in the order of ``patches``."""
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] = ""

    @model_validator(mode="after")
    def _to_be_bitten(self) -> StripIn:
        if self.planned and self.bath is None:
            raise ValueError("a strip that is bitten here needs its bath")
        if any(after <= before for before, after in pairwise(self.planned)):
            raise ValueError("each patch needs longer in all than the one before it")
        return self


class StripChange(Schema):
    """A change of a strip, decided on its ``version``."""

    version: int
    name: Annotated[str, Field(min_length=1, max_length=120)] | None = None
    ground: Annotated[str, Field(max_length=80)] | None = None
    bitten: Literal["dips", "once"] | None = None
    conditions: Conditions | None = None
    bath: UUID | None = None
    patches: Annotated[list[StripPatch], Field(max_length=MOST_PATCHES)] | None = None
    lines: Lines | None = None
    picture: UUID | None = None
    marks: Marks | None = None
    read_on: Day | None = None
    note: Annotated[str, Field(max_length=2000)] | None = None
    paper: SupplyName | None = None
    ink: SupplyName | None = None
    wipe: SupplyName | None = None
    out_reason: Annotated[str, Field(max_length=120)] | None = None
    """Why it no longer counts for its ground; empty: it counts again."""


class StripCard(Schema):
    """A strip in the list."""

    id: UUID
    name: str
    ground: str
    metal: str
    mordant: str
    mordant_label: str
    patches: int
    left_out: int
    usable: bool
    waits: Literal["", "to bite", "to read"]
    """What a strip that is bitten here waits for; empty once it is read."""
    lines: int
    """Lines measured on it: a line strip calibrates depth and width."""
    read_on: date | None
    lightest_lstar: float | None
    darkest_lstar: float | None
    out_reason: str
    """Why it no longer counts; empty where it does."""


class WallPatch(Schema):
    """A patch on its slip; ``out``: left out by hand, or by what the others say."""

    seconds: float
    one_dip_seconds: float
    lstar: float
    out: bool


class WallStrip(StripCard):
    """A strip as it hangs on the wall."""

    version: int
    temperature_c: float
    load_g_per_l: float
    days: int
    """Since it was read, or bitten."""
    picture: UUID | None
    picture_px: tuple[int, int] | None
    marks: list[Corners]
    hung: list[WallPatch]
    planned: list[float]
    """Seconds in all of the patches to be bitten here."""
    line: list[CurvePoint]
    leads: bool
    """It is the one to trust for its ground: the newest that counts."""
    counts: float | None
    """Its share in today's curve of its ground; null where it has no part in it."""
    alone: bool
    """It leads, and leans on no other."""


class Leaning(Schema):
    """An earlier strip that a curve leans on, and how much of the curve is known from it."""

    strip: UUID
    name: str
    share: float


class StripOut(StripCard, PrintedOut):
    """A strip with its fit, or the reason why it gives none."""

    leans_on: list[Leaning]
    """Earlier strips of its ground and metal, the newest first."""
    own_share: float
    """How much of the curve is known from its own patches."""

    bitten: str
    bath: UUID | None
    bath_name: str
    planned: list[float]
    ended_at: datetime | None
    to_read: list[PatchToRead]
    """Patches bitten here and not read yet."""
    conditions: Conditions
    readings: list[StripPatch]
    one_dip_seconds: list[float]
    """Of each reading: how long one dip takes to bite as far, on the clock of ``line``."""
    picture: UUID | None
    picture_px: tuple[int, int] | None
    """Width and height of that scan: ``marks`` are in its pixels."""
    marks: list[Corners]
    measured: list[MeasuredLine]
    note: str
    fit: dict[str, Any] | None
    fault: ErrorBody | None
    line: list[CurvePoint]
    """The curve for drawing, in the strip's own bath."""
    created_at: datetime
    version: int


class Ask(Schema):
    """Questions to a strip's curve, in its own bath or in one of the room's."""

    bath: UUID | None = None
    lstar: Annotated[list[Lightness], Field(max_length=100)] = []
    seconds: Annotated[list[Seconds], Field(max_length=100)] = []


class Answer(Schema):
    """The answers: tones first, then times."""

    points: list[CurvePoint]


class StripBites(Schema):
    """A strip at the bath: its dips so far, and the patch times that follow from them."""

    strip: UUID
    state: RunState
    in_bath: bool
    seconds: list[float]
    """Cumulative time in the bath after each lift: the patch covered next has had so long [s]."""
    bath_line: list[tuple[float, float]]
    now_seconds: float
    events: list[EventOut]
