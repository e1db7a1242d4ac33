"""Shapes of baths."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.bath.heat_shapes import BathHeatOutput, Minutes
from core.kinetics.shapes import BathCelsius, Baume, Load, MordantKey, RateFactor
from core.tone.shapes import Lightness

Grams = Annotated[float, Field(gt=0, le=100_000, json_schema_extra={"unit": "g"})]
Bitten = Annotated[float, Field(ge=1, le=6 * 3600, json_schema_extra={"unit": "s"})]
Volume = Annotated[float, Field(ge=0.01, le=2000, json_schema_extra={"unit": "L"})]
RoomCelsius = Annotated[float, Field(ge=-10, le=50, json_schema_extra={"unit": "°C"})]


Inside = Annotated[float, Field(ge=10, le=3000, json_schema_extra={"unit": "mm"})]
"""Of a vessel."""


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
    held_copper: bool | None = None
    """Copper was ever in it, or in what it was poured from; null: as its mordant is used."""
    made_from: UUID | None = None
    """The bath it was decanted from: what was in that is in this."""
    width_mm: Inside | None = None
    length_mm: Inside | None = None
    height_mm: Inside | None = None
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
    retired_to: Annotated[str, Field(max_length=120)] | None = None
    """Where what was in it waits: a container of its own, never the drain."""
    held_copper: Literal[True] | None = None
    """Copper was in it: said once, it stays so."""
    width_mm: Inside | None = None
    length_mm: Inside | None = None
    height_mm: Inside | None = None


class RefreshIn(Schema):
    """A part of the bath was poured off and replaced by new."""

    id: UUID
    share: Annotated[float, Field(gt=0, le=1)]
    note: Annotated[str, Field(max_length=300)] = ""


class ReadingIn(Schema):
    """A reading of the bath."""

    id: UUID
    temperature_c: BathCelsius | None = None
    load_g_per_l: Load | None = None
    note: Annotated[str, Field(max_length=300)] = ""


class ReadingChange(Schema):
    """Take a reading back, or put it back."""

    taken_back: bool


class ReadingOut(Schema):
    """A reading as it was logged."""

    id: UUID
    at: datetime
    by: str
    temperature_c: float | None
    load_g_per_l: float | None
    gained_g_per_l: float
    replaced_share: float
    taken_back: bool
    note: str


class CouponIn(Schema):
    """A scrap of known bare area, weighed before and after a bite."""

    id: UUID
    kind: Literal["coupon"] = "coupon"
    area_cm2: Annotated[float, Field(gt=0, le=20_000, json_schema_extra={"unit": "cm²"})]
    mass_before_g: Grams
    mass_after_g: Grams
    mass_spread_g: Annotated[float, Field(ge=1e-4, le=10, json_schema_extra={"unit": "g"})] = 0.005
    seconds: Bitten
    temperature_c: BathCelsius | None = None
    """As the bath stands where it is not said."""


class CheckPatchIn(Schema):
    """A patch of a strip's ground, bitten today and read."""

    id: UUID
    kind: Literal["check-patch"] = "check-patch"
    strip: UUID
    seconds: Bitten
    dips: Annotated[int, Field(ge=1, le=60)] = 1
    lstar: Lightness
    spread: Annotated[float, Field(ge=0.01, le=20, json_schema_extra={"unit": "L*"})] | None = None
    temperature_c: BathCelsius | None = None


class HydrometerIn(Schema):
    """A reading at the stem of a hydrometer."""

    id: UUID
    kind: Literal["hydrometer"] = "hydrometer"
    baume: Baume


AnyCheck = CouponIn | CheckPatchIn | HydrometerIn


class CheckChange(Schema):
    """Take a check back, or put it back."""

    version: int
    taken_back: bool


class CheckOut(Schema):
    """A check as it was made, and what it alone says now."""

    id: UUID
    kind: str
    at: datetime
    by: str
    version: int
    taken_back: bool
    text: str
    """In words, without what units one reads in."""
    temperature_c: float | None
    strip: UUID | None
    run: UUID | None


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
    held_copper: bool
    made_from: UUID | None
    width_mm: float | None
    length_mm: float | None
    height_mm: float | None
    retired: bool
    retired_to: str
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


class Caution(Schema):
    """A caution that matters now."""

    key: str
    level: Literal["danger", "care"]
    title: str
    text: str
    now: str
    """What to do if it went wrong."""


class BathHeatAsk(Schema):
    """How far ahead a bath's warmth is asked for, and what stands round it."""

    minutes: Minutes = 60.0
    room_c: RoomCelsius | None = None
    """As the bath's own where it is not said."""
    jacket_c: BathCelsius | None = None
    open_cm2: Annotated[float, Field(ge=0, le=20_000, json_schema_extra={"unit": "cm²"})] = 0.0
    reach_c: BathCelsius | None = None


class BathHeatOut(Schema):
    """How warm a bath will be, between what, and what that asks for."""

    heat: BathHeatOutput | None
    """Null while nobody said how warm the room is."""
    room_c: float | None
    hottest_c: float | None
    """Above it the mordant runs away."""
    cautions: list[Caution]
