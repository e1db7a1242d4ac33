"""The tones of a two-way test as smooth surfaces over both exposures, with their doubt."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.polynomial.chebyshev import chebvander
from numpy.typing import NDArray

from core.points import normal_points

Array = NDArray[np.float64]

DRAWS = 384
_TRIED = 96
"""Sets of lengths and heights weighed for each pair of surfaces."""
_DEGREE = 6
"""Of the polynomials in the logarithms of both times that a surface is made of."""
_GRID = 9


@dataclass(frozen=True)
class Prior:
    """What is thought of a surface before any patch was read. ``room-practice``"""

    mean: float
    spread: float
    slope: float
    """Per factor e of either exposure."""
    bend: float
    """Of what no plane follows; × or ÷ 2."""


PAPER = Prior(92.0, 5.0, 3.0, 3.0)
HIGHLIGHT = Prior(2.5, 3.0, 2.0, 2.0)
"""How much darker than paper a highlight prints."""
SOLID = Prior(26.0, 10.0, 6.0, 6.0)
SHADOW = Prior(4.0, 4.0, 3.0, 3.0)
"""How much lighter than solid a shadow prints."""
_LENGTH = 1.1
"""Over which a surface bends, in the logarithm of the time; × or ÷ 1.8. ``room-practice``"""


@dataclass(frozen=True)
class Box:
    """The tested times, as logarithms."""

    low: Array
    high: Array

    @property
    def half(self) -> Array:
        """Return half its sides."""
        return (self.high - self.low) / 2

    @cached_property
    def grid(self) -> Array:
        """Return places all over it: (n, 2)."""
        sides = [
            np.linspace(low, high, _GRID) for low, high in zip(self.low, self.high, strict=True)
        ]
        return np.stack([each.ravel() for each in np.meshgrid(*sides, indexing="ij")], axis=1)

    @cached_property
    def back(self) -> Array:
        """Return what turns a surface on the grid to its polynomials: (terms, n)."""
        return np.asarray(np.linalg.pinv(self.terms(self.grid)))

    def terms(self, at: Array) -> Array:
        """Return the polynomials at places.

        Parameters
        ----------
        at : array (n, 2)

        Returns
        -------
        array (n, terms)
        """
        inside = (at - self.low) / self.half - 1
        one, two = (chebvander(inside[:, side], _DEGREE) for side in (0, 1))
        return np.stack(
            [one[:, i] * two[:, j] for i in range(_DEGREE + 1) for j in range(_DEGREE + 1 - i)],
            axis=1,
        )


@dataclass(frozen=True)
class Readings:
    """A tone and its neighbour's, over the patches of a test."""

    at: Array
    """Logarithms of screen and image time: (n, 2)."""
    level: Array
    beside: Array
    spread: Array
    sign: float
    """1 where the neighbour is lighter, -1 where it is darker."""


def draw_surfaces(
    box: Box, read: Readings, priors: tuple[Prior, Prior], asked: Array
) -> tuple[Array, Array]:
    """Return equally likely surfaces of a tone, and of how far its neighbour lies from it.

    Parameters
    ----------
    box : Box
    read : Readings
    priors : (Prior, Prior)
        Of the tone [L*], and of the distance.
    asked : array (m, 2)

    Returns
    -------
    (array (DRAWS, m), array (DRAWS, m)) [L*]

    Notes
    -----
    Gaussian processes with a plane and a squared exponential, written in polynomials over the
    tested times; lengths and heights are weighed by the evidence of the readings. Source:
    ``gaussian-processes``.
    """
    tried = [_Surfaces(box, read, priors, point) for point in normal_points(_TRIED, 4)]
    evidence = np.array([each.log_evidence for each in tried])
    chances = np.exp(evidence - evidence.max())
    ends = np.round(np.cumsum(chances / chances.sum()) * DRAWS).astype(int)
    points = normal_points(DRAWS, 2 * tried[0].size)
    starts = np.concatenate([[0], ends[:-1]])
    weights = np.concatenate(
        [each.draws(points[a:b]) for each, a, b in zip(tried, starts, ends, strict=True) if b > a]
    )
    terms, size = box.terms(asked), tried[0].size
    return (
        weights[:, :size] @ terms.T + priors[0].mean, weights[:, size:] @ terms.T + priors[1].mean
    )  # fmt: skip


class _Surfaces:
    """The two surfaces under one set of lengths and heights."""

    def __init__(self, box: Box, read: Readings, priors: tuple[Prior, Prior], point: Array) -> None:
        terms = box.terms(read.at)
        self.size = terms.shape[1]
        lengths = _LENGTH * 1.8 ** point[:2]
        scale = np.concatenate([read.spread, read.spread])
        rows = np.block([[terms, 0 * terms], [terms, read.sign * terms]]) / scale[:, None]
        aim = np.concatenate([
            read.level - priors[0].mean,
            read.beside - priors[0].mean - read.sign * priors[1].mean,
        ]) / scale  # fmt: skip
        roots = [
            _root(box, prior, lengths, prior.bend * 2.0**z)
            for prior, z in zip(priors, point[2:], strict=True)
        ]
        zero = np.zeros_like(roots[0])
        self.root = np.block([[roots[0], zero], [zero, roots[1]]])
        seen = rows @ self.root
        self.precision = seen.T @ seen + np.eye(2 * self.size)
        self.mean = np.linalg.solve(self.precision, seen.T @ aim)
        misfit = aim @ aim - (seen.T @ aim) @ self.mean
        self.log_evidence = float(-0.5 * misfit - 0.5 * np.linalg.slogdet(self.precision)[1])

    def draws(self, points: Array) -> Array:
        """Return draws of the weights of both surfaces: (n, 2 terms)."""
        lower = np.linalg.cholesky(self.precision)
        return np.asarray((self.mean + np.linalg.solve(lower.T, points.T).T) @ self.root.T)


def _root(box: Box, prior: Prior, lengths: Array, bend: float) -> Array:
    """Return a root of the covariance of a surface's weights."""
    apart = (box.grid[:, None, :] - box.grid[None, :, :]) / lengths
    middle = box.grid - (box.low + box.high) / 2
    known = prior.spread**2 + prior.slope**2 * (middle @ middle.T)
    known = known + bend**2 * np.exp(-0.5 * np.sum(apart**2, axis=2))
    values, vectors = np.linalg.eigh(box.back @ known @ box.back.T)
    return np.asarray(vectors * np.sqrt(np.maximum(values, 1e-9)))
