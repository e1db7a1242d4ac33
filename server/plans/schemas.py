"""Shapes of plans."""

from __future__ import annotations

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal, Optional
from uuid import UUID

from ninja import Schema
from pydantic import Field, create_model, field_validator

from core.data.facing import Facing
from core.line.shapes import MOST_MEASURED, MeasuredLine
from core.process.rows import PROCESSES
from core.process.shapes import ProcessWords
from core.stages.shapes import MOST_AREAS, AreaName, Method, Reached, RunSheet


class _AreaOfAny(Schema):
    """An area of a plan: what it is called, how large it is, and what is wanted of it.

    What can be wanted are the columns of the processes; each takes its own.
    """

    name: AreaName
    parts: Annotated[str, Field(max_length=200)] = ""
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})]


def _columns() -> dict[str, Any]:
    """Return what the processes want of an area, each column once, null where it is not theirs."""
    wishes = [row.wish.model_fields for row in PROCESSES.values()]
    columns = {name: field for fields in wishes for name, field in fields.items()}
    return {
        name: (Optional[field.annotation], None)  # noqa: UP045 (made at run time)
        for name, field in columns.items()
        if name not in _AreaOfAny.model_fields
    }


if TYPE_CHECKING:
    Part = str

    class PlanArea(_AreaOfAny):
        """As the checker of types sees it: any columns."""

        def __init__(self, **columns: Any) -> None: ...
else:
    Part = Literal[tuple(PROCESSES)]
    PlanArea = create_model(
        "PlanArea", __base__=_AreaOfAny, __doc__=_AreaOfAny.__doc__, **_columns()
    )


class PlanIn(Schema):
    """A plan to look at, or to keep; ``version`` 0 where there was none."""

    version: Annotated[int, Field(ge=0)] = 0
    id: UUID
    bath: UUID
    strip: UUID | None = None
    part: Part = "tones"
    """The process; tones where an older program does not say."""
    method: Method = "stop-out"
    round_to_seconds: Annotated[float, Field(ge=0.1, le=60, json_schema_extra={"unit": "s"})] = 5
    areas: Annotated[list[PlanArea], Field(min_length=1, max_length=MOST_AREAS)]
    measured: Annotated[list[MeasuredLine], Field(max_length=MOST_MEASURED)] = []
    open_again: Annotated[list[AreaName], Field(max_length=MOST_AREAS)] = []
    """What is opened again after the bites of a finished run; empty: none of it."""
    anew: bool = False
    """For a new ground: where the plan was bitten it is kept, and this is a plan of its own."""

    @field_validator("areas")
    @classmethod
    def _own_names(cls, areas: list[PlanArea]) -> list[PlanArea]:
        if len({area.name for area in areas}) < len(areas):
            raise ValueError("each area needs its own name")
        return areas


class BiteOnIn(Schema):
    """Which area of which proof is to be bitten on, as its advice says."""

    proof: UUID
    area: AreaName


class CurveIn(Schema):
    """Which curve a plan follows: the plate's own, or the strip's alone."""

    version: int
    part: Part = "tones"
    own: bool


class OwnCurve(Schema):
    """A plan's own curve: which proof moved the strip's, and whether it is followed."""

    proof: UUID
    state_number: int
    readings: int
    used: bool


class OverFirst(Schema):
    """An area that an earlier grain was bitten into, which was stripped since."""

    name: str
    first: Reached
    """What that prints: as read, else as it should."""
    both: Reached
    """What both screens print together: from independent to the darker of the two."""
    bitten: bool
    """Whether the new grain is bitten into it."""


class Meanwhile(Schema):
    """Earlier lines while this part bites."""

    name: str
    depth_um: float
    depth_left_open_um: float
    """How deep they come where nobody covers them."""


class SetAside(Schema):
    """Where the bites of a part were left, and why."""

    bites: int
    reason: str
    at: datetime


class PlanOut(Schema):
    """A plan with its bites as they follow from today's bath and what was done."""

    id: UUID
    version: int
    plate: UUID
    bath: UUID
    bath_name: str
    bath_temperature_c: float
    strip: UUID | None
    strip_name: str | None
    part: Part
    process: ProcessWords
    method: Method
    measured: list[MeasuredLine]
    """Measured on this plate; a line strip's own come beside them."""
    own_curve: OwnCurve | None
    """Null where no proof moved the strip's curve."""
    round_to_seconds: float
    areas: list[PlanArea]
    sheet: RunSheet
    """``sheet.plan`` holds the bites; the tables let the browser look tones up while it drags."""
    run: UUID | None
    in_bath: bool
    bitten: bool
    """A run of this part is finished: its bites are made."""
    facing: Facing | None
    """How a plate usually lies in its bath; null where it does not lie in one."""
    waits_for: list[str]
    """Steps of the course before its first bite that are not done."""
    alongside: str
    """What it means that other plates are bitten in its bath now; empty where none is."""
    open_again: list[str]
    """What is opened again after the bites of the last finished run."""
    ground: int
    """1 for the first ground; a part bitten under another has a plan for each."""
    grounds_before: list[int]
    why_on: str
    """What biting on after it means; empty where none is finished."""
    over_first: list[OverFirst]
    meanwhile: list[Meanwhile]
    set_aside: SetAside | None = None
    """Its last run was set aside: one may go on from there."""
