"""Hatching at 1:1, to lay under clear plastic or to transfer."""

from __future__ import annotations

import math
from dataclasses import dataclass
from pathlib import Path
from typing import Annotated, Literal

from pydantic import Field, model_validator
from reportlab.pdfgen.canvas import Canvas

from core.drypoint.shapes import MOST_LAYERS, Apart
from core.errors import CoreError
from core.image.shapes import ImagePath
from core.schema import Shape
from core.stages.shapes import AreaName
from core.study.map_pages import write_pages
from core.study.shapes import Mm, Paper

Lies = Literal["under", "transfer"]
At = Annotated[float, Field(ge=0, le=2500, json_schema_extra={"unit": "mm"})]
FieldSide = Annotated[float, Field(ge=1, le=2500, json_schema_extra={"unit": "mm"})]
MOST_LINES = 60_000
_HAIR_MM, _FAINT = 0.08, 0.25
_TRANSFERRED = "Face down on the plate: it turns over by itself."
_UNDER = "Face up under the clear plate, which is scratched on top."


class GuideLayer(Shape):
    """Lines one way."""

    spacing_um: Apart
    angle_deg: Annotated[float, Field(ge=-180, le=180, json_schema_extra={"unit": "°"})] = 0.0
    """On the print, from level, against the clock."""


class GuideField(Shape):
    """A field to be hatched, where it stands on the print."""

    name: AreaName
    x_mm: At
    y_mm: At
    width_mm: FieldSide
    height_mm: FieldSide
    layers: Annotated[list[GuideLayer], Field(max_length=MOST_LAYERS)]


class HatchGuideInput(Shape):
    """Fields with their lines, the plate, and how the sheet will lie."""

    fields: Annotated[list[GuideField], Field(min_length=1, max_length=40)]
    width_mm: Mm
    height_mm: Mm
    lies: Lies = "under"
    drawing: ImagePath | None = None
    """As it prints; shown faint beneath."""
    paper: Paper = "A4"
    about: Annotated[str, Field(max_length=120)] = "Guide"
    write: Annotated[str, Field(min_length=1, max_length=4000)]

    @model_validator(mode="after")
    def _on_the_plate(self) -> HatchGuideInput:
        for each in self.fields:
            right, low = each.x_mm + each.width_mm, each.y_mm + each.height_mm
            if right > self.width_mm + 0.05 or low > self.height_mm + 0.05:
                raise ValueError(f"{each.name} reaches beyond the plate")
        return self


class HatchGuideOutput(Shape):
    """The sheets as they were written."""

    path: str
    pages: int
    lines: int
    mirrored: bool
    """The sheet shows the print's mirror image."""
    text: str


@dataclass(frozen=True)
class _Guide:
    """One page: fields with their lines, mirrored where the sheet lies so."""

    given: HatchGuideInput
    mirrored: bool

    @property
    def title(self) -> str:
        """Return what stands above it."""
        way = "mirrored, as it lies on the plate" if self.mirrored else "as it prints"
        return f"Hatching, {way}"

    def draw(self, canvas: Canvas, size_mm: tuple[float, float]) -> None:
        """Draw drawing, fields, lines and names.

        Parameters
        ----------
        canvas : Canvas
        size_mm : (float, float) [mm]
        """
        width, height = size_mm
        canvas.saveState()
        if self.mirrored:
            canvas.translate(width, 0)
            canvas.scale(-1, 1)
        if self.given.drawing:
            _drawing(canvas, self.given.drawing, size_mm)
        for field in self.given.fields:
            _field(canvas, field)
        canvas.restoreState()
        canvas.setLineWidth(0.35)
        canvas.rect(0, 0, width, height)
        for field in self.given.fields:
            left = width - field.x_mm - field.width_mm if self.mirrored else field.x_mm
            _name(canvas, field, left)


