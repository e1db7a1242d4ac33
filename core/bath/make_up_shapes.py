"""Inputs and outputs of making up a bath, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.data.pouring import Role
from core.kinetics.shapes import MordantKey
from core.prepare.shapes import Baume, PouredPart
from core.schema import Shape

Side = Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]
Price = Annotated[float, Field(ge=0, le=100_000)]


class VesselSize(Shape):
    """The inside of a tray or tank."""

    width_mm: Side
    length_mm: Side
    height_mm: Side
    upright: bool = False
    """The plate hangs in it."""


class PlateSize(Shape):
    """The largest plate that shall go in."""

    width_mm: Side
    height_mm: Side
    thickness_mm: Annotated[float, Field(ge=0.1, le=20, json_schema_extra={"unit": "mm"})] = 1.2


class MakeUpInput(Shape):
    """Which mordant, how much of it or for which vessel and plate, and from what."""

    mordant: MordantKey
    volume_l: Annotated[float, Field(ge=0.05, le=1000, json_schema_extra={"unit": "L"})] | None = (
        None
    )
    """None: as much as covers the plate in the vessel."""
    vessel: VesselSize | None = None
    plate: PlateSize | None = None
    over_mm: Annotated[float, Field(ge=5, le=500, json_schema_extra={"unit": "mm"})] = 20.0
    stock_baume: Baume | None = None
    """Of the ferric in the bottle; as strong as the bath where it is not given."""
    target_baume: Baume | None = None
    parts: Annotated[list[PouredPart], Field(min_length=2, max_length=12)] | None = None
    """The room's own recipe, in place of the table's."""
    salts_g_per_l: Annotated[
        dict[Annotated[str, Field(max_length=80)], Annotated[float, Field(ge=0, le=500)]],
        Field(json_schema_extra={"unit": "g/L"}),
    ] = {}
    """The room's own masses of the table's salts, in their place."""
    prices: dict[Annotated[str, Field(max_length=80)], Price] = {}
    """Of a litre, or of a kilogram, in the room's own money."""
    name: Annotated[str, Field(max_length=120)] = ""
    """Of the bath, for its label."""


class Ingredient(Shape):
    """One thing that goes in."""

    name: str
    role: Role
    litres: float | None
    grams: float | None
    cost: float | None


class Pouring(Shape):
    """One thing done, in this order."""

    text: str
    warning: str | None
    """What warms, fumes or gasses while it is done."""


class Fit(Shape):
    """Whether the plate fits into the vessel, and how much covers it."""

    fits: bool
    needed_l: float
    """With the plate in it, ``over_mm`` over it."""
    holds_l: float
    """Up to a hand's breadth below the rim."""
    depth_mm: float
    """Of the liquid, at the volume made up."""
    text: str


class MakeUpOutput(Shape):
    """What goes in, in which order, whether it fits, and what stands on the label."""

    volume_l: float
    ingredients: list[Ingredient]
    pour: list[Pouring]
    cautions: list[str]
    """Keys of the table of cautions."""
    baume: float | None
    fit: Fit | None
    cost: float | None
    """None where a price is missing."""
    missing_prices: list[str]
    label: list[str]
    level: Literal["danger", "care"]
