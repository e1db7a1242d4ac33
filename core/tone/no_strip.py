"""The curve used where there is no strip: a guess, wide and saying so."""

from __future__ import annotations

from functools import lru_cache

from core.kinetics.row import mordant_row, tables_version
from core.tone.posterior import draw_prior
from core.tone.shape import guess_shape
from core.tone.shapes import Conditions, Curve, MordantKey, MordantNumbers

GUESS_VALID_SECONDS = 3600.0


@lru_cache(maxsize=8)
def guess_curve(mordant: MordantKey, numbers: MordantNumbers | None = None) -> Curve:
    """Return the prior curve at 20 °C, fresh, for a mordant."""
    conditions = Conditions(mordant=mordant, numbers=numbers)
    row = mordant_row(conditions)
    draws = draw_prior(guess_shape(row.wetting_seconds, row.wetting_log_spread))
    return Curve(
        tables=tables_version(conditions),
        conditions=conditions,
        draws=[[round(float(x), 4) for x in draw] for draw in draws],
        valid_to_seconds=GUESS_VALID_SECONDS,
        valid_to_reference_seconds=GUESS_VALID_SECONDS,
        measured=False,
    )
