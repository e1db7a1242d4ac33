"""The record's endpoints."""

from __future__ import annotations

import csv
import io
from uuid import UUID

from django.db.models import Q, QuerySet
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from server.accounts.session import signed_in
from server.record.actions.note import add_note
from server.record.actions.plate_of import plate_of
from server.record.models import Entry
from server.record.reads import entries_with_corrections, entry_out
from server.record.schemas import EntryOut, NoteIn
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.models import Room
from server.rooms.path import RoomId
from server.rooms.permissions import enter

router = Router(tags=["record"])

FORMULAS = ("=", "+", "-", "@", "\t", "\r")
"""What a cell must not begin with."""


@router.get("/record", response={200: Page[EntryOut], 404: ErrorReply})
def list_entries(
    request: HttpRequest,
    room: RoomId,
    plate: UUID | None = None,
    search: str = Query("", max_length=200),
    page: PageNumber = 1,
) -> Page[EntryOut]:
    """List the record, newest first."""
    place = enter(signed_in(request), room, "look")
    entries = entries_with_corrections(_entries(place, plate, search))
    return page_of(entries, page, entry_out)


@router.get("/record.csv", response={200: None, 404: ErrorReply})
def export_entries(request: HttpRequest, room: RoomId, plate: UUID | None = None) -> HttpResponse:
    """Export the record as CSV, oldest first."""
    place = enter(signed_in(request), room, "look")
    text = io.StringIO()
    writer = csv.writer(text)
    writer.writerow(["at", "by", "kind", "plate", "text"])
    entries = _entries(place, plate, "").select_related("plate").reverse()
    for entry in entries.iterator():
        by, of = entry.by.name if entry.by else "", entry.plate.name if entry.plate else ""
        cells = [entry.at.isoformat(), by, entry.kind, of, entry.text]
        writer.writerow([_safe_cell(cell) for cell in cells])
    reply = HttpResponse(text.getvalue(), content_type="text/csv; charset=utf-8")
    reply["Content-Disposition"] = 'attachment; filename="record.csv"'
    return reply


def _safe_cell(text: str) -> str:
    """Keep a spreadsheet from taking a note for a formula."""
    return "'" + text if text[:1] in FORMULAS else text


@router.post("/record", response={201: EntryOut, 404: ErrorReply, 422: ErrorReply})
def write_note(request: HttpRequest, room: RoomId, payload: NoteIn) -> tuple[int, EntryOut]:
    """Add a note or a correction."""
    return 201, entry_out(add_note(signed_in(request), room, payload))


def _entries(room: Room, plate: UUID | None, search: str) -> QuerySet[Entry]:
    entries = Entry.objects.filter(room=room).select_related("by", "plate")
    if plate is not None:
        entries = entries.filter(plate_id=plate_of(room, plate).id)
    if search:
        entries = entries.filter(Q(text__icontains=search) | Q(kind__icontains=search))
    return entries
