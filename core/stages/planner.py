"""Plan the bites of any process, and the sheet with which a browser follows them.

A process brings a ``Planner``: how its bench is laid out, how an area is told, what to beware of.
All else, the solving, the bites and the run sheet, is the same for tones, lines and what comes.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any, Generic, TypeVar

import numpy as np
from numpy.typing import NDArray

from core.kinetics.row import tables_version
from core.stages.bench import Bench, Exposure, Solved, after_done
from core.stages.by_clock import plan_by_clock
from core.stages.open_up import plan_by_opening_up
from core.stages.shapes import (
    Bite,
    BittenArea,
    Goal,
    PlanBitesOutput,
    PlanWarning,
    RunSheet,
    SheetArea,
    Track,
)
from core.stages.stop_out import plan_by_stopping_out
from core.tone.table import GRID_SECONDS, band

Array = NDArray[np.float64]
METHODS = {"stop-out": plan_by_stopping_out, "open-up": plan_by_opening_up}

COLDEST_C, WARMEST_C, STEP_C = 5.0, 40.0, 0.5
_EVERY = 2
_LONGEST_SECONDS = 15_000.0
SHEET_SECONDS = GRID_SECONDS[GRID_SECONDS <= _LONGEST_SECONDS][::_EVERY]
"""Reference seconds at which a sheet tells goals and looks."""

AnyBench = TypeVar("AnyBench", bound=Bench)


@dataclass(frozen=True)
class Planner(Generic[AnyBench]):
    """What one process brings to the planning of bites."""

    goal: Goal
    lay_out: Callable[[Any], AnyBench]
    """From the process's own input; raises CoreError."""
    tell: Callable[[AnyBench, Exposure, int, bool], BittenArea]
    """An area at its place, after an exposure, finished or not."""
    warn: Callable[[AnyBench, Exposure, list[Solved], list[Solved], Exposure], list[PlanWarning]]
    """From the start, the bites made and to come, and the end."""
    wanted: Callable[[AnyBench, int], float | None]
    """What an area is wanted at, in the goal."""
    values: Callable[[AnyBench, Array], Array]
    """Goal of each draw after an exposure: (draws,)."""
    looks: Callable[[float], float]
    """L* for drawing, from the goal."""
    lightest_and_darkest: Callable[[AnyBench], tuple[float, float]]
    land: Callable[[AnyBench, int, list[Solved], Exposure], dict[str, float | None]]
    """Land between lines and when it fails; empty for what has none."""
    covers_unopened: bool = True
    """What is opened later is covered by hand until then; False where nothing reaches it before."""


@dataclass(frozen=True)
class Solution(Generic[AnyBench]):
    """The bites made and to come on a bench, and where its areas stand before and after them."""

    bench: AnyBench
    start: Exposure
    done: list[Solved]
    bites: list[Solved]
    end: Exposure


def solve(planner: Planner[AnyBench], given: Any) -> Solution[AnyBench]:
    """Return the bites that remain for what is wanted.

    Parameters
    ----------
    planner : Planner
    given : the process's own input

    Returns
    -------
    Solution

    Raises
    ------
    CoreError
        What is wanted cannot be laid out: see the process's ``lay_out``.
    """
    bench = planner.lay_out(given)
    done, start = after_done(bench)
    method = "stop-out" if bench.given.opened_after else bench.given.method
    way = plan_by_clock if bench.by_clock else METHODS[method]
    bites, end = way(bench, start)
    return Solution(bench, start, done, bites, end)


def plan_of(planner: Planner[AnyBench], solved: Solution[AnyBench]) -> PlanBitesOutput:
    """Return a solution as every door shows it.

    Parameters
    ----------
    planner : Planner
    solved : Solution

    Returns
    -------
    PlanBitesOutput
    """
    bench = solved.bench
    bites = [_bite(planner, bench, dip) for dip in solved.bites]
    if planner.covers_unopened and not solved.done and bites:
        later = [name for bite in bites[1:] for name in bite.open_before]
        bites[0] = bites[0].model_copy(update={"cover_before": later})
    low, high = band(bench.pace)
    lightest, darkest = planner.lightest_and_darkest(bench)
    everything = range(len(bench.given.areas))
    return PlanBitesOutput(
        done=[_bite(planner, bench, dip) for dip in solved.done],
        bites=bites,
        areas=[planner.tell(bench, solved.end, place, True) for place in everything],
        warnings=planner.warn(bench, solved.start, solved.done, solved.bites, solved.end),
        speed=round(float(bench.pace.mean()), 3),
        speed_low=round(low, 3),
        speed_high=round(high, 3),
        wetting_seconds=round(float(bench.wetting.mean()), 1),
        lightest_lstar=lightest,
        darkest_lstar=darkest,
        tables=tables_version(bench.given.bath),
    )


