"""Shape answers about lamps, tests, charts and exposures."""

from __future__ import annotations

import time
from typing import Any
from uuid import UUID

from core.calculators import compute
from core.data.polymer import LAMPS
from core.errors import CoreError
from core.limits import within
from core.polymer.lamp_today import lamp_today
from core.polymer.pair_test import PairTestInput, PairTestOutput, pair_test
from core.safety.cleaned_with import cleaned_with
from server.baths.reads import caution_out
from server.events.reads import event_out, events_of
from server.exposures.actions.state import decided_of, follow
from server.exposures.models import Chart, Exposure, Lamp, Measurement, Test
from server.exposures.schemas import (
    ChartOut,
    ExposureCard,
    ExposureOut,
    LampIn,
    LampOut,
    MeasurementOut,
    TestCard,
    TestOut,
)
from server.exposures.today import pair_today, today_of
from server.exposures.words import reading_words
from server.plates.models import Plate

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
        today=lamp_today(today_of(lamp, None)),
        evenness=_evenness(lamp),
        measurements=[measurement_out(each) for each in lamp.measurements.all()[:MOST_SHOWN]],
        tests=len(lamp.tests.all()),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
    )


def measurement_out(row: Measurement) -> MeasurementOut:
    """Return a reading of a lamp."""
    return MeasurementOut(
        id=row.id, at=row.at, by=row.by.name, reading=row.said, text=reading_words(row.said),
        taken_back=row.taken_back, version=row.version,
    )  # fmt: skip


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
        plan=_plan(planned, test.exposed) if planned else None,
        readings=test.patches,
        note=test.note,
        pair=test.pair,
        today=pair_today(test),
        exposed=test.exposed is not None,
        exposure=_under_lamp(test),
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
        fault=test.fault,
        created_at=test.created_at,
        version=test.version,
    )


def _plan(planned: PairTestInput, exposed: dict[str, Any] | None) -> PairTestOutput | None:
    """Return the strips of a test, with the times they truly had once it was exposed.

    What was stored under other limits stops nothing.
    """
    try:
        return pair_test(planned).model_copy(update=exposed or {})
    except CoreError:
        return None


def _under_lamp(test: Test) -> UUID | None:
    """Return the exposure of a test that is under way."""
    return test.exposures.filter(ended_at=None).values_list("id", flat=True).first()


def exposure_card(exposure: Exposure) -> ExposureCard:
    """Return an exposure for a list."""
    return ExposureCard(
        id=exposure.id,
        plate=exposure.plate_id,
        test=exposure.test_id,
        name=name_of(exposure),
        lamp_name=exposure.lamp.name,
        lamp_seconds=exposure.lamp_seconds,
        begun_at=exposure.created_at,
        ended_at=exposure.ended_at,
        outcome=exposure.outcome,
        reason=exposure.reason,
    )


def last_exposure(plate: Plate) -> UUID | None:
    """Return the exposure of a plate that is under way, else the last that was begun."""
    rows = Exposure.objects.filter(plate=plate).exclude(outcome=Exposure.NEVER_BEGUN)
    return rows.order_by("-created_at").values_list("id", flat=True).first()


def name_of(exposure: Exposure) -> str:
    """Return what lies under the lamp: the plate, or the test."""
    return exposure.plate.name if exposure.plate else exposure.test.name  # type: ignore[union-attr]


def exposure_out(exposure: Exposure) -> ExposureOut:
    """Return an exposure with its sheet, its state and its events."""
    events = events_of(exposure.id)
    lit = follow(exposure, events)
    decided = decided_of(exposure)
    return ExposureOut(
        **exposure_card(exposure).model_dump(),
        lamp=exposure.lamp_id,
        lamp_hours=exposure.lamp.hours,
        by_test=exposure.by_test_id,
        by_test_name=exposure.by_test.name if exposure.by_test else "",
        times=decided.times,
        own_wash=decided.own_wash_seconds is not None,
        sheet=lit.sheet,
        state=lit.state,
        stands=lit.stands,
        now_seconds=time.time(),
        events=[event_out(each) for each in events],
        cautions=[caution_out(key) for key in CAUTIONS_THERE],
        after=AFTER if exposure.plate else AFTER_TEST,
        cleaning=cleaned_with(POLYMER),
    )


POLYMER = "polymer"
AFTER = "Trim it to size, bevel and polish the edges, then pull a proof."
AFTER_TEST = "Print it dry or damp as you print plates, then read its patches."


def chart_out(chart: Chart) -> ChartOut:
    """Return a chart with its curve."""
    names = set(ChartOut.model_fields) - {"lamp", "lamp_name", "test", "picture"}
    return ChartOut(
        **{name: getattr(chart, name) for name in names},
        lamp=chart.lamp_id, lamp_name=chart.lamp.name, test=chart.test_id,
        picture=chart.picture_id,
    )  # fmt: skip
