"""What a change says of a row."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any
from uuid import UUID

from django.db.models import Model
from ninja import Schema


def said_of(given: Schema, kind: type[Model], *, without: set[str] = frozenset()) -> dict[str, Any]:  # type: ignore[assignment]
    """Return the columns a change names; null only where the column may be empty.

    Anywhere else null says nothing of it, as leaving it out does.
    """
    empty = {field.name for field in kind._meta.fields if field.null}
    said = given.model_dump(mode="json", exclude={"version", *without}, exclude_unset=True)
    return {name: value for name, value in said.items() if value is not None or name in empty}


def stood(row: Model, said: dict[str, Any]) -> dict[str, Any]:
    """Return what stood before in the columns a change names; a row it names by its id."""
    names = {name: row._meta.get_field(name).attname for name in said}  # type: ignore[union-attr]
    values = {name: getattr(row, attname) for name, attname in names.items()}
    return {
        name: str(value) if isinstance(value, UUID) else value for name, value in values.items()
    }


def changes(said: dict[str, Any], before: dict[str, Any]) -> Iterator[tuple[str, Any, Any]]:
    """Yield each column that changed with what stood before and stands now; facts one by one."""
    for name, value in said.items():
        was = before[name]
        if isinstance(value, dict) and isinstance(was, dict):
            yield from changes(value, {key: was.get(key) for key in value})
        elif value != was and (value or was):
            yield name, was, value


def told_change(name: str, was: Any, now: Any) -> str:
    """Return a change as the record tells it: "width 200 → 210 mm"."""
    called, unit = name, ""
    for ending, sign in _UNITS.items():
        if name.endswith(ending):
            called, unit = name.removesuffix(ending), sign
    if name in _ONLY_NAMED:
        return _ONLY_NAMED[name]
    return f"{called.replace('_', ' ')} {_word(was)} → {_word(now)}{unit}"


_UNITS = {"_mm": " mm", "_c": " °C", "_l": " L", "_percent": " %", "_g_per_l": " g/L"}
_ONLY_NAMED = {"study": "a new picture of what is meant"}


def _word(value: Any) -> str:
    if value is None or value in ("", []):
        return "nothing"
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, list):
        return ", then ".join(map(str, value))
    return f"{value:g}" if isinstance(value, float | int) else str(value)
