"""The tone a plate prints for each share of black on its film: a falling, smooth curve."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import BSpline
from scipy.optimize import lsq_linear

Array = NDArray[np.float64]

_PIECES = 20
_DEGREE = 3
_STIFFNESS = np.geomspace(1e-4, 30.0, 18)
"""Of the curve, over the variance of one reading [L*⁻²]: from following each point to a straight
line. What the readings say for each is weighed; none is chosen."""
_SLACK = 1e-4
"""On the free directions of the curve, so that its evidence is finite."""


@dataclass(frozen=True)
class Transfer:
    """A curve film → tone: the mean of likely curves, and how far they part."""

    weights: Array
    covariance: Array

    def lstar(self, film: Array) -> Array:
        """Return the tone [L*] for shares of black on the film.

        Parameters
        ----------
        film : array (n,)
            0 clear to 1 solid.

        Returns
        -------
        array (n,) [L*]
            Never rising.
        """
        return np.asarray(_basis(np.asarray(film, dtype=float)) @ self.weights)

    def spread(self, film: Array) -> Array:
        """Return the standard deviation [L*] of the curve itself, readings' noise left out.

        Parameters
        ----------
        film : array (n,)

        Returns
        -------
        array (n,) [L*]
        """
        rows = _basis(np.asarray(film, dtype=float))
        return np.sqrt(np.einsum("ij,jk,ik->i", rows, self.covariance, rows))


def fit_transfer(film: Array, lstar: Array, spread: Array) -> Transfer:
    """Return the falling curve through readings.

    Parameters
    ----------
    film : array (n,)
    lstar, spread : array (n,) [L*]

    Returns
    -------
    Transfer

    Notes
    -----
    A cubic spline of 20 pieces with a penalty on its second differences, held to fall; its
    stiffness is weighed by the evidence, and the curves of all stiffnesses averaged. Source:
    ``p-splines``, ``normal-regression``.
    """
    rows = _basis(film) / spread[:, None]
    told = lstar / spread
    bend = np.diff(np.eye(rows.shape[1]), 2, axis=0)
    fits = [_Fit(rows, told, bend, stiffness) for stiffness in _STIFFNESS]
    evidence = np.array([fit.log_evidence for fit in fits])
    chances = np.exp(evidence - evidence.max())
    kept = [(chance, fit) for chance, fit in zip(chances, fits, strict=True) if chance > 1e-3]
    whole = sum(chance for chance, _ in kept)
    return Transfer(
        np.asarray(sum(chance / whole * fit.falling() for chance, fit in kept)),
        np.asarray(sum(chance / whole * fit.covariance for chance, fit in kept)),
    )


class _Fit:
    """The curves of one stiffness."""

    def __init__(self, rows: Array, told: Array, bend: Array, stiffness: float) -> None:
        self.rows, self.told = rows, told
        self.bend = np.sqrt(stiffness) * bend
        prior = self.bend.T @ self.bend + _SLACK * np.eye(rows.shape[1])
        precision = rows.T @ rows + prior
        self.covariance = np.linalg.inv(precision)
        mean = self.covariance @ (rows.T @ told)
        misfit = np.sum((told - rows @ mean) ** 2) + mean @ prior @ mean
        sizes = np.linalg.slogdet(prior)[1] - np.linalg.slogdet(precision)[1]
        self.log_evidence = float(0.5 * (sizes - misfit))

    def falling(self) -> Array:
        """Return the weights of the best curve that never rises."""
        size = self.rows.shape[1]
        down = np.hstack([np.ones((size, 1)), -np.tri(size, size - 1, -1)])
        both = np.vstack([self.rows, self.bend]) @ down
        aim = np.concatenate([self.told, np.zeros(len(self.bend))])
        bounds = (np.r_[-np.inf, np.zeros(size - 1)], np.full(size, np.inf))
        return np.asarray(down @ lsq_linear(both, aim, bounds, method="bvls").x)


def _basis(film: Array) -> Array:
    knots = np.arange(-_DEGREE, _PIECES + _DEGREE + 1) / _PIECES
    return np.asarray(BSpline.design_matrix(np.clip(film, 0, 1 - 1e-12), knots, _DEGREE).toarray())
