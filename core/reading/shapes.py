"""Inputs and outputs of reading tones off a picture, the same at every door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.image.shapes import ImagePath
from core.schema import Shape
from core.tone.shapes import Lightness

MOST_IN_A_ROW = 40

Pixel = Annotated[float, Field(ge=-20_000, le=40_000, json_schema_extra={"unit": "px"})]
Point = tuple[Pixel, Pixel]
Corners = Annotated[list[Point], Field(min_length=4, max_length=4)]
"""Clockwise from the top left."""


class ReadWarning(Shape):
    """What makes a reading doubtful."""

    code: str
    text: str


class BlackPatch(Shape):
    """A black of known tone in the picture, by which stray light is taken out."""

    corners_px: Corners
    lstar: Annotated[float, Field(ge=0, le=60, json_schema_extra={"unit": "L*"})]


class ReadPatchesInput(Shape):
    """A scan of a printed strip, and how many patches stand in its row."""

    image: ImagePath
    patches: Annotated[int, Field(ge=2, le=MOST_IN_A_ROW)]
    corners_px: Corners | None = None
    """Of the row, or of the plate about it; null: the row is looked for."""
    patch_corners_px: Annotated[list[Corners], Field(max_length=MOST_IN_A_ROW)] | None = None
    """Of each patch, where they are not equally wide."""
    black: BlackPatch | None = None


class ReadPatch(Shape):
    """A patch as it was read."""

    lstar: float
    spread: float
    """Of blocks of about a millimetre [L*]."""
    corners_px: list[tuple[float, float]]
    warnings: list[ReadWarning]


class ReadPatchesOutput(Shape):
    """The patches in the order they stand in the row, from its lighter end."""

    patches: list[ReadPatch]
    paper_spread: float
    """Of the bare sheet about its own light [L*]."""
    warnings: list[ReadWarning]
    row_px: list[tuple[float, float]]
    """Corners of the row, clockwise from its lighter end."""
    mark_px: list[tuple[float, float]]
    """Corners of the plate mark beyond which the sheet is bare; empty where none was seen."""
    tables: str


class ReadArea(Shape):
    """An area as it was read off a proof."""

    name: str
    lstar: Lightness
    spread: float
    share: float
    """Of the plate that was read for it."""
    warnings: list[ReadWarning]
