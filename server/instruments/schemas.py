"""Shapes of instruments and their readings."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import AwareDatetime, Field

from server.instruments.kinds import InstrumentKind, ReadingKind

MOST_READINGS = 60
Name = Annotated[str, Field(min_length=1, max_length=120)]
Every = Annotated[float, Field(ge=1, le=600, json_schema_extra={"unit": "s"})]


class InstrumentIn(Schema):
    """A new instrument; its token is told once."""

    id: UUID
    name: Name
    kind: InstrumentKind
    bath: UUID | None = None
    every_seconds: Every = 5
    """How often it speaks: so its silence is noticed."""
    days: Annotated[int, Field(ge=1, le=1095, json_schema_extra={"unit": "d"})] = 365
    """How long its token is good for."""


class InstrumentChange(Schema):
    """What a keeper changes: its name, its bath, or its token taken back."""

    version: int
    name: Name | None = None
    bath: UUID | None = None
    every_seconds: Every | None = None
    taken_back: bool | None = None


class TokenIn(Schema):
    """A lost token is replaced: the old one sends nothing more."""

    version: int


class InstrumentOut(Schema):
    """An instrument as it stands."""

    id: UUID
    name: str
    kind: InstrumentKind
    sends: list[str]
    bath: UUID | None
    bath_name: str
    every_seconds: float
    silent_after_seconds: float
    ends_at: datetime
    taken_back_at: datetime | None
    made_by: str
    last_at: datetime | None
    last_kind: str
    last_value: float | None
    last_unit: str
    last_why: str
    version: int


class InstrumentMade(InstrumentOut):
    """An instrument with its token, which is told this once."""

    token: str


class SentReading(Schema):
    """One reading; without an ``id`` its instrument, kind and moment name it."""

    id: UUID | None = None
    at: AwareDatetime
    kind: ReadingKind
    value: Annotated[float, Field(allow_inf_nan=False, ge=-1e9, le=1e9)]


class ReadingsIn(Schema):
    """Up to 60 readings, in any order; sent again, none is stored twice."""

    readings: Annotated[list[SentReading], Field(min_length=1, max_length=MOST_READINGS)]


class TakenReading(Schema):
    """What became of a reading."""

    id: UUID
    known: bool
    """It was here already."""
    believed: bool
    why: str


class ReadingsOut(Schema):
    """What became of the readings, in the order they were sent."""

    taken: int
    now: datetime
    """By this server's clock: an instrument sets its own by it."""
    readings: list[TakenReading]


class InstrumentReadingOut(Schema):
    """A reading as it was sent."""

    id: UUID
    at: datetime
    received_at: datetime
    kind: str
    value: float
    unit: str
    believed: bool
    why: str


class ProbeOut(Schema):
    """A probe that hangs in a bath."""

    name: str
    at_seconds: float
    """When it said something last [s since the epoch]."""
    celsius: float | None
    silent_after_seconds: float
    why: str
    """Why its last word was not simply believed."""
