"""Roles × actions, in one table, and the one way into a room."""

from __future__ import annotations

import uuid
from typing import TypeVar

from django.db import IntegrityError, transaction
from django.db.models import Model

from server.accounts.models import User
from server.replies.errors import NotAllowed, NotFound, Stale
from server.rooms.models import Membership, Room, RoomThing

BOTH = frozenset({"keeper", "printer"})
KEEPER = frozenset({"keeper"})

ACTIONS: dict[str, frozenset[str]] = {
    "look": BOTH,
    "change plates": BOTH,
    "change strips": BOTH,
    "change plans": BOTH,
    "run": BOTH,
    "log proofs": BOTH,
    "write the record": BOTH,
    "read baths": BOTH,
    "keep baths": KEEPER,
    "keep instruments": KEEPER,
    "keep lamps": KEEPER,
    "expose": BOTH,
    "scratch": BOTH,
    "print": BOTH,
    "keep recipes": BOTH,
    "keep numbers": KEEPER,
    "keep members": KEEPER,
    "keep the room": KEEPER,
}

Thing = TypeVar("Thing", bound=RoomThing)
Row = TypeVar("Row", bound=Model)
"""Any row that names its room."""


def enter(user: User, room_id: uuid.UUID, action: str) -> Room:
    """Return the room, if the user's role in it carries the action.

    Raises
    ------
    NotFound
        No such room, or the user is not in it.
    NotAllowed
        The role does not carry the action.
    """
    member = Membership.objects.filter(user=user, room_id=room_id).select_related("room").first()
    if member is None:
        raise NotFound("That print room")
    if member.role not in ACTIONS[action]:
        raise NotAllowed("role", f"Only a keeper may {action}.", allowed="keeper")
    return member.room


def find(kind: type[Thing], room: Room, thing_id: uuid.UUID, *, lock: bool = False) -> Thing:
    """Return a thing of this room.

    Locks are taken in one order, so that no two requests wait for each other: plate, then its
    course, plan, run or strip, then the bath. A lock leaves the key alone: rows that name the thing
    are stored beside it.

    Raises
    ------
    NotFound
        Unknown, or of another room.
    """
    query = kind._default_manager.filter(room=room, id=thing_id)
    found = (query.select_for_update(no_key=True) if lock else query).first()
    if found is None:
        raise NotFound(f"That {kind.__name__.lower()}")
    return found


def change(kind: type[Thing], room: Room, thing_id: uuid.UUID, version: int) -> Thing:
    """Return a thing locked for a change that was decided on its ``version``.

    Raises
    ------
    NotFound, Stale
    """
    thing = find(kind, room, thing_id, lock=True)
    if thing.version != version:
        raise Stale(
            "stale",
            f"Someone changed this {kind.__name__.lower()} while you were at it. Yours is kept "
            "here; look at theirs, then save again.",
            field="version",
            value=version,
            allowed=str(thing.version),
        )
    thing.version += 1
    return thing


def add(thing: Row) -> tuple[Row, bool]:
    """Store a new row with the id its client made; sent twice, also at once, it is stored once.

    Returns
    -------
    (row, bool)
        The row as it is stored, and whether it is new: only then the record tells of it.

    Raises
    ------
    Stale
        The id is taken by something else.
    """
    before = _before(thing)
    if before is not None:
        return before, False
    try:
        with transaction.atomic():
            thing.save(force_insert=True)
    except IntegrityError as error:
        if "_pkey" not in str(error):
            raise
        before = _before(thing)
        if before is None:
            raise Stale("id-taken", "That id is taken. Make a new one.", field="id") from None
        return before, False
    return thing, True


def _before(thing: Row) -> Row | None:
    """Return the row of this id that the room has already."""
    room: Room = thing.room  # type: ignore[attr-defined]
    return type(thing)._default_manager.filter(room=room, pk=thing.pk).first()
