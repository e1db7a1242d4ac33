"""Tell two kinds of patches apart in a picture: which pixels are of the lighter kind."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage

from core.image.light import even_light
from core.image.view import View
from core.progress import Tell, untold

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]

_PASSES = 6
_NEAR = 0.1
"""Of the gap between two kinds: near to a level."""
_CORE = np.ones((3, 3), dtype=bool)
"""A pixel with its own kind all round it is not mixed with the other by blur."""
_LEAST_SIGMA, _MOST_SIGMA = 0.5, 2.2
_SURE_CONTRAST = 5.0
"""Smoothed until the two kinds lie this many deviations of noise apart."""
_BETWEEN = 0.7
"""Lenses blur light, cameras sharpen and compress its encoded values: a power between the two."""


@dataclass(frozen=True)
class TwoKinds:
    """``lighter`` (height, width) tells which pixels are of the lighter kind."""

    lighter: Mask
    smooth: Array
    """The picture in even light, smoothed by ``sigma_px``, with ``threshold`` between the kinds."""
    threshold: float
    sigma_px: float
    valley: float
    """How often a pixel lies midway between the kinds, over how often at one of their levels."""


def tell_apart(view: View, tell: Tell = untold) -> TwoKinds:
    """Return the two kinds of patches of a picture.

    Parameters
    ----------
    view : View
    tell : callable
        Is told the share done.

    Returns
    -------
    TwoKinds

    Notes
    -----
    Colours are weighed so that the kinds differ most over the noise. The threshold lies midway
    between the kinds' own levels, where blur moves no area from one to the other.
    """
    even = np.empty_like(view.rgb)
    for colour in range(3):
        even[..., colour] = _in_even_light(view, colour)
        tell((colour + 1) / 8)
    value = even @ _weights(even)
    tell(5 / 8)
    sigma = _sigma(value)
    smooth = ndimage.gaussian_filter(value, sigma)
    tell(6 / 8)
    threshold = _threshold(smooth)
    tell(7 / 8)
    lighter = smooth > threshold
    return TwoKinds(lighter, smooth, threshold, sigma, _valley(smooth, threshold))


def _in_even_light(view: View, colour: int) -> Array:
    encoded = view.rgb[..., colour] ** _BETWEEN
    return np.asarray(encoded / even_light(encoded, view.rows, view.columns))


def _weights(even: Array) -> Array:
    """Return how much each colour counts: most signal for its noise, lighter staying lighter."""
    smooth = ndimage.gaussian_filter(even, (1.2, 1.2, 0))
    noise = _covariance(np.diff(even, axis=0)[::2]) / 2 + 1e-7 * np.eye(3)
    signal = _covariance(smooth)
    root = np.linalg.inv(np.linalg.cholesky(noise))
    _, vectors = np.linalg.eigh(root @ signal @ root.T)
    weights = root.T @ vectors[:, -1]
    weights /= np.abs(weights).sum()
    along = np.sign((signal @ weights).sum()) or 1.0
    return np.asarray(weights * along)


def _covariance(values: Array) -> Array:
    return np.asarray(np.cov(values.reshape(-1, 3), rowvar=False))


def noise_of(value: Array) -> float:
    """Return the standard deviation of pixel noise, edges left aside.

    Parameters
    ----------
    value : array (height, width)

    Returns
    -------
    float
        In the unit of ``value``.
    """
    kernel = np.array([[1, -2, 1], [-2, 4, -2], [1, -2, 1]], dtype=float)
    rough = ndimage.convolve(value, kernel)
    return float(np.median(np.abs(rough)) / 0.6745 / 6.0)


def _sigma(value: Array) -> float:
    """Return how far to smooth [px]: as little as the noise allows."""
    low, high = np.percentile(ndimage.gaussian_filter(value, 1.0), [15, 85])
    contrast = (high - low) / max(noise_of(value), 1e-6)
    needed = _SURE_CONTRAST / max(contrast, 1e-3) / (2 * np.sqrt(np.pi)) * 2
    return float(np.clip(needed, _LEAST_SIGMA, _MOST_SIGMA))


def _threshold(smooth: Array) -> float:
    """Return the level midway between the kinds."""
    threshold = otsu(smooth)
    for _ in range(_PASSES):
        upper = smooth > threshold
        high, low = _level(smooth, upper), _level(smooth, ~upper)
        gap, before = high - low, threshold
        threshold = (high + low) / 2
        if abs(threshold - before) < 1e-3 * max(gap, 1e-9):
            break
    return threshold


def _level(smooth: Array, kind: Mask) -> float:
    """Return a kind's own level, from pixels well inside it."""
    inner = ndimage.binary_erosion(kind, _CORE, border_value=True)
    chosen = inner if inner.sum() > 50 else kind
    return float(np.median(smooth[chosen])) if chosen.any() else float(smooth.mean())


def _valley(smooth: Array, threshold: float) -> float:
    """Return how full the middle between the kinds is; over 1 there are no two kinds."""
    upper = smooth > threshold
    if upper.all() or not upper.any():
        return np.inf
    levels = [float(np.median(smooth[kind])) for kind in (upper, ~upper)]
    near = _NEAR * (levels[0] - levels[1])
    at_levels = np.mean([np.mean(np.abs(smooth - level) < near) for level in levels])
    return float(np.mean(np.abs(smooth - threshold) < near) / max(at_levels, 1e-9))


def otsu(values: Array) -> float:
    """Return the level that parts values into the two most compact groups.

    Parameters
    ----------
    values : array (any shape)

    Returns
    -------
    float
        In the unit of ``values``.
    """
    counts, edges = np.histogram(values, bins=256)
    middles = (edges[1:] + edges[:-1]) / 2
    below = np.cumsum(counts)
    above = below[-1] - below
    sums = np.cumsum(counts * middles)
    with np.errstate(divide="ignore", invalid="ignore"):
        between = below * above * (sums / below - (sums[-1] - sums) / above) ** 2
    if np.isnan(between).all():  # all of one value
        return float(middles[0])
    return float(middles[int(np.nanargmax(between))])
