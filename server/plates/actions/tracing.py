"""A tracing of the plate's picture at 1:1, to print and transfer: tiled where paper is smaller."""

from __future__ import annotations

import io
from dataclasses import dataclass
from pathlib import Path

from django.conf import settings
from reportlab.pdfgen.canvas import Canvas

from core.study.map_pages import write_pages
from core.study.shapes import Paper
from core.units import MM_PER_INCH
from server.plates.models import Plate
from server.replies.errors import NotFound


def tracing_pdf(plate: Plate, *, mirrored: bool, paper: Paper, in_inches: bool = False) -> bytes:
    """Return the picture at the plate's size, with marks to lay sheets by and bars to check it.

    Raises
    ------
    NotFound
        The plate has no picture.
    """
    if plate.study is None:
        raise NotFound("A picture of this plate")
    way = "Mirrored, as it lies on the plate" if mirrored else "As it prints"
    page = _Picture(way, Path(settings.MEDIA_ROOT) / plate.study.shown, mirrored)
    out = io.BytesIO()
    about = f"{plate.name}, {_size(plate, in_inches)}"
    write_pages(out, [page], (plate.width_mm, plate.height_mm), paper, about)
    return out.getvalue()


def _size(plate: Plate, in_inches: bool) -> str:
    if in_inches:
        return f"{plate.width_mm / MM_PER_INCH:.2f} × {plate.height_mm / MM_PER_INCH:.2f} in"
    return f"{plate.width_mm:g} × {plate.height_mm:g} mm"


@dataclass(frozen=True)
class _Picture:
    """The plate's picture on a page, as it lies or as it prints."""

    title: str
    path: Path
    mirrored: bool

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw it over the whole plate: mm, y down from its top left."""
        canvas.saveState()
        canvas.translate(size_mm[0] if self.mirrored else 0.0, size_mm[1])
        canvas.scale(-1.0 if self.mirrored else 1.0, -1.0)
        canvas.drawImage(str(self.path), 0, 0, *size_mm)
        canvas.restoreState()
        canvas.setLineWidth(0.35)
        canvas.rect(0, 0, *size_mm)
