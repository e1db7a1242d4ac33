"""The room's own numbers: correct one, and hand all of a mordant's to the core."""

from __future__ import annotations

import uuid

from django.db import transaction
from pydantic import ValidationError

from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.faults import bad_input, place_of
from core.kinetics.shapes import MordantNumbers
from server.accounts.models import User
from server.record.actions.write import write
from server.rooms.permissions import add, enter
from server.shopbook.models import OwnNumber
from server.shopbook.schemas import OwnNumberIn


@transaction.atomic
def correct_number(user: User, room_id: uuid.UUID, given: OwnNumberIn) -> OwnNumber:
    """Return the stored correction; every plan, bath and strip of the room follows it.

    Raises
    ------
    NotFound, NotAllowed
    CoreError
        Out of the column's limits.
    Stale
        The id is taken by something else.
    """
    room = enter(user, room_id, "keep numbers")
    _check(given)
    facts = given.model_dump()
    number, new = add(OwnNumber(room=room, by=user, **facts))
    if not new:
        return number
    label, name = MORDANTS[given.mordant].label, given.column.replace("_", " ")
    said = "the table's again" if given.value is None else f"{given.value:g}"
    write(room, user, "number", f"{label}, {name}: {said}. {given.reason}")
    return number


def _check(given: OwnNumberIn) -> None:
    try:
        MordantNumbers.model_validate({given.column: given.value})
    except ValidationError as error:
        fault = bad_input(error, MordantNumbers)
        raise CoreError(
            fault.code, fault.text.replace(given.column, "value"), field="value",
            value=given.value, allowed=fault.allowed, unit=fault.unit,
        ) from None  # fmt: skip


def unit_of_column(column: str) -> str:
    """Return the unit of a mordant's number, by its field."""
    return place_of(MordantNumbers, (column,))[1]


def standing_numbers(room_id: uuid.UUID, mordant: str | None = None) -> list[OwnNumber]:
    """Return the newest correction of each number, those that went back to the table left out."""
    rows = OwnNumber.objects.filter(room_id=room_id).select_related("by")
    newest: dict[tuple[str, str], OwnNumber] = {}
    for row in rows.filter(mordant=mordant) if mordant else rows:
        newest.setdefault((row.mordant, row.column), row)
    return [row for row in newest.values() if row.value is not None]


def own_mordant_numbers(room_id: uuid.UUID, mordant: str) -> MordantNumbers | None:
    """Return a room's own numbers of a mordant as the core takes them; None where it has none."""
    own = {row.column: row.value for row in standing_numbers(room_id, mordant)}
    return MordantNumbers.model_validate(own) if own else None
