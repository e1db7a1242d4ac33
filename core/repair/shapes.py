"""Inputs and outputs of repair, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.prepare.shapes import Material
from core.schema import Shape
from core.tone.shapes import Lightness


class RepairRoutesInput(Shape):
    """What is to be made lighter, how large and how deep it is."""

    fault: Literal["foul bite", "too dark"]
    material: Material
    area_cm2: Annotated[float, Field(ge=0.01, le=20_000, json_schema_extra={"unit": "cm²"})]
    depth_um: Annotated[float, Field(ge=0.1, le=800, json_schema_extra={"unit": "µm"})] = 15.0
    lstar: Lightness | None = None
    """As it prints now."""
    wanted_lstar: Lightness | None = None
    impressions: Annotated[int, Field(ge=1, le=1000)] = 10
    new_plate_minutes: (
        Annotated[float, Field(ge=0.1, le=100_000, json_schema_extra={"unit": "min"})] | None
    ) = None


class RepairRoute(Shape):
    """One way to mend it, with what it costs and what remains."""

    key: str
    title: str
    possible: bool
    why: str
    minutes: float
    minutes_low: float
    minutes_high: float
    repeats: int
    remaining_lstar: float | None
    """What the place prints afterwards, as far as it can be said."""
    steps: list[str]
    """Keys of the steps it adds to the plate's course."""


class RepairRoutesOutput(Shape):
    """The ways to mend it, the shortest that reaches first; and whether a new plate is shorter."""

    routes: list[RepairRoute]
    best: str | None
    new_plate_minutes: float
    new_plate_is_shorter: bool
    text: str
    tables: str
