"""Inputs and outputs of the planning of lines, the same at every door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, model_validator

from core.kinetics.shapes import BathCelsius, CurveBath, Load, Seconds
from core.schema import Shape
from core.stages.shapes import (
    MOST_AREAS,
    MOST_DONE,
    AreaName,
    At,
    Bite,
    BittenDepth,
    DoneBite,
    Habit,
    Method,
    PlanWarning,
    check_going_on,
    check_one_way,
)

Micron = Annotated[float, Field(ge=0.1, le=2000, json_schema_extra={"unit": "µm"})]
Depth = Annotated[float, Field(ge=0.1, le=800, json_schema_extra={"unit": "µm"})]
Spacing = Annotated[float, Field(ge=1, le=100_000, json_schema_extra={"unit": "µm"})]
Darkness = Annotated[float, Field(ge=0.001, lt=1)]
MOST_MEASURED = 40


class LineGroup(Shape):
    """Lines meant to have one depth: ``depth_um``, or the ``darkness`` they shall print.

    ``seconds`` in their place are time in the bath in all, by the clock.
    """

    name: AreaName
    depth_um: Depth | None = None
    darkness: Darkness | None = None
    seconds: Habit | None = None
    needle_um: Micron | None = None
    spacing_um: Spacing | None = None
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})] = 0.0

    @model_validator(mode="after")
    def _one_goal(self) -> LineGroup:
        goals = (self.depth_um, self.darkness, self.seconds)
        if sum(goal is not None for goal in goals) != 1:
            raise ValueError("give each group a depth_um, a darkness or its seconds, one of them")
        return self


class MeasuredLine(Shape):
    """A line that was bitten and measured: a line strip, or a proofed plate."""

    seconds: Seconds
    dips: Annotated[int, Field(ge=1, le=200)] = 1
    temperature_c: BathCelsius = 20.0
    load_g_per_l: Load = 0.0
    depth_um: Depth | None = None
    depth_spread_um: Micron | None = None
    width_um: Micron | None = None
    width_spread_um: Micron | None = None
    needle_um: Micron | None = None

    @model_validator(mode="after")
    def _something_measured(self) -> MeasuredLine:
        if self.depth_um is None and self.width_um is None:
            raise ValueError("a measured line needs its depth_um or its width_um")
        return self


class PlanLinesInput(Shape):
    """Groups of lines with the depth each shall have, in which bath, after which bites."""

    groups: Annotated[list[LineGroup], Field(min_length=1, max_length=MOST_AREAS)]
    bath: CurveBath
    method: Method = "stop-out"
    measured: Annotated[list[MeasuredLine], Field(max_length=MOST_MEASURED)] = []
    done: Annotated[list[DoneBite], Field(max_length=MOST_DONE)] = []
    round_to_seconds: Annotated[float, Field(ge=0.1, le=60, json_schema_extra={"unit": "s"})] = 5.0
    open_again: Annotated[list[AreaName], Field(max_length=MOST_AREAS)] = []
    """Where bites of an earlier run are gone on from: what is open again, all else stays closed."""
    opened_after: Annotated[int, Field(ge=0, le=MOST_DONE)] = 0
    """How many of ``done`` were made before that; 0: none is gone on from."""

    @property
    def areas(self) -> list[LineGroup]:
        """Return the groups: what is open or covered in a bite."""
        return self.groups

    @model_validator(mode="after")
    def _names_agree(self) -> PlanLinesInput:
        names = [group.name for group in self.groups]
        if len(set(names)) < len(names):
            raise ValueError("each group needs its own name")
        timed = [group.seconds for group in self.groups]
        check_one_way([True if each is None else None for each in timed], timed)
        strangers = {name for bite in self.done for name in bite.open} - set(names)
        if strangers:
            raise ValueError(f"done bites name groups that are not given: {sorted(strangers)}")
        check_going_on(self.open_again, self.opened_after, len(self.done), names)
        return self


class BittenLines(BittenDepth, At):
    """A group at the end of a bite, with its 95 % bands; ``darkness`` 1 is the darkest line."""


class LinesAtTheEnd(BittenLines):
    """A group when all is done; when its land would fail, were it bitten on."""

    wanted_depth_um: float
    land_um: float | None
    """Metal left between two lines."""
    land_fails_seconds: float | None
    """Clock in the bath, its own bites together, after which the land falls in."""


class PlanLinesOutput(Shape):
    """The bites still to make, and what each group of lines comes to."""

    done: list[Bite[BittenLines]]
    bites: list[Bite[BittenLines]]
    groups: list[LinesAtTheEnd]
    warnings: list[PlanWarning]
    rate_um_per_min: float
    """Depth bitten in a minute in the bath as it is now, wetting apart."""
    rate_um_per_min_low: float
    rate_um_per_min_high: float
    undercut: float
    wetting_seconds: float
    tables: str
