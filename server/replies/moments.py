"""Moments and days that are sent: none before there was a print room, none in the future."""

from __future__ import annotations

from datetime import UTC, date, datetime, timedelta
from typing import Annotated

from django.utils import timezone
from pydantic import AfterValidator

FIRST = datetime(2000, 1, 1, tzinfo=UTC)
AHEAD = timedelta(days=1)
"""A day ahead is still today somewhere."""


def _in_time(given: datetime) -> datetime:
    """Refuse a moment that no hand was there for; one without a zone is by the server's clock."""
    aware = given if given.tzinfo else given.replace(tzinfo=UTC)
    last = timezone.now() + AHEAD
    if not FIRST.year <= aware.year <= last.year or not FIRST <= aware <= last:
        raise ValueError(
            f"the time must lie between {FIRST:%Y-%m-%d} and {last:%Y-%m-%d %H:%M} UTC"
        )
    return aware


def _on_a_day(given: date) -> date:
    last = (timezone.now() + AHEAD).date()
    if not FIRST.date() <= given <= last:
        raise ValueError(f"the day must lie between {FIRST:%Y-%m-%d} and {last:%Y-%m-%d}")
    return given


Moment = Annotated[datetime, AfterValidator(_in_time)]
Day = Annotated[date, AfterValidator(_on_a_day)]
