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
    runs = _Runs(lstars[there].astype(float), counts[there].astype(float), reach)
    last, places = len(runs.values), np.arange(len(runs.values) + 1)
    best = runs.costs(np.zeros(1, dtype=int), places)[:, 0]
    whole = None
    layers: list[NDArray[np.intp]] = []
    found = []
    for count in range(1, min(most, last) + 1):
        edges = [last]
        if count > 1:
            to_end = best + runs.costs(places, np.array([last]))[0]
            edges += _traced(int(np.argmin(to_end)), layers)
        cut = runs.cut([*edges, 0])
        if len(np.unique(np.round(cut.tones, 6))) < count:
            break
        found.append(cut)
        if 1 < count < most:  # the last number of tones needs no further row of the programme
            whole = runs.costs(places, places) if whole is None else whole
            ways = whole + best
            layers.append(np.argmin(ways, axis=1))
            best = ways[places, layers[-1]]
    return found


def _traced(edge: int, layers: list[NDArray[np.intp]]) -> list[int]:
    """Return the edges on from one, darker and darker, by where each row came from."""
    edges = [edge]
    for row in reversed(layers):
        edges.append(int(row[edges[-1]]))
    return edges


class _Runs:
    """Levels that follow each other taken as one area: its error and its tone."""

    def __init__(self, values: Array, weights: Array, reach: tuple[float, float]) -> None:
        self.values, self.weights = values, weights
        self._middle = float(np.average(values, weights=weights))
        self._reach = (reach[0] - self._middle, reach[1] - self._middle)
        self._sums = [
            np.concatenate([[0.0], np.cumsum(weights * (values - self._middle) ** power)])
            for power in (0, 1, 2)
        ]

    def costs(self, starts: NDArray[np.intp], ends: NDArray[np.intp]) -> Array:
        """Return the error of the levels from each start to before each end, at (end, start)."""
        total, first, second = (each[ends][:, None] - each[starts][None] for each in self._sums)
        with np.errstate(invalid="ignore", divide="ignore"):
            tone = np.clip(first / total, *self._reach)
        cost = np.maximum(second - 2 * tone * first + tone**2 * total, 0.0)
        cost[starts[None] >= ends[:, None]] = np.inf
        return np.asarray(cost)

    def cut(self, edges: list[int]) -> Cut:
        """Return the cut at edges between levels, from the lightest end down to 0."""
        spans = list(zip(edges[1:], edges[:-1], strict=True))
        sums = [[float(each[end] - each[start]) for start, end in spans] for each in self._sums]
        total, first, second = (np.array(each) for each in sums)
        tones = np.clip(first / total, *self._reach)
        error = float(np.maximum(second - 2 * tones * first + tones**2 * total, 0.0).sum())
        return Cut(
            tones=tones + self._middle,
            shares=total / self.weights.sum(),
            bounds=np.array(
                [(self.values[start] + self.values[start - 1]) / 2 for start, _ in spans[:-1]]
            ),
            rms=float(np.sqrt(error / self.weights.sum())),
        )
