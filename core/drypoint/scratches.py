"""Which pixels are scratched: ridges over the noise, cut at half their height."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np

from core.drypoint.lit import Mask, Signal

_SEED, _LEAST = 6.5, 3.0
"""Times the noise: where a scratch begins to be believed, and how faint its edge may be."""
_HALF = 0.45
_SPECK_PX, _SPECK_LONG_PX = 10, 8
"""What is smaller, or shorter, is dust."""


@dataclass(frozen=True)
class Scratches:
    """The scratched pixels, and how far each pixel is on the way to one (1: at its limit)."""

    mask: Mask
    nearness: Signal


def find_scratches(merged: Signal) -> Scratches:
    """Return the scratches of a merged view.

    Parameters
    ----------
    merged : array (height, width)
        How far each pixel stands out, in units of the noise.

    Returns
    -------
    Scratches

    Notes
    -----
    A pixel belongs to a scratch where it stands at half the height of the ridge beside it, and the
    ridge reaches far over the noise; so a soft edge ends where the line does.
    """
    top = cv2.dilate(merged, _round(7))
    limit = np.maximum(_HALF * top, np.float32(_LEAST))
    nearness = merged / limit
    body = (nearness >= 1).astype(np.uint8)
    count, labels, stats, _ = cv2.connectedComponentsWithStats(body, connectivity=8)
    keep = _believed(merged, labels, stats, count)
    return Scratches(np.asarray(keep[labels]), np.asarray(nearness))


def _believed(merged: Signal, labels, stats, count: int) -> Mask:  # noqa: ANN001 (cv2's arrays)
    """Return which pieces are scratches: one bright place at least, and longer than dust."""
    bright = labels[merged >= _SEED]
    seeds = np.bincount(bright, minlength=count)
    long = np.hypot(stats[:, cv2.CC_STAT_WIDTH], stats[:, cv2.CC_STAT_HEIGHT])
    keep = (seeds >= 2) & (stats[:, cv2.CC_STAT_AREA] >= _SPECK_PX) & (long >= _SPECK_LONG_PX)
    keep[0] = False
    return np.asarray(keep)


def _round(side: int) -> np.ndarray:
    return np.asarray(cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (side, side)))
