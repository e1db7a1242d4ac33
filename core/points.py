"""Fixed, evenly spread points that stand in for random draws, so that every answer repeats."""

from __future__ import annotations

from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

_ROOT_STEPS = 40
_quantile = np.vectorize(NormalDist().inv_cdf, otypes=[float])


def _generalised_golden_ratio(dimensions: int) -> float:
    root = 1.5
    for _ in range(_ROOT_STEPS):
        root = (1.0 + root) ** (1.0 / (dimensions + 1))
    return root


@lru_cache(maxsize=16)
def normal_points(count: int, dimensions: int) -> NDArray[np.float64]:
    """Return ``count`` × ``dimensions`` standard normal points, whitened to unit covariance.

    Parameters
    ----------
    count, dimensions : int

    Returns
    -------
    array (count, dimensions)

    Notes
    -----
    A Kronecker sequence on the generalised golden ratio, passed through the normal quantile, then
    made exactly white, so that means and covariances of linear functions are exact.
    """
    powers = _generalised_golden_ratio(dimensions) ** -np.arange(1.0, dimensions + 1)
    uniform = (0.5 + np.outer(np.arange(1.0, count + 1), powers)) % 1.0
    points = _quantile(np.clip(uniform, 1e-6, 1 - 1e-6))
    points -= points.mean(axis=0)
    factor = np.linalg.cholesky(np.cov(points, rowvar=False).reshape(dimensions, dimensions))
    white: NDArray[np.float64] = np.linalg.solve(factor, points.T).T
    white.setflags(write=False)
    return white
