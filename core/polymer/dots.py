"""Blue-noise dots on a tile that meets itself without a seam."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray
from scipy import fft
from scipy.spatial import cKDTree

from core.progress import Tell, part_of

Bits = NDArray[np.bool_]
Array = NDArray[np.float64]

MOST_APART_SHARE = 0.3
"""Up to this share of the plane dots lie apart; beyond it they run together into bands."""
_BAND_FREQUENCY = 0.55
"""Of bands: so many to a dot's diameter, so that a band and the gap beside it are about as wide."""
_SETTLE, _POINTS_A_DOT = 3, 25
_SPREAD_OCTAVES = 0.29
_LOW, _HIGH = 0.75, 1.5
_PASSES = 12
_TIE_PX = 1e-3


def dot_tile(
    size: tuple[int, int], dot_px: float, open_share: float, seed: int, tell: Tell
) -> Bits:
    """Return a tile, True where it is open.

    Parameters
    ----------
    size : (int, int) [px]
        Height and width.
    dot_px : float [px]
        Diameter of a dot, and about the width of a band where dots run together.
    open_share : float
        Hit to the nearest pixel.
    seed : int
    tell : callable

    Returns
    -------
    array (height, width) of bool

    Notes
    -----
    Where one kind covers at most 0.3, dots of one size lie about points that were spread evenly
    (jittered, then moved to the middle of their own ground). Beyond, noise of one
    frequency is cut at the share and freed of what is slower, again and again. Source:
    ``lloyd-1982``, ``ulichney-1993``.
    """
    less = min(open_share, 1 - open_share)
    make = _apart if less <= MOST_APART_SHARE else _bands
    tile = make(size, dot_px, less, np.random.default_rng(seed), tell)
    return tile if open_share <= 0.5 else ~tile


def _apart(
    size: tuple[int, int], dot_px: float, share: float, rng: np.random.Generator, tell: Tell
) -> Bits:
    """Return dots about evenly spread points, all of one size."""
    points = _spread_points(size, share / (math.pi / 4 * dot_px**2), rng, part_of(tell, 0, 0.6))
    far = _tree(points, size).query(_grid(size, 1))[0] + rng.random(size[0] * size[1]) * _TIE_PX
    tell(1.0)
    return _lowest(far, share).reshape(size)


def _spread_points(
    size: tuple[int, int], a_px: float, rng: np.random.Generator, tell: Tell
) -> Array:
    """Return points, one a cell of a grid, each moved to the middle of the ground nearest it."""
    side = np.array(size, dtype=float)
    rows = max(1, round(size[0] * math.sqrt(a_px)))
    columns = max(1, round(size[0] * size[1] * a_px / rows))
    cells = np.moveaxis(np.mgrid[0:rows, 0:columns], 0, -1).reshape(-1, 2)
    points = (cells + rng.random(cells.shape)) / (rows, columns) * side
    ground = _grid(size, max(1, int(1 / math.sqrt(a_px * _POINTS_A_DOT))))
    for turn in range(_SETTLE):
        own = _tree(points, size).query(ground)[1]
        off = (ground - points[own] + side / 2) % side - side / 2
        count = np.maximum(np.bincount(own, minlength=len(points)), 1)
        moved = np.stack([np.bincount(own, off[:, k], len(points)) / count for k in (0, 1)], axis=1)
        points = (points + moved) % side
        tell((turn + 1) / _SETTLE)
    return points


def _tree(points: Array, size: tuple[int, int]) -> cKDTree:
    return cKDTree(np.minimum(points, np.nextafter(size, 0.0)), boxsize=size)


def _grid(size: tuple[int, int], step: int) -> Array:
    return np.moveaxis(np.mgrid[0 : size[0] : step, 0 : size[1] : step], 0, -1).reshape(-1, 2) * 1.0


def _lowest(values: Array, share: float) -> Bits:
    """Return where the lowest share of values lies."""
    count = round(share * len(values))
    edge = np.partition(values, count)[count] if count < len(values) else np.inf
    return np.asarray(values < edge)


def _bands(
    size: tuple[int, int], dot_px: float, share: float, rng: np.random.Generator, tell: Tell
) -> Bits:
    """Return bands of one width, wound at random."""
    over = np.hypot(fft.fftfreq(size[0])[:, None], fft.rfftfreq(size[1])[None, :])
    over = (over * dot_px / _BAND_FREQUENCY).astype(np.float32)
    ring = np.exp(-0.5 * (np.log2(np.maximum(over, 1e-9)) / _SPREAD_OCTAVES) ** 2)
    keep = (1 - np.exp(-((over / _LOW) ** 6))) / (1 + (over / _HIGH) ** 8)
    tile = _cut(rng.standard_normal(size, dtype=np.float32), ring, share)
    for turn in range(_PASSES):
        tile = _cut(tile.astype(np.float32) - np.float32(share), keep, share)
        tell((turn + 1) / _PASSES)
    return tile


def _cut(picture: NDArray[np.float32], passed: NDArray[np.float32], share: float) -> Bits:
    waves = fft.rfft2(picture)
    waves *= passed
    flat = fft.irfft2(waves, s=picture.shape).ravel()
    return _lowest(-flat, share).reshape(picture.shape)
