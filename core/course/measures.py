"""What was noted down of a step: checked by the step's own measures, and told in words."""

from __future__ import annotations

from collections.abc import Mapping

from core.course.shapes import MeasureValue, Step
from core.data.step_row import Measure
from core.data.steps import STEPS
from core.errors import CoreError

LONGEST_TEXT = 500


def checked_measures(key: str, given: Mapping[str, MeasureValue]) -> dict[str, MeasureValue]:
    """Return the measures of a step; empty ones are left out.

    Parameters
    ----------
    key : str
        Of the step.
    given : mapping of measure to value

    Returns
    -------
    dict

    Raises
    ------
    CoreError
        Unknown, of another kind, or out of its limits; named by its path, with limit and unit.
    """
    known = {measure.key: measure for measure in STEPS[key].measures}
    for name in given:
        if name not in known:
            raise CoreError(
                "unknown-measure", "This step does not ask for that.", field=f"measures.{name}",
                value=given[name], allowed=", ".join(known) or "nothing",
            )  # fmt: skip
    said = {name: value for name, value in given.items() if value != ""}
    for name, value in said.items():
        _check(known[name], value)
    return said


def _check(measure: Measure, value: MeasureValue) -> None:
    good, allowed = _GOOD[measure.kind](measure, value)
    if not good:
        unit = f" {measure.unit}" if measure.unit else ""
        raise CoreError(
            "out-of-limits", f"{measure.label}: {value} is not allowed; {allowed}{unit} is.",
            field=f"measures.{measure.key}", value=value, allowed=allowed, unit=measure.unit,
        )  # fmt: skip


def _number(measure: Measure, value: MeasureValue) -> tuple[bool, str]:
    low, high = measure.low or 0.0, measure.high or 0.0
    number = isinstance(value, (int, float)) and not isinstance(value, bool)
    return number and low <= float(value) <= high, f"{low:g} to {high:g}"


def _choice(measure: Measure, value: MeasureValue) -> tuple[bool, str]:
    return value in measure.options, ", ".join(measure.options)


def _yes_no(measure: Measure, value: MeasureValue) -> tuple[bool, str]:
    return isinstance(value, bool), "yes or no"


def _text(measure: Measure, value: MeasureValue) -> tuple[bool, str]:
    fits = isinstance(value, str) and len(value) <= LONGEST_TEXT
    return fits, f"at most {LONGEST_TEXT} characters"


_GOOD = {"number": _number, "choice": _choice, "yes-no": _yes_no, "text": _text}


def told_measures(key: str, measures: Mapping[str, MeasureValue]) -> str:
    """Return measures as words for the record.

    Parameters
    ----------
    key : str
        Of the step.
    measures : mapping of measure to value

    Returns
    -------
    str
        In brackets after a space; empty where nothing was noted.
    """
    noted = [(m, measures[m.key]) for m in STEPS[key].measures if m.key in measures]
    said = [f"{m.label.lower()} {_word(value)} {m.unit}".rstrip() for m, value in noted]
    return f" ({', '.join(said)})" if said else ""


def _word(value: MeasureValue) -> str:
    if isinstance(value, bool):
        return "yes" if value else "no"
    return str(value)


def brings_grease(step: Step) -> bool:
    """Tell whether a step brings grease back onto the plate, by what was noted of it.

    Parameters
    ----------
    step : Step

    Returns
    -------
    bool
    """
    row = STEPS[step.key]
    measure, words = row.greases_when or ("", ())
    return row.greases or step.measures.get(measure) in words


def facts_of(key: str, measures: Mapping[str, MeasureValue]) -> dict[str, MeasureValue]:
    """Return facts of the plate that stay true after a step.

    Parameters
    ----------
    key : str
        Of the step.
    measures : mapping of measure to value

    Returns
    -------
    dict of fact to value
    """
    return {m.fact: measures[m.key] for m in STEPS[key].measures if m.fact and m.key in measures}
