"""Shapes of the baths' shelf and of one bath's page."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from ninja import Schema

from core.bath.life import BathLifeOutput
from core.bath.speed_shapes import EvidenceKind, OwnNumbers
from core.data.pairs import Verdict
from server.baths.schemas import BathOut, Caution
from server.instruments.schemas import ProbeOut


class Speed(Schema):
    """A speed with its 95 % band."""

    value: float
    low: float
    high: float


class SpeedMoment(Speed):
    """A speed at one moment."""

    at: datetime


class Source(Schema):
    """One source of today's speed, with its share in it."""

    kind: EvidenceKind
    check: UUID | None
    at: datetime | None
    text: str
    share: float
    speed: Speed | None
    """What it alone says of today; null where that is next to nothing."""


class CheckMark(SpeedMoment):
    """A check where it stands in the figure: what it alone said of its own day."""

    id: UUID
    kind: str
    text: str


class LoadMoment(Schema):
    """What was dissolved from a moment on."""

    at: datetime
    g_per_l: float


class WarmMoment(Schema):
    """A temperature as it was read."""

    at: datetime
    celsius: float


class Given(Schema):
    """Metal that one plate or strip gave, all its bites together."""

    at: datetime
    grams: float
    text: str


class Replaced(Schema):
    """A part of the bath replaced by new."""

    at: datetime
    share: float
    reading: UUID


class MayGoIn(Schema):
    """A plate of the rack beside a bath."""

    plate: UUID
    name: str
    metal: str
    width_mm: float
    verdict: Verdict
    reason: str
    fits: bool
    in_it: bool


class Sign(Schema):
    """A danger that stands over a bath, in a word or two."""

    word: str
    caution: str


class ShelfBath(Schema):
    """A bath as the shelf shows it."""

    bath: BathOut
    speed: Speed
    """Over the strip's where there is one, else over the table's fresh at 20 °C."""
    strip: UUID | None
    strip_name: str
    guess: bool
    """Nothing was measured but its temperature."""
    known_from: str
    due: datetime | None
    """When it is to be checked next; null: now."""
    probe: ProbeOut | None
    signs: list[Sign]
    plates: list[MayGoIn]
    busy: str
    """What lies in it now."""
    lift_seconds: float | None


class Shelf(Schema):
    """All baths, those in use first."""

    now_seconds: float
    answer: str
    """In one sentence: which can be used now."""
    baths: list[ShelfBath]
    retired: list[BathOut]


class BathPage(ShelfBath):
    """One bath: how fast today, how sure, from what, and for how long."""

    now_seconds: float
    sources: list[Source]
    line: list[SpeedMoment]
    forecast: list[SpeedMoment]
    checks: list[CheckMark]
    loads: list[LoadMoment]
    warmth: list[WarmMoment]
    given: list[Given]
    replaced: list[Replaced]
    life: BathLifeOutput
    grams_a_week: float
    like: str
    """What plates lives are counted in: "the last 12"; empty where none was bitten."""
    own: OwnNumbers
    own_from: int
    """Coupons and strips that its own numbers come from."""
    cautions: list[Caution]
    refuses: list[str]
    """Metals that may not go in, each with its reason."""
