"""What earlier strips of a ground say of the next one, each weighed by its doubt and its age."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.points import normal_points
from core.tone.shape import SIZE, STRIP_DRIFT, PriorShape, curve_lightness
from core.tone.shapes import Curve

Array = NDArray[np.float64]

GUESS_SHARE = 0.05
"""Of the guess that no strip stands behind, beside what earlier strips say. ``room-practice``"""
DRIFT_LSTAR = 3.0
"""By which two strips of one ground part in a week or two. ``room-practice``"""
DRIFT_DAYS = 180.0
"""After so long the square of that has doubled: box, dust and hands change. ``room-practice``"""
_SECONDS = np.geomspace(20.0, 1200.0, 12)
_DRAWS = 128


@dataclass(frozen=True)
class Earlier:
    """Earlier strips as a prior, and by how much each of them counts in it."""

    shape: PriorShape
    weights: Array
    """Of each strip; they add up to 1."""

    def share(self, draws: Array) -> float:
        """Return how much of a fitted curve is known from earlier strips, not from its patches.

        Parameters
        ----------
        draws : array (curves, SIZE)
            After its patches.

        Returns
        -------
        float
            0 to 1: the variance that is left over the variance before the patches, so that
            information before and after are compared.
        """
        factor = np.linalg.cholesky(self.shape.covariance)
        before = self.shape.mean + normal_points(_DRAWS, SIZE) @ factor.T
        left = _variance(draws) / np.maximum(_variance(before), 1e-9)
        return float(np.clip(left.mean(), 0.0, 1.0))


def earlier_strips(curves: list[Curve], days: list[float] | None, guess: PriorShape) -> Earlier:
    """Return what earlier strips of the same ground and metal say of a new one.

    Parameters
    ----------
    curves : list of Curve
    days : list of float or None
        How old each is [d]; None: all alike.
    guess : PriorShape
        What is thought without any strip.

    Returns
    -------
    Earlier

    Notes
    -----
    A strip counts by the inverse of its variance: that of its own curve, and what ground and hands
    have drifted since. No age throws one out. Source: ``room-practice``.
    """
    draws = [np.array(curve.draws) for curve in curves]
    drift = DRIFT_LSTAR**2 * (1 + np.array(days or [0.0] * len(curves)) / DRIFT_DAYS)
    weights = 1 / (np.array([_variance(each).mean() for each in draws]) + drift)
    weights /= weights.sum()
    each = np.concatenate(
        [np.full(len(d), w / len(d)) for d, w in zip(draws, weights, strict=True)]
    )
    old = np.concatenate(draws)
    mean, own = each @ old, np.cov(old, rowvar=False, aweights=each) + STRIP_DRIFT
    covariance = np.linalg.inv(np.linalg.inv(guess.covariance) * GUESS_SHARE + np.linalg.inv(own))
    pull = GUESS_SHARE * np.linalg.solve(guess.covariance, guess.mean) + np.linalg.solve(own, mean)
    return Earlier(PriorShape(covariance @ pull, covariance), weights)


def _variance(draws: Array) -> Array:
    """Return the variance of the tone at times over the usual range [L*²]."""
    return np.asarray(curve_lightness(draws, _SECONDS).var(axis=0))
