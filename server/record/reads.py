"""Entries as they are shown."""

from __future__ import annotations

from django.db.models import Exists, OuterRef, QuerySet

from server.record.models import Entry
from server.record.schemas import EntryOut


def entries_with_corrections(entries: QuerySet[Entry]) -> QuerySet[Entry]:
    """Return entries with what they correct, and whether they were corrected, in one query."""
    later = Entry.objects.filter(corrects=OuterRef("pk"))
    return entries.select_related("by", "plate", "corrects").annotate(corrected=Exists(later))


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
        corrects_text=entry.corrects.text if entry.corrects else "",
        corrected=getattr(entry, "corrected", False),
    )
