"""Carry a measured bath speed to another temperature and load."""

from __future__ import annotations

import math

from core.data.mordants import Mordant
from core.kinetics.speed import load_factor, temperature_factor


def carried_rate_factor(
    row: Mordant,
    rate_factor: float,
    spread: float,
    measured: tuple[float, float],
    now: tuple[float, float],
) -> tuple[float, float]:
    """Return the rate factor and the spread of its logarithm at ``now``.

    Parameters
    ----------
    row : Mordant
    rate_factor : float
        Speed when measured over the strip's speed.
    spread : float
        Standard deviation of its logarithm.
    measured, now : (temperature [°C], load [g/L])

    Returns
    -------
    (float, float)
        Factor, and the spread of its logarithm.

    Notes
    -----
    The ratio of the temperature and load factors at the table's values; their spreads add in
    quadrature for the distance carried. Source: ``arrhenius``, ``room-practice``.
    """

    def ratio(energy: float, end: float) -> float:
        warm = temperature_factor(now[0], energy) / temperature_factor(measured[0], energy)
        return float(warm * load_factor(now[1], end) / load_factor(measured[1], end))

    best = ratio(row.energy_kj_per_mol, row.end_g_per_l)
    by_energy = math.log(
        ratio(row.energy_kj_per_mol + row.energy_spread_kj_per_mol, row.end_g_per_l) / best
    )
    by_end = math.log(ratio(row.energy_kj_per_mol, row.end_g_per_l + row.end_spread_g_per_l) / best)
    return rate_factor * best, math.hypot(spread, by_energy, by_end)
