"""Shapes of plans."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from ninja import Schema
from pydantic import Field, field_validator

from core.stages.shapes import MOST_AREAS, AreaName, RunSheet
from core.tone.shapes import Lightness


class PlanArea(Schema):
    """An area of the image and the tone it is meant to have; ``lstar`` null stays white."""

    name: AreaName
    parts: Annotated[str, Field(max_length=200)] = ""
    lstar: Lightness | None
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})]


class PlanIn(Schema):
    """A plan to look at, or to keep; ``version`` 0 where there was none."""

    version: Annotated[int, Field(ge=0)] = 0
    id: UUID
    bath: UUID
    strip: UUID | None = None
    method: Literal["stop-out", "open-up"] = "stop-out"
    round_to_seconds: Annotated[float, Field(gt=0, le=60, json_schema_extra={"unit": "s"})] = 5
    areas: Annotated[list[PlanArea], Field(min_length=1, max_length=MOST_AREAS)]

    @field_validator("areas")
    @classmethod
    def _own_names(cls, areas: list[PlanArea]) -> list[PlanArea]:
        if len({area.name for area in areas}) < len(areas):
            raise ValueError("each area needs its own name")
        return areas


class PlanOut(Schema):
    """A plan with its bites as they follow from today's bath and what was done."""

    id: UUID
    version: int
    plate: UUID
    bath: UUID
    bath_name: str
    strip: UUID | None
    strip_name: str | None
    method: str
    round_to_seconds: float
    areas: list[PlanArea]
    sheet: RunSheet
    """``sheet.plan`` holds the bites; the tables let the browser look tones up while it drags."""
    run: UUID | None
    in_bath: bool
