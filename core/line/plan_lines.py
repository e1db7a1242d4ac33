"""Plan the bites of a line plate: from the depth each group of lines shall have."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.kinetics.row import tables_version
from core.line.land import land_fails_seconds, land_um
from core.line.model import LineModel, line_model
from core.line.shapes import (
    BittenLines,
    LineBite,
    LineGroup,
    LinesAtTheEnd,
    PlanLinesInput,
    PlanLinesOutput,
)
from core.line.warnings import line_warnings
from core.line.width import darkness, depth_for_darkness_um, top_width_um
from core.stages.plan_bites import METHODS
from core.stages.state import Bench, Exposure, Immersion, after_done, tray_of
from core.tone.table import band
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]

BARE_SHARE_OF_LINES = 1.0
PAST_THE_DEEPEST = 4.0
"""How far beyond the deepest goal bites are followed."""


@dataclass(frozen=True)
class LineBench(Bench):
    """The bench of a plan for lines: goals are depths below zero."""

    given: PlanLinesInput
    table: LineModel


def plan_lines(given: PlanLinesInput) -> PlanLinesOutput:
    """Return the bites still to make, with depth, width and darkness of each group.

    Raises
    ------
    CoreError
        A needle wider than the spacing of its lines.
    """
    return plan_on_lines(lay_out_lines(given))[0]


def plan_on_lines(bench: LineBench) -> tuple[PlanLinesOutput, Exposure]:
    """Return the plan of a bench, and where its groups stand before the next dip."""
    done, start = after_done(bench)
    bites, end = METHODS[bench.given.method](bench, start)
    return _output(bench, start, done, bites, end), start


def lay_out_lines(given: PlanLinesInput) -> LineBench:
    """Return the bench of a plan for lines.

    Raises
    ------
    CoreError
    """
    for place, group in enumerate(given.groups):
        _check_needle(place, group)
    model = line_model(given.bath, given.measured)
    depths = [wanted_depth_um(group) for group in given.groups]
    return LineBench(
        given=given,
        goals=[-depth for depth in depths],
        table=model,
        speed=model.speed,
        tray=tray_of(given.bath),
        valid_to_reference_seconds=PAST_THE_DEEPEST
        * max(depths)
        / float(model.rate_um_per_s.mean()),
        bare_share=BARE_SHARE_OF_LINES,
    )


def wanted_depth_um(group: LineGroup) -> float:
    """Return the depth a group shall have [µm]."""
    if group.depth_um is not None:
        return group.depth_um
    return depth_for_darkness_um(group.darkness or 0.0)


def _check_needle(place: int, group: LineGroup) -> None:
    if group.needle_um is None or group.spacing_um is None or group.needle_um < group.spacing_um:
        return
    raise CoreError(
        "needle-wider-than-spacing",
        f"{group.name}: the needle is as wide as its lines are apart, so no land is left. Space "
        "the lines wider, or take a finer needle.",
        field=f"groups.{place}.needle_um",
        value=group.needle_um,
        allowed=f"less than {group.spacing_um:g}",
        unit="µm",
    )


def _output(
    bench: LineBench, start: Exposure, done: list[Immersion], bites: list[Immersion], end: Exposure
) -> PlanLinesOutput:
    model = bench.table
    pace = model.rate_um_per_s * bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l)
    low, high = band(pace)
    return PlanLinesOutput(
        done=[_bite(bench, dip) for dip in done],
        bites=[_bite(bench, dip) for dip in bites],
        groups=[_at_the_end(bench, done + bites, end, i) for i in range(len(bench.goals))],
        warnings=line_warnings(bench, start, done, bites, end),
        rate_um_per_min=_rate(float(pace.mean())),
        rate_um_per_min_low=_rate(low),
        rate_um_per_min_high=_rate(high),
        undercut=round(float(model.undercut.mean()), 2),
        wetting_seconds=round(float(bench.wetting.mean()), 1),
        tables=tables_version(bench.given.bath),
    )


def _rate(per_second: float) -> float:
    return round(per_second * SECONDS_PER_MINUTE, 3)


def _bite(bench: LineBench, dip: Immersion) -> LineBite:
    return LineBite(
        number=dip.number,
        seconds=dip.seconds,
        cumulative_seconds=dip.cumulative_seconds,
        reference_seconds=dip.reference_seconds,
        stop_out_before=dip.stop_out_before,
        open_before=dip.open_before,
        areas=[
            BittenLines(**_lines(bench, dip.after, place), finished=place in dip.finished)
            for place in dip.is_open
        ],
    )


def _at_the_end(
    bench: LineBench, dips: list[Immersion], end: Exposure, place: int
) -> LinesAtTheEnd:
    return LinesAtTheEnd(
        **_lines(bench, end, place),
        finished=True,
        wanted_depth_um=round(-bench.goal(place), 1),
        land_um=land_um(bench.table, bench.given.groups[place], end.seconds[place]),
        land_fails_seconds=land_fails_seconds(bench, bench.given.groups[place], dips, place),
    )


def _lines(bench: LineBench, at: Exposure, place: int) -> dict[str, float | str]:
    group = bench.given.groups[place]
    depth = bench.table.depth_um(at.seconds[place])
    width = top_width_um(bench.table.needle_um(group.needle_um), depth, bench.table.undercut)
    told: dict[str, float | str] = {"name": group.name}
    for name, values in (("depth_um", depth), ("width_um", width)):
        low, high = band(values)
        told |= {name: round(float(values.mean()), 1)}
        told |= {f"{name}_low": round(low, 1), f"{name}_high": round(high, 1)}
    told["darkness"] = round(float(darkness(depth).mean()), 3)
    told["reference_seconds"] = round(float(at.seconds[place].mean()), 1)
    return told
