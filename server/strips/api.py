"""The strips' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from core.tone.compare_shapes import CompareCurvesOutput
from core.tone.read_curve import read_curve
from core.tone.shapes import ReadCurveInput
from server.accounts.session import signed_in
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_at_once, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.strips.actions.keep import change_strip, make_strip
from server.strips.actions.scan import ask_to_read
from server.strips.beside import beside, curve_of
from server.strips.models import Strip
from server.strips.reads import strip_bites, strip_card, strip_out
from server.strips.schemas import (
    Answer,
    Ask,
    ReadStripIn,
    StripBites,
    StripCard,
    StripChange,
    StripIn,
    StripOut,
    WallStrip,
)
from server.strips.subject import STRIP
from server.strips.wall import wall
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["strips"])


@router.get("/strips", response={200: Page[StripCard], 404: ErrorReply})
def get_strips(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[StripCard]:
    """List the strips, newest first."""
    place = enter(signed_in(request), room, "look")
    return page_of(Strip.objects.filter(room=place).order_by("-created_at"), page, strip_card)


@router.get("/strips/wall", response={200: Page[WallStrip], 404: ErrorReply})
def get_wall(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[WallStrip]:
    """Hang the strips by ground, each with its share in today's curve."""
    place = enter(signed_in(request), room, "look")
    rows = Strip.objects.filter(room=place).select_related("picture").order_by("-created_at")
    return page_at_once(rows, page, lambda strips: wall(place, strips))


@router.post("/strips", response={201: StripOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_strip(request: HttpRequest, room: RoomId, payload: StripIn) -> tuple[int, StripOut]:
    """Store a strip."""
    return 201, strip_out(make_strip(signed_in(request), room, payload))


@router.post(
    "/strips/scans", response={202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply}
)
def post_strip_scan(
    request: HttpRequest, room: RoomId, payload: ReadStripIn
) -> tuple[int, TaskOut]:
    """Read the patches of a stored scan, as a task; nothing is kept but its answer."""
    return 202, task_out(ask_to_read(signed_in(request), room, payload))


@router.get("/strips/{uuid:strip}", response={200: StripOut, 404: ErrorReply})
def get_strip(request: HttpRequest, room: RoomId, strip: UUID) -> StripOut:
    """Show a strip with its curve."""
    return strip_out(find(Strip, enter(signed_in(request), room, "look"), strip))


@router.put(
    "/strips/{uuid:strip}",
    response={200: StripOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_strip(request: HttpRequest, room: RoomId, strip: UUID, payload: StripChange) -> StripOut:
    """Change a strip."""
    return strip_out(change_strip(signed_in(request), room, strip, payload))


@router.post("/strips/{uuid:strip}/ask", response={200: Answer, 404: ErrorReply, 422: ErrorReply})
def post_ask(request: HttpRequest, room: RoomId, strip: UUID, payload: Ask) -> Answer:
    """Ask a strip both ways: the time for a tone, the tone for a time."""
    place = enter(signed_in(request), room, "look")
    found = find(Strip, place, strip)
    bath = find(Bath, place, payload.bath) if payload.bath else None
    curve = curve_of(found)
    given = ReadCurveInput(
        curve=curve,
        bath=bath_facts(bath, against=curve) if bath else None,
        lstar=payload.lstar,
        seconds=payload.seconds,
    )
    return Answer(points=read_curve(given).points)


@router.get(
    "/strips/{uuid:strip}/beside/{uuid:other}",
    response={200: CompareCurvesOutput, 404: ErrorReply, 422: ErrorReply},
)
def get_beside(request: HttpRequest, room: RoomId, strip: UUID, other: UUID) -> CompareCurvesOutput:
    """Compare two strips: as bitten, and in the first one's bath."""
    place = enter(signed_in(request), room, "look")
    return beside(find(Strip, place, strip), find(Strip, place, other))


@router.get("/strips/{uuid:strip}/bites", response={200: StripBites, 404: ErrorReply})
def get_strip_bites(request: HttpRequest, room: RoomId, strip: UUID) -> StripBites:
    """Show a strip at the bath: its dips, and the patch times that follow."""
    return strip_bites(find(Strip, enter(signed_in(request), room, "look"), strip))


@router.post(
    "/strips/{uuid:strip}/events", response={200: StripBites, 404: ErrorReply, 422: ErrorReply}
)
def post_strip_events(
    request: HttpRequest, room: RoomId, strip: UUID, payload: EventsIn
) -> StripBites:
    """Log events of a strip; those known already are passed over."""
    return strip_bites(log_events(signed_in(request), room, STRIP, strip, payload))
