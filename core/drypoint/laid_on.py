"""Lay photographs of one plate on each other: shifted and turned a little, or of another plate."""

from __future__ import annotations

import math
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.drypoint.lit import Grey, Lit, Small

Array = NDArray[np.float64]

_SMALL_PX = 512
"""Longest side on which turn and shift are looked for first."""
_TURNS = np.arange(-3.0, 3.01, 0.75)
_TILES = 4
_TILE_PX = 320
_ROUNDS = 2
_STRONG = 6.0
"""Times the noise: no chance."""
_TRUST = 0.04
"""Of a tile's answer: below it the tile shows nothing in common."""


@dataclass(frozen=True)
class Lie:
    """How a photograph lies on the first: turned about the middle, then shifted."""

    turn_deg: float
    shift: tuple[float, float]

    def onto(self, size: tuple[int, int]) -> Array:
        """Return the matrix that takes places on it to places on the first.

        Parameters
        ----------
        size : (int, int)
            Width and height [px].

        Returns
        -------
        array (2, 3)
        """
        matrix = cv2.getRotationMatrix2D((size[0] / 2, size[1] / 2), self.turn_deg, 1.0)
        matrix[:, 2] += self.shift
        return np.asarray(matrix)


STAYS = Lie(0.0, (0.0, 0.0))


def lay_on(first: Lit, other: Lit) -> Lie | None:
    """Return how a photograph lies on the first.

    Parameters
    ----------
    first, other : Lit
        Of one size.

    Returns
    -------
    Lie or None
        None where they show nothing in common that would tell.

    Notes
    -----
    Turns are tried on a small picture by phase correlation; then tiles at full size each tell their
    shift, and a turn and shift are fitted to them. Source: ``phase-correlation``.
    """
    less = min(1.0, _SMALL_PX / max(first.above.shape))
    small, moving = _lines(first, less), _lines(other, less)
    lie = max((_tried(small, moving, turn) for turn in _TURNS), key=lambda found: found[0])[1]
    lie = Lie(lie.turn_deg, (lie.shift[0] / less, lie.shift[1] / less))
    for _ in range(_ROUNDS):
        nearer = _nearer(first, other, lie)
        if nearer is None:
            return None
        lie = nearer
    return lie


def _lines(lit: Lit, less: float) -> Small:
    """Return the marks, small and soft, all about equally strong."""
    clipped = cv2.min(lit.above, 4 * _STRONG * lit.noise)
    small = cv2.resize(clipped, None, fx=less, fy=less, interpolation=cv2.INTER_AREA)
    return np.asarray(cv2.GaussianBlur(small.astype(np.float32), (0, 0), 1.0))


def _tried(small: Small, moving: Small, turn: float) -> tuple[float, Lie]:
    size = (small.shape[1], small.shape[0])
    turned = cv2.warpAffine(moving, Lie(turn, (0.0, 0.0)).onto(size), size)
    (x, y), response = cv2.phaseCorrelate(turned, small, _window(size))
    return response, Lie(turn, (x, y))


def _window(size: tuple[int, int]) -> Small:
    return np.asarray(cv2.createHanningWindow(size, cv2.CV_32F))


def _nearer(first: Lit, other: Lit, lie: Lie) -> Lie | None:
    """Return the lie after each tile has told how far it is still off; None where none can."""
    height, width = first.above.shape
    matrix = lie.onto((width, height))
    rows = [
        told
        for top, left, side in _tiles(height, width)
        if (told := _tile_off(first, other, matrix, (top, left, side)))
    ]
    if len(rows) < 2:
        return None
    return _fitted(lie, np.array(rows), (width, height))


def _tiles(height: int, width: int) -> list[tuple[int, int, int]]:
    side = min(_TILE_PX, height, width)
    tops = np.linspace(0, height - side, _TILES).astype(int)
    lefts = np.linspace(0, width - side, _TILES).astype(int)
    return [(int(top), int(left), side) for top in tops for left in lefts]


def _tile_off(
    first: Lit, other: Lit, matrix: Array, tile: tuple[int, int, int]
) -> tuple[float, float, float, float, float] | None:
    """Return a tile's middle, how far it is off, and how sure that is; None where it is not."""
    top, left, side = tile
    own = matrix.copy()
    own[:, 2] -= (left, top)
    moved = cv2.warpAffine(other.above, own, (side, side)) / np.float32(other.noise)
    fixed = first.above[top : top + side, left : left + side] / np.float32(first.noise)
    pair = [np.clip(each, 0.0, 4 * _STRONG) for each in (moved, fixed)]
    if min(float((each > _STRONG).mean()) for each in pair) < 5e-4:
        return None
    soft = [cv2.GaussianBlur(each, (0, 0), 1.2) for each in pair]
    (x, y), response = cv2.phaseCorrelate(soft[0], soft[1], _window((side, side)))
    if response < _TRUST or math.hypot(x, y) > side / 8:
        return None
    return (left + side / 2, top + side / 2, x, y, response)


def _fitted(lie: Lie, rows: Array, size: tuple[int, int]) -> Lie:
    """Return turn and shift fitted to the tiles, those that stray weighing little."""
    x, y = rows[:, 0] - size[0] / 2, rows[:, 1] - size[1] / 2
    zero, one = np.zeros(len(rows)), np.ones(len(rows))
    terms = np.concatenate([np.stack([y, one, zero], 1), np.stack([-x, zero, one], 1)])
    off = np.concatenate([rows[:, 2], rows[:, 3]])
    trust = np.tile(rows[:, 4], 2)
    weights = trust.copy()
    for _ in range(6):
        root = np.sqrt(weights)
        found = np.linalg.lstsq(terms * root[:, None], off * root, rcond=None)[0]
        weights = trust / (1 + ((off - terms @ found) / 1.0) ** 2)
    matrix = lie.onto(size)
    turned = math.degrees(float(found[0]))
    middle = np.array([size[0] / 2, size[1] / 2])
    carried = matrix @ np.array([*middle, 1.0]) - middle
    again = Lie(turned, (0.0, 0.0)).onto((0, 0))[:, :2] @ carried
    return Lie(lie.turn_deg + turned, (float(again[0] + found[1]), float(again[1] + found[2])))


def laid(other: Lit, lie: Lie, noise: float) -> Grey:
    """Return a photograph as it lies on the first, as strong over the same noise.

    Parameters
    ----------
    other : Lit
    lie : Lie
    noise : float [grey values]
        Of the first.

    Returns
    -------
    array (height, width)
    """
    size = (other.above.shape[1], other.above.shape[0])
    moved = cv2.warpAffine(other.above, lie.onto(size), size, flags=cv2.INTER_LINEAR)
    return np.asarray(cv2.convertScaleAbs(moved, alpha=noise / other.noise))
