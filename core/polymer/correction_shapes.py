"""A step chart as it printed, and the curve that corrects for it."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.polymer.shapes import FilmShare, Spread
from core.schema import Shape
from core.tone.shapes import Lightness

LEAST_STEPS, MOST_STEPS = 8, 1024


class ChartStep(Shape):
    """One step of a chart: the black on its film, and the tone it printed."""

    film: FilmShare
    lstar: Lightness
    spread: Spread | None = None


class CorrectionCurveInput(Shape):
    """A step chart printed through a pair of exposures: its films and the tones they gave."""

    chart: Annotated[list[ChartStep], Field(min_length=LEAST_STEPS, max_length=MOST_STEPS)]


class ChartRead(Shape):
    """A step beside the curve that was laid through the chart."""

    film: float
    lstar: float
    fitted: float
    outlier: bool


class Printed(Shape):
    """What a share of black on the film prints, with its 95 % band."""

    film: float
    lstar: float
    low: float
    high: float


class CorrectionWarning(Shape):
    """Something to know of a chart before a picture goes through its curve."""

    code: Literal[
        "rises", "left-out", "flat-lights", "flat-darks", "short-range", "ends-early", "steep"
    ]
    text: str


class CorrectionCurveOutput(Shape):
    """The film to make for each lightness between the darkest and the lightest."""

    lightest_lstar: float
    darkest_lstar: float
    film: list[float]
    """256 shares: place i prints the lightness i/255 of the way from darkest to lightest."""
    prints: list[Printed]
    chart: list[ChartRead]
    rms_lstar: float
    """Of the chart's steps about the curve, those left out apart."""
    warnings: list[CorrectionWarning]
