"""How fast a bath bites today: every source of it together, each with its share."""

from __future__ import annotations

import numpy as np

from core.bath.answers import together
from core.bath.laid import Laid, factor, rate, speed_now
from core.bath.own import own_numbers
from core.bath.shares import shares_of
from core.bath.speed_shapes import BathSpeedInput, BathSpeedOutput
from core.kinetics.row import tables_version

SUREST = 0.004
"""Of the logarithm: no bath's speed is known better than that from one strip's curve."""


def bath_speed(given: BathSpeedInput) -> BathSpeedOutput:
    """Return the bath's speed now, its band, and the share of each source in it.

    Parameters
    ----------
    given : BathSpeedInput
        Masses [g], bare areas [cm²], times [s], readings [°Bé], tones [L*].

    Returns
    -------
    BathSpeedOutput

    Raises
    ------
    CoreError
        A coupon that gained or hardly lost, a hydrometer where it says nothing, a strip of
        another metal.

    Notes
    -----
    Sources are combined by the inverse of their variances (normal regression, with what they have
    in common taken once). A share is the information a source adds: to nothing, and to all others.
    Source: ``room-practice``, ``arrhenius``.
    """
    laid = Laid(given)
    now = together(laid, rate)
    low, high = np.exp(now.band)
    told = BathSpeedOutput(
        rate_um_per_min=round(float(np.exp(now.mean)), 4),
        low=round(float(low), 4),
        high=round(float(high), 4),
        shares=shares_of(laid),
        own=own_numbers(laid),
        tables=tables_version(laid.conditions),
    )
    return told if given.against is None else told.model_copy(update=_factor(laid))


def _factor(laid: Laid) -> dict[str, float]:
    """Return the speed over the strip's, its doubt without what the curve's own draws tell."""
    told = together(laid, factor)
    by_curve = 0.0 if laid.later is None else float(laid.later.var())
    spread = float(np.sqrt(max(told.variance - by_curve, SUREST**2)))
    low, high = np.exp(together(laid, speed_now).band)
    return {
        "rate_factor": round(float(np.exp(told.mean)), 4),
        "rate_factor_spread": round(spread, 4),
        "rate_factor_low": round(float(low), 4),
        "rate_factor_high": round(float(high), 4),
    }
