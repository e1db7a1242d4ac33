"""Stop-out maps to print at 1:1: a page a stage, tiled where the plate is larger than paper."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import IO, Protocol

from reportlab.lib.units import inch, mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject

from core.study.outlines import Polygon
from core.study.shapes import Paper
from core.study.stages import CRAYON_NOW, CRAYONED
from core.study.stop_out_maps import BEFORE, NOW
from core.units import MM_PER_INCH

PAPERS_MM: dict[Paper, tuple[float, float]] = {
    "A4": (210.0, 297.0), "A3": (297.0, 420.0), "A2": (420.0, 594.0), "letter": (215.9, 279.4),
    "tabloid": (279.4, 431.8),
}  # fmt: skip
MARGIN_MM, FOOT_MM, HEAD_MM = 10.0, 16.0, 14.0
"""What printers leave white; the bar below, the words above."""
OVERLAP_MM = 10.0
"""By which tiles show the same, to be laid on each other."""
MARK_MM, BAR_MM, BAR_IN = 6.0, 100.0, 4.0
_HATCH_MM = 2.0
_WORDS = 9


class PlatePage(Protocol):
    """What one page, or its tiles, shows of a plate at 1:1."""

    @property
    def title(self) -> str:
        """Return what stands above it."""

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw the plate: mm, y down from its top left."""


@dataclass(frozen=True)
class MapPage:
    """One stage, as it lies on the plate unless it says otherwise."""

    title: str
    pieces: dict[int, list[Polygon]]

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw what is covered before, and now.

        Parameters
        ----------
        canvas : Canvas
        size_mm : (float, float) [mm]
        """
        _plate(canvas, self, size_mm)


@dataclass(frozen=True)
class Tiling:
    """How a plate is cut into sheets."""

    paper_mm: tuple[float, float]
    columns: int
    rows: int

    @property
    def window_mm(self) -> tuple[float, float]:
        """Return what one sheet shows of the plate."""
        return _window(self.paper_mm)

    def corner_mm(self, column: int, row: int) -> tuple[float, float]:
        """Return where on the plate the top left of a tile lies.

        Parameters
        ----------
        column, row : int

        Returns
        -------
        (float, float) [mm]
        """
        wide, high = self.window_mm
        return column * (wide - OVERLAP_MM), row * (high - OVERLAP_MM)


def tiling(width_mm: float, height_mm: float, paper: Paper) -> Tiling:
    """Return the fewest sheets of a paper, upright or across, that a plate fits on at 1:1.

    Parameters
    ----------
    width_mm, height_mm : float [mm]
    paper : str

    Returns
    -------
    Tiling
    """
    upright = PAPERS_MM[paper]
    return min(
        (_tiled(width_mm, height_mm, sheet) for sheet in (upright, upright[::-1])),
        key=lambda tiles: tiles.columns * tiles.rows,
    )


def _tiled(width_mm: float, height_mm: float, sheet: tuple[float, float]) -> Tiling:
    wide, high = _window(sheet)
    return Tiling(sheet, _pieces(width_mm, wide), _pieces(height_mm, high))


def _window(sheet: tuple[float, float]) -> tuple[float, float]:
    return sheet[0] - 2 * MARGIN_MM, sheet[1] - 2 * MARGIN_MM - FOOT_MM - HEAD_MM


def _pieces(side_mm: float, window_mm: float) -> int:
    if side_mm <= window_mm:
        return 1
    return math.ceil((side_mm - OVERLAP_MM) / (window_mm - OVERLAP_MM))


def write_pages(
    path: str | IO[bytes], pages: Sequence[PlatePage], size_mm: tuple[float, float], paper: Paper,
    about: str,
) -> int:  # fmt: skip
    """Write pages as a PDF and return how many pages it has.

    Parameters
    ----------
    path : str, or a file open for writing
    pages : sequence of PlatePage
    size_mm : (float, float) [mm]
        Width and height of the plate.
    paper : str
    about : str
        Stands on every page.

    Returns
    -------
    int
    """
    tiles = tiling(*size_mm, paper)
    canvas = Canvas(path, pagesize=(tiles.paper_mm[0] * mm, tiles.paper_mm[1] * mm))
    canvas.setTitle(about)
    for page in pages:
        for row in range(tiles.rows):
            for column in range(tiles.columns):
                _sheet(canvas, page, tiles, (column, row), size_mm, about)
                canvas.showPage()
    canvas.save()
    return len(pages) * tiles.columns * tiles.rows


def _sheet(
    canvas: Canvas, page: PlatePage, tiles: Tiling, tile: tuple[int, int],
    size_mm: tuple[float, float], about: str,
) -> None:  # fmt: skip
    canvas.saveState()
    wide, high = tiles.window_mm
    left, top = tiles.corner_mm(*tile)
    canvas.translate(MARGIN_MM * mm, (MARGIN_MM + FOOT_MM + high) * mm)
    canvas.scale(mm, -mm)  # from here on mm, y down from the top left of the window
    canvas.saveState()
    frame = canvas.beginPath()
    frame.rect(0, 0, min(wide, size_mm[0] - left), min(high, size_mm[1] - top))
    canvas.clipPath(frame, stroke=0)
    canvas.translate(-left, -top)
    page.draw(canvas, size_mm)
    _joins(canvas, tiles, tile, size_mm)
    canvas.restoreState()
    _corner_marks(canvas, (-left, -top), size_mm, (wide, high))
    canvas.restoreState()
    _foot(canvas)
    where = "" if tiles.columns * tiles.rows == 1 else (
        f" Sheet {tile[0] + 1} of {tiles.columns} across, {tile[1] + 1} of {tiles.rows} down."
    )  # fmt: skip
    canvas.setFont("Helvetica-Bold", _WORDS + 2)
    canvas.drawString(MARGIN_MM * mm, (tiles.paper_mm[1] - MARGIN_MM - 4) * mm, page.title)
    canvas.setFont("Helvetica", _WORDS)
    canvas.drawRightString(
        (tiles.paper_mm[0] - MARGIN_MM) * mm, (tiles.paper_mm[1] - MARGIN_MM - 4) * mm,
        f"{about}.{where}",
    )  # fmt: skip


def _plate(canvas: Canvas, page: MapPage, size_mm: tuple[float, float]) -> None:
    canvas.setLineWidth(0.35)
    canvas.setStrokeGray(0)
    canvas.setFillGray(0.45)
    _fill(canvas, page.pieces.get(BEFORE, []))
    for state, gap in ((NOW, _HATCH_MM), (CRAYON_NOW, 3 * _HATCH_MM)):
        _hatch(canvas, page.pieces.get(state, []), size_mm, gap)
    canvas.setDash(1, 1)
    _outline(canvas, page.pieces.get(CRAYONED, []))
    canvas.setDash()
    canvas.rect(0, 0, *size_mm)


def ring_path(canvas: Canvas, pieces: list[Polygon]) -> PDFPathObject:
    """Return pieces as a path, to be filled by the even-odd rule.

    Parameters
    ----------
    canvas : Canvas
    pieces : list of Polygon [mm]

    Returns
    -------
    PDFPathObject
    """
    path = canvas.beginPath()
    for ring in (ring for piece in pieces for ring in piece):
        path.moveTo(*map(float, ring[0]))
        for x, y in ring[1:]:
            path.lineTo(float(x), float(y))
        path.close()
    return path


def _fill(canvas: Canvas, pieces: list[Polygon]) -> None:
    if pieces:
        canvas.drawPath(ring_path(canvas, pieces), stroke=0, fill=1, fillMode=0)


def _outline(canvas: Canvas, pieces: list[Polygon]) -> None:
    if pieces:
        canvas.drawPath(ring_path(canvas, pieces), stroke=1, fill=0)


def _hatch(canvas: Canvas, pieces: list[Polygon], size_mm: tuple[float, float], gap: float) -> None:
    """Hatch pieces at 45°, with a line round them."""
    if not pieces:
        return
    canvas.saveState()
    canvas.clipPath(ring_path(canvas, pieces), stroke=0, fill=0, fillMode=0)
    width, height = size_mm
    at = -height
    while at < width:
        canvas.line(at, height, at + height, 0)
        at += gap * math.sqrt(2)
    canvas.restoreState()
    _outline(canvas, pieces)


def _corner_marks(
    canvas: Canvas, plate_mm: tuple[float, float], size_mm: tuple[float, float],
    window_mm: tuple[float, float],
) -> None:  # fmt: skip
    """Draw marks outside the plate's corners, where they fall on this sheet."""
    canvas.setLineWidth(0.35)
    left, top = plate_mm
    for x, way_x in ((left, -1), (left + size_mm[0], 1)):
        for y, way_y in ((top, -1), (top + size_mm[1], 1)):
            if -1e-6 <= x <= window_mm[0] + 1e-6 and -1e-6 <= y <= window_mm[1] + 1e-6:
                canvas.line(x + way_x, y, x + way_x * MARK_MM, y)
                canvas.line(x, y + way_y, x, y + way_y * MARK_MM)


