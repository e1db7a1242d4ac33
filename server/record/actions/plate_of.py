"""The plate that an entry is about."""

from __future__ import annotations

import uuid

from server.record.models import Entry
from server.rooms.models import Room, RoomThing
from server.rooms.permissions import find


def plate_of(room: Room, plate_id: uuid.UUID) -> RoomThing:
    """Return a plate of this room, by the entry's own relation: the record lies below the plates.

    Raises
    ------
    NotFound
        Unknown, or of another room.
    """
    plates: type[RoomThing] = Entry._meta.get_field("plate").related_model  # type: ignore[assignment]
    return find(plates, room, plate_id)
