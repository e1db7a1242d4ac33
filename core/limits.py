"""Move numbers that were stored under wider limits into those of a shape."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, get_args

from annotated_types import Ge, Le
from pydantic import BaseModel
from pydantic.fields import FieldInfo


def within(shape: type[BaseModel], values: Mapping[str, Any]) -> dict[str, Any]:
    """Return values with each number moved to the nearest that its field takes.

    What is stored is always taken: limits that were drawn closer later, or a sum that ran past
    them, must not stop the plate that hangs on it.

    Parameters
    ----------
    shape : type of BaseModel
    values : mapping
        By the names of fields; what is not a number is handed on as it is.

    Returns
    -------
    dict
    """
    return {name: _moved(shape.model_fields.get(name), value) for name, value in values.items()}


def _moved(field: FieldInfo | None, value: Any) -> Any:
    if field is None or isinstance(value, bool) or not isinstance(value, (int, float)):
        return value
    for limit in _limits(field):
        if isinstance(limit, Ge):
            value = max(value, float(limit.ge))  # type: ignore[arg-type]
        elif isinstance(limit, Le):
            value = min(value, float(limit.le))  # type: ignore[arg-type]
    return value


def _limits(field: FieldInfo) -> list[Any]:
    """Return the limits of a field, and of the types within it."""
    within_it = [part for part in get_args(field.annotation) for part in get_args(part)]
    inner = [m for part in within_it if isinstance(part, FieldInfo) for m in part.metadata]
    return [*field.metadata, *inner]
