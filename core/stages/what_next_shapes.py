"""Inputs and outputs of what a proof needs next, the same at every door."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from core.kinetics.shapes import CurveBath
from core.prepare.shapes import Material
from core.schema import Shape
from core.stages.shapes import AreaName
from core.tone.shapes import Curve, Lightness

Act = Literal["pull", "bite", "re-ground", "burnish", "drypoint", "leave"]
Spread = Annotated[float, Field(ge=0.05, le=20, json_schema_extra={"unit": "L*"})]
Share = Annotated[float, Field(ge=0, le=1)]


class JudgedArea(Shape):
    """An area of a proof: what was meant, what was read, and how much of the plate it is."""

    name: AreaName
    wanted_lstar: Lightness
    read_lstar: Lightness
    spread: Spread = 1.0
    """Standard deviation of the reading."""
    share: Share | None = None


class WhatNextInput(Shape):
    """A proof's tones beside the wanted ones, and what can be done to its plate."""

    areas: Annotated[list[JudgedArea], Field(max_length=40)]
    curve: Curve | None = None
    bath: CurveBath
    grain_stands: bool = False
    """The grain it was bitten through is still on the plate."""
    lightest_lstar: Lightness | None = None
    """Of the unbitten plate, wiped; null: the curve's."""
    plate_cm2: Annotated[float, Field(ge=0.1, le=40_000, json_schema_extra={"unit": "cm²"})] = 100.0
    material: Material = "copper"
    bites: bool = True
    """Something bites this plate: not so a plastic one."""


class AreaMiss(Shape):
    """How far an area is off, and how much of that is its own."""

    name: str
    off_lstar: float
    """Read minus wanted: above zero is too light."""
    own_lstar: float
    own_spread: float
    plate: float
    """Probability that it strays by its bite."""


class Step(Shape):
    """One thing that can be done next, and what it would do."""

    act: Act
    area: str
    """Empty for the whole print."""
    text: str
    seconds: float | None = None
    """By the clock, of a bite, in the bath given."""
    seconds_low: float | None = None
    seconds_high: float | None = None
    opens: list[str] = []
    lstar: float | None
    """What the area should print then."""
    lstar_low: float | None = None
    lstar_high: float | None = None
    sure: float
    """Probability that it then prints within ±3 L* of what is wanted."""
    whole_print: float
    """Change of tone times share of the plate [L*]."""
    minutes: float


class WhatNextOutput(Shape):
    """Is it the plate or the printing, and what to do, by what it does to the tone."""

    cause: Literal["plate", "printing", "both", "neither", "unread"]
    text: str
    chance: float
    """Probability of that cause."""
    shift_lstar: float
    """What all areas share."""
    shift_spread: float
    areas: list[AreaMiss]
    steps: list[Step]
    """The step that does most for the whole print first; for an area the surest first."""
    tables: str
