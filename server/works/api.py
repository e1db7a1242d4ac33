"""Endpoints of works: several plates, several layers, one print."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from server.accounts.session import signed_in
from server.events.schemas import EventsIn
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_at_once
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.models import Task
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut
from server.works.actions.ask import (
    ask_for_preview,
    ask_for_stencils,
    ask_for_tracing,
    ask_for_work_template,
    ask_to_read_sheet,
)
from server.works.actions.keep import begin_work, keep_work
from server.works.actions.log import log_work
from server.works.files import sheets_csv
from server.works.models import Layering
from server.works.reads import work_out, work_rows
from server.works.schemas import (
    AskIn,
    SheetReadIn,
    StencilsAsk,
    TracingAsk,
    WorkBegin,
    WorkIn,
    WorkOut,
    WorkRow,
    WorkTemplateIn,
)

router = Router(tags=["works"])
WRITES = {403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}
ASKED = {202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply}


def _work(request: HttpRequest, room: UUID, work: UUID) -> Layering:
    return find(Layering, enter(signed_in(request), room, "look"), work)


def _told(task: Task) -> tuple[int, TaskOut]:
    return 202, task_out(task)


@router.get("/works", response={200: Page[WorkRow], 404: ErrorReply})
def get_works(
    request: HttpRequest, room: RoomId, page: PageNumber = 1, put_away: Query[bool] = False
) -> Page[WorkRow]:
    """List the works, newest first; those put away by asking."""
    place = enter(signed_in(request), room, "look")
    rows = Layering.objects.filter(room=place, put_away=put_away).select_related("work")
    return page_at_once(rows.order_by("-created_at", "id"), page, work_rows)


@router.post("/works", response={201: WorkOut, **WRITES})
def post_work(request: HttpRequest, room: RoomId, payload: WorkBegin) -> tuple[int, WorkOut]:
    """Begin a work."""
    return 201, work_out(begin_work(signed_in(request), room, payload))


@router.get("/works/{uuid:work}", response={200: WorkOut, 404: ErrorReply})
def get_work(request: HttpRequest, room: RoomId, work: UUID) -> WorkOut:
    """Show a work: its layers, its sheets, what to do next."""
    return work_out(_work(request, room, work))


@router.put("/works/{uuid:work}", response={200: WorkOut, **WRITES})
def put_work(request: HttpRequest, room: RoomId, work: UUID, payload: WorkIn) -> WorkOut:
    """Keep how a work is printed."""
    return work_out(keep_work(signed_in(request), room, work, payload))


@router.post("/works/{uuid:work}/events", response={200: WorkOut, **WRITES})
def post_work_events(request: HttpRequest, room: RoomId, work: UUID, payload: EventsIn) -> WorkOut:
    """Log events of a work's sheets; those known already are passed over."""
    return work_out(log_work(signed_in(request), room, work, payload))


@router.get("/works/{uuid:work}/sheets.csv", response={200: None, 404: ErrorReply})
def get_sheets_csv(request: HttpRequest, room: RoomId, work: UUID) -> HttpResponse:
    """Give a work's sheets as CSV."""
    return sheets_csv(_work(request, room, work))


@router.post("/works/{uuid:work}/preview", response=ASKED)
def post_preview(
    request: HttpRequest, room: RoomId, work: UUID, payload: AskIn
) -> tuple[int, TaskOut]:
    """Draw the print of all plates, as a task."""
    return _told(ask_for_preview(signed_in(request), room, work, payload))


@router.post("/works/{uuid:work}/scan", response=ASKED)
def post_sheet_scan(
    request: HttpRequest, room: RoomId, work: UUID, payload: SheetReadIn
) -> tuple[int, TaskOut]:
    """Read a scan of a sheet, as a task: crosses, colours, the plate to blame."""
    return _told(ask_to_read_sheet(signed_in(request), room, work, payload))


@router.post("/works/{uuid:work}/stencils", response=ASKED)
def post_stencils(
    request: HttpRequest, room: RoomId, work: UUID, payload: StencilsAsk
) -> tuple[int, TaskOut]:
    """Cut a drawing into stencils, as a task."""
    return _told(ask_for_stencils(signed_in(request), room, work, payload))


@router.post("/works/{uuid:work}/tracing", response=ASKED)
def post_tracing(
    request: HttpRequest, room: RoomId, work: UUID, payload: TracingAsk
) -> tuple[int, TaskOut]:
    """Lay a drawing out for a traced monotype, as a task."""
    return _told(ask_for_tracing(signed_in(request), room, work, payload))


@router.post("/works/{uuid:work}/template", response=ASKED)
def post_work_template(
    request: HttpRequest, room: RoomId, work: UUID, payload: WorkTemplateIn
) -> tuple[int, TaskOut]:
    """Draw the template that all plates share, as a task."""
    return _told(ask_for_work_template(signed_in(request), room, work, payload))
