"""Faults that validation found, in the form every door shows."""

from __future__ import annotations

import json
from collections.abc import Sequence
from typing import Any, get_args

from pydantic import BaseModel, ValidationError
from pydantic.fields import FieldInfo

from core.errors import CoreError

LONGEST_SHOWN_VALUE = 200


def bad_input(error: ValidationError, shape: Any) -> CoreError:
    """Return the first fault that validation found, in the form every door shows.

    Parameters
    ----------
    error : pydantic.ValidationError
    shape : type
        What was validated; its fields' metadata name the unit.

    Returns
    -------
    CoreError
    """
    first = error.errors(include_url=False)[0]
    return CoreError(**fault_of(first, shape))


def fault_of(fault: Any, shape: Any) -> dict[str, Any]:
    """Return code, field, value, what is allowed, unit and text of one of pydantic's faults.

    Parameters
    ----------
    fault : mapping
        One of ``ValidationError.errors()``.
    shape : type
        What was validated.

    Returns
    -------
    dict
        The keys of ``CoreError``.
    """
    field, unit = place_of(shape, fault["loc"])
    return {
        "code": fault["type"].replace("_", "-"),
        "field": field,
        "value": shown(fault.get("input")),
        "allowed": _allowed(fault),
        "unit": unit,
        "text": f"{field or 'input'}: {_sentence(fault)}",
    }


def _sentence(fault: Any) -> str:
    message = str(fault["msg"]).removeprefix("Value error, ")
    return message[:1].lower() + message[1:] + "."


_LIMITS = {
    "ge": "at least {}",
    "gt": "more than {}",
    "le": "at most {}",
    "lt": "less than {}",
    "max_length": "at most {} items",
    "min_length": "at least {} items",
    "expected": "{}",
}


def _allowed(fault: Any) -> str:
    context = fault.get("ctx", {})
    said = [form.format(context[key]) for key, form in _LIMITS.items() if key in context]
    if said:
        return ", ".join(said)
    return {
        "missing": "a value is needed",
        "extra_forbidden": "no such key",
        "finite_number": "a finite number",
    }.get(fault["type"], _sentence(fault))


def shown(value: object) -> object:
    """Return a value as an error can show it: short, and plain JSON.

    Parameters
    ----------
    value : object

    Returns
    -------
    int, float, str, bool or None
    """
    if isinstance(value, (dict, list)):
        return json.dumps(value, default=str)[:LONGEST_SHOWN_VALUE]
    if isinstance(value, float) and not abs(value) < float("inf"):
        return str(value)
    return value if isinstance(value, (int, float, str, bool, type(None))) else str(value)


def place_of(shape: Any, loc: Sequence[str | int]) -> tuple[str, str]:
    """Return the path of a field as people write it, and the unit its metadata name.

    Parameters
    ----------
    shape : type
        A model, or any annotation that holds one.
    loc : sequence of str or int
        Pydantic's path; the tags of unions in it are left out of the result.

    Returns
    -------
    path : str
        Such as ``"patches.2.seconds"``.
    unit : str
        Empty where the field has none.
    """
    path: list[str] = []
    held, unit = [shape], ""
    for place, part in enumerate(loc, 1):
        models = [model for each in held for model in _models(each)]
        fields = [m.model_fields[part] for m in models if part in m.model_fields]
        if fields:
            held, unit = [field.annotation for field in fields], _unit(fields)
        elif isinstance(part, str) and models and place < len(loc):
            continue  # the tag of a union, or a validator's own word
        path.append(str(part))
    return ".".join(path), unit


def _models(annotation: Any) -> list[type[BaseModel]]:
    """Return the models that an annotation holds, however deep in lists and unions."""
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return [annotation]
    return [model for inner in get_args(annotation) for model in _models(inner)]


def _unit(fields: list[FieldInfo]) -> str:
    extras = [extra for field in fields for extra in _extras(field)]
    return next((str(extra["unit"]) for extra in extras if "unit" in extra), "")


def _extras(field: FieldInfo) -> list[dict[str, Any]]:
    """Return the metadata of a field, and of the types within it."""
    within = [part for part in _annotated(field.annotation) if isinstance(part, FieldInfo)]
    found = [each.json_schema_extra for each in (field, *within)]
    return [extra for extra in found if isinstance(extra, dict)]


def _annotated(annotation: Any) -> list[Any]:
    parts = list(get_args(annotation))
    return parts + [deeper for part in parts for deeper in _annotated(part)]
