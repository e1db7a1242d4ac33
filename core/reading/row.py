"""A row of equal patches, found in a scan by itself."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.reading.scan import Light, Points, seen_through

Array = NDArray[np.float64]

LEVELS = (0.75, 0.88, 0.55)
"""Shares of the sheet's light under which a patch is surely ink: the first that shows a row."""
_LEAST_SHARE = 0.002
_WELL_EXPLAINED, _LEAST_EXPLAINED = 0.975, 0.6
"""Of the squares of all ink: an even row is most of what is printed on a strip."""
_LEAST_BESIDE_UNEVEN = 0.9
"""The same, where another look at the picture found the row uneven."""
_RIVAL_SHARE = 0.35
_HIGH = 100
"""The band laid straight: so many points across it, and a pixel's along it."""
_BEYOND = 0.7
"""Of the picture's length is looked at beyond each end: pale patches are not in its darks."""
_GAPS = np.array([0.0, 0.05, 0.1, 0.17, 0.25, 0.33])
_TRIED, _FINEST = 3, 0.3
_UNEVEN = 0.16
"""Of a patch's width: borders further off the even row say that it is uneven."""
_PALE = 0.012
_SMOOTHED = 9
_BLANK_COSTS = 0.03
"""Of all ink: a row has a patch without ink only where it must."""
_STANDS_OUT, _OF_ITSELF = 0.04, 0.2
_MOST_BEND = 0.15
_EDGE_PX = 10
_MOST_ASPECT = 7.0
"""No patch is so many times longer than it is wide."""


@dataclass(frozen=True)
class Row:
    """A row of patches: how it lies in the worked picture."""

    warp: Array
    """From the row (a patch 1 wide, the row 1 high) to the picture."""
    count: int
    gap: float
    """Of a patch's step: what lies between two patches."""

    def corners(self, place: int) -> Points:
        """Return the corners of a patch.

        Parameters
        ----------
        place : int
            From the row's beginning, the first 0.

        Returns
        -------
        array (4, 2) [px]
            Clockwise.
        """
        half = self.gap / 2
        left, right = place + half, place + 1 - half
        return seen_through(np.array([[left, 0], [right, 0], [right, 1], [left, 1]]), self.warp)

    def outline(self) -> Points:
        """Return the corners of the whole row.

        Returns
        -------
        array (4, 2) [px]
            Clockwise.
        """
        left, right = self.gap / 2, self.count - self.gap / 2
        return seen_through(np.array([[left, 0], [right, 0], [right, 1], [left, 1]]), self.warp)


def row_between(corners: Points, count: int) -> Row:
    """Return the row whose outer corners are given: its patches share it evenly.

    Parameters
    ----------
    corners : array (4, 2)
        Clockwise, from the top left of the first patch.
    count : int

    Returns
    -------
    Row
    """
    onto = np.array([[0, 0], [count, 0], [count, 1], [0, 1]], dtype=np.float32)
    warp = cv2.getPerspectiveTransform(onto, corners.astype(np.float32))
    return Row(np.asarray(warp, dtype=float), count, 0.0)


def find_row(over: Light, count: int) -> Row:
    """Return the row of patches in a scan.

    Parameters
    ----------
    over : array (height, width)
        Light over the sheet's.
    count : int
        Patches.

    Returns
    -------
    Row

    Raises
    ------
    CoreError
        No row, two rows, or patches of unequal width.
    """
    soft = cv2.GaussianBlur(over, (0, 0), max(2.0, max(over.shape) / 400))
    ink = float(((1 - np.clip(soft, 0, 1)) ** 2).sum())
    best, found, fault, least = 0.0, None, _no_row(count), _LEAST_EXPLAINED
    for band in _all_bands(soft, count):
        if found is not None and _holds(found, band):
            continue  # no ink lies beyond what was found: it would be found again
        row = _in_band(over, band, count)
        if isinstance(row, CoreError):
            fault, least = row, _LEAST_BESIDE_UNEVEN
            continue
        if _aspect(row) > _MOST_ASPECT:
            continue
        told = _explained(soft, row) / max(ink, 1e-9)
        if told > best:
            best, found = told, row
        if best > _WELL_EXPLAINED:
            break
    if found is None or best < least:
        raise fault
    return found


def _holds(row: Row, band: Points) -> bool:
    outline = row.outline()
    return all(
        cv2.pointPolygonTest(outline, (float(x), float(y)), True) > -_EDGE_PX for x, y in band
    )


