"""A plate's value study: its areas, its pictures and its maps."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from server.accounts.session import signed_in
from server.overview.study_page import study_out, tones_after, usual_sources
from server.plans.actions.keep import current_plan
from server.plates.models import Plate
from server.replies.errors import BadValue, ErrorReply, Stale
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.studies.actions.keep import keep_study
from server.studies.actions.maps import ask_for_bare_maps, ask_for_maps, ask_to_look, study_of
from server.studies.models import Study
from server.studies.pictures import drawing, labels_file, labels_png, printed
from server.studies.schemas import LookIn, MapsIn, StopOutMapsIn, StudyIn, StudyOut
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["studies"])

WIDEST_PX, USUAL_PX = 1200, 900
_MISSING = {200: None, 404: ErrorReply, 422: ErrorReply}
_ASKED = {202: TaskOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}


@router.get("/plates/{uuid:plate}/study", response={200: StudyOut, 404: ErrorReply})
def get_study(request: HttpRequest, room: RoomId, plate: UUID) -> StudyOut:
    """Show a plate's value study with its choices, areas and stages."""
    return study_out(_study(request, room, plate))


@router.put(
    "/plates/{uuid:plate}/study",
    response={200: StudyOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def put_study(request: HttpRequest, room: RoomId, plate: UUID, payload: StudyIn) -> StudyOut:
    """Keep a value study; its greys are asked for as a task of kind ``study-field``."""
    user = signed_in(request)
    if payload.version == 0 and payload.strip is None and payload.bath is None:
        found = find(Plate, enter(user, room, "change plans"), plate)
        strip, bath = usual_sources(found)
        payload = payload.model_copy(update={"strip": strip, "bath": bath})
    return study_out(keep_study(user, room, plate, payload))


@router.get("/plates/{uuid:plate}/study/drawing", response=_MISSING)
def get_drawing(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    width: int = Query(USUAL_PX, ge=50, le=WIDEST_PX),
) -> HttpResponse:
    """Show the sketches laid together, as they are cut."""
    return drawing(_study(request, room, plate), width)


@router.get("/plates/{uuid:plate}/study/print", response=_MISSING)
def get_print(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    width: int = Query(USUAL_PX, ge=50, le=WIDEST_PX),
    count: int | None = Query(None, ge=2, le=8),
    bite: int | None = Query(None, ge=0, le=40),
    tones: str = Query("", max_length=200),
) -> HttpResponse:
    """Show how it prints: as cut, into ``count`` tones, after a bite, or with other tones."""
    study, asked = _study(request, room, plate), _tones(tones)
    if bite is not None and asked is None and count is None:
        asked = tones_after(study, bite)
    return printed(study, width, count, None if asked else bite, asked)


@router.get("/plates/{uuid:plate}/study/labels", response=_MISSING)
def get_labels(request: HttpRequest, room: RoomId, plate: UUID) -> HttpResponse:
    """Show the areas as they print: the value of a pixel names its area."""
    data = labels_png(labels_file(_study(request, room, plate)), WIDEST_PX)
    return HttpResponse(data, content_type="image/png")


@router.post("/plates/{uuid:plate}/study/maps", response=_ASKED)
def post_maps(
    request: HttpRequest, room: RoomId, plate: UUID, payload: MapsIn
) -> tuple[int, TaskOut]:
    """Draw the maps as PNG, PDF at 1:1 or SVG outlines."""
    user = signed_in(request)
    found = find(Plate, enter(user, room, "change plans"), plate)
    _check_plan(found, payload.plan_version)
    return 202, task_out(ask_for_maps(user, room, plate, payload))


@router.post("/plates/{uuid:plate}/study/look", response=_ASKED)
def post_look(
    request: HttpRequest, room: RoomId, plate: UUID, payload: LookIn
) -> tuple[int, TaskOut]:
    """Lay a photograph of the plate over its map: what was not painted is marked."""
    return 202, task_out(ask_to_look(signed_in(request), room, plate, payload))


@router.post("/maps", response=_ASKED)
def post_bare_maps(
    request: HttpRequest, room: RoomId, payload: StopOutMapsIn
) -> tuple[int, TaskOut]:
    """Draw the stop-out maps of a stored picture, of no plate: the calculator, as a task."""
    return 202, task_out(ask_for_bare_maps(signed_in(request), room, payload))


def _study(request: HttpRequest, room: RoomId, plate: UUID) -> Study:
    return study_of(enter(signed_in(request), room, "look"), plate)


def _check_plan(plate: Plate, version: int | None) -> None:
    plan = current_plan(plate, "tones")
    if version is not None and (plan is None or plan.version != version):
        raise Stale(
            "plan-changed", "Someone kept another plan meanwhile. Look at it, then ask for the "
            "maps.", field="plan_version", value=version,
            allowed=str(plan.version) if plan else "0",
        )  # fmt: skip


def _tones(text: str) -> list[float | None] | None:
    """Return tones written with commas; nothing between two is white."""
    if not text:
        return None
    try:
        tones = [float(each) if each else None for each in text.split(",")]
    except ValueError:
        tones = [float("nan")]
    if any(tone is not None and not 0 <= tone <= 105 for tone in tones):
        raise BadValue(
            "bad-tones", "Write tones as L* with commas between.", field="tones", value=text[:80],
            allowed="0 to 105", unit="L*",
        )  # fmt: skip
    return tones
