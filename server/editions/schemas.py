"""Shapes of the press and of editions."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.drypoint.wear_shapes import WearForecastOutput
from core.events.pull_state import PullState
from core.printing.edition_needs import EditionNeedsOutput
from core.printing.ink_needed import InkNeededOutput
from core.printing.numbering import NumberOrder, Series
from core.printing.press_template import Lift
from core.printing.pull_check import PullCheckOutput
from core.printing.sheet_shapes import SheetsOutput
from core.study.shapes import Paper
from server.baths.schemas import Caution
from server.events.schemas import EventOut
from server.pulls.schemas import PrintingDecided
from server.replies.errors import ErrorBody
from server.shopbook.schemas import InkOut, PaperKindOut, PressProfileOut

EditionSize = Annotated[int, Field(ge=1, le=400)]
Aside = Annotated[int, Field(ge=0, le=50)]
EditionTolerance = Annotated[float, Field(ge=0.5, le=20, json_schema_extra={"unit": "L*"})]
RowState = Literal["signed", "void", "spoiled", "to-come", "over", "before-ok", "unsigned"]


class EditionDecided(Schema):
    """How many impressions there shall be, and by what they are held to the OK."""

    size: EditionSize = 20
    artist_proofs: Aside = 2
    printer_proofs: Aside = 1
    order: NumberOrder = "pulled"
    tolerance_lstar: EditionTolerance = 3.0
    wear_area: Annotated[str, Field(max_length=80)] = ""
    """The area that wears first; empty: the darkest that was read."""
    spoiled_share: Annotated[float, Field(ge=0, le=0.9)] = 0.1


class EditionIn(EditionDecided):
    """An edition, decided on a ``version``; 0 for a new one."""

    version: Annotated[int, Field(ge=0)]


class SignatureIn(Schema):
    """Sign an impression, with a line; ``number`` null takes the next."""

    id: UUID
    pull: UUID
    series: Series = "edition"
    number: Annotated[int, Field(ge=1, le=400)] | None = None
    reason: Annotated[str, Field(max_length=120)] = ""
    """Why, although nothing is OK to print."""


class CancelIn(Schema):
    """The plate is cancelled: nothing more is printed from it."""

    version: Annotated[int, Field(ge=1)]
    how: Annotated[str, Field(min_length=1, max_length=120)]


class TemplateIn(Schema):
    """A template for the press bed to print at 1:1."""

    id: UUID
    width_mm: Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
    """Of the piece of paper as it lies on the bed."""
    height_mm: Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
    lift_mm: Lift = 0.0
    print_on: Paper = "A4"


class OkTone(Schema):
    """An area as the OK prints it."""

    area: str
    lstar: float
    spread: float


class OkOut(Schema):
    """The OK to print that stands."""

    approval: UUID
    proof: UUID
    picture: UUID | None
    state_number: int
    said_by: str
    by: str
    at: datetime
    condition: str
    area: str
    remark: str
    met: bool
    tones: list[OkTone]
    paper: str
    ink: str
    wipe: str
    pressure: str


class ConditionHolds(Schema):
    """How the area that an OK's condition is about reads in the impressions."""

    area: str
    ok_lstar: float
    last_lstar: float
    worst_lstar: float
    worst_label: str
    holds: bool


class ImpressionRow(Schema):
    """One pull as a row of the edition."""

    pull: UUID
    place: int
    label: str
    """"12", "AP 2", "number to come", "spoiled"."""
    state: RowState
    series: Series | None
    number: int | None
    at_seconds: float
    signed_seconds: float | None
    by: str
    reason: str
    """Why it is spoiled or void, or why it was signed before the OK."""
    passes: int
    quarters: int | None
    damp_seconds: float | None
    lstar: float | None
    spread: float | None
    off_lstar: float | None
    """Lighter than the OK, of the area that wears first."""
    dry_seconds: float | None
    note: str


class EditionOut(EditionDecided):
    """An edition as it stands, with what is still needed."""

    plate: UUID
    plate_name: str
    metal: str
    metal_text: str
    route: str
    thickness_mm: float
    width_mm: float
    height_mm: float
    room_name: str
    by_needle: bool
    version: int
    """0: none was begun."""
    cancelled_at: datetime | None
    cancelled_how: str
    ok: OkOut | None
    condition: ConditionHolds | None
    rows: list[ImpressionRow]
    done: int
    """Numbered of the edition and not void."""
    void: int
    artist_done: int
    printer_done: int
    spoiled: int
    to_come: int
    """Signed, number not given yet."""
    next_number: int | None
    left: int
    forecast: WearForecastOutput | None
    ok_place: int
    wears: str
    """The area that wear is told by."""
    pale_from: int | None
    pale_low: int | None
    pale_high: int | None
    """Numbers of the edition from which it no longer matches; None: none of it."""
    sentence: str
    range_text: str
    needs: EditionNeedsOutput
    sheets: SheetsOutput | None
    sheets_fault: str
    ink: InkNeededOutput
    printing: PrintingDecided
    paper_name: str
    ink_name: str
    press_text: str
    press_name: str
    now_seconds: float
    cautions: list[Caution]


class PullLabel(Schema):
    """What a pull is called."""

    pull: UUID
    label: str
    state: RowState
    number: int | None
    series: Series | None


class PullChecked(Schema):
    """A pull beside the OK."""

    pull: UUID
    check: PullCheckOutput


class PressOut(Schema):
    """A plate at the press: what to do next, and by what."""

    id: UUID
    """Of the plate."""
    name: str
    metal: str
    width_mm: float
    height_mm: float
    picture: UUID | None
    """Of what it prints, to paint the wipe map on."""
    version: int
    decided: PrintingDecided
    paper: PaperKindOut | None
    ink: InkOut | None
    press: PressProfileOut | None
    size: int | None
    """Of its edition."""
    order: NumberOrder
    next_number: int | None
    labels: list[PullLabel]
    ok: OkOut | None
    areas: list[str]
    """That can be read."""
    checks: list[PullChecked]
    cancelled: bool
    dries_seconds: float
    """Ink left on the plate so long begins to set."""
    state: PullState
    events: list[EventOut]
    now_seconds: float
    cautions: list[Caution]


class PaperPlanOut(Schema):
    """How a plate's paper is torn, and what lies in the damp."""

    sheets: SheetsOutput | None
    fault: ErrorBody | None
    ink: InkNeededOutput
    impressions: int


class BatchLabel(Schema):
    """Paper in the damp anywhere in the room."""

    plate: UUID
    plate_name: str
    batch: UUID
    name: str
    whose: str
    left: int
    pieces: int
    school: str
    at_seconds: float
    ready_seconds: float
    latest_seconds: float
