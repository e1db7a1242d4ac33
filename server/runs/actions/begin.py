"""Begin a run of a plate's plan, and end it."""

from __future__ import annotations

import uuid
from dataclasses import replace

from django.db import IntegrityError, transaction
from django.utils import timezone

from core.line.plan_lines import lay_out_lines
from core.line.shapes import PlanLinesInput
from core.stages.state import lay_out, metal_gained_g_per_l
from server.accounts.models import User
from server.baths.actions.keep import log_reading
from server.baths.models import Bath
from server.config.errors import BadValue, Stale
from server.plans.actions.plan_input import measured_lines, plan_input
from server.plans.models import Plan
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find
from server.runs.actions.state import decided_for, run_state
from server.runs.models import Run
from server.runs.schemas import RunIn


@transaction.atomic
def begin_run(user: User, room_id: uuid.UUID, given: RunIn) -> Run:
    """Return the new run; sent twice it begins once.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The plate has no plan.
    Stale
        The plate has a run under way.
    """
    room = enter(user, room_id, "run")
    plate = find(Plate, room, given.plate, lock=True)
    before = Run.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    plan = _plan_to_bite(plate, given.part)
    if plan is None:
        raise BadValue("no-plan", "Plan the bites first: say which tones you want.", field="plate")
    run = Run(
        id=given.id, room=room, plate=plate, plan=plan, bath=plan.bath, method=plan.method,
        part=plan.part, round_to_seconds=plan.round_to_seconds, areas=plan.areas,
        strip=plan.strip, curve=plan.strip.curve if plan.strip else None,
        measured=measured_lines(plan.measured, plan.strip),
    )  # fmt: skip
    try:
        with transaction.atomic():
            run = add(run)
    except IntegrityError:
        raise Stale("run-under-way", "This plate has a run under way. Open it.") from None
    plate.place = "bath"
    plate.version += 1
    plate.save()
    write(room, user, "run", f"Began to bite {plate.name} in {plan.bath.name}.", plate=plate)
    return run


def _plan_to_bite(plate: Plate, part: str | None) -> Plan | None:
    """Return the plan of a part; where none is named, that of the first part not bitten yet."""
    plans = Plan.objects.filter(plate=plate).select_related("bath", "strip").order_by("part")
    if part is not None:
        return plans.filter(part=part).first()
    ended = Run.objects.filter(plate=plate).exclude(ended_at=None)
    bitten = set(ended.values_list("part", flat=True))
    return next((plan for plan in plans if plan.part not in bitten), plans.last())


@transaction.atomic
def end_run(user: User, room_id: uuid.UUID, run_id: uuid.UUID) -> Run:
    """Return the ended run; the metal it dissolved is added to its bath's load.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        The plate is in the bath.
    """
    room = enter(user, room_id, "run")
    run = find(Run, room, run_id, lock=True)
    if run.ended_at is not None:
        return run
    state = run_state(run)
    if state.in_bath is not None:
        raise BadValue("in-bath", "The plate is in the bath. Lift it first.", field="run")
    run.ended_at = timezone.now()
    run.save()
    _load_bath(user, run)
    run.plate.place, run.plate.place_note = "resting", "bitten, washed"
    run.plate.version += 1
    run.plate.save()
    write(room, user, "run", f"Finished biting: {len(state.done)} bites.", plate=run.plate)
    return run


def _load_bath(user: User, run: Run) -> None:
    """Add the metal of the bites to the bath, as a reading that says where it came from."""
    bath = find(Bath, run.room, run.bath_id, lock=True)
    given = plan_input(replace(decided_for(run), bath=bath), [])
    bench = lay_out_lines(given) if isinstance(given, PlanLinesInput) else lay_out(given)
    gained = 0.0
    for dip in run_state(run).done:
        areas = [area for area in bench.given.areas if area.name in dip.open]
        seconds = (dip.lifted_seconds or dip.at_seconds) - dip.at_seconds
        gained += metal_gained_g_per_l(bench, areas, seconds)
    log_reading(
        run.room, user, bath, timezone.now(), id=uuid.uuid5(run.id, "load"),
        load_g_per_l=round(bath.load_g_per_l + gained, 3),
        note=f"Reckoned from the bites of {run.plate.name}: +{gained:.2f} g/L.",
    )  # fmt: skip
