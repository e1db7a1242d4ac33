"""What measurements leave of the doubt of a bath's speed.

The unknowns and what was seen of them hang together by one covariance; what was seen moves the
rest (normal regression), for each energy and end of life. How likely each of these is then follows
from how well it foretold what was seen.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.bath.moments import Moments

Array = NDArray[np.float64]

BAND_SDS = 1.959964
"""Standard deviations on both sides that hold 95 %."""


@dataclass(frozen=True)
class Told:
    """An answer, as a normal of a logarithm or another number."""

    mean: float
    variance: float

    @property
    def spread(self) -> float:
        """Return its standard deviation."""
        return float(np.sqrt(self.variance))

    @property
    def band(self) -> tuple[float, float]:
        """Return its 95 % band."""
        reach = BAND_SDS * self.spread
        return self.mean - reach, self.mean + reach


@dataclass(frozen=True)
class Question:
    """What is asked: which moments it adds up, and how far a strip's curve strays in it.

    ``weights`` (n + 1,) of the moments and the strength behind them; ``strays`` (draws,) or None.
    """

    weights: Array
    strays: Array | None = None


@dataclass(frozen=True)
class Sight(Question):
    """What was seen of such a question: ``value``, and the variance of its own noise."""

    value: float = 0.0
    variance: float = 0.0
    curve: int = -1
    """Patches of one curve stray together."""


@dataclass(frozen=True)
class Known:
    """Moments of a bath, and what was seen of them."""

    moments: Moments
    sights: list[Sight] = field(default_factory=list)

    def without(self, place: int) -> Known:
        """Return the same with one sight left out.

        Parameters
        ----------
        place : int

        Returns
        -------
        Known
        """
        return Known(self.moments, [s for i, s in enumerate(self.sights) if i != place])

    def only(self, place: int) -> Known:
        """Return the same with one sight alone.

        Parameters
        ----------
        place : int

        Returns
        -------
        Known
        """
        return Known(self.moments, [self.sights[place]])

    @cached_property
    def weights(self) -> Array:
        """Return how likely each pair of energy and end of life is: (pairs,)."""
        _, _, weights = self.moments.grid
        if not self.sights:
            return weights
        off = self._off
        logs = -0.5 * ((off @ self._inverse) * off).sum(axis=1)
        weights = weights * np.exp(logs - logs.max())
        return np.asarray(weights / weights.sum())

    @cached_property
    def log_evidence(self) -> float:
        """Return how well all this foretold what was seen: the logarithm of its density."""
        if not self.sights:
            return 0.0
        off = self._off
        logs = -0.5 * ((off @ self._inverse) * off).sum(axis=1)
        _, _, weights = self.moments.grid
        most = float(logs.max())
        _, log_determinant = np.linalg.slogdet(self._inverse)
        return most + float(np.log(weights @ np.exp(logs - most))) + 0.5 * float(log_determinant)

    def answer(self, asked: Question, curve: int = -1) -> Told:
        """Return a question's answer.

        Parameters
        ----------
        asked : Question
        curve : int
            Whose straying it shares with the sights of the same number.

        Returns
        -------
        Told
        """
        means = self.moments.means @ asked.weights
        variance = self._own_variance(asked)
        if self.sights:
            cross = self._cross(asked, curve)
            gain = self._inverse @ cross
            means = means + self._off @ gain
            variance -= float(gain @ cross)
        mean = float(self.weights @ means)
        spread = float(self.weights @ (means - mean) ** 2)
        return Told(mean, max(variance, 0.0) + spread)

    def _own_variance(self, asked: Question) -> float:
        own = float(asked.weights @ self.moments.covariance @ asked.weights)
        return own + (0.0 if asked.strays is None else float(asked.strays.var()))

    def _cross(self, asked: Question, curve: int) -> Array:
        cross = self._rows @ self.moments.covariance @ asked.weights
        if asked.strays is not None:
            cross = cross + [
                _together(asked.strays, s.strays) if s.curve == curve else 0.0 for s in self.sights
            ]
        return np.asarray(cross)

    @cached_property
    def _rows(self) -> Array:
        return np.array([sight.weights for sight in self.sights])

    @cached_property
    def _off(self) -> Array:
        """Return by how much each sight was not foretold, for each pair: (pairs, sights)."""
        seen = np.array([sight.value for sight in self.sights])
        return np.asarray(seen - self.moments.means @ self._rows.T)

    @cached_property
    def _inverse(self) -> Array:
        total = self._rows @ self.moments.covariance @ self._rows.T
        total = total + np.diag([sight.variance for sight in self.sights])
        for curve in {sight.curve for sight in self.sights if sight.strays is not None}:
            places = [i for i, s in enumerate(self.sights) if s.curve == curve]
            strays = np.array([self.sights[i].strays for i in places])
            strays = strays - strays.mean(axis=1, keepdims=True)
            total[np.ix_(places, places)] += strays @ strays.T / strays.shape[1]
        return np.asarray(np.linalg.inv(total))


def _together(first: Array | None, second: Array | None) -> float:
    """Return the covariance of two strayings of one curve's draws."""
    if first is None or second is None:
        return 0.0
    return float(np.mean((first - first.mean()) * (second - second.mean())))
