"""Shapes of events, as a device sends them and as they are shown."""

from __future__ import annotations

from datetime import datetime
from typing import TYPE_CHECKING, Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field, SerializeAsAny

from core.events.event import one_of_each_kind
from core.events.payload import Payload

MOST_EVENTS_AT_ONCE = 500
DAY_MS = 86_400_000.0
FIRST_MS, LAST_MS = 946_684_800_000.0, 4_102_444_800_000.0


class Stamped(Schema):
    """One event as the device saw it.

    ``monotonic_ms`` is the device's own steady clock, ``offset_ms`` what to add to reach this
    server's clock [ms since the epoch], ``offset_spread_ms`` how sure that is.
    """

    id: UUID
    kind: str
    device: UUID
    sequence: Annotated[int, Field(ge=0, le=2**53)]
    monotonic_ms: Annotated[
        float, Field(ge=-366 * DAY_MS, le=366 * DAY_MS, json_schema_extra={"unit": "ms"})
    ]
    offset_ms: Annotated[float, Field(ge=FIRST_MS, le=LAST_MS, json_schema_extra={"unit": "ms"})]
    offset_spread_ms: Annotated[
        float, Field(ge=0, le=366 * DAY_MS, json_schema_extra={"unit": "ms"})
    ]
    data: SerializeAsAny[Payload]


class Stored(Schema):
    """An event as it is stored."""

    id: UUID
    kind: str
    at_seconds: float
    clock_was_wrong: bool
    """Its device's clock was: it counts by its receipt."""
    device: UUID
    sequence: int
    received_at: datetime
    spread_ms: float
    by: str
    data: SerializeAsAny[Payload]


if TYPE_CHECKING:
    EventIn = Stamped
    EventOut = Stored
else:
    EventIn = one_of_each_kind(Stamped, "EventIn")
    EventOut = one_of_each_kind(Stored, "EventOut")


class EventsIn(Schema):
    """Events in any order; those known already are passed over."""

    events: Annotated[list[EventIn], Field(max_length=MOST_EVENTS_AT_ONCE)]
