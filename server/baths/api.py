"""The baths' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Query, Router

from server.accounts.session import signed_in
from server.baths.actions.keep import (
    make_bath,
    read_bath,
    refresh_bath,
    take_back_reading,
)
from server.baths.heat import heat_of
from server.baths.models import Bath, BathReading
from server.baths.reads import bath_out, reading_out
from server.baths.schemas import (
    BathHeatAsk,
    BathHeatOut,
    BathIn,
    BathOut,
    ReadingChange,
    ReadingIn,
    ReadingOut,
    RefreshIn,
)
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["baths"])


@router.get("/baths", response={200: Page[BathOut], 404: ErrorReply})
def get_baths(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[BathOut]:
    """List the baths of the room, those in use first."""
    place = enter(signed_in(request), room, "look")
    rows = Bath.objects.filter(room=place).order_by("retired", "name")
    return page_of(rows, page, bath_out)


@router.post(
    "/baths",
    response={201: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_bath(request: HttpRequest, room: RoomId, payload: BathIn) -> tuple[int, BathOut]:
    """Make up a bath."""
    return 201, bath_out(make_bath(signed_in(request), room, payload))


@router.get(
    "/baths/{uuid:bath}/heat", response={200: BathHeatOut, 404: ErrorReply, 422: ErrorReply}
)
def get_heat(
    request: HttpRequest, room: RoomId, bath: UUID, asked: Query[BathHeatAsk]
) -> BathHeatOut:
    """Tell how warm a bath will be."""
    return heat_of(find(Bath, enter(signed_in(request), room, "look"), bath), asked)


@router.post(
    "/baths/{uuid:bath}/refreshes",
    response={201: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_refresh(
    request: HttpRequest, room: RoomId, bath: UUID, payload: RefreshIn
) -> tuple[int, BathOut]:
    """Replace a part of a bath by new."""
    return 201, bath_out(refresh_bath(signed_in(request), room, bath, payload))


@router.put(
    "/baths/{uuid:bath}/readings/{uuid:reading}",
    response={200: BathOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def put_reading(
    request: HttpRequest, room: RoomId, bath: UUID, reading: UUID, payload: ReadingChange
) -> BathOut:
    """Take a reading or a refresh back, or put it back."""
    user = signed_in(request)
    return bath_out(take_back_reading(user, room, bath, reading, payload.taken_back))


@router.get("/baths/{uuid:bath}/readings", response={200: Page[ReadingOut], 404: ErrorReply})
def get_readings(
    request: HttpRequest, room: RoomId, bath: UUID, page: PageNumber = 1
) -> Page[ReadingOut]:
    """List a bath's readings, newest first."""
    found = find(Bath, enter(signed_in(request), room, "look"), bath)
    rows = BathReading.objects.filter(bath=found, instrument=None).select_related("by")
    return page_of(rows, page, reading_out)


@router.post(
    "/baths/{uuid:bath}/readings", response={201: BathOut, 404: ErrorReply, 422: ErrorReply}
)
def post_reading(
    request: HttpRequest, room: RoomId, bath: UUID, payload: ReadingIn
) -> tuple[int, BathOut]:
    """Log a reading."""
    return 201, bath_out(read_bath(signed_in(request), room, bath, payload))
