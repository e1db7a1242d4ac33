"""Endpoints of scratched plates: what their marks shall be, looks at them, their wear."""

from __future__ import annotations

import csv
import io
from typing import Annotated
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router
from pydantic import Field

from core.data.wear import MOST_IMPRESSIONS
from core.drypoint.mark_shapes import Pressure
from core.tone.shapes import Lightness
from server.accounts.session import signed_in
from server.events.schemas import EventsIn
from server.marks.actions.guide import ask_for_guide
from server.marks.actions.keep import change_trial, keep_marks, make_trial
from server.marks.actions.log import log_marks
from server.marks.actions.look import ask_to_look
from server.marks.models import Trial
from server.marks.reads import hatch_out, marks_out, trial_out
from server.marks.schemas import (
    GuideIn,
    HatchOut,
    MarksIn,
    MarksOut,
    PlateLookIn,
    TrialChange,
    TrialIn,
    TrialOut,
    WearOut,
)
from server.marks.state import worn_state_of
from server.marks.wear import wear_of
from server.plates.models import Plate
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["marks"])
ASKED = {202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply}
WRITES = {403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}
After = Annotated[int, Field(ge=1, le=MOST_IMPRESSIONS)]
CSV_HEAD = ("impression", "at", "passes", "passes_so_far", "spoiled", "lstar", "spread", "note")


@router.get("/trials", response={200: Page[TrialOut], 404: ErrorReply})
def get_trials(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[TrialOut]:
    """List the trials on offcuts, newest first."""
    place = enter(signed_in(request), room, "look")
    rows = Trial.objects.filter(room=place).order_by("-created_at", "id")
    return page_of(rows, page, trial_out)


@router.post("/trials", response={201: TrialOut, **WRITES})
def post_trial(request: HttpRequest, room: RoomId, payload: TrialIn) -> tuple[int, TrialOut]:
    """Store a trial."""
    return 201, trial_out(make_trial(signed_in(request), room, payload))


@router.put("/trials/{uuid:trial}", response={200: TrialOut, **WRITES})
def put_trial(request: HttpRequest, room: RoomId, trial: UUID, payload: TrialChange) -> TrialOut:
    """Change a trial: what was read, whether it counts."""
    return trial_out(change_trial(signed_in(request), room, trial, payload))


@router.get("/plates/{uuid:plate}/marks", response={200: MarksOut, 404: ErrorReply})
def get_marks(request: HttpRequest, room: RoomId, plate: UUID) -> MarksOut:
    """Show a plate's marks: how to draw them, how far they are, what was seen."""
    return marks_out(find(Plate, enter(signed_in(request), room, "look"), plate))


@router.get(
    "/plates/{uuid:plate}/hatch", response={200: HatchOut, 404: ErrorReply, 422: ErrorReply}
)
def get_hatch(
    request: HttpRequest,
    room: RoomId,
    plate: UUID,
    lstar: Query[Lightness | None] = None,
    pressure: Query[Pressure | None] = None,
) -> HatchOut:
    """Tell how close to hatch for a tone, in one to three layers; else for the one decided."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    return hatch_out(found, lstar, pressure)


@router.put("/plates/{uuid:plate}/marks", response={200: MarksOut, **WRITES})
def put_marks(request: HttpRequest, room: RoomId, plate: UUID, payload: MarksIn) -> MarksOut:
    """Keep what a plate's marks shall be."""
    return marks_out(keep_marks(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/marks/events", response={200: MarksOut, **WRITES})
def post_marks_events(
    request: HttpRequest, room: RoomId, plate: UUID, payload: EventsIn
) -> MarksOut:
    """Log events of a plate's marks; those known already are passed over."""
    return marks_out(log_marks(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/looks", response=ASKED)
def post_look(
    request: HttpRequest, room: RoomId, plate: UUID, payload: PlateLookIn
) -> tuple[int, TaskOut]:
    """Merge photographs of a plate, lit from different sides, as a task."""
    return 202, task_out(ask_to_look(signed_in(request), room, plate, payload))


@router.post("/plates/{uuid:plate}/guide", response=ASKED)
def post_guide(
    request: HttpRequest, room: RoomId, plate: UUID, payload: GuideIn
) -> tuple[int, TaskOut]:
    """Draw a guide of a plate's hatching at 1:1, as a task."""
    return 202, task_out(ask_for_guide(signed_in(request), room, plate, payload))


@router.get("/plates/{uuid:plate}/wear", response={200: WearOut, 404: ErrorReply, 422: ErrorReply})
def get_wear(
    request: HttpRequest, room: RoomId, plate: UUID, after: Query[After | None] = None
) -> WearOut:
    """Tell how a plate wears; ``after``: what scratching again after an impression would do."""
    return wear_of(find(Plate, enter(signed_in(request), room, "look"), plate), after)


@router.get("/plates/{uuid:plate}/wear.csv", response={200: None, 404: ErrorReply})
def get_wear_csv(request: HttpRequest, room: RoomId, plate: UUID) -> HttpResponse:
    """Give a plate's impressions with their readings as CSV."""
    found = find(Plate, enter(signed_in(request), room, "look"), plate)
    text = io.StringIO()
    writer = csv.writer(text)
    writer.writerow(CSV_HEAD)
    for each in worn_state_of(found).impressions:
        writer.writerow([
            each.number, each.at_seconds, each.passes, each.worn, each.spoiled,
            "" if each.lstar is None else each.lstar, each.spread, each.note,
        ])  # fmt: skip
    reply = HttpResponse(text.getvalue(), content_type="text/csv; charset=utf-8")
    reply["Content-Disposition"] = 'attachment; filename="wear.csv"'
    return reply
