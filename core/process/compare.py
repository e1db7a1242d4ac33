"""What another bath, strip, warmth or number of bites would do to a plan."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Literal

from core.errors import CoreError
from core.kinetics.shapes import CurveBath
from core.process.row import Process
from core.process.shapes import Columns, Decided
from core.safety.heat import too_hot
from core.schema import Shape
from core.stages.fewer_bites import merged
from core.stages.planner import plan_of, solve
from core.tone.shapes import Curve

WARMER_C = 4.0
"""As much as a jacket of warm or cold water does to a tray. ``room-practice``"""
COLDEST_C, WARMEST_C = 5.0, 40.0
FEWEST, MOST = 3, 7
WEAKER_BAUME = 36.0
"""Ferric is let down to it by half its volume of water, about. ``room-practice``"""
WEAKER: dict[str, str] = {"zinc-nitric-10": "zinc-nitric-16"}

Kind = Literal["planned", "bath", "strip", "warmth", "strength", "bites"]


class Alternative(Shape):
    """One way to bite the same plan, with what it comes to."""

    kind: Kind
    label: str
    key: str = ""
    """Of the bath or strip it would take; for warmth how warm the bath is then [°C]."""
    goals: dict[str, float] = {}
    """By area, where tones share a bite: what each is then bitten for."""
    bites: int
    seconds: float
    """In the bath in all, by the clock."""
    worst: float
    """The most an area is expected off what is wanted, in the goal's unit."""
    worst_area: str
    band: float
    """Half the widest 95 % band of an area."""
    short: bool
    """A bite too short to be timed by hand."""


def alternatives(
    process: Process,
    decided: Decided,
    baths: Mapping[str, tuple[str, CurveBath]],
    strips: Mapping[str, tuple[str, Curve | None, CurveBath]],
) -> list[Alternative]:
    """Return the plan as it is, then what other ways come to.

    Parameters
    ----------
    process : Process
    decided : Decided
    baths, strips : mapping of key to (name, bath), and to (name, curve, the bath as over it)
        The others there are.

    Returns
    -------
    list of Alternative
        One that cannot be laid out is left out.
    """
    found = []
    for kind, label, key, given in _ways(process, decided, baths, strips):
        try:
            found.append(_told(process, decided, given, kind, label, key))
        except CoreError:
            continue  # a strip of another metal, say: nothing to compare
    return found


Way = tuple[Kind, str, str, Decided]


def _ways(
    process: Process,
    decided: Decided,
    baths: Mapping[str, tuple[str, CurveBath]],
    strips: Mapping[str, tuple[str, Curve | None, CurveBath]],
) -> Iterator[Way]:
    yield "planned", "As planned", "", decided
    for key, (name, bath) in baths.items():
        yield "bath", f"In {name}", key, decided.model_copy(update={"bath": bath})
    for key, (name, curve, bath) in strips.items():
        other = decided.model_copy(update={"curve": curve, "bath": bath})
        yield "strip", f"From strip {name}", key, other
    yield from _other_baths(decided)
    yield from _fewer(process, decided)


def _other_baths(decided: Decided) -> Iterator[Way]:
    bath = decided.bath
    for by in (-WARMER_C, WARMER_C):
        celsius = bath.temperature_c + by
        if COLDEST_C <= celsius <= WARMEST_C and not too_hot(bath.mordant, celsius):
            room = None if bath.room_c is None else bath.room_c + by
            warm = bath.model_copy(update={"temperature_c": celsius, "room_c": room})
            yield "warmth", "Warmer" if by > 0 else "Cooler", str(celsius), _in(decided, warm)
    if bath.rate_factor is not None:
        return  # a measured speed says nothing of another strength
    if bath.baume is not None and bath.baume > WEAKER_BAUME:
        weak = bath.model_copy(update={"baume": WEAKER_BAUME})
        yield "strength", f"Let down to {WEAKER_BAUME:g} °Bé", "", _in(decided, weak)
    if bath.mordant in WEAKER:
        weak = bath.model_copy(update={"mordant": WEAKER[bath.mordant]})
        yield "strength", "Weaker: 1 + 16", "", _in(decided, weak)


def _in(decided: Decided, bath: CurveBath) -> Decided:
    return decided.model_copy(update={"bath": bath})


def _fewer(process: Process, decided: Decided) -> Iterator[Way]:
    """Yield the plan in fewer bites: 3 to 7, where it has more goals than that."""
    wishes = process.wishes(decided.areas)
    goals = [process.goal_of(wish) for wish in wishes]
    bitten = [place for place, goal in enumerate(goals) if goal is not None]
    wanted = [goal for goal in goals if goal is not None]
    weights = [wishes[place].open_cm2 for place in bitten]
    for count in range(FEWEST, min(MOST + 1, len(set(wanted)))):
        together = merged(wanted, weights, count)
        areas = list(decided.areas)
        for place, goal in zip(bitten, together, strict=True):
            areas[place] = process.with_goal(areas[place], goal)
        yield "bites", f"In {count} bites", str(count), decided.model_copy(update={"areas": areas})


def _told(
    process: Process, asked: Decided, given: Decided, kind: Kind, label: str, key: str
) -> Alternative:
    plan = plan_of(process.planner, solve(process.planner, process.given(given)))
    wanted = [process.goal_of(wish) for wish in process.wishes(asked.areas)]
    off = {
        area.name: abs(area.goal.value - goal)
        for area, goal in zip(plan.areas, wanted, strict=True)
        if goal is not None
    }
    worst = max(off, key=off.__getitem__, default="")
    bands = [(area.goal.high - area.goal.low) / 2 for area in plan.areas if area.name in off]
    return Alternative(
        kind=kind,
        label=label,
        key=key,
        goals=_goals(process, given.areas) if kind == "bites" else {},
        bites=len(plan.done) + len(plan.bites),
        seconds=sum(bite.seconds for bite in [*plan.done, *plan.bites]),
        worst=round(off.get(worst, 0.0), 1),
        worst_area=worst,
        band=round(max(bands, default=0.0), 1),
        short=any(warning.code == "bite-too-short" for warning in plan.warnings),
    )


def _goals(process: Process, areas: list[Columns]) -> dict[str, float]:
    found = {wish.name: process.goal_of(wish) for wish in process.wishes(areas)}
    return {name: goal for name, goal in found.items() if goal is not None}
