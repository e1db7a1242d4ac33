"""Lay a proof's scan over the map of its plate: which way it lies, and where each point is."""

from __future__ import annotations

from dataclasses import dataclass
from typing import NamedTuple

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.reading.scan import Light, seen_through
from core.study.rectify import Corners, four_sided

Array = NDArray[np.float64]
Labels = NDArray[np.uint8]

LAID_PX = 420
"""Long side of the map as it is matched."""
SAME_PLATE = 0.6
"""Correlation with the map's tones under which a proof is taken for another plate's."""
_SURER = 0.02
"""A chart that is as like flipped is not told from one that is not."""
_STEPS = ((9, 60), (5, 60), (3, 80))
"""Blur of what is matched, and passes: coarse first."""
_LOOKED_AT_PX = 800
_LEVELS = (0.97, 0.94, 0.9, 0.8, 0.6)
_LEAST_INK = 0.02
_MOST_MOVED = 0.05
"""Of the plate's long side: what was found at first is never further off."""


@dataclass(frozen=True)
class Laid:
    """How a scan lies to the map of its plate."""

    warp: Array
    """From the plate (1 wide, 1 high, as it prints) to the worked picture."""
    likeness: float
    """Correlation of the scan with the map's tones."""

    @property
    def turned(self) -> int:
        """Return the degrees by which the sheet lay turned on the glass, clockwise."""
        left, right = seen_through(np.array([[0.0, 0.0], [1.0, 0.0]]), self.warp)
        along = right - left
        return round(float(np.degrees(np.arctan2(along[1], along[0]))) / 90) % 4 * 90


def corners_of(over: Light) -> list[Corners]:
    """Return what may be the corners of the plate mark in a scan of a proof.

    Parameters
    ----------
    over : array (height, width)
        Light over the sheet's.

    Returns
    -------
    list of array (4, 2)
        Clockwise.

    Raises
    ------
    CoreError
        No plate mark stands out.
    """
    less = min(1.0, _LOOKED_AT_PX / max(over.shape))
    small = cv2.resize(over, None, fx=less, fy=less, interpolation=cv2.INTER_AREA)
    soft = cv2.GaussianBlur(small, (0, 0), 1.5)
    found: list[Corners] = []
    for level in _LEVELS:
        mask = cv2.morphologyEx(
            (soft < level).astype(np.uint8), cv2.MORPH_CLOSE, np.ones((9, 9), np.uint8)
        )
        shape = four_sided(np.asarray(mask))
        found += [shape] if shape is not None else []
        ink = cv2.findNonZero(cv2.erode(mask, np.ones((5, 5), np.uint8)))
        if ink is not None and len(ink) > _LEAST_INK * mask.size:
            found.append(cv2.boxPoints(cv2.minAreaRect(ink)))
    if not found:
        raise CoreError(
            "no-plate-mark", "No plate mark stands out from the sheet. Drag its four corners.",
            field="corners_px", allowed="four corners of the plate mark",
        )  # fmt: skip
    return [_clockwise(each) / np.float32(less) for each in found]


def _clockwise(corners: NDArray) -> Corners:
    turn = np.arctan2(*(corners - corners.mean(axis=0)).T[::-1])
    return np.asarray(corners[np.argsort(turn)], dtype=np.float32)


