"""Whether a patch was scanned sharp: by its own edges, and by the grain in it."""

from __future__ import annotations

from functools import lru_cache
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from core.reading.row import Row
from core.reading.scan import Scan, seen_through

Array = NDArray[np.float64]

SOFT_EDGE_PX = 1.6
"""Standard deviation of an edge's spread: a sharp scan has under 1.5, a blur of 3 px over 3."""
_LEAST_CONTRAST = 0.1
_REACH_PX = 12
_SIDES, _ENOUGH_SIDES = (0, 2, 1, 3), 2
_PARTS, _RUNGS = 4, 24
"""An edge is looked at in parts, each the mean of so many lines across it."""
_GRAIN_PX, _LEAST_GRAIN_PX = 128, 24
_COARSE, _FINE, _FLOOR = (0.035, 0.07), (0.11, 0.16), 0.42
"""Cycles a pixel: where grain is always seen, where a blur leaves none of it, and only noise."""
_KEPT = 0.03
"""Of the coarse power: a blur of 3 px leaves under a hundredth at the fine end, grain a tenth."""
_LEAST_GRAIN = 0.004
"""Contrast at the coarse end, of the root of light: noise has a tenth of it."""


def is_soft(scan: Scan, row: Row, place: int, white: float) -> bool | None:
    """Tell whether a patch is blurred; None where neither an edge nor grain can say.

    Parameters
    ----------
    scan : Scan
    row : Row
    place : int
    white : float
        Light of the sheet there.

    Returns
    -------
    bool or None

    Notes
    -----
    Painted edges may be soft where the scan is not: grain that is sharp has the last word.
    """
    corners = scan.to_whole(row.corners(place))
    sides = np.linalg.norm(corners - np.roll(corners, 1, axis=0), axis=1)
    middle = scan.to_whole(seen_through(np.array([[place + 0.5, 0.5]]), row.warp))[0]
    grain = grain_is_sharp(scan, middle, 0.6 * float(sides.min()), white)
    if grain:
        return False
    edge = _edge_spread(scan, row, place, white)
    if edge is None:
        return None if grain is None else True
    return edge > SOFT_EDGE_PX


def _edge_spread(scan: Scan, row: Row, place: int, white: float) -> float | None:
    """Return the middle spread of the edges of a patch that stand out [px of the scan]."""
    corners = scan.to_whole(row.corners(place)).astype(float)
    middle = corners.mean(axis=0)
    spreads: list[float] = []
    for k in _SIDES:
        if len(spreads) == _ENOUGH_SIDES:
            break
        a, b = corners[k], corners[(k + 1) % 4]
        out = np.array([b[1] - a[1], a[0] - b[0]])
        out = out / np.linalg.norm(out)
        out = out if out @ ((a + b) / 2 - middle) > 0 else -out
        found = _spread_of(scan.whole, a, b, out, white)
        if found is not None:
            spreads.append(found)
    return float(np.median(spreads)) if spreads else None


def _spread_of(
    whole: NDArray[np.uint16], a: Array, b: Array, out: Array, white: float
) -> float | None:
    """Return the spread of one edge, by its mean profile; None where it hardly stands out."""
    wide = min(_REACH_PX, int(0.2 * float(np.linalg.norm(b - a))))
    if wide < 6:
        return None
    offs = np.arange(-wide, wide + 0.5, 0.5)
    places = np.linspace(0.15, 0.85, _PARTS * _RUNGS)
    points = (a + places[:, None, None] * (b - a) + offs[None, :, None] * out).astype(np.float32)
    seen = cv2.remap(
        whole, points[..., 0], points[..., 1], cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE
    )
    profiles = seen.reshape(_PARTS, _RUNGS, -1).mean(axis=1) / (65_535 * white)
    there = [wide for wide in map(_width, *_steps_of(profiles)) if wide is not None]
    return float(np.median(there)) if there else None


def _steps_of(profiles: Array) -> tuple[Array, Array]:
    """Return profiles as steps from 0 to 1, and how far each stands out of its noise."""
    side = max(4, profiles.shape[1] // 5)
    first, last = profiles[:, :side], profiles[:, -side:]
    low, high = (np.median(end, axis=1, keepdims=True) for end in (first, last))
    noise = np.std(np.concatenate([first - low, last - high], axis=1), axis=1, keepdims=True)
    rise = high - low
    stands = np.abs(rise) >= np.maximum(_LEAST_CONTRAST, 5 * noise)
    return (profiles - low) / np.where(stands, rise, np.inf), stands[:, 0]


def _width(part: Array, stands: bool, step: float = 0.5) -> float | None:
    """Return the standard deviation of a step's spread: a fifth to four fifths up."""
    if not stands:
        return None
    below, above = np.flatnonzero(part < 0.2), np.flatnonzero(part > 0.8)
    if not len(below) or not len(above):
        return None
    last = int(below[below < above[-1]][-1]) if (below < above[-1]).any() else int(below[-1])
    after = above[above > last]
    if not len(after):
        return None
    a, b = last, int(after[0])
    start = a + (0.2 - part[a]) / max(part[a + 1] - part[a], 1e-6)
    end = b - (part[b] - 0.8) / max(part[b] - part[b - 1], 1e-6)
    return max(0.0, (end - start) * step / 1.683)  # of a normal spread from a fifth to four fifths


def grain_is_sharp(scan: Scan, middle: NDArray, wide: float, white: float) -> bool | None:
    """Tell whether grain has its fine end; None where there is no grain to see.

    Parameters
    ----------
    scan : Scan
    middle : array (2,) [px of the scan]
    wide : float [px of the scan]
        How much about it may be looked at.
    white : float
        Light of the sheet there.

    Returns
    -------
    bool or None
    """
    size = int(min(_GRAIN_PX, wide)) // 2 * 2
    if size < _LEAST_GRAIN_PX:
        return None
    left, top = (round(float(at)) - size // 2 for at in middle)
    if left < 0 or top < 0:
        return None
    part = scan.whole[top : top + size, left : left + size].astype(float) / (65_535 * white)
    if part.shape != (size, size):
        return None
    return _fine_end(np.sqrt(np.clip(part, 0, None)))


def _fine_end(part: Array) -> bool | None:
    rings = _rings(len(part))
    flat = (part - part.mean()) * rings.window
    power = np.abs(np.fft.fft2(flat)) ** 2
    floor, coarse, fine = (
        float(power[ring].mean()) for ring in (rings.floor, rings.coarse, rings.fine)
    )
    seen = max(0.0, coarse - floor) * rings.coarse.sum() / (rings.window**2).sum()
    if np.sqrt(seen) / len(part) < _LEAST_GRAIN:
        return None  # noise is no grain: it may have come after the blur
    return bool(fine - floor > _KEPT * (coarse - floor))


class _Rings(NamedTuple):
    window: Array
    floor: NDArray[np.bool_]
    coarse: NDArray[np.bool_]
    fine: NDArray[np.bool_]


@lru_cache(maxsize=32)
def _rings(size: int) -> _Rings:
    """Return the window and the frequencies that are looked at, for parts of one size."""
    hann = np.hanning(size)
    at = np.fft.fftfreq(size)
    far = np.hypot(at[:, None], at[None])
    coarse, fine = ((far >= low) & (far < high) for low, high in (_COARSE, _FINE))
    return _Rings(np.outer(hann, hann), far > _FLOOR, coarse, fine)
