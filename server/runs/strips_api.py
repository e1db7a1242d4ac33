"""The endpoints of a strip at the bath: it is shown as a run is."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.replies.errors import ErrorReply
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.runs.schemas import EndIn, RunOut
from server.runs.strip_run import strip_run_out
from server.strips.actions.end import end_strip
from server.strips.models import Strip

router = Router(tags=["strips"])


@router.get("/strips/{uuid:strip}/run", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def get_strip_run(request: HttpRequest, room: RoomId, strip: UUID) -> RunOut:
    """Show a strip at the bath: its state, its sheet, its events."""
    return strip_run_out(find(Strip, enter(signed_in(request), room, "look"), strip))


@router.post("/strips/{uuid:strip}/end", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def post_strip_end(
    request: HttpRequest, room: RoomId, strip: UUID, payload: EndIn | None = None
) -> RunOut:
    """End a strip's bites; it is then to be printed and read."""
    reason = payload.reason.strip() if payload else ""
    return strip_run_out(end_strip(signed_in(request), room, strip, reason))
