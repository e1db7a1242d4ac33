"""Shapes of the rack, the bench and a plate's page."""

from __future__ import annotations

from datetime import datetime
from typing import Literal
from uuid import UUID

from ninja import Schema

from core.data.step_row import Group
from core.process.shapes import ProcessWords
from server.baths.schemas import Caution
from server.plans.schemas import Part
from server.plates.schemas import PlateFacts
from server.works.of_plate import PlateInWork


class RunCard(Schema):
    """A run under way, as the rack and the rail show it."""

    id: UUID
    in_bath: bool
    bite: int
    bites: int
    dip_seconds: float | None
    lift_seconds: float | None
    """When to lift [s since the epoch]."""
    stale: bool


class LightCard(Schema):
    """An exposure under way, as the rack and the bench show it."""

    id: UUID
    stage: str
    """Under way, else next; empty when all is done."""
    under_way: bool
    due_seconds: float | None
    """When the stage is over [s since the epoch]."""


class PlateCard(Schema):
    """A plate as it stands on the rack."""

    id: UUID
    name: str
    metal: str
    route: str
    thickness_mm: float
    by_light: bool
    by_needle: bool
    """Marks are cut by hand: it has a page of marks, and one of wear."""
    """It is exposed, not bitten: a positive is of use."""
    width_mm: float
    height_mm: float
    place: str
    place_text: str
    state_number: int
    ok_to_print: bool
    put_away: bool
    version: int
    run: RunCard | None
    light: LightCard | None
    wrong: str
    """Why something of it cannot be reckoned; empty where all can."""


class CourseStep(Schema):
    """A step of the plate's course."""

    step: Group
    state: Literal["done", "now", "todo"]
    fact: str


class PlateOut(PlateCard):
    """A plate's page."""

    work: UUID | None
    works: list[PlateInWork]
    """Prints from several plates that it is part of."""
    study: UUID | None
    maps: bool
    """It has areas that are painted by maps: a value study is of use."""
    routes: list[str]
    parts: list[str]
    """Processes it goes through, in working order."""
    processes: list[ProcessWords]
    """What those are called, and what each is bitten for."""
    asks: dict[str, list[Caution]]
    """Cautions to acknowledge before a run of a process begins."""
    facts: PlateFacts
    course: list[CourseStep]
    next_step: str
    proofs: int
    planned: list[Part]
    """Parts that have a plan, in working order."""
    last_run: UUID | None
    last_exposure: UUID | None
    """Under way, else the last that was begun."""
    created_at: datetime


class Due(Schema):
    """Something that falls due on the bench."""

    plate: UUID | None
    strip: UUID | None = None
    exposure: UUID | None = None
    work: UUID | None = None
    plate_name: str
    """Or of what else it is about."""
    kind: Literal["lift", "care", "wait", "light", "paper", "clean", "ink"]
    at_seconds: float
    text: str


class BenchBath(Schema):
    """A bath as it stands on the bench."""

    id: UUID
    name: str
    mordant: str
    mordant_label: str
    metal: str
    vessel: str
    temperature_c: float
    temperature_age_seconds: float
    load_g_per_l: float
    plate: UUID | None
    plate_name: str | None
    also: list[str]
    """Other plates that lie in it now."""
    check_due: bool
    """Its speed may be off by more than it should: check it before a bite."""
    known_from: str


class NextStep(Schema):
    """The next step of an open plate."""

    plate: UUID
    plate_name: str
    text: str


What = Literal["bath", "strip", "plate"]


class FirstThing(Schema):
    """What a print room needs before its first planned bite."""

    what: What
    done: bool


class Bench(Schema):
    """The bench: what is in which bath, what falls due, what to beware of, what is next."""

    now_seconds: float
    baths: list[BenchBath]
    due: list[Due]
    cautions: list[Caution]
    next: list[NextStep]
    """Of the plates that need hands first."""
    plates: int
    """Plates in the rack, of which ``next`` shows the first."""
    first: list[FirstThing]
    """In the order they are asked for; empty once the room has all of them."""
