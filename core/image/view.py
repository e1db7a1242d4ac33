"""As much of a photograph as is looked at: the whole, coarser, or windows spread evenly over it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Region = Callable[[slice, slice], Array]
"""Linear light (height, width, 3) of some rows and columns of a photograph."""

MOST_PIXELS = 2_100_000
"""What is looked at: 34 mm² at 4 µm a pixel, thousands of grains; its work is that of one small
photograph, see ``benchmarks/figures.md``."""
COARSEST_UM = 5.0
"""A large photograph is made smaller, but never so that a fine grain falls between pixels."""
DOWN, ACROSS = 2, 3
"""Windows over a photograph that is too large even so; the map's patches lie whole within them."""


@dataclass(frozen=True)
class View:
    """Part of a photograph, as it is looked at.

    ``rgb`` (height, width, 3) linear light; ``rows`` (height,) and ``columns`` (width,) where they
    lie on the photograph, -1 to 1; ``piece`` is in one piece on it.
    """

    rgb: Array
    rows: Array
    columns: Array
    piece: tuple[slice, slice]
    um_per_pixel: float


def look_at(region: Region, size: tuple[int, int], um_per_pixel: float) -> View:
    """Return the view of a photograph, at most ``MOST_PIXELS`` of it.

    Parameters
    ----------
    region : callable
    size : (int, int)
        Height and width of the photograph [px].
    um_per_pixel : float [µm]

    Returns
    -------
    View
    """
    step = _step(size, um_per_pixel)
    height, width = (side // step for side in size)
    if height * width <= MOST_PIXELS:
        tall, wide = [(0, height)], [(0, width)]
    else:
        side = int(np.sqrt(MOST_PIXELS / (DOWN * ACROSS)))
        tall, wide = _spans(height, DOWN, side), _spans(width, ACROSS, side)
    rgb = np.vstack([np.hstack([_part(region, y, x, step) for x in wide]) for y in tall])
    return View(
        rgb=rgb,
        rows=_places(tall, height),
        columns=_places(wide, width),
        piece=(_first(tall), _middle(wide)),
        um_per_pixel=um_per_pixel * step,
    )


def _step(size: tuple[int, int], um_per_pixel: float) -> int:
    """Return how many pixels become one."""
    step = 1
    while size[0] * size[1] > MOST_PIXELS * step**2 and 2 * step * um_per_pixel <= COARSEST_UM:
        step *= 2
    return step


def _spans(whole: int, count: int, side: int) -> list[tuple[int, int]]:
    """Return where windows begin and end: each in the middle of its share of the whole."""
    side = min(side, whole // count)
    starts = [round(whole * (place + 0.5) / count - side / 2) for place in range(count)]
    return [(start, start + side) for start in starts]


def _part(region: Region, tall: tuple[int, int], wide: tuple[int, int], step: int) -> Array:
    """Return one window, ``step`` by ``step`` pixels averaged to one."""
    rows, columns = (slice(span[0] * step, span[1] * step) for span in (tall, wide))
    light = region(rows, columns)
    if step == 1:
        return light
    height, width = (span[1] - span[0] for span in (tall, wide))
    return np.asarray(light.reshape(height, step, width, step, 3).mean(axis=(1, 3)))


def _places(spans: list[tuple[int, int]], whole: int) -> Array:
    at = np.concatenate([np.arange(*span) for span in spans])
    return np.asarray(2.0 * at / max(whole - 1, 1) - 1.0)


def _first(spans: list[tuple[int, int]]) -> slice:
    return slice(0, spans[0][1] - spans[0][0])


def _middle(spans: list[tuple[int, int]]) -> slice:
    side = spans[0][1] - spans[0][0]
    return slice(side * (len(spans) // 2), side * (len(spans) // 2 + 1))
