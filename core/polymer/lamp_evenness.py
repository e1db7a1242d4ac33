"""How even the light is over a plate, from nine readings over the bed."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from core.data.polymer import EVEN_SHARE, STEP_DENSITY
from core.errors import CoreError
from core.polymer.lamp_shapes import LampEvennessInput, LampEvennessOutput

Array = NDArray[np.float64]

_FINE, _SHOWN = 21, 5
_DOWN, _ACROSS = ("top", "middle", "bottom"), ("left", "", "right")


def lamp_evenness(given: LampEvennessInput) -> LampEvennessOutput:
    """Return by how much the light differs over a plate in the middle of the bed.

    Parameters
    ----------
    given : LampEvennessInput
        Bed and plate [mm], nine readings row by row from the top left, edge to edge.

    Returns
    -------
    LampEvennessOutput

    Raises
    ------
    CoreError
        ``too-large``: a plate larger than the bed.

    Notes
    -----
    A surface of second degree both ways goes through all nine. Source: ``lagrange``.
    """
    _check(given)
    field = np.array(given.readings).reshape(3, 3)
    middle = field[1, 1]
    reach = given.height_mm / given.bed_height_mm, given.width_mm / given.bed_width_mm
    over = _surface(field, *(np.linspace(-each, each, _FINE) for each in reach)) / middle
    least, most = float(over.min()), float(over.max())
    even = most / least - 1 <= EVEN_SHARE
    place = np.unravel_index(over.argmin(), over.shape)
    weakest = _named(int(place[0]), int(place[1]))
    return LampEvennessOutput(
        least=round(least, 4), most=round(most, 4),
        steps=round(math.log10(most / least) / STEP_DENSITY, 2),
        even=even, weakest=weakest,
        map=np.round(
            _surface(field, np.linspace(-1, 1, _SHOWN), np.linspace(-1, 1, _SHOWN)) / middle, 4
        ).tolist(),
        text=_text(even, least, most, weakest),
    )  # fmt: skip


def _check(given: LampEvennessInput) -> None:
    for name in ("width_mm", "height_mm"):
        bed = getattr(given, f"bed_{name}")
        if getattr(given, name) > bed:
            raise CoreError(
                "too-large", "The plate is larger than the bed under the lamp.", field=name,
                value=getattr(given, name), allowed=f"at most {bed:g}", unit="mm",
            )  # fmt: skip


def _surface(field: Array, down: Array, across: Array) -> Array:
    """Return the surface through three by three points at -1, 0 and 1."""
    return np.asarray(_lagrange(down) @ field @ _lagrange(across).T)


def _lagrange(at: Array) -> Array:
    return np.stack([at * (at - 1) / 2, 1 - at**2, at * (at + 1) / 2], axis=1)


def _named(row: int, column: int) -> str:
    third = _FINE / 3
    names = _DOWN[int(row // third)], _ACROSS[int(column // third)]
    return " ".join(name for name in names if name)


def _text(even: bool, least: float, most: float, weakest: str) -> str:
    apart = 100 * (most / least - 1)
    if even:
        return f"Even enough: over the plate the light differs by {apart:.0f} %."
    return (
        f"Uneven: over the plate the light differs by {apart:.0f} %, least at the {weakest}. Raise "
        "the lamp, turn the plate half way through, or lay smaller plates."
    )
