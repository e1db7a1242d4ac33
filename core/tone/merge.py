"""Merge patches of one time, and of very many those that lie close: what is fitted stays small."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

MOST_FITTED = 13
"""Of more patches those that lie closest speak together: it keeps forty within four times the work
of six (``benchmarks/figures.md``), and the curve where the long fit has it."""
_MEDIAN_OVER_MEAN = 1.25
"""The median of a normal sample is so much less sure than its mean."""
_SHORTEST_SECONDS = 1e-3


def grouped(seconds: Array) -> list[NDArray[np.intp]]:
    """Return the places of patches that are fitted as one, in order of time.

    Parameters
    ----------
    seconds : array (n,) [s], rising

    Returns
    -------
    list of array of int
        Patches of one time always lie together; beyond ``MOST_FITTED`` groups the two that are
        nearest in log time are joined until there are no more.
    """
    groups = [part for part in np.split(np.arange(len(seconds)), _later(seconds)) if len(part)]
    logs = np.log(np.maximum(seconds, _SHORTEST_SECONDS))
    middles = np.array([logs[group].mean() for group in groups])
    while len(groups) > MOST_FITTED:
        nearest = int(np.argmin(np.diff(middles)))
        groups[nearest : nearest + 2] = [np.concatenate(groups[nearest : nearest + 2])]
        middles = np.delete(middles, nearest + 1)
        middles[nearest] = logs[groups[nearest]].mean()
    return groups


def _later(seconds: Array) -> NDArray[np.intp]:
    """Return the places at which a later time begins."""
    return np.flatnonzero(np.diff(seconds) > 0) + 1


def mixed(groups: list[NDArray[np.intp]]) -> Array:
    """Return the matrix (n, groups) that turns what is said of patches into means of groups.

    Parameters
    ----------
    groups : list of array of int

    Returns
    -------
    array (n, groups)
    """
    matrix = np.zeros((sum(map(len, groups)), len(groups)))
    for column, group in enumerate(groups):
        matrix[group, column] = 1.0 / len(group)
    return matrix


def spoken_for(values: Array, groups: list[NDArray[np.intp]]) -> Array:
    """Return the middle value of each group: one bad patch among several does not move it.

    Parameters
    ----------
    values : array (n,)
    groups : list of array of int

    Returns
    -------
    array (groups,)
    """
    return np.array([np.median(values[group]) for group in groups])


def surer(spread: Array, groups: list[NDArray[np.intp]]) -> Array:
    """Return the spread of each group's middle value, from the spread of its patches.

    Parameters
    ----------
    spread : array (n,)
    groups : list of array of int

    Returns
    -------
    array (groups,)
    """
    return np.array(
        [
            np.sqrt(np.mean(spread[group] ** 2) / len(group))
            * (_MEDIAN_OVER_MEAN if len(group) > 2 else 1.0)
            for group in groups
        ]
    )
