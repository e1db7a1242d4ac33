"""Shapes of signing in."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field


class SignIn(Schema):
    """Name and password."""

    sign_in: Annotated[str, Field(min_length=1, max_length=120)]
    password: Annotated[str, Field(min_length=1, max_length=200)]


class ZoneShift(Schema):
    """From when, since the epoch, and how far the room's clock is ahead of UTC from then on."""

    from_seconds: int
    ahead_seconds: int


class RoomOfUser(Schema):
    """A room the user is in."""

    id: UUID
    name: str
    time_zone: str
    zone_shifts: list[ZoneShift]
    role: str


class Me(Schema):
    """The signed-in person."""

    id: UUID
    name: str
    sign_in: str
    length_unit: str
    temperature_unit: str
    rooms: list[RoomOfUser]


class Session(Schema):
    """Who is signed in, if anyone, and whether the demo may be opened here."""

    me: Me | None
    demo: bool


class Units(Schema):
    """The units a person reads in."""

    length_unit: Literal["mm", "in"]
    temperature_unit: Literal["C", "F"]
