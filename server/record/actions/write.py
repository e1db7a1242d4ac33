"""Write an entry into the record."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from django.utils import timezone

from server.accounts.models import User
from server.record.models import Entry
from server.rooms.models import Room, RoomThing


def write(
    room: Room,
    user: User | None,
    kind: str,
    text: str,
    *,
    plate: RoomThing | None = None,
    data: dict[str, Any] | None = None,
    at: datetime | None = None,
    entry_id: uuid.UUID | None = None,
) -> Entry:
    """Return the new entry; call it inside the transaction of the change it tells of."""
    return Entry.objects.create(
        id=entry_id or uuid.uuid4(),
        room=room,
        plate_id=plate.id if plate else None,
        at=at or timezone.now(),
        by=user,
        kind=kind,
        text=text,
        data=data or {},
    )
