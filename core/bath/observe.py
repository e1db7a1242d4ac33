"""What each measurement says of a bath's speed, as a number with its doubt."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.bath.speed_shapes import BathSpeedInput, CheckPatch, Coupon, Hydrometer
from core.data.drift import CHECK_PATCH, COUPON, HYDROMETER_BAUME, SCALE_G
from core.data.mordants import (
    BAUME_PER_G_PER_L_COPPER,
    FERRIC_STRENGTH_LOG_SPREAD,
    METALS,
    Mordant,
)
from core.errors import CoreError
from core.kinetics.speed import ferric_strength_factor
from core.tone.posterior import DEFAULT_READING_SPREAD
from core.tone.shapes import Curve
from core.tone.table import ToneTable, table_of
from core.units import SECONDS_PER_MINUTE, UM_PER_CM

Array = NDArray[np.float64]

LEAST_LOSS = 3.0
"""A coupon must lose so many times the doubt of its two weighings to say anything."""
_FARTHEST_LOG = 3.0
_NUDGE = 0.05
_ROUNDS = 4
_FLATTEST = 0.5
"""L* a doubling, at least: where the curve is flatter a patch says nothing of the speed."""
_LATER = 6
"""Places from a patch on to the strip's end at which the curve is looked at."""


@dataclass(frozen=True)
class Seen:
    """A logarithm that was measured, and its variance."""

    value: float
    variance: float


@dataclass(frozen=True)
class SeenPatch:
    """What a check patch says of speed over its strip's; ``strays`` (draws,) is the curve's part.

    ``later`` (draws,) is how far the curve strays, in the same measure, where it is darker.
    """

    seen: Seen
    strays: Array
    later: Array


def see_coupon(given: Coupon, row: Mordant, place: int) -> Seen:
    """Return ln rate [µm/min] by a coupon: Δm / (ρ·A·t), wetting taken off.

    Parameters
    ----------
    given : Coupon
    row : Mordant
    place : int
        Among the evidence.

    Returns
    -------
    Seen

    Raises
    ------
    CoreError
        It is heavier after than before, or lost too little for its scale.
    """
    doubt = np.sqrt(2.0) * (given.mass_spread_g or SCALE_G.value)
    lost = given.mass_before_g - given.mass_after_g
    if lost < 0:
        raise CoreError(
            "coupon-gained",
            f"After {given.mass_after_g:g} g is more than before {given.mass_before_g:g} g. "
            "Swapped?",
            field=f"evidence.{place}.mass_after_g", value=given.mass_after_g,
            allowed=f"at most {given.mass_before_g:g}", unit="g",
        )  # fmt: skip
    if lost < LEAST_LOSS * doubt:
        raise CoreError(
            "coupon-lost-too-little",
            f"It lost {lost:.3g} g, and two weighings are sure to {doubt:.2g} g. Bite it longer, "
            "take a larger scrap, or a finer scale.",
            field=f"evidence.{place}.mass_after_g", value=given.mass_after_g,
            allowed=f"at most {given.mass_before_g - LEAST_LOSS * doubt:.4g}", unit="g",
        )  # fmt: skip
    depth_um = lost / (METALS[row.metal].density_g_per_cm3 * given.area_cm2) * UM_PER_CM
    bitten = max(given.seconds - row.wetting_seconds, 0.5 * given.seconds)
    by_wetting = row.wetting_log_spread * row.wetting_seconds / bitten
    variance = (doubt / lost) ** 2 + by_wetting**2 + COUPON.value**2
    return Seen(float(np.log(depth_um / bitten * SECONDS_PER_MINUTE)), float(variance))


def see_hydrometer(given: Hydrometer, row: Mordant, load_g_per_l: float, place: int) -> Seen:
    """Return ln of the strength's factor by a hydrometer, freed of the dissolved metal.

    Parameters
    ----------
    given : Hydrometer
    row : Mordant
    load_g_per_l : float [g/L]
        Where the reading does not name it.
    place : int
        Among the evidence.

    Returns
    -------
    Seen

    Raises
    ------
    CoreError
        A hydrometer tells nothing of this mordant's speed.
    """
    if row.strength_kind != "baume":
        raise CoreError(
            "no-hydrometer-here",
            f"What a hydrometer reads in {row.label.lower()} says nothing of its speed.",
            field=f"evidence.{place}.kind", value="hydrometer", allowed="coupon, check-patch",
        )  # fmt: skip
    load = load_g_per_l if given.load_g_per_l is None else given.load_g_per_l
    return see_strength(given.baume, load)


