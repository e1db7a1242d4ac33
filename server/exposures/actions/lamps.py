"""Keep lamps, and what was measured of them."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.exposures.models import Lamp, Measurement
from server.exposures.schemas import LampIn, MeasurementIn
from server.exposures.words import reading_words
from server.record.actions.write import write
from server.replies.errors import Stale
from server.rooms.permissions import add, change, enter, find
from server.shopbook.actions.keep import same


@transaction.atomic
def keep_lamp(user: User, room_id: uuid.UUID, given: LampIn) -> Lamp:
    """Return the stored lamp, new or changed.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep lamps")
    facts = given.model_dump(exclude={"id", "version"})
    if given.version == 0:
        lamp, new = add(Lamp(id=given.id, room=room, **facts))
        if not new:
            return same(lamp, facts)
    else:
        lamp = change(Lamp, room, given.id, given.version)
        before = {field: getattr(lamp, field) for field in facts}
        for field, value in facts.items():
            setattr(lamp, field, value)
        lamp.save()
        facts = {"before": before} | facts
    hours = "hours not counted" if lamp.hours is None else f"{round(lamp.hours, 1):g} h"
    away = ", put away" if lamp.put_away else ""
    write(room, user, "lamp", f"Lamp {lamp.name}: {hours}{away}.", data=facts)
    return lamp


@transaction.atomic
def measure_lamp(user: User, room_id: uuid.UUID, lamp_id: uuid.UUID, given: MeasurementIn) -> Lamp:
    """Return the lamp with a new reading; sent twice it is stored once.

    A reading at more hours than the lamp had moves them: they only grow.

    Raises
    ------
    NotFound, NotAllowed
    Stale
        The id is another lamp's.
    """
    room = enter(user, room_id, "expose")
    lamp = find(Lamp, room, lamp_id, lock=True)
    said = given.said()
    row, new = add(
        Measurement(
            id=given.id, room=room, lamp=lamp, at=timezone.now(), by=user, kind=said["kind"],
            said=said,
        )
    )  # fmt: skip
    if row.lamp_id != lamp.id:
        raise Stale("id-taken", "That id is another lamp's. Make a new one.", field="id")
    if not new:
        return lamp
    if lamp.hours is None or said["hours"] > lamp.hours:
        lamp.hours = said["hours"]
        lamp.version += 1
        lamp.save()
    write(room, user, "lamp", f"Measured {lamp.name}: {reading_words(said)}.")
    return lamp


@transaction.atomic
def take_back_measurement(
    user: User, room_id: uuid.UUID, lamp_id: uuid.UUID, row_id: uuid.UUID, version: int,
    taken_back: bool,
) -> Lamp:  # fmt: skip
    """Return the lamp without a reading that was none, or with it again.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "expose")
    lamp = find(Lamp, room, lamp_id, lock=True)
    found = find(Measurement, room, row_id)
    if found.lamp_id != lamp.id:
        raise Stale("id-taken", "That reading is another lamp's.", field="measurement")
    row = change(Measurement, room, row_id, version)
    row.taken_back = taken_back
    row.save()
    verb = "Took back" if taken_back else "Put back"
    write(room, user, "lamp", f"{verb} a reading of {lamp.name}: {reading_words(row.said)}.")
    return lamp
