"""Plan the bites of a plate from wanted tones, a strip's curve and today's bath."""

from __future__ import annotations

import numpy as np

from core.kinetics.row import tables_version
from core.stages.open_up import plan_by_opening_up
from core.stages.shapes import PlanBitesInput, PlanBitesOutput
from core.stages.state import Exposure, Immersion, ToneBench, after_done, lay_out
from core.stages.stop_out import plan_by_stopping_out
from core.stages.tell import bitten_areas, planned_bite
from core.stages.warnings import warnings_of
from core.tone.table import band

METHODS = {"stop-out": plan_by_stopping_out, "open-up": plan_by_opening_up}


def plan_bites(given: PlanBitesInput) -> PlanBitesOutput:
    """Return the bites still to make, with what each area will be and how sure.

    Raises
    ------
    CoreError
        The strip is of another metal than the bath's.
    """
    bench = lay_out(given)
    return plan_on(bench)[0]


def plan_on(bench: ToneBench) -> tuple[PlanBitesOutput, Exposure]:
    """Return the plan of a bench, and where its areas stand before the next dip."""
    done, start = after_done(bench)
    bites, end = METHODS[bench.given.method](bench, start)
    return _output(bench, start, done, bites, end), start


def _output(
    bench: ToneBench, start: Exposure, done: list[Immersion], bites: list[Immersion], end: Exposure
) -> PlanBitesOutput:
    pace = bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l)
    low, high = band(pace)
    everything = list(range(len(bench.given.areas)))
    last = np.array([bench.valid_to_reference_seconds] * len(pace))
    return PlanBitesOutput(
        done=[planned_bite(bench, dip) for dip in done],
        bites=[planned_bite(bench, dip) for dip in bites],
        areas=bitten_areas(bench, end, everything, everything),
        warnings=warnings_of(bench, start, bites, end),
        speed=round(float(pace.mean()), 3),
        speed_low=round(float(low), 3),
        speed_high=round(float(high), 3),
        wetting_seconds=round(float(bench.wetting.mean()), 1),
        lightest_lstar=round(bench.table.lightest, 1),
        darkest_lstar=round(float(bench.table.at(last).mean()), 1),
        tables=tables_version(bench.given.bath),
    )
