"""What is known of several baths' temperatures, asked for at once."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from datetime import datetime

from django.db.models import Q

from core.events.event import Event as CoreEvent
from core.events.undo import holding
from server.baths.actions.settle import TELLING
from server.baths.models import Bath, BathReading
from server.events.models import Event
from server.events.reads import core_event

BathLines = dict[object, list[tuple[float, float]]]


def lines_of(baths: Iterable[Bath], since: datetime | None) -> BathLines:
    """Return each bath's (second since the epoch, °C), oldest first: two queries for all.

    A probe says something every few seconds: its words are told from ``since`` on.
    """
    ids = [bath.id for bath in baths]
    lines: BathLines = defaultdict(list)
    by_hand = Q(instrument=None)
    told_of = by_hand if since is None else by_hand | Q(at__gte=since)
    rows = BathReading.objects.filter(told_of, bath__in=ids, taken_back=False)
    rows = rows.exclude(temperature_c=None)
    for bath_id, at, celsius in rows.values_list("bath_id", "at", "temperature_c"):
        lines[bath_id].append((at.timestamp(), celsius or 0.0))
    events: dict[object, list[CoreEvent]] = defaultdict(list)
    for event in Event.objects.filter(bath__in=ids, kind__in=TELLING):
        events[event.bath_id].append(core_event(event))
    for bath, told in events.items():
        for each in holding(told):
            said = each.data.reading()
            if said is not None:
                lines[bath].append((each.at_seconds, said.temperature_c))
    for line in lines.values():
        line.sort()
    return lines
