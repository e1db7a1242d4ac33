"""Shapes of works of several plates or layers."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.layers import InkClass, LayerKind, OpenInk
from core.events.sheet_state import WorkState
from core.layers.ghost_forecast import GhostForecastOutput
from core.layers.ink_open import InkOpenOutput
from core.layers.layer_stack import MOST_SHEET_LAYERS, LayerStackOutput
from core.layers.paper_growth import GrainWay, PaperGrowthOutput, SheetSide
from core.layers.plate_order import PlateOrderOutput
from core.layers.read_crosses import CrossAt
from core.layers.register_plates import RegisterPlatesOutput
from core.layers.shapes import Colour, Lets
from core.layers.stencils import MOST_STENCILS
from core.printing.numbering import NumberOrder, Series
from core.study.shapes import Mm, Paper
from server.baths.schemas import Caution
from server.editions.schemas import Aside, EditionSize, RowState
from server.events.schemas import EventOut
from server.replies.errors import ErrorBody

WorkName = Annotated[str, Field(min_length=1, max_length=120)]
LayerName = Annotated[str, Field(min_length=1, max_length=80)]
Cover = Annotated[float, Field(gt=0, le=1)]
SheetState = RowState | Literal["unfinished", "variant"]


class LayerDecided(Schema):
    """One layer of a work: what prints it, in which ink, over how much."""

    id: UUID
    name: LayerName
    kind: LayerKind = "plate"
    plate: UUID | None = None
    """Of the rack, where one prints it."""
    ink: UUID | None = None
    ink_lab: Colour | None = None
    """Null: the ink's swatch, else black."""
    ink_class: InkClass = "half"
    lets_through: Lets | None = None
    """Null: as its class lets through."""
    picture: UUID | None = None
    """Of what it prints, dark where there is ink; null: the plate's study."""
    covers: Cover = 0.3
    """Share of the print; a preview counts it."""
    key: bool = False
    varied: bool = False
    width_mm: Mm | None = None
    """Of a stencil, a mask, a piece of thin paper; null: as the print."""
    height_mm: Mm | None = None
    open_ink: OpenInk = "oil"
    crosses: Annotated[list[CrossAt], Field(max_length=12)] = []
    """Where its crosses stand; empty: the usual places."""


class WorkDecided(Schema):
    """How a work is printed."""

    width_mm: Mm = 200.0
    height_mm: Mm = 150.0
    layers: Annotated[list[LayerDecided], Field(max_length=MOST_SHEET_LAYERS)] = []
    """In the order they come on the sheet."""
    sheet_width_mm: SheetSide = 280.0
    sheet_height_mm: SheetSide = 380.0
    grain: GrainWay = "down"
    lift_mm: Annotated[float, Field(ge=0, le=200, json_schema_extra={"unit": "mm"})] = 0.0
    size: EditionSize = 10
    artist_proofs: Aside = 2
    printer_proofs: Aside = 1
    order: NumberOrder = "pulled"
    ghosts: Annotated[int, Field(ge=0, le=8)] = 0
    """Further pulls meant from one inking."""
    drawing: UUID | None = None
    """That stencils are cut from, or a monotype is traced from."""


class WorkBegin(Schema):
    """A new work."""

    id: UUID
    name: WorkName
    width_mm: Mm = 200.0
    height_mm: Mm = 150.0


class WorkIn(WorkDecided):
    """How a work is printed, decided on a ``version``."""

    version: Annotated[int, Field(ge=1)]
    name: WorkName
    put_away: bool = False


class SheetReadIn(Schema):
    """A scan of one of the work's sheets."""

    id: UUID
    sheet: UUID
    picture: UUID
    corners: (
        Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)] | None
    ) = None  # fmt: skip


class AskIn(Schema):
    """Ask for long work under an id of the device's own."""

    id: UUID


class StencilsAsk(AskIn):
    """Cut a drawing into stencils."""

    picture: UUID | None = None
    """Null: the work's drawing."""
    colours: Annotated[int, Field(ge=1, le=MOST_STENCILS)] = 2
    smooth_mm: Annotated[float, Field(ge=0.2, le=10, json_schema_extra={"unit": "mm"})] = 1.0
    width_mm: Mm | None = None
    """Of the drawing as it prints; null: as the print."""
    height_mm: Mm | None = None
    print_on: Paper = "A4"


class TracingAsk(AskIn):
    """Lay a drawing out for a traced monotype."""

    layer: UUID
    picture: UUID | None = None
    print_on: Paper = "A4"


class WorkTemplateIn(AskIn):
    """A template that the work's plates share."""

    print_on: Paper = "A4"


class LayerOut(LayerDecided):
    """A layer with what prints it and in what colour."""

    label: str
    """Of its kind."""
    how: str
    repeats: bool
    plate_name: str
    plate_state: str
    """"State II"; empty: none was proofed."""
    plate_width_mm: float | None
    plate_height_mm: float | None
    ink_name: str
    hex: str
    lab: tuple[float, float, float]
    lets: float
    measured: bool
    """Its colour was read off a swatch."""
    places: list[CrossAt]
    shown: UUID | None
    """The picture it is shown by."""


class WorkSheetRow(Schema):
    """One sheet: what it is called, what is still to be printed on it."""

    sheet: UUID
    place: int
    label: str
    state: SheetState
    series: Series | None
    number: int | None
    by: str
    reason: str
    left: list[UUID]
    """Layers, in order."""
    differs: list[str]
    """In what it was printed otherwise than the sheet that is OK."""
    growth: PaperGrowthOutput | None
    ghost: int
    """1: the first ghost of its inking; 0: none."""


class SheetRegister(Schema):
    """How the plates lie on a sheet whose crosses were read."""

    sheet: UUID
    told: RegisterPlatesOutput


class LayerGhosts(Schema):
    """How light the pulls of an inking are, and come."""

    layer: UUID
    inking: UUID | None
    """Null: none was made yet."""
    told: GhostForecastOutput


class LayerOpen(Schema):
    """How long the ink of an inking stays open."""

    layer: UUID
    inking: UUID
    since_seconds: float
    told: InkOpenOutput


class WorkRow(Schema):
    """A work in the list."""

    id: UUID
    name: str
    called: str
    layers: list[str]
    hexes: list[str]
    width_mm: float
    height_mm: float
    size: int
    sheets: int
    signed: int
    unique: bool
    preview: UUID | None
    """The task that drew it last."""
    put_away: bool


class WorkOut(WorkDecided):
    """A work as it stands."""

    id: UUID
    name: str
    version: int
    put_away: bool
    layers_out: list[LayerOut]
    arm_mm: float
    stack: LayerStackOutput | None
    stack_fault: ErrorBody | None
    plates_order: PlateOrderOutput | None
    """Null with fewer than two films."""
    preview: UUID | None
    preview_fresh: bool
    rows: list[WorkSheetRow]
    registers: list[SheetRegister]
    ghosts_out: list[LayerGhosts]
    open_out: list[LayerOpen]
    done: int
    """Numbered of the edition and not void."""
    next_number: int | None
    state: WorkState
    events: list[EventOut]
    now_seconds: float
    cautions: list[Caution]
