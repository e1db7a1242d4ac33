"""Which pixels are scratched: ridges over the noise, cut at half their height."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from core.drypoint.lit import Grey, Mask

_SEED, _LEAST = 6.5, 4.0
"""Times the noise: where a scratch begins to be believed, and how faint its edge may be."""
_HALF = 0.45
_BESIDE_PX = 7
_SPECK_PX, _SPECK_LONG_PX = 10, 8
"""What is smaller, or shorter, is dust."""
AT_LIMIT = 64
"""Of ``nearness``: a pixel here is just scratched."""


@dataclass(frozen=True)
class Scratches:
    """The scratched pixels, and how far each pixel is on the way to one (``AT_LIMIT``: there)."""

    mask: Mask
    nearness: Grey


def find_scratches(merged: Grey, noise: float) -> Scratches:
    """Return the scratches of a merged view.

    Parameters
    ----------
    merged : array (height, width) [grey values]
        How far each pixel stands out.
    noise : float [grey values]

    Returns
    -------
    Scratches

    Notes
    -----
    A pixel belongs to a scratch where it stands at half the height of the ridge beside it, and the
    ridge reaches far over the noise; so a soft edge ends where the line does.
    """
    beside = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (_BESIDE_PX, _BESIDE_PX))
    limit = cv2.LUT(cv2.dilate(merged, beside), _limits(noise))
    nearness = cv2.divide(merged, limit, scale=AT_LIMIT)
    body = cv2.compare(merged, limit, cv2.CMP_GE)
    count, labels, stats, _ = cv2.connectedComponentsWithStats(body, connectivity=8)
    at = np.flatnonzero(body)
    piece = labels.ravel()[at]
    seeds = np.bincount(piece[merged.ravel()[at] >= _SEED * noise], minlength=count)
    mask = np.zeros(merged.size, bool)
    mask[at] = _believed(seeds, stats)[piece]
    return Scratches(mask.reshape(merged.shape), np.asarray(nearness))


def _limits(noise: float) -> Grey:
    """Return the least value of a scratch for each height of the ridge beside it."""
    heights = np.arange(256)
    return np.asarray(np.ceil(np.maximum(_HALF * heights, _LEAST * noise)), dtype=np.uint8)


def _believed(seeds: NDArray[Any], stats: NDArray[Any]) -> Mask:
    """Return which pieces are scratches: one bright place at least, and longer than dust."""
    long = np.hypot(stats[:, cv2.CC_STAT_WIDTH], stats[:, cv2.CC_STAT_HEIGHT])
    keep = (seeds >= 2) & (stats[:, cv2.CC_STAT_AREA] >= _SPECK_PX) & (long >= _SPECK_LONG_PX)
    keep[0] = False
    return np.asarray(keep)
