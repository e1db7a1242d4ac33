"""When things happened in the demo: in working hours, however late it is loaded."""

from __future__ import annotations

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

ZONE = "Europe/Lisbon"
_FOUR_OCLOCK = 16


def at_work(now: datetime) -> datetime:
    """Return four o'clock of the day it is loaded: days before it, people were at work."""
    day = now.astimezone(ZoneInfo(ZONE))
    return day.replace(hour=_FOUR_OCLOCK, minute=0, second=0, microsecond=0)


def hour_of(now: datetime, days: int, hour: float) -> datetime:
    """Return an hour of an earlier day."""
    day = at_work(now) - timedelta(days=days)
    return day.replace(hour=0) + timedelta(hours=hour)
