"""Timers as they are shown."""

from __future__ import annotations

from server.timers.models import Timer
from server.timers.schemas import TimerOut


def timer_out(timer: Timer) -> TimerOut:
    """Return a timer by this server's clock."""
    started = timer.started_at.timestamp()
    return TimerOut(
        id=timer.id,
        plate=timer.plate_id,
        plate_name=timer.plate.name if timer.plate else "",
        what=timer.what,
        started_seconds=started,
        ends_seconds=started + timer.seconds,
        seconds=timer.seconds,
        by=timer.by.name,
        ended_at=timer.ended_at,
    )
