"""Where plate and paper lie on the press bed, drawn at 1:1 with registration marks."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path
from typing import Annotated

from pydantic import Field
from reportlab.pdfgen.canvas import Canvas

from core.errors import CoreError
from core.printing.sheet_shapes import PlateMm, SheetMm
from core.schema import Shape
from core.study.map_pages import tiling, write_pages
from core.study.shapes import Paper

_LINE_MM, _CROSS_MM, _TICK_MM, _AWAY_MM, _MARK_MM = 0.35, 8.0, 10.0, 3.0, 3.0
Lift = Annotated[float, Field(ge=0, le=200, json_schema_extra={"unit": "mm"})]


class TemplateMark(Shape):
    """A registration cross of one of several plates, as it lies on the plate."""

    name: Annotated[str, Field(min_length=1, max_length=80)]
    x_mm: Annotated[float, Field(ge=0, le=2500, json_schema_extra={"unit": "mm"})]
    """From the plate's top left."""
    y_mm: Annotated[float, Field(ge=0, le=2500, json_schema_extra={"unit": "mm"})]


class PressTemplateInput(Shape):
    """A plate and the paper it is printed on."""

    plate_mm: tuple[PlateMm, PlateMm]
    paper_mm: tuple[SheetMm, SheetMm]
    """The damp piece, as it lies on the bed."""
    lift_mm: Lift = 0.0
    """By how much the plate lies above the middle: many leave more paper below it."""
    print_on: Paper = "A4"
    marks: Annotated[list[TemplateMark], Field(max_length=80)] = []
    """Of the plates that share this template."""
    about: Annotated[str, Field(max_length=120)] = "Template"
    write: Annotated[str, Field(min_length=1, max_length=4000)]


class PressTemplateOutput(Shape):
    """The template as it was written; places from the top left of the paper."""

    path: str
    pages: int
    across: int
    down: int
    plate_at_mm: tuple[float, float]
    margins_mm: tuple[float, float, float]
    """Beside, above, below the plate."""
    text: str


@dataclass(frozen=True)
class _Bed:
    """One page: the paper, the plate within it, marks to lay both by."""

    paper: tuple[float, float]
    plate: tuple[float, float]
    at: tuple[float, float]
    marks: list[TemplateMark]

    @property
    def title(self) -> str:
        """Return what stands above it."""
        return "Template for the press bed, 1:1"

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw paper, plate and marks.

        Parameters
        ----------
        canvas : Canvas
        size_mm : (float, float) [mm]
        """
        canvas.setLineWidth(_LINE_MM)
        canvas.rect(0, 0, *size_mm)
        canvas.rect(*self.at, *self.plate)
        _ticks(canvas, self.at, self.plate)
        for x in (0.0, size_mm[0]):
            for y in (0.0, size_mm[1]):
                _cross(canvas, x, y)
        _middles(canvas, size_mm)
        _words(canvas, self)
        for mark in self.marks:
            _mark(canvas, self.at, mark)


def press_template(given: PressTemplateInput) -> PressTemplateOutput:
    """Write a template as a PDF, over as many sheets as it takes.

    Parameters
    ----------
    given : PressTemplateInput

    Returns
    -------
    PressTemplateOutput

    Raises
    ------
    CoreError
        The paper is smaller than the plate, or the plate is lifted beyond its edge.
    """
    (wide, high), (plate_wide, plate_high) = given.paper_mm, given.plate_mm
    beside, spare = (wide - plate_wide) / 2, high - plate_high
    if beside < 0 or spare < 0:
        raise CoreError(
            "paper-smaller-than-plate", "The paper is smaller than the plate as it lies. Turn one "
            "of them, or take a larger piece.", field="paper_mm", value=[wide, high],
            allowed=f"at least {plate_wide:g} by {plate_high:g}", unit="mm",
        )  # fmt: skip
    if given.lift_mm > spare / 2:
        raise CoreError(
            "lifted-too-far", "The plate would lie beyond the edge of the paper.", field="lift_mm",
            value=given.lift_mm, allowed=f"at most {spare / 2:g}", unit="mm",
        )  # fmt: skip
    at = (round(beside, 2), round(spare / 2 - given.lift_mm, 2))
    bed = _Bed(given.paper_mm, given.plate_mm, at, given.marks)
    Path(given.write).parent.mkdir(parents=True, exist_ok=True)
    pages = write_pages(given.write, [bed], given.paper_mm, given.print_on, given.about)
    tiles = tiling(wide, high, given.print_on)
    return PressTemplateOutput(
        path=given.write, pages=pages, across=tiles.columns, down=tiles.rows, plate_at_mm=at,
        margins_mm=(at[0], at[1], round(spare - at[1], 2)),
        text="Under the blotter or the sheet of plastic on the bed: plate first, then the paper.",
    )  # fmt: skip


def _ticks(canvas: Canvas, at: tuple[float, float], size: tuple[float, float]) -> None:
    """Draw marks outside the plate's corners: seen while the plate lies on it."""
    for x, way_x in ((at[0], -1), (at[0] + size[0], 1)):
        for y, way_y in ((at[1], -1), (at[1] + size[1], 1)):
            canvas.line(x + way_x * _AWAY_MM, y, x + way_x * _TICK_MM, y)
            canvas.line(x, y + way_y * _AWAY_MM, x, y + way_y * _TICK_MM)


def _cross(canvas: Canvas, x: float, y: float) -> None:
    """Draw a cross on a corner of the paper."""
    canvas.line(x - _CROSS_MM, y, x + _CROSS_MM, y)
    canvas.line(x, y - _CROSS_MM, x, y + _CROSS_MM)


def _mark(canvas: Canvas, at: tuple[float, float], mark: TemplateMark) -> None:
    """Draw a plate's cross, named."""
    x, y = at[0] + mark.x_mm, at[1] + mark.y_mm
    canvas.line(x - _MARK_MM, y, x + _MARK_MM, y)
    canvas.line(x, y - _MARK_MM, x, y + _MARK_MM)
    canvas.saveState()
    canvas.translate(x + 0.6, y + _MARK_MM + 1.5)
    canvas.scale(1, -1)
    canvas.setFont("Helvetica", 2.2)
    canvas.drawString(0, 0, mark.name[:12])
    canvas.restoreState()


def _middles(canvas: Canvas, size: tuple[float, float]) -> None:
    """Draw the middle of each side of the paper."""
    for x in (0.0, size[0] - _CROSS_MM):
        canvas.line(x, size[1] / 2, x + _CROSS_MM, size[1] / 2)
    for y in (0.0, size[1] - _CROSS_MM):
        canvas.line(size[0] / 2, y, size[0] / 2, y + _CROSS_MM)


def _words(canvas: Canvas, bed: _Bed) -> None:
    canvas.saveState()
    canvas.translate(bed.at[0] + 4, bed.at[1] + 8)
    canvas.scale(1, -1)
    canvas.setFont("Helvetica", 4)
    canvas.drawString(0, 0, f"plate {bed.plate[0]:g} × {bed.plate[1]:g} mm")
    canvas.restoreState()
    canvas.saveState()
    canvas.translate(_CROSS_MM + 2, _CROSS_MM)
    canvas.scale(1, -1)
    canvas.setFont("Helvetica", 4)
    canvas.drawString(0, 0, f"paper {bed.paper[0]:g} × {bed.paper[1]:g} mm")
    canvas.restoreState()
