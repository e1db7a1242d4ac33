"""Smooth a picture to what a brush can paint, without washing out its edges."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from core.study.levels import TOP, Levels

GRID_PX_PER_MM = 12.0
"""Twice as fine as a pen's edge: a study is looked at no closer."""
MOST_GRID_PX = 6_000_000
_FEWEST_PX = 2
_TIDY_PX = 5
Floats = NDArray[np.float32]


def grid_px_per_mm(width_mm: float, height_mm: float) -> float:
    """Return how finely a plate of a size is looked at.

    Parameters
    ----------
    width_mm, height_mm : float [mm]

    Returns
    -------
    float [px/mm]
    """
    return float(min(GRID_PX_PER_MM, (MOST_GRID_PX / (width_mm * height_mm)) ** 0.5))


def shrink(levels: Levels, width: int, height: int) -> Levels:
    """Return a picture with fewer pixels, each the mean of those it stands for.

    Parameters
    ----------
    levels : array
    width, height : int [px]
        What is smaller already stays.

    Returns
    -------
    array (height, width)
    """
    if width >= levels.shape[1] or height >= levels.shape[0]:
        return levels
    return np.asarray(cv2.resize(levels, (width, height), interpolation=cv2.INTER_AREA))


def smooth(levels: Levels, brush_px: float) -> Levels:
    """Return a picture in which nothing is finer than a brush.

    Parameters
    ----------
    levels : array
    brush_px : float [px]
        Under 2: nothing is smoothed.

    Returns
    -------
    array of the same shape

    Notes
    -----
    Each point becomes the mean of that one of the four squares at its corners in which the greys
    are most alike (Kuwahara's filter), then the median of its neighbours. A mean across an edge
    would be a ribbon of middle tones, to be painted round; a median alone turns hatching to white.
    Source: ``kuwahara-1976``.
    """
    side = round(brush_px)
    if side < _FEWEST_PX:
        return levels
    mean, spread = _squares(levels, side)
    reach = side - 1
    height, width = levels.shape
    best = mean[reach : reach + height, reach : reach + width].copy()
    least = spread[reach : reach + height, reach : reach + width].copy()
    for top, left in ((0, 0), (0, reach), (reach, 0)):
        here = spread[top : top + height, left : left + width]
        calmer = cv2.compare(here, least, cv2.CMP_LT)
        cv2.min(here, least, dst=least)
        cv2.copyTo(mean[top : top + height, left : left + width], calmer, best)
    rounded = np.minimum((best + 0.5).astype(np.uint16), TOP)
    return np.asarray(cv2.medianBlur(rounded, _TIDY_PX))


def _squares(levels: Levels, side: int) -> tuple[Floats, Floats]:
    """Return mean and variance of each square, by its bottom right corner in a wider picture."""
    wide = cv2.copyMakeBorder(
        levels.astype(np.float32), side - 1, side - 1, side - 1, side - 1, cv2.BORDER_REPLICATE
    )
    corner, size = (side - 1, side - 1), (side, side)
    mean = cv2.boxFilter(wide, -1, size, anchor=corner, borderType=cv2.BORDER_REPLICATE)
    square = cv2.sqrBoxFilter(wide, -1, size, anchor=corner, borderType=cv2.BORDER_REPLICATE)
    shown = (slice(side - 1, None), slice(side - 1, None))
    return mean[shown], (square - mean * mean)[shown]
