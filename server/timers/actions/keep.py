"""Start a timer and end it."""

from __future__ import annotations

import uuid
from datetime import timedelta

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.plates.models import Plate
from server.record.actions.write import write
from server.rooms.permissions import add, enter, find
from server.timers.models import Timer
from server.timers.schemas import TimerIn


@transaction.atomic
def start_timer(user: User, room_id: uuid.UUID, given: TimerIn) -> Timer:
    """Return the running timer; sent twice it is started once.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "run")
    plate = find(Plate, room, given.plate) if given.plate else None
    timer, new = add(
        Timer(
            id=given.id, room=room, plate=plate, what=given.what, seconds=given.seconds, by=user,
            started_at=timezone.now() - timedelta(seconds=given.ago_seconds),
        )
    )  # fmt: skip
    if not new:
        return timer
    minutes = f"{given.seconds / 60:g} min"
    write(room, user, "timer", f"{given.what.capitalize()}: {minutes} begun.", plate=plate)
    return timer


@transaction.atomic
def end_timer(user: User, room_id: uuid.UUID, timer_id: uuid.UUID) -> Timer:
    """Return the ended timer.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "run")
    timer = find(Timer, room, timer_id, lock=True)
    if timer.ended_at is None:
        timer.ended_at = timezone.now()
        timer.save()
        gone = (timer.ended_at - timer.started_at).total_seconds() / 60
        text = f"{timer.what.capitalize()}: ended after {gone:.0f} min."
        write(room, user, "timer", text, plate=timer.plate)
    return timer
