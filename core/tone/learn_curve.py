"""A plate's own curve: a strip's, moved by what was read off that plate's proof."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.proofs import SCATTER_LSTAR
from core.tone.learn_shapes import LearnCurveInput, LearnCurveOutput, Learned, PlateReading
from core.tone.outliers import without_outliers
from core.tone.posterior import DEFAULT_READING_SPREAD, Readings, draw_curves
from core.tone.shape import STRIP_DRIFT, WETTING, PriorShape, curve_lightness
from core.tone.table import band

Array = NDArray[np.float64]

PLATE_SHARE = 0.1
"""Of the variance from strip to strip: a plate and the strip that was laid beside it differ by
a third as much as two strips of one ground. ``room-practice``"""
_FELLOWS = 2
"""So many, with the strip behind them, contradict a third."""
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
    are its readings (Bayes, as for a strip's patches). An area that its fellows contradict strays
    by its own fault, and is left out. How far the strip reaches stays as it was.
    Source: ``room-practice``.
    """
    draws = np.array(given.curve.draws)
    learned, out = _learned_from(_readings(given.readings), _prior(draws))
    rounded = [[round(float(x), 4) for x in draw] for draw in learned]
    seconds = np.array([each.reference_seconds for each in given.readings])
    before, after = (curve_lightness(each, seconds) for each in (draws, learned))
    return LearnCurveOutput(
        curve=given.curve.model_copy(update={"draws": rounded}),
        readings=[
            _told(each, before[:, place], after[:, place], left_out=place in out)
            for place, each in enumerate(given.readings)
        ],
        tables=given.curve.tables,
    )


def _learned_from(readings: Readings, prior: PriorShape) -> tuple[Array, set[int]]:
    """Return the draws of the areas that agree, and which strays alone: it is its own fault.

    Of two none can be told to stray.
    """
    if len(readings.lstar) <= _FELLOWS:
        return draw_curves(readings, prior), set()
    draws, _, out = without_outliers(readings, prior, fewest=_FELLOWS)
    return draws, set(out)


def _readings(given: list[PlateReading]) -> Readings:
    count = len(given)
    return Readings(
        seconds=np.array([each.reference_seconds for each in given]),
        lstar=np.array([each.lstar for each in given]),
        spread=np.array([each.spread or DEFAULT_READING_SPREAD for each in given]),
        scatter=np.full(count, SCATTER_LSTAR),
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


def _told(given: PlateReading, before: Array, after: Array, *, left_out: bool) -> Learned:
    low, high = band(after)
    return Learned(
        reference_seconds=given.reference_seconds,
        lstar=given.lstar,
        before_lstar=round(float(before.mean()), 1),
        after_lstar=round(float(after.mean()), 1),
        after_low=round(low, 1),
        after_high=round(high, 1),
        left_out=left_out,
    )
