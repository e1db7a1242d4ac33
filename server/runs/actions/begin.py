"""Begin a run of a plate's plan."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import IntegrityError, transaction

from core.data.cautions import CAUTIONS
from core.data.facing import usual_facing
from core.process.row import Process
from core.process.rows import PROCESSES
from server.accounts.models import User
from server.baths.actions.admit import admit, remember
from server.baths.models import Bath
from server.plans.actions.decide import measured_lines
from server.plans.models import Plan
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.permissions import add, enter, find
from server.runs.actions.go_on import gone_on_from
from server.runs.models import Run
from server.runs.schemas import RunIn
from server.studies.run_map import map_for


@transaction.atomic
def begin_run(user: User, room_id: uuid.UUID, given: RunIn) -> Run:
    """Return the new run; sent twice it begins once.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The plate has no plan, a caution of its process was not acknowledged, or there is nothing
        to go on from.
    CoreError
        The bath is not for its metal, its caution is not known, or it is too warm.
    Stale
        The plate has a run under way, or another plan by now.
    """
    room = enter(user, room_id, "run")
    plate = find(Plate, room, given.plate, lock=True)
    before = Run.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    plan = _plan_to_bite(plate, given.part)
    if plan is None:
        raise BadValue("no-plan", "Plan the bites first: say what you want.", field="plate")
    _check_seen(plan, given.plan_version)
    _check_cautions(PROCESSES[plan.part], given.acknowledged)
    bath = find(Bath, room, plan.bath_id, lock=True)
    admit(plate.metal, bath, given.acknowledged)
    remember(plate.metal, bath)
    run = Run(
        id=given.id, room=room, plate=plate, plan=plan, bath=plan.bath, method=plan.method,
        part=plan.part, round_to_seconds=plan.round_to_seconds, areas=plan.areas,
        strip=plan.strip, curve=plan.curve,
        measured=measured_lines(plan.measured, plan.strip),
        **gone_on_from(plan, goes_on=given.goes_on),
        facing=given.facing or usual_facing(plan.bath.vessel),
        map=_map_for(plan),
    )  # fmt: skip
    try:
        with transaction.atomic():
            run, _ = add(run)
    except IntegrityError:
        raise Stale("run-under-way", "This plate has a run under way. Open it.") from None
    plate.place = "bath"
    plate.version += 1
    plate.save()
    write(room, user, "run", _began(run, given.acknowledged), plate=plate)
    return run


def _map_for(plan: Plan) -> dict[str, Any] | None:
    """Return the map of what is planned, where a value study has areas of those names."""
    if not PROCESSES[plan.part].has_maps:
        return None
    return map_for(plan.plate_id, [area["name"] for area in plan.areas])


def _began(run: Run, acknowledged: list[str]) -> str:
    read = [CAUTIONS[key].title for key in acknowledged if key in CAUTIONS]
    known = f" Known: {'; '.join(read)}." if read else ""
    lies = f", {run.facing}" if PROCESSES[run.part].lies_in_bath else ""
    if run.before:
        made = len(run.before)
        return f"Went on biting {run.plate.name} in {run.bath.name}{lies} after bite {made}.{known}"
    return f"Began to bite {run.plate.name} in {run.bath.name}{lies}.{known}"


def _check_seen(plan: Plan, version: int | None) -> None:
    if version is not None and version != plan.version:
        raise Stale(
            "plan-changed", "Someone kept another plan meanwhile. Look at it, then begin.",
            field="plan_version", value=version, allowed=str(plan.version),
        )  # fmt: skip


def _check_cautions(process: Process, acknowledged: list[str]) -> None:
    for key in process.cautions:
        if key not in acknowledged:
            row = CAUTIONS[key]
            raise BadValue(
                "caution-unread", f"{row.title}. {row.text} Say that you know it, then begin.",
                field="acknowledged", value=", ".join(acknowledged), allowed=key,
            )  # fmt: skip


def _plan_to_bite(plate: Plate, part: str | None) -> Plan | None:
    """Return the plan of a part; where none is named, that of the first part not bitten yet."""
    found = Plan.objects.filter(plate=plate, superseded=False).select_related("bath", "strip")
    plans = {plan.part: plan for plan in found}
    if part is not None:
        return plans.get(part)
    finished = Run.objects.filter(plate=plate, outcome=Run.FINISHED, plan__superseded=False)
    bitten = set(finished.values_list("part", flat=True))
    planned = [plans[key] for key in PROCESSES if key in plans]
    return next((plan for plan in planned if plan.part not in bitten), None) or (
        planned[-1] if planned else None
    )
