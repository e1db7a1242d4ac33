"""Roles × actions, in one table, and the one way into a room."""

from __future__ import annotations

import uuid
from typing import TypeVar

from django.db import IntegrityError, transaction

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
    "keep recipes": BOTH,
    "keep numbers": KEEPER,
    "keep members": KEEPER,
    "keep the room": KEEPER,
}

Thing = TypeVar("Thing", bound=RoomThing)


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

    Raises
    ------
    NotFound
        Unknown, or of another room.
    """
    query = kind._default_manager.filter(room=room, id=thing_id)
    found = (query.select_for_update() if lock else query).first()
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


def add(thing: Thing) -> Thing:
    """Store a new thing with the id its client made; sent twice it is stored once.

    Raises
    ------
    Stale
        The id is taken by something else.
    """
    kind = type(thing)
    before = kind._default_manager.filter(room=thing.room, id=thing.id).first()
    if before is not None:
        return before
    try:
        with transaction.atomic():
            thing.save(force_insert=True)
    except IntegrityError as error:
        if "_pkey" not in str(error):
            raise
        raise Stale("id-taken", "That id is taken. Make a new one.", field="id") from None
    return thing
