"""The most pieces of one size that can be torn from a sheet, each tear going right across."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Ints = NDArray[np.int64]
MOST_PLACES = 240
"""Places of tears that are tried on a side; a sheet with more is torn in rows."""


@dataclass(frozen=True)
class Torn:
    """A part of a sheet: torn in two at ``at`` along ``side``, else one piece or waste."""

    width: int
    height: int
    count: int
    side: str = ""
    at: int = 0
    parts: tuple[Torn, ...] = ()


def most_pieces(sheet: tuple[int, int], piece: tuple[int, int]) -> Torn:
    """Return how a sheet is torn into the most pieces, upright or across.

    Parameters
    ----------
    sheet, piece : (int, int)
        In one unit, whatever it is.

    Returns
    -------
    Torn

    Notes
    -----
    Every tear may be moved to the left until it meets a sum of pieces' sides, so only those places
    need be tried: F(w, h) = max over tears of F(left) + F(right). Exact where no side has more
    than ``MOST_PLACES`` such places. Source: ``herz-cutting``.
    """
    places = tuple(_places(side, piece) for side in sheet)
    if max(map(len, places)) > MOST_PLACES:
        return _in_rows(sheet, piece)
    table = _table(places, piece)
    return _torn(sheet, places, table, piece)


def _places(side: int, piece: tuple[int, int]) -> Ints:
    """Return the sums of pieces' sides up to ``side``, from 0."""
    one, other = piece
    sums = {
        i * one + j * other
        for i in range(side // one + 1)
        for j in range((side - i * one) // other + 1)
    }
    return np.array(sorted(sums), dtype=np.int64)


def _at(places: Ints, length: Ints | int) -> Ints:
    """Return the largest place that fits, by its index."""
    return np.asarray(np.searchsorted(places, length, side="right") - 1)


def _table(places: tuple[Ints, ...], piece: tuple[int, int]) -> Ints:
    """Return the most pieces for every pair of places."""
    wide, high = places
    best = np.zeros((len(wide), len(high)), dtype=np.int64)
    for way in (piece, piece[::-1]):
        best[np.ix_(wide >= way[0], high >= way[1])] = 1
    for i in range(1, len(wide)):
        left = np.arange(1, i)
        if len(left):
            across = best[left] + best[_at(wide, wide[i] - wide[left])]
            best[i] = np.maximum(best[i], across.max(axis=0))
        row = best[i]
        for j in range(1, len(high)):
            up = np.arange(1, j)
            if len(up):
                row[j] = max(row[j], (row[up] + row[_at(high, high[j] - high[up])]).max())
    return best


def _torn(
    size: tuple[int, int], places: tuple[Ints, ...], table: Ints, piece: tuple[int, int]
) -> Torn:
    i, j = (int(_at(where, side)) for where, side in zip(places, size, strict=True))
    count = int(table[i, j])
    if count <= 1:
        return _one(size, piece, count)
    side, at = _tear(table, places, (i, j), count)
    cut = int(places[0 if side == "width" else 1][at])
    near = (cut, size[1]) if side == "width" else (size[0], cut)
    far = (size[0] - cut, size[1]) if side == "width" else (size[0], size[1] - cut)
    parts = tuple(_torn(each, places, table, piece) for each in (near, far))
    return Torn(*size, count, side, cut, parts)


def _one(size: tuple[int, int], piece: tuple[int, int], count: int) -> Torn:
    """Return a part with one piece or none; what is over is torn off it."""
    if count == 0:
        return Torn(*size, 0)
    fits = [way for way in (piece, piece[::-1]) if way[0] <= size[0] and way[1] <= size[1]]
    way = min(fits, key=lambda each: (size[0] - each[0]) + (size[1] - each[1]))
    if size[0] > way[0]:
        rest = (Torn(size[0] - way[0], size[1], 0),)
        return Torn(*size, 1, "width", way[0], (_one((way[0], size[1]), piece, 1), *rest))
    if size[1] > way[1]:
        rest = (Torn(size[0], size[1] - way[1], 0),)
        return Torn(*size, 1, "height", way[1], (Torn(*way, 1), *rest))
    return Torn(*size, 1)


def _tear(
    table: Ints, places: tuple[Ints, ...], index: tuple[int, int], count: int
) -> tuple[str, int]:
    """Return a tear that leaves the most pieces."""
    i, j = index
    wide, high = places
    for k in range(1, i):
        if table[k, j] + table[_at(wide, int(wide[i] - wide[k])), j] == count:
            return "width", k
    for k in range(1, j):
        if table[i, k] + table[i, _at(high, int(high[j] - high[k]))] == count:
            return "height", k
    raise AssertionError("a table has a tear for every count above one")


def _in_rows(sheet: tuple[int, int], piece: tuple[int, int]) -> Torn:
    """Return the better of rows of pieces upright and across, for very small pieces."""
    ways = [(piece, "height"), (piece[::-1], "height"), (piece, "width"), (piece[::-1], "width")]
    return max((_rows(sheet, way, side) for way, side in ways), key=lambda torn: torn.count)


def _rows(size: tuple[int, int], way: tuple[int, int], side: str) -> Torn:
    axis = 1 if side == "height" else 0
    if size[axis] < way[axis] or size[1 - axis] < way[1 - axis]:
        return Torn(*size, 0)
    near, far = list(size), list(size)
    near[axis], far[axis] = way[axis], size[axis] - way[axis]
    row = _row((near[0], near[1]), way, "width" if side == "height" else "height")
    rest = _rows((far[0], far[1]), way, side) if far[axis] else None
    count = row.count + (rest.count if rest else 0)
    return Torn(*size, count, side, way[axis], (row, rest)) if rest else row


def _row(size: tuple[int, int], way: tuple[int, int], side: str) -> Torn:
    axis = 0 if side == "width" else 1
    if size[axis] < way[axis]:
        return Torn(*size, 0)
    if size[axis] == way[axis]:
        return Torn(*size, 1)
    near, far = list(size), list(size)
    near[axis], far[axis] = way[axis], size[axis] - way[axis]
    rest = _row((far[0], far[1]), way, side)
    return Torn(*size, 1 + rest.count, side, way[axis], (Torn(near[0], near[1], 1), rest))
