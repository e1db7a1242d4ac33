"""Make up a bath, change it, read it."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from django.db import transaction
from django.utils import timezone

from core.data.mordants import MORDANTS
from server.accounts.models import User
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathReading
from server.baths.schemas import BathChange, BathIn, ReadingIn, RefreshIn
from server.record.actions.write import write
from server.replies.errors import BadValue, NotFound, Stale
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import changes, said_of, stood, told_change

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
    source = find(Bath, room, given.made_from) if given.made_from else None
    _check_source(given, source)
    if "nitric" in given.mordant and not given.fumes_known:
        raise BadValue(
            "fumes-unknown",
            "Nitric fumes harm hours later. Say that extraction and its caution are known first.",
            field="fumes_known", value=False, allowed="yes",
        )  # fmt: skip
    facts = given.model_dump(exclude={"fumes_known", "held_copper", "made_from"})
    now = timezone.now()
    held = _held_copper(given, source)
    bath, new = add(
        Bath(room=room, temperature_at=now, held_copper=held, made_from=source, **facts)
    )
    if not new:
        return bath
    begin_readings(bath, user, now)
    known = " Known: its fumes harm hours later." if given.fumes_known else ""
    of = f" Decanted from {source.name}." if source else ""
    text = f"Made up {bath.name}: {row.label}, {bath.volume_l:g} L.{of}{known}"
    write(room, user, "bath", text)
    return bath


def _held_copper(given: BathIn, source: Bath | None) -> bool:
    """Return whether copper was ever in what a bath is made of."""
    if source is not None and source.held_copper:
        return True
    if given.held_copper is not None:
        return given.held_copper
    return MORDANTS[given.mordant].metal == "copper" or given.mordant == "zinc-copper-sulphate"


def _check_source(given: BathIn, source: Bath | None) -> None:
    """Refuse to pour one mordant into another.

    Raises
    ------
    BadValue
    """
    if source is None:
        return
    kinds = [MORDANTS[key].caution for key in (given.mordant, source.mordant)]
    if kinds[0] != kinds[1]:
        raise BadValue(
            "other-mordant", f"{source.name} is {MORDANTS[source.mordant].label.lower()}: another "
            "mordant. They are never poured together.", field="made_from", value=source.name,
            allowed=kinds[0],
        )  # fmt: skip


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
    before = stood(bath, said)
    for field, value in said.items():
        setattr(bath, field, value)
    if "rate_factor" in said:
        bath.measured_at = timezone.now() if bath.rate_factor is not None else None
    settle_bath(bath)
    text = _changed(bath, said, before)
    write(room, user, "bath", text, data=said | {"before": before})
    return bath


def _changed(bath: Bath, said: dict[str, Any], before: dict[str, Any]) -> str:
    if said.get("retired"):
        where = f" into {bath.retired_to}" if bath.retired_to else ""
        return f"Retired {bath.name}{where}. {bath.load_g_per_l:.1f} g/L of metal were in it."
    if said.get("held_copper"):
        return f"Said of {bath.name}: copper was in it."
    told = [told_change(*each) for each in changes(said, before)]
    return f"Changed {bath.name}{': ' if told else ''}{'; '.join(told)}."


@transaction.atomic
def refresh_bath(user: User, room_id: uuid.UUID, bath_id: uuid.UUID, given: RefreshIn) -> Bath:
    """Return the bath after a part of it was replaced; sent twice it is replaced once.

    What it held copper of stays so: a part always stays behind.

    Raises
    ------
    NotFound, NotAllowed
    Stale
        The id is of a reading of another bath.
    """
    room = enter(user, room_id, "keep baths")
    bath = find(Bath, room, bath_id, lock=True)
    before, now = bath.load_g_per_l, timezone.now()
    text = given.note or "A part replaced."
    row = BathReading(
        id=given.id, room=room, bath=bath, at=now, by=user, replaced_share=given.share, note=text
    )
    if not _added(row, bath):
        return bath
    bath = settle_bath(bath)
    litres = bath.volume_l * given.share
    write(
        room, user, "bath",
        f"Replaced {litres:.2g} L of {bath.volume_l:g} L in {bath.name}: from {before:.1f} to "
        f"{bath.load_g_per_l:.1f} g/L.",
    )  # fmt: skip
    return bath


@transaction.atomic
def take_back_reading(
    user: User, room_id: uuid.UUID, bath_id: uuid.UUID, reading_id: uuid.UUID, taken_back: bool
) -> Bath:
    """Return the bath without a reading or a refresh that was none, or with it again.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        It is reckoned from bites: their events are taken back, not it.
    """
    room = enter(user, room_id, "read baths")
    bath = find(Bath, room, bath_id, lock=True)
    row = BathReading.objects.filter(bath=bath, id=reading_id).first()
    if row is None:
        raise NotFound("That reading")
    if row.gained_g_per_l or row.note == MADE_UP:
        raise BadValue(
            "reckoned", "This follows from other entries. Take those back.", field="reading",
            value=row.note, allowed="a reading or a refresh",
        )  # fmt: skip
    if row.taken_back != taken_back:
        row.taken_back = taken_back
        row.save(update_fields=["taken_back"])
        verb = "Took back" if taken_back else "Put back"
        write(room, user, "bath", f"{verb} a reading of {bath.name}: {_read(row)}")
    return settle_bath(bath)


def _read(row: BathReading) -> str:
    if row.replaced_share:
        return f"{row.replaced_share:.0%} replaced."
    parts = [
        f"{row.temperature_c:.1f} °C" if row.temperature_c is not None else "",
        f"{row.load_g_per_l:.1f} g/L" if row.load_g_per_l is not None else "",
    ]
    return f"{', '.join(part for part in parts if part)}."


def _added(row: BathReading, bath: Bath) -> bool:
    """Store a reading once; say whether it is new.

    Raises
    ------
    Stale
    """
    stored, new = add(row)
    if stored.bath_id != bath.id:
        raise Stale("id-taken", "That id is another bath's reading. Make a new one.", field="id")
    return new


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
    _added(BathReading(room=room, bath=bath, at=at, by=user, **given.model_dump()), bath)
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
