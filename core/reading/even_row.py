"""An even row along a band of light: where it begins, its step, its gap, its foreshortening."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

_GAPS = np.array([0.0, 0.08, 0.17, 0.3])
_STEPS, _TRIED, _FINEST = 60, 2, 0.3
_UNEVEN = 0.16
"""Of a patch's width: borders further off the even row say that it is uneven."""
_PALE = 0.012
_SMOOTHED = 9
_BLANK_COSTS = 0.03
"""Of all ink: a row has a patch without ink only where it must."""
_STANDS_OUT, _OF_ITSELF = 0.04, 0.2
_MOST_BEND = 0.15


class Even(NamedTuple):
    """An even row in a band: where it begins and ends, how it is foreshortened, and its gap."""

    left: float
    right: float
    bend: float
    gap: float


def running_sums(tone: Array, beside: Array) -> NDArray[np.float64]:
    """Return running sums along a band: points, light, its square, its square off paper, and that.

    Parameters
    ----------
    tone, beside : array (n,)
        Light of the band, and of the paper above and below it.

    Returns
    -------
    array (5, n + 1)
    """
    there = np.isfinite(tone) & np.isfinite(beside)
    value, paper = np.where(there, tone, 0.0), np.where(there, beside, 0.0)
    rows = np.stack([there * 1.0, value, value**2, (value - paper) ** 2, value - paper])
    return np.concatenate([np.zeros((5, 1)), np.cumsum(rows, axis=1)], axis=1)


def best_even(sums: NDArray, count: int) -> Even:
    """Return the even row that explains a band best.

    Within a patch the tone is its own mean; between patches and beyond the row it is that of the
    paper above and below.

    Parameters
    ----------
    sums : array (5, n + 1)
    count : int
        Patches.

    Returns
    -------
    Even
    """
    rough = sorted(_rough(sums, count), key=lambda each: each[0])[:_TRIED]
    if not rough:
        first, last = _inked(np.diff(sums[4]))
        return Even(float(first), float(last), 0.0, 0.0)
    fine = [_refined(sums, even, count) for _, even in rough]
    return min(fine, key=lambda each: each[0])[1]


def _rough(sums: NDArray, count: int) -> Iterator[tuple[float, Even]]:
    """Yield for each step the even row that explains a band best, and what it leaves."""
    long = sums.shape[1] - 1
    first, last = _inked(np.diff(sums[4]))
    for step in (last - first) / count * np.geomspace(0.6, 1.6, _STEPS):
        loose = max(0.0, step * count - (last - first)) + 0.3 * step
        starts = np.arange(max(0.0, first - loose), last - 0.7 * step * count, max(1.0, step / 18))
        starts = starts[starts + step * count < long]
        if not len(starts):
            continue
        lefts = starts[:, None, None] + step * (np.arange(count) + _GAPS[:, None] / 2)
        i = np.rint(lefts).astype(int)
        j = np.rint(lefts + step * (1 - _GAPS[:, None])).astype(int)
        within = sums.take(j, axis=1) - sums.take(i, axis=1)
        cost = _cost(within) + _blank(within) * _BLANK_COSTS * float(sums[3][-1])
        at, gap = np.unravel_index(int(cost.argmin()), cost.shape)
        left = float(starts[at])
        yield float(cost[at, gap]), Even(left, left + float(step) * count, 0.0, float(_GAPS[gap]))


def _blank(within: NDArray) -> NDArray:
    """Return how many of the two end patches show nothing but paper, by the sums in each."""
    points, *_, off = within[..., [0, -1]]
    return np.asarray((np.abs(off) < _PALE * np.maximum(points, 1e-9)).sum(axis=-1))


def _inked(off: Array) -> tuple[int, int]:
    """Return where the row begins and ends: about its darkest, as far as ink is seen."""
    even = np.convolve(off, np.full(_SMOOTHED, 1 / _SMOOTHED), mode="same")
    ink = np.flatnonzero(even < -max(_PALE, 0.03 * float(-even.min())))
    if not len(ink):
        return 0, len(off)
    return int(ink[0]), int(ink[-1]) + 1


def _cost(within: NDArray) -> NDArray:
    """Return what patches add to the squares of a band with nothing on it, by the sums in each."""
    n, s, q, b = within[:4]
    return np.asarray((q - s**2 / np.maximum(n, 1e-9) - b).sum(axis=-1))


