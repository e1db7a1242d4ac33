"""Inputs and outputs of tearing sheets, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.schema import Shape

SheetMm = Annotated[float, Field(ge=50, le=3000, json_schema_extra={"unit": "mm"})]
PlateMm = Annotated[float, Field(ge=10, le=2500, json_schema_extra={"unit": "mm"})]
MarginMm = Annotated[float, Field(ge=0, le=500, json_schema_extra={"unit": "mm"})]
MOST_PULLS = 1000


class SheetsInput(Shape):
    """A sheet, a plate with its margin, and how many impressions are wanted."""

    sheet_mm: tuple[SheetMm, SheetMm]
    plate_mm: tuple[PlateMm, PlateMm]
    """Width and height."""
    margin_mm: MarginMm = 60.0
    """On every side, at least."""
    impressions: Annotated[int, Field(ge=1, le=MOST_PULLS)]
    spoiled_share: Annotated[float, Field(ge=0, le=0.9)] = 0.1
    """Of all that is pulled."""
    in_stock: Annotated[int, Field(ge=0, le=10_000)] = 0
    """Sheets that are there."""


class TornPiece(Shape):
    """One piece where it lies in the sheet [mm], from its top left."""

    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    waste: bool = False
    """Too small for this plate; it will do for wiping or a smaller one."""


class Tear(Shape):
    """One go: what is torn, along which side it is measured, and at which places of it [mm]."""

    of_mm: tuple[float, float]
    side: Literal["width", "height"]
    at_mm: list[float]
    equal: int
    """Folded into so many alike; 0: measured, not folded."""


class SheetsOutput(Shape):
    """How a sheet is torn, and how many are needed."""

    pieces_per_sheet: int
    piece_mm: tuple[float, float]
    """Of the smallest, as it lies in the sheet."""
    sheets: int
    tears: list[str]
    pieces_needed: int
    """With those that will be spoiled."""
    spare: int
    """Pieces over."""
    to_buy: int
    margins_mm: tuple[float, float]
    """Beside and above the plate, on the smallest piece."""
    turned: bool
    """The plate lies across on its piece, as that lies in the sheet."""
    goes: list[Tear]
    pieces: list[TornPiece]
    text: str
