"""The rack, the bench and a plate's page."""

from __future__ import annotations

import time
from uuid import UUID

from django.db.models import Q
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from server.config.errors import ErrorReply
from server.config.paging import Page, page_at_once
from server.config.session import signed_in
from server.plates.actions.bench import bench
from server.plates.actions.keep import change_plate, put_in_plate
from server.plates.actions.look import plate_card, plate_out, standing, standings
from server.plates.actions.tracing import tracing_pdf
from server.plates.models import Plate
from server.plates.schemas import Bench, PlateCard, PlateChange, PlateIn, PlateOut
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find

router = Router(tags=["plates"])


@router.get("/bench", response={200: Bench, 404: ErrorReply})
def get_bench(request: HttpRequest, room: RoomId) -> Bench:
    """Show the bench."""
    return bench(enter(signed_in(request), room, "look"), time.time())


@router.get("/plates", response={200: Page[PlateCard], 404: ErrorReply})
def get_plates(
    request: HttpRequest,
    room: RoomId,
    search: str = Query("", max_length=120),
    metal: str = Query("", max_length=20),
    put_away: bool = False,
    page: int = Query(1, ge=1),
) -> Page[PlateCard]:
    """List the plates on the rack: what needs hands first."""
    place = enter(signed_in(request), room, "look")
    rows = Plate.objects.filter(room=place, put_away=put_away)
    if search:
        rows = rows.filter(Q(name__icontains=search) | Q(route__icontains=search))
    if metal:
        rows = rows.filter(metal=metal)
    now = time.time()
    found = page_at_once(
        rows.order_by("created_at"),
        page,
        lambda plates: [plate_card(at) for at in standings(plates, now)],
    )
    found.items.sort(key=lambda card: (card.run is None, card.place == "resting"))
    return found


@router.post("/plates", response={201: PlateOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_plate(request: HttpRequest, room: RoomId, payload: PlateIn) -> tuple[int, PlateOut]:
    """Put a plate in the rack."""
    return 201, _page(put_in_plate(signed_in(request), room, payload))


@router.get("/plates/{uuid:plate}", response={200: PlateOut, 404: ErrorReply})
def get_plate(request: HttpRequest, room: RoomId, plate: UUID) -> PlateOut:
    """Show a plate's page."""
    return _page(find(Plate, enter(signed_in(request), room, "look"), plate))


@router.put(
    "/plates/{uuid:plate}",
    response={200: PlateOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_plate(request: HttpRequest, room: RoomId, plate: UUID, payload: PlateChange) -> PlateOut:
    """Change a plate's facts."""
    return _page(change_plate(signed_in(request), room, plate, payload))


@router.get("/plates/{uuid:plate}/tracing.pdf", response={200: None, 404: ErrorReply})
def get_tracing(
    request: HttpRequest, room: RoomId, plate: UUID, mirrored: bool = True
) -> HttpResponse:
    """Print the plate's picture at 1:1, mirrored as it lies on the plate or as it prints."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    reply = HttpResponse(tracing_pdf(found, mirrored=mirrored), content_type="application/pdf")
    reply["Content-Disposition"] = 'inline; filename="tracing.pdf"'
    return reply


def _page(plate: Plate) -> PlateOut:
    return plate_out(standing(plate, time.time()))