def _refined(sums: NDArray, even: Even, count: int) -> tuple[float, Even]:
    """Return an even row moved, foreshortened and parted until nothing explains its band better."""
    step = (even.right - even.left) / count
    reach = np.array([0.25 * step, 0.25 * step, 0.12, 0.06])
    best = np.array(even)
    cost = float(_costs_of(sums, best[None], count)[0])
    while reach[0] > _FINEST:
        tried = best + np.concatenate([np.diag(reach), -np.diag(reach)])
        tried[:, 2] = np.clip(tried[:, 2], -_MOST_BEND, _MOST_BEND)
        tried[:, 3] = np.clip(tried[:, 3], 0.0, 0.5)
        told = _costs_of(sums, tried, count)
        at = int(told.argmin())
        if told[at] < cost - 1e-9:
            best, cost = tried[at], float(told[at])
        else:
            reach = reach / 2
    return cost, Even(*best.tolist())


def _places(evens: Array, count: int) -> tuple[Array, Array]:
    """Return where the patches of even rows (n, 4) begin and end: (n, count) each."""
    left, right, bend, gap = (column[:, None] for column in evens.T)
    own = np.arange(count)[None]
    ends = []
    for steps in ((own + gap / 2) / count, (own + 1 - gap / 2) / count):
        ends.append(left + (right - left) * steps * (1 + bend) / (1 + bend * steps))
    return ends[0], ends[1]


def _costs_of(sums: NDArray, evens: Array, count: int) -> Array:
    """Return what even rows add to the squares of a band with nothing on it."""
    lefts, rights = _places(evens, count)
    outside = (lefts[:, 0] < 0) | (rights[:, -1] > sums.shape[1] - 1)
    outside |= np.any(rights - lefts < 2, axis=1)
    within = _between(sums, rights) - _between(sums, lefts)
    told = _cost(within) + _blank(within) * _BLANK_COSTS * float(sums[3][-1])
    return np.where(outside, np.inf, told)


def _between(sums: NDArray, at: Array) -> NDArray:
    """Return running sums between two points of a band."""
    where = np.clip(at, 0, sums.shape[1] - 1.001)
    low = where.astype(int)
    part = where - low
    return np.asarray(sums[:, low] * (1 - part) + sums[:, low + 1] * part)


def is_uneven(sums: NDArray, even: Even, count: int) -> bool:
    """Tell whether the borders that stand out lie off those of an even row.

    Parameters
    ----------
    sums : array (5, n + 1)
    even : Even
    count : int

    Returns
    -------
    bool
    """
    lefts, rights = (each[0] for each in _places(np.array([even]), count))
    i, j = np.rint(lefts).astype(int), np.rint(rights).astype(int)
    n, s, q = (each[j] - each[i] for each in sums[:3])
    mean = s / np.maximum(n, 1)
    noise = np.sqrt(np.maximum(q / np.maximum(n, 1) - mean**2, 0))
    off = []
    for k in range(count - 1):
        least = min(_STANDS_OUT, _OF_ITSELF * float(max(mean[k], mean[k + 1])))
        if abs(mean[k + 1] - mean[k]) < least + 0.5 * (noise[k] + noise[k + 1]):
            continue
        a, b = (i[k] + j[k]) // 2, (i[k + 1] + j[k + 1]) // 2
        spots = np.arange(a + 2, b - 1)
        if not len(spots):
            continue
        best = int(spots[int(_split(sums, a, spots, b).argmin())])
        border = (rights[k] + lefts[k + 1]) / 2
        off.append(abs(best - border) / (lefts[k + 1] - lefts[k]) - even.gap / 2)
    wrong = sum(each > _UNEVEN for each in off)
    return wrong >= 2 and wrong >= len(off) / 3


def _split(sums: NDArray, a: int, at: NDArray[np.intp], b: int) -> Array:
    """Return the squares that two tones leave between a and b, for each border between them."""
    left, right = sums[:3, at] - sums[:3, [a]], sums[:3, [b]] - sums[:3, at]
    return np.asarray(sum(q - s**2 / np.maximum(n, 1) for n, s, q in (left, right)))
