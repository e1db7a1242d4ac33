"""Aquatint: bitten for tone, area after area."""

from __future__ import annotations

from core.process.row import Process
from core.process.shapes import Columns, Decided, ProcessWords
from core.process.told import told_minutes
from core.process.tray import BY_TRAY
from core.stages.plan_bites import TONE_PLANNER
from core.stages.shapes import Area, PlanBitesInput

WHITE_FIRST = -999.0
"""Paper white is bitten least of all: not at all."""


def _given(decided: Decided) -> PlanBitesInput:
    return PlanBitesInput(
        curve=decided.curve,
        areas=TONES.wishes(decided.areas),
        method=decided.method,
        bath=decided.bath,
        done=decided.done,
        round_to_seconds=decided.round_to_seconds,
        open_again=decided.open_again,
        opened_after=decided.opened_after,
    )


def _depth(area: Area) -> float:
    if area.seconds is not None:
        return area.seconds
    return WHITE_FIRST if area.lstar is None else -area.lstar


def _tell(area: Area) -> str:
    if area.seconds is not None:
        return f"{area.name} {told_minutes(area.seconds)}"
    return f"{area.name} white" if area.lstar is None else f"{area.name} L* {area.lstar:g}"


def count_bitten(areas: list[Columns]) -> int:
    """Return how many areas are bitten at all.

    Parameters
    ----------
    areas : list of columns

    Returns
    -------
    int
    """
    bitten = (area.get("lstar") if area.get("seconds") is None else 0.0 for area in areas)
    return sum(1 for goal in bitten if goal is not None)


def _count(areas: list[Columns]) -> str:
    return f"{count_bitten(areas)} tones"


def _goal(area: Area) -> float | None:
    return area.lstar


TONES = Process(
    words=ProcessWords(
        key="tones", title="Tones", many="the tones", area="area", against="the strip",
        goal=TONE_PLANNER.goal, hands=BY_TRAY,
    ),
    order=2,
    plan_step="plan-tones",
    bite_step="bite-tones",
    planner=TONE_PLANNER,
    wish=Area,
    given=_given,
    depth=_depth,
    tell=_tell,
    count=_count,
    goal_column="lstar",
    goal_of=_goal,
    strips="tones",
    has_maps=True,
)  # fmt: skip
