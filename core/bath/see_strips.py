"""What strips bitten in a bath say of its speed: by their depth, or by each other's tones."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.bath.observe import Seen
from core.bath.speed_shapes import BittenLine, LineStrip
from core.data.drift import LINES, STRIP
from core.data.lines import DEPTH_READING_SPREAD_UM
from core.data.mordants import Mordant
from core.tone.shapes import Curve
from core.tone.table import GRID_SECONDS, ToneTable, table_of
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]

_FIRST_SECONDS, _POINTS = 20.0, 12
_NUDGE = 0.05
_ROUNDS = 6
_FARTHEST_LOG = 3.0
_FLATTEST = 0.5
"""L* a doubling, at least: where a curve is flatter it says nothing of the speed."""


def see_lines(given: LineStrip, row: Mordant) -> Seen:
    """Return ln rate [µm/min] by measured lines: depth over the time they bit, wetting taken off.

    Parameters
    ----------
    given : LineStrip
    row : Mordant

    Returns
    -------
    Seen

    Notes
    -----
    Each line counts by the inverse of its variance; what lines and coupons differ by is common to
    them all. Source: ``normal-regression``.
    """
    seen = [_line(each, row) for each in given.measured]
    weights = np.array([1 / each.variance for each in seen])
    value = float(weights @ [each.value for each in seen] / weights.sum())
    return Seen(value, float(1 / weights.sum()) + LINES.value**2)


def _line(given: BittenLine, row: Mordant) -> Seen:
    wetting = given.dips * row.wetting_seconds
    bitten = max(given.seconds - wetting, 0.5 * given.seconds)
    by_wetting = row.wetting_log_spread * wetting / bitten
    by_loupe = (given.depth_spread_um or DEPTH_READING_SPREAD_UM) / given.depth_um
    rate = given.depth_um / bitten * SECONDS_PER_MINUTE
    return Seen(float(np.log(rate)), float(by_wetting**2 + by_loupe**2))


def see_strip(curve: Curve, over: Curve) -> Seen:
    """Return by how much a strip took its tones faster than another of its ground, as ln.

    Parameters
    ----------
    curve : Curve
    over : Curve
        The strip it is laid over; its likely curves' mean is the measure. Itself: nought.

    Returns
    -------
    Seen
        The variance is that of this strip alone: its own likely curves, dust and wiping.

    Notes
    -----
    L*(t) = L*_over(t·e^y) over the times both have patches for, solved for y by least squares
    (Gauss–Newton); wetting is off of both. Source: ``room-practice``.
    """
    mine, measure = table_of(curve), table_of(over)
    last = min(curve.valid_to_reference_seconds, over.valid_to_reference_seconds)
    seconds = np.geomspace(_FIRST_SECONDS, max(2 * _FIRST_SECONDS, last), _POINTS)
    tones = mine.at(np.tile(seconds[:, None], len(mine.lstar)))
    y = np.zeros(len(mine.lstar))
    for _ in range(_ROUNDS):
        y = np.clip(y + _step(measure, seconds, tones, y), -_FARTHEST_LOG, _FARTHEST_LOG)
    return Seen(float(y.mean()), float(y.var()) + STRIP.value**2)


def _step(measure: ToneTable, seconds: Array, tones: Array, y: Array) -> Array:
    """Return by how much each likely curve's pace is still off: (draws,)."""
    low, here, high = (_mean(measure, seconds, y + nudge) for nudge in (-_NUDGE, 0.0, _NUDGE))
    slope = np.minimum((high - low) / (2 * _NUDGE), -_FLATTEST)
    step = ((tones - here) * slope).sum(axis=0) / (slope**2).sum(axis=0)
    return np.asarray(np.clip(step, -1.0, 1.0))


def _mean(measure: ToneTable, seconds: Array, y: Array) -> Array:
    """Return the mean of the measure's likely curves at each curve's own pace: (times, draws)."""
    grid, line = np.log(GRID_SECONDS[1:]), measure.lstar[:, 1:].mean(axis=0)
    return np.interp(np.log(seconds)[:, None] + y, grid, line)
