"""A bath's speed through its life: where it lay at each moment, and where it will lie."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from core.bath.answers import answer, only, together
from core.bath.laid import NOW, Laid
from core.bath.moments import Moment
from core.bath.posterior import Question, Told
from core.bath.speed_shapes import BathSpeedInput
from core.data.drift import DRIFT_PER_ROOT_DAY

DUE_BAND = 0.08
"""A bath is to be checked when its speed may be off by so much either way. ``room-practice``"""
FARTHEST_DAYS = 60.0


@dataclass(frozen=True)
class SpeedAt:
    """Speed at one moment with its 95 % band: over the strip's, else µm/min."""

    value: float
    low: float
    high: float


def speed_at(told: Told) -> SpeedAt:
    """Return an answer's speed.

    Parameters
    ----------
    told : Told
        Of a logarithm.

    Returns
    -------
    SpeedAt
    """
    low, high = np.exp(told.band)
    return SpeedAt(float(np.exp(told.mean)), float(low), float(high))


def speed_line(given: BathSpeedInput, moments: Sequence[Moment]) -> list[SpeedAt]:
    """Return the speed at moments of a bath's life, from all that was measured of it.

    Parameters
    ----------
    given : BathSpeedInput
    moments : sequence of Moment
        Days before now; below zero lie ahead.

    Returns
    -------
    list of SpeedAt

    Raises
    ------
    CoreError
        As for ``bath_speed``.
    """
    laid = Laid(given, tuple(moments))
    first = laid.first_other
    return [speed_at(answer(laid, _at(first + i))) for i in range(len(moments))]


def each_alone(given: BathSpeedInput) -> list[SpeedAt]:
    """Return what each piece of evidence says by itself of the speed when it was made.

    Parameters
    ----------
    given : BathSpeedInput

    Returns
    -------
    list of SpeedAt
        In the order of the evidence.

    Raises
    ------
    CoreError
        As for ``bath_speed``.
    """
    laid = Laid(given)
    return [speed_at(answer(laid, _at(1 + i), only(i))) for i in range(len(given.evidence))]


def _at(place: int) -> Callable[[Laid], Question]:
    return lambda laid: laid.at(place)


def days_until_due(given: BathSpeedInput) -> float:
    """Return after how many days the band passes what is due to be checked; nought: now.

    Parameters
    ----------
    given : BathSpeedInput

    Returns
    -------
    float [d]

    Notes
    -----
    spread² grows by the drift's square a day. Source: ``room-practice``.
    """
    laid = Laid(given)
    told = together(laid, _at(NOW))
    due = DUE_BAND / 1.96
    left = (due**2 - told.variance) / DRIFT_PER_ROOT_DAY.value**2
    return float(min(max(left, 0.0), FARTHEST_DAYS))