def see_strength(baume: float, load_g_per_l: float) -> Seen:
    """Return ln of ferric's strength factor at a reading, with the doubt of table and stem.

    Parameters
    ----------
    baume : float [°Bé]
    load_g_per_l : float [g/L]

    Returns
    -------
    Seen
    """
    about = HYDROMETER_BAUME.value
    low, middle, high = (
        np.log(ferric_strength_factor(baume + step, load_g_per_l)) for step in (-about, 0.0, about)
    )
    stem = max(abs(high - middle), abs(middle - low))
    variance = stem**2 + (FERRIC_STRENGTH_LOG_SPREAD * middle) ** 2
    return Seen(float(middle), float(variance))


def clean_baume(baume: float, load_g_per_l: float) -> float:
    """Return a hydrometer's reading freed of the copper dissolved [°Bé]. Source: ``room-practice``.

    Parameters
    ----------
    baume : float [°Bé]
    load_g_per_l : float [g/L]

    Returns
    -------
    float [°Bé]
    """
    return baume - BAUME_PER_G_PER_L_COPPER * load_g_per_l


def see_patch(given: CheckPatch, expected: float) -> SeenPatch:
    """Return ln speed over the strip's, by a patch read off the strip's curve.

    Parameters
    ----------
    given : CheckPatch
    expected : float
        The logarithm that is thought before: the search begins there.

    Returns
    -------
    SeenPatch

    Notes
    -----
    L*(f·(t − dips·wetting)) = what was read, solved for f by Newton's rule on the mean of the
    likely curves; how they stray from it there, over its slope, is the curve's part of the doubt.
    """
    table = table_of(given.curve)
    bitten = np.maximum(given.seconds - given.dips * table.wetting, 1.0)
    log, slope = expected, -1.0
    for _ in range(_ROUNDS):
        tones, slope = _tones(table, bitten, log)
        step = (given.lstar - float(tones.mean())) / slope
        log = float(np.clip(log + np.clip(step, -1.0, 1.0), -_FARTHEST_LOG, _FARTHEST_LOG))
    tones, slope = _tones(table, bitten, log)
    noise = np.hypot(given.spread or DEFAULT_READING_SPREAD, CHECK_PATCH.value) / slope
    strays = (tones - tones.mean()) / slope
    seen = Seen(log, float(noise**2))
    return SeenPatch(seen, strays, _later(given.curve, table, bitten, log))


def _tones(table: ToneTable, bitten: Array, log: float) -> tuple[Array, float]:
    """Return the tone of each draw at a speed, and the slope of their mean by its logarithm."""
    low, high = (table.at(bitten * np.exp(log + step)).mean() for step in (-_NUDGE, _NUDGE))
    slope = min(float(high - low) / (2 * _NUDGE), -_FLATTEST)
    return table.at(bitten * np.exp(log)), slope


def _later(curve: Curve, table: ToneTable, bitten: Array, log: float) -> Array:
    """Return how the likely curves stray from their mean from the patch on to the strip's end.

    The steeper the curve, the more it counts there: (draws,).
    """
    here = float(np.mean(bitten)) * np.exp(log)
    last = max(curve.valid_to_reference_seconds, 1.5 * here)
    steps = np.log(np.geomspace(1.0, last / here, _LATER + 1)[1:])
    total, weight = np.zeros(len(bitten)), 0.0
    for step in steps:
        tones, slope = _tones(table, bitten, log + step)
        total += slope * (tones - tones.mean())
        weight += slope**2
    return np.asarray(total / weight)


def strength_of(given: BathSpeedInput, row: Mordant) -> list[tuple[int, Seen]]:
    """Return what hydrometers say of the strength, by their places among the evidence.

    Parameters
    ----------
    given : BathSpeedInput
    row : Mordant

    Returns
    -------
    list of (int, Seen)

    Raises
    ------
    CoreError
        A hydrometer tells nothing of this mordant.
    """
    return [
        (place, see_hydrometer(each, row, given.now.load_g_per_l, place))
        for place, each in enumerate(given.evidence)
        if isinstance(each, Hydrometer)
    ]
