"""Events as the core takes them, and as they are shown."""

from __future__ import annotations

import uuid
from typing import Any

from pydantic import TypeAdapter

from core.events.event import Event as CoreEvent
from core.events.event import payload_of
from core.events.payload import Payload
from server.events.models import Event
from server.events.schemas import EventOut, Stored
from server.events.times import clock_was_wrong, counted_at

_OUT: TypeAdapter[Stored] = TypeAdapter(EventOut)


def events_of(subject: uuid.UUID) -> list[Event]:
    """Return a subject's events in the order that counts."""
    return list(Event.objects.filter(subject=subject).select_related("by"))


def core_event(event: Event) -> CoreEvent:
    """Return an event as the core takes it."""
    return CoreEvent(
        id=event.id,
        kind=event.kind,
        at_seconds=counted_at(event).timestamp(),
        device=str(event.device),
        sequence=event.sequence,
        data=payload_of(event.kind, event.data),
    )


def event_out(event: Event, said: Payload | None = None) -> Stored:
    """Return an event as it is shown, in its kind's shape; ``said`` where it was read before."""
    shown: dict[str, Any] = {
        "id": event.id,
        "kind": event.kind,
        "at_seconds": counted_at(event).timestamp(),
        "clock_was_wrong": clock_was_wrong(event),
        "device": event.device,
        "sequence": event.sequence,
        "received_at": event.received_at,
        "spread_ms": event.offset_spread_ms,
        "by": event.by.name,
        "data": said or event.data,
    }
    return _OUT.validate_python(shown)
