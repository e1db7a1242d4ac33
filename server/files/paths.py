"""Where a room's pictures lie."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings

from server.files.models import Picture
from server.rooms.models import Room
from server.rooms.permissions import find


def on_disk(room: Room, picture_id: str | uuid.UUID) -> str:
    """Return the path of a picture's original.

    Raises
    ------
    NotFound
        Of another room, or unknown.
    """
    picture = find(Picture, room, uuid.UUID(str(picture_id)))
    return str(Path(settings.MEDIA_ROOT) / picture.original)
