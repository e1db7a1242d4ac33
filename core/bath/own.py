"""A mordant's numbers as one bath's own measurements leave them."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.bath.answers import answer
from core.bath.laid import Laid, rate
from core.bath.speed_shapes import BathNow, OwnNumber, OwnNumbers
from core.kinetics.speed import REFERENCE_C
from core.tone.table import BAND_SHARES

Array = NDArray[np.float64]

_FRESH = BathNow(temperature_c=REFERENCE_C)


def own_numbers(laid: Laid) -> OwnNumbers:
    """Return rate, energy and end of life as this bath's own measurements leave them.

    Parameters
    ----------
    laid : Laid

    Returns
    -------
    OwnNumbers
    """
    row, known = laid.row, laid.known
    told = answer(laid.asked_at(_FRESH), rate)
    energies, ends, _ = laid.moments.grid
    low, high = (float(x) for x in np.exp(told.band))
    return OwnNumbers(
        rate_um_per_min=_own(
            (row.rate_um_per_min, row.rate_log_spread),
            (float(np.exp(told.mean)), told.spread),
            (low, high),
        ),
        energy_kj_per_mol=_weighed(
            (row.energy_kj_per_mol, row.energy_spread_kj_per_mol), energies, known.weights
        ),
        end_g_per_l=_weighed((row.end_g_per_l, row.end_spread_g_per_l), ends, known.weights),
    )


def _weighed(guess: tuple[float, float], values: Array, weights: Array) -> OwnNumber:
    """Return a number from values and how likely each is."""
    mean = float(weights @ values)
    spread = float(np.sqrt(weights @ (values - mean) ** 2))
    order = np.argsort(values, kind="stable")
    low, high = np.interp(BAND_SHARES, np.cumsum(weights[order]), values[order])
    return _own(guess, (mean, spread), (float(low), float(high)))


def _own(
    guess: tuple[float, float], value: tuple[float, float], band: tuple[float, float]
) -> OwnNumber:
    return OwnNumber(
        guess=round(guess[0], 3),
        guess_spread=round(guess[1], 3),
        value=round(value[0], 3),
        spread=round(value[1], 4),
        low=round(band[0], 3),
        high=round(band[1], 3),
    )
