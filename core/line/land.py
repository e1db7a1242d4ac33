"""The land between two lines: how much is left, and when it falls in."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.line.line_bench import LineBench
from core.line.model import LineModel
from core.line.shapes import LineGroup
from core.line.width import failing_depth_um, top_width_um
from core.stages.bench import Solved

Array = NDArray[np.float64]


def land_um(model: LineModel, group: LineGroup, reference_seconds: Array) -> float | None:
    """Return the expected land [µm] left after an exposure; None where no spacing was given.

    Parameters
    ----------
    model : LineModel
    group : LineGroup
    reference_seconds : array (draws,) [reference s]

    Returns
    -------
    float [µm] or None
    """
    if group.spacing_um is None:
        return None
    depth = model.depth_um(reference_seconds)
    width = top_width_um(model.needle_um(group.needle_um), depth, model.undercut)
    return round(group.spacing_um - float(width.mean()), 1)


def failing_share(model: LineModel, group: LineGroup, reference_seconds: Array) -> float:
    """Return the share of draws in which the land has failed after an exposure.

    Parameters
    ----------
    model : LineModel
    group : LineGroup
    reference_seconds : array (draws,) [reference s]

    Returns
    -------
    float
        0 to 1.
    """
    if group.spacing_um is None:
        return 0.0
    failing = failing_depth_um(model.needle_um(group.needle_um), group.spacing_um, model.undercut)
    return float(np.mean(model.depth_um(reference_seconds) >= failing))


def land_fails_seconds(
    bench: LineBench, group: LineGroup, dips: list[Solved], place: int
) -> float | None:
    """Return the clock [s], all bites of a group together, at which its land is expected to fail.

    Parameters
    ----------
    bench : LineBench
    group : LineGroup
    dips : list of Solved
        Made and to come.
    place : int
        Of the group among those given.

    Returns
    -------
    float [s] or None
        None where no spacing was given.

    Notes
    -----
    Within the plan it lies in one of its bites; beyond it the last bite is thought to go on.
    """
    model = bench.table
    if group.spacing_um is None:
        return None
    failing = failing_depth_um(model.needle_um(group.needle_um), group.spacing_um, model.undercut)
    need = float(failing.mean() / model.rate_um_per_s.mean())
    wetting = float(model.wetting.mean())
    clock, reached = 0.0, 0.0
    for dip in (each for each in dips if place in each.is_open):
        gained = float(dip.after.seconds[place].mean()) - reached
        if gained > 0 and reached + gained >= need:
            part = max(0.0, need - reached) / gained
            return round(clock + wetting + part * max(0.0, dip.facts.seconds - wetting), 0)
        clock, reached = clock + dip.facts.seconds, reached + gained
    pace = float(bench.speed.at(bench.tray.temperature_c, bench.tray.load_g_per_l).mean())
    return round(clock + (need - reached) / pace, 0)
