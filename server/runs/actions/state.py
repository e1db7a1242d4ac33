"""The state of a run, derived from its events."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import timedelta
from functools import lru_cache

from core.events.fold import Immersion, RunState, fold
from core.kinetics.shapes import LONGEST_SECONDS
from core.process.shapes import Decided
from core.stages.lift import seconds_to_lift
from core.stages.shapes import RunSheet
from server.baths.actions.settle import bath_line
from server.events.models import Event
from server.events.reads import core_event, events_of
from server.plans.actions.decide import Again, decided, sheet_of
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run

STALE_AFTER_SECONDS = 15 * 60
"""In the bath so much longer than planned, a lift was surely forgotten, not late."""


def latest_run(plate: Plate, part: str | None = None) -> Run | None:
    """Return the plate's run under way, else the last that was dipped; of one part if given."""
    runs = Run.objects.filter(plate=plate).exclude(outcome=Run.NEVER_DIPPED)
    runs = runs.order_by("-created_at")
    return (runs.filter(part=part) if part else runs).first()


def last_of(plan: Plan) -> Run | None:
    """Return a plan's run under way, else the last of it that was dipped."""
    runs = Run.objects.filter(plan_id=plan.id).exclude(outcome=Run.NEVER_DIPPED)
    return runs.order_by("-created_at").first()


AROUND = timedelta(hours=1)
"""Before a run began and after it ended its bath's probe is listened to."""


def line_of(run: Run) -> list[tuple[float, float]]:
    """Return (second since the epoch, °C) of a run's bath, a probe's words for as long as it ran.

    A strip at the bath is followed as a run that is never stored: it has no beginning of its own.
    """
    since = run.created_at - AROUND if run.created_at else None
    until = run.ended_at + AROUND if run.ended_at else None
    return bath_line(run.bath, since, until)


def run_state(
    run: Run, events: Iterable[Event] | None = None, line: list[tuple[float, float]] | None = None
) -> RunState:
    """Return the state of a run."""
    told = events_of(run.id) if events is None else events
    read = line_of(run) if line is None else line
    return fold((core_event(e) for e in told), read, {area["name"] for area in run.areas})


@dataclass(frozen=True)
class Followed:
    """A run's state with the sheet for the bite under way, or the next."""

    state: RunState
    sheet: RunSheet
    lift_seconds: float | None
    stale: bool


@lru_cache(maxsize=128)
def _sheet(part: str, given: str) -> RunSheet:
    """Return the sheet of an input as JSON; a pure function, so what it said before still holds."""
    return sheet_of(part, Decided.model_validate_json(given))


def again_of(run: Run) -> Again:
    """Return what a run opened anew, and after how many bites."""
    return (run.open_again, run.opened_after)


def decided_for(run: Run, done: list[Immersion], temperature_c: float | None = None) -> Decided:
    """Return what was decided when a run began, after the bites made, also before it."""
    return decided(run, run.curve, run.measured, done, temperature_c, run.before, again_of(run))


def _seconds_to_lift(sheet: RunSheet, temperatures: list[tuple[float, float]]) -> float:
    """Return how long the bite under way lasts [s]: by the clock where it was given so."""
    if not sheet.plan.bites:
        return seconds_to_lift(sheet, 0.0, temperatures)
    bite = sheet.plan.bites[0]
    if sheet.by_clock:
        return bite.seconds
    return seconds_to_lift(sheet, bite.reference_seconds, temperatures)


def follow(
    run: Run,
    now_seconds: float,
    events: Iterable[Event] | None = None,
    line: list[tuple[float, float]] | None = None,
) -> Followed:
    """Return where a run stands at ``now_seconds`` [s since the epoch].

    The plan is solved after every lift and temperature; a bite under way keeps the exposure it
    was dipped for, and a new temperature moves only its clock.
    """
    state = run_state(run, events, line)
    dip = state.in_bath
    warm = dip.temperatures[0][1] if dip and dip.temperatures else state.temperature_c
    sheet = _sheet(run.part, decided_for(run, state.done, warm).model_dump_json())
    if dip is None:
        return Followed(state, sheet, None, stale=False)
    temperatures = dip.temperatures or [(0.0, run.bath.temperature_c)]
    lift = dip.at_seconds + _seconds_to_lift(sheet, temperatures)
    last = min(lift + STALE_AFTER_SECONDS, dip.at_seconds + LONGEST_SECONDS)
    return Followed(state, sheet, lift, stale=now_seconds > last)
