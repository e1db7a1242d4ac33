"""Where a plate stands at the press, derived from its events."""

from __future__ import annotations

import statistics
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from core.events.event import Event as CoreEvent
from core.events.marks_fold import ImpressionPulled
from core.events.pull_fold import fold_pulls
from core.events.pull_state import PressPull, PullState
from server.events.models import Event
from server.events.reads import core_event, events_of
from server.plates.models import Plate
from server.pulls.models import Pulls, pulls_id


@dataclass(frozen=True)
class Stood:
    """A plate at the press, asked for once: its row, its events, the state that follows."""

    row: Pulls | None
    events: list[Event]
    said: list[CoreEvent]
    """The same events as the core has read them."""
    state: PullState


def stood_of(plate: Plate, row: Pulls | None = None) -> Stood:
    """Return how a plate stands at the press."""
    events = events_of(pulls_id(plate))
    found = row or Pulls.objects.filter(plate=plate).first()
    said = [core_event(each) for each in events]
    return Stood(found, events, said, fold_pulls(said))


def pull_state_of(plate: Plate) -> PullState:
    """Return the state that follows from a plate's events at the press."""
    return fold_pulls(core_event(each) for each in events_of(pulls_id(plate)))


def pull_states(rows: Iterable[Pulls]) -> dict[Any, PullState]:
    """Return the states of plates, in one query however many there are; by plate."""
    by_subject = {row.id: row.plate_id for row in rows}
    events: dict[Any, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(subject__in=by_subject):
        events[by_subject[event.subject]].append(event)
    return {plate: fold_pulls(map(core_event, told)) for plate, told in events.items()}


def wearing_area(state: PullState, asked: str = "") -> str:
    """Return the area by which wear is told: the one asked for, else the darkest that was read."""
    tones: dict[str, list[float]] = defaultdict(list)
    for each in state.pulled:
        for area in each.areas:
            tones[area.name].append(area.lstar)
    if asked and (asked in tones or not tones):
        return asked
    return min(tones, key=lambda name: statistics.fmean(tones[name]), default="")


def impressions_of(state: PullState, area: str) -> list[ImpressionPulled]:
    """Return the pulls as wear takes them: each with its passes, and the reading of one area."""
    return [_impression(each, area) for each in state.pulled]


def _impression(pull: PressPull, area: str) -> ImpressionPulled:
    read = next((each for each in pull.areas if each.name == area), None)
    return ImpressionPulled(
        event=pull.event, number=pull.place, at_seconds=pull.pulled_seconds or 0.0,
        passes=pull.passes, worn=pull.worn, spoiled=pull.spoiled is not None,
        lstar=read.lstar if read else None, spread=read.spread if read else 0.8,
        note=" ".join(each.text for each in pull.notes if each.text)[:120],
    )  # fmt: skip
