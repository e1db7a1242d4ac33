"""Look at a plan before keeping it, and keep it."""

from __future__ import annotations

import uuid

from django.db import transaction

from core.process.row import Process
from core.process.rows import PROCESSES
from server.accounts.models import User
from server.baths.actions.admit import admit
from server.baths.models import Bath
from server.plans.models import Plan
from server.plans.schemas import PlanIn
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.strips.models import Strip


def draft(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlanIn) -> Plan:
    """Return an unsaved plan, checked.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        The bath is not for the plate's metal, or too warm, or it opens what is not there.
    """
    room = enter(user, room_id, "look")
    plate = find(Plate, room, plate_id)
    old = current_plan(plate, given.part)
    learned = old.learned if old and not given.anew and not _is_stripped(old) else None
    ids = uuid.uuid4() if given.anew else old.id if old else given.id
    return _filled(room, plate, given, Plan(id=ids, room=room, learned=learned))


def current_plan(plate: Plate, part: str) -> Plan | None:
    """Return the plan of a part as it stands: that of its last ground."""
    return Plan.objects.filter(plate=plate, part=part, superseded=False).first()


@transaction.atomic
def keep_plan(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlanIn) -> Plan:
    """Return the stored plan of a plate; it has one a ground, changed in place.

    Raises
    ------
    NotFound, NotAllowed, Stale, CoreError
    """
    room = enter(user, room_id, "change plans")
    plate = find(Plate, room, plate_id, lock=True)
    old = current_plan(plate, given.part)
    if old is None:
        plan, _ = add(_filled(room, plate, given, Plan(id=given.id, room=room)))
    elif given.version == 0 and _is_same(old, _filled(room, plate, given, Plan(id=given.id))):
        return old
    elif given.version == 0:
        raise Stale(
            "stale", "This plate has a plan already. Look at it, then save again.",
            field="version", value=0, allowed=str(old.version),
        )  # fmt: skip
    elif (given.anew and old.runs.exists()) or _is_stripped(old):
        plan = _next_ground(room, plate, given, change(Plan, room, old.id, given.version))
    else:
        plan = _filled(room, plate, given, change(Plan, room, old.id, given.version))
        plan.save()
    process = PROCESSES[plan.part]
    wanted = ", ".join(process.tell(wish) for wish in process.wishes(plan.areas))
    again = f" Opened again: {', '.join(plan.open_again)}." if plan.open_again else ""
    write(room, user, "plan", f"Planned {plate.name}: {wanted}.{again}", plate=plate)
    return plan


def _is_stripped(plan: Plan) -> bool:
    """Tell whether a plan's grain was bitten and is gone: what is planned now is another."""
    if PROCESSES[plan.part].stays_when_stripped:
        return False
    last = plan.runs.exclude(outcome="never dipped").order_by("-created_at").first()
    return last is not None and last.outcome == "finished" and last.stripped_at is not None


def _next_ground(room: Room, plate: Plate, given: PlanIn, old: Plan) -> Plan:
    """Return a new plan for a new ground; the one before is kept as it was bitten."""
    old.superseded = True
    old.save()
    new = Plan(id=uuid.uuid5(old.id, "next ground"), room=room, ground=old.ground + 1)
    plan, _ = add(_filled(room, plate, given, new))
    return plan


def _is_same(old: Plan, sent: Plan) -> bool:
    """Tell whether what is sent as new is what was stored: sent again, its answer lost."""
    columns = (
        "id",
        "bath_id",
        "strip_id",
        "method",
        "round_to_seconds",
        "measured",
        "areas",
        "open_again",
    )
    return all(getattr(old, column) == getattr(sent, column) for column in columns)


def _filled(room: Room, plate: Plate, given: PlanIn, plan: Plan) -> Plan:
    process = PROCESSES[given.part]
    plan.plate = plate
    plan.bath = find(Bath, room, given.bath)
    plan.strip = find(Strip, room, given.strip) if given.strip else None
    admit(plate.metal, plan.bath)
    check_vessel(process, plan.bath)
    plan.part = given.part
    plan.method = given.method
    plan.measured = [line.model_dump(exclude_none=True) for line in given.measured]
    plan.round_to_seconds = given.round_to_seconds
    plan.open_again = [] if given.anew else _known(given.open_again, given)
    plan.areas = process.in_order([area.model_dump() for area in given.areas])
    return plan


def _known(names: list[str], given: PlanIn) -> list[str]:
    strangers = sorted(set(names) - {area.name for area in given.areas})
    if strangers:
        raise BadValue(
            "unknown-area", f"The plan has no {', '.join(strangers)}.", field="open_again",
            value=", ".join(strangers), allowed=", ".join(area.name for area in given.areas),
        )  # fmt: skip
    return list(dict.fromkeys(names))


def check_vessel(process: Process, bath: Bath) -> None:
    """Refuse a bath that this process cannot take its mordant from.

    Raises
    ------
    BadValue
    """
    if bath.vessel not in process.vessels:
        raise BadValue(
            "wrong-vessel", f"{bath.name} is a {bath.vessel}: {process.words.many} need a "
            f"{' or '.join(process.vessels)}.", field="bath", value=bath.vessel,
            allowed=", ".join(process.vessels),
        )  # fmt: skip
