"""The plans' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Query, Router

from core.line.shapes import MeasuredLine
from core.stages.fold import Dip
from core.stages.shapes import RunSheet
from server.config.errors import ErrorReply, NotFound
from server.config.session import signed_in
from server.plans.actions.keep import draft, keep_plan
from server.plans.actions.plan_input import Decided, measured_lines, plan_input, sheet_of
from server.plans.models import Plan
from server.plans.schemas import Part, PlanArea, PlanIn, PlanOut
from server.plates.models import Plate
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.runs.actions.state import decided_for, latest_run, run_state
from server.runs.models import Run

router = Router(tags=["plans"])


@router.get("/plates/{uuid:plate}/plan", response={200: PlanOut, 404: ErrorReply})
def get_plan(
    request: HttpRequest, room: RoomId, plate: UUID, part: Part = Query("tones")
) -> PlanOut:
    """Show the plan of a part of a plate, solved in today's bath after what was done."""
    place = enter(signed_in(request), room, "look")
    plan = Plan.objects.filter(room=place, plate=find(Plate, place, plate), part=part).first()
    if plan is None:
        raise NotFound("A plan for this plate")
    return plan_out(plan)


@router.post(
    "/plates/{uuid:plate}/plan/draft", response={200: PlanOut, 404: ErrorReply, 422: ErrorReply}
)
def post_draft(request: HttpRequest, room: RoomId, plate: UUID, payload: PlanIn) -> PlanOut:
    """Solve a plan without keeping it."""
    return plan_out(draft(signed_in(request), room, plate, payload), editing=True)


@router.put(
    "/plates/{uuid:plate}/plan",
    response={200: PlanOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_plan(request: HttpRequest, room: RoomId, plate: UUID, payload: PlanIn) -> PlanOut:
    """Keep a plan."""
    return plan_out(keep_plan(signed_in(request), room, plate, payload))


def plan_out(plan: Plan, *, editing: bool = False) -> PlanOut:
    """Return a plan with its bites, after those of its run.

    ``editing`` leaves the bites of an ended run out: a new ground starts anew.
    """
    run = latest_run(plan.plate, plan.part)
    counts = run is not None and (run.ended_at is None or not editing)
    state = run_state(run) if run is not None and counts else None
    names = {area["name"] for area in plan.areas}
    done = [dip for dip in state.done if set(dip.open) <= names] if state else []
    return PlanOut(
        id=plan.id,
        version=plan.version,
        plate=plan.plate.id,
        bath=plan.bath.id,
        bath_name=plan.bath.name,
        strip=plan.strip.id if plan.strip else None,
        strip_name=plan.strip.name if plan.strip else None,
        part=plan.part,
        measured=[MeasuredLine(**line) for line in plan.measured],
        method=plan.method,
        round_to_seconds=plan.round_to_seconds,
        areas=[PlanArea(**area) for area in plan.areas],
        sheet=_sheet(plan, run, done, editing=editing),
        run=run.id if run is not None and run.ended_at is None else None,
        in_bath=bool(state and state.in_bath),
        bitten=run is not None and run.ended_at is not None,
    )


def _sheet(plan: Plan, run: Run | None, done: list[Dip], *, editing: bool) -> RunSheet:
    """Return the sheet of a plan; of an ended run only what was bitten, as it was decided then."""
    if run is None or run.ended_at is None or editing:
        return sheet_of(plan_input(decided_in(plan), done))
    sheet = sheet_of(plan_input(decided_for(run), done))
    return sheet.model_copy(update={"plan": sheet.plan.model_copy(update={"bites": []})})


def decided_in(plan: Plan) -> Decided:
    """Return what a plan decides."""
    return Decided(
        part=plan.part,
        areas=plan.areas,
        bath=plan.bath,
        method=plan.method,
        round_to_seconds=plan.round_to_seconds,
        curve=plan.strip.curve if plan.strip else None,
        measured=measured_lines(plan.measured, plan.strip),
    )
