"""Shapes of plans."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field, field_validator, model_validator

from core.line.shapes import (
    MOST_MEASURED,
    Darkness,
    Depth,
    MeasuredLine,
    Micron,
    Spacing,
)
from core.stages.shapes import MOST_AREAS, AreaName, RunSheet
from core.tone.shapes import Lightness

Part = Literal["tones", "lines"]


class PlanArea(Schema):
    """An area and the tone it shall have (``lstar`` null stays white), or a group of lines.

    A group of lines has ``depth_um`` or ``darkness``, one of the two.
    """

    name: AreaName
    parts: Annotated[str, Field(max_length=200)] = ""
    lstar: Lightness | None = None
    depth_um: Depth | None = None
    darkness: Darkness | None = None
    needle_um: Micron | None = None
    spacing_um: Spacing | None = None
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})]


class PlanIn(Schema):
    """A plan to look at, or to keep; ``version`` 0 where there was none."""

    version: Annotated[int, Field(ge=0)] = 0
    id: UUID
    bath: UUID
    strip: UUID | None = None
    part: Part = "tones"
    method: Literal["stop-out", "open-up"] = "stop-out"
    round_to_seconds: Annotated[float, Field(gt=0, le=60, json_schema_extra={"unit": "s"})] = 5
    areas: Annotated[list[PlanArea], Field(min_length=1, max_length=MOST_AREAS)]
    measured: Annotated[list[MeasuredLine], Field(max_length=MOST_MEASURED)] = []

    @field_validator("areas")
    @classmethod
    def _own_names(cls, areas: list[PlanArea]) -> list[PlanArea]:
        if len({area.name for area in areas}) < len(areas):
            raise ValueError("each area needs its own name")
        return areas

    @model_validator(mode="after")
    def _goals_of_the_part(self) -> PlanIn:
        for area in self.areas:
            as_lines = (area.depth_um is None) != (area.darkness is None)
            if self.part == "lines" and not as_lines:
                raise ValueError(f"{area.name} needs a depth_um or a darkness, one of the two")
        return self


class PlanOut(Schema):
    """A plan with its bites as they follow from today's bath and what was done."""

    id: UUID
    version: int
    plate: UUID
    bath: UUID
    bath_name: str
    strip: UUID | None
    strip_name: str | None
    part: str
    method: str
    measured: list[MeasuredLine]
    """Measured on this plate; a line strip's own come beside them."""
    round_to_seconds: float
    areas: list[PlanArea]
    sheet: RunSheet
    """``sheet.plan`` holds the bites; the tables let the browser look tones up while it drags."""
    run: UUID | None
    in_bath: bool
    bitten: bool
    """A run of this part has ended: its bites are made."""
