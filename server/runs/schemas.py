"""Shapes of runs."""

from __future__ import annotations

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field

from core.data.care import CareMark
from core.data.facing import Facing
from core.events.fold import RunState
from core.events.kinds import KINDS, LastRinse
from core.process.shapes import ProcessWords
from core.stages.shapes import RunSheet
from server.baths.schemas import Caution
from server.events.schemas import EventOut
from server.instruments.schemas import ProbeOut
from server.plans.schemas import Part, PlanArea
from server.studies.schemas import RunMap


class RunIn(Schema):
    """Begin a run of a plate's plan; ``part`` null: the first part not bitten yet."""

    id: UUID
    plate: UUID
    part: Part | None = None
    acknowledged: Annotated[list[str], Field(max_length=20)] = []
    """Keys of cautions that were read; some processes ask for theirs."""
    goes_on: bool = False
    """From where the part was set aside; else from bare metal."""
    facing: Facing | None = None
    """How the plate lies; null: as usual in the bath's vessel."""
    plan_version: Annotated[int, Field(ge=1)] | None = None
    """Of the plan as it was seen; another one that is kept by now is not begun unseen."""


class EndIn(Schema):
    """End a run; with a ``reason`` it is set aside, and may be gone on from."""

    reason: Annotated[str, Field(max_length=100)] = ""


if TYPE_CHECKING:
    CareKind = str
else:
    CareKind = Literal[tuple(key for key, kind in KINDS.items() if kind.cares)]


class CareOut(Schema):
    """What hands do to the plate while it bites."""

    verb: str
    done: str
    event: CareKind
    """The kind of event it is logged as."""
    mark: CareMark
    every_seconds: int | None


class HeatOut(Schema):
    """From ``warned_c`` on the warning is shown, above ``hottest_c`` the danger."""

    warned_c: float
    hottest_c: float
    warning: str
    danger: str


class RunOut(Schema):
    """A run: its state, its sheet, its events."""

    id: UUID
    plate: UUID | None
    strip: UUID | None
    """Where a test strip is bitten, its id, and no plate."""
    plate_name: str
    """What lies in the bath: the plate, or the strip."""
    part: Part
    process: ProcessWords
    metal: str
    bath: UUID
    bath_name: str
    mordant: str
    care: CareOut
    facing: Facing | None
    """How the plate lies; null where it does not lie in a bath."""
    sediment: str
    """What so lying does to the sediment; empty where the mordant leaves none."""
    usual_rinse: LastRinse | None
    """The room's last rinse, as it was done last; null where it never was."""
    bath_temperature_c: float
    bath_line: list[tuple[float, float]]
    """(second since the epoch, °C) as the bath was read, oldest first, for a dip with no reading
    of its own."""
    areas: list[PlanArea]
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
    outcome: str
    """Once it ended: finished, set aside, or never dipped."""
    reason: str
    bites_before: int
    """Made in the run that this one goes on from; the plan counts them."""
    map: RunMap | None
    """What to paint, from the plate's value study; null where there is none."""
    closed_before: list[str]
    """Areas that were covered when that was set aside."""
    events: list[EventOut]
    cautions: list[str]
    wrong: list[Caution]
    """What to do when it goes wrong, the gravest first."""
    probe: ProbeOut | None
    """That hangs in its bath."""
    heat: HeatOut | None
    """How warm its bath may be; null where heat is no danger."""


class Clock(Schema):
    """This server's clock."""

    now_ms: float
