"""What a strip's patches say of its curve: many curves that agree with them, weighed and drawn."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from core.points import normal_points
from core.tone.shape import SIZE, WETTING, PriorShape, biting_seconds, curve_lightness

Array = NDArray[np.float64]

DEFAULT_READING_SPREAD = 0.9
"""L*, one standard deviation of a patch read by eye or scanner when none was given."""
PATCH_SCATTER = 0.35
"""L*, patch to patch differences of grain, wiping and dips that no reading spread tells of."""
FREEDOM = 10.0
"""Degrees of freedom of the patch scatter: heavy tails, so that one bad patch cannot bend it."""

_TRIALS = 768
_DRAWS = 144
_STEPS = 25
_NUDGE = 1e-4
_WIDEN = 1.25
_FLATTEST_WEIGHT = 0.9


@dataclass(frozen=True)
class Readings:
    """Patches in order of time, in groups that are fitted as one; all of them had their dips.

    ``seconds`` [s, cumulative in the bath] is an array (n,); ``lstar``, ``spread`` (reading SD,
    L*), ``scatter`` (L*) and ``used`` (bool) are arrays (groups,). ``mix`` (n, groups) makes means
    of groups.
    """

    seconds: Array
    lstar: Array
    spread: Array
    scatter: Array
    used: NDArray[np.bool_]
    mix: Array
    bitten: Literal["dips", "once", "reference"]
    other_dips: Array = field(default_factory=lambda: np.empty(0))
    """Cumulative seconds of dips whose own patch does not count."""

    def without(self, place: int) -> Readings:
        """Return the same readings with one group left out of the fit.

        Parameters
        ----------
        place : int

        Returns
        -------
        Readings
        """
        used = self.used.copy()
        used[place] = False
        return replace(self, used=used)

    def reference(self, wetting: Array) -> Array:
        """Return the biting time of each group for each wetting time.

        Parameters
        ----------
        wetting : array (curves,) [s]

        Returns
        -------
        array (curves, groups) [reference s]
        """
        return np.asarray(self.reference_of_patches(wetting) @ self.mix)

    def reference_of_patches(self, wetting: Array) -> Array:
        """Return the biting time of each patch for each wetting time.

        Parameters
        ----------
        wetting : array (curves,) [s]

        Returns
        -------
        array (curves, n) [reference s]
        """
        return patch_seconds(self.seconds, self.bitten, wetting, self.other_dips)


def patch_seconds(
    seconds: Array, bitten: str, wetting: Array, other_dips: Array | None = None
) -> Array:
    """Return reference seconds of patches at cumulative ``seconds`` [s] for each wetting [s].

    Parameters
    ----------
    seconds : array (n,) [s], rising
    bitten : str
        ``"dips"``, ``"once"``, or ``"reference"`` where wetting is taken off already.
    wetting : array (curves,) [s]
    other_dips : array (m,) [s], optional
        Cumulative seconds of dips that were made beside those of the patches.

    Returns
    -------
    array (curves, n) [reference s]
    """
    if bitten == "reference":
        return np.broadcast_to(seconds, (len(wetting), len(seconds)))
    if bitten == "once":
        return np.maximum(0.0, seconds[None, :] - wetting[:, None])
    lifts = seconds if other_dips is None else np.union1d(seconds, other_dips)
    after = biting_seconds(np.diff(lifts, prepend=0.0), wetting)
    return after[:, np.searchsorted(lifts, seconds)]


def _off(parameters: Array, readings: Readings) -> Array:
    """Return (curves, n) distances of patches from curves in standard deviations."""
    used = readings.used
    times = readings.reference(np.exp(parameters[:, WETTING]))[:, used]
    scale = np.hypot(readings.spread[used], readings.scatter[used])
    return (curve_lightness(parameters, times) - readings.lstar[used]) / scale


def _most_likely(readings: Readings, prior: PriorShape, start: Array | None) -> tuple[Array, Array]:
    """Return the best parameters and the Gauss–Newton covariance about them."""
    root = np.linalg.inv(np.linalg.cholesky(prior.covariance))
    best = (prior.mean if start is None else start).copy()
    damping, cost = 1e-2, np.inf
    nudges = np.vstack([np.zeros(SIZE), _NUDGE * np.eye(SIZE)])
    normal = np.eye(SIZE)
    for _ in range(_STEPS):
        off = _off(best + nudges, readings)
        slope = (off[1:] - off[0]).T / _NUDGE
        weight = (FREEDOM + 1.0) / (FREEDOM + off[0] ** 2)
        behind = root @ (best - prior.mean)
        pull = slope.T @ (weight * off[0]) + root.T @ behind
        normal = (slope.T * weight) @ slope + root.T @ root
        cost = _cost(off[0], behind)
        step = -np.linalg.solve(normal + damping * np.diag(np.diag(normal)), pull)
        trial = best + np.clip(step, -1.0, 1.0)
        new = _cost(_off(trial[None, :], readings)[0], root @ (trial - prior.mean))
        if new > cost:
            damping *= 6.0
            continue
        best, damping = trial, damping / 6.0
        if cost - new < 1e-4:
            break
    return best, np.asarray(np.linalg.inv(normal), dtype=float)


def _cost(off: Array, behind: Array) -> float:
    scatter = 0.5 * (FREEDOM + 1.0) * np.log1p(off**2 / FREEDOM)
    return float(scatter.sum() + 0.5 * behind @ behind)


def _apart_from_patches(trials: Array, points: Array, prior: PriorShape) -> Array:
    """Return the logarithm of each trial's weight before any patch speaks: (trials,)."""
    behind = np.linalg.solve(np.linalg.cholesky(prior.covariance), (trials - prior.mean).T)
    result: Array = 0.5 * (points**2).sum(axis=1) - 0.5 * (behind**2).sum(axis=0)
    return result


