"""The state of a run, derived from its events."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from core.line.shapes import PlanLinesInput
from core.stages.fold import RunEvent, RunState, fold
from core.stages.lift import seconds_to_lift
from core.stages.shapes import PlanBitesInput, RunSheet
from server.plans.actions.plan_input import Decided, plan_input, sheet_of
from server.plates.models import Plate
from server.runs.models import Event, Run

STALE_AFTER_SECONDS = 15 * 60
"""In the bath so much longer than planned, a lift was surely forgotten, not late."""


def latest_run(plate: Plate, part: str | None = None) -> Run | None:
    """Return the plate's run under way, else its last one; of one part where it is given."""
    runs = Run.objects.filter(plate=plate).order_by("-created_at")
    return (runs.filter(part=part) if part else runs).first()


def run_events(run: Run) -> list[Event]:
    """Return a run's events in the order that counts."""
    return list(Event.objects.filter(run=run).select_related("by"))


def run_state(run: Run, events: list[Event] | None = None) -> RunState:
    """Return the state of a run."""
    return fold(core_event(event) for event in (run_events(run) if events is None else events))


def core_event(event: Event) -> RunEvent:
    """Return an event as the core takes it."""
    return RunEvent(
        id=str(event.id),
        kind=event.kind,
        at_seconds=event.at.timestamp(),
        device=str(event.device),
        sequence=event.sequence,
        data=event.data,
    )


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
    shape = PlanLinesInput if part == "lines" else PlanBitesInput
    return sheet_of(shape.model_validate_json(given))


def decided_for(run: Run) -> Decided:
    """Return what was decided when a run began."""
    return Decided(
        part=run.part, areas=run.areas, bath=run.bath, method=run.method,
        round_to_seconds=run.round_to_seconds, curve=run.curve, measured=run.measured,
    )  # fmt: skip


def follow(run: Run, now_seconds: float, events: list[Event] | None = None) -> Followed:
    """Return where a run stands at ``now_seconds`` [s since the epoch].

    The plan is solved after every lift and temperature; a bite under way keeps the exposure it
    was dipped for, and a new temperature moves only its clock.
    """
    state = run_state(run, events)
    dip = state.in_bath
    warm = dip.temperatures[0][1] if dip and dip.temperatures else state.temperature_c
    given = plan_input(decided_for(run), state.done, warm)
    sheet = _sheet(run.part, given.model_dump_json())
    if dip is None:
        return Followed(state, sheet, None, stale=False)
    temperatures = dip.temperatures or [(0.0, run.bath.temperature_c)]
    target = sheet.plan.bites[0].reference_seconds if sheet.plan.bites else 0.0
    lift = dip.at_seconds + seconds_to_lift(sheet, target, temperatures)
    return Followed(state, sheet, lift, stale=now_seconds > lift + STALE_AFTER_SECONDS)
