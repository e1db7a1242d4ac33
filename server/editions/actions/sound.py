"""Keep notes spoken at the press: checked by content, served with permission."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings
from django.core.files.uploadedfile import UploadedFile
from django.http import FileResponse
from ninja import Schema

from server.accounts.models import User
from server.plates.models import Plate
from server.pulls.models import Sound
from server.replies.door import too_large
from server.replies.errors import BadValue
from server.rooms.permissions import add, enter, find

MOST_BYTES = 4_000_000
"""Ten minutes as devices record speech."""
_BEGINS = {
    "audio/webm": (b"\x1aE\xdf\xa3",), "audio/ogg": (b"OggS",), "audio/wav": (b"RIFF",),
    "audio/mp4": (b"ftyp",),
}  # fmt: skip
_WITHIN = 12


class SoundOut(Schema):
    """A stored note."""

    id: uuid.UUID
    content_type: str
    bytes: int


def store_sound(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, sound_id: uuid.UUID, upload: UploadedFile
) -> SoundOut:
    """Return the stored note; sent twice it is stored once.

    Raises
    ------
    NotFound, NotAllowed, Stale, TooLarge
    BadValue
        Nothing that a device records speech as.
    """
    room = enter(user, room_id, "print")
    plate = find(Plate, room, plate_id)
    if (upload.size or 0) > MOST_BYTES:
        raise too_large(upload.size, MOST_BYTES)
    content = upload.read()
    path = Path(str(room.id)) / "sounds" / str(sound_id)
    kind = _kind(content)
    sound = Sound(id=sound_id, room=room, plate=plate, content_type=kind, bytes=len(content),
                  path=str(path), by=user)  # fmt: skip
    stored, new = add(sound)
    if new:
        whole = Path(settings.MEDIA_ROOT) / path
        whole.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        whole.write_bytes(content)
    return SoundOut(id=stored.id, content_type=stored.content_type, bytes=stored.bytes)


def _kind(content: bytes) -> str:
    head = content[:_WITHIN]
    for kind, begins in _BEGINS.items():
        if any(head.startswith(each) or (kind == "audio/mp4" and each in head) for each in begins):
            return kind
    raise BadValue("not-a-sound", "That file is no recording that can be kept.", field="file",
                   allowed="WebM, Ogg, WAV or MP4 sound")  # fmt: skip


def served_sound(sound: Sound) -> FileResponse:
    """Return a note to be played."""
    file = (Path(settings.MEDIA_ROOT) / sound.path).open("rb")
    reply = FileResponse(file, content_type=sound.content_type)
    reply["Cache-Control"] = "private, max-age=86400, immutable"
    reply["Content-Security-Policy"] = "default-src 'none'; sandbox"
    return reply
