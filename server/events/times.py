"""When events happened: by the device, within what their receipt allows."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

from server.events.models import Event
from server.events.schemas import Stamped

AHEAD = timedelta(seconds=60)
"""No event is logged before it happens; so much is a clock that was read slowly."""
BEFORE = timedelta(days=30)
"""Nor long before its subject was begun here; what was bitten earlier may be entered afterwards."""


def said_at(event: Stamped | Event) -> datetime:
    """Return when an event was by its device's clock."""
    return datetime.fromtimestamp((event.monotonic_ms + event.offset_ms) / 1000, tz=UTC)


def settled_times(
    events: Sequence[Stamped], begun: datetime, received: datetime
) -> dict[object, datetime]:
    """Return when each event counts as having been, by its id.

    Where a device's events lie ahead of their receipt, or before their subject was begun, its clock
    is wrong: all it sent at once are moved alike, so that the last one was at the receipt and
    the times between them stay.
    """
    by_device: dict[object, list[Stamped]] = defaultdict(list)
    for event in events:
        by_device[event.device].append(event)
    times: dict[object, datetime] = {}
    for sent in by_device.values():
        moved = _moved(sorted(map(said_at, sent)), begun, received)
        times |= {event.id: said_at(event) + moved for event in sent}
    return times


def _moved(times: list[datetime], begun: datetime, received: datetime) -> timedelta:
    """Return by how much one device's events are moved; not at all where its clock can be right."""
    ahead, early = times[-1] > received + AHEAD, times[0] < begun - BEFORE
    return received - times[-1] if ahead or early else timedelta()


def counted_at(event: Event) -> datetime:
    """Return when an event counts; an earlier version stored some ahead of their receipt."""
    return min(event.at, event.received_at) if event.at > event.received_at + AHEAD else event.at


def clock_was_wrong(event: Event) -> bool:
    """Tell whether an event counts at another time than its device said."""
    return abs(counted_at(event) - said_at(event)) > timedelta(seconds=1)
