"""Make an instrument, change it, take its token back, replace a lost one."""

from __future__ import annotations

import hashlib
import secrets
import uuid
from datetime import timedelta

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.baths.models import Bath
from server.instruments.models import Instrument
from server.instruments.schemas import InstrumentChange, InstrumentIn
from server.record.actions.write import write
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import add, change, enter, find


def hashed(token: str) -> str:
    """Return what is kept of a token."""
    return hashlib.sha256(token.encode()).hexdigest()


def _new_token() -> str:
    return secrets.token_urlsafe(24)


@transaction.atomic
def make_instrument(user: User, room_id: uuid.UUID, given: InstrumentIn) -> tuple[Instrument, str]:
    """Return the new instrument and its token; sent twice, a new token replaces the first.

    Raises
    ------
    NotFound, NotAllowed, Stale
    BadValue
        A probe without a bath.
    """
    room = enter(user, room_id, "keep instruments")
    token = _new_token()
    instrument, new = add(
        Instrument(
            id=given.id, room=room, name=given.name, kind=given.kind,
            bath=_bath(room, given.kind, given.bath), every_seconds=given.every_seconds,
            token_sha256=hashed(token), made_by=user,
            ends_at=timezone.now() + timedelta(days=given.days),
        )
    )  # fmt: skip
    if not new:
        instrument.token_sha256 = hashed(token)
        instrument.save(update_fields=["token_sha256"])
        return instrument, token
    where = f" for {instrument.bath.name}" if instrument.bath else ""
    write(room, user, "instrument", f"{given.name}: a token{where}, good for {given.days} days.")
    return instrument, token


def _bath(room: Room, kind: str, bath_id: uuid.UUID | None) -> Bath | None:
    if bath_id is not None:
        return find(Bath, room, bath_id)
    if kind == "bath-probe":
        raise BadValue("no-bath", "A bath probe hangs in a bath: say which.", field="bath",
                       allowed="a bath of this room")  # fmt: skip
    return None


@transaction.atomic
def change_instrument(
    user: User, room_id: uuid.UUID, instrument_id: uuid.UUID, given: InstrumentChange
) -> Instrument:
    """Return the changed instrument.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep instruments")
    instrument = change(Instrument, room, instrument_id, given.version)
    said = []
    if given.name is not None:
        instrument.name = given.name
        said.append("renamed")
    if given.bath is not None:
        instrument.bath = find(Bath, room, given.bath)
        said.append(f"hangs in {instrument.bath.name}")
    if given.every_seconds is not None:
        instrument.every_seconds = given.every_seconds
        said.append(f"speaks every {given.every_seconds:g} s")
    if given.taken_back is not None:
        instrument.taken_back_at = timezone.now() if given.taken_back else None
        said.append("its token was taken back" if given.taken_back else "its token holds again")
    instrument.save()
    write(room, user, "instrument", f"{instrument.name}: {', '.join(said) or 'nothing changed'}.")
    return instrument


@transaction.atomic
def replace_token(
    user: User, room_id: uuid.UUID, instrument_id: uuid.UUID, version: int
) -> tuple[Instrument, str]:
    """Return the instrument with a new token; the lost one sends nothing more.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "keep instruments")
    instrument = change(Instrument, room, instrument_id, version)
    token = _new_token()
    instrument.token_sha256, instrument.taken_back_at = hashed(token), None
    instrument.save()
    write(room, user, "instrument", f"{instrument.name}: its token was replaced.")
    return instrument, token
