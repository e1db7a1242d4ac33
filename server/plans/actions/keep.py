"""Look at a plan before keeping it, and keep it."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction

from core.data.mordants import MORDANTS
from core.line.width import depth_for_darkness_um
from core.safety.cautions import check_pair
from server.accounts.models import User
from server.baths.models import Bath
from server.config.errors import Stale
from server.plans.models import Plan
from server.plans.schemas import PlanIn
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find
from server.strips.models import Strip


def draft(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlanIn) -> Plan:
    """Return an unsaved plan, checked.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        The bath is not for the plate's metal.
    """
    room = enter(user, room_id, "look")
    return _filled(room, find(Plate, room, plate_id), given, Plan(id=given.id, room=room))


@transaction.atomic
def keep_plan(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlanIn) -> Plan:
    """Return the stored plan of a plate; it has one, changed in place.

    Raises
    ------
    NotFound, NotAllowed, Stale, CoreError
    """
    room = enter(user, room_id, "change plans")
    plate = find(Plate, room, plate_id, lock=True)
    old = Plan.objects.filter(room=room, plate=plate, part=given.part).first()
    if old is None:
        plan = add(_filled(room, plate, given, Plan(id=given.id, room=room)))
    elif given.version == 0:
        raise Stale(
            "stale", "This plate has a plan already. Look at it, then save again.",
            field="version", value=0, allowed=str(old.version),
        )  # fmt: skip
    else:
        plan = _filled(room, plate, given, change(Plan, room, old.id, given.version))
        plan.save()
    wanted = ", ".join(_wanted(area) for area in plan.areas)
    write(room, user, "plan", f"Planned {plate.name}: {wanted}.", plate=plate)
    return plan


def _wanted(area: dict[str, object]) -> str:
    if area["depth_um"] is not None:
        return f"{area['name']} {area['depth_um']:g} µm deep"
    if area["darkness"] is not None:
        return f"{area['name']} {100 * float(str(area['darkness'])):.0f} % dark"
    lstar = area["lstar"]
    return f"{area['name']} white" if lstar is None else f"{area['name']} L* {lstar:g}"


def _filled(room: Room, plate: Plate, given: PlanIn, plan: Plan) -> Plan:
    plan.plate = plate
    plan.bath = find(Bath, room, given.bath)
    plan.strip = find(Strip, room, given.strip) if given.strip else None
    row = MORDANTS[plan.bath.mordant]
    check_pair(plate.metal, row.metal, row.label)
    plan.part = given.part
    plan.method = given.method
    plan.measured = [line.model_dump(exclude_none=True) for line in given.measured]
    plan.round_to_seconds = given.round_to_seconds
    areas = [area.model_dump() for area in given.areas]
    plan.areas = sorted(areas, key=_depth if given.part == "lines" else _lightness)
    return plan


def _lightness(area: dict[str, Any]) -> float:
    return -999.0 if area["lstar"] is None else -float(area["lstar"])


def _depth(area: dict[str, Any]) -> float:
    if area["depth_um"] is not None:
        return float(area["depth_um"])
    return depth_for_darkness_um(float(area["darkness"]))
