"""The light of a proof within the areas of its plate's map, by blocks of a millimetre."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.reading.scan import Light, Scan, seen_through
from core.reading.shapes import Painted, ReadProofInput
from core.reading.sheet import White
from core.tone.lightness import lightness_from_reflectance

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]

BLOCK_MM = 1.0
LAID_PX_PER_MM, MOST_LAID_PX = 6, 2_500_000
EDGE_MM = (1.2, 0.6, 0.25, 0.0)
"""Kept off an area's outline: a hand's edge, and what the laying over is off; less where nothing
would be left."""
_FEWEST_BLOCKS = 16
_OUTLIERS = 5.0
"""Standard deviations: a few bright specks in a dark are its grain, and belong to its mean."""
_WHOLE = 0.98
_FEW_SPREAD = 4.0
"""Of so few blocks the spread cannot be told from them [L*]. ``room-practice``"""


@dataclass(frozen=True)
class AreaBlocks:
    """What was seen of one area."""

    light: Array
    """Mean light of each block over the sheet's."""
    share: float
    """Of the plate that was read for it."""
    clipped: float

    @property
    def count(self) -> int:
        """Return how many blocks were read."""
        return len(self.light)

    def tone(self) -> tuple[float, float, float] | None:
        """Return L*, the spread of its blocks and the doubt of their mean.

        Returns
        -------
        (float, float, float) or None
            [L*]; None without any block.
        """
        if not len(self.light):
            return None
        off = np.abs(self.light - self.light.mean())
        used = off <= _OUTLIERS * self.light.std() + 1e-4
        lstars = lightness_from_reflectance(np.maximum(self.light[used], 0))
        wide = max(float(lstars.std()), _FEW_SPREAD if len(lstars) < _FEWEST_BLOCKS else 0.0)
        return (
            float(lightness_from_reflectance(max(0.0, float(self.light[used].mean())))),
            wide,
            wide / max(1.0, float(used.sum())) ** 0.5,
        )


def area_blocks(
    scan: Scan, white: White, warp: Array, labels: NDArray[np.uint8], given: ReadProofInput
) -> dict[str, AreaBlocks]:
    """Return what was seen of each area.

    Parameters
    ----------
    scan : Scan
    white : White
    warp : array (3, 3)
        From the plate (1 wide, 1 high, as it prints) to the worked picture.
    labels : array (h, w)
    given : ReadProofInput

    Returns
    -------
    dict of str to AreaBlocks
    """
    fine = _fine(given.width_mm, given.height_mm)
    size = (max(1, round(given.width_mm)) * fine, max(1, round(given.height_mm)) * fine)
    onto = warp @ np.diag([1 / size[0], 1 / size[1], 1.0])
    laid = _straight(scan.light / white.picture(), onto, size)
    clipped = _straight(scan.burnt + scan.blocked, onto, size)
    own = cv2.resize(labels, size, interpolation=cv2.INTER_NEAREST)
    out = painted_out(given.left_out, size, fine)
    return {
        area.name: _blocks(np.isin(own, area.labels), ~out, laid, clipped, fine)
        for area in given.areas
    }


def painted_out(strokes: list[Painted], size: tuple[int, int], px_per_mm: float) -> Mask:
    """Return what was painted over, not to count.

    Parameters
    ----------
    strokes : list of Painted
        In mm on the print, from its top left.
    size : (width, height) [px]
    px_per_mm : float

    Returns
    -------
    array of bool (height, width)
    """
    out = np.zeros((size[1], size[0]), np.uint8)
    for stroke in strokes:
        points = np.rint(np.array(stroke.points_mm) * px_per_mm).astype(np.int32)
        wide = max(1, round(stroke.size_mm * px_per_mm))
        cv2.polylines(out, [points[:, None]], False, 1, wide)
        for x, y in points:
            cv2.circle(out, (int(x), int(y)), wide // 2, 1, -1)
    return out > 0


def _fine(width_mm: float, height_mm: float) -> int:
    most = (MOST_LAID_PX / (width_mm * height_mm)) ** 0.5
    return max(1, min(LAID_PX_PER_MM, int(most)))


def _straight(picture: Light, onto: Array, size: tuple[int, int]) -> Light:
    flags = cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP
    small = np.asarray(picture, dtype=np.float32)
    return np.asarray(cv2.warpPerspective(small, onto, size, flags=flags, borderValue=1.0))


def _blocks(inside: Mask, counts: Mask, laid: Light, clipped: Light, fine: int) -> AreaBlocks:
    side = round(BLOCK_MM * fine)
    for edge in EDGE_MM:
        own = _inner(inside, edge * fine) & counts
        whole = _by_block(own.astype(np.float32), side) >= _WHOLE
        if whole.sum() >= _FEWEST_BLOCKS:
            break
    light = _by_block(laid, side)[whole].astype(float)
    if not len(light) and own.any():
        light = np.array([float(laid[own].mean())])
    burnt = float(clipped[own].mean()) if own.any() else 0.0
    return AreaBlocks(light, float(own.mean()), burnt)


def _inner(inside: Mask, edge_px: float) -> Mask:
    if edge_px < 0.5:
        return inside
    framed = cv2.copyMakeBorder(inside.astype(np.uint8), 1, 1, 1, 1, cv2.BORDER_CONSTANT, value=0)
    return np.asarray(cv2.distanceTransform(framed, cv2.DIST_L2, 5)[1:-1, 1:-1] > edge_px)


def _by_block(picture: Light, side: int) -> Light:
    height, width = (n - n % side for n in picture.shape)
    shape = (height // side, side, width // side, side)
    return np.asarray(picture[:height, :width].reshape(shape).mean(axis=(1, 3)))


def middles_of(warp: Array, count: int) -> NDArray[np.float32]:
    """Return points spread evenly over the plate.

    Parameters
    ----------
    warp : array (3, 3)
        From the plate to the worked picture.
    count : int
        Along each side.

    Returns
    -------
    array (count², 2) [px]
        In the worked picture.
    """
    places = (np.arange(count) + 0.5) / count
    x, y = np.meshgrid(places, places)
    return seen_through(np.column_stack([x.ravel(), y.ravel()]), warp)
