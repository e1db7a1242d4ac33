"""Rooms, members and links."""

from __future__ import annotations

from uuid import UUID

from django.contrib.auth import login
from django.http import HttpRequest
from ninja import Router

from server.accounts.session import require_csrf, signed_in
from server.members.actions.hand_link import (
    make_link,
    open_link,
    open_links,
    take_back_link,
    use_link,
)
from server.members.actions.keep import let_go, make_room, set_role
from server.members.schemas import (
    LinkIn,
    LinkInfo,
    LinkOut,
    LinkUse,
    MemberOut,
    OpenLink,
    RoleIn,
    RoomIn,
    RoomOut,
)
from server.replies.errors import ErrorReply
from server.rooms.models import Membership
from server.rooms.permissions import enter

router = Router(tags=["rooms"])
links = Router(tags=["links"])


@router.post("/rooms", response={201: RoomOut, 409: ErrorReply, 422: ErrorReply})
def post_room(request: HttpRequest, payload: RoomIn) -> tuple[int, RoomOut]:
    """Make a print room."""
    room = make_room(signed_in(request), payload)
    return 201, RoomOut(id=room.id, name=room.name, time_zone=room.time_zone)


@router.get("/rooms/{uuid:room}/members", response={200: list[MemberOut], 404: ErrorReply})
def get_members(request: HttpRequest, room: UUID) -> list[MemberOut]:
    """List a room's members."""
    place = enter(signed_in(request), room, "look")
    members = Membership.objects.filter(room=place).select_related("user").order_by("user__name")
    return [_member_out(member) for member in members]


@router.put(
    "/rooms/{uuid:room}/members/{uuid:member}",
    response={200: MemberOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def put_member(request: HttpRequest, room: UUID, member: UUID, payload: RoleIn) -> MemberOut:
    """Change a member's role."""
    return _member_out(set_role(signed_in(request), room, member, payload))


@router.delete(
    "/rooms/{uuid:room}/members/{uuid:member}",
    response={204: None, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def delete_member(request: HttpRequest, room: UUID, member: UUID) -> tuple[int, None]:
    """Take a member out of the room."""
    let_go(signed_in(request), room, member)
    return 204, None


@router.post(
    "/rooms/{uuid:room}/links",
    response={201: LinkOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def post_link(request: HttpRequest, room: UUID, payload: LinkIn) -> tuple[int, LinkOut]:
    """Make a link to hand over."""
    link, token = make_link(signed_in(request), room, payload)
    return 201, LinkOut(path=f"/link/{token}", expires_at=link.expires_at)


@router.get(
    "/rooms/{uuid:room}/links",
    response={200: list[OpenLink], 403: ErrorReply, 404: ErrorReply},
)
def get_links(request: HttpRequest, room: UUID) -> list[OpenLink]:
    """List the links that can still be used."""
    place = enter(signed_in(request), room, "keep members")
    return [
        OpenLink(
            id=link.id, kind=link.kind, role=link.role, name=link.user.name if link.user else "",
            made_by=link.made_by.name, expires_at=link.expires_at,
        )
        for link in open_links(place)
    ]  # fmt: skip


@router.delete(
    "/rooms/{uuid:room}/links/{uuid:link}",
    response={204: None, 403: ErrorReply, 404: ErrorReply},
)
def delete_link(request: HttpRequest, room: UUID, link: UUID) -> tuple[int, None]:
    """Take a link back."""
    take_back_link(signed_in(request), room, link)
    return 204, None


@links.get("/links/{token}", auth=None, response={200: LinkInfo, 404: ErrorReply})
def get_link(request: HttpRequest, token: str) -> LinkInfo:
    """Tell what a link is for."""
    link = open_link(token)
    return LinkInfo(
        kind=link.kind,
        room=link.room.name,
        role=link.role,
        name=link.user.name if link.user else "",
    )


@links.post(
    "/links/{token}",
    auth=None,
    response={204: None, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def post_use(request: HttpRequest, token: str, payload: LinkUse) -> tuple[int, None]:
    """Use a link, and be signed in."""
    require_csrf(request)
    user = use_link(token, payload)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return 204, None


def _member_out(member: Membership) -> MemberOut:
    user = member.user
    return MemberOut(user=user.id, name=user.name, sign_in=user.sign_in, role=member.role)
