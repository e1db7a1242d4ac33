"""Where a pair of exposures holds both ends, drawn over the times of its test."""

from __future__ import annotations

import contourpy
import numpy as np
from numpy.typing import NDArray

from core.polymer.pair_shapes import Outline, PairField

Array = NDArray[np.float64]

_EVEN, _SURE, _MAYBE = 0.5, 0.975, 0.025
_LEAST_POINTS = 4


def field_of(seconds: Array, held: Array, reach: Array, cells: int) -> PairField:
    """Return the field of a test.

    Parameters
    ----------
    seconds : array (cells², 2) [s]
        Screen and image times, screen by image.
    held, reach : array (cells²,)
        Chance that both ends hold, and the range [L*].
    cells : int

    Returns
    -------
    PairField
        Outlines as screen and image times, each closed.

    Notes
    -----
    Lines of one chance on the logarithms of both times. Source: ``marching-squares``.
    """
    shape = (cells, cells)
    screen = np.log(seconds[:, 0].reshape(shape)[:, 0])
    image = np.log(seconds[:, 1].reshape(shape)[0])
    chance = held.reshape(shape)
    return PairField(
        screen_seconds=np.round(np.exp(screen), 1).tolist(),
        image_seconds=np.round(np.exp(image), 1).tolist(),
        held=np.round(chance, 3).tolist(),
        range_lstar=np.round(reach.reshape(shape), 1).tolist(),
        likely=_outlines(screen, image, chance, _EVEN),
        surely=_outlines(screen, image, chance, _SURE),
        perhaps=_outlines(screen, image, chance, _MAYBE),
    )


def _outlines(screen: Array, image: Array, chance: Array, level: float) -> list[Outline]:
    """Return closed lines at a chance; the edge of what was tested closes them."""
    wide = np.pad(chance, 1)
    x, y = (np.concatenate([[at[0]], at, [at[-1]]]) for at in (image, screen))
    lines = contourpy.contour_generator(x=x, y=y, z=wide).lines(level)
    return [
        [(round(float(s), 1), round(float(i), 1)) for i, s in np.exp(line)]
        for line in lines
        if len(line) >= _LEAST_POINTS
    ]
