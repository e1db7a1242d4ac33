"""Graded shapes: crayon or thin varnish covers in part, and prints between two tones."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from core.data.study import RESISTS, YULE_NIELSEN, ResistKey
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

Array = NDArray[Any]


@dataclass(frozen=True)
class GradedTone:
    """What a graded shape prints from its thickest end to its bare one [L*]."""

    light: float
    light_low: float
    light_high: float
    dark: float


def mixed_reflectance(resists: Array, light_lstar: float, dark_lstar: float) -> Array:
    """Return the reflectance where a share of the surface kept its lighter tone.

    Parameters
    ----------
    resists : array
        Share of the surface, 0 to 1.
    light_lstar, dark_lstar : float [L*]
        The tone under the resist, and that of the open surface.

    Returns
    -------
    array

    Notes
    -----
    R^(1/n) = a·R₁^(1/n) + (1 − a)·R₂^(1/n), n = 1.7. Source: ``yule-nielsen``.
    """
    first, second = (
        float(reflectance_from_lightness(each)) ** (1 / YULE_NIELSEN)
        for each in (light_lstar, dark_lstar)
    )
    return np.asarray((resists * first + (1 - resists) * second) ** YULE_NIELSEN)


def speckle_share(resists: Array, light_lstar: float, dark_lstar: float) -> Array:
    """Return the share of light speckles whose mean light is that of the mixture.

    Parameters
    ----------
    resists : array
    light_lstar, dark_lstar : float [L*]

    Returns
    -------
    array
    """
    light, dark = (float(reflectance_from_lightness(each)) for each in (light_lstar, dark_lstar))
    mixed = mixed_reflectance(resists, light_lstar, dark_lstar)
    return np.asarray((mixed - dark) / max(light - dark, 1e-6))


def graded_tone(resist: ResistKey, light_lstar: float, dark_lstar: float) -> GradedTone:
    """Return what a graded shape prints at its ends, with the doubt of the resist.

    Parameters
    ----------
    resist : ResistKey
    light_lstar, dark_lstar : float [L*]

    Returns
    -------
    GradedTone
        95 % at the light end; a crayon is never sure.
    """
    row = RESISTS[resist]
    shares = np.clip(row.share + 1.96 * row.spread * np.array([0.0, -1.0, 1.0]), 0, 1)
    light, low, high = lightness_from_reflectance(
        mixed_reflectance(shares, light_lstar, dark_lstar)
    )
    return GradedTone(float(light), float(low), float(high), dark_lstar)
