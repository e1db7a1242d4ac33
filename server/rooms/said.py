"""What a change says of a row."""

from __future__ import annotations

from typing import Any

from django.db.models import Model
from ninja import Schema


def said_of(given: Schema, kind: type[Model], *, without: set[str] = frozenset()) -> dict[str, Any]:  # type: ignore[assignment]
    """Return the columns a change names; null only where the column may be empty.

    Anywhere else null says nothing of it, as leaving it out does.
    """
    empty = {field.name for field in kind._meta.fields if field.null}
    said = given.model_dump(mode="json", exclude={"version", *without}, exclude_unset=True)
    return {name: value for name, value in said.items() if value is not None or name in empty}
