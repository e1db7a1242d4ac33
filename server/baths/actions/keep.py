"""Make up a bath, change it, read it."""

from __future__ import annotations

import uuid
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from core.data.mordants import MORDANTS
from server.accounts.models import User
from server.baths.models import Bath, BathReading
from server.baths.schemas import BathChange, BathIn, ReadingIn
from server.config.errors import BadValue
from server.record.actions.write import write
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find


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
    bath = add(Bath(room=room, temperature_at=timezone.now(), held_copper=held, **facts))
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
    said = given.model_dump(exclude={"version"}, exclude_unset=True)
    for field, value in said.items():
        setattr(bath, field, value)
    if "rate_factor" in said:
        bath.measured_c, bath.measured_g_per_l = bath.temperature_c, bath.load_g_per_l
        bath.measured_at = timezone.now() if bath.rate_factor is not None else None
    bath.save()
    write(room, user, "bath", f"Changed {bath.name}.", data=said)
    return bath


@transaction.atomic
def read_bath(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: ReadingIn) -> Bath:
    """Return the bath with a new reading; sent twice it is logged once.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "read baths")
    bath = find(Bath, room, bath_id, lock=True)
    if BathReading.objects.filter(room=room, id=given.id).exists():
        return bath
    log_reading(room, user, bath, timezone.now(), **given.model_dump())
    return bath


def log_reading(
    room: Room,
    user: User,
    bath: Bath,
    at: datetime,
    *,
    id: uuid.UUID,
    temperature_c: float | None = None,
    load_g_per_l: float | None = None,
    note: str = "",
) -> None:
    """Store a reading; the newest one is what the bath stands at."""
    BathReading.objects.create(
        id=id, room=room, bath=bath, at=at, by=user, temperature_c=temperature_c,
        load_g_per_l=load_g_per_l, note=note,
    )  # fmt: skip
    if temperature_c is not None and at >= bath.temperature_at:
        bath.temperature_c, bath.temperature_at = temperature_c, at
    if load_g_per_l is not None:
        bath.load_g_per_l = load_g_per_l
    bath.save()
