"""The bench of a plan for pools: the tray's curve, slowed as a thin film of mordant is."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from core.data.pools import POOL_SPEED
from core.points import normal_points
from core.stages.bench import Exposure, Solved
from core.stages.shapes import PlanWarning
from core.stages.tone_bench import ToneBench, WantedTones, lay_out
from core.stages.tone_warnings import tone_warnings

_KINDS = 10
"""Apart from the doubts of a bath and of lines, whose points they must not repeat."""


def lay_out_pools(given: WantedTones) -> ToneBench:
    """Return the bench of a plan for pools.

    Parameters
    ----------
    given : WantedTones

    Returns
    -------
    ToneBench
        Its speed is the tray's × the pool's share, with the doubt of both.

    Raises
    ------
    CoreError
        The strip is of another metal than the mordant's.
    """
    bench = lay_out(given)
    points = normal_points(len(bench.speed.scale), _KINDS)[:, -1]
    spread = POOL_SPEED.spread
    share = POOL_SPEED.value * np.exp(spread * points - 0.5 * spread**2)
    return replace(bench, speed=replace(bench.speed, scale=bench.speed.scale * share))


def pool_warnings(
    bench: ToneBench, start: Exposure, done: list[Solved], bites: list[Solved], end: Exposure
) -> list[PlanWarning]:
    """Return the warnings of a plan of pools, the gravest first.

    Parameters
    ----------
    bench : ToneBench
    start : Exposure
        Before the next brushing.
    done, bites : list of Solved
        Made, and still to come.
    end : Exposure
        When all is done.

    Returns
    -------
    list of PlanWarning
    """
    guessed = PlanWarning(
        code="rate-guessed",
        text="How fast a brushed pool bites is a guess: about 0.85 of the tray while it is "
        "refreshed in time. Bite a strip of pools on a scrap, or proof before the last ones.",
    )
    return [*tone_warnings(bench, start, done, bites, end), guessed]