def _aspect(row: Row) -> float:
    corners = row.corners(row.count // 2)
    wide = float(np.linalg.norm(corners[1] - corners[0]))
    high = float(np.linalg.norm(corners[2] - corners[1]))
    return max(wide, high) / max(1.0, min(wide, high))


def _all_bands(soft: Light, count: int) -> Iterator[Points]:
    """Yield what may be the row, but for bands whose patches would be slivers."""
    for level in LEVELS:
        for box in _bands(soft, level):
            long, high = np.linalg.norm(box[1] - box[0]), np.linalg.norm(box[2] - box[1])
            if high < 2 * _MOST_ASPECT * long / count:
                yield box


def _explained(soft: Light, row: Row) -> float:
    """Return how much of the squares of all ink the row's even patches are."""
    told = 0.0
    for place in range(row.count):
        corners = row.corners(place)
        patch = _laid_flat(soft, corners, (24, 24))
        told += cv2.contourArea(corners) * float((1 - np.clip(patch, 0, 1)).mean()) ** 2
    return told


def _laid_flat(picture: Light, corners: Points, size: tuple[int, int]) -> Light:
    """Return what lies between four corners, straight."""
    onto = np.array([[0, 0], [size[0], 0], size, [0, size[1]]], dtype=np.float32)
    warp = cv2.getPerspectiveTransform(corners.astype(np.float32), onto)
    return np.asarray(cv2.warpPerspective(picture, warp, size, borderValue=1.0))


def _no_row(count: int) -> CoreError:
    return CoreError(
        "no-row", f"No row of {count} patches stands out from the paper. Drag its four corners.",
        field="corners_px", value=None, allowed="four corners of the row",
    )  # fmt: skip


def _bands(soft: Light, level: float) -> list[Points]:
    """Return rough corners of what may be the row, by either of its sides as the long one."""
    dark = (soft < level).astype(np.uint8)
    reach = 2 * round(max(dark.shape) / 60) + 1
    joined = cv2.morphologyEx(dark, cv2.MORPH_CLOSE, np.ones((reach, reach), np.uint8))
    found, _ = cv2.findContours(joined, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_SIMPLE)
    large = [each for each in found if cv2.contourArea(each) > _LEAST_SHARE * dark.size]
    if not large:
        return []
    large.sort(key=cv2.contourArea, reverse=True)
    _check_alone(large)
    box = cv2.boxPoints(cv2.minAreaRect(large[0]))
    middle = box.mean(axis=0)
    order = np.argsort(np.arctan2(*(box - middle).T[::-1]))
    box = box[order]
    first = np.linalg.norm(box[1] - box[0])
    if first < np.linalg.norm(box[2] - box[1]):
        box = np.roll(box, -1, axis=0)
    return [box, np.roll(box, -1, axis=0)]


def _check_alone(shapes: list[NDArray]) -> None:
    """Refuse a second strip beside the first: which is meant cannot be told."""
    if len(shapes) < 2:
        return
    largest, next_one = (cv2.minAreaRect(shape) for shape in shapes[:2])
    areas = [cv2.contourArea(shape) for shape in shapes[:2]]
    sides = [max(each[1]) / max(1.0, min(each[1])) for each in (largest, next_one)]
    alike = areas[1] > _RIVAL_SHARE * areas[0] and sides[0] > 2 and sides[1] > 0.5 * sides[0]
    if alike and _apart(*shapes[:2]):
        raise CoreError(
            "two-strips", "Two strips lie in this picture. Crop it to one, or drag the corners of "
            "the row you mean.", field="image", allowed="one strip in a picture",
        )  # fmt: skip


def _apart(one: NDArray, other: NDArray) -> bool:
    """Tell whether a shape lies beside another, not as the next patch of the same row."""
    (cx, cy), size, angle = cv2.minAreaRect(one)
    along = np.deg2rad(angle if size[0] >= size[1] else angle + 90)
    middle = np.array(cv2.minAreaRect(other)[0]) - (cx, cy)
    off = abs(-np.sin(along) * middle[0] + np.cos(along) * middle[1])
    return bool(off > 0.7 * min(size))


def _in_band(over: Light, box: Points, count: int) -> Row | CoreError:
    """Return the row along a box: its long edges are found first, then where it begins and ends."""
    top, bottom = _long_edges(over, box)
    band = np.array([top[0], top[1], bottom[1], bottom[0]], dtype=np.float32)
    long = max(60.0, float(np.linalg.norm(top[1] - top[0])))
    reach = _BEYOND * max(long, max(over.shape) - long)
    onto = np.array([[0, 0], [long, 0], [long, _HIGH], [0, _HIGH]], dtype=np.float32)
    warp = cv2.getPerspectiveTransform(band, onto)
    shift = np.array([[1, 0, reach], [0, 1, _HIGH], [0, 0, 1.0]])
    laid = cv2.warpPerspective(
        over, shift @ warp, (int(long + 2 * reach), 3 * _HIGH), flags=cv2.INTER_AREA,
        borderMode=cv2.BORDER_CONSTANT, borderValue=float("nan"),
    )  # fmt: skip
    tone = _columns(laid[_HIGH + 15 : 2 * _HIGH - 15])
    above, below = laid[_HIGH - 10 : _HIGH - 4], laid[2 * _HIGH + 4 : 2 * _HIGH + 10]
    beside = _columns(np.vstack([above, below]))
    sums = _sums(tone, beside)
    even = _best_even(sums, count)
    if _uneven(sums, even, count):
        return CoreError(
            "unequal-patches", "The patches of this row are not equally wide. Mark each by its "
            "corners.", field="patch_corners_px", allowed="four corners of each patch",
        )  # fmt: skip
    ends = np.array(even[:2]) - reach
    rough = np.array(
        [[ends[0], 0], [ends[1], 0], [ends[1], _HIGH], [ends[0], _HIGH]], dtype=np.float32
    )
    corners = seen_through(rough, np.linalg.inv(warp))
    return _even_row(corners, count, even.gap, even.bend)


def _even_row(corners: Points, count: int, gap: float, bend: float) -> Row:
    row = row_between(corners, count)
    own = np.array([[1 + bend, 0, 0], [0, 1, 0], [bend / count, 0, 1.0]])
    return Row(row.warp @ own, count, gap)


def _columns(laid: NDArray) -> Array:
    """Return the mean light of each column; not a number where the picture has ended."""
    with np.errstate(invalid="ignore"):
        return np.asarray(laid.astype(float).mean(axis=0))


def _long_edges(over: Light, box: Points) -> tuple[Points, Points]:
    """Return the two long edges of a band, as the points where they end."""
    along = box[1] - box[0]
    down = box[3] - box[0]
    return (
        _edge(over, box[0], along, down, inside=1.0),
        _edge(over, box[3], along, -down, inside=1.0),
    )


def _edge(over: Light, start: NDArray, along: NDArray, inward: NDArray, inside: float) -> Points:
    """Return an edge where, crossing it inward, light falls most; by a line through many places."""
    places = np.linspace(0.03, 0.97, 80)
    offs = np.linspace(-0.35, 0.35 * inside, 90)
    points = start + places[:, None, None] * along + offs[None, :, None] * inward
    seen = cv2.remap(
        cv2.GaussianBlur(over, (0, 0), 1.5), points[..., 0].astype(np.float32),
        points[..., 1].astype(np.float32), cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE,
    )  # fmt: skip
    near = cv2.blur(seen, (1, 5), borderType=cv2.BORDER_REPLICATE)
    sums = np.cumsum(near, axis=1)
    wide = 14
    before = (sums[:, wide:-wide] - sums[:, : -2 * wide]) / wide
    after = (sums[:, 2 * wide :] - sums[:, wide:-wide]) / wide
    falls = before - after
    best = falls.argmax(axis=1)
    weight = np.maximum(falls[np.arange(len(best)), best], 0)
    at = offs[best + wide]
    line = _through(places, at, weight)
    ends = np.array([0.0, 1.0])
    return np.asarray(
        start + ends[:, None] * along + np.polyval(line, ends)[:, None] * inward, dtype=np.float32
    )


def _through(places: NDArray, at: NDArray, weight: NDArray) -> Array:
    """Return slope and height of a line through points, those far off let go."""
    own = weight + 1e-6
    line = np.array([0.0, 0.0])
    for _ in range(8):
        line = np.polyfit(places, at, 1, w=np.sqrt(own))
        off = np.abs(at - np.polyval(line, places))
        own = (weight + 1e-6) / (1 + (off / 0.02) ** 2)
    return line


class _Even(NamedTuple):
    """An even row in a band: where it begins and ends, how it is foreshortened, and its gap."""

    left: float
    right: float
    bend: float
    gap: float


def _sums(tone: Array, beside: Array) -> NDArray[np.float64]:
    """Return running sums along a band: points, light, its square, and its square off paper."""
    there = np.isfinite(tone) & np.isfinite(beside)
    value, paper = np.where(there, tone, 0.0), np.where(there, beside, 0.0)
    rows = np.stack([there * 1.0, value, value**2, (value - paper) ** 2, value - paper])
    return np.concatenate([np.zeros((5, 1)), np.cumsum(rows, axis=1)], axis=1)


def _best_even(sums: NDArray, count: int) -> _Even:
    """Return the even row that explains a band best.

    Within a patch the tone is its own mean; between patches and beyond the row it is that of the
    paper above and below.
    """
    rough = sorted(_rough(sums, count), key=lambda each: each[0])[:_TRIED]
    if not rough:
        first, last = _inked(np.diff(sums[4]))
        return _Even(float(first), float(last), 0.0, 0.0)
    fine = [_refined(sums, even, count) for _, even in rough]
    return min(fine, key=lambda each: each[0])[1]


def _rough(sums: NDArray, count: int) -> Iterator[tuple[float, _Even]]:
    """Yield for each step the even row that explains a band best, and what it leaves."""
    long = sums.shape[1] - 1
    first, last = _inked(np.diff(sums[4]))
    for step in (last - first) / count * np.geomspace(0.6, 1.6, 80):
        loose = max(0.0, step * count - (last - first)) + 0.3 * step
        starts = np.arange(max(0.0, first - loose), last - 0.7 * step * count, max(1.0, step / 18))
        starts = starts[starts + step * count < long]
        if not len(starts):
            continue
        lefts = starts[:, None, None] + step * (np.arange(count) + _GAPS[:, None] / 2)
        i = np.rint(lefts).astype(int)
        j = np.rint(lefts + step * (1 - _GAPS[:, None])).astype(int)
        cost = _cost(sums, i, j) + _blank(sums, i, j) * _BLANK_COSTS * float(sums[3][-1])
        at, gap = np.unravel_index(int(cost.argmin()), cost.shape)
        left = float(starts[at])
        yield float(cost[at, gap]), _Even(left, left + float(step) * count, 0.0, float(_GAPS[gap]))


def _blank(sums: NDArray, i: NDArray[np.intp], j: NDArray[np.intp]) -> NDArray[np.intp]:
    """Return how many of the two end patches show nothing but paper."""
    off = (sums[4][j] - sums[4][i]) / np.maximum(sums[0][j] - sums[0][i], 1)
    return np.asarray((np.abs(off[..., [0, -1]]) < _PALE).sum(axis=-1))


def _inked(off: Array) -> tuple[int, int]:
    """Return where the row begins and ends: about its darkest, as far as ink is seen."""
    even = np.convolve(off, np.full(_SMOOTHED, 1 / _SMOOTHED), mode="same")
    ink = np.flatnonzero(even < -max(_PALE, 0.03 * float(-even.min())))
    if not len(ink):
        return 0, len(off)
    return int(ink[0]), int(ink[-1]) + 1


def _cost(sums: NDArray, i: NDArray[np.intp], j: NDArray[np.intp]) -> Array:
    """Return what patches from i to j add to the squares of a band with nothing on it."""
    n, s, q, b = (each[j] - each[i] for each in sums[:4])
    return np.asarray((q - s**2 / np.maximum(n, 1e-9) - b).sum(axis=-1))


def _refined(sums: NDArray, even: _Even, count: int) -> tuple[float, _Even]:
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
    return cost, _Even(*best.tolist())


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
    n, s, q, b, off = _between(sums, rights) - _between(sums, lefts)
    within = (q - s**2 / np.maximum(n, 1e-9) - b).sum(axis=1)
    blank = (np.abs(off / np.maximum(n, 1e-9))[:, [0, -1]] < _PALE).sum(axis=1)
    return np.where(outside, np.inf, within + blank * _BLANK_COSTS * sums[3][-1])


def _between(sums: NDArray, at: Array) -> NDArray:
    """Return running sums between two points of a band."""
    where = np.clip(at, 0, sums.shape[1] - 1.001)
    low = where.astype(int)
    part = where - low
    return np.asarray(sums[:, low] * (1 - part) + sums[:, low + 1] * part)


def _uneven(sums: NDArray, even: _Even, count: int) -> bool:
    """Tell whether the borders that stand out lie off those of an even row."""
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
