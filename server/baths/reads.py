"""Baths and readings as they are shown."""

from __future__ import annotations

from core.data.cautions import CAUTIONS
from core.data.mordants import MORDANTS
from core.kinetics.bath import bath_speed
from core.kinetics.row import mordant_row
from core.safety.cautions import cautions_for
from core.tone.table import band
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath, BathCheck, BathReading
from server.baths.schemas import BathOut, Caution, CheckOut, ReadingOut
from server.baths.words import check_words

DRAWS = 200


def reading_out(reading: BathReading) -> ReadingOut:
    """Return a reading as it was logged."""
    return ReadingOut(
        id=reading.id,
        at=reading.at,
        by=reading.by.name if reading.by else "",
        temperature_c=reading.temperature_c,
        load_g_per_l=reading.load_g_per_l,
        gained_g_per_l=reading.gained_g_per_l,
        replaced_share=reading.replaced_share,
        taken_back=reading.taken_back,
        note=reading.note,
    )


def check_out(check: BathCheck) -> CheckOut:
    """Return a check as it was made."""
    return CheckOut(
        id=check.id,
        kind=check.kind,
        at=check.at,
        by=check.by.name if check.by else "",
        version=check.version,
        taken_back=check.taken_back,
        text=check_words(check.kind, check.said),
        temperature_c=_warm(check),
        strip=check.strip,
        run=check.run,
    )


def _warm(check: BathCheck) -> float | None:
    if check.kind == "strip" and check.curve:
        return float(check.curve["conditions"]["temperature_c"])
    return check.said.get("temperature_c")


def bath_out(bath: Bath) -> BathOut:
    """Return a bath with its speed against 20 °C, fresh."""
    row = MORDANTS[bath.mordant]
    facts = bath_facts(bath)
    pace = bath_speed(facts, None, DRAWS).at(bath.temperature_c, bath.load_g_per_l)
    low, high = band(pace)
    measured = facts.rate_factor is not None
    end = mordant_row(facts).end_g_per_l
    return BathOut(
        id=bath.id,
        name=bath.name,
        mordant=bath.mordant,
        mordant_label=row.label,
        metal=row.metal,
        vessel=bath.vessel,
        volume_l=bath.volume_l,
        baume=bath.baume,
        load_g_per_l=bath.load_g_per_l,
        temperature_c=bath.temperature_c,
        temperature_at=bath.temperature_at,
        room_c=bath.room_c,
        rate_factor=bath.rate_factor,
        rate_factor_spread=bath.rate_factor_spread,
        measured_at=bath.measured_at,
        held_copper=bath.held_copper,
        made_from=bath.made_from_id,
        width_mm=bath.width_mm,
        length_mm=bath.length_mm,
        height_mm=bath.height_mm,
        retired=bath.retired,
        retired_to=bath.retired_to,
        version=bath.version,
        speed=round(float(pace.mean()), 3),
        speed_low=round(low, 3),
        speed_high=round(high, 3),
        speed_from="measured" if measured else "thermometer and load",
        end_g_per_l=end,
        life_left_share=round(max(0.0, 1 - bath.load_g_per_l / end), 3),
        care=row.care,
        care_every_seconds=row.care_every_seconds,
        cautions=[
            f"{c.title}. {c.text} {c.now}" for c in cautions_for({bath.mordant}, {row.metal})
        ],
    )


def caution_out(key: str) -> Caution:
    """Return a caution of the table as it is shown."""
    row = CAUTIONS[key]
    return Caution(key=row.key, level=row.level, title=row.title, text=row.text, now=row.now)
