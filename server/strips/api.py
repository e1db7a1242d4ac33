"""The strips' endpoints."""

from __future__ import annotations

from typing import Any
from uuid import UUID

import numpy as np
from django.http import HttpRequest
from ninja import Query, Router

from core.data.mordants import MORDANTS
from core.line.shapes import MeasuredLine
from core.tone.read_curve import read_curve
from core.tone.shapes import Conditions, Curve, CurvePoint, ReadCurveInput
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.config.errors import BadValue, ErrorBody, ErrorReply
from server.config.paging import Page, page_of
from server.config.session import signed_in
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.strips.actions.keep import change_strip, make_strip
from server.strips.models import Strip
from server.strips.schemas import (
    Answer,
    Ask,
    StripCard,
    StripChange,
    StripIn,
    StripOut,
    StripPatch,
)

router = Router(tags=["strips"])
LINE_POINTS = 28
FIRST_SECONDS = 8.0


@router.get("/strips", response={200: Page[StripCard], 404: ErrorReply})
def get_strips(request: HttpRequest, room: RoomId, page: int = Query(1, ge=1)) -> Page[StripCard]:
    """List the strips, newest first."""
    place = enter(signed_in(request), room, "look")
    return page_of(Strip.objects.filter(room=place).order_by("-created_at"), page, _card)


@router.post("/strips", response={201: StripOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_strip(request: HttpRequest, room: RoomId, payload: StripIn) -> tuple[int, StripOut]:
    """Store a strip."""
    return 201, _out(make_strip(signed_in(request), room, payload))


@router.get("/strips/{uuid:strip}", response={200: StripOut, 404: ErrorReply})
def get_strip(request: HttpRequest, room: RoomId, strip: UUID) -> StripOut:
    """Show a strip with its curve."""
    return _out(find(Strip, enter(signed_in(request), room, "look"), strip))


@router.put(
    "/strips/{uuid:strip}",
    response={200: StripOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_strip(request: HttpRequest, room: RoomId, strip: UUID, payload: StripChange) -> StripOut:
    """Change a strip."""
    return _out(change_strip(signed_in(request), room, strip, payload))


@router.post("/strips/{uuid:strip}/ask", response={200: Answer, 404: ErrorReply, 422: ErrorReply})
def post_ask(request: HttpRequest, room: RoomId, strip: UUID, payload: Ask) -> Answer:
    """Ask a strip both ways: the time for a tone, the tone for a time."""
    place = enter(signed_in(request), room, "look")
    found = find(Strip, place, strip)
    bath = find(Bath, place, payload.bath) if payload.bath else None
    if found.curve is None:
        raise BadValue("no-curve", "This strip gives no curve yet. See why on its page.")
    given = ReadCurveInput(
        curve=Curve.model_validate(found.curve),
        bath=bath_facts(bath) if bath else None,
        lstar=payload.lstar,
        seconds=payload.seconds,
    )
    return Answer(points=read_curve(given).points)


def _card(strip: Strip) -> StripCard:
    return StripCard(**_card_facts(strip))


def _card_facts(strip: Strip) -> dict[str, Any]:
    mordant = strip.conditions["mordant"]
    fit = strip.fit or {}
    outliers = sum(1 for patch in fit.get("patches", []) if patch["outlier"])
    return {
        "id": strip.id,
        "name": strip.name,
        "ground": strip.ground,
        "metal": strip.metal,
        "mordant": mordant,
        "mordant_label": MORDANTS[mordant].label,
        "patches": len(strip.patches),
        "left_out": outliers + sum(1 for p in strip.patches if p.get("left_out")),
        "usable": strip.curve is not None,
        "lines": len(strip.lines),
        "read_on": strip.read_on,
        "lightest_lstar": fit.get("lightest_lstar"),
        "darkest_lstar": fit.get("darkest_lstar"),
    }


def _out(strip: Strip) -> StripOut:
    return StripOut(
        **_card_facts(strip),
        bitten=strip.bitten,
        conditions=Conditions.model_validate(strip.conditions),
        readings=[StripPatch(**patch) for patch in strip.patches],
        measured=[MeasuredLine(**line) for line in strip.lines],
        note=strip.note,
        fit=strip.fit,
        fault=ErrorBody(**strip.fault) if strip.fault else None,
        line=_line(strip),
        created_at=strip.created_at,
        version=strip.version,
    )


def _line(strip: Strip) -> list[CurvePoint]:
    if strip.curve is None:
        return []
    curve = Curve.model_validate(strip.curve)
    seconds = np.geomspace(FIRST_SECONDS, curve.valid_to_seconds, LINE_POINTS).round(1)
    return read_curve(ReadCurveInput(curve=curve, seconds=seconds.tolist())).points
