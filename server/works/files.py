"""A work's sheets as other programs take them: CSV."""

from __future__ import annotations

import csv
import io

from django.http import HttpResponse

from server.replies.cells import cell, moment
from server.works.models import Layering
from server.works.reads import work_out

CSV_HEAD = (
    "place", "label", "series", "number", "state", "begun_at", "printed_at", "layers", "left",
    "ghost", "family", "width_mm", "height_mm", "lstar", "signed_by", "differs", "reason", "note",
)  # fmt: skip


def sheets_csv(row: Layering) -> HttpResponse:
    """Return a work's sheets as CSV."""
    told = work_out(row)
    names = {each.id: each.name for each in told.layers}
    sheets = {each.event: each for each in told.state.sheets}
    text = io.StringIO()
    writer = csv.writer(text)
    writer.writerow(CSV_HEAD)
    for each in told.rows:
        own = sheets[each.sheet]
        wide, high = own.sheet_mm or (None, None)
        writer.writerow([cell(one) for one in (
            each.place, each.label, each.series, each.number, each.state,
            moment(own.began_seconds), moment(own.printed_seconds),
            "; ".join(f"{p.name} {p.state}".strip() for p in own.prints),
            "; ".join(names[layer] for layer in each.left), each.ghost,
            str(own.family or ""), wide, high, own.areas[0].lstar if own.areas else None, each.by,
            "; ".join(each.differs), each.reason,
            " ".join(note.text for note in own.notes if note.text),
        )])  # fmt: skip
    reply = HttpResponse(text.getvalue(), content_type="text/csv; charset=utf-8")
    reply["Content-Disposition"] = 'attachment; filename="sheets.csv"'
    return reply
