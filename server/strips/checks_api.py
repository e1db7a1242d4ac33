"""Checks of a bath's speed: coupons, check patches read off a strip, hydrometers."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.baths.actions.check import check_bath, take_back_check
from server.baths.models import Bath, BathCheck
from server.baths.reads import bath_out, check_out
from server.baths.schemas import (
    BathOut,
    CheckChange,
    CheckOut,
    CheckPatchIn,
    CouponIn,
    HydrometerIn,
)
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.strips.actions.check_patch import check_by_strip

router = Router(tags=["baths"])


@router.get("/baths/{uuid:bath}/checks", response={200: Page[CheckOut], 404: ErrorReply})
def get_checks(
    request: HttpRequest, room: RoomId, bath: UUID, page: PageNumber = 1
) -> Page[CheckOut]:
    """List what was measured of a bath's speed, the newest first."""
    found = find(Bath, enter(signed_in(request), room, "look"), bath)
    rows = BathCheck.objects.filter(bath=found).select_related("by").order_by("-at")
    return page_of(rows, page, check_out)


@router.post(
    "/baths/{uuid:bath}/coupons",
    response={201: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_coupon(
    request: HttpRequest, room: RoomId, bath: UUID, payload: CouponIn
) -> tuple[int, BathOut]:
    """Log a coupon."""
    return 201, bath_out(check_bath(signed_in(request), room, bath, payload))


@router.post(
    "/baths/{uuid:bath}/patches",
    response={201: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_patch(
    request: HttpRequest, room: RoomId, bath: UUID, payload: CheckPatchIn
) -> tuple[int, BathOut]:
    """Log a check patch."""
    return 201, bath_out(check_by_strip(signed_in(request), room, bath, payload))


@router.post(
    "/baths/{uuid:bath}/hydrometer",
    response={201: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_hydrometer(
    request: HttpRequest, room: RoomId, bath: UUID, payload: HydrometerIn
) -> tuple[int, BathOut]:
    """Log a reading of the hydrometer."""
    return 201, bath_out(check_bath(signed_in(request), room, bath, payload))


@router.put(
    "/baths/{uuid:bath}/checks/{uuid:check}",
    response={200: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_check(
    request: HttpRequest, room: RoomId, bath: UUID, check: UUID, payload: CheckChange
) -> BathOut:
    """Take a check back, or put it back."""
    user = signed_in(request)
    return bath_out(take_back_check(user, room, bath, check, payload.version, payload.taken_back))
