"""Put a plate in the rack, change its facts, mark a step of its course."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.plates.models import Plate, Work
from server.plates.schemas import PlateChange, PlateIn, StepDone
from server.record.actions.write import write
from server.rooms.permissions import add, change, enter, find


@transaction.atomic
def put_in_plate(user: User, room_id: uuid.UUID, given: PlateIn) -> Plate:
    """Return the new plate; sent twice it is put in once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change plates")
    work = find(Work, room, given.work) if given.work else None
    before = Plate.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    plate = add(Plate(room=room, work=work, **given.model_dump(exclude={"work"})))
    text = (
        f"Put {plate.name} in the rack: {plate.metal}, {plate.width_mm:g} × {plate.height_mm:g} mm."
    )
    write(room, user, "plate", text, plate=plate)
    return plate


@transaction.atomic
def change_plate(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlateChange) -> Plate:
    """Return the changed plate.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change plates")
    plate = change(Plate, room, plate_id, given.version)
    said = given.model_dump(exclude={"version"}, exclude_none=True)
    for field, value in said.items():
        setattr(plate, field, value)
    plate.save()
    write(room, user, "plate", _changed(said), plate=plate, data=said)
    return plate


def _changed(said: dict[str, object]) -> str:
    if "put_away" in said:
        return "Put away." if said["put_away"] else "Taken out again."
    return "Changed: " + ", ".join(
        f"{key.replace('_', ' ')} {value}" for key, value in said.items()
    )


@transaction.atomic
def mark_step(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: StepDone) -> Plate:
    """Return the plate with a step of its course done, or not after all.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change plates")
    plate = change(Plate, room, plate_id, given.version)
    plate.steps = plate.steps | {given.step: {"done": given.done, "fact": given.fact}}
    plate.save()
    word = "done" if given.done else "not done after all"
    text = f"{given.step.capitalize()} {word}" + (f": {given.fact}" if given.fact else ".")
    write(room, user, "step", text, plate=plate)
    return plate
