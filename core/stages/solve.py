"""How long the next bite lasts so that an area prints as wanted."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.kinetics.bite import Bite
from core.stages.bench import Bench, Exposure

Array = NDArray[np.float64]
TOLERANCE_LSTAR = 0.02
MOST_STEPS = 16
COARSE = 3
"""Every third point of a bite's clock is enough to close in from."""
SLOWEST_SPEED = 0.02
NEAR_ENOUGH = 1.0
"""An area lifted this near to its tone (L*) or depth (µm) gets no further bite of a few seconds."""


def longest_clock(bench: Bench, at: Exposure) -> float:
    """Return a clock time [s] within which the strip's end is surely passed.

    Parameters
    ----------
    bench : Bench
    at : Exposure
        Before the dip.

    Returns
    -------
    float [s]
    """
    tray = at.tray
    coldest = tray.temperature_c if tray.room_c is None else min(tray.temperature_c, tray.room_c)
    pace = float(np.mean(bench.speed.at(coldest, tray.load_g_per_l)))
    return 120.0 + 1.6 * bench.valid_to_reference_seconds / max(pace, SLOWEST_SPEED)


def seconds_to_tone(bench: Bench, so_far: Array, bite: Bite, goal: float) -> float:
    """Return clock seconds of ``bite`` after which an area is expected at ``goal`` L*.

    Parameters
    ----------
    so_far : array (draws,) [reference s]
        What the area has before this bite.
    goal : float [L*]

    Returns
    -------
    float [s]
        Never past the strip's end; 0 where the area is there already. The expected tone is the
        mean over all likely curves and baths, which makes the squared error in L* least.
    """

    end = seconds_to_strip_end(bench, so_far, bite)
    clock = bite.clock[::COARSE]
    expected = bench.table.at(so_far + bite.exposures[::COARSE]).mean(axis=1)
    if expected[0] <= goal:
        return 0.0
    after = int(np.argmax(expected <= goal))
    if expected[-1] > goal or clock[after - 1] >= end:
        return end
    bracket = [(float(clock[i]), float(expected[i])) for i in (after - 1, after)]
    return min(end, _between(bench, so_far, bite, goal, bracket))


def _between(
    bench: Bench, so_far: Array, bite: Bite, goal: float, bracket: list[tuple[float, float]]
) -> float:
    """Return the clock [s] at ``goal``, drawn straight between (clock, L*) points that close in."""
    (low, lighter), (high, darker) = bracket
    middle = high
    for _ in range(MOST_STEPS):
        middle = low + (high - low) * (lighter - goal) / (lighter - darker)
        tone = float(bench.table.at(so_far + bite.exposure(middle)).mean())
        if abs(tone - goal) < TOLERANCE_LSTAR:
            break
        if tone > goal:
            low, lighter = middle, tone
        else:
            high, darker = middle, tone
    return middle


def seconds_to_strip_end(bench: Bench, so_far: Array, bite: Bite) -> float:
    """Return clock seconds until an area has bitten as long as the strip's last good patch.

    Parameters
    ----------
    bench : Bench
    so_far : array (draws,) [reference s]
    bite : Bite

    Returns
    -------
    float [s]
    """
    left = bench.valid_to_reference_seconds - float(so_far.mean())
    return bite.clock_for_mean(left) if left > 0 else 0.0
