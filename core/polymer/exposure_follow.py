"""How an exposure stands against its sheet: what is next, when it is over, what was missed.

The browser follows by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from core.data.exposure_stages import SHORT_SHARE, StageKey
from core.events.exposure_fold import ExposureState
from core.polymer.exposure_shapes import (
    ExposureSheet,
    ExposureStands,
    Outcome,
    StagePlan,
    StageStands,
)

StageId = tuple[StageKey, int]


def follow_exposure(sheet: ExposureSheet, state: ExposureState) -> ExposureStands:
    """Return how an exposure stands.

    Parameters
    ----------
    sheet : ExposureSheet
    state : ExposureState

    Returns
    -------
    ExposureStands
        A stage that was given too little under the lamp, or that a check found not right yet, is
        next again, until it is passed over or a later one begins.
    """
    given = given_seconds(state)
    planned = [_planned(plan, sheet, state, given) for plan in sheet.stages]
    now = state.under_way
    stages = [
        _stands(plan, seconds, given.get(_id(plan), 0.0), _state(plan, state, given))
        for plan, seconds in zip(sheet.stages, planned, strict=True)
    ]
    place = _next(sheet, state, stages)
    lasts = 0.0 if place is None else _lasts(sheet.stages[place], stages[place], state)
    rays = {_id(plan) for plan in sheet.stages if plan.pace == "rays"}
    return ExposureStands(
        stages=stages,
        next=place,
        next_seconds=lasts,
        due_seconds=None if now is None or place is None else now.at_seconds + lasts,
        lamp_seconds=sum(seconds for each, seconds in given.items() if each in rays),
    )


def given_seconds(state: ExposureState) -> dict[StageId, float]:
    """Return what each stage was given in all, of what is over [s].

    Parameters
    ----------
    state : ExposureState

    Returns
    -------
    dict of (stage, step) to float
    """
    given: dict[StageId, float] = {}
    for span in state.spans:
        if span.ended_seconds is not None:
            at = (span.stage, span.step)
            given[at] = given.get(at, 0.0) + span.ended_seconds - span.at_seconds
    return given


def _id(plan: StagePlan) -> StageId:
    return (plan.stage, plan.step)


def _planned(
    plan: StagePlan, sheet: ExposureSheet, state: ExposureState, given: dict[StageId, float]
) -> float:
    """Return a stage's time, as the water and the screen before it turned out to be [s]."""
    if plan.by_celsius:
        water = sheet.water_c if state.water_c is None else state.water_c
        return _between(plan.by_celsius, water)
    if plan.by_screen and _screen_stands(sheet, state, given):
        return _between(plan.by_screen, given[_SCREEN])
    return plan.seconds


_SCREEN: StageId = ("screen", 1)


def _screen_stands(sheet: ExposureSheet, state: ExposureState, given: dict[StageId, float]) -> bool:
    """Tell whether the screen has what it will get: enough, left so, or the image came after."""
    if _SCREEN not in given:
        return False
    planned = next(plan.seconds for plan in sheet.stages if _id(plan) == _SCREEN)
    after = any(span.stage == "image" for span in state.spans)
    return after or _SCREEN in state.passed or given[_SCREEN] >= SHORT_SHARE * planned


def _between(table: Sequence[tuple[float, float]], at: float) -> float:
    return float(np.interp(at, [x for x, _ in table], [y for _, y in table]))


def _state(plan: StagePlan, state: ExposureState, given: dict[StageId, float]) -> str:
    now = state.under_way
    if now is not None and (now.stage, now.step) == _id(plan):
        return "under-way"
    if _id(plan) in state.passed:
        return "done" if _id(plan) in given else "passed"
    return "done" if _id(plan) in given else "todo"


def _stands(plan: StagePlan, planned: float, given: float, state: str) -> StageStands:
    said = _outcome(plan.outcomes, given / planned) if state == "done" else None
    return StageStands.model_validate({
        "stage": plan.stage, "step": plan.step, "state": state, "planned_seconds": planned,
        "given_seconds": given, "code": said.code if said else None,
        "text": said.text if said else "",
    })  # fmt: skip


def _outcome(outcomes: list[Outcome], share: float) -> Outcome | None:
    """Return what a share of the time comes to."""
    return next((o for o in outcomes if o.up_to_share is None or share <= o.up_to_share), None)


def _next(
    sheet: ExposureSheet, state: ExposureState, stages: list[StageStands]
) -> int | None:  # fmt: skip
    """Return the place of the stage under way, else of the first from the last touched on that
    wants something."""
    ids = [_id(plan) for plan in sheet.stages]
    touched = [ids.index((s.stage, s.step)) for s in state.spans if (s.stage, s.step) in ids]
    if state.under_way is not None:
        here = (state.under_way.stage, state.under_way.step)
        return ids.index(here) if here in ids else None
    first = touched[-1] if touched else 0
    places = range(first, len(ids))
    return next((n for n in places if _wants(sheet.stages[n], stages[n], state)), None)


def _wants(plan: StagePlan, stands: StageStands, state: ExposureState) -> bool:
    if stands.state != "done":
        return stands.state == "todo"
    return _id(plan) not in state.passed and (
        _short(plan, stands) or (_not_right(plan, state) and plan.again_seconds > 0)
    )


def _short(plan: StagePlan, stands: StageStands) -> bool:
    share = stands.given_seconds / stands.planned_seconds
    return plan.pace == "rays" and share < SHORT_SHARE


def _not_right(plan: StagePlan, state: ExposureState) -> bool:
    """Tell whether a check of the stage said so since it was last begun."""
    asked = {check.check for check in plan.checks}
    return any(made.check in asked and not made.fine for made in state.checks)


def _lasts(plan: StagePlan, stands: StageStands, state: ExposureState) -> float:
    """Return how long the stage lasts from its beginning on: all of it, the rest, or once more."""
    left = stands.planned_seconds - stands.given_seconds
    if stands.given_seconds == 0 or (plan.pace == "rays" and left > 0):
        return max(left, 1.0)
    return max(left, plan.again_seconds, 1.0)
