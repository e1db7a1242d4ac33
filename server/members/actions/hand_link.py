"""Links the keeper hands over: an invitation, or a new password."""

from __future__ import annotations

import hashlib
import secrets
import uuid
from datetime import timedelta

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import transaction
from django.db.models import QuerySet
from django.utils import timezone

from server.accounts.models import User
from server.members.schemas import LinkIn, LinkUse
from server.record.actions.write import write
from server.replies.errors import BadValue, NotAllowed, NotFound
from server.rooms.models import HandLink, Membership, Room
from server.rooms.permissions import enter

GOOD_FOR = timedelta(days=3)


def _sha256(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


@transaction.atomic
def make_link(user: User, room_id: uuid.UUID, given: LinkIn) -> tuple[HandLink, str]:
    """Return the link and its secret, which is stored only as a hash.

    Raises
    ------
    NotFound, NotAllowed
        A password can be reset only for someone whose every room the maker keeps.
    BadValue
    """
    room = enter(user, room_id, "keep members")
    member = None
    if given.kind == "reset":
        members = Membership.objects.filter(room=room)
        member = members.filter(user_id=given.user).first() if given.user else None
        if member is None:
            raise NotFound("That member")
        _only_own_rooms(user, member.user)
    elif given.role is None:
        raise BadValue("missing", "An invitation needs a role.", field="role",
                       allowed="keeper or printer")  # fmt: skip
    token = secrets.token_urlsafe(24)
    link = HandLink.objects.create(
        room=room,
        kind=given.kind,
        token_sha256=_sha256(token),
        role=given.role or "",
        user=member.user if member else None,
        made_by=user,
        expires_at=timezone.now() + GOOD_FOR,
    )
    write(room, user, "member", f"Made a link: {given.kind}.")
    return link, token


def _keeps_all(keeper: User, other: User) -> bool:
    kept = Membership.objects.filter(user=keeper, role="keeper").values("room")
    theirs = Membership.objects.filter(user=other)
    return other == keeper or not theirs.exclude(room__in=kept).exists()


def _only_own_rooms(keeper: User, other: User) -> None:
    """Keep a keeper of one room from taking over someone who is also in another."""
    if not _keeps_all(keeper, other):
        raise NotAllowed(
            "other-rooms",
            f"{other.name} is also in a room you do not keep. The keepers of both must agree; "
            "the machine's owner can set a password with ./keen user add.",
        )


def open_link(token: str) -> HandLink:
    """Return a link that is still good: nobody's right to it has ended since it was made.

    Raises
    ------
    NotFound
    """
    link = _good(HandLink.objects.filter(token_sha256=_sha256(token))).first()
    if link is None or not _still_right(link):
        raise NotFound("That link")
    return link


def _good(links: QuerySet[HandLink]) -> QuerySet[HandLink]:
    found = links.filter(used_at=None, expires_at__gt=timezone.now())
    return found.select_related("room", "user", "made_by")


def _still_right(link: HandLink) -> bool:
    """Tell whether its maker keeps the room still, and keeps every room of whom it lets in anew."""
    members = Membership.objects.filter(room=link.room)
    if not members.filter(user=link.made_by, role="keeper").exists():
        return False
    if link.user is None:
        return True
    return members.filter(user=link.user).exists() and _keeps_all(link.made_by, link.user)


def open_links(room: Room) -> list[HandLink]:
    """Return a room's links that can be used, the newest first."""
    rows = _good(HandLink.objects.filter(room=room)).order_by("-expires_at")
    return [link for link in rows if _still_right(link)]


@transaction.atomic
def take_back_link(user: User, room_id: uuid.UUID, link_id: uuid.UUID) -> None:
    """Take a link back, so that nobody can use it.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "keep members")
    link = HandLink.objects.select_for_update().filter(room=room, id=link_id, used_at=None).first()
    if link is None:
        raise NotFound("That link")
    write(room, user, "member", f"Took back a link: {link.kind}.")
    link.delete()


@transaction.atomic
def use_link(token: str, given: LinkUse) -> User:
    """Return the user the link made or gave a new password.

    Raises
    ------
    NotFound, BadValue
    """
    link = open_link(token)
    if not HandLink.objects.filter(id=link.id, used_at=None).update(used_at=timezone.now()):
        raise NotFound("That link")
    _check_password(given.password)
    if link.user is not None:
        link.user.set_password(given.password)
        link.user.save(update_fields=["password"])
        return link.user
    user = _new_user(given)
    Membership.objects.create(room=link.room, user=user, role=link.role)
    write(link.room, user, "member", f"{user.name} joined as {link.role}.")
    return user


def _new_user(given: LinkUse) -> User:
    sign_in = given.sign_in.strip().lower()
    if not sign_in or not given.name.strip():
        raise BadValue(
            "missing",
            "A name and a sign-in name are needed.",
            field="sign_in" if not sign_in else "name",
            allowed="1 to 80 letters",
        )
    if User.objects.filter(sign_in=sign_in).exists():
        raise BadValue("taken", "That sign-in name is taken.", field="sign_in", value=sign_in)
    return User.objects.create_user(sign_in, given.password, name=given.name.strip())


def _check_password(password: str) -> None:
    try:
        validate_password(password)
    except ValidationError as error:
        raise BadValue(
            "weak-password", " ".join(error.messages), field="password",
            allowed="at least 10 letters, not a common word",
        ) from None  # fmt: skip
