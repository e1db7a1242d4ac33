"""Log events of a run: always stored when well formed, once, in any order."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime

from django.db import transaction
from django.utils import timezone
from ninja import Schema
from pydantic import ValidationError

from core.calculators import bad_input
from core.errors import CoreError
from server.accounts.models import User
from server.baths.actions.keep import log_reading
from server.baths.models import Bath
from server.record.actions.write import write
from server.rooms.permissions import enter, find
from server.runs.models import Event, Run
from server.runs.schemas import (
    CoveredData,
    DipData,
    EventIn,
    EventsIn,
    LiftData,
    NoData,
    TemperatureData,
    TextData,
    UndoData,
)

DATA_SHAPES: dict[str, type[Schema]] = {
    "dip": DipData,
    "lift": LiftData,
    "temperature": TemperatureData,
    "covered": CoveredData,
    "observation": TextData,
    "note": TextData,
    "undo": UndoData,
}
SILENT = {"temperature"}


@transaction.atomic
def log_events(user: User, room_id: uuid.UUID, run_id: uuid.UUID, given: EventsIn) -> Run:
    """Return the run after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        An event whose data are not of its kind; then none of the batch is stored.
    """
    room = enter(user, room_id, "run")
    run = find(Run, room, run_id, lock=True)
    rows = [_row(user, run, place, event) for place, event in enumerate(given.events)]
    known = set(Event.objects.filter(id__in=[row.id for row in rows]).values_list("id", flat=True))
    new = list({row.id: row for row in rows if row.id not in known}.values())
    Event.objects.bulk_create(new, ignore_conflicts=True)
    for row in new:
        _tell(user, run, row)
    return run


def _row(user: User, run: Run, place: int, event: EventIn) -> Event:
    at = datetime.fromtimestamp((event.monotonic_ms + event.offset_ms) / 1000, tz=UTC)
    return Event(
        id=event.id,
        room=run.room,
        run=run,
        kind=event.kind,
        device=event.device,
        sequence=event.sequence,
        monotonic_ms=event.monotonic_ms,
        offset_ms=event.offset_ms,
        offset_spread_ms=event.offset_spread_ms,
        at=at,
        received_at=timezone.now(),
        by=user,
        data=_with_bath(run, event.kind, _data(place, event)),
    )


def _with_bath(run: Run, kind: str, data: dict[str, object]) -> dict[str, object]:
    """Return a dip's data with the bath's temperature, where the device did not know one."""
    if kind != "dip" or data.get("celsius") is not None:
        return data
    return data | {"celsius": run.bath.temperature_c}


def _data(place: int, event: EventIn) -> dict[str, object]:
    """Return the checked data of an event, its faults named by their path in the batch."""
    shape = DATA_SHAPES.get(event.kind, NoData)
    try:
        return shape.model_validate(event.data).model_dump(mode="json")
    except ValidationError as error:
        fault = bad_input(error)
        raise CoreError(
            fault.code,
            fault.text,
            field=f"events.{place}.data.{fault.field}",
            value=fault.value,
            allowed=fault.allowed,
            unit=fault.unit,
        ) from None


def _tell(user: User, run: Run, event: Event) -> None:
    """Write the record, and let the bath know its temperature."""
    if event.kind == "temperature":
        bath = find(Bath, run.room, run.bath_id, lock=True)
        log_reading(
            run.room, user, bath, event.at, id=event.id, temperature_c=event.data["celsius"]
        )
    if event.kind not in SILENT:
        write(
            run.room, user, f"run: {event.kind}", _words(run, event), plate=run.plate,
            at=event.at, data=event.data, entry_id=event.id,
        )  # fmt: skip


def _words(run: Run, event: Event) -> str:
    names = ", ".join(event.data.get("open") or event.data.get("areas") or [])
    return {
        "dip": f"Dipped in {run.bath.name}. Open: {names}.",
        "lift": "Lifted." + (" Typed in afterwards." if event.data.get("remembered") else ""),
        "covered": f"Stopped out {names}.",
        "undo": "Took back the entry before.",
        "rocked": "Rocked the tray.",
        "feathered": "Feathered the bubbles off.",
        "rinsed": "Rinsed.",
        "neutralised": "Wiped with bicarbonate.",
        "observation": f"Saw: {event.data.get('about', '')} {event.data.get('text', '')}".strip(),
        "note": str(event.data.get("text", "")),
    }[event.kind]
