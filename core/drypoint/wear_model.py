"""Burr and line apart: equally likely ways in which a plate wears, after what was read of it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.data.wear import (
    BURR_DENSITY,
    BURR_DENSITY_FACTOR,
    LINE_DENSITY,
    LINE_DENSITY_SPREAD,
    PLATE_SPREAD,
    PULL_SPREAD_LSTAR,
    ROOM_SPREAD,
    SCRATCHED_AGAIN,
    SCRATCHED_AGAIN_SPREAD,
    STEEL_FACED,
    WEAR,
)
from core.drypoint.wear_shapes import WornPlate
from core.points import normal_points
from core.tone.lightness import lightness_from_density

Array = NDArray[np.float64]

DRAWS = 4096
_KEPT = 1024
_LEAST_DENSITY = 0.02
_TAILS = 6.0
"""Degrees of freedom of a reading's doubt: one that strays bends little."""


@dataclass(frozen=True)
class Burr:
    """What is thought of the logarithm of a burr's life in passes."""

    mean: float
    spread: float


@dataclass(frozen=True)
class Wear:
    """Equally likely plates: D(p) = line + burr · exp(−p / life), p passes since scratched."""

    line: Array
    burr: Array
    life: Array
    """[passes]."""
    again: Array
    """Share of the burr that scratching again brings back."""

    def lstar(self, worn: Array, since: list[float]) -> Array:
        """Return the tone after passes: (plates, passes) [L*].

        Parameters
        ----------
        worn : array (n,) [passes]
        since : list of float [passes]
            When it was scratched again; what of the burr was left then goes up in the new one.

        Returns
        -------
        array (plates, n)
        """
        return lightness_from_density(self.line[:, None] + self.burr_left(worn, since))

    def burr_left(self, worn: Array, since: list[float]) -> Array:
        """Return what the burr adds after passes: (plates, passes).

        Parameters
        ----------
        worn : array (n,) [passes]
        since : list of float [passes]

        Returns
        -------
        array (plates, n)
        """
        return _burr_left(self.burr, self.life, self.again, worn, since)


def _burr_left(burr: Array, life: Array, again: Array, worn: Array, since: list[float]) -> Array:
    left = burr[:, None] * np.exp(-worn[None] / life[:, None])
    for at in since:
        anew = (burr * again)[:, None] * np.exp(-(worn[None] - at) / life[:, None])
        left = np.where(worn[None] > at, np.maximum(left, anew), left)
    return np.asarray(left)


def burr_of(plate: WornPlate, history: Sequence[WornPlate]) -> Burr:
    """Return what is thought of a plate's burr before it was read.

    Parameters
    ----------
    plate : WornPlate
    history : sequence of WornPlate
        Other plates of the room.

    Returns
    -------
    Burr

    Notes
    -----
    ln life = table + room + plate. Each earlier plate tells the room's part by its own posterior,
    less sharply by how much plates differ; combined by inverse variance. Source:
    ``normal-regression``, ``room-practice``.
    """
    weight, told = 1 / ROOM_SPREAD**2, 0.0
    for other in history:
        prior = Burr(_table(other), math.hypot(ROOM_SPREAD, PLATE_SPREAD))
        mean, spread = _life_of(other, prior)
        own = 1 / spread**2 - 1 / prior.spread**2
        if own <= 0:
            continue
        seen = (mean / spread**2 - prior.mean / prior.spread**2) / own - _table(other)
        each = 1 / (1 / own + PLATE_SPREAD**2)
        weight, told = weight + each, told + each * seen
    return Burr(_table(plate) + told / weight, math.hypot(PLATE_SPREAD, weight**-0.5))


def _table(plate: WornPlate) -> float:
    """Return the logarithm of the table's life of what wears [passes]."""
    steel = STEEL_FACED if plate.steel_faced else 1.0
    row = WEAR[plate.material]
    return math.log((row.serves if plate.bitten else row.burr_impressions) * steel)


def _life_of(plate: WornPlate, prior: Burr) -> tuple[float, float]:
    """Return mean and spread of the logarithm of a burr's life, after its readings."""
    life = np.log(draw_wear(plate, prior, []).life)
    return float(life.mean()), float(max(life.std(), 1e-3))


def draw_wear(plate: WornPlate, prior: Burr, since: list[float]) -> Wear:
    """Return equally likely wears of a plate, after its readings.

    Parameters
    ----------
    plate : WornPlate
    prior : Burr
    since : list of float [passes]
        When it was scratched again.

    Returns
    -------
    Wear

    Notes
    -----
    Points of the prior, weighed by the readings, then drawn again evenly; twice, the second time
    about where the first stood, so that many readings leave enough points. Doubt of a reading has
    long tails. Source: ``bayes``.
    """
    middle, factor = np.zeros(4), np.eye(4)
    points = normal_points(DRAWS, 4)
    for _ in range(3):
        at = middle + points @ factor.T
        logs = _log_prior(at) - _log_proposal(points) + _log_likelihood(plate, prior, at, since)
        weights = np.exp(logs - logs.max())
        weights /= weights.sum()
        middle = weights @ at
        away = at - middle
        covariance = (weights[:, None] * away).T @ away
        factor = np.linalg.cholesky(1.3 * covariance + 1e-6 * np.eye(4))
    chosen = at[np.searchsorted(np.cumsum(weights), (np.arange(_KEPT) + 0.5) / _KEPT)]
    return _wear(prior, chosen)


def _log_prior(at: Array) -> Array:
    return np.asarray(-0.5 * (at**2).sum(axis=1))


def _log_proposal(points: Array) -> Array:
    """Return the logarithm of how densely points lie, but for a constant."""
    return np.asarray(-0.5 * (points**2).sum(axis=1))


def _wear(prior: Burr, at: Array) -> Wear:
    """Return the plates that standard points stand for."""
    return Wear(
        line=_softly_positive(LINE_DENSITY + LINE_DENSITY_SPREAD * at[:, 0]),
        burr=BURR_DENSITY * BURR_DENSITY_FACTOR ** at[:, 1],
        life=np.exp(prior.mean + prior.spread * at[:, 2]),
        again=np.clip(SCRATCHED_AGAIN + SCRATCHED_AGAIN_SPREAD * at[:, 3], 0.2, 1.3),
    )


def _softly_positive(density: Array) -> Array:
    scale = 0.06
    return _LEAST_DENSITY + scale * np.logaddexp(0.0, (density - _LEAST_DENSITY) / scale)


def _log_likelihood(plate: WornPlate, prior: Burr, at: Array, since: list[float]) -> Array:
    if not plate.readings:
        return np.zeros(len(at))
    wear = _wear(prior, at)
    worn = np.array([worn_by(plate, each.impression, each.worn) for each in plate.readings])
    seen = np.array([each.lstar for each in plate.readings])
    spread = np.hypot([each.spread for each in plate.readings], PULL_SPREAD_LSTAR)
    spread = spread * math.sqrt((_TAILS - 2) / _TAILS)
    off = (seen - wear.lstar(worn, since)) / spread
    return np.asarray(-0.5 * (_TAILS + 1) * np.log1p(off**2 / _TAILS).sum(axis=1))


def worn_by(plate: WornPlate, impression: int, worn: float | None) -> float:
    """Return the passes that an impression's marks have had, its own among them.

    Parameters
    ----------
    plate : WornPlate
    impression : int
    worn : float or None [passes]
        As it was counted.

    Returns
    -------
    float [passes]
    """
    return float(impression * plate.passes if worn is None else worn)
