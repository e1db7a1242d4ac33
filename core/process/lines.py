"""Etched lines: bitten for depth."""

from __future__ import annotations

from core.line.line_bench import wanted_depth_um
from core.line.plan_lines import LINE_PLANNER
from core.line.shapes import LineGroup, PlanLinesInput
from core.process.row import Process
from core.process.shapes import Columns, Decided, Opening, ProcessWords
from core.process.told import told_minutes
from core.process.tray import BY_TRAY

BY_NEEDLE = BY_TRAY.model_copy(
    update={
        "opening": Opening(
            verb="Draw",
            done="Drawn",
            how="Through the ground, with no pressure into the metal.",
            closed="not drawn yet",
            covers=False,
        )
    }
)


def _given(decided: Decided) -> PlanLinesInput:
    return PlanLinesInput(
        groups=LINES.wishes(decided.areas),
        measured=decided.measured,
        method=decided.method,
        bath=decided.bath,
        done=decided.done,
        round_to_seconds=decided.round_to_seconds,
        open_again=decided.open_again,
        opened_after=decided.opened_after,
    )


def _depth(group: LineGroup) -> float:
    return wanted_depth_um(group) if group.seconds is None else group.seconds


def _tell(group: LineGroup) -> str:
    if group.seconds is not None:
        return f"{group.name} {told_minutes(group.seconds)}"
    if group.depth_um is not None:
        return f"{group.name} {group.depth_um:g} µm deep"
    return f"{group.name} {100 * (group.darkness or 0.0):.0f} % dark"


def _count(areas: list[Columns]) -> str:
    return f"{len(areas)} depths"


def _goal(group: LineGroup) -> float | None:
    return None if group.seconds is not None else wanted_depth_um(group)


LINES = Process(
    words=ProcessWords(
        key="lines", title="Lines", many="the lines", area="group of lines",
        against="20 °C, fresh", goal=LINE_PLANNER.goal, hands=BY_NEEDLE,
    ),
    order=1,
    plan_step="plan-lines",
    bite_step="bite-lines",
    planner=LINE_PLANNER,
    wish=LineGroup,
    given=_given,
    depth=_depth,
    tell=_tell,
    count=_count,
    goal_column="depth_um",
    goal_of=_goal,
    other_goals=("darkness",),
    strips="lines",
    stays_when_stripped=True,
)  # fmt: skip
