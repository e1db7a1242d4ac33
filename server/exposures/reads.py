"""Shape answers about lamps, tests and charts."""

from __future__ import annotations

from typing import Any

from core.calculators import compute
from core.data.polymer import LAMPS
from core.errors import CoreError
from core.limits import within
from core.polymer.lamp_shapes import LampTodayInput
from core.polymer.lamp_today import lamp_today
from core.polymer.pair_test import PairTestInput, PairTestOutput, pair_test
from server.baths.reads import caution_out
from server.exposures.models import Chart, Lamp, Measurement, Test
from server.exposures.schemas import (
    ChartOut,
    LampIn,
    LampOut,
    MeasurementOut,
    PairToday,
    TestCard,
    TestOut,
)
from server.exposures.words import reading_words

MOST_SHOWN = 50
CAUTIONS_THERE = ("uv", "uncured-polymer")
"""Of the table: at every exposure."""


def lamp_out(lamp: Lamp) -> LampOut:
    """Return a lamp as it stands; its measurements and tests are best fetched with it."""
    row = LAMPS[lamp.kind]  # type: ignore[index]
    facts = {name: getattr(lamp, name) for name in LampIn.model_fields}
    return LampOut(
        **facts,
        label=row.label,
        usual_hours=row.hours,
        inverse_square=row.inverse_square,
        today=lamp_today(_today_of(lamp, None)),
        evenness=_evenness(lamp),
        measurements=[measurement_out(each) for each in lamp.measurements.all()[:MOST_SHOWN]],
        tests=len(lamp.tests.all()),
    )


def measurement_out(row: Measurement) -> MeasurementOut:
    """Return a reading of a lamp."""
    return MeasurementOut(
        id=row.id, at=row.at, by=row.by.name, reading=row.said, text=reading_words(row.said),
        taken_back=row.taken_back, version=row.version,
    )  # fmt: skip


def _today_of(lamp: Lamp, test_hours: float | None) -> LampTodayInput:
    """Return what the core is asked of a lamp: hours that were corrected stop nothing."""
    said = [row.said for row in lamp.measurements.all() if not row.taken_back]
    latest = max([each["hours"] for each in said] + [test_hours or 0.0])
    hours = None if lamp.hours is None else max(lamp.hours, latest)
    return LampTodayInput.model_validate(
        {"lamp": lamp.kind, "hours": hours, "test_hours": test_hours, "readings": said[:200]}
    )


def _evenness(lamp: Lamp) -> Any:
    """Return how even a lamp is over its bed; None where that was never measured."""
    if len(lamp.nine) != 9:
        return None
    wide, high = lamp.bed_width_mm or 400.0, lamp.bed_height_mm or 300.0
    return compute("lamp-evenness", {
        "bed_width_mm": wide, "bed_height_mm": high, "width_mm": wide, "height_mm": high,
        "readings": lamp.nine,
    })  # fmt: skip


def test_card(test: Test) -> TestCard:
    """Return a test for the list."""
    pair = test.pair or {}
    return TestCard(
        id=test.id, name=test.name, lamp=test.lamp_id, lamp_name=test.lamp.name,
        patches=len(test.patches), read_on=test.read_on, waits=_waits(test),
        screen_seconds=pair.get("screen_seconds"), image_seconds=pair.get("image_seconds"),
        out_reason=test.out_reason,
    )  # fmt: skip


def _waits(test: Test) -> str:
    if test.pair is not None:
        return ""
    return "to read" if test.lamp_hours is not None or not test.planned else "to expose"


def test_out(test: Test) -> TestOut:
    """Return a test with its plan and its pair."""
    planned = test.planned and PairTestInput.model_validate(within(PairTestInput, test.planned))
    return TestOut(
        **test_card(test).model_dump(),
        lamp_hours=test.lamp_hours,
        planned=planned,
        plan=_plan(planned) if planned else None,
        readings=test.patches,
        note=test.note,
        pair=test.pair,
        today=_pair_today(test),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
        fault=test.fault,
        created_at=test.created_at,
        version=test.version,
    )


def _plan(planned: PairTestInput) -> PairTestOutput | None:
    """Return the strips of a test; what was stored under other limits stops nothing."""
    try:
        return pair_test(planned)
    except CoreError:
        return None


def _pair_today(test: Test) -> PairToday | None:
    """Return the pair as the lamp is now."""
    if test.pair is None:
        return None
    told = lamp_today(_today_of(test.lamp, test.lamp_hours))
    return PairToday(
        screen_seconds=round(test.pair["screen_seconds"] * told.times, 1),
        image_seconds=round(test.pair["image_seconds"] * told.times, 1),
        times=told.times, low=round(1 / told.high, 4), high=round(1 / told.low, 4),
        text=told.text,
    )  # fmt: skip


def chart_out(chart: Chart) -> ChartOut:
    """Return a chart with its curve."""
    names = set(ChartOut.model_fields) - {"lamp", "lamp_name", "test", "picture"}
    return ChartOut(
        **{name: getattr(chart, name) for name in names},
        lamp=chart.lamp_id, lamp_name=chart.lamp.name, test=chart.test_id,
        picture=chart.picture_id,
    )  # fmt: skip
