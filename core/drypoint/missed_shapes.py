"""Inputs and outputs of what is not scratched yet."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.drypoint.shapes import FieldMm
from core.image.shapes import ImagePath
from core.schema import Shape
from core.stages.shapes import AreaName
from core.study.shapes import Mm

MOST_LINES = 60
FieldPlace = Annotated[float, Field(ge=0, le=2500, json_schema_extra={"unit": "mm"})]
Px = Annotated[float, Field(ge=-20_000, le=40_000, json_schema_extra={"unit": "px"})]
Edge = Literal["left", "top", "right", "bottom"]


class SeenField(Shape):
    """A field of the print whose scratches are counted."""

    name: AreaName
    x_mm: FieldPlace
    y_mm: FieldPlace
    width_mm: FieldMm
    height_mm: FieldMm


class CountedField(Shape):
    """The share of a field that is scratched."""

    name: str
    covered: float


class UnderPlate(Shape):
    """How a plate lies in its view, the drawing it is scratched by, fields to be counted."""

    drawing: ImagePath | None = None
    """As it prints: dark lines on light. None: nothing is told to be missed."""
    width_mm: Mm
    """Of the plate."""
    height_mm: Mm
    corners_px: Annotated[list[tuple[Px, Px]], Field(min_length=4, max_length=4)] | None = None
    """Of the plate on the view, clockwise from the upper left; None: it fills the view."""
    drawing_mirrored: bool = False
    """The drawing is as it lies on the plate, not as it prints."""
    reach_mm: Annotated[float, Field(ge=0.1, le=5, json_schema_extra={"unit": "mm"})] = 0.6
    """A scratch that near follows the line."""
    least_mm: Annotated[float, Field(ge=0.5, le=50, json_schema_extra={"unit": "mm"})] = 2.0
    """What is missed of a line is told from this length on."""
    fields: Annotated[list[SeenField], Field(max_length=40)] = []
    bevel_mm: Annotated[float, Field(ge=0, le=10, json_schema_extra={"unit": "mm"})] = 1.5


class MissedLinesInput(UnderPlate):
    """The view of a scratched plate, and the drawing it is scratched by, both as they print."""

    view: ImagePath
    """As ``scratch-view`` writes it."""
    drawing: ImagePath
    """Dark lines on light."""


class MissedLine(Shape):
    """A line of the drawing that is not scratched: the box it lies in, as it prints."""

    number: int
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    length_mm: float


class MissedLinesOutput(Shape):
    """Which lines of a drawing are not scratched yet, the longest first."""

    lines: list[MissedLine]
    more: int
    """Missed ones that are not listed."""
    done_share: float
    """Of the drawing's length."""
    drawn_m: float
    missed_m: float
    moved_mm: float
    """By how much the drawing was moved to lie on the scratches."""
    bevel: list[Edge]
    """Edges whose bevel lines ran into, as they print: they want filing again."""
    text: str
