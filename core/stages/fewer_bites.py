"""Fewer bites for the same picture: goals that share a bite, chosen exactly."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from core.errors import CoreError


def merged(goals: Sequence[float], weights: Sequence[float], count: int) -> list[float]:
    """Return a goal for each area so that only ``count`` different ones are left.

    Parameters
    ----------
    goals, weights : sequence of float
        Wanted, in any unit, and how much each counts: its surface.
    count : int

    Returns
    -------
    list of float
        In the order given. The least squared error there is, by a dynamic programme over the
        goals in order; areas that share a bite get their weighted mean.

    Raises
    ------
    CoreError
        ``count`` is below 1 or above the number of different goals.
    """
    different = sorted(set(goals))
    if not 1 <= count <= len(different):
        raise CoreError(
            "count-out-of-reach", "There are not so many different goals.", field="count",
            value=count, allowed=f"1 to {len(different)}",
        )  # fmt: skip
    mass = [sum(w for g, w in zip(goals, weights, strict=True) if g == each) for each in different]
    heavy = np.maximum(np.array(mass), 1e-9)
    means = _cut(np.array(different), heavy, count)
    to = dict(zip(different, means, strict=True))
    return [round(to[goal], 1) for goal in goals]


def _cut(values: np.ndarray, mass: np.ndarray, count: int) -> list[float]:
    """Return the mean that each value goes to in the best cut into ``count`` runs."""
    n = len(values)
    cost = np.full((count + 1, n + 1), np.inf)
    cost[0, 0] = 0.0
    start = np.zeros((count + 1, n + 1), dtype=int)
    for runs in range(1, count + 1):
        for end in range(runs, n + 1):
            tries = [cost[runs - 1, i] + _spread(values[i:end], mass[i:end]) for i in range(end)]
            start[runs, end] = int(np.argmin(tries))
            cost[runs, end] = min(tries)
    means, end = [0.0] * n, n
    for runs in range(count, 0, -1):
        first = start[runs, end]
        mean = float(np.average(values[first:end], weights=mass[first:end]))
        means[first:end] = [mean] * (end - first)
        end = first
    return means


def _spread(values: np.ndarray, mass: np.ndarray) -> float:
    mean = np.average(values, weights=mass)
    return float((mass * (values - mean) ** 2).sum())
