"""Shapes of the rack and of a plate."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

Metal = Literal["copper", "zinc", "plastic", "polymer"]
Route = Literal[
    "etched line", "soft ground", "aquatint", "spit bite", "drypoint", "engraving",
    "photopolymer", "mixed",
]  # fmt: skip
Place = Literal[
    "resting", "drawing", "ground", "rosin", "exposing", "drying", "bath", "proof", "edition"
]
STEPS = ("prepare", "image", "ground", "plan", "bite", "proof", "edition")
Step = Literal["prepare", "image", "ground", "plan", "bite", "proof", "edition"]
Name = Annotated[str, Field(min_length=1, max_length=120)]
Thickness = Annotated[float, Field(ge=0.1, le=10, json_schema_extra={"unit": "mm"})]
Side = Annotated[float, Field(ge=10, le=2500, json_schema_extra={"unit": "mm"})]


OneRoute = Literal[
    "etched line", "soft ground", "aquatint", "spit bite", "drypoint", "engraving", "photopolymer",
]  # fmt: skip


class PlateFacts(Schema):
    """Facts of a plate that matter later."""

    face_marked: bool = False
    back: Literal["bare", "pre-coated", "filmed", "varnished"] | None = None
    trimmed_again: bool = False
    history_unknown: bool = False
    """An old plate: registered with a proof before anything else."""


class PlateIn(Schema):
    """A new plate."""

    id: UUID
    name: Name
    metal: Metal
    route: Route
    thickness_mm: Thickness
    width_mm: Side
    height_mm: Side
    work: UUID | None = None
    routes: Annotated[list[OneRoute], Field(max_length=4)] = []
    """For a mixed plate; empty: its one route, or lines and tone where it is mixed."""
    facts: PlateFacts = PlateFacts()


class PlateChange(Schema):
    """A change of a plate's facts, decided on its ``version``."""

    version: int
    name: Name | None = None
    place: Place | None = None
    place_note: Annotated[str, Field(max_length=120)] | None = None
    put_away: bool | None = None
    ok_to_print: bool | None = None
    facts: PlateFacts | None = None
    study: UUID | None = None
    """The value study or drawing: a stored picture."""


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


class PlateCard(Schema):
    """A plate as it stands on the rack."""

    id: UUID
    name: str
    metal: str
    route: str
    thickness_mm: float
    width_mm: float
    height_mm: float
    place: str
    place_text: str
    state_number: int
    ok_to_print: bool
    put_away: bool
    version: int
    run: RunCard | None


class CourseStep(Schema):
    """A step of the plate's course."""

    step: Step
    state: Literal["done", "now", "todo"]
    fact: str


class PlateOut(PlateCard):
    """A plate's page."""

    work: UUID | None
    study: UUID | None
    routes: list[str]
    parts: list[Literal["lines", "tones"]]
    """What is planned and bitten on it, in working order."""
    facts: PlateFacts
    course: list[CourseStep]
    next_step: str
    proofs: int
    planned: list[str]
    """Parts that have a plan."""
    last_run: UUID | None
    created_at: datetime


class Due(Schema):
    """Something that falls due on the bench."""

    plate: UUID | None
    plate_name: str
    kind: Literal["lift", "care", "wait"]
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


class Caution(Schema):
    """A caution that matters now."""

    key: str
    level: Literal["danger", "care"]
    title: str
    text: str
    now: str
    """What to do if it went wrong."""


class NextStep(Schema):
    """The next step of an open plate."""

    plate: UUID
    plate_name: str
    text: str


class Bench(Schema):
    """The bench: what is in which bath, what falls due, what to beware of, what is next."""

    now_seconds: float
    baths: list[BenchBath]
    due: list[Due]
    cautions: list[Caution]
    next: list[NextStep]
