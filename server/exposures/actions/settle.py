"""What an exposure's events change elsewhere, derived anew: lamp hours, a test's times, a dose."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime

from core.events.exposure_fold import StageSpan
from core.polymer.exposure_follow import given_seconds
from core.polymer.exposure_sheet import strip_seconds
from core.polymer.wash_out import WashOutInput, wash_out
from server.accounts.models import User
from server.exposures.actions.state import Lit, decided_of, follow
from server.exposures.models import Exposure, Lamp, Measurement
from server.instruments.models import InstrumentReading
from server.rooms.permissions import find

SECONDS_PER_HOUR = 3600.0
LEAST_DOSE_SECONDS = 20.0
"""Of an exposure whose dose says something of the lamp. ``room-practice``"""


def settle(user: User, exposure: Exposure) -> Lit:
    """Return the exposure followed, after what follows from its events was stored."""
    lit = follow(exposure)
    _count_hours(exposure, lit.stands.lamp_seconds)
    if exposure.test is not None:
        _tell_test(exposure, lit)
    exposure.washed_seconds = _washed(lit)
    exposure.save()
    _read_dose(user, exposure, lit)
    return lit


def _count_hours(exposure: Exposure, lamp_seconds: float) -> None:
    """Move the lamp's hours by what its burning changed; taken back, they go back."""
    more = (lamp_seconds - exposure.lamp_seconds) / SECONDS_PER_HOUR
    exposure.lamp_seconds = lamp_seconds
    if more == 0:
        return
    lamp = find(Lamp, exposure.room, exposure.lamp_id, lock=True)
    if lamp.hours is not None:
        lamp.hours = max(0.0, lamp.hours + more)
        lamp.version += 1
        lamp.save()


def _tell_test(exposure: Exposure, lit: Lit) -> None:
    """Store what the strips of a test truly had; None until each had its own."""
    planned, test = decided_of(exposure).test, exposure.test
    if planned is None or test is None:
        return
    told = strip_seconds(planned, given_seconds(lit.state))
    whole = all(
        first < second
        for times in told.values()
        for first, second in zip([0.0, *times], times, strict=False)
    )
    test.exposed = told if whole else None
    test.lamp_hours = exposure.lamp_hours if whole else test.lamp_hours
    test.save()


def _washed(lit: Lit) -> float | None:
    """Return how long it was washed until both checks held, as in water of 20 °C [s]."""
    plan = next(each for each in lit.sheet.stages if each.stage == "wash")
    fine = {made.check for made in lit.state.checks if made.fine}
    seconds = given_seconds(lit.state).get(("wash", 1), 0.0)
    if seconds == 0 or not {each.check for each in plan.checks} <= fine:
        return None
    water = lit.sheet.water_c if lit.state.water_c is None else lit.state.water_c
    warm = wash_out(WashOutInput(temperature_c=water)).seconds
    return round(seconds * wash_out(WashOutInput()).seconds / warm, 1)


def _read_dose(user: User, exposure: Exposure, lit: Lit) -> None:
    """Store what an integrator gathered in the longest light, as a reading of the lamp."""
    dose_id = uuid.uuid5(exposure.id, "dose")
    rays = {plan.stage for plan in lit.sheet.stages if plan.pace == "rays"}
    found = [span for span in lit.state.spans if span.stage in rays and span.ended_seconds]
    told = max(
        (each for span in found if (each := _gathered(exposure, span))),
        key=lambda each: each["seconds"], default=None,
    )  # fmt: skip
    if told is None:
        Measurement.objects.filter(id=dose_id).delete()
        return
    said = {"kind": "dose", "hours": exposure.lamp_hours or 0.0, **told}
    Measurement.objects.update_or_create(
        id=dose_id,
        defaults={"room": exposure.room, "lamp": exposure.lamp, "at": exposure.created_at,
                  "by": user, "kind": "dose", "said": said},
    )  # fmt: skip


def _gathered(exposure: Exposure, span: StageSpan) -> dict[str, float] | None:
    """Return dose and seconds between the first and the last reading in a span; None for none."""
    start, end = (
        datetime.fromtimestamp(at, tz=UTC) for at in (span.at_seconds, span.ended_seconds or 0.0)
    )
    rows = InstrumentReading.objects.filter(
        room=exposure.room, kind="dose", believed=True, at__gte=start, at__lte=end
    )
    told = list(rows.order_by("at").values_list("at", "value", "instrument"))
    if len(told) < 2 or len({which for _, _, which in told}) > 1:
        return None
    (first, low, _), (last, high, _) = told[0], told[-1]
    seconds = (last - first).total_seconds()
    if seconds < LEAST_DOSE_SECONDS or high <= low:
        return None
    return {"seconds": round(seconds, 1), "mj_per_cm2": round(high - low, 2)}
