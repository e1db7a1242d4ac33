"""Give numbers to sheets that were signed: under one lock, so that none comes twice."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime

from core.events.sheet_state import WorkSheet
from core.printing.numbering import NUMBERED, Number, Signed, give_numbers, label_of
from server.accounts.models import User
from server.events.models import Event
from server.record.actions.write import write
from server.works.layers import decided_of, layers_out, things_of
from server.works.models import Layering, SignedSheet
from server.works.rows import SheetRows, may_be_numbered, most_of, rows_of
from server.works.state import work_state_of


def number_waiting(user: User, row: Layering) -> None:
    """Give numbers to all sheets that were signed and have none; the work's row is locked."""
    decided = decided_of(row)
    _, layers = layers_out(decided, things_of(row, decided))
    _number(user, row, rows_of(row, decided, layers, work_state_of(row)))


def _number(user: User, row: Layering, rows: SheetRows) -> None:
    signed = {
        each.event: each
        for each in rows.state.sheets
        if each.series is not None and may_be_numbered(rows, each)
    }
    standing = [
        Number(each.sheet, each.series, each.number)  # type: ignore[arg-type]
        for each in rows.numbers.values()
    ]
    if rows.unique:
        fresh = [each for sheet, each in signed.items() if sheet not in rows.numbers]
        for each in fresh:
            _store(user, row, each, Number(each.event, each.series or "edition", None), rows)
        return
    asked = [
        Signed(each.event, each.series or "edition", each.printed_seconds or 0.0,
               each.signed_seconds or 0.0)
        for each in signed.values()
    ]  # fmt: skip
    for number in give_numbers(standing, asked, most_of(rows.decided), rows.decided.order):
        _store(user, row, signed[number.pull], number, rows)


def _store(user: User, row: Layering, sheet: WorkSheet, number: Number, rows: SheetRows) -> None:
    """Store one number and tell of it; who signed is who logged the signature."""
    signed = Event.objects.select_related("by")
    event = signed.filter(id=sheet.signed).first() if sheet.signed else None
    SignedSheet.objects.create(
        id=uuid.uuid5(row.id, f"sheet {sheet.event}"), room=row.room, layering=row,
        sheet=sheet.event, series=number.series, number=number.number,
        signed_at=datetime.fromtimestamp(sheet.signed_seconds or 0.0, tz=UTC),
        by=event.by if event else user, before_ok=sheet.before_ok,
    )  # fmt: skip
    if rows.unique or number.series in NUMBERED:
        label = "1/1" if rows.unique else label_of(number.series, number.number, rows.decided.size)
        write(row.room, user, "work", f"{row.work.name}: sheet {sheet.place} is {label}.")
