"""One row that cannot be shown never takes its list along."""

from __future__ import annotations

import logging
from collections.abc import Callable
from typing import TypeVar
from uuid import UUID

from django.db.models import Model
from pydantic import BaseModel, ValidationError

from core.errors import CoreError
from core.faults import bad_input

log = logging.getLogger(__name__)

Row = TypeVar("Row", bound=Model)
Out = TypeVar("Out")


class Broken(BaseModel):
    """A row that is kept but cannot be shown, and why."""

    id: UUID
    text: str


def shown_of(row: Row, shape: Callable[[Row], Out]) -> Out | Broken:
    """Return a row as it is shown, or why it cannot be."""
    try:
        return shape(row)
    except Exception as error:
        return Broken(id=row.pk, text=why(row, error))


def why(row: Model, error: Exception) -> str:
    """Return what is wrong with a row in a sentence; the whole of it goes to the log."""
    kind = type(row).__name__.lower()
    log.error("the %s %s cannot be shown", kind, row.pk, exc_info=error)
    if isinstance(error, ValidationError):
        error = bad_input(error, None)
    reason = error.text if isinstance(error, CoreError) else "What is stored of it does not agree."
    return f"This {kind} cannot be reckoned, and is kept as it is. {reason}"
