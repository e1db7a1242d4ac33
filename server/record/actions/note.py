"""Add a note, or a correction that names the old entry."""

from __future__ import annotations

import uuid

from django.db import transaction
from django.utils import timezone

from server.accounts.models import User
from server.record.actions.plate_of import plate_of
from server.record.models import Entry
from server.record.schemas import NoteIn
from server.replies.errors import NotFound, Stale
from server.rooms.permissions import add, enter


@transaction.atomic
def add_note(user: User, room_id: uuid.UUID, given: NoteIn) -> Entry:
    """Return the stored note; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed
    Stale
        The id is another entry's, or somebody corrected the entry meanwhile.
    """
    room = enter(user, room_id, "write the record")
    plate = plate_of(room, given.plate) if given.plate else None
    old = Entry.objects.filter(room=room, id=given.corrects).first() if given.corrects else None
    if given.corrects and old is None:
        raise NotFound("That entry")
    if old is not None:
        _check_stands(old, given)
    about = plate or (old.plate if old else None)
    entry, _ = add(
        Entry(
            id=given.id, room=room, by=user, at=timezone.now(), text=given.text, corrects=old,
            kind="correction" if old else "note", plate_id=about.id if about else None,
        )
    )  # fmt: skip
    if entry.kind not in ("note", "correction"):
        raise Stale("id-taken", "That id is another entry's. Make a new one.", field="id")
    return entry


def _check_stands(old: Entry, given: NoteIn) -> None:
    """Refuse to correct what was corrected: then the correction is what stands."""
    later = Entry.objects.filter(corrects=old).exclude(id=given.id).order_by("at").first()
    if later is not None:
        who = later.by.name if later.by else "Somebody"
        raise Stale(
            "corrected-meanwhile",
            f"{who} corrected this meanwhile: “{later.text}” Yours is kept here; correct that "
            "entry if it is not right either.",
            field="corrects", value=str(old.id), allowed=str(later.id),
        )  # fmt: skip
