"""The instruments' endpoints: what a keeper sees, and the one call of the instruments."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router
from ninja.security import HttpBearer

from server.accounts.session import signed_in
from server.instruments.actions.keep import change_instrument, make_instrument, replace_token
from server.instruments.actions.let_in import let_in
from server.instruments.actions.take import take_readings
from server.instruments.models import Instrument, InstrumentReading
from server.instruments.reads import instrument_out, made_out, reading_out
from server.instruments.schemas import (
    InstrumentChange,
    InstrumentIn,
    InstrumentMade,
    InstrumentOut,
    InstrumentReadingOut,
    ReadingsIn,
    ReadingsOut,
    TokenIn,
)
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["instruments"])
readings = Router(tags=["instruments"])


class TokenAuth(HttpBearer):
    """A token in the header ``Authorization: Bearer …``; its call is counted before it is read."""

    def authenticate(self, request: HttpRequest, token: str) -> str:
        """Return the token.

        Raises
        ------
        NoToken, Throttled
        """
        let_in(token)
        return token


@readings.post(
    "/instruments/readings",
    auth=TokenAuth(),
    response={200: ReadingsOut, 401: ErrorReply, 422: ErrorReply, 429: ErrorReply},
)
def post_readings(request: HttpRequest, payload: ReadingsIn) -> ReadingsOut:
    """Send readings of an instrument: up to 60 a call, up to 60 calls a minute."""
    return take_readings(str(request.auth), payload)  # type: ignore[attr-defined]


@router.get("/instruments", response={200: Page[InstrumentOut], 404: ErrorReply})
def get_instruments(
    request: HttpRequest, room: RoomId, page: PageNumber = 1
) -> Page[InstrumentOut]:
    """List the instruments with their tokens' scope and end, never the tokens."""
    place = enter(signed_in(request), room, "look")
    rows = Instrument.objects.filter(room=place).select_related("bath", "made_by")
    return page_of(rows.order_by("taken_back_at", "name", "id"), page, instrument_out)


@router.post(
    "/instruments",
    response={201: InstrumentMade, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply,
              422: ErrorReply},
)  # fmt: skip
def post_instrument(
    request: HttpRequest, room: RoomId, payload: InstrumentIn
) -> tuple[int, InstrumentMade]:
    """Make an instrument; its token is told once."""
    return 201, made_out(*make_instrument(signed_in(request), room, payload))


@router.put(
    "/instruments/{uuid:instrument}",
    response={200: InstrumentOut, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply,
              422: ErrorReply},
)  # fmt: skip
def put_instrument(
    request: HttpRequest, room: RoomId, instrument: UUID, payload: InstrumentChange
) -> InstrumentOut:
    """Change an instrument, or take its token back."""
    return instrument_out(change_instrument(signed_in(request), room, instrument, payload))


@router.post(
    "/instruments/{uuid:instrument}/token",
    response={200: InstrumentMade, 403: ErrorReply, 404: ErrorReply, 409: ErrorReply},
)
def post_token(
    request: HttpRequest, room: RoomId, instrument: UUID, payload: TokenIn
) -> InstrumentMade:
    """Replace a lost token."""
    user = signed_in(request)
    return made_out(*replace_token(user, room, instrument, payload.version))


@router.get(
    "/instruments/{uuid:instrument}/readings",
    response={200: Page[InstrumentReadingOut], 404: ErrorReply},
)
def get_instrument_readings(
    request: HttpRequest, room: RoomId, instrument: UUID, page: PageNumber = 1
) -> Page[InstrumentReadingOut]:
    """List what an instrument sent, the newest first, believed or not."""
    found = find(Instrument, enter(signed_in(request), room, "look"), instrument)
    return page_of(InstrumentReading.objects.filter(instrument=found), page, reading_out)
