"""Inputs and outputs of the planning of bites, the same at every door."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Generic, Literal, TypeVar

from pydantic import Field, model_validator

from core.kinetics.shapes import LONGEST_SECONDS, BathCelsius, CurveBath, Seconds
from core.schema import Shape
from core.tone.shapes import Curve, Lightness

MOST_AREAS = 40
MOST_DONE = 500
Method = Literal["stop-out", "open-up"]
AreaName = Annotated[str, Field(min_length=1, max_length=80)]
WarningCode = Literal[
    "tone-out-of-reach",
    "beyond-strip",
    "bite-too-short",
    "tones-too-close",
    "overshoot",
    "bath-near-end",
    "heats-itself",
    "fumes",
    "no-strip",
    "strength-unsaid",
    "land-fails",
    "depths-too-close",
    "rate-guessed",
]


Habit = Annotated[float, Field(ge=1, le=LONGEST_SECONDS, json_schema_extra={"unit": "s"})]
"""Time in the bath in all, by the clock and out of habit."""


class Area(Shape):
    """All parts of the image meant to have one tone; with no ``lstar`` it stays paper white.

    ``seconds`` in its place are time in the bath in all, by the clock.
    """

    name: AreaName
    lstar: Lightness | None
    seconds: Habit | None = None
    open_cm2: Annotated[float, Field(ge=0, le=20000, json_schema_extra={"unit": "cm²"})] = 0.0

    @model_validator(mode="after")
    def _one_goal(self) -> Area:
        if self.lstar is not None and self.seconds is not None:
            raise ValueError("give an area an lstar or its seconds, one of the two")
        return self


def check_one_way(goals: Sequence[object], seconds: Sequence[float | None]) -> None:
    """Refuse areas of which some have a goal and others minutes.

    Parameters
    ----------
    goals : sequence
        None where an area has none.
    seconds : sequence of float or None [s]

    Raises
    ------
    ValueError
    """
    if any(goal is not None for goal in goals) and any(each is not None for each in seconds):
        raise ValueError("give all areas a goal, or all of them minutes")


class DoneBite(Shape):
    """A bite already made: how long, how warm, which areas were open."""

    seconds: Seconds
    temperature_c: BathCelsius | None = None
    temperatures: list[tuple[Seconds, BathCelsius]] | None = Field(default=None, max_length=2000)
    open: list[AreaName] = Field(max_length=MOST_AREAS)


def check_going_on(
    open_again: Sequence[str], opened_after: int, done: int, names: Sequence[str]
) -> None:
    """Refuse to go on from bites that were not made, or with areas that are not there.

    Parameters
    ----------
    open_again : sequence of str
    opened_after, done : int
        Bites of the earlier run, and all that were made.
    names : sequence of str
        Of the areas.

    Raises
    ------
    ValueError
    """
    strangers = sorted(set(open_again) - set(names))
    if strangers:
        raise ValueError(f"open_again names areas that are not given: {strangers}")
    if opened_after > done:
        raise ValueError("opened_after is more than the bites that were made")


class PlanBitesInput(Shape):
    """What is wanted, with which curve, in which bath, after which bites."""

    curve: Curve | None = None
    method: Method = "stop-out"
    areas: list[Area] = Field(min_length=1, max_length=MOST_AREAS)
    bath: CurveBath
    done: list[DoneBite] = Field(default_factory=list, max_length=MOST_DONE)
    round_to_seconds: Annotated[float, Field(ge=0.1, le=60, json_schema_extra={"unit": "s"})] = 5.0
    open_again: Annotated[list[AreaName], Field(max_length=MOST_AREAS)] = []
    """Where bites of an earlier run are gone on from: what is open again, all else stays closed."""
    opened_after: Annotated[int, Field(ge=0, le=MOST_DONE)] = 0
    """How many of ``done`` were made before that; 0: none is gone on from."""

    @model_validator(mode="after")
    def _names_agree(self) -> PlanBitesInput:
        names = [area.name for area in self.areas]
        if len(set(names)) < len(names):
            raise ValueError("each area needs its own name")
        check_one_way([area.lstar for area in self.areas], [area.seconds for area in self.areas])
        strangers = {name for bite in self.done for name in bite.open} - set(names)
        if strangers:
            raise ValueError(f"done bites name areas that are not given: {sorted(strangers)}")
        check_going_on(self.open_again, self.opened_after, len(self.done), names)
        return self


class Reached(Shape):
    """What an area comes to in the goal of its process, with its 95 % band."""

    value: float
    low: float
    high: float


class BittenDepth(Shape):
    """A group of lines at the end of a bite: depth and width [µm] with 95 % bands."""

    depth_um: float
    depth_um_low: float
    depth_um_high: float
    width_um: float
    width_um_low: float
    width_um_high: float
    darkness: float
    """0 none to 1 the darkest a line can be."""


class At(Shape):
    """An area or a group of lines at the end of a bite."""

    name: str
    finished: bool
    reference_seconds: float
    """Expected biting time so far, as at the conditions of the strip."""


class BittenArea(At):
    """An area at the end of a bite: its goal, and how light it prints or looks."""

    goal: Reached
    lstar: float
    lstar_low: float
    lstar_high: float
    lines: BittenDepth | None = None
    """For a group of lines; its ``lstar`` is then only what a line of that depth looks like."""


class BiteFacts(Shape):
    """One immersion, made or still to come, whatever it is bitten for."""

    number: int
    seconds: float
    cumulative_seconds: float
    reference_seconds: float
    """Expected biting time gained in this bite, as at the strip."""
    stop_out_before: list[str]
    """Closed for good."""
    cover_before: list[str] = []
    """Closed for now, with what comes off again, and opened before a later bite."""
    open_before: list[str]


Told = TypeVar("Told", bound=At)


class Bite(BiteFacts, Generic[Told]):
    """One immersion with what each open area comes to in it."""

    areas: list[Told]


class PlanWarning(Shape):
    """Something to know before dipping, with what to do."""

    code: WarningCode
    text: str
    area: str | None = None
    bite: int | None = None
    params: dict[str, float | str] = Field(default_factory=dict)


class PlanBitesOutput(Shape):
    """The bites still to make, what each area stands at, and what to beware of."""

    done: list[Bite[BittenArea]]
    """Bites already made, with what they came to."""
    bites: list[Bite[BittenArea]]
    areas: list[BittenArea]
    """Every area as it will print when all is done, paper white included."""
    warnings: list[PlanWarning]
    speed: float
    """Speed of the bath now over the strip's, expected."""
    speed_low: float
    speed_high: float
    wetting_seconds: float
    lightest_lstar: float
    darkest_lstar: float
    tables: str


