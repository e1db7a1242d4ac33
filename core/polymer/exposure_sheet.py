"""The sheet of an exposure: each stage with its time, and what a time that was missed does."""

from __future__ import annotations

from typing import Any

import numpy as np

from core.data.exposure_stages import CHECKS, LONG_SHARE, SHORT_SHARE, STAGES, StageKey, StageRow
from core.errors import CoreError
from core.polymer.exposure_shapes import (
    CheckPlan,
    ExposureRunInput,
    ExposureSheet,
    Outcome,
    StagePlan,
)
from core.polymer.missed_time import Missed
from core.polymer.pair_test import PairTestInput, pair_test
from core.polymer.wash_out import VERDICT_SHARES, WashOutInput, wash_out

_SURE_SHARE = 0.1
"""Half the band of a time under the lamp, where nothing was tested. ``room-practice``"""
_CELSIUS = range(2, 51)


def exposure_run(given: ExposureRunInput) -> ExposureSheet:
    """Return the stages of an exposure, each with its time today.

    Parameters
    ----------
    given : ExposureRunInput
        A pair of times [s] or a test, today's lamp, water [°C].

    Returns
    -------
    ExposureSheet

    Raises
    ------
    CoreError
        ``no-times``: neither a pair nor a test; ``too-small``, ``too-long``: of a test.

    Notes
    -----
    Times under the lamp are those of the test × what the lamp lost since: dose = irradiance · time.
    Wash-out follows the water. Source: ``room-practice``.
    """
    _check(given)
    stages = [plan for key in STAGES for plan in _stage(given, key)]
    lamp = sum(each.seconds for each in stages if each.pace == "rays")
    return ExposureSheet(
        stages=stages,
        lamp_seconds=round(lamp, 1),
        minutes=round(sum(each.seconds for each in stages) / 60, 1),
        water_c=given.water_c,
    )


def _check(given: ExposureRunInput) -> None:
    if given.test is None and None in (given.screen_seconds, given.image_seconds):
        raise CoreError(
            "no-times", "Say how long the screen and the image are exposed, or which test.",
            field="screen_seconds" if given.screen_seconds is None else "image_seconds",
            allowed="a time, or a test",
        )  # fmt: skip


def _plan(row: StageRow, seconds: float, **more: Any) -> StagePlan:
    """Return a stage of so many seconds; what is not said is as its row has it."""
    spread = row.usual.spread / row.usual.value
    facts: dict[str, Any] = {
        "stage": row.key, "step": 1, "title": row.title, "pace": row.pace,
        "seconds": round(seconds, 1), "low": round(seconds * (1 - spread), 1),
        "high": round(seconds * (1 + spread), 1), "again_seconds": row.again_seconds,
        "by_celsius": [], "by_screen": [], "verb": row.verb, "end_verb": row.end_verb,
        "todo": row.todo, "at_zero": row.at_zero, "may_pass": row.may_pass,
        "checks": [CheckPlan(check=key, label=CHECKS[key].label, not_yet=CHECKS[key].not_yet)
                   for key in row.checks],
        "cautions": list(row.cautions), "outcomes": [],
    }  # fmt: skip
    return StagePlan(**{**facts, **more})


def _usual(row: StageRow) -> StagePlan:
    return _plan(row, row.usual.value * 60, outcomes=_USUAL_OUTCOMES.get(row.key, []))


def _said(up_to: float | None, code: Any, text: str) -> Outcome:
    return Outcome(up_to_share=up_to, code=code, text=text)


_USUAL_OUTCOMES: dict[StageKey, list[Outcome]] = {
    "dry": [
        _said(0.6, "short", "Short: feel a corner before the lamp. A damp plate hardens unevenly."),
        _said(None, "right", "Dry."),
    ],
    "harden": [
        _said(SHORT_SHARE, "short", "Short: not hard through, it wears sooner. Give it the rest."),
        _said(None, "right", "Hard. More does no harm."),
    ],
}


def _stage(given: ExposureRunInput, key: StageKey) -> list[StagePlan]:
    if key == "wash":
        return [_wash(given)]
    if key not in ("screen", "image"):
        return [_usual(STAGES[key])]
    return [_by_lamp(given, key)] if given.test is None else _strips(given.test, key)


def _by_lamp(given: ExposureRunInput, key: StageKey) -> StagePlan:
    """Return a stage under the lamp by the pair, with what its patches say of missing it."""
    row = STAGES[key]
    nominal = (given.screen_seconds or 1.0, given.image_seconds or 1.0)
    missed = Missed(given.patches, nominal)
    seconds = nominal[key == "image"] * given.times
    follows = missed.image_by_screen() if key == "image" else []
    return _plan(
        row, seconds,
        low=round(seconds * (1 - _SURE_SHARE), 1), high=round(seconds * (1 + _SURE_SHARE), 1),
        by_screen=[(round(s * given.times, 1), round(i * given.times, 1)) for s, i in follows],
        outcomes=missed.outcomes(key),
    )  # fmt: skip


def _strips(test: PairTestInput, key: StageKey) -> list[StagePlan]:
    """Return the exposures of a test: one a strip, the card moved between."""
    told = [step for step in pair_test(test).steps if step.layer == key]
    row = STAGES[key]
    last = len(told) - 1
    return [
        _plan(
            row, step.seconds, step=place + 1,
            title=f"{row.title}, {place + 1} of {len(told)}",
            low=step.seconds, high=step.seconds, todo=step.text, outcomes=_STRIP_OUTCOMES,
            at_zero=row.at_zero if place == last else "lamp off, move the card.",
        )
        for place, step in enumerate(told)
    ]  # fmt: skip


_STRIP_OUTCOMES = [
    _said(SHORT_SHARE, "short", "Short: give it the rest before you move the card."),
    _said(LONG_SHARE, "right", "As planned."),
    _said(None, "long", "Long: its patches are read at the time they had."),
]


def _wash(given: ExposureRunInput) -> StagePlan:
    def told(celsius: float, seconds: float | None = None) -> Any:
        return wash_out(WashOutInput(temperature_c=celsius, seconds=seconds,
                                     own_seconds=given.own_wash_seconds))  # fmt: skip

    now = told(given.water_c)
    outcomes = [
        _said(up_to, code, told(20.0, max(1.0, inside * told(20.0).seconds)).text)
        for up_to, inside, code in VERDICT_SHARES
    ]
    return _plan(
        STAGES["wash"], now.seconds, low=now.low, high=now.high, outcomes=outcomes,
        by_celsius=[(float(c), told(float(c)).seconds) for c in _CELSIUS],
    )  # fmt: skip


def strip_seconds(
    test: PairTestInput, given: dict[tuple[StageKey, int], float]
) -> dict[str, list[float]]:
    """Return what each strip of a test truly had, once all its exposures are made.

    Parameters
    ----------
    test : PairTestInput
    given : dict of (stage, step) to float
        Seconds of each exposure as it was.

    Returns
    -------
    dict of str to list of float
        ``screen_seconds`` and ``image_seconds`` [s], the shortest first.
    """
    return {
        "screen_seconds": _summed(given, "screen", test.screen_steps),
        "image_seconds": _summed(given, "image", test.image_steps),
    }


def _summed(given: dict[tuple[StageKey, int], float], key: StageKey, count: int) -> list[float]:
    each = [given.get((key, number), 0.0) for number in range(1, count + 1)]
    return [round(float(seconds), 1) for seconds in np.cumsum(each)]
