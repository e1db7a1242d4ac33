"""Input and output of ``learn-curve``, the same at every door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from core.kinetics.shapes import Seconds
from core.schema import Shape
from core.tone.shapes import Curve, Lightness


class PlateReading(Shape):
    """One area of a plate: how long it has bitten by now, and the tone it printed."""

    reference_seconds: Seconds
    """Biting time at the strip's conditions, wetting removed."""
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] | None = None


class LearnCurveInput(Shape):
    """A strip's curve, and the areas of a plate that was printed as the strip was."""

    curve: Curve
    readings: Annotated[list[PlateReading], Field(min_length=1, max_length=40)]


class Learned(Shape):
    """What a curve said of an area before its proof was read, and what it says now."""

    reference_seconds: float
    lstar: float
    before_lstar: float
    after_lstar: float
    after_low: float
    after_high: float
    left_out: bool
    """It strays alone: by its own fault, of which the curve says nothing."""


class LearnCurveOutput(Shape):
    """The plate's own curve, and how it moved at each area."""

    curve: Curve
    readings: list[Learned]
    tables: str
