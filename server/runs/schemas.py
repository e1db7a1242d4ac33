"""Shapes of runs and their events."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.stages.fold import EventKind, RunState
from core.stages.shapes import AreaName, RunSheet
from core.tone.shapes import BathCelsius
from server.plans.schemas import Part

MOST_EVENTS_AT_ONCE = 500
DAY_MS = 86_400_000.0
FIRST_MS, LAST_MS = 946_684_800_000.0, 4_102_444_800_000.0


class RunIn(Schema):
    """Begin a run of a plate's plan; ``part`` null: lines first, then tones."""

    id: UUID
    plate: UUID
    part: Part | None = None


class EventIn(Schema):
    """One event as the device saw it.

    ``monotonic_ms`` is the device's own steady clock, ``offset_ms`` what to add to reach this
    server's clock [ms since the epoch], ``offset_spread_ms`` how sure that is.
    """

    id: UUID
    kind: EventKind
    device: UUID
    sequence: Annotated[int, Field(ge=0, le=2**53)]
    monotonic_ms: Annotated[float, Field(ge=-366 * DAY_MS, le=366 * DAY_MS)]
    offset_ms: Annotated[float, Field(ge=FIRST_MS, le=LAST_MS)]
    offset_spread_ms: Annotated[float, Field(ge=0, le=366 * DAY_MS)]
    data: dict[str, Any] = {}


class EventsIn(Schema):
    """Events in any order; those known already are passed over."""

    events: Annotated[list[EventIn], Field(max_length=MOST_EVENTS_AT_ONCE)]


class DipData(Schema):
    """What was open when the plate went in, and how warm the bath was thought to be."""

    open: Annotated[list[AreaName], Field(max_length=40)]
    celsius: BathCelsius | None = None


class LiftData(Schema):
    """The dip that ends; null: the one under way. ``remembered``: typed in afterwards."""

    dip: UUID | None = None
    remembered: bool = False


class TemperatureData(Schema):
    """The bath's temperature."""

    celsius: BathCelsius


class CoveredData(Schema):
    """What was stopped out."""

    areas: Annotated[list[AreaName], Field(max_length=40)]


class TextData(Schema):
    """Words: an observation (bubbles, shine, feel) or a note."""

    about: Annotated[str, Field(max_length=40)] = ""
    text: Annotated[str, Field(max_length=1000)]


class UndoData(Schema):
    """The event that is taken back."""

    event: UUID


class NoData(Schema):
    """Nothing more to say."""


class EventOut(Schema):
    """An event as it is stored."""

    id: UUID
    kind: str
    at_seconds: float
    received_at: datetime
    spread_ms: float
    by: str
    data: dict[str, Any]


class RunOut(Schema):
    """A run: its state, its sheet, its events."""

    id: UUID
    plate: UUID
    plate_name: str
    part: str
    metal: str
    bath: UUID
    bath_name: str
    mordant: str
    care: str
    care_every_seconds: int | None
    bath_temperature_c: float
    areas: list[dict[str, Any]]
    state: RunState
    in_bath: bool
    sheet: RunSheet
    """For the bite under way or the next; the target of a bite under way stays as it was dipped."""
    lift_seconds: float | None
    """When to lift, by this server's clock [s since the epoch]."""
    stale: bool
    """In the bath far longer than planned: was the lift forgotten?"""
    now_seconds: float
    ended_at: datetime | None
    events: list[EventOut]
    cautions: list[str]


class Clock(Schema):
    """This server's clock."""

    now_ms: float
