"""Add a note, or a correction that names the old entry."""

from __future__ import annotations

import uuid

from django.db import transaction

from server.accounts.models import User
from server.record.actions.plate_of import plate_of
from server.record.actions.write import write
from server.record.models import Entry
from server.record.schemas import NoteIn
from server.replies.errors import NotFound
from server.rooms.permissions import enter


@transaction.atomic
def add_note(user: User, room_id: uuid.UUID, given: NoteIn) -> Entry:
    """Return the stored note; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "write the record")
    before = Entry.objects.filter(room=room, id=given.id).first()
    if before is not None:
        return before
    plate = plate_of(room, given.plate) if given.plate else None
    old = Entry.objects.filter(room=room, id=given.corrects).first() if given.corrects else None
    if given.corrects and old is None:
        raise NotFound("That entry")
    kind = "correction" if old else "note"
    return write(
        room, user, kind, given.text, plate=plate or (old.plate if old else None),
        entry_id=given.id, corrects=old,
    )  # fmt: skip
