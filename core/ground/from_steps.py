"""What the steps of a course say of the last ground laid."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any

from pydantic import AwareDatetime

from core.course.measures import brings_grease
from core.course.shapes import MeasureValue, Step
from core.data.grounds import ON_GRAIN
from core.data.step_row import Measure
from core.data.steps import STEPS
from core.ground.shapes import GroundCheckInput

_SECONDS_PER_HOUR, _HOURS_PER_DAY = 3600.0, 24.0
_PERCENT = 100.0


def ground_facts(
    metal: str, steps: list[Step], back: str | None, now: AwareDatetime
) -> GroundCheckInput | None:
    """Return what was logged of the last ground laid.

    Parameters
    ----------
    metal : str
    steps : list of Step
    back : str or None
        Of the plate, where no step told of it.
    now : aware datetime

    Returns
    -------
    GroundCheckInput or None
        None where no ground was laid, or the plate is of no metal.
    """
    done = sorted((s for s in steps if s.status == "done" and s.at is not None), key=_at)
    laid = _last(done, lambda step: _ground_of(step) != "")
    if laid is None or metal not in ("copper", "zinc"):
        return None
    until = [step for step in done if _at(step) <= _at(laid)]
    clean = _last(until, lambda step: STEPS[step.key].cleans)
    greased = _last(until, brings_grease)
    told: dict[str, Any] = {"back": back, "ground": _ground_of(laid)}
    for step in done:
        if STEPS[step.key].ground == "" or step is laid:
            told |= {k: v for k, v in _told(step) if k != "heat_c" or _at(step) >= _at(laid)}
    return GroundCheckInput(
        metal=metal,
        over_grain=_lies_on_grain(until, laid),
        polished_after_degrease=bool(clean and greased and _at(greased) > _at(clean)),
        age_days=_hours(_at(laid), now) / _HOURS_PER_DAY,
        hours_degreased_to_ground=_hours(_at(clean), _at(laid)) if clean else None,
        **told,
    )


def _at(step: Step) -> AwareDatetime:
    if step.at is None:
        raise AssertionError("only steps with a time are asked")
    return step.at


def _last(done: list[Step], of: Callable[[Step], bool]) -> Step | None:
    return next((step for step in reversed(done) if of(step)), None)


def _ground_of(step: Step) -> str:
    """Return the ground that a step laid; empty where it laid none."""
    row = STEPS[step.key]
    said = {word: ground for m in row.measures for word, ground in m.lays}
    return row.ground or next((said[v] for v in step.measures.values() if v in said), "")


def _lies_on_grain(until: list[Step], laid: Step) -> bool:
    """Tell whether the ground lies over a grain that was not stripped."""
    for step in reversed(until):
        if step is not laid and STEPS[step.key].ground in ON_GRAIN:
            return True
        if step.key == "strip-ground":
            return False
    return False


def _told(step: Step) -> Iterator[tuple[str, Any]]:
    """Yield what a step's measures say of the ground, in the names of the check's input."""
    for measure in STEPS[step.key].measures:
        value = step.measures.get(measure.key)
        if not measure.tells or value is None:
            continue
        if measure.tells != "ground":
            yield measure.tells, _as_share(measure, value)
        elif value is True:
            yield "ground", measure.key


def _as_share(measure: Measure, value: MeasureValue) -> MeasureValue:
    return value / _PERCENT if measure.unit == "%" and isinstance(value, (int, float)) else value


def _hours(start: AwareDatetime, end: AwareDatetime) -> float:
    return float(max(0.0, (end - start).total_seconds() / _SECONDS_PER_HOUR))
