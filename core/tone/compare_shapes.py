"""Input and output of ``compare-curves``, the same at every door."""

from __future__ import annotations

from pydantic import model_validator

from core.schema import Shape
from core.tone.shapes import Curve


class CompareCurvesInput(Shape):
    """Two strips' curves of one mordant; the second is moved to the first one's bath."""

    curve: Curve
    other: Curve

    @model_validator(mode="after")
    def _of_one_mordant(self) -> CompareCurvesInput:
        if self.curve.conditions.mordant != self.other.conditions.mordant:
            raise ValueError("both strips need to be bitten in the same mordant")
        return self


class TonePoint(Shape):
    """A tone after so long in the bath, wetting taken off, with its 95 % band."""

    seconds: float
    lstar: float
    lstar_low: float
    lstar_high: float


class CompareCurvesOutput(Shape):
    """Whether two strips agree, and their curves to be drawn."""

    agree: bool
    text: str
    factor: float
    """The other's times are so many times as long in the first one's bath."""
    most_lstar: float
    """The largest gap where both reach, in one bath; above zero the other is lighter."""
    at_seconds: float
    line: list[TonePoint]
    other_as_bitten: list[TonePoint]
    other_moved: list[TonePoint]
    tables: str
