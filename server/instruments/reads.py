"""Instruments and readings as they are shown."""

from __future__ import annotations

from datetime import datetime, timedelta

from server.baths.models import Bath
from server.instruments.kinds import QUANTITIES, SENDS, silent_after
from server.instruments.models import Instrument, InstrumentReading
from server.instruments.schemas import (
    InstrumentMade,
    InstrumentOut,
    InstrumentReadingOut,
    ProbeOut,
)


def instrument_out(instrument: Instrument) -> InstrumentOut:
    """Return an instrument as it stands."""
    bath, last = instrument.bath, instrument.last_kind
    return InstrumentOut.model_validate(
        {
            "id": instrument.id,
            "name": instrument.name,
            "kind": instrument.kind,
            "sends": list(SENDS[instrument.kind]),
            "bath": bath.id if bath else None,
            "bath_name": bath.name if bath else "",
            "every_seconds": instrument.every_seconds,
            "silent_after_seconds": silent_after(instrument.every_seconds),
            "ends_at": instrument.ends_at,
            "taken_back_at": instrument.taken_back_at,
            "made_by": instrument.made_by.name,
            "last_at": instrument.last_at,
            "last_kind": last,
            "last_value": instrument.last_value,
            "last_unit": QUANTITIES[last].unit if last else "",
            "last_why": instrument.last_why,
            "version": instrument.version,
        }
    )


def made_out(instrument: Instrument, token: str) -> InstrumentMade:
    """Return an instrument with its token."""
    return InstrumentMade(**instrument_out(instrument).model_dump(), token=token)


def reading_out(reading: InstrumentReading) -> InstrumentReadingOut:
    """Return a reading as it was sent."""
    return InstrumentReadingOut(
        id=reading.id,
        at=reading.at,
        received_at=reading.received_at,
        kind=reading.kind,
        value=reading.value,
        unit=QUANTITIES[reading.kind].unit,
        believed=reading.believed,
        why=reading.why,
    )


PROBE_HOURS = 12
"""A probe that was not heard for so long hangs there no more."""


def probe_of(bath: Bath, now: datetime) -> ProbeOut | None:
    """Return the probe in a bath that was heard last; None where none hangs in it."""
    found = Instrument.objects.filter(
        bath=bath, kind="bath-probe", taken_back_at=None,
        last_at__gte=now - timedelta(hours=PROBE_HOURS),
    ).order_by("-last_at").first()  # fmt: skip
    if found is None or found.last_at is None:
        return None
    return ProbeOut(
        name=found.name,
        at_seconds=found.last_at.timestamp(),
        celsius=found.last_value,
        silent_after_seconds=silent_after(found.every_seconds),
        why=found.last_why,
    )
