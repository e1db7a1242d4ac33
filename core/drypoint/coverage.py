"""How much of a surface crossed lines cover, and what that prints."""

from __future__ import annotations

import math
from collections.abc import Iterable

from core.bath.posterior import BAND_SDS
from core.data.scratches import PAPER_FACTOR, SPACING_SHARE, WIDTH_SHARE
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

Lines = tuple[float, float]
"""Printed width and distance, middle to middle [µm]."""


def covered_share(layers: Iterable[Lines]) -> float:
    """Return the share of a surface that layers of lines cover.

    Parameters
    ----------
    layers : iterable of (float, float) [µm]
        Width and spacing; lines that reach each other cover all.

    Returns
    -------
    float

    Notes
    -----
    a = 1 − Π(1 − w/s): layers at an angle cover each other by chance. Source: ``murray-davies``.
    """
    return 1.0 - math.prod(1.0 - min(1.0, width / spacing) for width, spacing in layers)


def printed_lstar(
    covered: float, lightest_lstar: float, solid_lstar: float, factor: float = PAPER_FACTOR.value
) -> float:
    """Return what a surface prints of which a share holds solid ink.

    Parameters
    ----------
    covered : float
        0 to 1.
    lightest_lstar, solid_lstar : float [L*]
    factor : float
        n of Yule and Nielsen; 1 is Murray and Davies.

    Returns
    -------
    float [L*]

    Notes
    -----
    R^(1/n) = a·R_solid^(1/n) + (1 − a)·R_bare^(1/n). Source: ``murray-davies``, ``yule-nielsen``.
    """
    bare, solid = (
        float(reflectance_from_lightness(each)) ** (1 / factor)
        for each in (lightest_lstar, solid_lstar)
    )
    mixed = (covered * solid + (1 - covered) * bare) ** factor
    return float(lightness_from_reflectance(mixed))


def share_for(
    lstar: float, lightest_lstar: float, solid_lstar: float, factor: float = PAPER_FACTOR.value
) -> float:
    """Return the share that must be covered for a tone; the inverse of ``printed_lstar``.

    Parameters
    ----------
    lstar, lightest_lstar, solid_lstar : float [L*]
    factor : float

    Returns
    -------
    float
        Within 0 and 1 where the tone lies between bare and solid. Source: ``yule-nielsen``.
    """
    bare, solid, wanted = (
        float(reflectance_from_lightness(each)) ** (1 / factor)
        for each in (lightest_lstar, solid_lstar, lstar)
    )
    return (bare - wanted) / (bare - solid)


def doubt_of(layers: list[Lines], width_spread: float | None) -> float:
    """Return the spread [share] of what layers cover, 1 SD.

    Parameters
    ----------
    layers : list of (float, float) [µm]
    width_spread : float or None
        Of the width, as a share; the same hand draws all layers.

    Returns
    -------
    float
    """
    width = WIDTH_SHARE if width_spread is None else width_spread
    moved = [covered_share((w * (1 + by), s) for w, s in layers) for by in (-width / 2, width / 2)]
    spaced = [
        covered_share((w, s * (1 + by)) for w, s in layers)
        for by in (-SPACING_SHARE / 2, SPACING_SHARE / 2)
    ]
    return math.hypot(moved[1] - moved[0], spaced[1] - spaced[0])


def band_of(
    covered: float, spread: float, lightest_lstar: float, solid_lstar: float
) -> tuple[float, float]:
    """Return the 95 % band of the tone that a share prints.

    Parameters
    ----------
    covered, spread : float
        Share and its 1 SD.
    lightest_lstar, solid_lstar : float [L*]

    Returns
    -------
    (float, float) [L*]
        Low and high.
    """
    middle = printed_lstar(covered, lightest_lstar, solid_lstar)
    ends = [
        printed_lstar(min(1.0, max(0.0, covered + by)), lightest_lstar, solid_lstar)
        for by in (BAND_SDS * spread, -BAND_SDS * spread)
    ]
    n, by_n = PAPER_FACTOR.value, BAND_SDS * PAPER_FACTOR.spread
    paper = [
        abs(printed_lstar(covered, lightest_lstar, solid_lstar, each) - middle)
        for each in (n - by_n, n + by_n)
    ]
    low = middle - math.hypot(middle - ends[0], max(paper))
    high = middle + math.hypot(ends[1] - middle, max(paper))
    return max(solid_lstar, low), min(lightest_lstar, high)
