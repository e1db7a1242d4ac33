"""Shapes of timers."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

DAY_SECONDS = 86_400


class TimerIn(Schema):
    """A timer to start now, or one started a while ago."""

    id: UUID
    plate: UUID | None = None
    what: Annotated[str, Field(min_length=1, max_length=80)]
    seconds: Annotated[float, Field(ge=1, le=2 * DAY_SECONDS, json_schema_extra={"unit": "s"})]
    ago_seconds: Annotated[float, Field(ge=0, le=DAY_SECONDS)] = 0


class TimerOut(Schema):
    """A timer by this server's clock."""

    id: UUID
    plate: UUID | None
    plate_name: str
    what: str
    started_seconds: float
    ends_seconds: float
    seconds: float
    by: str
    ended_at: datetime | None
