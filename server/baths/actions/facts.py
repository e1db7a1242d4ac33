"""A bath as the core takes it."""

from __future__ import annotations

import uuid

from core.kinetics.bath import DEFAULT_RATE_FACTOR_SPREAD
from core.kinetics.carry import carried_rate_factor
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions, CurveBath, MordantNumbers
from core.limits import within
from core.tone.shapes import Curve
from server.baths.models import Bath
from server.baths.speed import measured_speed

Speed = tuple[float | None, float | None, MordantNumbers | None]


def bath_facts(
    bath: Bath,
    temperature_c: float | None = None,
    against: Curve | None = None,
    beside: uuid.UUID | None = None,
) -> CurveBath:
    """Return today's bath, its speed over that of a strip's curve where it was measured.

    ``beside`` is a strip whose measured lines the plan has at hand: they do not speak twice.
    """
    warm = bath.temperature_c if temperature_c is None else temperature_c
    factor, spread, numbers = _typed(bath, warm) or _measured(bath, warm, against, beside)
    known = {
        "mordant": bath.mordant,
        "temperature_c": warm,
        "load_g_per_l": bath.load_g_per_l,
        "volume_l": bath.volume_l,
        "baume": bath.baume,
        "rate_factor": factor,
        "rate_factor_spread": spread,
        "room_c": bath.room_c,
        "numbers": numbers,
    }
    return CurveBath(**within(CurveBath, known))


def _measured(bath: Bath, warm: float, against: Curve | None, beside: uuid.UUID | None) -> Speed:
    found = measured_speed(bath, warm, against, beside)
    if found is None:
        return None, None, bath.own_numbers
    return found.factor, found.spread, found.numbers


def _checked_since(bath: Bath) -> bool:
    """Tell whether something was measured after a speed was typed in: the newest word counts."""
    newest = bath.measured_rows[0].at if bath.measured_rows else None
    return newest is not None and (bath.measured_at is None or newest > bath.measured_at)


def _typed(bath: Bath, warm: float) -> Speed | None:
    """Return a speed that was typed in, carried to the bath's temperature and load now."""
    if bath.rate_factor is None or _checked_since(bath):
        return None
    measured_c = bath.temperature_c if bath.measured_c is None else bath.measured_c
    load = bath.load_g_per_l if bath.measured_g_per_l is None else bath.measured_g_per_l
    numbers = bath.own_numbers
    factor, spread = carried_rate_factor(
        mordant_row(Conditions(mordant=bath.mordant, numbers=numbers)),
        bath.rate_factor,
        bath.rate_factor_spread or DEFAULT_RATE_FACTOR_SPREAD,
        (measured_c, load),
        (warm, bath.load_g_per_l),
    )
    return factor, spread, numbers
