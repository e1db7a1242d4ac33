"""Put a plate in the rack, with its course."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.courses.standing import planned_course
from server.plates.models import Plate, Work
from server.plates.schemas import PlateIn
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find


@transaction.atomic
def put_in_plate(user: User, room_id: uuid.UUID, given: PlateIn) -> Plate:
    """Return the new plate; sent twice it is put in once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        A route that its material cannot take.
    """
    room = enter(user, room_id, "change plates")
    work = find(Work, room, given.work) if given.work else None
    plate = Plate(room=room, work=work, **given.model_dump(exclude={"work"}))
    planned_course(plate)
    plate, new = add(plate)
    if not new:
        return plate
    begin_course(plate)
    text = (
        f"Put {plate.name} in the rack: {plate.metal}, {plate.width_mm:g} × {plate.height_mm:g} mm."
    )
    write(room, user, "plate", text, plate=plate)
    return plate
