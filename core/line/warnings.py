"""What to beware of in a plan of lines, each with what to do about it."""

from __future__ import annotations

from itertools import pairwise

from core.line.land import failing_share, land_fails_seconds
from core.line.line_bench import LineBench
from core.line.shapes import LineGroup, PlanLinesInput
from core.stages.bench import Exposure, Solved
from core.stages.shapes import PlanWarning
from core.stages.warnings import bath_near_end, heat_of_reaction, too_short
from core.tone.table import band

LIKELY_TO_FAIL = 0.2
DEEPER_BY_UM = 3.0
"""Less than this past its depth nobody sees in a print."""


def line_warnings(
    bench: LineBench, start: Exposure, done: list[Solved], bites: list[Solved], end: Exposure
) -> list[PlanWarning]:
    """Return the warnings of a plan of lines, the gravest first.

    Parameters
    ----------
    bench : LineBench
    start : Exposure
        Before the next dip.
    done, bites : list of Solved
        Made, and still to come.
    end : Exposure
        When all is done.

    Returns
    -------
    list of PlanWarning
    """
    return [
        *_too_deep(bench, start),
        *_land(bench, done + bites, end),
        *_guessed(bench.given),
        *heat_of_reaction(bench, bites),
        *bath_near_end(bench, bites),
        *too_short(bench, bites),
        *_too_close(bench, end),
    ]


def _guessed(given: PlanLinesInput) -> list[PlanWarning]:
    if given.measured or given.bath.rate_factor is not None:
        return []
    return [
        PlanWarning(
            code="rate-guessed",
            text="How fast this bath bites is a guess, right within about a third. Bite a scrap "
            "with a few lines for ten minutes and measure one, or weigh a coupon.",
        )
    ]


def _too_deep(bench: LineBench, start: Exposure) -> list[PlanWarning]:
    given, model = bench.given, bench.table
    if not given.done:
        return []
    found = []
    for place, group in enumerate(given.groups):
        depth = float(model.depth_um(start.seconds[place]).mean())
        wanted = -bench.goal(place)
        if depth > wanted + DEEPER_BY_UM:
            still = "Stop it out before the next dip. " if _open(given, group) else ""
            found.append(
                PlanWarning(
                    code="overshoot",
                    area=group.name,
                    params={"depth_um": round(depth, 1), "wanted_um": round(wanted, 1)},
                    text=f"{group.name} is {depth:.0f} µm deep, wanted {wanted:.0f}. {still}Print "
                    "it lighter by scraping and burnishing, or let the stronger lines go on.",
                )
            )
    return found


def _open(given: PlanLinesInput, group: LineGroup) -> bool:
    return group.name in given.done[-1].open


def _land(bench: LineBench, dips: list[Solved], end: Exposure) -> list[PlanWarning]:
    found = []
    for place, group in enumerate(bench.given.groups):
        share = failing_share(bench.table, group, end.seconds[place])
        seconds = land_fails_seconds(bench, group, dips, place)
        if seconds is None or share < LIKELY_TO_FAIL:
            continue
        minutes, rest = divmod(round(seconds), 60)
        may = "will" if share > 0.5 else "may"
        found.append(
            PlanWarning(
                code="land-fails",
                area=group.name,
                params={"seconds": seconds, "chance": round(share, 2)},
                text=f"{group.name}: the land between its lines {may} fall in after {minutes} min "
                f"{rest} s in the bath, and they print as one grey. Draw them wider apart, take a "
                "finer needle, or stop them out before.",
            )
        )
    return found


def _too_close(bench: LineBench, end: Exposure) -> list[PlanWarning]:
    given, model = bench.given, bench.table
    order = sorted(range(len(given.groups)), key=lambda place: -bench.goal(place))
    found = []
    for fine, strong in pairwise(order):
        gap = bench.goal(fine) - bench.goal(strong)
        extra = model.depth_um(end.seconds[strong] - end.seconds[fine])
        low, high = band(extra)
        if 0 < gap < max(DEEPER_BY_UM, (high - low) / 2):
            names = given.groups[fine].name, given.groups[strong].name
            found.append(
                PlanWarning(
                    code="depths-too-close",
                    area=names[1],
                    params={"other": names[0], "apart_um": round(gap, 1)},
                    text=f"{names[0]} and {names[1]} are only {gap:.0f} µm apart; in print nobody "
                    "tells them apart. Move one, or bite them as one.",
                )
            )
    return found
