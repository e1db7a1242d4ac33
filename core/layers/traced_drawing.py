"""A drawing → the sheet of a traced monotype: mirrored, at 1:1, what was followed marked."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import Field
from reportlab.pdfgen.canvas import Canvas

from core.errors import CoreError
from core.image.reduced import open_reduced
from core.image.shapes import ImagePath
from core.layers.overprint import made_folder
from core.layers.shapes import SizeMm
from core.printing.sheet_shapes import SheetMm
from core.schema import Shape
from core.study.map_pages import ring_path, write_pages
from core.study.outlines import Polygon, as_path, outlines
from core.study.shapes import Folder, Paper

Array = NDArray[np.float64]
MOST_PIECES = 400
_LONG_PX = 1400
_GREY = np.array([0.2126729, 0.7151522, 0.0721750])
_DARK = 0.55
_LEAST_MM2, _LINE_MM = 0.15, 0.7
_TICK_MM = 8.0


class TracedDrawingInput(Shape):
    """A drawing as it shall print, the plate, the sheet, and what was followed already."""

    image: ImagePath
    plate_mm: SizeMm
    sheet_mm: tuple[SheetMm, SheetMm]
    lift_mm: Annotated[float, Field(ge=0, le=200, json_schema_extra={"unit": "mm"})] = 0.0
    """By how much the plate lies above the middle of the sheet."""
    piece_mm: Annotated[float, Field(ge=10, le=200, json_schema_extra={"unit": "mm"})] = 40.0
    """Longer lines are told in parts of this size."""
    followed: Annotated[
        list[Annotated[int, Field(ge=1, le=MOST_PIECES)]], Field(max_length=MOST_PIECES)
    ] = []
    """Numbers of pieces."""
    paper: Paper = "A4"
    about: Annotated[str, Field(max_length=120)] = "Traced drawing"
    write: Folder


class TracedPiece(Shape):
    """A part of the drawing, as it lies on the back of the sheet: mirrored, in mm of the plate."""

    number: int
    outline: str
    """Path of an SVG, filled by the even-odd rule."""
    x_mm: float
    y_mm: float
    length_mm: float
    followed: bool


class TracedDrawingOutput(Shape):
    """The drawing in parts, and its sheet at 1:1."""

    pieces: list[TracedPiece]
    plate_at_mm: tuple[float, float]
    """Of the plate's top left, on the sheet."""
    length_mm: float
    followed_mm: float
    path: str
    pages: int
    text: str


