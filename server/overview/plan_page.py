"""A plan as it stands at its plate: solved in today's bath, after what was done."""

from __future__ import annotations

from typing import Any, cast

from core.data.facing import usual_facing
from core.events.fold import Immersion
from core.line.shapes import MeasuredLine
from core.process.rows import PROCESSES
from core.stages.shapes import Method, RunSheet
from server.overview.alongside import alongside
from server.overview.before_the_bite import not_done_yet
from server.overview.going_on import meanwhile, over_first, why_on
from server.plans.actions.decide import Again, decided, measured_lines, sheet_of
from server.plans.learned import is_of
from server.plans.models import Plan
from server.plans.schemas import OwnCurve, PlanArea, PlanOut, SetAside
from server.runs.actions.go_on import carries_on, pending_again
from server.runs.actions.state import again_of, decided_for, last_of, run_state
from server.runs.models import Run


def plan_out(plan: Plan, *, editing: bool = False) -> PlanOut:
    """Return a plan with its bites, after those of its run.

    ``editing`` leaves the bites of a grain that was stripped out: a new one starts anew.
    """
    run = last_of(plan)
    again = pending_again(plan)
    aside = run is not None and run.outcome == Run.SET_ASIDE
    stands = run is not None and carries_on(run)
    counts = run is not None and (run.ended_at is None or aside or stands or not editing)
    state = run_state(run) if run is not None and counts else None
    names = {area["name"] for area in plan.areas}
    done = [dip for dip in state.done if set(dip.open) <= names] if state else []
    before = [bite for bite in run.before if set(bite["open"]) <= names] if run and state else []
    made = len(before) + len(done)
    opened = (plan.open_again, made) if stands else again_of(run) if run and state else None
    ended = run if run is not None and run.ended_at is not None else None
    goes_on = editing or aside or again is not None
    sheet = _whole(plan, before, done, opened) if not ended or goes_on else _bitten(ended, done)
    over = over_first(plan, sheet.plan, run if state else None)
    return PlanOut(
        id=plan.id,
        version=plan.version,
        plate=plan.plate.id,
        bath=plan.bath.id,
        bath_name=plan.bath.name,
        bath_temperature_c=plan.bath.temperature_c,
        strip=plan.strip.id if plan.strip else None,
        strip_name=plan.strip.name if plan.strip else None,
        own_curve=_own_curve(plan),
        part=plan.part,
        process=PROCESSES[plan.part].words,
        measured=[MeasuredLine(**line) for line in plan.measured],
        method=cast(Method, plan.method),
        round_to_seconds=plan.round_to_seconds,
        areas=[PlanArea(**area) for area in plan.areas],
        sheet=sheet,
        run=run.id if run is not None and run.ended_at is None else None,
        in_bath=bool(state and state.in_bath),
        bitten=run is not None and run.ended_at is not None and not (aside or again),
        facing=usual_facing(plan.bath.vessel) if PROCESSES[plan.part].lies_in_bath else None,
        waits_for=not_done_yet(plan),
        alongside=alongside(plan),
        open_again=plan.open_again,
        ground=plan.ground,
        grounds_before=list(range(1, plan.ground)),
        why_on=why_on(run, over),
        over_first=over,
        meanwhile=meanwhile(plan, sheet.plan),
        set_aside=SetAside(bites=made, reason=run.reason, at=run.ended_at)
        if run is not None and run.ended_at is not None and aside and (before or done)
        else None,
    )


def _own_curve(plan: Plan) -> OwnCurve | None:
    """Return what is told of a plate's own curve, where it was read over this strip."""
    own = plan.learned
    if own is None or not is_of(own, plan.strip):
        return None
    return OwnCurve(
        proof=own["proof"], state_number=own["state"], readings=len(own["readings"]),
        used=own["used"],
    )  # fmt: skip


def _whole(
    plan: Plan, before: list[dict[str, Any]], done: list[Immersion], opened: Again | None
) -> RunSheet:
    """Return the sheet of a plan: what was bitten, and what is to come."""
    curve = plan.curve
    measured = measured_lines(plan.measured, plan.strip)
    given = decided(plan, curve, measured, done, before=before, again=opened)
    return sheet_of(plan.part, given)


def _bitten(run: Run, done: list[Immersion]) -> RunSheet:
    """Return the sheet of a finished run: only what was bitten, as decided then."""
    sheet = sheet_of(run.part, decided_for(run, done))
    return sheet.model_copy(update={"plan": sheet.plan.model_copy(update={"bites": []})})
