"""Area and depth of a plate → ink for the first inking, the next, and the whole run."""

from __future__ import annotations

import math
from typing import Annotated

from pydantic import Field

from core.data.press import (
    INK_DEEP_UM,
    INK_FACTOR,
    INK_G_PER_CM2_DEEP,
    INK_G_PER_CM2_SHALLOW,
    INK_NEXT_SHARE,
    INK_SHALLOW_UM,
    InkRole,
)
from core.printing.sheet_shapes import MOST_PULLS, PlateMm
from core.schema import Shape

Grams = Annotated[float, Field(ge=0, le=20_000, json_schema_extra={"unit": "g"})]


class InkPart(Shape):
    """One part of an ink."""

    name: Annotated[str, Field(min_length=1, max_length=80)]
    role: InkRole = "other"
    parts: Annotated[float, Field(gt=0, le=1000)]


class InkNeededInput(Shape):
    """A plate, how deep its lines are, how many impressions on how many days."""

    plate_mm: tuple[PlateMm, PlateMm]
    depth_um: Annotated[float, Field(ge=1, le=500, json_schema_extra={"unit": "µm"})] = 50.0
    impressions: Annotated[int, Field(ge=1, le=MOST_PULLS)] = 1
    days: Annotated[int, Field(ge=1, le=365)] = 1
    """Each day begins with a first inking."""
    inked_share: Annotated[float, Field(gt=0, le=1)] = 1.0
    """Of the plate that carries this ink."""
    ink: Annotated[list[InkPart], Field(max_length=12)] = []


class PartGrams(Shape):
    """How much of one part is weighed out for the run."""

    name: str
    role: InkRole
    grams: float


class InkNeededOutput(Shape):
    """Ink in grams: × or ÷ 1.5 until a room has weighed its own."""

    first_g: float
    next_g: float
    total_g: float
    low_g: float
    high_g: float
    parts: list[PartGrams]
    """Of the total."""
    text: str


def ink_needed(given: InkNeededInput) -> InkNeededOutput:
    """Return how much ink a plate takes.

    Parameters
    ----------
    given : InkNeededInput
        Plate [mm], depth of its lines [µm].

    Returns
    -------
    InkNeededOutput
        [g].

    Notes
    -----
    First inking: area × 0.010 g/cm² to 20 µm, × 0.020 from 80 µm, straight between; each next one
    half of it. Source: ``room-practice``.
    """
    cm2 = given.plate_mm[0] * given.plate_mm[1] / 100 * given.inked_share
    first = cm2 * _per_cm2(given.depth_um)
    days = min(given.days, given.impressions)
    total = first * (days + (given.impressions - days) * INK_NEXT_SHARE)
    return InkNeededOutput(
        first_g=_tidy(first), next_g=_tidy(first * INK_NEXT_SHARE), total_g=_tidy(total),
        low_g=_tidy(total / INK_FACTOR), high_g=_tidy(total * INK_FACTOR),
        parts=_parts(given.ink, total),
        text=f"{_tidy(total):g} g in all, {_tidy(total / INK_FACTOR):g} to "
        f"{_tidy(total * INK_FACTOR):g}, a guess.",
    )  # fmt: skip


def _per_cm2(depth_um: float) -> float:
    along = (depth_um - INK_SHALLOW_UM) / (INK_DEEP_UM - INK_SHALLOW_UM)
    held = min(1.0, max(0.0, along))
    return INK_G_PER_CM2_SHALLOW + held * (INK_G_PER_CM2_DEEP - INK_G_PER_CM2_SHALLOW)


def _parts(ink: list[InkPart], total: float) -> list[PartGrams]:
    whole = sum(each.parts for each in ink)
    return [
        PartGrams(name=each.name, role=each.role, grams=_tidy(total * each.parts / whole))
        for each in ink
    ]


def _tidy(grams: float) -> float:
    """Round to what a scale of a print room shows, never to nothing."""
    return round(grams, 1) if grams >= 1 else round(grams, 2 - math.floor(math.log10(grams)) - 1)
