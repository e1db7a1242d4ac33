"""Entries as they are shown."""

from __future__ import annotations

from server.record.models import Entry
from server.record.schemas import EntryOut


def entry_out(entry: Entry) -> EntryOut:
    """Return an entry as it is shown."""
    return EntryOut(
        id=entry.id,
        plate=entry.plate_id,
        plate_name=entry.plate.name if entry.plate else "",
        at=entry.at,
        by=entry.by.name if entry.by else None,
        kind=entry.kind,
        text=entry.text,
        data=entry.data,
        corrects=entry.corrects_id,
    )
