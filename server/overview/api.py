"""The rack, the bench, a plate's page and its plans."""

from __future__ import annotations

import time
from uuid import UUID

from django.db.models import Q
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from core.process.compare import Alternative
from core.study.shapes import Paper
from server.accounts.session import signed_in
from server.overview.actions.bite_on import bite_on
from server.overview.actions.correct_plate import correct_plate
from server.overview.actions.put_in_plate import put_in_plate
from server.overview.bench import bench
from server.overview.compare import compared
from server.overview.plan_page import plan_out
from server.overview.plate_page import plate_card, plate_out
from server.overview.schemas import Bench, PlateCard, PlateOut
from server.overview.standing import needing_hands_first, standing, standings
from server.plans.actions.curve import choose_curve
from server.plans.actions.keep import draft, keep_plan
from server.plans.models import Plan
from server.plans.schemas import BiteOnIn, CurveIn, Part, PlanIn, PlanOut
from server.plates.actions.tracing import tracing_pdf
from server.plates.models import Plate
from server.plates.schemas import PlateChange, PlateIn
from server.replies.errors import ErrorReply, NotFound
from server.replies.paging import Page, PageNumber, page_at_once
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
    page: PageNumber = 1,
) -> Page[PlateCard]:
    """List the plates on the rack: what needs hands first."""
    place = enter(signed_in(request), room, "look")
    rows = Plate.objects.filter(room=place, put_away=put_away)
    if search:
        rows = rows.filter(
            Q(name__icontains=search) | Q(route__icontains=search) | Q(metal__icontains=search)
        )
    if metal:
        rows = rows.filter(metal=metal)
    now = time.time()
    return page_at_once(
        needing_hands_first(rows),
        page,
        lambda plates: [plate_card(at) for at in standings(plates, now)],
    )


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
    return _page(correct_plate(signed_in(request), room, plate, payload))


@router.get("/plates/{uuid:plate}/tracing.pdf", response={200: None, 404: ErrorReply})
def get_tracing(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    mirrored: bool = True,
    paper: Paper = "A4",
) -> HttpResponse:
    """Print the plate's picture at 1:1, as it lies on the plate or prints, tiled on a paper."""
    user = signed_in(request)
    found = find(Plate, enter(user, room, "look"), plate)
    pdf = tracing_pdf(found, mirrored=mirrored, paper=paper, in_inches=user.length_unit == "in")
    reply = HttpResponse(pdf, content_type="application/pdf")
    reply["Content-Disposition"] = 'inline; filename="tracing.pdf"'
    return reply


def _page(plate: Plate) -> PlateOut:
    return plate_out(standing(plate, time.time()))


@router.get("/plates/{uuid:plate}/plan", response={200: PlanOut, 404: ErrorReply}, tags=["plans"])
def get_plan(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    part: Part = Query("tones"),
    ground: int | None = Query(None, ge=1, le=1000),
) -> PlanOut:
    """Show the plan of a part of a plate, solved in today's bath after what was done.

    Of its last ground, where none is asked for.
    """
    place = enter(signed_in(request), room, "look")
    found = Plan.objects.filter(room=place, plate=find(Plate, place, plate), part=part)
    plan = (found.filter(ground=ground) if ground else found.filter(superseded=False)).first()
    if plan is None:
        raise NotFound("A plan for this plate")
    return plan_out(plan)


@router.put(
    "/plates/{uuid:plate}/plan/curve",
    response={200: PlanOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
    tags=["plans"],
)
def put_plan_curve(request: HttpRequest, room: RoomId, plate: UUID, payload: CurveIn) -> PlanOut:
    """Follow the plate's own curve, or the strip's alone."""
    return plan_out(choose_curve(signed_in(request), room, plate, payload))


@router.post(
    "/plates/{uuid:plate}/plan/draft",
    response={200: PlanOut, 404: ErrorReply, 422: ErrorReply},
    tags=["plans"],
)
def post_draft(request: HttpRequest, room: RoomId, plate: UUID, payload: PlanIn) -> PlanOut:
    """Solve a plan without keeping it."""
    return plan_out(draft(signed_in(request), room, plate, payload), editing=True)


@router.put(
    "/plates/{uuid:plate}/plan",
    response={200: PlanOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
    tags=["plans"],
)
def put_plan(request: HttpRequest, room: RoomId, plate: UUID, payload: PlanIn) -> PlanOut:
    """Keep a plan."""
    return plan_out(keep_plan(signed_in(request), room, plate, payload))


@router.post(
    "/plates/{uuid:plate}/plan/bite-on",
    response={200: PlanOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
    tags=["plans"],
)
def post_bite_on(request: HttpRequest, room: RoomId, plate: UUID, payload: BiteOnIn) -> PlanOut:
    """Make the plan that a proof's advice asks for: one area bites on."""
    return plan_out(bite_on(signed_in(request), room, plate, payload.proof, payload.area))


@router.post(
    "/plates/{uuid:plate}/plan/compare",
    response={200: list[Alternative], 404: ErrorReply, 422: ErrorReply},
    tags=["plans"],
)
def post_compare(
    request: HttpRequest, room: RoomId, plate: UUID, payload: PlanIn
) -> list[Alternative]:
    """Compare a plan, without keeping it, with other baths, strips, warmth and fewer bites."""
    return compared(draft(signed_in(request), room, plate, payload))
