"""Signing in and out, and one's own units."""

from __future__ import annotations

from django.contrib.auth import logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.utils import timezone
from ninja import Router

from server.accounts.actions.sign_in import sign_in
from server.accounts.models import User
from server.accounts.schemas import Me, RoomOfUser, Session, SignIn, Units, ZoneShift
from server.accounts.session import demo_allowed, require_csrf, signed_in, whoever
from server.replies.errors import ErrorReply
from server.rooms.models import Membership
from server.rooms.zone import shifts

router = Router(tags=["session"])


@router.get("/session", auth=None, response=Session)
def get_session(request: HttpRequest) -> Session:
    """Tell who is signed in; sets the CSRF cookie."""
    get_token(request)
    user = whoever(request)
    return Session(me=_me(user) if user else None, demo=demo_allowed(request))


@router.post(
    "/session",
    auth=None,
    response={200: Session, 401: ErrorReply, 403: ErrorReply, 422: ErrorReply, 429: ErrorReply},
)
def post_session(request: HttpRequest, payload: SignIn) -> Session:
    """Sign in."""
    require_csrf(request)
    return Session(me=_me(sign_in(request, payload)), demo=demo_allowed(request))


@router.delete("/session", response={204: None})
def delete_session(request: HttpRequest) -> tuple[int, None]:
    """Sign out."""
    logout(request)
    return 204, None


@router.put("/session/units", response={200: Me, 422: ErrorReply})
def put_units(request: HttpRequest, payload: Units) -> Me:
    """Choose the units one reads in."""
    user = signed_in(request)
    user.length_unit = payload.length_unit
    user.temperature_unit = payload.temperature_unit
    user.save(update_fields=["length_unit", "temperature_unit"])
    return _me(user)


def _me(user: User) -> Me:
    now = timezone.now()
    members = Membership.objects.filter(user=user).select_related("room").order_by("room__name")
    return Me(
        id=user.id,
        name=user.name,
        sign_in=user.sign_in,
        length_unit=user.length_unit,
        temperature_unit=user.temperature_unit,
        rooms=[
            RoomOfUser(
                id=m.room.id,
                name=m.room.name,
                time_zone=m.room.time_zone,
                zone_shifts=[
                    ZoneShift(from_seconds=start, ahead_seconds=ahead)
                    for start, ahead in shifts(m.room.time_zone, now)
                ],
                role=m.role,
            )
            for m in members
        ],
    )
