"""Make the plan that a proof's advice asks for: bite one area so much more."""

from __future__ import annotations

import uuid

from core.kinetics.shapes import LONGEST_SECONDS
from core.stages.second_grain import second_goal
from core.stages.what_next_shapes import Step, WhatNextOutput
from server.accounts.models import User
from server.plans.actions.decide import sheet_of
from server.plans.actions.keep import keep_plan
from server.plans.models import Plan
from server.plans.schemas import PlanArea, PlanIn
from server.plates.models import Plate
from server.proofs.actions.meant import TONAL, goal_of
from server.proofs.actions.next import next_for
from server.proofs.models import Proof
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.runs.actions.go_on import bites_of, carries_on
from server.runs.actions.state import decided_for, last_of, run_state
from server.runs.models import Run


def bite_on(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, proof_id: uuid.UUID, name: str
) -> Plan:
    """Return the plan by which one area bites on as the advice says.

    While its grain stands: by the clock, just so many seconds more. Stripped since: a second
    grain, the other areas left white, with the tone it needs alone.

    Raises
    ------
    NotFound, NotAllowed, Stale, CoreError
    BadValue
        The proof asks for nothing to be bitten there, or the area was not bitten.
    """
    room = enter(user, room_id, "change plans")
    plate = find(Plate, room, plate_id)
    proof = find(Proof, room, proof_id)
    told = next_for(proof) if proof.plate_id == plate.id else None
    step = _asked(told, name)
    plan = _plan_of(plate, name)
    run = last_of(plan) if plan else None
    if told is None or step is None or step.seconds is None or plan is None or run is None:
        raise BadValue(
            "no-such-advice", f"This proof does not ask to bite {name} on.", field="area",
            value=name, allowed="an area whose advice is to bite",
        )  # fmt: skip
    if run.outcome != Run.FINISHED:
        raise BadValue("run-under-way", "Its bites are not all made. Open its run.", field="plate")
    tone = next(t for t in proof.tones if t["area"] == name)
    if carries_on(run):
        areas, again = _more_minutes(run, name, step.seconds), [name]
    else:
        read = tone["read_lstar"] - _shift(told)
        areas, again = _second_grain(run, name, read, goal_of(tone)), []
    given = PlanIn(
        id=plan.id, version=plan.version, bath=plan.bath_id, strip=plan.strip_id, part=plan.part,
        method="stop-out", round_to_seconds=plan.round_to_seconds, areas=areas, open_again=again,
        anew=not again, measured=plan.measured,
    )  # fmt: skip
    return keep_plan(user, room_id, plate_id, given)


def _asked(told: WhatNextOutput | None, name: str) -> Step | None:
    """Return the bite of an area that the proof's page asks for."""
    steps = told.steps if told else []
    return next((step for step in steps if step.area == name and step.opens), None)


def _shift(told: WhatNextOutput) -> float:
    """Return what the pull strayed by: the plate itself is so much off what was read [L*]."""
    return told.shift_lstar if told.cause in ("printing", "both") else 0.0


def _plan_of(plate: Plate, name: str) -> Plan | None:
    plans = Plan.objects.filter(plate=plate, part__in=TONAL, superseded=False)
    return next((p for p in plans if any(a["name"] == name for a in p.areas)), None)


def _more_minutes(run: Run, name: str, more: float) -> list[PlanArea]:
    """Return the areas with the time each has by the clock, and one with so many seconds more."""
    found, bites = [], bites_of(run)
    for area in run.areas:
        so_far = sum(bite["seconds"] for bite in bites if area["name"] in bite["open"])
        seconds = so_far + (more if area["name"] == name else 0.0)
        if seconds > LONGEST_SECONDS:
            raise BadValue(
                "out-of-reach", f"{name} would bite longer than is reckoned. Lay a second aquatint "
                "over it, or leave it.", field="area", value=name,
                allowed=f"at most {LONGEST_SECONDS / 3600:g}", unit="h",
            )  # fmt: skip
        found.append(_area(area, lstar=None, seconds=round(seconds, 1) if seconds >= 1 else None))
    return found


def _second_grain(run: Run, name: str, read: float, wanted: float) -> list[PlanArea]:
    lightest = sheet_of(run.part, decided_for(run, run_state(run).done)).plan.lightest_lstar
    goal = second_goal(read, wanted, lightest)
    return [
        _area(area, lstar=goal if area["name"] == name else None, seconds=None)
        for area in run.areas
    ]


def _area(area: dict[str, object], **goal: float | None) -> PlanArea:
    return PlanArea(**(area | goal))
