"""Change the facts of a plate."""

from __future__ import annotations

import uuid
from typing import Any

from django.db import transaction

from server.accounts.models import User
from server.files.models import Picture
from server.plates.models import Plate
from server.plates.schemas import PlateChange
from server.record.actions.write import write
from server.rooms.permissions import change, enter, find
from server.rooms.said import changes, said_of, stood, told_change


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
    before = stood(plate, said)
    if given.study is not None:
        plate.study = find(Picture, room, given.study)
    for field, value in (f for f in said.items() if f[0] != "study"):
        setattr(plate, field, value)
    if plate.metal != "plastic":
        plate.facts = {**plate.facts, "plastic": None}
    plate.save()
    write(room, user, "plate", _changed(said, before), plate=plate, data=said | {"before": before})
    return plate


def _changed(said: dict[str, Any], before: dict[str, Any]) -> str:
    if "put_away" in said:
        return "Put away." if said["put_away"] else "Taken out again."
    told = [told_change(*each) for each in changes(said, before)]
    return f"Changed: {'; '.join(told)}." if told else "Nothing changed."