@dataclass(frozen=True)
class _Page:
    """The back of the sheet: its edge, the plate under it, the mirrored drawing."""

    plate: tuple[float, float]
    at: tuple[float, float]
    pieces: list[tuple[list[Polygon], bool]]

    @property
    def title(self) -> str:
        """Return what stands above it."""
        return "Traced drawing, mirrored as on the back of the sheet, 1:1"

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw sheet, plate and drawing.

        Parameters
        ----------
        canvas : Canvas
        size_mm : (float, float) [mm]
        """
        canvas.setLineWidth(0.35)
        canvas.rect(0, 0, *size_mm)
        canvas.setDash(3, 2)
        canvas.rect(*self.at, *self.plate)
        canvas.setDash()
        for x in (self.at[0], self.at[0] + self.plate[0]):
            for y in (self.at[1], self.at[1] + self.plate[1]):
                canvas.line(x - _TICK_MM / 2, y, x + _TICK_MM / 2, y)
                canvas.line(x, y - _TICK_MM / 2, x, y + _TICK_MM / 2)
        canvas.saveState()
        canvas.translate(*self.at)
        for polygons, followed in self.pieces:
            canvas.setFillGray(0.75 if followed else 0.0)
            canvas.drawPath(ring_path(canvas, polygons), stroke=0, fill=1, fillMode=0)
        canvas.restoreState()


def traced_drawing(given: TracedDrawingInput) -> TracedDrawingOutput:
    """Return a drawing in parts, mirrored, and write its sheet at 1:1.

    Parameters
    ----------
    given : TracedDrawingInput

    Returns
    -------
    TracedDrawingOutput

    Raises
    ------
    CoreError
        No picture; nothing drawn in it; a sheet smaller than the plate; a folder that cannot be
        written.

    Notes
    -----
    What is followed on the back of a sheet prints on its face, mirrored: the drawing is mirrored
    first, so that it prints as it was drawn. Source: ``marching-squares``, ``room-practice``.
    """
    at = _placed(given)
    dark, per_mm = _drawn(given)
    parts = _parts(dark, per_mm, given.piece_mm)
    if not parts:
        raise CoreError(
            "nothing-drawn", "No line is seen in this picture. Draw it darker on white.",
            field="image", allowed="dark lines on a light ground",
        )  # fmt: skip
    followed = set(given.followed)
    away = cv2.distanceTransform(dark.astype(np.uint8), cv2.DIST_L2, 3) / per_mm
    told, drawn = [], []
    for number, mask in enumerate(parts, start=1):
        polygons = outlines(mask, per_mm)
        drawn.append((polygons, number in followed))
        told.append(_piece(number, mask, polygons, away, per_mm, number in followed))
    pdf = str(made_folder(given.write) / "traced.pdf")
    page = _Page(given.plate_mm, at, drawn)
    pages = write_pages(pdf, [page], given.sheet_mm, given.paper, given.about)
    length = sum(each.length_mm for each in told)
    done = sum(each.length_mm for each in told if each.followed)
    return TracedDrawingOutput(
        pieces=told, plate_at_mm=at, length_mm=round(length, 1), followed_mm=round(done, 1),
        path=pdf, pages=pages,
        text=f"{sum(not each.followed for each in told)} of {len(told)} parts are left to follow.",
    )  # fmt: skip


def _placed(given: TracedDrawingInput) -> tuple[float, float]:
    (wide, high), (plate_wide, plate_high) = given.sheet_mm, given.plate_mm
    beside, spare = (wide - plate_wide) / 2, high - plate_high
    if beside < 0 or spare < 0:
        raise CoreError(
            "paper-smaller-than-plate", "The sheet is smaller than the plate as it lies.",
            field="sheet_mm", value=[wide, high],
            allowed=f"at least {plate_wide:g} by {plate_high:g}", unit="mm",
        )  # fmt: skip
    return round(beside, 2), round(max(0.0, spare / 2 - given.lift_mm), 2)


def _drawn(given: TracedDrawingInput) -> tuple[NDArray[np.bool_], float]:
    """Return where lines are, mirrored, fitted to the plate."""
    light = open_reduced(given.image, 2 * _LONG_PX) @ _GREY
    per_mm = _LONG_PX / max(given.plate_mm)
    size = (max(2, round(given.plate_mm[0] * per_mm)), max(2, round(given.plate_mm[1] * per_mm)))
    fit = min(size[0] / light.shape[1], size[1] / light.shape[0])
    wide, high = max(1, round(light.shape[1] * fit)), max(1, round(light.shape[0] * fit))
    way = cv2.INTER_AREA if fit < 1 else cv2.INTER_LINEAR
    small = cv2.resize(light, (wide, high), interpolation=way)
    white = max(0.02, float(np.percentile(small, 95)))
    sheet = np.ones((size[1], size[0]))
    left, top = (size[0] - wide) // 2, (size[1] - high) // 2
    sheet[top : top + high, left : left + wide] = small / white
    return np.asarray(sheet[:, ::-1] < _DARK), per_mm


def _parts(dark: NDArray[np.bool_], per_mm: float, piece_mm: float) -> list[NDArray[np.bool_]]:
    """Return parts of the drawing: what hangs together, within squares of a grid."""
    px = max(8, round(piece_mm * per_mm))
    found = []
    for top in range(0, dark.shape[0], px):
        for left in range(0, dark.shape[1], px):
            cell = dark[top : top + px, left : left + px].astype(np.uint8)
            count, labels, stats, _ = cv2.connectedComponentsWithStats(cell, connectivity=8)
            for at in range(1, count):
                if stats[at, cv2.CC_STAT_AREA] < _LEAST_MM2 * per_mm**2:
                    continue
                mask = np.zeros_like(dark)
                mask[top : top + px, left : left + px] = labels == at
                found.append(mask)
    return sorted(found, key=lambda mask: -int(mask.sum()))[:MOST_PIECES] if (
        len(found) > MOST_PIECES
    ) else found  # fmt: skip


def _piece(
    number: int, mask: NDArray[np.bool_], polygons: list[Polygon], away: NDArray[np.floating],
    per_mm: float, followed: bool,
) -> TracedPiece:  # fmt: skip
    ys, xs = np.nonzero(mask)
    return TracedPiece(
        number=number, outline=as_path(polygons), x_mm=round(float(xs.mean()) / per_mm, 1),
        y_mm=round(float(ys.mean()) / per_mm, 1), followed=followed,
        length_mm=round(_length(mask, away, per_mm), 1),
    )  # fmt: skip


def _length(mask: NDArray[np.bool_], away: NDArray[np.floating], per_mm: float) -> float:
    """Return how long a line is: its surface over its width, four times the mean way to its edge.

    ``away`` is of the whole drawing: where a line is parted is no edge of it.
    """
    width = max(_LINE_MM / 2, 4 * (float(away[mask].mean()) - 0.25 / per_mm))
    return float(mask.sum()) / per_mm**2 / width
