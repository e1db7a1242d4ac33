"""Where works stand, derived from the events of their sheets."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from typing import Any
from uuid import UUID

from core.events.sheet_fold import fold_work
from core.events.sheet_state import Inking, WorkState
from server.events.models import Event
from server.events.reads import core_event, events_of
from server.works.models import Layering

MOST_PULLS = 9
"""Of one inking that a forecast takes: the first and its ghosts."""


def work_state_of(row: Layering) -> WorkState:
    """Return the state that follows from the events of a work's sheets."""
    return fold_work(core_event(each) for each in events_of(row.id))


def work_states(rows: Iterable[Layering]) -> dict[Any, WorkState]:
    """Return the states of works, in one query however many there are; by work."""
    events: dict[Any, list[Event]] = {row.id: [] for row in rows}
    for event in Event.objects.filter(subject__in=events):
        events[event.subject].append(event)
    return {work: fold_work(map(core_event, told)) for work, told in events.items()}


def latest_inking(state: WorkState, layer: UUID) -> Inking | None:
    """Return the inking of a layer that was made last; None where none was."""
    return next((each for each in reversed(state.inkings) if each.layer == layer), None)


def whole_lstar(areas: Iterable[Any]) -> tuple[float, float] | None:
    """Return L* and its spread of a sheet read as one: the area called whole, else the first."""
    read = list(areas)
    one = next((each for each in read if each.name == "whole"), read[0] if read else None)
    return (one.lstar, one.spread) if one is not None else None


def ghosts_read(states: Iterable[WorkState]) -> list[dict[str, Any]]:
    """Return what was read of the pulls of each inking, as ``ghost-forecast`` takes its history."""
    found = []
    for state in states:
        pulls: dict[Any, dict[int, dict[str, Any]]] = defaultdict(dict)
        for sheet in state.sheets:
            read = whole_lstar(sheet.areas)
            for each in sheet.prints:
                if each.inking is not None and read is not None and each.pull <= MOST_PULLS:
                    pulls[each.inking][each.pull] = {
                        "pull": each.pull, "lstar": min(105.0, max(0.0, read[0])),
                        "spread": min(20.0, max(0.05, read[1])),
                    }  # fmt: skip
        found += [
            {"inking": inking, "pulls": [told[at] for at in sorted(told)]}
            for inking, told in pulls.items()
        ]
    return found
