"""The runs' endpoints, and the server's clock."""

from __future__ import annotations

import time
from pathlib import Path
from uuid import UUID

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from ninja import Router

from server.accounts.session import signed_in
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.replies.errors import ErrorReply, NotFound
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.runs.actions.begin import begin_run
from server.runs.actions.end import end_run
from server.runs.models import Run
from server.runs.reads import run_out
from server.runs.schemas import Clock, EndIn, RunIn, RunOut
from server.runs.subject import RUN
from server.studies.pictures import RUN_MAP_PX, labels_png

router = Router(tags=["runs"])
clock = Router(tags=["clock"])


@clock.get("/clock", auth=None, response=Clock)
def get_clock(request: HttpRequest) -> Clock:
    """Tell this server's time, for a device to find its offset."""
    return Clock(now_ms=time.time() * 1000)


@router.get("/runs", response={200: Page[RunOut], 404: ErrorReply})
def get_runs(
    request: HttpRequest, room: RoomId, plate: UUID | None = None, page: PageNumber = 1
) -> Page[RunOut]:
    """List runs, those under way first; what was never dipped stands in the record alone."""
    place = enter(signed_in(request), room, "look")
    rows = Run.objects.filter(room=place).exclude(outcome=Run.NEVER_DIPPED)
    rows = rows.order_by("-ended_at", "-created_at")
    return page_of(rows.filter(plate=plate) if plate else rows, page, run_out)


@router.post("/runs", response={201: RunOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_run(request: HttpRequest, room: RoomId, payload: RunIn) -> tuple[int, RunOut]:
    """Begin a run."""
    return 201, run_out(begin_run(signed_in(request), room, payload))


@router.get("/runs/{uuid:run}", response={200: RunOut, 404: ErrorReply})
def get_run(request: HttpRequest, room: RoomId, run: UUID) -> RunOut:
    """Show a run: its state, its sheet, its events."""
    return run_out(find(Run, enter(signed_in(request), room, "look"), run))


@router.get("/runs/{uuid:run}/map", response={200: None, 404: ErrorReply})
def get_map(request: HttpRequest, room: RoomId, run: UUID) -> HttpResponse:
    """Show the areas of a run as they print: the value of a pixel names its area."""
    found = find(Run, enter(signed_in(request), room, "look"), run)
    if not found.map:
        raise NotFound("A map of this run")
    data = labels_png(Path(settings.MEDIA_ROOT) / found.map["path"], RUN_MAP_PX)
    reply = HttpResponse(data, content_type="image/png")
    reply["Cache-Control"] = "private, max-age=86400, immutable"
    return reply


@router.post("/runs/{uuid:run}/events", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def post_events(request: HttpRequest, room: RoomId, run: UUID, payload: EventsIn) -> RunOut:
    """Log events; those known already are passed over."""
    return run_out(log_events(signed_in(request), room, RUN, run, payload))


@router.post("/runs/{uuid:run}/end", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def post_end(request: HttpRequest, room: RoomId, run: UUID, payload: EndIn | None = None) -> RunOut:
    """End a run, or set it aside with a reason."""
    reason = payload.reason.strip() if payload else ""
    return run_out(end_run(signed_in(request), room, run, reason))
