"""The baths' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Query, Router

from core.data.mordants import MORDANTS
from core.kinetics.bath import bath_speed
from core.safety.cautions import cautions_for
from core.tone.table import band
from server.baths.actions.facts import bath_facts
from server.baths.actions.keep import change_bath, make_bath, read_bath
from server.baths.models import Bath, BathReading
from server.baths.schemas import BathChange, BathIn, BathOut, ReadingIn, ReadingOut
from server.config.errors import ErrorReply
from server.config.paging import Page, page_of
from server.config.session import signed_in
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["baths"])
DRAWS = 200


@router.get("/baths", response={200: Page[BathOut], 404: ErrorReply})
def get_baths(request: HttpRequest, room: RoomId, page: int = Query(1, ge=1)) -> Page[BathOut]:
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
    return bath_out(change_bath(signed_in(request), room, bath, payload))


@router.get("/baths/{uuid:bath}/readings", response={200: Page[ReadingOut], 404: ErrorReply})
def get_readings(
    request: HttpRequest, room: RoomId, bath: UUID, page: int = Query(1, ge=1)
) -> Page[ReadingOut]:
    """List a bath's readings, newest first."""
    found = find(Bath, enter(signed_in(request), room, "look"), bath)
    rows = BathReading.objects.filter(bath=found).select_related("by")
    return page_of(rows, page, _reading_out)


@router.post(
    "/baths/{uuid:bath}/readings", response={201: BathOut, 404: ErrorReply, 422: ErrorReply}
)
def post_reading(
    request: HttpRequest, room: RoomId, bath: UUID, payload: ReadingIn
) -> tuple[int, BathOut]:
    """Log a reading."""
    return 201, bath_out(read_bath(signed_in(request), room, bath, payload))


def _reading_out(reading: BathReading) -> ReadingOut:
    return ReadingOut(
        id=reading.id,
        at=reading.at,
        by=reading.by.name,
        temperature_c=reading.temperature_c,
        load_g_per_l=reading.load_g_per_l,
        note=reading.note,
    )


def bath_out(bath: Bath) -> BathOut:
    """Return a bath with its speed against 20 °C, fresh."""
    row = MORDANTS[bath.mordant]
    facts = bath_facts(bath)
    pace = bath_speed(facts, None, DRAWS).at(bath.temperature_c, bath.load_g_per_l)
    low, high = band(pace)
    measured = bath.rate_factor is not None
    return BathOut(
        id=bath.id,
        name=bath.name,
        mordant=bath.mordant,
        mordant_label=row.label,
        metal=row.metal,
        vessel=bath.vessel,
        volume_l=bath.volume_l,
        baume=bath.baume,
        load_g_per_l=bath.load_g_per_l,
        temperature_c=bath.temperature_c,
        temperature_at=bath.temperature_at,
        room_c=bath.room_c,
        rate_factor=bath.rate_factor,
        rate_factor_spread=bath.rate_factor_spread,
        measured_at=bath.measured_at,
        retired=bath.retired,
        version=bath.version,
        speed=round(float(pace.mean()), 3),
        speed_low=round(low, 3),
        speed_high=round(high, 3),
        speed_from="measured" if measured else "thermometer and load",
        end_g_per_l=row.end_g_per_l,
        life_left_share=round(max(0.0, 1 - bath.load_g_per_l / row.end_g_per_l), 3),
        care=row.care,
        care_every_seconds=row.care_every_seconds,
        cautions=[
            f"{c.title}. {c.text} {c.now}" for c in cautions_for({bath.mordant}, {row.metal})
        ],
    )
