"""Cut greys into so many tones that they stand closest to them: exactly, not by trial."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Cut:
    """Greys cut into tones, the lightest first."""

    tones: Array
    """L* each area prints."""
    shares: Array
    """Of the picture, summing to 1."""
    bounds: Array
    """L* between two neighbours: what is lighter belongs to the lighter tone, one fewer."""
    rms: float
    """Typical distance [L*] of the print from the picture: root mean square."""


def best_cuts(lstars: Array, counts: Array, most: int, reach: tuple[float, float]) -> list[Cut]:
    """Return the best cuts into 1, 2 … ``most`` tones; fewer where there are not so many greys.

    Parameters
    ----------
    lstars : array (n,) [L*]
        Of each level, rising.
    counts : array (n,)
        Pixels of each level.
    most : int
        Of tones.
    reach : (float, float) [L*]
        Darkest and lightest tone there can be.

    Returns
    -------
    list of Cut
        As many as can be told apart: the i-th has i + 1 tones.

    Notes
    -----
    Least Σ n·(L* − tone)² by dynamic programming over all levels: with D(k, j) the least error of
    the first j levels in k runs, D(k, j) = min over i of D(k − 1, i) + cost(i, j). Neighbouring
    levels belong together in the optimum, so no other cut is better. Source: ``fisher-1958``.
    """
    there = counts > 0
    values, weights = lstars[there].astype(float), counts[there].astype(float)
    costs, tones = _runs(values, weights, reach)
    best, froms = costs[:, 0].copy(), []
    found = []
    for count in range(1, min(most, len(values)) + 1):
        if count > 1:
            whole = costs + best
            froms.append(np.argmin(whole, axis=1))
            best = whole[np.arange(len(best)), froms[-1]]
        cut = _traced(values, weights, tones, froms, float(best[-1]))
        if len(np.unique(np.round(cut.tones, 6))) < count:
            break
        found.append(cut)
    return found


def _runs(values: Array, weights: Array, reach: tuple[float, float]) -> tuple[Array, Array]:
    """Return error and tone of the levels i to j − 1 as one area, at (j, i)."""
    middle = float(np.average(values, weights=weights))
    centred = values - middle
    sums = [np.concatenate([[0.0], np.cumsum(weights * centred**power)]) for power in (0, 1, 2)]
    total, first, second = (each[:, None] - each[None, :] for each in sums)
    with np.errstate(invalid="ignore", divide="ignore"):
        tone = np.clip(first / total, reach[0] - middle, reach[1] - middle)
    cost = second - 2 * tone * first + tone**2 * total
    np.maximum(cost, 0.0, out=cost)
    cost[np.triu_indices(len(values) + 1)] = np.inf
    return cost, tone + middle


def _traced(values: Array, weights: Array, tones: Array, froms: list, least: float) -> Cut:
    """Return the cut that the last row of the programme stands for."""
    edges = [len(values)]
    for row in reversed(froms):
        edges.append(int(row[edges[-1]]))
    edges.append(0)  # from the lightest edge down to the darkest
    darker = list(zip(edges[1:], edges[:-1], strict=True))
    total = weights.sum()
    return Cut(
        tones=np.array([tones[end, start] for start, end in darker]),
        shares=np.array([weights[start:end].sum() / total for start, end in darker]),
        bounds=np.array([(values[start] + values[start - 1]) / 2 for start, _ in darker[:-1]]),
        rms=float(np.sqrt(max(0.0, least) / total)),
    )