def hatch_guide(given: HatchGuideInput) -> HatchGuideOutput:
    """Return sheets with the lines of every field at their size, written as a PDF.

    Parameters
    ----------
    given : HatchGuideInput

    Returns
    -------
    HatchGuideOutput

    Raises
    ------
    CoreError
        ``too-many-lines``; ``cannot-write``; no picture.

    Notes
    -----
    The plate carries the print mirrored. Under clear plastic the sheet is seen from above like the
    plate's face, so it is mirrored; face down for a transfer it turns over, so it is not.
    """
    mirrored = given.lies == "under"
    lines = sum(len(_lines(field, layer)) for field in given.fields for layer in field.layers)
    if lines > MOST_LINES:
        raise CoreError(
            "too-many-lines", "So many lines cannot be drawn on one guide: leave fields out.",
            field="fields", value=lines, allowed=f"at most {MOST_LINES}",
        )  # fmt: skip
    try:
        Path(given.write).parent.mkdir(parents=True, exist_ok=True)
        pages = write_pages(
            given.write, [_Guide(given, mirrored)], (given.width_mm, given.height_mm),
            given.paper, given.about,
        )  # fmt: skip
    except OSError:
        raise CoreError(
            "cannot-write", "The guide cannot be written there, or its drawing cannot be read.",
            field="write", value=given.write, allowed="a file that can be written",
        ) from None  # fmt: skip
    return HatchGuideOutput(
        path=given.write, pages=pages, lines=lines, mirrored=mirrored,
        text=_UNDER if mirrored else _TRANSFERRED,
    )  # fmt: skip


def _drawing(canvas: Canvas, path: str, size_mm: tuple[float, float]) -> None:
    """Draw the picture, then a veil over it: y runs down here."""
    canvas.saveState()
    canvas.translate(0, size_mm[1])
    canvas.scale(1, -1)
    canvas.drawImage(path, 0, 0, *size_mm)
    canvas.setFillGray(1, 1 - _FAINT)
    canvas.rect(0, 0, *size_mm, stroke=0, fill=1)
    canvas.restoreState()


def _field(canvas: Canvas, field: GuideField) -> None:
    canvas.setLineWidth(_HAIR_MM)
    canvas.setStrokeGray(0)
    for layer in field.layers:
        for (x1, y1), (x2, y2) in _lines(field, layer):
            canvas.line(x1, y1, x2, y2)
    canvas.setLineWidth(0.2)
    canvas.rect(field.x_mm, field.y_mm, field.width_mm, field.height_mm)


Segment = tuple[tuple[float, float], tuple[float, float]]


def _lines(field: GuideField, layer: GuideLayer) -> list[Segment]:
    """Return the lines of a layer within its field [mm]: middle to middle so far apart."""
    angle = math.radians(-layer.angle_deg)
    along = (math.cos(angle), math.sin(angle))
    across = (-along[1], along[0])
    middle = (field.x_mm + field.width_mm / 2, field.y_mm + field.height_mm / 2)
    reach = abs(across[0]) * field.width_mm / 2 + abs(across[1]) * field.height_mm / 2
    apart = layer.spacing_um / 1000
    count = int(reach / apart)
    found = []
    for place in range(-count, count + 1):
        at = (middle[0] + across[0] * place * apart, middle[1] + across[1] * place * apart)
        segment = _within(field, at, along)
        if segment:
            found.append(segment)
    return found


def _within(
    field: GuideField, at: tuple[float, float], along: tuple[float, float]
) -> Segment | None:
    """Return the part of a line that lies in a field; None where none does."""
    low, high = -1e9, 1e9
    sides = ((field.x_mm, field.width_mm), (field.y_mm, field.height_mm))
    for place, (start, wide) in enumerate(sides):
        if abs(along[place]) < 1e-9:
            if not start <= at[place] <= start + wide:
                return None
            continue
        ends = sorted((each - at[place]) / along[place] for each in (start, start + wide))
        low, high = max(low, ends[0]), min(high, ends[1])
    if high - low < 1e-6:
        return None
    one, two = ((at[0] + along[0] * each, at[1] + along[1] * each) for each in (low, high))
    return one, two


def _name(canvas: Canvas, field: GuideField, left: float) -> None:
    """Write a field's name and spacing so that it reads on the sheet, whichever way it lies."""
    canvas.saveState()
    canvas.translate(left + 1, field.y_mm + 3.5)
    canvas.scale(1, -1)
    canvas.setFont("Helvetica", 2.6)
    canvas.setFillGray(0)
    apart = " / ".join(f"{layer.spacing_um / 1000:.2f} mm" for layer in field.layers)
    canvas.drawString(0, 0, f"{field.name}: {apart}" if apart else field.name)
    canvas.restoreState()
