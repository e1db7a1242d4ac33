"""Inputs and outputs of hatching and of other marks, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from core.schema import Shape
from core.tone.shapes import Lightness

MOST_LAYERS = 6
Um = Annotated[float, Field(ge=5, le=5000, json_schema_extra={"unit": "µm"})]
Apart = Annotated[float, Field(ge=5, le=1_000_000, json_schema_extra={"unit": "µm"})]
FieldMm = Annotated[float, Field(ge=1, le=2500, json_schema_extra={"unit": "mm"})]
Pace = Annotated[float, Field(ge=0.005, le=20, json_schema_extra={"unit": "m/min"})]
WidthSpread = Annotated[float, Field(ge=0.01, le=1)]
"""Of a printed width, as a share of it, 1 SD."""


class Printed(Shape):
    """What bare plate and solid ink print."""

    lightest_lstar: Lightness
    """The wiped plate where nothing was drawn."""
    solid_lstar: Lightness
    """A surface wholly covered by marks."""

    @model_validator(mode="after")
    def _in_order(self) -> Printed:
        if self.lightest_lstar - self.solid_lstar < 1:
            raise ValueError("lightest_lstar must be at least 1 L* above solid_lstar")
        return self


class Layer(Shape):
    """Lines one way: how wide each prints, and how far apart they are, middle to middle."""

    width_um: Um
    spacing_um: Apart


class HatchToneInput(Printed):
    """Layers of lines over each other, with the width they print, and what the plate can reach."""

    layers: Annotated[list[Layer], Field(min_length=1, max_length=MOST_LAYERS)]
    width_spread: WidthSpread | None = None
    """None: the table's, of one hand."""


class HatchToneOutput(Shape):
    """How much of the surface the lines cover, and the tone it prints, 95 %."""

    covered: float
    lstar: float
    low: float
    high: float
    tables: str


class HatchPlanInput(Printed):
    """A tone wanted on a field, the line there is to draw it with, in how many layers."""

    lstar: Lightness
    width_um: Um
    """As it prints."""
    layers: Annotated[int, Field(ge=1, le=MOST_LAYERS)] = 1
    width_mm: FieldMm
    """Of the field."""
    height_mm: FieldMm
    width_spread: WidthSpread | None = None
    pace_m_per_min: Pace | None = None
    """The room's own hand; None: a guess."""


class HatchWarning(Shape):
    """Something to know before it is drawn."""

    code: Literal["darker-than-solid", "lighter-than-bare", "burrs-touch", "few-lines"]
    text: str


class HatchPlanOutput(Shape):
    """How far apart to draw, how much that is, and what it prints."""

    spacing_um: float | None
    """None where no line is needed."""
    spacing_low_um: float | None
    """95 %: within it the tone may lie."""
    spacing_high_um: float | None
    lines: int
    """Of all layers: along the field's height, then along its width, then at half angles."""
    length_m: float
    minutes: float
    """Of drawing, without rests."""
    minutes_low: float
    minutes_high: float
    lstar: float
    low: float
    high: float
    covered: float
    reachable: bool
    warnings: list[HatchWarning]
    tables: str
