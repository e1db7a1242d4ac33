"""Plan the bites of a line plate: from the depth each group of lines shall have."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.lines import FULL_LINE_LSTAR, UNPRINTED_LSTAR
from core.line.land import land_fails_seconds, land_um
from core.line.line_bench import LineBench, lay_out_lines
from core.line.shapes import BittenLines, LinesAtTheEnd, PlanLinesInput, PlanLinesOutput
from core.line.warnings import line_warnings
from core.line.width import darkness, top_width_um
from core.stages.bench import Exposure, Solved
from core.stages.planner import Planner, Solution, plan_of, solve
from core.stages.shapes import Bite, BittenArea, BittenDepth, Goal, Reached
from core.tone.table import band
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]


def plan_lines(given: PlanLinesInput) -> PlanLinesOutput:
    """Return the bites still to make, with depth, width and darkness of each group.

    Parameters
    ----------
    given : PlanLinesInput

    Returns
    -------
    PlanLinesOutput

    Raises
    ------
    CoreError
        A needle wider than the spacing of its lines.
    """
    solved = solve(LINE_PLANNER, given)
    plan = plan_of(LINE_PLANNER, solved)
    model = solved.bench.table
    pace = model.rate_um_per_s * solved.bench.pace * SECONDS_PER_MINUTE
    low, high = band(pace)
    return PlanLinesOutput(
        done=[_flat(bite) for bite in plan.done],
        bites=[_flat(bite) for bite in plan.bites],
        groups=[_at_the_end(solved, area, place) for place, area in enumerate(plan.areas)],
        warnings=plan.warnings,
        rate_um_per_min=round(float(pace.mean()), 3),
        rate_um_per_min_low=round(low, 3),
        rate_um_per_min_high=round(high, 3),
        undercut=round(float(model.undercut.mean()), 2),
        wetting_seconds=plan.wetting_seconds,
        tables=plan.tables,
    )


def tell_lines(bench: LineBench, at: Exposure, place: int, finished: bool) -> BittenArea:
    """Return the expected depth, width and darkness of a group with their 95 % bands.

    Parameters
    ----------
    bench : LineBench
    at : Exposure
    place : int
        Of the group among those given.
    finished : bool

    Returns
    -------
    BittenArea [µm]
    """
    group = bench.given.groups[place]
    depth = bench.table.depth_um(at.seconds[place])
    width = top_width_um(bench.table.needle_um(group.needle_um), depth, bench.table.undercut)
    deep, wide = _banded(depth), _banded(width)
    return BittenArea(
        name=group.name,
        finished=finished,
        reference_seconds=round(float(at.seconds[place].mean()), 1),
        goal=deep,
        lstar=looks_lstar(deep.value),
        lstar_low=looks_lstar(deep.high),
        lstar_high=looks_lstar(deep.low),
        lines=BittenDepth(
            depth_um=deep.value,
            depth_um_low=deep.low,
            depth_um_high=deep.high,
            width_um=wide.value,
            width_um_low=wide.low,
            width_um_high=wide.high,
            darkness=round(float(darkness(depth).mean()), 3),
        ),
    )


def looks_lstar(depth_um: float) -> float:
    """Return how light a line of that depth looks in print, for drawing it: not a reading.

    Parameters
    ----------
    depth_um : float [µm]

    Returns
    -------
    float [L*]
    """
    dark = float(darkness(depth_um))
    return round(UNPRINTED_LSTAR - (UNPRINTED_LSTAR - FULL_LINE_LSTAR) * dark, 1)


def _banded(values: Array) -> Reached:
    low, high = band(values)
    return Reached(value=round(float(values.mean()), 1), low=round(low, 1), high=round(high, 1))


def _flat(bite: Bite[BittenArea]) -> Bite[BittenLines]:
    facts = bite.model_dump(exclude={"areas"})
    return Bite[BittenLines](**facts, areas=[_lines(area) for area in bite.areas])


def _lines(area: BittenArea) -> BittenLines:
    if area.lines is None:
        raise AssertionError("told as lines")
    return BittenLines(
        name=area.name,
        finished=area.finished,
        reference_seconds=area.reference_seconds,
        **area.lines.model_dump(),
    )


def _at_the_end(solved: Solution[LineBench], area: BittenArea, place: int) -> LinesAtTheEnd:
    land = _land(solved.bench, place, [*solved.done, *solved.bites], solved.end)
    wanted = _wanted(solved.bench, place)
    return LinesAtTheEnd(**_lines(area).model_dump(), wanted_depth_um=wanted, **land)


def _wanted(bench: LineBench, place: int) -> float:
    return round(-bench.goal(place), 1)


def _values(bench: LineBench, reference_seconds: Array) -> Array:
    return bench.table.depth_um(reference_seconds)


def _ends(bench: LineBench) -> tuple[float, float]:
    return UNPRINTED_LSTAR, FULL_LINE_LSTAR


def _land(
    bench: LineBench, place: int, dips: list[Solved], end: Exposure
) -> dict[str, float | None]:
    group = bench.given.groups[place]
    return {
        "land_um": land_um(bench.table, group, end.seconds[place]),
        "land_fails_seconds": land_fails_seconds(bench, group, dips, place),
    }


LINE_PLANNER = Planner(
    goal=Goal(kind="depth", sign="", unit="µm", digits=0),
    lay_out=lay_out_lines,
    tell=tell_lines,
    warn=line_warnings,
    wanted=_wanted,
    values=_values,
    looks=looks_lstar,
    lightest_and_darkest=_ends,
    land=_land,
    covers_unopened=False,
)
