"""What several plates cover → areas of a print that the same inks make."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]

MOST_AREAS = 12
_BARE, _LIGHT = 0.06, 0.4
"""Shares under which a plate is not there, and is light."""
_SOFT_MM, _AWAY_MM = 1.6, 0.8
"""Grain and hatching are one tone from so far; kept off an area's edge."""
_LEAST_SHARE, _LEAST_MM2 = 0.004, 12.0
_LEVELS = 3
_TONES = ("", "light", "dark")


@dataclass(frozen=True)
class InkArea:
    """Where the same plates print."""

    name: str
    inside: Mask
    """Off its edge."""
    share: float
    """Of the print, edge and all."""


def print_areas(names: list[str], covers: list[Array], per_mm: float) -> list[InkArea]:
    """Return areas of a print, the largest first.

    Parameters
    ----------
    names : list of str
        Of the plates.
    covers : list of array (h, w)
        What each covers, as it lies.
    per_mm : float

    Returns
    -------
    list of InkArea
        Bare paper is none of them.
    """
    levels = [_level(each, per_mm) for each in covers]
    code = sum(level.astype(int) * _LEVELS**at for at, level in enumerate(levels))
    found = []
    for each in np.unique(code):
        mask = code == each
        share = float(mask.mean())
        inner = _inner(mask, per_mm)
        if each and share >= _LEAST_SHARE and inner.sum() / per_mm**2 >= _LEAST_MM2:
            found.append((share, int(each), inner))
    kept = sorted(found, key=lambda each: (-each[0], each[1]))[:MOST_AREAS]
    said = _names(names, [each for _, each, _ in kept])
    return [
        InkArea(name, inner, round(share, 4))
        for name, (share, _, inner) in zip(said, kept, strict=True)
    ]


def _level(covers: Array, per_mm: float) -> NDArray[np.uint8]:
    px = max(1, round(_SOFT_MM * per_mm))
    soft = cv2.blur(covers, (px, px))
    return np.asarray((soft > _BARE).astype(np.uint8) + (soft > _LIGHT))


def _inner(mask: Mask, per_mm: float) -> Mask:
    px = 2 * max(1, round(_AWAY_MM * per_mm)) + 1
    kernel = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (px, px))
    eroded = cv2.erode(mask.astype(np.uint8), kernel, borderType=cv2.BORDER_CONSTANT, borderValue=0)
    return np.asarray(eroded) > 0


def _names(plates: list[str], codes: list[int]) -> list[str]:
    """Return what areas are called; light and dark only where two would be called the same."""
    split = [_levels_in(code, len(plates)) for code in codes]
    plain = [_called(plates, each, toned=False) for each in split]
    return [
        name if plain.count(name) == 1 else _called(plates, each, toned=True)
        for name, each in zip(plain, split, strict=True)
    ]


def _levels_in(code: int, plates: int) -> list[int]:
    return [code // _LEVELS**at % _LEVELS for at in range(plates)]


def _called(plates: list[str], levels: list[int], *, toned: bool) -> str:
    there = [
        f"{name} {_TONES[level]}" if toned else name
        for name, level in zip(plates, levels, strict=True)
        if level
    ]
    return f"{there[0]} alone" if len(there) == 1 else " with ".join(there)
