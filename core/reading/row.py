"""A row of equal patches, found in a scan by itself."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.reading.even_row import best_even, is_uneven, running_sums
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
    sums = running_sums(tone, beside)
    even = best_even(sums, count)
    if is_uneven(sums, even, count):
        return CoreError(
            "unequal-patches", "The patches of this row do not seem equally wide. If they are, "
            "mark the four corners of the row; if not, type their tones.",
            field="patch_corners_px", allowed="four corners of each patch",
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
    along, down = box[1] - box[0], box[3] - box[0]
    soft = cv2.GaussianBlur(over, (0, 0), 1.5)
    return _edge(soft, box[0], along, down), _edge(soft, box[3], along, -down)


def _edge(soft: Light, start: NDArray, along: NDArray, inward: NDArray) -> Points:
    """Return an edge where, crossing it inward, light falls most; by a line through many places."""
    places = np.linspace(0.03, 0.97, 80)
    offs = np.linspace(-0.35, 0.35, 90)
    points = start + places[:, None, None] * along + offs[None, :, None] * inward
    seen = cv2.remap(
        soft, points[..., 0].astype(np.float32), points[..., 1].astype(np.float32),
        cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE,
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
