"""Readings of a bite's thermometer: as many as its reckoning needs."""

from __future__ import annotations

from typing import TypeVar

Reading = TypeVar("Reading")

MOST_READINGS = 240
"""One every minute and a half of the longest bite: a tray drifts far slower. ``room-practice``"""


def thinned(readings: list[Reading]) -> list[Reading]:
    """Return at most ``MOST_READINGS`` of them, evenly taken, the first and the last among them.

    Parameters
    ----------
    readings : list
        In the order of time.

    Returns
    -------
    list
    """
    if len(readings) <= MOST_READINGS:
        return readings
    step = (len(readings) - 1) / (MOST_READINGS - 1)
    return [readings[round(place * step)] for place in range(MOST_READINGS)]
