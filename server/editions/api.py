"""Endpoints of the press and of editions."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from django.http import FileResponse, HttpRequest, HttpResponse
from ninja import File, Form, Query, Router
from ninja.files import UploadedFile
from pydantic import Field

from core.data.wear import MOST_IMPRESSIONS
from server.accounts.session import signed_in
from server.editions.actions.keep import cancel_plate, keep_edition
from server.editions.actions.log import log_pulls
from server.editions.actions.sign import sign_impression
from server.editions.actions.sound import SoundOut, served_sound, store_sound
from server.editions.actions.template import ask_for_template
from server.editions.files import edition_csv, paper_calendar
from server.editions.paper import paper_plan
from server.editions.press import press_page
from server.editions.reads import edition_out
from server.editions.schemas import (
    BatchLabel,
    CancelIn,
    EditionIn,
    EditionOut,
    PaperPlanOut,
    PressOut,
    SignatureIn,
    TemplateIn,
)
from server.editions.shelf import labels_of
from server.events.schemas import EventsIn
from server.plates.models import Plate
from server.pulls.models import Sound
from server.pulls.printing import keep_printing
from server.pulls.schemas import PrintingIn
from server.replies.errors import ErrorReply
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["editions"])
WRITES = {403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}
READS = {404: ErrorReply, 422: ErrorReply}
After = Annotated[int, Field(ge=1, le=MOST_IMPRESSIONS)]
Count = Annotated[int, Field(ge=1, le=1000)]
Share = Annotated[float, Field(ge=0, le=0.9)]


def _plate(request: HttpRequest, room: UUID, plate: UUID) -> Plate:
    return find(Plate, enter(signed_in(request), room, "look"), plate)


@router.get("/plates/{uuid:plate}/press", response={200: PressOut, 404: ErrorReply})
def get_press(request: HttpRequest, room: RoomId, plate: UUID) -> PressOut:
    """Show a plate at the press: what to do next, and by what."""
    return press_page(_plate(request, room, plate))


@router.put("/plates/{uuid:plate}/press", response={200: PressOut, **WRITES})
def put_press_page(
    request: HttpRequest, room: RoomId, plate: UUID, payload: PrintingIn
) -> PressOut:
    """Keep how a plate is printed: paper, ink, press, the order of wiping."""
    return press_page(keep_printing(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/pulls/events", response={200: PressOut, **WRITES})
def post_pull_events(
    request: HttpRequest, room: RoomId, plate: UUID, payload: EventsIn
) -> HttpResponse:
    """Log events at the press; those known already are passed over."""
    told = press_page(*log_pulls(signed_in(request), room, plate, payload))
    # written as it stands: to check every event of the plate once more would double a touch's time
    return HttpResponse(told.model_dump_json(), content_type="application/json; charset=utf-8")


@router.get("/plates/{uuid:plate}/edition", response={200: EditionOut, **READS})
def get_edition(
    request: HttpRequest, room: RoomId, plate: UUID, after: Query[After | None] = None
) -> EditionOut:
    """Show a plate's edition; ``after``: what scratching again after a pull would do."""
    return edition_out(_plate(request, room, plate), after)


@router.put("/plates/{uuid:plate}/edition", response={200: EditionOut, **WRITES})
def put_edition(request: HttpRequest, room: RoomId, plate: UUID, payload: EditionIn) -> EditionOut:
    """Begin an edition, or change it."""
    return edition_out(keep_edition(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/edition/sign", response={200: EditionOut, **WRITES})
def post_sign(request: HttpRequest, room: RoomId, plate: UUID, payload: SignatureIn) -> EditionOut:
    """Sign an impression under the next number, or one that is asked for."""
    return edition_out(sign_impression(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/edition/cancel", response={200: EditionOut, **WRITES})
def post_cancel(request: HttpRequest, room: RoomId, plate: UUID, payload: CancelIn) -> EditionOut:
    """Cancel a plate: nothing more is printed from it."""
    return edition_out(cancel_plate(signed_in(request), room, plate, payload))


@router.get("/plates/{uuid:plate}/edition.csv", response={200: None, 404: ErrorReply})
def get_edition_csv(request: HttpRequest, room: RoomId, plate: UUID) -> HttpResponse:
    """Give an edition's rows as CSV."""
    return edition_csv(_plate(request, room, plate))


@router.get("/plates/{uuid:plate}/paper", response={200: PaperPlanOut, **READS})
def get_paper_plan(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    impressions: Query[Count | None] = None,
    spoiled_share: Query[Share | None] = None,
) -> PaperPlanOut:
    """Tell how paper is torn for so many impressions, and how much ink they take."""
    return paper_plan(_plate(request, room, plate), impressions, spoiled_share)


@router.get("/plates/{uuid:plate}/paper.ics", response={200: None, 404: ErrorReply})
def get_paper_calendar(request: HttpRequest, room: RoomId, plate: UUID) -> HttpResponse:
    """Give when a plate's paper is ready and must be out, with alarms, as iCalendar."""
    return paper_calendar(_plate(request, room, plate))


@router.post(
    "/plates/{uuid:plate}/template",
    response={202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply},
)
def post_template(
    request: HttpRequest, room: RoomId, plate: UUID, payload: TemplateIn
) -> tuple[int, TaskOut]:
    """Draw a template for the press bed at 1:1, as a task."""
    return 202, task_out(ask_for_template(signed_in(request), room, plate, payload))


@router.get("/damp-paper", response={200: list[BatchLabel], 404: ErrorReply})
def get_damp_paper(request: HttpRequest, room: RoomId) -> list[BatchLabel]:
    """List the paper in the damp, what must come out first at the head."""
    return labels_of(enter(signed_in(request), room, "look"))


@router.post("/plates/{uuid:plate}/sounds", response={201: SoundOut, 413: ErrorReply, **WRITES})
def post_sound(
    request: HttpRequest, room: RoomId, plate: UUID, id: Form[UUID], file: File[UploadedFile]
) -> tuple[int, SoundOut]:
    """Store a note spoken at the press; sent twice it is stored once."""
    return 201, store_sound(signed_in(request), room, plate, id, file)


@router.get("/sounds/{uuid:sound}", response={200: None, 404: ErrorReply})
def get_sound(request: HttpRequest, room: RoomId, sound: UUID) -> FileResponse:
    """Play a note spoken at the press."""
    return served_sound(find(Sound, enter(signed_in(request), room, "look"), sound))
