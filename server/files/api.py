"""Pictures: upload, and serve through permission only."""

from __future__ import annotations

from datetime import datetime
from pathlib import Path
from uuid import UUID

from django.conf import settings
from django.http import FileResponse, HttpRequest
from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile

from server.accounts.session import signed_in
from server.files.actions.store import store_picture
from server.files.models import Picture
from server.replies.errors import ErrorReply
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["files"])


class PictureOut(Schema):
    """A stored picture."""

    id: UUID
    name: str
    content_type: str
    bytes: int
    width_px: int
    height_px: int
    sha256: str
    created_at: datetime


@router.post(
    "/files",
    response={201: PictureOut, 404: ErrorReply, 413: ErrorReply, 422: ErrorReply},
)
def post_file(
    request: HttpRequest, room: RoomId, id: Form[UUID], file: File[UploadedFile]
) -> tuple[int, Picture]:
    """Upload a picture."""
    return 201, store_picture(signed_in(request), room, id, file)


@router.get("/files/{uuid:picture}", response={200: None, 404: ErrorReply})
def get_file(request: HttpRequest, room: RoomId, picture: UUID) -> FileResponse:
    """Show a picture, without its metadata."""
    found = find(Picture, enter(signed_in(request), room, "look"), picture)
    return _served(found.shown, "image/jpeg", f"{found.id}.jpg", attachment=False)


@router.get("/files/{uuid:picture}/original", response={200: None, 404: ErrorReply})
def get_original(request: HttpRequest, room: RoomId, picture: UUID) -> FileResponse:
    """Download the picture as it came."""
    found = find(Picture, enter(signed_in(request), room, "look"), picture)
    return _served(found.original, found.content_type, found.name, attachment=True)


def _served(path: str, content_type: str, name: str, *, attachment: bool) -> FileResponse:
    file = (Path(settings.MEDIA_ROOT) / path).open("rb")
    reply = FileResponse(file, content_type=content_type, filename=name, as_attachment=attachment)
    reply["Cache-Control"] = "private, max-age=86400, immutable"
    reply["Content-Security-Policy"] = "default-src 'none'; sandbox"
    return reply
