"""Keep two-way tests and step charts, each with what follows from its readings."""

from __future__ import annotations

import uuid

from django.db import transaction

from core.errors import CoreError
from core.polymer.pair_test import PairTestInput, pair_test
from server.accounts.models import User
from server.exposures.fits import fit_chart, fit_test
from server.exposures.models import Chart, Lamp, Test
from server.exposures.schemas import ChartChange, ChartIn, TestChange, TestIn
from server.files.models import Picture
from server.record.actions.write import write
from server.rooms.permissions import add, change, enter, find
from server.rooms.said import said_of


def make_test(user: User, room_id: uuid.UUID, given: TestIn) -> Test:
    """Return the new test; one whose patches give no pair is stored with the reason.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        Its strips cannot be laid.
    """
    room = enter(user, room_id, "expose")
    lamp = find(Lamp, room, given.lamp)
    _lay(given.planned)
    facts = given.model_dump(mode="json", exclude={"id", "lamp", "read_on"})
    test = Test(id=given.id, room=room, lamp=lamp, read_on=given.read_on, **facts)
    if test.lamp_hours is None and test.patches:
        test.lamp_hours = lamp.hours
    fit_test(test)
    with transaction.atomic():
        stored, new = add(test)
        if new:
            write(room, user, "exposure", f"Two-way test {stored.name}: {_told(stored)}.")
    return stored


def change_test(user: User, room_id: uuid.UUID, test_id: uuid.UUID, given: TestChange) -> Test:
    """Return the changed test, its pair anew: before its row is locked, on its version.

    Raises
    ------
    NotFound, NotAllowed, Stale
    CoreError
        Its strips cannot be laid.
    """
    room = enter(user, room_id, "expose")
    test = find(Test, room, test_id)
    _lay(given.planned)
    said = said_of(given, Test, without={"read_on"})
    for field, value in said.items():
        setattr(test, field, value)
    if given.read_on is not None:
        test.read_on = given.read_on
    if test.lamp_hours is None and test.patches:
        test.lamp_hours = test.lamp.hours
    fit_test(test)
    with transaction.atomic():
        test.version = change(Test, room, test_id, given.version).version
        test.save()
        write(room, user, "exposure", _changed(test, given), data=said)
    return test


def _lay(planned: PairTestInput | None) -> None:
    """Refuse a test whose strips cannot be laid, before it is stored."""
    if planned is None:
        return
    try:
        pair_test(planned)
    except CoreError as error:
        error.field = f"planned.{error.field}"
        raise


def _changed(test: Test, given: TestChange) -> str:
    if given.out_reason is not None:
        why = f"no longer counts: {given.out_reason}" if given.out_reason else "counts again"
        return f"Two-way test {test.name} {why}."
    return f"Changed two-way test {test.name}: {_told(test)}."


def _told(test: Test) -> str:
    if test.pair:
        screen, image = (round(test.pair[f"{name}_seconds"]) for name in ("screen", "image"))
        return f"screen {screen} s, then image {image} s"
    if test.fault:
        return f"no pair, {test.fault['code']}"
    many = "patch" if len(test.patches) == 1 else "patches"
    return f"{len(test.patches)} {many} read" if test.patches else "to be exposed"


def make_chart(user: User, room_id: uuid.UUID, given: ChartIn) -> Chart:
    """Return the new chart; one whose steps give no curve is stored with the reason.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "expose")
    lamp = find(Lamp, room, given.lamp)
    facts = given.model_dump(mode="json", exclude={"id", "lamp", "test", "picture", "read_on"})
    chart = Chart(id=given.id, room=room, lamp=lamp, read_on=given.read_on, **facts)
    chart.test = find(Test, room, given.test) if given.test else None
    chart.picture = find(Picture, room, given.picture) if given.picture else None
    if chart.lamp_hours is None:
        chart.lamp_hours = lamp.hours
    fit_chart(chart)
    with transaction.atomic():
        stored, new = add(chart)
        if new:
            write(room, user, "exposure", f"Step chart {stored.name}: {_steps(stored)}.")
    return stored


def change_chart(user: User, room_id: uuid.UUID, chart_id: uuid.UUID, given: ChartChange) -> Chart:
    """Return the changed chart, its curve anew.

    Raises
    ------
    NotFound, NotAllowed, Stale
    """
    room = enter(user, room_id, "expose")
    chart = find(Chart, room, chart_id)
    said = said_of(given, Chart, without={"read_on", "picture"})
    for field, value in said.items():
        setattr(chart, field, value)
    if given.read_on is not None:
        chart.read_on = given.read_on
    if given.picture is not None:
        chart.picture = find(Picture, room, given.picture)
    fit_chart(chart)
    with transaction.atomic():
        chart.version = change(Chart, room, chart_id, given.version).version
        chart.save()
        write(room, user, "exposure", f"Changed step chart {chart.name}: {_steps(chart)}.",
              data=said)  # fmt: skip
    return chart


def _steps(chart: Chart) -> str:
    if chart.curve:
        light, dark = chart.curve["lightest_lstar"], chart.curve["darkest_lstar"]
        return f"{len(chart.steps)} steps, L* {light:.0f} to {dark:.0f}"
    return f"no curve, {chart.fault['code']}" if chart.fault else "to be read"
