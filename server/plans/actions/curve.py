"""Choose by which curve a plate's next bites are planned: its own, or the strip's alone."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.plans.actions.keep import current_plan
from server.plans.models import Plan
from server.plans.schemas import CurveIn
from server.plates.models import Plate
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.permissions import change, enter, find


@transaction.atomic
def choose_curve(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: CurveIn) -> Plan:
    """Return the plan, planned by the curve chosen; the other is kept and can be chosen again.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        No proof of this plate has moved its curve.
    """
    room = enter(user, room_id, "change plans")
    plate = find(Plate, room, plate_id, lock=True)
    plan = current_plan(plate, given.part)
    if plan is None or plan.learned is None or plan.strip is None:
        raise BadValue(
            "no-own-curve", "No proof has moved this plate's curve yet.", field="own",
            value=given.own, allowed="a plate with a proof that was printed as its strip",
        )  # fmt: skip
    plan = change(Plan, room, plan.id, given.version)
    plan.learned = (plan.learned or {}) | {"used": given.own}
    plan.save()
    by = "its own proofs" if given.own else f"{plan.strip.name} alone" if plan.strip else "a guess"
    write(room, user, "plan", f"{plate.name} is planned by {by}.", plate=plate)
    return plan
