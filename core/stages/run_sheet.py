"""The run sheet: tables with which a browser follows a run and looks tones up, with no network."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.stages.plan_bites import plan_on
from core.stages.shapes import PlanBitesInput, PlanBitesOutput, RunSheet, SheetArea
from core.stages.state import Bench, ToneBench, lay_out
from core.tone.table import GRID_SECONDS, band

Array = NDArray[np.float64]

COLDEST_C, WARMEST_C, STEP_C = 5.0, 40.0, 0.5
_EVERY = 2
_LONGEST_SECONDS = 15_000.0
SHEET_SECONDS = GRID_SECONDS[GRID_SECONDS <= _LONGEST_SECONDS][::_EVERY]
"""Reference seconds at which a sheet tells tones and depths."""


def run_sheet(given: PlanBitesInput) -> RunSheet:
    """Return the sheet of the bites that remain.

    Speeds and wetting are expected values; bands carry the doubt of curve and bath speed.
    """
    bench = lay_out(given)
    plan, start = plan_on(bench)
    grid = SHEET_SECONDS
    warm, speeds = speed_table(bench)
    mean, low, high = _tones(bench, grid)
    return RunSheet(
        plan=plan,
        grid_reference_seconds=[round(float(s), 1) for s in grid],
        temperatures_c=warm,
        speeds=speeds,
        wetting_seconds=plan.wetting_seconds,
        areas=[
            SheetArea(
                name=area.name,
                wanted_lstar=area.lstar,
                target_reference_seconds=target_seconds(
                    plan, area.name, float(start.seconds[i].mean())
                ),
                reached_reference_seconds=round(float(start.seconds[i].mean()), 1),
                lstar=mean,
                lstar_low=low,
                lstar_high=high,
            )
            for i, area in enumerate(given.areas)
        ],
        tables=plan.tables,
    )


def speed_table(bench: Bench) -> tuple[list[float], list[float]]:
    """Return temperatures [°C] and the bath's expected speed at each."""
    warm = np.arange(COLDEST_C, WARMEST_C + STEP_C / 2, STEP_C)
    speeds = bench.speed.at(warm, np.full(len(warm), bench.tray.load_g_per_l)).mean(axis=1)
    return [float(c) for c in warm], [round(float(s), 4) for s in speeds]


def target_seconds(plan: PlanBitesOutput, name: str, reached: float) -> float:
    """Return the reference seconds an area is to come to in its last bite."""
    for bite in reversed(plan.bites):
        for area in bite.areas:
            if area.name == name:
                return area.reference_seconds
    return round(reached, 1)


def _tones(bench: ToneBench, grid: Array) -> tuple[list[float], list[float], list[float]]:
    """Return expected L*, low and high on a grid of expected reference seconds."""
    pace = bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l)
    share = pace / pace.mean()
    tones = np.array([bench.table.at(seconds * share) for seconds in grid])
    bands = np.array([band(row) for row in tones])
    return _rounded(tones.mean(axis=1)), _rounded(bands[:, 0]), _rounded(bands[:, 1])


def _rounded(values: Array) -> list[float]:
    return [round(float(v), 2) for v in values]
