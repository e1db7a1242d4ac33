"""Do two strips agree: their curves in one bath, and where they part most."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import TABLES_VERSION
from core.kinetics.bath import bath_speed
from core.kinetics.shapes import CurveBath
from core.tone.compare_shapes import CompareCurvesInput, CompareCurvesOutput, TonePoint
from core.tone.shapes import Curve
from core.tone.table import ToneTable, band, table_of
from core.units import clock_text

Array = NDArray[np.float64]

FIRST_SECONDS, POINTS = 15.0, 25
HARDLY_LSTAR = 1.5
"""Two strips that part by less are one to the eye, however narrow their bands. ``room-practice``"""
SURE = 1.96


def compare_curves(given: CompareCurvesInput) -> CompareCurvesOutput:
    """Return two curves over biting time, the second as bitten and in the first one's bath.

    Parameters
    ----------
    given : CompareCurvesInput
        Two curves of one mordant.

    Returns
    -------
    CompareCurvesOutput

    Notes
    -----
    They agree where the gap between them lies within 95 % of both doubts together, or is too small
    to see. Wetting is taken off of both. Source: ``room-practice``.
    """
    first, other = table_of(given.curve), table_of(given.other)
    pace = _pace(given.curve, given.other, len(other.lstar))
    last = given.curve.valid_to_reference_seconds
    other_last = given.other.valid_to_reference_seconds / float(pace.mean())
    seconds = np.geomspace(FIRST_SECONDS, max(2 * FIRST_SECONDS, min(last, other_last)), POINTS)
    gap, doubt = _gap(first, other, seconds, pace)
    worst = int(np.abs(gap).argmax())
    apart = bool(np.any((np.abs(gap) > SURE * doubt) & (np.abs(gap) > HARDLY_LSTAR)))
    return CompareCurvesOutput(
        agree=not apart,
        text=_text(float(gap[worst]), float(seconds[worst]), apart),
        factor=round(1 / float(pace.mean()), 3),
        most_lstar=round(float(gap[worst]), 1),
        at_seconds=round(float(seconds[worst]), 1),
        line=_line(first, last, np.ones(len(first.lstar))),
        other_as_bitten=_line(other, given.other.valid_to_reference_seconds, np.ones_like(pace)),
        other_moved=_line(other, other_last, pace),
        tables=TABLES_VERSION,
    )


def _pace(first: Curve, other: Curve, draws: int) -> Array:
    """Return how fast the first strip's bath bites over the other's own: (draws,)."""
    conditions = first.conditions
    bath = CurveBath(
        mordant=conditions.mordant, temperature_c=conditions.temperature_c,
        load_g_per_l=conditions.load_g_per_l, baume=conditions.baume, numbers=conditions.numbers,
    )  # fmt: skip
    speed = bath_speed(bath, other.conditions, draws)
    return speed.at(conditions.temperature_c, conditions.load_g_per_l)


def _gap(first: ToneTable, other: ToneTable, seconds: Array, pace: Array) -> tuple[Array, Array]:
    """Return by how much the other is lighter, and the standard deviation of that [L*]."""
    one, two = _tones(first, seconds, np.ones(len(first.lstar))), _tones(other, seconds, pace)
    doubt = np.hypot(one.std(axis=1), two.std(axis=1))
    return np.asarray(two.mean(axis=1) - one.mean(axis=1)), np.asarray(doubt)


def _tones(table: ToneTable, seconds: Array, pace: Array) -> Array:
    """Return L* of every draw at times of the first bath: (times, draws)."""
    return table.at(seconds[:, None] * pace[None, :])


def _line(table: ToneTable, last: float, pace: Array) -> list[TonePoint]:
    seconds = np.geomspace(FIRST_SECONDS, max(2 * FIRST_SECONDS, last), POINTS)
    found = []
    for at, tones in zip(seconds, _tones(table, seconds, pace), strict=True):
        low, high = band(tones)
        found.append(
            TonePoint(
                seconds=round(float(at), 1), lstar=round(float(tones.mean()), 1),
                lstar_low=round(low, 1), lstar_high=round(high, 1),
            )
        )  # fmt: skip
    return found


def _text(gap: float, seconds: float, apart: bool) -> str:
    if apart:
        way = "lighter" if gap > 0 else "darker"
        return f"No. At {clock_text(seconds)} the other is {abs(gap):.0f} L* {way}."
    if abs(gap) < 1:
        return "Yes. They part by less than 1 L*."
    return f"Yes. They part by {abs(gap):.0f} L* at most, inside their doubt."
