"""Shapes of the record."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from ninja import Schema
from pydantic import Field


class EntryOut(Schema):
    """One line of the record."""

    id: UUID
    plate: UUID | None
    plate_name: str
    """Empty where it is of no plate."""
    at: datetime
    by: str | None
    kind: str
    text: str
    data: dict[str, Any]
    corrects: UUID | None
    corrects_text: str
    """What the entry said that it corrects."""
    corrected: bool
    """A later entry corrects it; it stays."""


class NoteIn(Schema):
    """A note, or a correction of an older entry."""

    id: UUID
    plate: UUID | None = None
    text: Annotated[str, Field(min_length=1, max_length=4000)]
    corrects: UUID | None = None
