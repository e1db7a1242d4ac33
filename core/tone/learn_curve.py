"""A plate's own curve: a strip's, moved by what was read off that plate's proof."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.tone.learn_shapes import LearnCurveInput, LearnCurveOutput, Learned, PlateReading
from core.tone.posterior import DEFAULT_READING_SPREAD, PATCH_SCATTER, Readings, draw_curves
from core.tone.shape import STRIP_DRIFT, WETTING, PriorShape, curve_lightness
from core.tone.table import band

Array = NDArray[np.float64]

PLATE_SHARE = 0.1
"""Of the variance from strip to strip: a plate and the strip that was laid beside it differ by
a third as much as two strips of one ground. ``room-practice``"""
_LEAST = 1e-8
"""Keeps the covariance of draws that hardly differ from being singular."""


def learn_curve(given: LearnCurveInput) -> LearnCurveOutput:
    """Return the curve that a strip and a proof of the plate itself give together.

    Parameters
    ----------
    given : LearnCurveInput
        A strip's curve, and of each area its biting time [reference s] and the L* read.

    Returns
    -------
    LearnCurveOutput

    Notes
    -----
    The strip's likely curves, widened by what plate and strip differ by, are the prior; the areas
    are its readings (Bayes, as for a strip's patches). How far the strip reaches stays as it was.
    Source: ``room-practice``.
    """
    draws = np.array(given.curve.draws)
    learned = draw_curves(_readings(given.readings), _prior(draws))
    rounded = [[round(float(x), 4) for x in draw] for draw in learned]
    seconds = np.array([each.reference_seconds for each in given.readings])
    before, after = (curve_lightness(each, seconds) for each in (draws, learned))
    return LearnCurveOutput(
        curve=given.curve.model_copy(update={"draws": rounded}),
        readings=[
            _learned(each, before[:, place], after[:, place])
            for place, each in enumerate(given.readings)
        ],
        tables=given.curve.tables,
    )


def _readings(given: list[PlateReading]) -> Readings:
    count = len(given)
    return Readings(
        seconds=np.array([each.reference_seconds for each in given]),
        lstar=np.array([each.lstar for each in given]),
        spread=np.array([each.spread or DEFAULT_READING_SPREAD for each in given]),
        scatter=np.full(count, PATCH_SCATTER),
        used=np.ones(count, dtype=bool),
        mix=np.eye(count),
        bitten="reference",
    )


def _prior(draws: Array) -> PriorShape:
    """Return what is thought of the plate before its proof; it was wetted by the same bath."""
    apart = PLATE_SHARE * STRIP_DRIFT
    apart[WETTING, WETTING] = 0.0
    covariance = np.cov(draws, rowvar=False) + apart
    return PriorShape(draws.mean(axis=0), covariance + _LEAST * np.eye(len(covariance)))


def _learned(given: PlateReading, before: Array, after: Array) -> Learned:
    low, high = band(after)
    return Learned(
        reference_seconds=given.reference_seconds,
        lstar=given.lstar,
        before_lstar=round(float(before.mean()), 1),
        after_lstar=round(float(after.mean()), 1),
        after_low=round(low, 1),
        after_high=round(high, 1),
    )
