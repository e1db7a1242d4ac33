"""How warm a bath will be: from how it stands, and what stands round it."""

from __future__ import annotations

from core.bath.heat import bath_heat
from core.bath.heat_shapes import BathHeatInput
from core.kinetics.row import mordant_row
from core.limits import within
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.baths.reads import caution_out
from server.baths.schemas import BathHeatAsk, BathHeatOut


def heat_of(bath: Bath, asked: BathHeatAsk) -> BathHeatOut:
    """Return a bath's warmth over the minutes to come; nothing where nobody said its room's."""
    room_c = bath.room_c if asked.room_c is None else asked.room_c
    facts = bath_facts(bath)
    hottest = mordant_row(facts).hottest_c
    if room_c is None:
        return BathHeatOut(heat=None, room_c=None, hottest_c=hottest, cautions=[])
    stands = {
        "mordant": bath.mordant, "vessel": bath.vessel, "volume_l": bath.volume_l,
        "temperature_c": bath.temperature_c, "load_g_per_l": bath.load_g_per_l,
        "numbers": facts.numbers,
    }  # fmt: skip
    given = stands | asked.model_dump() | {"room_c": room_c}
    told = bath_heat(BathHeatInput(**within(BathHeatInput, given)))
    return BathHeatOut(
        heat=told,
        room_c=room_c,
        hottest_c=hottest,
        cautions=[caution_out(each.caution) for each in told.warnings],
    )