def _bite(planner: Planner[AnyBench], bench: AnyBench, dip: Solved) -> Bite[BittenArea]:
    areas = [planner.tell(bench, dip.after, place, place in dip.finished) for place in dip.is_open]
    return Bite[BittenArea](**dip.facts.model_dump(), areas=areas)


def sheet_of(planner: Planner[AnyBench], given: Any, part: str) -> RunSheet:
    """Return the sheet of the bites that remain.

    Parameters
    ----------
    planner : Planner
    given : the process's own input
    part : str
        The process's key.

    Returns
    -------
    RunSheet
        Speeds and wetting are expected values; bands carry the doubt of model and bath speed.

    Raises
    ------
    CoreError
        As for ``solve``.
    """
    solved = solve(planner, given)
    plan = plan_of(planner, solved)
    warm, speeds = _speed_table(solved.bench)
    mean, low, high = _track(planner, solved.bench)
    return RunSheet(
        part=part,
        by_clock=solved.bench.by_clock,
        goal=planner.goal,
        plan=plan,
        grid_reference_seconds=[round(float(s), 1) for s in SHEET_SECONDS],
        temperatures_c=warm,
        speeds=speeds,
        wetting_seconds=plan.wetting_seconds,
        areas=[
            SheetArea(
                **_facts(planner, solved, plan, place),
                goal=Track(value=_rounded(mean), low=_rounded(low), high=_rounded(high)),
                **_looks(planner, mean, low, high),
            )
            for place in range(len(solved.bench.given.areas))
        ],
        tables=plan.tables,
    )


def _facts(
    planner: Planner[AnyBench], solved: Solution[AnyBench], plan: PlanBitesOutput, place: int
) -> dict[str, Any]:
    """Return what a sheet says of one area beside its tables."""
    name = solved.bench.given.areas[place].name
    reached = float(solved.start.seconds[place].mean())
    wanted = _wanted(planner, solved, place)
    return {
        "name": name,
        "wanted": wanted,
        "wanted_lstar": None if wanted is None else planner.looks(wanted),
        "target_reference_seconds": _target_seconds(plan, name, reached),
        "reached_reference_seconds": round(reached, 1),
        **planner.land(solved.bench, place, [*solved.done, *solved.bites], solved.end),
    }


def _wanted(planner: Planner[AnyBench], solved: Solution[AnyBench], place: int) -> float | None:
    """Return the goal of an area; where minutes were given, what they will come to."""
    if not solved.bench.by_clock:
        return planner.wanted(solved.bench, place)
    if solved.bench.given.areas[place].seconds is None:
        return None
    return planner.tell(solved.bench, solved.end, place, True).goal.value


def _looks(planner: Planner[AnyBench], mean: Array, low: Array, high: Array) -> dict[str, Any]:
    """Return how light an area looks along the grid; the band the right way round."""
    ends = [[planner.looks(float(value)) for value in side] for side in (low, high)]
    return {
        "lstar": _rounded([planner.looks(float(value)) for value in mean]),
        "lstar_low": _rounded([min(pair) for pair in zip(*ends, strict=True)]),
        "lstar_high": _rounded([max(pair) for pair in zip(*ends, strict=True)]),
    }


def _speed_table(bench: Bench) -> tuple[list[float], list[float]]:
    """Return temperatures [°C] and the bath's expected speed at each."""
    warm = np.arange(COLDEST_C, WARMEST_C + STEP_C / 2, STEP_C)
    speeds = bench.speed.at(warm, np.full(len(warm), bench.tray.load_g_per_l)).mean(axis=1)
    return [float(c) for c in warm], [round(float(s), 4) for s in speeds]


def _target_seconds(plan: PlanBitesOutput, name: str, reached: float) -> float:
    """Return the reference seconds an area is to come to in its last bite."""
    for bite in reversed(plan.bites):
        for area in bite.areas:
            if area.name == name:
                return area.reference_seconds
    return round(reached, 1)


def _track(planner: Planner[AnyBench], bench: AnyBench) -> tuple[Array, Array, Array]:
    """Return the goal, low and high on the sheet's grid of expected reference seconds."""
    share = bench.pace / bench.pace.mean()
    values = [planner.values(bench, seconds * share) for seconds in SHEET_SECONDS]
    bands = np.array([band(each) for each in values])
    return np.array([each.mean() for each in values]), bands[:, 0], bands[:, 1]


def _rounded(values: Iterable[float]) -> list[float]:
    return [round(float(value), 2) for value in values]
