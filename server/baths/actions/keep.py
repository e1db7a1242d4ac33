"""Make up a bath, change it, read it."""

from __future__ import annotations

import uuid
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from core.data.mordants import MORDANTS
from server.accounts.models import User
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathReading
from server.baths.schemas import BathChange, BathIn, ReadingIn
from server.record.actions.write import write
from server.replies.errors import BadValue, Stale
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import said_of

MADE_UP = "As it stood when it was made up."


@transaction.atomic
def make_bath(user: User, room_id: uuid.UUID, given: BathIn) -> Bath:
    """Return the new bath.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        Nitric without its fume caution acknowledged.
    """
    room = enter(user, room_id, "keep baths")
    row = MORDANTS[given.mordant]
    if "nitric" in given.mordant and not given.fumes_known:
        raise BadValue(
            "fumes-unknown",
            "Nitric fumes harm hours later. Say that extraction and its caution are known first.",
            field="fumes_known", value=False, allowed="yes",
        )  # fmt: skip
    facts = given.model_dump(exclude={"fumes_known"})
    held = row.metal == "copper" or given.mordant == "zinc-copper-sulphate"
    now = timezone.now()
    bath, new = add(Bath(room=room, temperature_at=now, held_copper=held, **facts))
    if not new:
        return bath
    begin_readings(bath, user, now)
    write(room, user, "bath", f"Made up {bath.name}: {row.label}, {bath.volume_l:g} L.")
    return bath


@transaction.atomic
def change_bath(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: BathChange) -> Bath:
    """Return the changed bath.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep baths")
    bath = change(Bath, room, bath_id, given.version)
    said = said_of(given, Bath)
    for field, value in said.items():
        setattr(bath, field, value)
    if "rate_factor" in said:
        bath.measured_at = timezone.now() if bath.rate_factor is not None else None
    settle_bath(bath)
    write(room, user, "bath", f"Changed {bath.name}.", data=said)
    return bath


@transaction.atomic
def read_bath(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: ReadingIn) -> Bath:
    """Return the bath with a new reading; sent twice it is logged once.

    Raises
    ------
    NotFound, NotAllowed
    Stale
        The id is of a reading of another bath.
    """
    room = enter(user, room_id, "read baths")
    bath = find(Bath, room, bath_id, lock=True)
    at = timezone.now()
    reading, _ = add(BathReading(room=room, bath=bath, at=at, by=user, **given.model_dump()))
    if reading.bath_id != bath.id:
        raise Stale("id-taken", "That id is another bath's reading. Make a new one.", field="id")
    return settle_bath(bath)


def begin_readings(bath: Bath, user: User | None, at: datetime) -> None:
    """Store what a bath stood at when it was made up; sent twice it is stored once."""
    BathReading.objects.get_or_create(
        id=uuid.uuid5(bath.id, "made up"),
        defaults={
            "room": bath.room, "bath": bath, "at": at, "by": user, "note": MADE_UP,
            "temperature_c": bath.temperature_c, "load_g_per_l": bath.load_g_per_l,
        },
    )  # fmt: skip


def log_gain(
    user: User, bath: Bath, run_id: uuid.UUID, at: datetime, gained_g_per_l: float, note: str
) -> None:
    """Store what the bites of a run added to the bath; said again it replaces itself.

    Runs ended before gains were kept left the load itself in that row: it stays as it is.
    """
    key = uuid.uuid5(run_id, "load")
    if BathReading.objects.filter(id=key).exclude(load_g_per_l=None).exists():
        return
    BathReading.objects.update_or_create(
        id=key,
        defaults={
            "room": bath.room, "bath": bath, "at": at, "by": user, "note": note,
            "gained_g_per_l": gained_g_per_l,
        },
    )  # fmt: skip
    settle_bath(bath)
