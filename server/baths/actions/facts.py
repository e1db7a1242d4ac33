"""A bath as the core takes it."""

from __future__ import annotations

from core.kinetics.bath import DEFAULT_RATE_FACTOR_SPREAD
from core.kinetics.carry import carried_rate_factor
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions, CurveBath
from core.limits import within
from server.baths.models import Bath


def bath_facts(bath: Bath, temperature_c: float | None = None) -> CurveBath:
    """Return today's bath; a measured speed is carried to its temperature and load now."""
    warm = bath.temperature_c if temperature_c is None else temperature_c
    numbers = bath.own_numbers
    factor, spread = None, None
    if bath.rate_factor is not None:
        measured_c = bath.temperature_c if bath.measured_c is None else bath.measured_c
        load = bath.load_g_per_l if bath.measured_g_per_l is None else bath.measured_g_per_l
        factor, spread = carried_rate_factor(
            mordant_row(Conditions(mordant=bath.mordant, numbers=numbers)),
            bath.rate_factor,
            bath.rate_factor_spread or DEFAULT_RATE_FACTOR_SPREAD,
            (measured_c, load),
            (warm, bath.load_g_per_l),
        )
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