def _resample(weights: Array, count: int) -> NDArray[np.intp]:
    """Return places drawn by even steps through the weights (systematic resampling)."""
    steps = (np.arange(count) + 0.5) / count
    places: NDArray[np.intp] = np.searchsorted(np.cumsum(weights), steps)
    return np.minimum(places, len(weights) - 1)


@dataclass(frozen=True)
class Posterior:
    """Curves tried, what the patches say of each, and equally likely draws of them.

    ``trials`` (trials, SIZE); ``logs`` (trials,) their log weights; ``each`` {group: (trials,)}
    what one group adds to them; ``draws`` (curves, SIZE); ``best`` (SIZE,) the likeliest curve.
    """

    best: Array
    trials: Array
    logs: Array
    each: dict[int, Array]
    draws: Array


def posterior(readings: Readings, prior: PriorShape, start: Array | None = None) -> Posterior:
    """Return what the readings say of their curve.

    Parameters
    ----------
    readings : Readings
    prior : PriorShape
    start : array (SIZE,) or None
        Where the search begins: the best curve of nearly the same readings; None: the prior's.

    Returns
    -------
    Posterior

    Notes
    -----
    A Gauss–Newton search finds the best curve under heavy-tailed patch scatter; a widened normal
    about it proposes curves; their true weights decide which stay. Deterministic.
    """
    best, covariance = _most_likely(readings, prior, start)
    points = normal_points(_TRIALS, SIZE)
    factor = np.linalg.cholesky(covariance + 1e-12 * np.eye(SIZE))
    trials = best + _WIDEN * points @ factor.T
    said = -0.5 * (FREEDOM + 1.0) * np.log1p(_off(trials, readings) ** 2 / FREEDOM)
    logs = _apart_from_patches(trials, points, prior) + said.sum(axis=1)
    weights = np.exp(_FLATTEST_WEIGHT * (logs - logs.max()))
    places = np.flatnonzero(readings.used)
    return Posterior(
        best=best,
        trials=trials,
        logs=logs,
        each={int(place): said[:, column] for column, place in enumerate(places)},
        draws=trials[_resample(weights / weights.sum(), _DRAWS)],
    )


def draw_curves(readings: Readings, prior: PriorShape) -> Array:
    """Return curves that agree with the readings, as equally likely draws: (curves, SIZE).

    Parameters
    ----------
    readings : Readings
    prior : PriorShape

    Returns
    -------
    array (curves, SIZE)
    """
    return posterior(readings, prior).draws


def draw_prior(prior: PriorShape) -> Array:
    """Return equally likely curves where there is no strip at all.

    Parameters
    ----------
    prior : PriorShape

    Returns
    -------
    array (curves, SIZE)
    """
    factor = np.linalg.cholesky(prior.covariance)
    return np.asarray(prior.mean + normal_points(_DRAWS, SIZE) @ factor.T)
