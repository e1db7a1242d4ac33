"""Patches that their fellows contradict: found one by one, in a bounded number of fits."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.tone.posterior import Posterior, Readings, draw_curves, posterior
from core.tone.shape import WETTING, PriorShape, curve_lightness

Array = NDArray[np.float64]

FEWEST_PATCHES = 3
SUSPECT_SPREADS = 2.2
"""A patch this far off the curve is looked at again without itself."""
OUTLIER_SPREADS = 3.5
OUTLIER_LSTAR = 3.0
FEW = 12
"""So many patches are each fitted anew without themselves; of more, the curves drawn are weighed
anew, which says the same where there are fellows enough."""
MOST_LOOKED_AT = 3
"""Of few patches, the worst are looked at: the others are mostly bent by them."""
MOST_ROUNDS = 1
"""Of many patches: so often all that are beyond doubt are left out, and the rest fitted anew."""

Found = tuple[int, float, float]
"""Place, how far off [L*], and the spread that is judged by [L*]."""


def without_outliers(
    readings: Readings, prior: PriorShape, fewest: int = FEWEST_PATCHES
) -> tuple[Array, Readings, dict[int, tuple[float, float]]]:
    """Return the draws of the patches that agree, those patches, and the others.

    Parameters
    ----------
    readings : Readings
    prior : PriorShape
    fewest : int
        So many have to be left to judge another by; a sure prior needs fewer.

    Returns
    -------
    draws : array (curves, SIZE)
    Readings
        With the others not used.
    dict
        {place: (how far off [L*], the spread it is judged by [L*])}.
    """
    few = len(readings.seconds) <= FEW
    judge, rounds = (_one_of_few, FEW) if few else (_all_of_many, MOST_ROUNDS)
    seen = posterior(readings, prior)
    out: dict[int, tuple[float, float]] = {}
    for _ in range(rounds):
        found = judge(readings, seen, prior, fewest)
        if not found:
            break
        for place, off, spread in found:
            out[place] = (off, spread)
            readings = readings.without(place)
        if readings.used.sum() < fewest:
            break
        seen = posterior(readings, prior, seen.best)
    return seen.draws, readings, out


def fitted(readings: Readings, draws: Array) -> Array:
    """Return what curves say of each group of patches, never lighter with time.

    Parameters
    ----------
    readings : Readings
    draws : array (curves, SIZE)

    Returns
    -------
    array (curves, groups) [L*]
    """
    return _falling(draws, readings.reference(np.exp(draws[:, WETTING])))


def fitted_patches(readings: Readings, draws: Array) -> Array:
    """Return what curves say of each patch: array (curves, n) [L*].

    Parameters
    ----------
    readings : Readings
    draws : array (curves, SIZE)

    Returns
    -------
    array (curves, n) [L*]
    """
    return _falling(draws, readings.reference_of_patches(np.exp(draws[:, WETTING])))


def _falling(draws: Array, times: Array) -> Array:
    return np.minimum.accumulate(curve_lightness(draws, times), axis=1)


def limit_lstar(spread: Array | float) -> Array:
    """Return how far off [L*] a patch may be whose spread is given.

    Parameters
    ----------
    spread : array or float [L*]

    Returns
    -------
    array
    """
    return np.maximum(OUTLIER_LSTAR, OUTLIER_SPREADS * np.asarray(spread))


def _one_of_few(readings: Readings, seen: Posterior, prior: PriorShape, fewest: int) -> list[Found]:
    """Return the patch that its fellows, fitted without it, contradict the most, if any is."""
    found: list[Found] = []
    for place in _suspects(readings, seen.draws)[:MOST_LOOKED_AT]:
        alone = readings.used.sum() <= fewest
        others = seen.draws if alone else draw_curves(readings.without(place), prior)
        said = fitted(readings, others)[:, place]
        found += _beyond(readings, place, float(said.mean()), float(said.var()))
    return sorted(found, key=_how_surely)[-1:]


def _all_of_many(
    readings: Readings, seen: Posterior, prior: PriorShape, fewest: int
) -> list[Found]:
    """Return all patches beyond doubt, each weighed without itself and those found before it."""
    found: list[Found] = []
    said = fitted(readings, seen.trials)
    logs, left = seen.logs, _suspects(readings, seen.draws)
    while left and readings.used.sum() - len(found) > fewest:
        means, variances = _weighed(said[:, left], logs - np.array([seen.each[p] for p in left]))
        beyond = [
            each
            for place, mean, variance in zip(left, means, variances, strict=True)
            for each in _beyond(readings, place, mean, variance)
        ]
        if not beyond:
            break
        worst = max(beyond, key=_how_surely)
        found.append(worst)
        left.remove(worst[0])
        logs = logs - seen.each[worst[0]]
    return found


def _weighed(said: Array, logs: Array) -> tuple[list[float], list[float]]:
    """Return mean and variance of what the others say of each patch, from their own weights."""
    weights = np.exp(logs - logs.max(axis=1, keepdims=True))
    weights /= weights.sum(axis=1, keepdims=True)
    means = np.einsum("pt,tp->p", weights, said)
    variances = np.einsum("pt,tp->p", weights, (said - means) ** 2)
    return means.tolist(), variances.tolist()


def _beyond(readings: Readings, place: int, mean: float, variance: float) -> list[Found]:
    """Return the patch, where it is beyond doubt that the others say something else of it."""
    own = readings.spread[place] ** 2 + readings.scatter[place] ** 2
    spread = float(np.sqrt(own + variance))
    off = float(readings.lstar[place] - mean)
    return [(place, off, spread)] if abs(off) > limit_lstar(spread) else []


def _how_surely(found: Found) -> float:
    return abs(found[1]) / found[2]


def _suspects(readings: Readings, draws: Array) -> list[int]:
    """Return the places of patches that may be bad, the farthest off first."""
    off = readings.lstar - fitted(readings, draws).mean(axis=0)
    scale = np.hypot(readings.spread, readings.scatter)
    rises = np.diff(readings.lstar, prepend=np.inf) > 2.0 * scale
    near = (np.abs(off) > SUSPECT_SPREADS * scale) | rises | np.append(rises[1:], False)
    places = np.flatnonzero(near & readings.used)
    return [int(i) for i in places[np.argsort(-np.abs(off / scale)[places])]]