class RunSheetInput(PlanBitesInput):
    """The same as for planning; the sheet is for the bites that remain."""


class Track(Shape):
    """An area's goal on the sheet's grid of reference seconds, with its 95 % band."""

    value: list[float]
    low: list[float]
    high: list[float]


class SheetArea(Shape):
    """What the browser needs to follow one area with no network."""

    name: str
    wanted: float | None
    """In the goal of the process; None for what is never bitten."""
    wanted_lstar: float | None
    target_reference_seconds: float
    reached_reference_seconds: float
    goal: Track
    lstar: list[float]
    """How light it prints, or looks; on the same grid."""
    lstar_low: list[float]
    lstar_high: list[float]
    land_um: float | None = None
    land_fails_seconds: float | None = None


class Goal(Shape):
    """What a process is bitten for."""

    kind: Literal["tone", "depth"]
    sign: str
    """Written before the number: "L*"."""
    unit: str
    """Written after it: "µm"."""
    digits: int


class RunSheet(Shape):
    """Look-up tables of a run: its goal over reference seconds, speed over temperature."""

    part: str
    """The process it is for."""
    by_clock: bool = False
    """Bites last as long as they were given by habit, however warm the bath is."""
    goal: Goal
    plan: PlanBitesOutput
    grid_reference_seconds: list[float]
    temperatures_c: list[float]
    speeds: list[float]
    wetting_seconds: float
    areas: list[SheetArea]
    tables: str
