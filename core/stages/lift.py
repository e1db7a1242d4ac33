"""When to lift: reference seconds gained so far, and the clock time that is left."""

from __future__ import annotations

import numpy as np

from core.stages.shapes import RunSheet


def speed_at(sheet: RunSheet, temperature_c: float) -> float:
    """Return the bath's expected speed over the strip's, held flat beyond the table.

    Parameters
    ----------
    sheet : RunSheet
    temperature_c : float [°C]

    Returns
    -------
    float
    """
    return float(np.interp(temperature_c, sheet.temperatures_c, sheet.speeds))


def seconds_to_lift(
    sheet: RunSheet, target_reference_seconds: float, temperatures: list[tuple[float, float]]
) -> float:
    """Return the clock seconds from dip to lift.

    Parameters
    ----------
    sheet : RunSheet
    target_reference_seconds : float
        What this bite is to gain, wetting removed.
    temperatures : list of (second since the dip, °C)
        At least one; each holds until the next, the last one on.

    Returns
    -------
    float [s]

    Notes
    -----
    Solves ∫ speed dt from the wetting time to the lift = target, step by step.
    """
    steps = sorted(temperatures)
    left = target_reference_seconds
    at = sheet.wetting_seconds
    for i, (_, warm) in enumerate(steps):
        until = steps[i + 1][0] if i + 1 < len(steps) else float("inf")
        if until <= at:
            continue
        pace = max(speed_at(sheet, warm), 1e-3)
        if (until - at) * pace >= left:
            return at + left / pace
        left -= (until - at) * pace
        at = until
    return at
