"""The bare sheet: where it lies in a scan, and how light it is at each point of it."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.reading.scan import Light

Mask = NDArray[np.bool_]

BLOCK_PX = 8
"""Of the worked picture: light is fitted to means of blocks, which noise does not lean on."""
_DARKEST_SHEET = 0.55
"""Of the lightest: a table, the bed of a scanner or ink is darker than any sheet in any light."""
_PASSES = 10
_FEWEST_BLOCKS = 30
_LEAST_NOISE = 0.002


@dataclass(frozen=True)
class White:
    """Light of the bare sheet as a gentle surface: plane, or with its bend."""

    terms: NDArray[np.float64]
    shape: tuple[int, int]
    spread: float
    """Of the sheet's blocks about it, over its own light."""

    def at(self, points: NDArray) -> NDArray[np.float64]:
        """Return the light of the sheet at points.

        Parameters
        ----------
        points : array (n, 2) [px]

        Returns
        -------
        array (n,)
        """
        across, down = np.asarray(points, dtype=float).T
        return self._over(2 * across / self.shape[1] - 1, 2 * down / self.shape[0] - 1)

    def picture(self) -> Light:
        """Return the light of the sheet at every pixel.

        Returns
        -------
        array (height, width)
        """
        height, width = self.shape
        x = (2 * np.arange(width) / width - 1).astype(np.float32)[None]
        y = (2 * np.arange(height) / height - 1).astype(np.float32)[:, None]
        return np.asarray(self._over(x, y), dtype=np.float32)

    def _over(self, x: NDArray, y: NDArray) -> NDArray:
        """Return the surface at places of -1 to 1; terms follow ``_shape_of``."""
        a, b, c, d, e, f = np.pad(self.terms, (0, BENT - len(self.terms))).tolist()
        flat = (a + b * x) + c * y
        return flat + (d * x * x + e * x * y + f * y * y) if d or e or f else flat


def _shape_of(
    across: NDArray, down: NDArray, shape: tuple[int, int], terms: int
) -> NDArray[np.float64]:
    x, y = 2 * across / shape[1] - 1, 2 * down / shape[0] - 1
    columns = [np.ones_like(x), x, y, x * x, x * y, y * y]
    return np.column_stack(columns[:terms])


PLANE, BENT = 3, 6


def sheet_mask(light: Light) -> Mask:
    """Return where a sheet and what is printed on it lies: not the table around it.

    Parameters
    ----------
    light : array (height, width)

    Returns
    -------
    array of bool
    """
    soft = cv2.GaussianBlur(light, (0, 0), 3)
    bright = (soft > _DARKEST_SHEET * np.percentile(soft[::4, ::4], 95)).astype(np.uint8)
    found, _ = cv2.findContours(bright, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_SIMPLE)
    largest = max(found, key=cv2.contourArea)
    filled = np.zeros(light.shape, np.uint8)
    cv2.drawContours(filled, [cv2.convexHull(largest)], -1, 1, -1)
    edge = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (9, 9))
    framed = cv2.copyMakeBorder(filled, 5, 5, 5, 5, cv2.BORDER_REPLICATE)
    return np.asarray(cv2.erode(framed, edge)[5:-5, 5:-5] > 0)


def first_white(light: Light, sheet: Mask) -> White:
    """Return the light of the sheet before it is known where ink begins: its upper envelope.

    Parameters
    ----------
    light : array (height, width)
    sheet : array of bool

    Returns
    -------
    White
    """
    points, values = _blocks(light, sheet)
    if len(values) < _FEWEST_BLOCKS:
        return White(np.array([float(np.percentile(light, 95)), 0, 0]), _size(light), 1.0)
    used = values > 0.8 * np.percentile(values, 90)
    terms: NDArray = np.zeros(PLANE)
    spread = 0.1
    shape = _shape_of(points[:, 0], points[:, 1], _size(light), PLANE)
    for step in range(_PASSES):
        terms = _solved(shape[used], values[used])
        over = values / (shape @ terms) - 1
        spread = max(0.004, 1.48 * float(np.median(np.abs(over[used]))))
        below = 1.0 if step < _PASSES - 4 else 2.0
        used = (over > -below * spread) & (over < 3 * spread)
        if used.sum() < _FEWEST_BLOCKS:
            break
    return White(terms, _size(light), spread)


def fit_white(light: Light, bare: Mask, all_round: bool) -> White | None:
    """Return the light of the sheet, from where it is bare; None where that is too little.

    Parameters
    ----------
    light : array (height, width)
    bare : array of bool
    all_round : bool
        Bare sheet lies on all sides: its light may be bent, too.

    Returns
    -------
    White or None
    """
    points, values = _blocks(light, bare)
    if len(values) < _FEWEST_BLOCKS:
        return None
    terms = BENT if all_round and len(values) > 4 * _FEWEST_BLOCKS else PLANE
    shape = _shape_of(points[:, 0], points[:, 1], _size(light), terms)
    used = values > 0.9 * np.median(values)
    solved: NDArray = np.zeros(terms)
    spread = 0.1
    for _ in range(_PASSES):
        solved = _solved(shape[used], values[used])
        over = values / (shape @ solved) - 1
        spread = max(_LEAST_NOISE, 1.48 * float(np.median(np.abs(over[used]))))
        used = np.abs(over) < 3 * spread
        if used.sum() < _FEWEST_BLOCKS:
            return None
    return White(solved, _size(light), spread)


def _solved(shape: NDArray, values: NDArray) -> NDArray[np.float64]:
    """Return the terms that fit best: of so few terms the normal equations are sure enough."""
    try:
        return np.asarray(np.linalg.solve(shape.T @ shape, shape.T @ values))
    except np.linalg.LinAlgError:  # blocks in one line say nothing across it
        return np.asarray(np.linalg.lstsq(shape, values, rcond=None)[0])


def _size(light: Light) -> tuple[int, int]:
    return light.shape[0], light.shape[1]


def _blocks(light: Light, where: Mask) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Return middles and mean light of the blocks that lie wholly where they may."""
    height, width = (side - side % BLOCK_PX for side in light.shape)
    into = (height // BLOCK_PX, BLOCK_PX, width // BLOCK_PX, BLOCK_PX)
    whole = where[:height, :width].reshape(into).all(axis=(1, 3))
    means = light[:height, :width].reshape(into).mean(axis=(1, 3))
    down, across = np.nonzero(whole)
    middles = np.column_stack([across, down]) * BLOCK_PX + (BLOCK_PX - 1) / 2
    return middles.astype(float), means[whole].astype(float)
