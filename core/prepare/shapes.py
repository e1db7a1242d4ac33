"""Inputs and outputs of the preparation of plates, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.data.pouring import Role
from core.schema import Shape

Material = Literal["copper", "zinc", "plastic", "polymer"]
Millimetre = Annotated[float, Field(ge=1, le=3000, json_schema_extra={"unit": "mm"})]
Thickness = Annotated[float, Field(ge=0.1, le=10, json_schema_extra={"unit": "mm"})]


class BevelInput(Shape):
    """Whether a plate needs a bevel, how far it runs, and how long the work takes."""

    material: Material
    thickness_mm: Thickness
    width_mm: Millimetre
    height_mm: Millimetre
    angle_degrees: Annotated[float, Field(ge=20, le=70, json_schema_extra={"unit": "°"})] = 45.0
    height_of_bevel_mm: (
        Annotated[float, Field(ge=0.01, le=10, json_schema_extra={"unit": "mm"})] | None
    ) = None
    """How much of the edge's height it takes; three quarters of the thickness where not given."""
    corners_rounded_mm: Annotated[float, Field(ge=0, le=50, json_schema_extra={"unit": "mm"})] = 2.0


class BevelOutput(Shape):
    """The bevel, with its reason."""

    needed: Literal["needed", "optional"]
    reason: str
    run_mm: float
    """How far it runs in on the face."""
    height_mm: float
    edge_cm: float
    """Length of edge to work, corners rounded."""
    minutes: float
    minutes_low: float
    minutes_high: float


Litre = Annotated[float, Field(ge=0.001, le=1000, json_schema_extra={"unit": "L"})]
Baume = Annotated[float, Field(ge=0.1, le=51.5, json_schema_extra={"unit": "°Bé"})]


class Strength(Shape):
    """A strength by hydrometer."""

    baume: Baume


Parts = Annotated[float, Field(ge=0.001, le=10_000)]


class PouredPart(Shape):
    """One part by volume; ``role`` may be left out where the table knows the name."""

    name: Annotated[str, Field(min_length=1, max_length=80)]
    role: Role | None = None
    parts: Parts


class DiluteInput(Shape):
    """How much of what to pour: by parts, or a ferric stock down to a strength.

    Parts are named with their role; names alone are taken where the table knows every one.
    """

    solute: Literal["ferric-chloride"] | None = None
    stock: Strength | None = None
    target: Strength | None = None
    parts: (
        Annotated[list[PouredPart], Field(min_length=2, max_length=12)]
        | Annotated[dict[str, Parts], Field(min_length=2, max_length=12)]
        | None
    ) = None
    volume_l: Litre

    @model_validator(mode="after")
    def _one_way(self) -> DiluteInput:
        by_strength = None not in (self.solute, self.stock, self.target)
        if by_strength == (self.parts is not None):
            raise ValueError("give parts, or solute with stock and target, one of the two")
        if isinstance(self.parts, list) and len({p.name for p in self.parts}) < len(self.parts):
            raise ValueError("each part needs its own name")
        return self


class DiluteOutput(Shape):
    """What to pour, in which order, and how to check it."""

    stock_l: float
    water_l: float
    pour: list[str]
    litres: dict[str, float]
    roles: dict[str, Role] = {}
    cautions: list[str]
    """What to beware of while pouring."""
    checks: dict[str, float]


MOST_PIECES = 60


class SheetPiece(Shape):
    """Plates of one size to be cut out."""

    name: Annotated[str, Field(min_length=1, max_length=80)]
    width_mm: Millimetre
    height_mm: Millimetre
    count: Annotated[int, Field(ge=1, le=MOST_PIECES)] = 1
    may_turn: bool = True


class CutSheetInput(Shape):
    """Plates to cut out of a sheet by straight cuts from edge to edge."""

    sheet_width_mm: Millimetre
    sheet_height_mm: Millimetre
    allowance_mm: Annotated[float, Field(ge=0, le=20, json_schema_extra={"unit": "mm"})] = 0.0
    """What a saw takes away at each cut; a shear takes nothing."""
    pieces: Annotated[list[SheetPiece], Field(min_length=1, max_length=MOST_PIECES)]

    @model_validator(mode="after")
    def _not_too_many(self) -> CutSheetInput:
        if sum(piece.count for piece in self.pieces) > MOST_PIECES:
            raise ValueError(f"at most {MOST_PIECES} plates at once")
        return self


class PlacedPiece(Shape):
    """A plate where it lies on the sheet, from the top left corner."""

    name: str
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    turned: bool


class SheetCut(Shape):
    """One straight cut through what is in hand, in the order to make them."""

    number: int
    along: Literal["across", "down"]
    at_mm: float
    """From the top edge for a cut across, from the left edge for a cut down."""
    from_mm: float
    to_mm: float


class CutSheetOutput(Shape):
    """The layout, its cuts in order, and how near it is to the best there can be."""

    placed: list[PlacedPiece]
    left_out: list[str]
    cuts: list[SheetCut]
    used_cm2: float
    waste_cm2: float
    waste_bound_cm2: float
    """No layout of these plates wastes less than this."""
    optimal: bool
    """True where that bound is reached, or every guillotine layout was gone through."""
    largest_rest_mm: tuple[float, float]
    """The largest rectangle left whole."""
    rest_at_mm: tuple[float, float] = (0.0, 0.0)
    """Its top left corner on the sheet."""
    usable_rest_cm2: float = 0.0
    """Its surface, where it is wide enough to become a plate or a strip; it is no waste."""
    offcuts_cm2: float = 0.0
    """What is neither plate nor usable rest, the saw's dust among it."""
