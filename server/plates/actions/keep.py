"""Change the facts of a plate."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.files.models import Picture
from server.plates.models import Plate
from server.plates.schemas import PlateChange
from server.record.actions.write import write
from server.rooms.permissions import change, enter, find
from server.rooms.said import said_of


@transaction.atomic
def change_plate(user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PlateChange) -> Plate:
    """Return the changed plate.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "change plates")
    plate = change(Plate, room, plate_id, given.version)
    said = {key: value for key, value in said_of(given, Plate).items() if value is not None}
    if given.study is not None:
        plate.study = find(Picture, room, given.study)
    for field, value in (f for f in said.items() if f[0] != "study"):
        setattr(plate, field, value)
    plate.save()
    write(room, user, "plate", _changed(said), plate=plate, data=said)
    return plate


def _changed(said: dict[str, object]) -> str:
    if "put_away" in said:
        return "Put away." if said["put_away"] else "Taken out again."
    return "Changed: " + "; ".join(_told(key, value) for key, value in said.items()) + "."


def _told(key: str, value: object) -> str:
    if key == "study":
        return "a new picture of what is meant"
    if isinstance(value, dict):
        facts = (f"{name.replace('_', ' ')} {fact}" for name, fact in value.items() if fact)
        return ", ".join(facts) or "facts cleared"
    return f"{key.replace('_', ' ')} {value}"
