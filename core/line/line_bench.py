"""The bench of a plan for lines: their depth in today's bath."""

from __future__ import annotations

from dataclasses import dataclass

from core.errors import CoreError
from core.line.model import LineModel, line_model
from core.line.shapes import LineGroup, PlanLinesInput
from core.line.width import depth_for_darkness_um
from core.stages.bench import Bench, tray_of

BARE_SHARE_OF_LINES = 1.0
PAST_THE_DEEPEST = 4.0
"""How far beyond the deepest goal bites are followed."""


@dataclass(frozen=True)
class LineBench(Bench):
    """The bench of a plan for lines: goals are depths below zero."""

    given: PlanLinesInput
    table: LineModel


def lay_out_lines(given: PlanLinesInput) -> LineBench:
    """Return the bench of a plan for lines.

    Parameters
    ----------
    given : PlanLinesInput

    Returns
    -------
    LineBench

    Raises
    ------
    CoreError
        A needle wider than the spacing of its lines.
    """
    for place, group in enumerate(given.groups):
        _check_needle(place, group)
    model = line_model(given.bath, given.measured)
    tray = tray_of(given.bath)
    pace = model.speed.at(tray.temperature_c, tray.load_g_per_l)
    depths = [
        float(model.depth_um(pace * group.seconds).mean())
        if group.seconds is not None
        else wanted_depth_um(group)
        for group in given.groups
    ]
    return LineBench(
        given=given,
        goals=[-depth for depth in depths],
        table=model,
        speed=model.speed,
        tray=tray,
        valid_to_reference_seconds=PAST_THE_DEEPEST
        * max(depths)
        / float(model.rate_um_per_s.mean()),
        bare_share=BARE_SHARE_OF_LINES,
    )


def wanted_depth_um(group: LineGroup) -> float:
    """Return the depth a group shall have, from its depth or its darkness.

    Parameters
    ----------
    group : LineGroup

    Returns
    -------
    float [µm]
    """
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
