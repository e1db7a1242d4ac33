"""Tables from the light of a picture to its film, and to what that film prints."""

from __future__ import annotations

from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.polymer.correction_curve import PLACES
from core.polymer.positive_shapes import PositiveInput
from core.study.levels import FULL_LIGHT
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

Array = NDArray[np.float64]

PAPER_LSTAR, SOLID_LSTAR = 94.0, 20.0
"""What a plate prints where no chart was read, for drawing it. ``room-practice``"""


class FilmTones:
    """What becomes of each of 65536 steps of light.

    Parameters
    ----------
    given : PositiveInput
    """

    def __init__(self, given: PositiveInput) -> None:
        self.given = given
        light = np.arange(FULL_LIGHT + 1) / FULL_LIGHT
        self.lstar = np.asarray(lightness_from_reflectance(light))

    @cached_property
    def wanted(self) -> Array:
        """Return how far each goes from darkest (0) to lightest (1), after the levels."""
        levels = self.given.levels
        over = (self.lstar - levels.black_lstar) / (levels.white_lstar - levels.black_lstar)
        return np.asarray(np.clip(over, 0, 1) ** levels.middle)

    @cached_property
    def black(self) -> Array:
        """Return the share of black on the film."""
        curve = self.given.correction
        if curve is None:
            return np.asarray(1 - self.wanted)
        return np.interp(self.wanted * (PLACES - 1), np.arange(PLACES), curve.film)

    @cached_property
    def film(self) -> NDArray[np.uint16]:
        """Return the film's values, 65535 clear, 0 as black as its ink gets."""
        shown = (1 - self.black * self.given.most_black) * FULL_LIGHT
        return np.asarray(np.rint(shown), dtype=np.uint16)

    @property
    def reach(self) -> tuple[float, float]:
        """Return darkest and lightest [L*]."""
        curve = self.given.correction
        return (curve.darkest_lstar, curve.lightest_lstar) if curve else (SOLID_LSTAR, PAPER_LSTAR)

    def printed(self, black: Array) -> Array:
        """Return the tone [L*] that shares of black print.

        Parameters
        ----------
        black : array

        Returns
        -------
        array
        """
        dark, light = self.reach
        curve = self.given.correction
        if curve is None:
            return np.asarray(light + (dark - light) * black)
        way = np.interp(black, curve.film[::-1], np.linspace(1, 0, PLACES))
        return np.asarray(dark + (light - dark) * way)

    def off_without(self, light: NDArray[np.uint16]) -> float | None:
        """Return how far a picture would print from what is drawn, were its film not corrected.

        Parameters
        ----------
        light : array (height, width)

        Returns
        -------
        float [L*] or None
            RMS; None without a curve.
        """
        if self.given.correction is None:
            return None
        dark, bright = self.reach
        off = self.printed(1 - self.wanted) - (dark + (bright - dark) * self.wanted)
        return round(float(np.sqrt(np.mean(off[light] ** 2))), 1)

    def seen(self) -> dict[str, NDArray[np.uint8]]:
        """Return tables from light to the sRGB grey of each preview.

        Returns
        -------
        dict
            ``drawn``, ``without``, ``with``, ``film``.
        """
        return {
            "drawn": _grey(self.lstar),
            "without": _grey(self.printed(1 - self.wanted)),
            "with": _grey(self.printed(self.black)),
            "film": np.asarray(self.film >> 8, dtype=np.uint8),
        }


def _grey(lstar: Array) -> NDArray[np.uint8]:
    """Return the sRGB value of each tone. Source: ``srgb``."""
    light = np.asarray(reflectance_from_lightness(np.clip(lstar, 0, 100)))
    value = np.where(light <= 0.0031308, 12.92 * light, 1.055 * light ** (1 / 2.4) - 0.055)
    return np.asarray(np.rint(np.clip(value, 0, 1) * 255), dtype=np.uint8)
