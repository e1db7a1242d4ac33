"""Make a room, change roles, let members go."""

from __future__ import annotations

import uuid

from django.db import IntegrityError, transaction

from server.accounts.models import User
from server.members.schemas import RoleIn, RoomIn
from server.record.actions.write import write
from server.replies.errors import BadValue, NotFound, Stale
from server.rooms.models import Membership, Room
from server.rooms.permissions import enter


@transaction.atomic
def make_room(user: User, given: RoomIn) -> Room:
    """Return the new room, kept by its maker; sent twice it is made once.

    Raises
    ------
    Stale
        The id is another room's.
    """
    mine = Room.objects.filter(id=given.id, memberships__user=user)
    before = mine.first()
    if before is not None:
        return before
    try:
        with transaction.atomic():
            room = Room.objects.create(id=given.id, name=given.name, time_zone=given.time_zone)
    except IntegrityError:
        before = mine.first()  # sent twice at once
        if before is None:
            raise Stale("id-taken", "That id is taken. Make a new one.", field="id") from None
        return before
    Membership.objects.create(room=room, user=user, role="keeper")
    return room


@transaction.atomic
def set_role(user: User, room_id: uuid.UUID, member_id: uuid.UUID, given: RoleIn) -> Membership:
    """Return the member with the new role.

    Raises
    ------
    NotFound, NotAllowed, BadValue
        A room always has a keeper.
    """
    room = _locked(enter(user, room_id, "keep members"))
    member = _member(room, member_id)
    if member.role == "keeper" and given.role != "keeper":
        _keeper_stays(room)
    member.role = given.role
    member.save()
    write(room, user, "member", f"{member.user.name} is now {given.role}.")
    return member


@transaction.atomic
def let_go(user: User, room_id: uuid.UUID, member_id: uuid.UUID) -> None:
    """Take a member out of the room; what they logged stays.

    Raises
    ------
    NotFound, NotAllowed, BadValue
    """
    room = _locked(enter(user, room_id, "keep members"))
    member = _member(room, member_id)
    if member.role == "keeper":
        _keeper_stays(room)
    write(room, user, "member", f"{member.user.name} left the room.")
    member.delete()


def _locked(room: Room) -> Room:
    """Return the room; its members are changed by one at a time, so that a keeper is left."""
    return Room.objects.select_for_update(no_key=True).get(id=room.id)


def _member(room: Room, member_id: uuid.UUID) -> Membership:
    member = Membership.objects.select_for_update().filter(room=room, user_id=member_id).first()
    if member is None:
        raise NotFound("That member")
    return member


def _keeper_stays(room: Room) -> None:
    if Membership.objects.filter(room=room, role="keeper").count() < 2:
        raise BadValue("last-keeper", "A room needs a keeper. Make someone else keeper first.")
