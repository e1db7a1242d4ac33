"""The baths' shelf, and a bath's page."""

from __future__ import annotations

import time
from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.baths.models import Bath
from server.baths.reads import bath_out
from server.baths.schemas import BathChange, BathOut
from server.overview.actions.correct_bath import correct_bath
from server.overview.bath_page import bath_page
from server.overview.bath_schemas import BathPage, Shelf
from server.overview.bath_shelf import shelf
from server.replies.errors import ErrorReply
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["baths"])


@router.get("/baths/shelf", response={200: Shelf, 404: ErrorReply})
def get_shelf(request: HttpRequest, room: RoomId) -> Shelf:
    """Show all baths beside each other: which can be used now."""
    return shelf(enter(signed_in(request), room, "look"), time.time())


@router.get("/baths/{uuid:bath}/page", response={200: BathPage, 404: ErrorReply})
def get_bath_page(request: HttpRequest, room: RoomId, bath: UUID) -> BathPage:
    """Show a bath through its life: speed, load, temperature, and what bit in it."""
    place = enter(signed_in(request), room, "look")
    return bath_page(find(Bath, place, bath), time.time())


@router.get("/baths/{uuid:bath}", response={200: BathOut, 404: ErrorReply})
def get_bath(request: HttpRequest, room: RoomId, bath: UUID) -> BathOut:
    """Show a bath as it stands."""
    return bath_out(find(Bath, enter(signed_in(request), room, "look"), bath))


@router.put(
    "/baths/{uuid:bath}",
    response={200: BathOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_bath(request: HttpRequest, room: RoomId, bath: UUID, payload: BathChange) -> BathOut:
    """Change a bath."""
    return bath_out(correct_bath(signed_in(request), room, bath, payload))
