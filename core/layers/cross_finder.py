"""Find a cross in a small window, to hundredths of a millimetre."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

_LINE_MM = 0.35
_TURNS_DEG = (-2.0, -1.0, 0.0, 1.0, 2.0)
_ALIKE = 0.35
"""Correlation with a cross under which none is there."""
_ARM_FROM, _ARM_TO, _ASIDE_MM = 0.25, 0.9, 0.7
_FEWEST = 6


@dataclass(frozen=True)
class FoundCross:
    """Where a cross lies in its window [mm], and how sure."""

    x_mm: float
    y_mm: float
    spread_mm: float
    likeness: float


def ink_seen(light: Array, ink: Array) -> Array:
    """Return how much of an ink each pixel shows, 1 where it is solid.

    Parameters
    ----------
    light : array (h, w, 3)
        Linear, over the paper's.
    ink : array (3,)
        Linear light of the ink printed solid.

    Returns
    -------
    array (h, w)

    Notes
    -----
    What a pixel lacks of the paper's light, along what the ink takes of it.
    """
    takes = 1 - ink
    return np.asarray(np.clip((1 - light) @ takes / (takes @ takes), -0.2, 1.5))


def find_cross(seen: Array, arm_mm: float, per_mm: float) -> FoundCross | None:
    """Return where a cross lies in a window; None where there is none.

    Parameters
    ----------
    seen : array (h, w)
        Ink, light where there is none.
    arm_mm : float
        Half its length.
    per_mm : float

    Returns
    -------
    FoundCross or None

    Notes
    -----
    The place that agrees best with a drawn cross, then a line through the middles of each arm
    (least squares, strays left out), and where both lines meet.
    """
    at, likeness = _matched(seen, arm_mm, per_mm)
    if at is None or likeness < _ALIKE:
        return None
    level = _arm(seen, at, arm_mm, per_mm)
    upright = _arm(seen.T, at[::-1], arm_mm, per_mm)
    if level is None or upright is None:
        return None
    (a, b, e1), (c, d, e2) = level, upright
    x = (c + d * a) / (1 - b * d)
    y = a + b * x
    if np.hypot(x - at[0], y - at[1]) > _ASIDE_MM * per_mm:
        return None
    return FoundCross(
        x_mm=(x + 0.5) / per_mm, y_mm=(y + 0.5) / per_mm, likeness=round(likeness, 3),
        spread_mm=float(np.hypot(e1, e2) / per_mm),
    )  # fmt: skip


def _matched(seen: Array, arm_mm: float, per_mm: float) -> tuple[Array | None, float]:
    best: tuple[Array | None, float] = (None, -1.0)
    soft = cv2.GaussianBlur(seen, (0, 0), max(0.5, _LINE_MM * per_mm / 2)).astype(np.float32)
    for turned in _TURNS_DEG:
        drawn = _drawn(arm_mm, per_mm, turned)
        if min(soft.shape) <= drawn.shape[0]:
            return None, -1.0
        alike = cv2.matchTemplate(soft, drawn, cv2.TM_CCOEFF_NORMED)
        _, most, _, where = cv2.minMaxLoc(alike)
        if most > best[1]:
            best = (np.asarray(where, dtype=float) + (drawn.shape[0] - 1) / 2, float(most))
    return best


def _drawn(arm_mm: float, per_mm: float, turned_deg: float) -> NDArray[np.float32]:
    """Return a cross as it would be seen."""
    half = max(3, round((arm_mm + 1) * per_mm))
    y, x = np.mgrid[-half : half + 1, -half : half + 1] / per_mm
    turn = np.radians(turned_deg)
    along, up = x * np.cos(turn) + y * np.sin(turn), -x * np.sin(turn) + y * np.cos(turn)
    wide = max(_LINE_MM, 1.0 / per_mm)
    arms = np.maximum(
        np.exp(-((up / wide) ** 2)) * (np.abs(along) < arm_mm),
        np.exp(-((along / wide) ** 2)) * (np.abs(up) < arm_mm),
    )
    return np.asarray(arms, dtype=np.float32)


def _arm(seen: Array, at: Array, arm_mm: float, per_mm: float) -> tuple[float, float, float] | None:
    """Return the line y = a + b·x through the level arm, and how sure it is [px]."""
    aside = max(2, round(_ASIDE_MM * per_mm))
    middle = round(float(at[1]))
    low, high = max(0, middle - aside), min(seen.shape[0], middle + aside + 1)
    columns = [
        x for x in range(seen.shape[1])
        if _ARM_FROM * arm_mm <= abs(x - at[0]) / per_mm <= _ARM_TO * arm_mm
    ]  # fmt: skip
    band = seen[low:high][:, columns]
    ink = np.clip(band - np.percentile(band, 20, axis=0), 0, None)
    ink = np.where(ink > 0.3 * ink.max(axis=0, initial=1e-6), ink, 0.0)
    total = ink.sum(axis=0)
    there = total > 0.25 * np.median(total[total > 0]) if (total > 0).any() else total > 0
    if there.sum() < _FEWEST:
        return None
    xs = np.asarray(columns, dtype=float)[there]
    ys = (ink * np.arange(low, high)[:, None]).sum(axis=0)[there] / total[there]
    keep = np.ones(len(xs), dtype=bool)
    for _ in range(3):
        b, a = np.polyfit(xs[keep], ys[keep], 1)
        off = np.abs(ys - a - b * xs)
        keep = off <= max(3 * 1.4826 * float(np.median(off)), 0.05)
        if keep.sum() < _FEWEST:
            return None
    stray = float((ys - a - b * xs)[keep].std())
    return float(a), float(b), stray / np.sqrt(keep.sum()) + 0.02
