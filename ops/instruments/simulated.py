"""What simulated instruments read: a bath that cools, a coupon that is weighed, a patch, a lamp."""

from __future__ import annotations

import math
import random
from collections.abc import Callable

Reading = tuple[str, float]
"""Kind and value."""
Reads = Callable[[float, random.Random], Reading]

PROBE_STEP_C = 0.05
LAMP_MJ_PER_CM2_S = 1.6


def bath_probe(start_c: float, end_c: float, minutes: float) -> Reads:
    """Return a probe in a bath that goes toward another temperature (Newton's law).

    Parameters
    ----------
    start_c, end_c : float [°C]
    minutes : float [min]
        After so long two thirds of the way are gone.

    Returns
    -------
    callable of (seconds since the start, random source) to (kind, value)
    """

    def read(seconds: float, rng: random.Random) -> Reading:
        warm = end_c + (start_c - end_c) * math.exp(-seconds / (60.0 * minutes))
        value = round((warm + rng.gauss(0, 0.02)) / PROBE_STEP_C) * PROBE_STEP_C
        return "temperature", round(value, 2)

    return read


def scale(start_g: float, end_g: float, minutes: float) -> Reads:
    """Return a scale on which a coupon lies, before and after its bite.

    Parameters
    ----------
    start_g, end_g : float [g]
    minutes : float [min]
        The bite lies between.

    Returns
    -------
    callable
    """

    def read(seconds: float, rng: random.Random) -> Reading:
        grams = start_g if seconds < 60.0 * minutes else end_g
        return "mass", round(grams + rng.gauss(0, 0.001), 3)

    return read


def _steady(kind: str, digits: int, noise: float) -> Callable[[float, float, float], Reads]:
    def make(start: float, end: float, minutes: float) -> Reads:
        def read(seconds: float, rng: random.Random) -> Reading:
            part = min(1.0, seconds / (60.0 * minutes))
            return kind, round(start + (end - start) * part + rng.gauss(0, noise), digits)

        return read

    return make


def exposure(start: float, end: float, minutes: float) -> Reads:
    """Return an integrator under a lamp: the dose grows with time.

    Parameters
    ----------
    start, end : float [mJ/cm²]
        Where it begins, and where it stops.
    minutes : float [min]
        Not used: the lamp's irradiance says how fast.

    Returns
    -------
    callable
    """

    def read(seconds: float, rng: random.Random) -> Reading:
        return "dose", round(min(end, start + LAMP_MJ_PER_CM2_S * seconds), 1)

    return read


INSTRUMENTS: dict[str, tuple[Callable[[float, float, float], Reads], float, float]] = {
    "bath-probe": (bath_probe, 18.5, 16.5),
    "scale": (scale, 12.431, 12.171),
    "hydrometer": (_steady("baume", 1, 0.05), 41.0, 41.0),
    "densitometer": (_steady("lstar", 1, 0.3), 88.0, 24.0),
    "exposure": (exposure, 0.0, 180.0),
}
"""By kind: how it is made, where it begins and where it ends."""
