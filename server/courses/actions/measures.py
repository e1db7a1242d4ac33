"""What was noted down of a step: checked by the step's own measures, and told in words."""

from __future__ import annotations

from typing import Any

from core.data.steps import STEPS, Measure
from server.config.errors import BadValue

LONGEST_TEXT = 500


def checked_measures(key: str, given: dict[str, Any]) -> dict[str, Any]:
    """Return the measures of a step; empty ones are left out.

    Raises
    ------
    BadValue
        Unknown, of another kind, or out of its limits; named by its path, with limit and unit.
    """
    known = {measure.key: measure for measure in STEPS[key].measures}
    for name in given:
        if name not in known:
            raise BadValue(
                "unknown-measure", "This step does not ask for that.", field=f"measures.{name}",
                value=given[name], allowed=", ".join(known) or "nothing",
            )  # fmt: skip
    said = {name: value for name, value in given.items() if value not in (None, "")}
    for name, value in said.items():
        _check(known[name], value)
    return said


def _check(measure: Measure, value: Any) -> None:
    if measure.kind == "number":
        low, high = measure.low or 0.0, measure.high or 0.0
        number = isinstance(value, (int, float)) and not isinstance(value, bool)
        good = number and low <= value <= high
        allowed = f"{low:g} to {high:g}"
    elif measure.kind == "choice":
        good, allowed = value in measure.options, ", ".join(measure.options)
    elif measure.kind == "yes-no":
        good, allowed = isinstance(value, bool), "yes or no"
    else:
        good = isinstance(value, str) and len(value) <= LONGEST_TEXT
        allowed = f"at most {LONGEST_TEXT} characters"
    if not good:
        unit = f" {measure.unit}" if measure.unit else ""
        raise BadValue(
            "out-of-limits", f"{measure.label}: {value} is not allowed; {allowed}{unit} is.",
            field=f"measures.{measure.key}", value=value, allowed=allowed, unit=measure.unit,
        )  # fmt: skip


def told_measures(key: str, measures: dict[str, Any]) -> str:
    """Return measures as words for the record."""
    said = []
    for measure in STEPS[key].measures:
        if measure.key in measures:
            value = measures[measure.key]
            word = {True: "yes", False: "no"}.get(value, value) if value in (True, False) else value
            said.append(
                f"{measure.label.lower()} {word}{' ' + measure.unit if measure.unit else ''}"
            )
    return f" ({', '.join(said)})" if said else ""
