"""How long a bath will last: grams, plates and weeks left, and what a refresh would do."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from pydantic import Field

from core.bath.posterior import BAND_SDS
from core.data.mordants import METALS
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions, Load, MordantKey, MordantNumbers
from core.kinetics.speed import load_factor
from core.schema import Shape
from core.units import UM_PER_CM

REFRESHES = (0.25, 0.5)
"""Shares replaced that are told of: one in four, one in two."""
RETIRE_SHARE = 0.85
"""Of its end of life: from here on a bath is slow and uneven. ``room-practice``"""
REFRESH_SHARE = 0.6


class BathLifeInput(Shape):
    """A bath, how fast metal gathers in it, and what a plate takes."""

    mordant: MordantKey
    volume_l: Annotated[float, Field(ge=0.01, le=2000, json_schema_extra={"unit": "L"})]
    load_g_per_l: Load
    g_per_day: Annotated[float, Field(ge=0, le=10_000, json_schema_extra={"unit": "g/d"})] = 0.0
    """Metal dissolved in it, at the room's pace."""
    plate_cm2: Annotated[float, Field(ge=0, le=20_000, json_schema_extra={"unit": "cm²"})] = 150.0
    """Bare metal of a plate like those bitten in it."""
    plate_um: Annotated[float, Field(ge=0.1, le=2000, json_schema_extra={"unit": "µm"})] = 20.0
    numbers: MordantNumbers | None = None


class Left(Shape):
    """How much of something is left, with its 95 % band."""

    value: float
    low: float
    high: float


class Refresh(Shape):
    """What replacing a part of the bath would do."""

    share: float
    litres: float
    load_g_per_l: float
    speed: float
    """Over the speed now."""
    grams: Left
    """That could be dissolved until it is spent."""


class BathLifeOutput(Shape):
    """What is left of a bath's life."""

    grams: Left
    plates: Left
    days: Left | None
    """At the pace given; None where nothing is bitten in it."""
    used_share: float
    advice: str
    """"keep", "refresh" or "retire"."""
    text: str
    refreshes: list[Refresh]


def bath_life(given: BathLifeInput) -> BathLifeOutput:
    """Return what is left of a bath's life, and what refreshing it would do.

    Parameters
    ----------
    given : BathLifeInput
        Volume [L], load [g/L], pace [g/d], bare plate [cm²] and depth [µm].

    Returns
    -------
    BathLifeOutput

    Notes
    -----
    grams = (end of life − load) · volume; a plate takes area · depth · density. Replacing a share p
    leaves load · (1 − p). Source: ``room-practice``.
    """
    row = mordant_row(Conditions(mordant=given.mordant, numbers=given.numbers))
    reach = BAND_SDS * row.end_spread_g_per_l
    ends = np.array([row.end_g_per_l, row.end_g_per_l - reach, row.end_g_per_l + reach])
    grams = _grams(ends, given.load_g_per_l, given.volume_l)
    plate = given.plate_cm2 * given.plate_um / UM_PER_CM * METALS[row.metal].density_g_per_cm3
    used = given.load_g_per_l / row.end_g_per_l
    advice, text = _advice(used, row.metal)
    return BathLifeOutput(
        grams=_left(grams),
        plates=_left(grams / plate if plate > 0 else grams * 0),
        days=_left(grams / given.g_per_day) if given.g_per_day > 0 else None,
        used_share=round(used, 3),
        advice=advice,
        text=text,
        refreshes=[_refresh(given, share, row.end_g_per_l, ends) for share in REFRESHES],
    )


def _grams(ends: np.ndarray, load: float, volume_l: float) -> np.ndarray:
    return np.asarray(np.maximum(ends - load, 0.0) * volume_l)


def _left(values: np.ndarray) -> Left:
    value, low, high = (float(f"{x:.3g}") for x in values)
    return Left(value=value, low=low, high=high)


def _refresh(given: BathLifeInput, share: float, end: float, ends: np.ndarray) -> Refresh:
    load = given.load_g_per_l * (1 - share)
    speed = load_factor(load, end) / load_factor(given.load_g_per_l, end)
    return Refresh(
        share=share,
        litres=round(given.volume_l * share, 3),
        load_g_per_l=round(load, 2),
        speed=round(float(speed), 3),
        grams=_left(_grams(ends, load, given.volume_l)),
    )


def _advice(used: float, metal: str) -> tuple[str, str]:
    if used >= RETIRE_SHARE:
        return "retire", (
            f"It is nearly spent: retire it. It holds {metal}: into a labelled container, never "
            "the drain; ask the local authority."
        )
    if used >= REFRESH_SHARE:
        return "refresh", "It slows: replace a part of it, or plan longer bites."
    return "keep", "It has life in it."