def lay_over(over: Light, candidates: list[Corners], expected: Light, margin: float = 0.0) -> Laid:
    """Return how a scan lies to the map of its plate.

    Parameters
    ----------
    over : array (height, width)
        Light over the sheet's.
    candidates : list of array (4, 2) [px]
        What may be the corners of the plate mark, clockwise.
    expected : array (h, w)
        Light that each point of the plate should print, as it prints.
    margin : float
        Of bare sheet that is matched beyond the mark, over the plate's long side: even steps look
        alike wherever they are laid, and only the edge tells.

    Returns
    -------
    Laid

    Raises
    ------
    CoreError
        It lies mirrored, or it is another plate's.

    Notes
    -----
    Which way it lies is the turn that agrees best with the map; then the enhanced correlation
    coefficient is maximised over projective maps. Source: ``evangelidis-2008``.
    """
    less = LAID_PX / max(expected.shape)
    size = (max(8, round(expected.shape[1] * less)), max(8, round(expected.shape[0] * less)))
    pad = round(margin * LAID_PX)
    template = cv2.copyMakeBorder(
        cv2.resize(expected, size, interpolation=cv2.INTER_AREA), pad, pad, pad, pad,
        cv2.BORDER_CONSTANT, value=(1.0,),
    )  # fmt: skip
    seen = cv2.GaussianBlur(over, (0, 0), 1.0)
    ways = [way for corners in candidates for way in _ways(seen, corners, template, pad)]
    straight = max((way for way in ways if not way.flipped), key=lambda way: way.likeness)
    flipped = max((way for way in ways if way.flipped), key=lambda way: way.likeness)
    warp, likeness = _refined(seen, straight.warp, template)
    surely = max(likeness, straight.likeness) + _SURER
    if flipped.likeness > surely and flipped.likeness > SAME_PLATE:
        raise CoreError(
            "mirrored-scan", "This proof lies mirrored against its plate's map: the scan was "
            "flipped, or it is a counterproof. Flip it and send it again.", field="image",
            allowed="a proof the right way round",
        )  # fmt: skip
    likeness = _inner_likeness(seen, warp, template, pad)
    if likeness < SAME_PLATE:
        raise CoreError(
            "other-plate", "This does not look like a proof of this plate: its darks lie "
            "elsewhere than on the plate's map. If it is one, drag the corners of its plate mark.",
            field="image", value=round(likeness, 2), allowed=f"at least {SAME_PLATE:g} alike",
        )  # fmt: skip
    return Laid(warp @ np.array([[size[0], 0, pad], [0, size[1], pad], [0, 0, 1.0]]), likeness)


class _Way(NamedTuple):
    likeness: float
    flipped: bool
    warp: Array


def _ways(seen: Light, corners: Corners, template: Light, pad: int) -> list[_Way]:
    """Return the four turns of a sheet, straight and flipped, and how like the map each is."""
    size = (template.shape[1], template.shape[0])
    right, low = size[0] - pad, size[1] - pad
    onto = np.array([[pad, pad], [right, pad], [right, low], [pad, low]], dtype=np.float32)
    found = []
    for turned in range(4):
        warp = cv2.getPerspectiveTransform(onto, np.roll(corners, turned, axis=0))
        laid = _laid(seen, warp, size)
        found.append(_Way(_likeness(laid, template), False, warp))
        found.append(_Way(_likeness(np.fliplr(laid), template), True, warp))
    return found


def _inner_likeness(seen: Light, warp: Array, template: Light, pad: int) -> float:
    """Return the likeness within the plate: the sheet about it is like any sheet."""
    laid = _laid(seen, warp, (template.shape[1], template.shape[0]))
    inner = np.s_[pad : template.shape[0] - pad, pad : template.shape[1] - pad]
    return _likeness(laid[inner], template[inner])


def _laid(seen: Light, warp: Array, size: tuple[int, int]) -> Light:
    flags = cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP
    return np.asarray(cv2.warpPerspective(seen, warp, size, flags=flags, borderValue=1.0))


def _likeness(laid: Light, template: Light) -> float:
    return float(np.corrcoef(laid.ravel(), template.ravel())[0, 1])


def _refined(seen: Light, warp: Array, template: Light) -> tuple[Array, float]:
    """Return the map moved until scan and template agree best, and how well they do."""
    size = (template.shape[1], template.shape[0])
    best, likeness = warp, _likeness(_laid(seen, warp, size), template)
    for blur, passes in _STEPS:
        stop = (cv2.TERM_CRITERIA_COUNT | cv2.TERM_CRITERIA_EPS, passes, 1e-6)
        try:
            _, moved = cv2.findTransformECC(
                template, seen, best.astype(np.float32), cv2.MOTION_HOMOGRAPHY, stop, None, blur
            )
        except cv2.error:
            continue
        told = _likeness(_laid(seen, moved, size), template)
        if told > likeness and _moved(warp, moved, size) < _MOST_MOVED:
            best, likeness = np.asarray(moved, dtype=float), told
    return best, likeness


def _moved(first: Array, then: Array, size: tuple[int, int]) -> float:
    """Return how far the corners of a plate were moved, over its long side."""
    corners = np.array([[0, 0], [size[0], 0], size, [0, size[1]]], dtype=float)
    a, b = seen_through(corners, first), seen_through(corners, np.asarray(then, dtype=float))
    long = max(np.linalg.norm(a[1] - a[0]), np.linalg.norm(a[2] - a[1]))
    return float(np.linalg.norm(b - a, axis=1).max() / long)
