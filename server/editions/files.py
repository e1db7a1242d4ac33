"""Editions and damp paper as other programs take them: CSV and iCalendar."""

from __future__ import annotations

import csv
import io
from datetime import UTC, datetime, timedelta

from django.http import HttpResponse
from icalendar import Alarm, Calendar, Event

from core.events.pull_state import PaperBatch
from server.editions.reads import edition_out
from server.plates.models import Plate
from server.pulls.state import pull_state_of
from server.replies.cells import cell, moment

CSV_HEAD = (
    "place", "label", "series", "number", "state", "pulled_at", "signed_at", "signed_by",
    "passes", "quarters", "damp_minutes", "lstar", "spread", "off_lstar", "reason", "note",
)  # fmt: skip
_BEFORE = timedelta(minutes=5)


def edition_csv(plate: Plate) -> HttpResponse:
    """Return an edition's rows as CSV."""
    text = io.StringIO()
    writer = csv.writer(text)
    writer.writerow(CSV_HEAD)
    for row in edition_out(plate).rows:
        writer.writerow([cell(each) for each in (
            row.place, row.label, row.series, row.number, row.state, moment(row.at_seconds),
            moment(row.signed_seconds), row.by, row.passes, row.quarters,
            None if row.damp_seconds is None else round(row.damp_seconds / 60, 1), row.lstar,
            row.spread, row.off_lstar, row.reason, row.note,
        )])  # fmt: skip
    return _file(text.getvalue(), "text/csv", "edition.csv")


def paper_calendar(plate: Plate) -> HttpResponse:
    """Return when a plate's paper is ready and must be out, with alarms, as iCalendar."""
    calendar = Calendar()
    calendar.add("prodid", "-//Keen Bite//paper//EN")
    calendar.add("version", "2.0")
    for batch in pull_state_of(plate).batches:
        if batch.left:
            calendar.add_component(_entry(plate, batch, "ready", batch.ready_seconds))
            calendar.add_component(_entry(plate, batch, "out by", batch.latest_seconds))
    return _file(calendar.to_ical().decode(), "text/calendar", "paper.ics")


def _entry(plate: Plate, batch: PaperBatch, what: str, at_seconds: float) -> Event:
    at = datetime.fromtimestamp(at_seconds, tz=UTC)
    entry = Event()
    name = batch.name or "Paper"
    whose = f", {batch.whose}" if batch.whose else ""
    entry.add("uid", f"{batch.event}-{what.replace(' ', '-')}@keen-bite")
    entry.add("summary", f"{name} {what} ({plate.name}{whose})")
    entry.add("dtstamp", datetime.fromtimestamp(batch.at_seconds, tz=UTC))
    entry.add("dtstart", at)
    entry.add("dtend", at + _BEFORE)
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", f"{name} {what}")
    alarm.add("trigger", -_BEFORE if what == "out by" else timedelta())
    entry.add_component(alarm)
    return entry


def _file(text: str, kind: str, name: str) -> HttpResponse:
    reply = HttpResponse(text, content_type=f"{kind}; charset=utf-8")
    reply["Content-Disposition"] = f'attachment; filename="{name}"'
    return reply
