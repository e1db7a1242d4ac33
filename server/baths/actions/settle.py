"""Settle what a bath stands at, from the readings and events that hold."""

from __future__ import annotations

from datetime import UTC, datetime

from core.events.undo import holding
from core.kinetics.standing import Reading, Standing, stand
from server.baths.models import Bath, BathReading
from server.events.models import Event
from server.events.reads import core_event

TELLING = ("temperature", "undo")
LOAD_DIGITS = 3


def bath_readings(bath: Bath) -> list[Reading]:
    """Return everything known of a bath: its own readings, and what holding events read."""
    events = [core_event(e) for e in Event.objects.filter(bath=bath, kind__in=TELLING)]
    read = [(event.at_seconds, event.data.reading()) for event in holding(events)]
    own = BathReading.objects.filter(bath=bath).order_by("at", "id")
    return [
        *(
            Reading(row.at.timestamp(), row.temperature_c, row.load_g_per_l, row.gained_g_per_l)
            for row in own
        ),
        *(Reading(at, said.temperature_c) for at, said in read if said is not None),
    ]


def bath_line(bath: Bath) -> list[tuple[float, float]]:
    """Return (second since the epoch, °C) of everything that holds of a bath, oldest first."""
    known = ((r.at_seconds, r.temperature_c) for r in bath_readings(bath))
    return sorted((at, celsius) for at, celsius in known if celsius is not None)


def settle_bath(bath: Bath) -> Bath:
    """Return the bath with its temperature and load as they follow; sets them in the table.

    Call it in the transaction that stored a reading or an event, with the bath locked.
    """
    readings = bath_readings(bath)
    now = stand(readings)
    _put(bath, now)
    if bath.measured_at is not None:
        then = stand(readings, bath.measured_at.timestamp())
        bath.measured_c = then.temperature_c
        bath.measured_g_per_l = then.load_g_per_l
    bath.save()
    return bath


def _put(bath: Bath, now: Standing) -> None:
    if now.temperature_c is not None and now.temperature_at_seconds is not None:
        bath.temperature_c = now.temperature_c
        bath.temperature_at = datetime.fromtimestamp(now.temperature_at_seconds, tz=UTC)
    if now.load_g_per_l is not None:
        bath.load_g_per_l = round(now.load_g_per_l, LOAD_DIGITS)
