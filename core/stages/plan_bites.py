"""Plan the bites of a plate from wanted tones, a strip's curve and today's bath."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.stages.bench import Exposure, Solved
from core.stages.planner import Planner, plan_of, sheet_of, solve
from core.stages.shapes import (
    BittenArea,
    Goal,
    PlanBitesInput,
    PlanBitesOutput,
    Reached,
    RunSheet,
    RunSheetInput,
)
from core.stages.tone_bench import ToneBench, lay_out
from core.stages.tone_warnings import tone_warnings
from core.tone.table import band

Array = NDArray[np.float64]


def plan_bites(given: PlanBitesInput) -> PlanBitesOutput:
    """Return the bites still to make, with what each area will be and how sure.

    Parameters
    ----------
    given : PlanBitesInput

    Returns
    -------
    PlanBitesOutput

    Raises
    ------
    CoreError
        The strip is of another metal than the bath's.
    """
    return plan_of(TONE_PLANNER, solve(TONE_PLANNER, given))


def run_sheet(given: RunSheetInput) -> RunSheet:
    """Return the sheet of the bites of tones that remain.

    Parameters
    ----------
    given : PlanBitesInput

    Returns
    -------
    RunSheet

    Raises
    ------
    CoreError
        The strip is of another metal than the bath's.
    """
    return sheet_of(TONE_PLANNER, given, "tones")


def tell_tone(bench: ToneBench, at: Exposure, place: int, finished: bool) -> BittenArea:
    """Return the expected tone of an area with its 95 % band.

    Parameters
    ----------
    bench : ToneBench
    at : Exposure
    place : int
        Of the area among those given.
    finished : bool

    Returns
    -------
    BittenArea [L*]
    """
    seconds = at.seconds[place]
    lstar, low, high = _tone(bench, seconds)
    return BittenArea(
        name=bench.given.areas[place].name,
        finished=finished,
        reference_seconds=round(float(seconds.mean()), 1),
        goal=Reached(value=lstar, low=low, high=high),
        lstar=lstar,
        lstar_low=low,
        lstar_high=high,
    )


def _tone(bench: ToneBench, seconds: Array) -> tuple[float, float, float]:
    key = seconds.tobytes()
    if key not in bench.told:
        tones = bench.table.at(seconds)
        low, high = band(tones)
        bench.told[key] = (round(float(tones.mean()), 1), round(low, 1), round(high, 1))
    return bench.told[key]


def _wanted(bench: ToneBench, place: int) -> float | None:
    return bench.given.areas[place].lstar


def _values(bench: ToneBench, reference_seconds: Array) -> Array:
    return bench.table.at(reference_seconds)


def _itself(lstar: float) -> float:
    return lstar


def _ends(bench: ToneBench) -> tuple[float, float]:
    last = np.full(len(bench.pace), bench.valid_to_reference_seconds)
    return round(bench.table.lightest, 1), round(float(bench.table.at(last).mean()), 1)


def _no_land(
    bench: ToneBench, place: int, dips: list[Solved], end: Exposure
) -> dict[str, float | None]:
    return {}


TONE_PLANNER = Planner(
    goal=Goal(kind="tone", sign="L*", unit="", digits=0),
    lay_out=lay_out,
    tell=tell_tone,
    warn=tone_warnings,
    wanted=_wanted,
    values=_values,
    looks=_itself,
    lightest_and_darkest=_ends,
    land=_no_land,
)
