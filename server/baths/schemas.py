"""Shapes of baths."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.kinetics.shapes import BathCelsius, Baume, Load, MordantKey, RateFactor

Volume = Annotated[float, Field(ge=0.01, le=2000, json_schema_extra={"unit": "L"})]
RoomCelsius = Annotated[float, Field(ge=-10, le=50, json_schema_extra={"unit": "°C"})]


class BathIn(Schema):
    """A new bath."""

    id: UUID
    name: Annotated[str, Field(min_length=1, max_length=120)]
    mordant: MordantKey
    vessel: Literal["tray", "tank", "bottle"] = "tray"
    volume_l: Volume
    baume: Baume | None = None
    load_g_per_l: Load = 0
    temperature_c: BathCelsius
    room_c: RoomCelsius | None = None
    fumes_known: bool = False
    """Nitric is offered only with its fume caution acknowledged."""


class BathChange(Schema):
    """What a keeper changes; a measured speed names its doubt."""

    version: int
    name: Annotated[str, Field(min_length=1, max_length=120)] | None = None
    volume_l: Volume | None = None
    baume: Baume | None = None
    room_c: RoomCelsius | None = None
    rate_factor: RateFactor | None = None
    rate_factor_spread: Annotated[float, Field(ge=0.005, le=1)] | None = None
    retired: bool | None = None


class ReadingIn(Schema):
    """A reading of the bath."""

    id: UUID
    temperature_c: BathCelsius | None = None
    load_g_per_l: Load | None = None
    note: Annotated[str, Field(max_length=300)] = ""


class ReadingOut(Schema):
    """A reading as it was logged."""

    id: UUID
    at: datetime
    by: str
    temperature_c: float | None
    load_g_per_l: float | None
    gained_g_per_l: float
    note: str


class BathOut(Schema):
    """A bath as it stands, and how fast it bites against 20 °C, fresh."""

    id: UUID
    name: str
    mordant: str
    mordant_label: str
    metal: str
    vessel: str
    volume_l: float
    baume: float | None
    load_g_per_l: float
    temperature_c: float
    temperature_at: datetime
    room_c: float | None
    rate_factor: float | None
    rate_factor_spread: float | None
    measured_at: datetime | None
    retired: bool
    version: int
    speed: float
    speed_low: float
    speed_high: float
    speed_from: str
    end_g_per_l: float
    life_left_share: float
    care: str
    care_every_seconds: int | None
    cautions: list[str]
