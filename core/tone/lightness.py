"""Lightness of a printed tone: reflectance, CIE L*, optical density and grey step."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

LINEAR_FOOT_Y = 0.008856
LINEAR_SLOPE = 903.2963
DARKEST_Y = 1e-6
GREY_STEPS = 10


def lightness_from_reflectance(reflectance: Array | float) -> Array:
    """Return L* for reflectance Y relative to the bare sheet.

    Parameters
    ----------
    reflectance : array or float
        Over the bare sheet's.

    Returns
    -------
    array [L*]

    Notes
    -----
    L* = 116·Y^⅓ − 16, with the linear foot below Y = 0.008856. Source: ``cie-15``.
    """
    y = np.asarray(reflectance, dtype=float)
    return np.where(y > LINEAR_FOOT_Y, 116.0 * np.cbrt(y) - 16.0, LINEAR_SLOPE * y)


def reflectance_from_lightness(lstar: Array | float) -> Array:
    """Return reflectance Y relative to the bare sheet for L*. Source: ``cie-15``.

    Parameters
    ----------
    lstar : array or float [L*]

    Returns
    -------
    array
        Over the bare sheet's.
    """
    lightness = np.asarray(lstar, dtype=float)
    return np.where(lightness > 8.0, ((lightness + 16.0) / 116.0) ** 3, lightness / LINEAR_SLOPE)


def density_from_lightness(lstar: Array | float) -> Array:
    """Return optical density D = −log10 Y relative to the bare sheet.

    Parameters
    ----------
    lstar : array or float [L*]

    Returns
    -------
    array
    """
    return -np.log10(np.maximum(reflectance_from_lightness(lstar), DARKEST_Y))


def lightness_from_density(density: Array | float) -> Array:
    """Return L* for optical density relative to the bare sheet.

    Parameters
    ----------
    density : array or float

    Returns
    -------
    array [L*]
    """
    return lightness_from_reflectance(10.0 ** -np.asarray(density, dtype=float))


def grey_step(lstar: float) -> float:
    """Return the place on an even scale of ten steps, 0 paper white to 10 black.

    Parameters
    ----------
    lstar : float [L*]

    Returns
    -------
    float
    """
    return (100.0 - lstar) / 100.0 * GREY_STEPS
