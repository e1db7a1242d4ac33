"""A two-way test: patches by screen and image time, and the pair that serves."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.polymer.shapes import ExposureSeconds, Spread
from core.schema import Shape
from core.tone.shapes import Lightness

LEAST_PATCHES, MOST_PATCHES = 6, 100


class PairPatch(Shape):
    """One patch of a two-way test, exposed to the screen, then to a small chart, and printed."""

    screen_seconds: ExposureSeconds
    image_seconds: ExposureSeconds
    paper_lstar: Lightness
    """Under clear film."""
    highlight_lstar: Lightness
    """Under 5 % film."""
    shadow_lstar: Lightness
    """Under 95 % film."""
    solid_lstar: Lightness
    """Under solid film."""
    spread: Spread | None = None


class ExposurePairInput(Shape):
    """The patches of a two-way test: screen time × image time, read."""

    patches: Annotated[list[PairPatch], Field(min_length=LEAST_PATCHES, max_length=MOST_PATCHES)]


class PairTimes(Shape):
    """A pair of times."""

    screen_seconds: float
    image_seconds: float


Outline = list[tuple[float, float]]
"""Screen and image times [s] along a closed line."""


class PairField(Shape):
    """Between the patches: how surely a pair holds both ends, and its range, screen by image."""

    screen_seconds: list[float]
    image_seconds: list[float]
    held: list[list[float]]
    """Chance that lights hold and darks open; outside what was tested 0."""
    range_lstar: list[list[float]]
    likely: list[Outline]
    """Round the times at which both hold rather than not."""
    surely: list[Outline]
    """Round those at which both hold, with 97.5 %."""
    perhaps: list[Outline]
    """Round those at which both may hold, with 2.5 %: the 95 % band lies between the two."""


class PairTones(Shape):
    """What the chosen pair prints, likely."""

    paper_lstar: float
    highlight_lstar: float
    shadow_lstar: float
    solid_lstar: float


class PairWarning(Shape):
    """Something to know before a plate is exposed by this test."""

    code: Literal["no-pair", "at-edge", "few-times", "unsure"]
    text: str


class ExposurePairOutput(Shape):
    """The pair that holds the highlights and opens the shadows over the widest range."""

    screen_seconds: float
    image_seconds: float
    range_lstar: float
    highlight_held: bool
    shadow_open: bool
    chance: float
    """That both hold at this pair."""
    low: PairTimes
    """Where the best pair may lie, 95 %."""
    high: PairTimes
    tones: PairTones
    field: PairField
    why: str
    warnings: list[PairWarning]
