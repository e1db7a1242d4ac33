"""Even out the light over a surface of two kinds of patches."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

DEGREE = 3
"""A lamp at the side and a lens's falloff are smooth: a cubic surface follows both."""
_PASSES = 8
_COARSE = 4
_DARKEST = 1e-4


def even_light(
    light: Array, rows: Array | None = None, columns: Array | None = None, degree: int = DEGREE
) -> Array:
    """Return the share by which the light falls over a surface, its mean about 1.

    Parameters
    ----------
    light : array (height, width)
        Linear light of a surface of two kinds of patches, such as grains on metal.
    rows, columns : array (height,), (width,) or None
        Where they lie on the surface, -1 to 1; None: evenly over all of it.
    degree : int
        Of the polynomial in the logarithm of the light.

    Returns
    -------
    array (height, width), to divide by

    Notes
    -----
    Light falls on both kinds alike: log light = surface + one of two levels. Surface and levels are
    found in turn, so that a place crowded with grains is not taken for a dark place.
    """
    down, across = _along(light.shape[0], rows), _along(light.shape[1], columns)
    small = np.log(np.maximum(_shrunk(light), _DARKEST))
    lines = _shrunk_line(down, small.shape[0]), _shrunk_line(across, small.shape[1])
    terms = _terms(*lines, degree)
    values = small.ravel()
    surface = terms @ _solve(terms, values, np.ones(len(values)))
    for _ in range(_PASSES):
        rest = values - surface
        low, high = _two_levels(rest)
        level = np.where(rest > (low + high) / 2, high, low)
        away = np.abs(rest - level) / max(high - low, 1e-3)
        surface = terms @ _solve(terms, values - level, np.exp(-4 * away**2))
    weights = _solve(terms, surface, np.ones(len(values)))
    field = np.exp(_at_every_pixel(weights, down, across, degree))
    return np.asarray(field / field.mean())


def _shrunk(light: Array) -> Array:
    height, width = (max(1, side // _COARSE) for side in light.shape)
    cut = light[: height * _COARSE, : width * _COARSE]
    if min(light.shape) < _COARSE * 8:
        return light
    return np.asarray(cut.reshape(height, _COARSE, width, _COARSE).mean(axis=(1, 3)))


def _along(side: int, at: Array | None) -> Array:
    return np.linspace(-1, 1, side) if at is None else at


def _shrunk_line(at: Array, count: int) -> Array:
    """Return where the points of the shrunk picture lie."""
    if len(at) == count:
        return at
    return np.asarray(at[: count * _COARSE].reshape(count, _COARSE).mean(axis=1))


def _terms(y: Array, x: Array, degree: int) -> Array:
    return np.stack([np.outer(y**i, x**j).ravel() for i, j in _powers(degree)], axis=1)


def _powers(degree: int) -> list[tuple[int, int]]:
    return [(i, j) for i in range(degree + 1) for j in range(degree + 1 - i)]


def _at_every_pixel(weights: Array, y: Array, x: Array, degree: int) -> Array:
    """Return the surface at every pixel: powers of rows and columns apart, never a term a pixel."""
    table = np.zeros((degree + 1, degree + 1))
    for (i, j), weight in zip(_powers(degree), weights, strict=True):
        table[i, j] = weight
    down, across = (np.vander(at, degree + 1, True) for at in (y, x))
    return np.asarray(down @ table @ across.T)


def _solve(terms: Array, values: Array, weights: Array) -> Array:
    weighted = terms * weights[:, None]
    ridge = 1e-9 * len(values) * np.eye(terms.shape[1])
    return np.asarray(np.linalg.solve(weighted.T @ terms + ridge, weighted.T @ values))


def _two_levels(values: Array) -> tuple[float, float]:
    """Return the two levels that values gather about (two means)."""
    low, high = np.percentile(values, [20, 80])
    for _ in range(12):
        upper = values > (low + high) / 2
        if upper.all() or not upper.any():
            break
        low, high = values[~upper].mean(), values[upper].mean()
    return float(low), float(high)
