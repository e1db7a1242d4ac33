"""The curve used where there is no strip: a guess, wide and saying so."""

from __future__ import annotations

from functools import lru_cache

import numpy as np

from core.data.mordants import MORDANTS
from core.kinetics.row import mordant_row, tables_version
from core.kinetics.shapes import Conditions, MordantKey, MordantNumbers
from core.tone.posterior import draw_prior
from core.tone.shape import TIME, UNDERCUT, guess_shape
from core.tone.shapes import Curve

GUESS_VALID_SECONDS = 3600.0
USUAL_MORDANT = "copper-ferric"
"""Whose times the prior of a strip is made for."""


@lru_cache(maxsize=8)
def guess_curve(mordant: MordantKey, numbers: MordantNumbers | None = None) -> Curve:
    """Return the prior curve at 20 °C, fresh, for a mordant.

    Parameters
    ----------
    mordant : str
        A key of ``MORDANTS``.
    numbers : MordantNumbers or None
        The room's own, in place of the table's.

    Returns
    -------
    Curve

    Notes
    -----
    The times of the usual mordant over the ratio of the rates: twice the rate, half the times.
    Source: ``room-practice``.
    """
    conditions = Conditions(mordant=mordant, numbers=numbers)
    row = mordant_row(conditions)
    draws = draw_prior(guess_shape(row.wetting_seconds, row.wetting_log_spread))
    faster = np.log(row.rate_um_per_min / MORDANTS[USUAL_MORDANT].rate_um_per_min)
    draws = draws.copy()
    draws[:, [TIME, UNDERCUT]] -= faster
    return Curve(
        tables=tables_version(conditions),
        conditions=conditions,
        draws=[[round(float(x), 4) for x in draw] for draw in draws],
        valid_to_seconds=GUESS_VALID_SECONDS,
        valid_to_reference_seconds=GUESS_VALID_SECONDS,
        measured=False,
    )