def _joins(
    canvas: Canvas, tiles: Tiling, tile: tuple[int, int], size_mm: tuple[float, float]
) -> None:
    """Draw crosses in the strips two sheets both show: laid on each other, the sheets join true."""
    canvas.setLineWidth(0.35)
    canvas.setStrokeGray(0)
    for column in range(1, tiles.columns):
        x = tiles.corner_mm(column, 0)[0] + OVERLAP_MM / 2
        for y in _along(size_mm[1], tiles.rows, tiles.corner_mm(0, tile[1])[1]):
            _cross(canvas, x, y)
    for row in range(1, tiles.rows):
        y = tiles.corner_mm(0, row)[1] + OVERLAP_MM / 2
        for x in _along(size_mm[0], tiles.columns, tiles.corner_mm(tile[0], 0)[0]):
            _cross(canvas, x, y)


def _along(side_mm: float, pieces: int, begin_mm: float) -> list[float]:
    """Return three places along a sheet's part of a side, near its ends and in its middle."""
    part = min(side_mm - begin_mm, side_mm / pieces + OVERLAP_MM)
    return [begin_mm + share * part for share in (0.1, 0.5, 0.9)]


def _cross(canvas: Canvas, x: float, y: float) -> None:
    half = OVERLAP_MM / 2 - 1
    canvas.line(x - half, y, x + half, y)
    canvas.line(x, y - half, x, y + half)


def _foot(canvas: Canvas) -> None:
    """Draw the bars that tell whether the printer kept the size, one for either rule."""
    y = (MARGIN_MM + 4) * mm
    canvas.setStrokeGray(0)
    canvas.setFillGray(0)
    canvas.rect(MARGIN_MM * mm, y + 1.5 * mm, BAR_MM * mm, 1.5 * mm, stroke=0, fill=1)
    canvas.rect(MARGIN_MM * mm, y - 1 * mm, BAR_IN * inch, 1.5 * mm, stroke=0, fill=1)
    canvas.setFont("Helvetica", _WORDS)
    after = (MARGIN_MM + BAR_IN * MM_PER_INCH + 3) * mm
    canvas.drawString(after, y + 1.5 * mm, "100 mm above, 4 in below: measure one")
    canvas.drawString(after, y - 2 * mm, "before you trace. Print at 100 %, not fitted.")
