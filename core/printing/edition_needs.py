"""What is left of an edition → paper, ink, hours of hands with their breaks."""

from __future__ import annotations

import itertools
import math
import statistics
from typing import Annotated

from pydantic import Field

from core.data.press import (
    BREAK_AFTER_MINUTES,
    BREAK_MINUTES,
    PULL_FACTOR,
    PULL_MINUTES,
    SAME_SITTING_MINUTES,
)
from core.printing.sheet_shapes import MOST_PULLS
from core.schema import Shape

ENOUGH_GAPS = 3
"""Gaps between pulls from which a room's own pace is told."""
PulledAt = Annotated[float, Field(ge=0, le=1e11, json_schema_extra={"unit": "s"})]


class EditionNeedsInput(Shape):
    """How many are left, when pulls were made, and what each takes."""

    left: Annotated[int, Field(ge=0, le=MOST_PULLS)]
    pulled_seconds: Annotated[list[PulledAt], Field(max_length=MOST_PULLS)] = []
    spoiled: Annotated[int, Field(ge=0, le=MOST_PULLS)] = 0
    """Of those pulled."""
    spoiled_share: Annotated[float, Field(ge=0, le=0.9)] = 0.1
    """Before anything was pulled."""


class EditionNeedsOutput(Shape):
    """What the rest of an edition takes."""

    pieces: int
    """Of paper, with those that will be spoiled."""
    spare: int
    """Of these, for what will be spoiled."""
    minutes_each: float
    low_minutes: float
    high_minutes: float
    """Of one impression, 95 %."""
    counted: int
    """Gaps between pulls it was told from; 0: a guess."""
    hands_minutes: float
    breaks: int
    spoiled_share: float


def edition_needs(given: EditionNeedsInput) -> EditionNeedsOutput:
    """Return what the rest of an edition takes.

    Parameters
    ----------
    given : EditionNeedsInput
        Times of pulls [s].

    Returns
    -------
    EditionNeedsOutput
        [min].

    Notes
    -----
    The pace is the median gap between pulls of one sitting; a longer gap is a pause. The spoiled
    share starts from what is usual, as if ten were pulled before, and follows the count
    (beta-binomial). A break of 15 min after every two hours. Source: ``room-practice``.
    """
    gaps = _gaps(given.pulled_seconds)
    each, low, high = _pace(gaps)
    share = (10 * given.spoiled_share + given.spoiled) / (10 + len(given.pulled_seconds))
    pieces = math.ceil(given.left / (1 - min(share, 0.9)) - 1e-9)
    hands = pieces * each
    breaks = max(0, math.ceil(hands / BREAK_AFTER_MINUTES) - 1)
    return EditionNeedsOutput(
        pieces=pieces, spare=pieces - given.left, minutes_each=round(each, 1),
        low_minutes=round(low, 1), high_minutes=round(high, 1),
        counted=len(gaps) if len(gaps) >= ENOUGH_GAPS else 0,
        hands_minutes=round(hands + breaks * BREAK_MINUTES, 0), breaks=breaks,
        spoiled_share=round(share, 3),
    )  # fmt: skip


def _gaps(at: list[float]) -> list[float]:
    ordered = sorted(at)
    gaps = [(b - a) / 60 for a, b in itertools.pairwise(ordered)]
    return [gap for gap in gaps if 0.5 < gap <= SAME_SITTING_MINUTES]


def _pace(gaps: list[float]) -> tuple[float, float, float]:
    """Return minutes an impression takes: the middle one, and the range of single ones."""
    if len(gaps) < ENOUGH_GAPS:
        return PULL_MINUTES, PULL_MINUTES / PULL_FACTOR, PULL_MINUTES * PULL_FACTOR
    logs = [math.log(gap) for gap in gaps]
    middle = statistics.median(logs)
    spread = max(0.05, 1.4826 * statistics.median(abs(each - middle) for each in logs))
    return math.exp(middle), math.exp(middle - 2 * spread), math.exp(middle + 2 * spread)
