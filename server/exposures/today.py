"""What a lamp gives today, and a test's pair on it."""

from __future__ import annotations

from core.polymer.lamp_shapes import LampTodayInput
from core.polymer.lamp_today import lamp_today
from server.exposures.models import Lamp, Test
from server.exposures.schemas import PairToday


def today_of(lamp: Lamp, test_hours: float | None) -> LampTodayInput:
    """Return what the core is asked of a lamp: hours that were corrected stop nothing."""
    said = [row.said for row in lamp.measurements.all() if not row.taken_back]
    latest = max([each["hours"] for each in said] + [test_hours or 0.0])
    hours = None if lamp.hours is None else max(lamp.hours, latest)
    return LampTodayInput.model_validate(
        {"lamp": lamp.kind, "hours": hours, "test_hours": test_hours, "readings": said[:200]}
    )


def pair_today(test: Test) -> PairToday | None:
    """Return the pair as the lamp is now; None where a test gives none."""
    if test.pair is None:
        return None
    told = lamp_today(today_of(test.lamp, test.lamp_hours))
    return PairToday(
        screen_seconds=round(test.pair["screen_seconds"] * told.times, 1),
        image_seconds=round(test.pair["image_seconds"] * told.times, 1),
        times=told.times, low=round(1 / told.high, 4), high=round(1 / told.low, 4),
        text=told.text,
    )  # fmt: skip
