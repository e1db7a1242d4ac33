"""The plate mark: where, outward from a row of patches, bare sheet begins."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.reading.row import Row
from core.reading.scan import Light, Points
from core.reading.sheet import Mask

Array = NDArray[np.float64]

_PARTS, _LINES = 5, 24
"""Of a side: each part is looked at alone, so that a mark a little askew is still one step."""
_WINDOW, _SKIP = 7, 4
LEAST_STEP = 0.008
"""Of the sheet's light: a wiped margin prints at least so much darker."""
_NOISES = 4.0
_WRITTEN = 0.85
CLEAR_PX = 5
"""Beyond the mark: the bruise of its edge is no bare sheet."""


@dataclass(frozen=True)
class Mark:
    """The plate mark about a row."""

    corners: Points
    """Where its sides meet, clockwise from the row's first corner [px]."""
    seen: tuple[bool, bool, bool, bool]
    """Of each side (over the row, at its end, under it, at its beginning): a step was seen."""
    room: tuple[float, float, float, float]
    """How far the picture, or the sheet, goes on beyond the row on each side [px]."""


def find_mark(over: Light, sheet: Mask, row: Row) -> Mark:
    """Return the plate mark about a row of patches.

    Parameters
    ----------
    over : array (height, width)
        Light over the sheet's, roughly.
    sheet : array of bool
    row : Row

    Returns
    -------
    Mark
    """
    corners = row.outline().astype(float)
    middle = corners.mean(axis=0)
    lines, seen, room = [], [], []
    for k in range(4):
        a, b = corners[k], corners[(k + 1) % 4]
        side = b - a
        out = np.array([side[1], -side[0]]) / np.linalg.norm(side)
        out = out if out @ ((a + b) / 2 - middle) > 0 else -out
        far = _room(sheet, a, b, out)
        offs = _steps(over, a, b, out, far)
        seen.append(bool(np.isfinite(offs).sum() >= 3))
        room.append(far)
        lines.append(_line(a, b, out, offs, far if not seen[-1] else 0.0))
    meets = [np.cross(lines[k - 1], lines[k]) for k in range(4)]
    points = np.array([meet[:2] / meet[2] for meet in meets], dtype=np.float32)
    return Mark(points, tuple(seen), tuple(room))  # type: ignore[arg-type]


def outside_mark(sheet: Mask, corners: Points) -> Mask:
    """Return where the sheet lies outside the plate mark.

    Parameters
    ----------
    sheet : array of bool
    corners : array (4, 2)
        Of the mark.

    Returns
    -------
    array of bool
    """
    inside = np.zeros(sheet.shape, np.uint8)
    cv2.fillConvexPoly(inside, np.rint(corners).astype(np.int32), 1)
    wide = 2 * CLEAR_PX + 1
    inside = cv2.dilate(inside, np.ones((wide, wide), np.uint8))
    return np.asarray(sheet & (inside == 0))


def unwritten(outside: Mask, over: Light) -> Mask:
    """Return where the sheet is bare: nothing is written on it.

    Parameters
    ----------
    outside : array of bool
    over : array
        Light over the sheet's, roughly.

    Returns
    -------
    array of bool
    """
    return np.asarray(outside & (cv2.blur(over, (3, 3)) > _WRITTEN))


def _room(sheet: Mask, a: Array, b: Array, out: Array) -> float:
    """Return how far the sheet goes on outward of a side: where most of its lines leave it [px]."""
    height, width = sheet.shape
    places = np.linspace(0.1, 0.9, 9)[:, None, None]
    offs = np.arange(1.0, max(height, width))[None, :, None]
    points = np.rint(a + places * (b - a) + offs * out).astype(int)
    x, y = points[..., 0], points[..., 1]
    within = (x >= 0) & (y >= 0) & (x < width) & (y < height)
    on = within & sheet[np.clip(y, 0, height - 1), np.clip(x, 0, width - 1)]
    first_off = np.where(on.all(axis=1), on.shape[1], on.argmin(axis=1))
    return float(np.median(first_off))


def _steps(over: Light, a: Array, b: Array, out: Array, far: float) -> Array:
    """Return for each part of a side how far outward its mark lies [px]; NaN where none is seen."""
    offs = np.arange(1.0, far - 1)
    if len(offs) < 2 * _WINDOW + _SKIP:
        return np.full(_PARTS, np.nan)
    found = []
    for part in range(_PARTS):
        places = (part + (np.arange(_LINES) + 0.5) / _LINES) / _PARTS
        points = a + places[:, None, None] * (b - a) + offs[None, :, None] * out
        seen = cv2.remap(
            over, points[..., 0].astype(np.float32), points[..., 1].astype(np.float32),
            cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE,
        )  # fmt: skip
        found.append(_step(np.median(seen, axis=0).astype(float)))
    return np.array(found)


def _step(profile: Array) -> float:
    """Return where a profile first steps up for good; NaN where it does not."""
    sums = np.concatenate([[0.0], np.cumsum(profile)])
    before = (sums[_WINDOW:-_WINDOW] - sums[: -2 * _WINDOW]) / _WINDOW
    after = (sums[2 * _WINDOW :] - sums[_WINDOW:-_WINDOW]) / _WINDOW
    up = after - before
    noise = 1.48 * float(np.median(np.abs(np.diff(profile)))) / np.sqrt(_WINDOW)
    limit = max(LEAST_STEP, _NOISES * noise)
    ready = np.arange(len(up)) >= _SKIP
    high = np.flatnonzero(ready & (up > limit) & (after > 0.9))
    if not len(high):
        return float("nan")
    last = high[0]
    while last + 1 < len(up) and up[last + 1] >= up[last]:
        last += 1
    near = np.arange(high[0], min(len(up), last + _WINDOW))
    return float(near[up[near].argmax()] + _WINDOW + 1)


def _line(a: Array, b: Array, out: Array, offs: Array, far: float) -> Array:
    """Return the line of a side's mark; as far out as the sheet goes where none is seen."""
    there = np.isfinite(offs)
    places = (np.arange(_PARTS) + 0.5) / _PARTS
    if far > 0 or there.sum() < 2:
        slope, height = 0.0, far
    else:
        middle = np.median(offs[there])
        near = there & (np.abs(np.where(there, offs, np.inf) - middle) < 0.35 * middle + 4)
        slope, height = (
            np.polyfit(places[near], offs[near], 1) if near.sum() >= 3 else (0.0, float(middle))
        )
    ends = [a + height * out, b + (height + slope) * out]
    return np.cross([*ends[0], 1.0], [*ends[1], 1.0])
