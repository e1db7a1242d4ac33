"""What a time under the lamp that was missed does, and what image time a screen asks for."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.data.exposure_stages import LONG_SHARE, SHORT_SHARE, StageKey
from core.data.polymer import HELD_LSTAR
from core.polymer.exposure_pair import Drawn, drawn_at
from core.polymer.exposure_shapes import Outcome
from core.polymer.pair_model import Box
from core.polymer.pair_shapes import LEAST_PATCHES, PairPatch

Array = NDArray[np.float64]

_SHARES = (0.45, 0.6, 0.75, 0.88, SHORT_SHARE, LONG_SHARE, 1.15, 1.35, 1.7, 2.1)
"""Ends of the bands that are told apart; the last has none."""
_INSIDE = (0.2, 0.53, 0.68, 0.82, 0.93, 1.0, 1.09, 1.25, 1.5, 1.9, 3.0)
"""A share within each."""
_SCREENS = np.geomspace(0.6, 1.7, 9)
_IMAGES = 33
_SOFT_LSTAR = 1.0
"""Image times whose worth differs by less are averaged, so that the answer does not jump."""
_DOES = {
    ("screen", False): "Short: darks may wipe out.",
    ("screen", True): "Long: darks may stay closed and grey.",
    ("image", False): "Short: lights may print grey.",
    ("image", True): "Long: lights may be lost.",
}


@dataclass(frozen=True)
class Missed:
    """A pair of times and the test it is from; without enough patches only rules are known."""

    patches: list[PairPatch]
    pair: tuple[float, float]

    @cached_property
    def _at(self) -> Array:
        return np.log([[p.screen_seconds, p.image_seconds] for p in self.patches])

    @cached_property
    def _box(self) -> Box | None:
        """Return the tested times; None where they tell nothing of this pair."""
        if len(self.patches) < LEAST_PATCHES:
            return None
        box = Box(self._at.min(axis=0), self._at.max(axis=0))
        here = np.log(self.pair)
        inside = np.all(here >= box.low - 0.01) and np.all(here <= box.high + 0.01)
        return box if np.all(box.half > 0) and inside else None

    def _drawn(self, box: Box, seconds: Array) -> Drawn:
        asked = np.clip(np.log(seconds), box.low, box.high)
        return drawn_at(box, self._at, self.patches, asked)

    def image_by_screen(self) -> list[tuple[float, float]]:
        """Return the image time that serves best after each screen time.

        Returns
        -------
        list of (screen [s], image [s])
            The pair's own among them; empty where no test tells.
        """
        if self._box is None:
            return []
        low, high = np.exp(self._box.low), np.exp(self._box.high)
        screens = np.unique(np.clip(self.pair[0] * np.append(_SCREENS, 1.0), low[0], high[0]))
        images = np.geomspace(low[1], high[1], _IMAGES)
        grid = np.array([(s, i) for s in screens for i in images])
        worth = self._drawn(self._box, grid).worth.mean(axis=0).reshape(len(screens), _IMAGES)
        weights = np.exp((worth - worth.max(axis=1, keepdims=True)) / _SOFT_LSTAR)
        best = np.exp(weights @ np.log(images) / weights.sum(axis=1))
        own = best[np.abs(screens - self.pair[0]).argmin()]
        times = np.clip(self.pair[1] * best / own, low[1], high[1])
        return [(float(s), float(i)) for s, i in zip(screens, times, strict=True)]

    def outcomes(self, key: StageKey) -> list[Outcome]:
        """Return what a share of the time comes to, the other being as planned.

        Parameters
        ----------
        key : {"screen", "image"}

        Returns
        -------
        list of Outcome
        """
        ends = (*_SHARES, None)
        tones = self._tones(key)
        return [
            Outcome(up_to_share=end, code=_code(share), text=_text(key, share, tone))
            for end, share, tone in zip(ends, _INSIDE, tones, strict=True)
        ]

    def _tones(self, key: StageKey) -> list[tuple[float, float] | None]:
        """Return how far lights and darks stand off, at each share; None where untested."""
        if self._box is None:
            return [None] * len(_INSIDE)
        side = int(key == "image")
        seconds = np.tile(self.pair, (len(_INSIDE), 1))
        seconds[:, side] *= _INSIDE
        tested = np.abs(np.clip(np.log(seconds[:, side]), self._box.low[side],
                                self._box.high[side]) - np.log(seconds[:, side])) < 0.1  # fmt: skip
        drawn = self._drawn(self._box, seconds)
        lights, darks = drawn.highlight.mean(axis=0), drawn.shadow.mean(axis=0)
        return [
            (float(a), float(b)) if known else None
            for a, b, known in zip(lights, darks, tested, strict=True)
        ]


def _code(share: float) -> str:
    return "short" if share < SHORT_SHARE else "right" if share <= LONG_SHARE else "long"


def _text(key: StageKey, share: float, tones: tuple[float, float] | None) -> str:
    if _code(share) == "right":
        return "As planned."
    rule = _DOES[(key, share > 1)]
    if tones is None:
        return rule
    lights, darks = tones
    lost = [name for name, by in (("lights are lost", lights), ("darks close", darks))
            if by < HELD_LSTAR]  # fmt: skip
    way = "Short" if share < 1 else "Long"
    if lost:
        return f"{way}: by the test {' and '.join(lost)}."
    return f"{way}, and by the test both ends still hold: lights by {lights:.1f} L*, darks by " \
           f"{darks:.1f} L*."  # fmt: skip
