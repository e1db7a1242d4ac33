"""How wide a bitten line is at the surface, how dark it prints, when the land beside it fails."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.lines import DARKNESS_DEPTH_UM, LEAST_LAND_UM

Array = NDArray[np.float64]


def top_width_um(
    needle_um: Array | float, depth_um: Array | float, undercut: Array | float
) -> Array:
    """Return the width of a line at the surface [µm].

    Parameters
    ----------
    needle_um, depth_um : array or float [µm], broadcast
    undercut : array or float

    Returns
    -------
    array [µm]

    Notes
    -----
    w = w₀ + 2·u·d: the mordant eats to both sides under the ground while it eats down.
    ``undercut`` u is about 0.7 in ferric and 1.0 in nitric. Source: ``room-practice``.
    """
    return np.asarray(needle_um) + 2.0 * np.asarray(undercut) * np.asarray(depth_um)


def darkness(depth_um: Array | float) -> Array:
    """Return printed darkness, 0 none to 1 the darkest a line can be: 1 − exp(−d/15 µm).

    Parameters
    ----------
    depth_um : array or float [µm]

    Returns
    -------
    array
        0 to 1.
    """
    return -np.expm1(-np.asarray(depth_um) / DARKNESS_DEPTH_UM.value)


def depth_for_darkness_um(wanted: float) -> float:
    """Return the depth [µm] that prints at a darkness between 0 and 1; inverse of ``darkness``.

    Parameters
    ----------
    wanted : float
        0 to below 1.

    Returns
    -------
    float [µm]
    """
    return float(-DARKNESS_DEPTH_UM.value * np.log1p(-wanted))


def failing_depth_um(needle_um: Array | float, spacing_um: float, undercut: Array | float) -> Array:
    """Return the depth [µm] at which land between lines ``spacing_um`` apart falls in.

    Parameters
    ----------
    needle_um : array or float [µm]
    spacing_um : float [µm]
    undercut : array or float

    Returns
    -------
    array [µm]

    Notes
    -----
    Land is spacing − width; under 60 µm it fails (crevé). 0 where it is too narrow unbitten.
    """
    room = spacing_um - LEAST_LAND_UM.value - np.asarray(needle_um)
    return np.maximum(0.0, room) / (2.0 * np.asarray(undercut))
