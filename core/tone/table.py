"""Curves tabulated on one grid of reference seconds, for quick questions both ways."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.tone.shape import WETTING, curve_lightness
from core.tone.shapes import Curve

Array = NDArray[np.float64]

_FIRST, _LAST, _POINTS = 1.0, 40_000.0, 90
GRID_SECONDS = np.concatenate([[0.0], np.geomspace(_FIRST, _LAST, _POINTS)])
_LOG_STEP = np.log(_LAST / _FIRST) / (_POINTS - 1)


@dataclass(frozen=True)
class ToneTable:
    """L* of every draw of a curve on ``GRID_SECONDS``; falls or stays along time.

    ``lstar`` (draws, points); ``wetting`` (draws,) [s].
    """

    lstar: Array
    wetting: Array

    def at(self, reference_seconds: Array) -> Array:
        """Return L* per draw at its own reference seconds, (..., draws).

        Parameters
        ----------
        reference_seconds : array (..., draws) [reference s]

        Returns
        -------
        array (..., draws) [L*]
        """
        seconds = np.maximum(reference_seconds, 0.0)
        place = np.where(
            seconds < _FIRST,
            seconds / _FIRST,
            1.0 + np.log(np.maximum(seconds, _FIRST)) / _LOG_STEP,
        )
        place = np.clip(place, 0.0, len(GRID_SECONDS) - 1.001)
        whole = place.astype(int)
        rows = np.arange(len(self.lstar))
        low, high = self.lstar[rows, whole], self.lstar[rows, whole + 1]
        return np.asarray(low + (place - whole) * (high - low))

    @property
    def lightest(self) -> float:
        """Return the expected L* of the unbitten, wiped plate."""
        return float(self.lstar[:, 0].mean())


def tone_table(draws: Array) -> ToneTable:
    """Return the table of curves given as parameter draws (draws, SIZE).

    Parameters
    ----------
    draws : array (draws, SIZE)

    Returns
    -------
    ToneTable
    """
    lstar = np.minimum.accumulate(curve_lightness(draws, GRID_SECONDS), axis=1)
    return ToneTable(lstar, np.exp(draws[:, WETTING]))


def table_of(curve: Curve) -> ToneTable:
    """Return the table of a curve as it was handed on.

    Parameters
    ----------
    curve : Curve

    Returns
    -------
    ToneTable
    """
    return tone_table(np.array(curve.draws))


BAND_SHARES = (0.025, 0.975)
"""95 % bands everywhere."""


def band(values: Array) -> tuple[float, float]:
    """Return the 2.5 and 97.5 % points of equally likely draws (draws,).

    Parameters
    ----------
    values : array (draws,)

    Returns
    -------
    (float, float)
        In the unit of ``values``.
    """
    ordered = np.sort(values)
    places = np.arange(len(values))
    low, high = np.interp(np.array(BAND_SHARES) * (len(values) - 1), places, ordered)
    return float(low), float(high)
