"""The run sheet of a plan of lines: depth over reference seconds, for a browser to look up in."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.data.lines import FULL_LINE_LSTAR, UNPRINTED_LSTAR
from core.line.plan_lines import LineBench, lay_out_lines, plan_on_lines
from core.line.shapes import BittenLines, LineBite, LinesAtTheEnd, PlanLinesInput, PlanLinesOutput
from core.line.width import darkness
from core.stages.run_sheet import SHEET_SECONDS, speed_table, target_seconds
from core.stages.shapes import (
    BittenArea,
    BittenDepth,
    PlanBitesOutput,
    PlannedBite,
    RunSheet,
    SheetArea,
)
from core.tone.table import band

Array = NDArray[np.float64]


def line_sheet(given: PlanLinesInput) -> RunSheet:
    """Return the sheet of the bites of lines that remain, in the form of a sheet of tones.

    Raises
    ------
    CoreError
        A needle wider than the spacing of its lines.
    """
    bench = lay_out_lines(given)
    solved, start = plan_on_lines(bench)
    plan = _as_bites(bench, solved)
    warm, speeds = speed_table(bench)
    depths = _depths(bench)
    return RunSheet(
        part="lines",
        plan=plan,
        grid_reference_seconds=[round(float(s), 1) for s in SHEET_SECONDS],
        temperatures_c=warm,
        speeds=speeds,
        wetting_seconds=plan.wetting_seconds,
        areas=[
            _area(plan, group, float(start.seconds[place].mean()), depths)
            for place, group in enumerate(solved.groups)
        ],
        tables=plan.tables,
    )


def _area(
    plan: PlanBitesOutput, group: LinesAtTheEnd, reached: float, depths: tuple[Array, Array, Array]
) -> SheetArea:
    mean, low, high = depths
    return SheetArea(
        name=group.name,
        wanted_lstar=looks_lstar(group.wanted_depth_um),
        target_reference_seconds=target_seconds(plan, group.name, reached),
        reached_reference_seconds=round(reached, 1),
        lstar=[looks_lstar(d) for d in mean],
        lstar_low=[looks_lstar(d) for d in high],
        lstar_high=[looks_lstar(d) for d in low],
        wanted_depth_um=group.wanted_depth_um,
        depth_um=_rounded(mean),
        depth_um_low=_rounded(low),
        depth_um_high=_rounded(high),
        land_um=group.land_um,
        land_fails_seconds=group.land_fails_seconds,
    )


def _depths(bench: LineBench) -> tuple[Array, Array, Array]:
    """Return expected depth [µm], low and high on the sheet's grid of expected seconds."""
    pace = bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l)
    share = pace / pace.mean()
    all_depths = [bench.table.depth_um(seconds * share) for seconds in SHEET_SECONDS]
    bands = np.array([band(depths) for depths in all_depths])
    mean = np.array([depths.mean() for depths in all_depths])
    return mean, bands[:, 0], bands[:, 1]


def _rounded(values: Array) -> list[float]:
    return [round(float(value), 2) for value in values]


def looks_lstar(depth_um: float) -> float:
    """Return how light a line of that depth looks in print, for drawing it: not a reading."""
    dark = float(darkness(depth_um))
    return round(UNPRINTED_LSTAR - (UNPRINTED_LSTAR - FULL_LINE_LSTAR) * dark, 1)


def _as_bites(bench: LineBench, solved: PlanLinesOutput) -> PlanBitesOutput:
    pace = bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l)
    low, high = band(pace)
    return PlanBitesOutput(
        done=[_bite(bite) for bite in solved.done],
        bites=[_bite(bite) for bite in solved.bites],
        areas=[_lines(group) for group in solved.groups],
        warnings=solved.warnings,
        speed=round(float(pace.mean()), 3),
        speed_low=round(low, 3),
        speed_high=round(high, 3),
        wetting_seconds=solved.wetting_seconds,
        lightest_lstar=UNPRINTED_LSTAR,
        darkest_lstar=FULL_LINE_LSTAR,
        tables=solved.tables,
    )


def _bite(bite: LineBite) -> PlannedBite:
    facts = bite.model_dump(exclude={"areas"})
    return PlannedBite(**facts, areas=[_lines(lines) for lines in bite.areas])


def _lines(lines: BittenLines) -> BittenArea:
    depth = {key: getattr(lines, key) for key in BittenDepth.model_fields}
    return BittenArea(
        name=lines.name,
        lstar=looks_lstar(lines.depth_um),
        lstar_low=looks_lstar(lines.depth_um_high),
        lstar_high=looks_lstar(lines.depth_um_low),
        finished=lines.finished,
        reference_seconds=lines.reference_seconds,
        lines=BittenDepth(**depth),
    )
