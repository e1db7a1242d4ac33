"""How light a patch is: mean light of small blocks over the sheet's, away from its edges."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.reading.row import Row
from core.reading.scan import Light, seen_through
from core.reading.sheet import White
from core.tone.lightness import lightness_from_reflectance

Array = NDArray[np.float64]

INSET = 0.12
"""Of a patch on each side: stop-out creeps, and ink gathers at edges."""
BLOCKS = 9
"""Along each side of what is read: of a patch of 12 mm a block of about a millimetre."""
_OFF_SPREADS, _OFF_LIGHT = 4.0, 0.02
_SPLASH_BLOCKS = 8
_HALF_OF_NORMAL = 1.349
LEAST_SPREAD, LEAST_DOUBT = 0.2, 0.4
"""Of a tone, however even: what the white is sure to. ``room-practice``"""


@dataclass(frozen=True)
class Tone:
    """What a patch reads [L*]."""

    lstar: float
    spread: float
    doubt: float
    """Standard deviation of the tone itself."""
    off: float
    """Share of its blocks that are not of its tone: a splash, a hole in the grain."""


@dataclass(frozen=True)
class Black:
    """A black of known tone, by which stray light is taken out."""

    seen: float
    """Its light over the sheet's, as the scan has it."""
    known: float
    """As it is."""

    def mended(self, over: Array) -> Array:
        """Return light over the sheet's without the stray light.

        Parameters
        ----------
        over : array

        Returns
        -------
        array of the same shape
        """
        return self.known + (over - self.seen) * (1 - self.known) / (1 - self.seen)


def read_patch(light: Light, white: White, row: Row, place: int, black: Black | None) -> Tone:
    """Return the tone of one patch of a row.

    Parameters
    ----------
    light : array (height, width)
    white : White
    row : Row
    place : int
    black : Black or None

    Returns
    -------
    Tone
    """
    half = row.gap / 2
    wide = 1 - row.gap
    left, right = place + half + INSET * wide, place + 1 - half - INSET * wide
    return tone_of(blocks_over(light, white, row.warp, (left, right, INSET, 1 - INSET)), black)


def blocks_over(
    light: Light, white: White, warp: Array, box: tuple[float, float, float, float]
) -> Array:
    """Return the mean light of the blocks of a box, over the sheet's at each.

    Parameters
    ----------
    light : array (height, width)
    white : White
    warp : array (3, 3)
        From the box's own plane to the picture.
    box : (left, right, top, bottom)

    Returns
    -------
    array (BLOCKS², )
    """
    left, right, top, bottom = box
    corners = seen_through(
        np.array([[left, top], [right, top], [right, bottom], [left, bottom]]), warp
    )
    sides = np.linalg.norm(corners - np.roll(corners, 1, axis=0), axis=1)
    down, across = (max(2, round(float(s.max()) / BLOCKS)) for s in (sides[::2], sides[1::2]))
    x, y = np.meshgrid(
        left + (right - left) * _middles(BLOCKS * across),
        top + (bottom - top) * _middles(BLOCKS * down),
    )
    points = seen_through(np.column_stack([x.ravel(), y.ravel()]), warp)
    at = points.reshape(*x.shape, 2)
    seen = cv2.remap(light, at[..., 0], at[..., 1], cv2.INTER_LINEAR)
    over = seen.astype(float) / white.at(points).reshape(x.shape)
    return np.asarray(over.reshape(BLOCKS, down, BLOCKS, across).mean(axis=(1, 3)).ravel())


def _middles(count: int) -> Array:
    """Return the middles of so many equal parts of 0 to 1."""
    return (np.arange(count) + 0.5) / count


def tone_of(over: Array, black: Black | None = None) -> Tone:
    """Return the tone of blocks of light over the sheet's, a splash among them let go.

    Parameters
    ----------
    over : array (n,)
    black : Black or None

    Returns
    -------
    Tone

    Notes
    -----
    The mean of the blocks, without those that lie together far from their median. Where few
    grains lie in a block, the median alone leans to the commoner of ink and paper: single blocks
    far off are grain, several beside each other are none. Source: ``room-practice``.
    """
    light = black.mended(over) if black else over
    near = ~_splashes(light)
    lstars = lightness_from_reflectance(np.maximum(light, 0.0))
    wide = 1.48 * float(np.median(np.abs(lstars - np.median(lstars))))
    spread = max(LEAST_SPREAD, wide)
    return Tone(
        lstar=float(lightness_from_reflectance(max(float(light[near].mean()), 0.0))),
        spread=spread,
        doubt=float(np.hypot(LEAST_DOUBT, spread / max(1.0, float(near.sum())) ** 0.5)),
        off=float(1 - near.mean()),
    )


def _densest_half(values: Array) -> tuple[float, float]:
    """Return middle and standard deviation by the half of values that lies closest together."""
    rank = np.sort(values)
    half = len(rank) // 2
    wide = rank[half:] - rank[: len(rank) - half]
    at = int(wide.argmin())
    return float((rank[at] + rank[at + half]) / 2), float(wide[at]) / _HALF_OF_NORMAL


def _splashes(light: Array) -> NDArray[np.bool_]:
    """Return which blocks are off together: what is no grain of this patch."""
    side = round(len(light) ** 0.5)
    even = cv2.blur(light.reshape(side, side), (3, 3), borderType=cv2.BORDER_REFLECT)
    middle, spread = _densest_half(even.ravel())
    off = np.abs(even - middle) > _OFF_SPREADS * spread + _OFF_LIGHT
    count, labels, facts, _ = cv2.connectedComponentsWithStats(off.astype(np.uint8), connectivity=4)
    large = [k for k in range(1, count) if facts[k, cv2.CC_STAT_AREA] >= _SPLASH_BLOCKS]
    found = np.isin(labels, large).astype(np.uint8)
    return np.asarray(cv2.dilate(found, np.ones((3, 3), np.uint8)).ravel() > 0)
