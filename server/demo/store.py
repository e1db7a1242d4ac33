"""Keep a picture that was drawn by code."""

from __future__ import annotations

import uuid

from django.core.files.uploadedfile import SimpleUploadedFile

from server.accounts.models import User
from server.files.actions.store import store_picture
from server.rooms.models import Room


def keep_drawn(user: User, room: Room, picture_id: uuid.UUID, name: str, data: bytes) -> uuid.UUID:
    """Return the id of the stored picture."""
    return store_picture(user, room.id, picture_id, SimpleUploadedFile(name, data)).id
