"""The timers' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter
from server.timers.actions.keep import end_timer, start_timer
from server.timers.models import Timer
from server.timers.reads import timer_out
from server.timers.schemas import TimerIn, TimerOut

router = Router(tags=["timers"])


@router.get("/timers", response={200: Page[TimerOut], 404: ErrorReply})
def get_timers(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[TimerOut]:
    """List the timers that are not ended, the oldest first."""
    place = enter(signed_in(request), room, "look")
    rows = Timer.objects.filter(room=place, ended_at=None).select_related("plate", "by")
    return page_of(rows.order_by("started_at"), page, timer_out)


@router.post("/timers", response={201: TimerOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_timer(request: HttpRequest, room: RoomId, payload: TimerIn) -> tuple[int, TimerOut]:
    """Start a timer."""
    return 201, timer_out(start_timer(signed_in(request), room, payload))


@router.post("/timers/{uuid:timer}/end", response={200: TimerOut, 404: ErrorReply})
def post_timer_end(request: HttpRequest, room: RoomId, timer: UUID) -> TimerOut:
    """End a timer."""
    return timer_out(end_timer(signed_in(request), room, timer))
