"""From the picture's own greys to the lightness they print at, and back."""

from __future__ import annotations

import itertools
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.study.levels import LEVELS, level_lstars
from core.study.shapes import Mapped

Array = NDArray[np.float64]
_EVERY_16 = 65_536


@dataclass(frozen=True)
class Scale:
    """How black to white of a picture map to what can be printed."""

    lightest: float
    darkest: float
    mapped: Mapped

    @property
    def lstars(self) -> Array:
        """Return the L* that each level asks for."""
        own = level_lstars()
        if self.mapped == "as-is":
            return own
        return self.darkest + (self.lightest - self.darkest) * own / 100.0

    @property
    def reach(self) -> tuple[float, float]:
        """Return the darkest and the lightest tone."""
        return self.darkest, self.lightest

    def middles(self, tones: list[float]) -> list[float]:
        """Return the L* between neighbouring tones: a pixel belongs to the nearest.

        Parameters
        ----------
        tones : list of float [L*]
            Falling.

        Returns
        -------
        list of float [L*]
        """
        return [(a + b) / 2 for a, b in itertools.pairwise(tones)]

    def table(self, bounds: list[float]) -> NDArray[np.uint8]:
        """Return the place of the tone that each level belongs to, 0 the lightest.

        Parameters
        ----------
        bounds : list of float [L*]
            Falling.

        Returns
        -------
        array (65536,)
            One for each value of 16 bits, of which the levels are the first.
        """
        places = np.searchsorted(-np.array(bounds), -self.lstars, side="right")
        whole = np.zeros(_EVERY_16, dtype=np.uint8)
        whole[:LEVELS] = places
        return whole
