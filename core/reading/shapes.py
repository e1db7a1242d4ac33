"""Inputs and outputs of reading tones off a picture, the same at every door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.image.shapes import ImagePath
from core.schema import Shape
from core.stages.shapes import AreaName
from core.study.shapes import Folder, Mm, Place
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
    doubt: float
    """Standard deviation of the tone itself [L*]: grain averages out, an uneven light does not."""
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


class ProofArea(Shape):
    """An area of a plate: which labels of its map it has, and what it should print."""

    name: AreaName
    labels: Annotated[list[Annotated[int, Field(ge=0, le=255)]], Field(min_length=1)]
    expected_lstar: Lightness | None = None
    """Null: left white."""


class Painted(Shape):
    """A stroke of what is not to count; in mm on the print, from its top left."""

    points_mm: Annotated[list[tuple[Place, Place]], Field(min_length=1, max_length=2000)]
    size_mm: Annotated[float, Field(ge=0.2, le=100, json_schema_extra={"unit": "mm"})]


class ReadProofInput(Shape):
    """A scan of a proof, and the map of its plate."""

    image: ImagePath
    labels: ImagePath
    """8-bit PNG: which area each point is of, as it prints."""
    areas: Annotated[list[ProofArea], Field(min_length=1, max_length=40)]
    width_mm: Mm
    height_mm: Mm
    corners_px: Corners | None = None
    """Of the plate mark; null: it is looked for."""
    left_out: Annotated[list[Painted], Field(max_length=200)] = []
    write: Folder | None = None
    """A folder: the proof laid straight is written into it."""


class ReadArea(Shape):
    """An area as it was read off a proof; without a tone where nothing of it could be read."""

    name: str
    lstar: float | None
    spread: float | None
    """Of blocks of a millimetre [L*]."""
    doubt: float | None = None
    """Standard deviation of their mean [L*]."""
    share: float
    """Of the plate that was read for it."""
    warnings: list[ReadWarning]


class ReadProofOutput(Shape):
    """The areas of a proof as they were read."""

    areas: list[ReadArea]
    corners_px: list[tuple[float, float]]
    """Of the plate, clockwise from the top left of the print."""
    turned: int
    """Degrees by which the sheet lay on the glass."""
    likeness: float
    straight: str | None
    """The proof laid straight: 8-bit grey, 2.5 times its L*."""
    paper_spread: float
    warnings: list[ReadWarning]
    tables: str
