"""A tracing of the plate's picture at 1:1, to print and transfer."""

from __future__ import annotations

import io
from pathlib import Path

from django.conf import settings
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from server.plates.models import Plate
from server.replies.errors import NotFound

MARGIN_MM, MARK_MM, CHECK_MM = 20.0, 8.0, 50.0


def tracing_pdf(plate: Plate, *, mirrored: bool) -> bytes:
    """Return one page with the picture at the plate's size, corner marks and a rule to check it.

    Raises
    ------
    NotFound
        The plate has no picture.
    """
    if plate.study is None:
        raise NotFound("A picture of this plate")
    width, height = plate.width_mm, plate.height_mm
    out = io.BytesIO()
    size = ((width + 2 * MARGIN_MM) * mm, (height + 2 * MARGIN_MM) * mm)
    canvas = Canvas(out, pagesize=size)
    canvas.setTitle(f"{plate.name}, tracing")
    _picture(canvas, plate, mirrored)
    _marks(canvas, width, height)
    way = "mirrored, as it lies on the plate" if mirrored else "as it prints"
    canvas.setFont("Helvetica", 9)
    said = f"{plate.name}, {width:g} x {height:g} mm, {way}. Print at 100 %, not fitted."
    canvas.drawString(MARGIN_MM * mm, 5 * mm, said)
    _check_rule(canvas)
    canvas.save()
    return out.getvalue()


def _picture(canvas: Canvas, plate: Plate, mirrored: bool) -> None:
    if plate.study is None:
        raise AssertionError("checked before")
    path = Path(settings.MEDIA_ROOT) / plate.study.shown
    canvas.saveState()
    if mirrored:
        canvas.translate((2 * MARGIN_MM + plate.width_mm) * mm, 0)
        canvas.scale(-1, 1)
    canvas.drawImage(
        str(path), MARGIN_MM * mm, MARGIN_MM * mm, plate.width_mm * mm, plate.height_mm * mm
    )
    canvas.restoreState()


def _marks(canvas: Canvas, width: float, height: float) -> None:
    canvas.setLineWidth(0.35 * mm)
    for x, way_x in ((MARGIN_MM, -1), (MARGIN_MM + width, 1)):
        for y, way_y in ((MARGIN_MM, -1), (MARGIN_MM + height, 1)):
            canvas.line(x * mm, y * mm, (x + way_x * MARK_MM) * mm, y * mm)
            canvas.line(x * mm, y * mm, x * mm, (y + way_y * MARK_MM) * mm)


def _check_rule(canvas: Canvas) -> None:
    """Draw a line whose length tells whether the printer kept the size."""
    y = 12 * mm
    canvas.line(MARGIN_MM * mm, y, (MARGIN_MM + CHECK_MM) * mm, y)
    canvas.drawString((MARGIN_MM + CHECK_MM + 2) * mm, y - 1 * mm, f"{CHECK_MM:g} mm")
