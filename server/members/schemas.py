"""Shapes of rooms, members and links."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID
from zoneinfo import available_timezones

from ninja import Schema
from pydantic import AfterValidator, Field

Role = Literal["keeper", "printer"]


def _known_zone(name: str) -> str:
    if name not in available_timezones():
        raise ValueError("an IANA time zone is needed, such as Europe/Lisbon")
    return name


TimeZone = Annotated[str, Field(max_length=60), AfterValidator(_known_zone)]
Name = Annotated[str, Field(min_length=1, max_length=120)]


class RoomIn(Schema):
    """A new print room; who makes it keeps it."""

    id: UUID
    name: Name
    time_zone: TimeZone


class RoomOut(Schema):
    """A print room."""

    id: UUID
    name: str
    time_zone: str


class MemberOut(Schema):
    """A member and the role."""

    user: UUID
    name: str
    sign_in: str
    role: str


class LinkIn(Schema):
    """A link to hand over: an invitation with a role, or a new password for a member."""

    kind: Literal["invite", "reset"]
    role: Role | None = None
    user: UUID | None = None


class LinkOut(Schema):
    """The link's secret is shown once, here."""

    path: str
    expires_at: datetime


class OpenLink(Schema):
    """A link that can still be used; its secret is not known to anybody but its bearer."""

    id: UUID
    kind: str
    """"invite" or "reset"."""
    role: str
    """Of whom it invites; empty for a new password."""
    name: str
    """Whose password it is for; empty for an invitation."""
    made_by: str
    expires_at: datetime


class LinkInfo(Schema):
    """What a link is for."""

    kind: str
    room: str
    role: str
    name: str


class LinkUse(Schema):
    """Use a link: a password, and for an invitation a name and a sign-in name."""

    password: Annotated[str, Field(min_length=1, max_length=200)]
    sign_in: Annotated[str, Field(max_length=120)] = ""
    name: Annotated[str, Field(max_length=80)] = ""


class RoleIn(Schema):
    """A member's new role."""

    role: Role
