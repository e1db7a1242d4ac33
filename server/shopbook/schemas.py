"""Shapes of the shop book."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.kinetics.shapes import MordantKey
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
