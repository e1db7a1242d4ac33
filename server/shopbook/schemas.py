"""Shapes of the shop book."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.paper import BetterSide, School
from core.data.press import PressBy, Stiffness
from core.kinetics.shapes import MordantKey
from core.printing.damping import DampingOutput
from core.printing.ink_needed import InkPart
from server.replies.moments import Day

NumberColumn = Literal[
    "rate_um_per_min", "rate_log_spread", "energy_kj_per_mol", "energy_spread_kj_per_mol",
    "end_g_per_l", "end_spread_g_per_l", "wetting_seconds", "wetting_log_spread", "undercut",
]  # fmt: skip
ToolKind = Literal["needle", "scraper", "burnisher", "roller", "burin", "other"]
SupplyKind = Literal["paper", "ink", "wipe"]
RecipeKind = Literal["ground", "bath", "ink", "paper", "other"]
Name = Annotated[str, Field(min_length=1, max_length=120)]


class OwnNumberIn(Schema):
    """A corrected number; ``value`` null goes back to the table's."""

    id: UUID
    mordant: MordantKey
    column: NumberColumn
    value: float | None
    reason: Annotated[str, Field(min_length=1, max_length=300)]


class OwnNumberOut(Schema):
    """A corrected number, with who and when."""

    id: UUID
    mordant: str
    column: str
    value: float | None
    reason: str
    by: str
    at: datetime


class RecipeIn(Schema):
    """A recipe; ``version`` 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    name: Name
    kind: RecipeKind
    text: Annotated[str, Field(min_length=1, max_length=8000)]


class RecipeOut(RecipeIn):
    """A recipe as it stands."""

    by: str
    changed_at: datetime


class SupplyIn(Schema):
    """A paper, an ink or a way of wiping; ``version`` 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    kind: SupplyKind
    name: Name
    note: Annotated[str, Field(max_length=300)] = ""
    put_away: bool = False


class SupplyOut(SupplyIn):
    """A paper, an ink or a wipe as it stands."""


class ToolIn(Schema):
    """A tool; ``version`` 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    name: Name
    kind: ToolKind
    width_um: Annotated[float, Field(ge=0.1, le=5000, json_schema_extra={"unit": "µm"})] | None = (
        None
    )
    sharpened_on: Day | None = None
    note: Annotated[str, Field(max_length=300)] = ""
    put_away: bool = False


class ToolOut(ToolIn):
    """A tool as it stands."""


PaperSide = Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
WaitMinutes = Annotated[float, Field(ge=0.5, le=6000, json_schema_extra={"unit": "min"})]
WarmCelsius = Annotated[float, Field(ge=0, le=90, json_schema_extra={"unit": "°C"})]
BedMm = Annotated[float, Field(ge=50, le=5000, json_schema_extra={"unit": "mm"})]


class PaperFacts(Schema):
    """What a paper is: its full sheet, how it is damped, how many are there."""

    width_mm: PaperSide = 560.0
    height_mm: PaperSide = 760.0
    g_per_m2: Annotated[float, Field(ge=20, le=1000, json_schema_extra={"unit": "g/m²"})] = 280.0
    school: School = "soft-soak"
    ready_minutes: WaitMinutes | None = None
    """Its own; null: as the way of damping usually takes."""
    latest_minutes: WaitMinutes | None = None
    better_side: BetterSide = "felt"
    sheets: Annotated[int, Field(ge=0, le=10_000)] = 0
    """In the drawer."""


class Kept(Schema):
    """A supply with its facts, decided on a ``version``; 0 for a new one."""

    id: UUID
    version: Annotated[int, Field(ge=0)] = 0
    name: Name
    note: Annotated[str, Field(max_length=300)] = ""
    put_away: bool = False


class PaperKindIn(PaperFacts, Kept):
    """A paper."""


class PaperKindOut(PaperKindIn):
    """A paper as it stands, with its windows in the damp."""

    damping: DampingOutput


class InkFacts(Schema):
    """What an ink is: its parts, how stiff and warm it is worked, how clear its film is."""

    parts: Annotated[list[InkPart], Field(max_length=12)] = []
    stiffness: Stiffness = "middle"
    warm_c: WarmCelsius | None = None
    transparency: Annotated[float, Field(ge=0, le=1)] = 0.02
    """Share of light a printed film lets through: black 0.02, opaque colour 0.2, half extender
    0.6."""
    swatch_lab: (
        tuple[
            Annotated[float, Field(ge=0, le=105)],
            Annotated[float, Field(ge=-130, le=130)],
            Annotated[float, Field(ge=-130, le=130)],
        ]
        | None
    ) = None
    """As it was read off a scan of its draw-down, relative to the paper."""


class InkIn(InkFacts, Kept):
    """An ink."""


class InkOut(InkIn):
    """An ink as it stands."""

    swatch_hex: str
    """To show it by; empty where none was read."""


class SwatchIn(Schema):
    """A stored scan of an ink's draw-down."""

    id: UUID
    picture: UUID


class Blanket(Schema):
    """A blanket of a press."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    new_on: Day | None = None
    washed_on: Day | None = None


class PressIn(Kept):
    """A press."""

    read_by: PressBy = "turns"
    quarters: Annotated[int, Field(ge=-40, le=120)] = 6
    passes: Annotated[int, Field(ge=1, le=6)] = 1
    bed_width_mm: BedMm | None = None
    bed_length_mm: BedMm | None = None
    speed: Annotated[str, Field(max_length=120)] = ""
    blankets: Annotated[list[Blanket], Field(max_length=8)] = []
    """From the plate up."""


class PressProfileOut(PressIn):
    """A press as it stands."""

    set_text: str
    """How it is set, in words."""


class Table(Schema):
    """One table of the shop book: rows of named cells."""

    key: str
    title: str
    about: str
    columns: list[str]
    rows: list[dict[str, Any]]


class NumberCell(Schema):
    """A number of a mordant: the table's, and the room's own where there is one."""

    mordant: str
    label: str
    column: str
    unit: str
    table_value: float
    value: float
    own: OwnNumberOut | None


class ShopBook(Schema):
    """The tables and the numbers as they stand in this room."""

    version: str
    tables: list[Table]
    numbers: list[NumberCell]
