"""Where a strip stands at the bath, derived from its events."""

from __future__ import annotations

from core.events.fold import RunState, fold
from core.process.strip import patches_to_bite
from server.baths.actions.settle import bath_line
from server.events.reads import core_event, events_of
from server.strips.models import Strip


def strip_state(strip: Strip) -> RunState:
    """Return where a strip stands at the bath."""
    until = strip.ended_at
    line = bath_line(strip.bath, strip.created_at, until) if strip.bath else []
    names = {str(area["name"]) for area in patches_to_bite(strip.planned)}
    events = (core_event(event) for event in events_of(strip.id))
    return fold(events, line, names if strip.planned else None)
