"""The runs' endpoints, and the server's clock."""

from __future__ import annotations

import time
from uuid import UUID

from django.http import HttpRequest
from ninja import Query, Router

from core.data.mordants import MORDANTS
from core.safety.cautions import cautions_for
from server.config.errors import ErrorReply
from server.config.paging import Page, page_of
from server.config.session import signed_in
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.runs.actions.begin import begin_run, end_run
from server.runs.actions.log import log_events
from server.runs.actions.state import follow, run_events
from server.runs.models import Event, Run
from server.runs.schemas import Clock, EventOut, EventsIn, RunIn, RunOut

router = Router(tags=["runs"])
clock = Router(tags=["clock"])


@clock.get("/clock", auth=None, response=Clock)
def get_clock(request: HttpRequest) -> Clock:
    """Tell this server's time, for a device to find its offset."""
    return Clock(now_ms=time.time() * 1000)


@router.get("/runs", response={200: Page[RunOut], 404: ErrorReply})
def get_runs(
    request: HttpRequest, room: RoomId, plate: UUID | None = None, page: int = Query(1, ge=1)
) -> Page[RunOut]:
    """List runs, those under way first."""
    place = enter(signed_in(request), room, "look")
    rows = Run.objects.filter(room=place).order_by("-ended_at", "-created_at")
    return page_of(rows.filter(plate=plate) if plate else rows, page, run_out)


@router.post("/runs", response={201: RunOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply})
def post_run(request: HttpRequest, room: RoomId, payload: RunIn) -> tuple[int, RunOut]:
    """Begin a run."""
    return 201, run_out(begin_run(signed_in(request), room, payload))


@router.get("/runs/{uuid:run}", response={200: RunOut, 404: ErrorReply})
def get_run(request: HttpRequest, room: RoomId, run: UUID) -> RunOut:
    """Show a run: its state, its sheet, its events."""
    return run_out(find(Run, enter(signed_in(request), room, "look"), run))


@router.post("/runs/{uuid:run}/events", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def post_events(request: HttpRequest, room: RoomId, run: UUID, payload: EventsIn) -> RunOut:
    """Log events; those known already are passed over."""
    return run_out(log_events(signed_in(request), room, run, payload))


@router.post("/runs/{uuid:run}/end", response={200: RunOut, 404: ErrorReply, 422: ErrorReply})
def post_end(request: HttpRequest, room: RoomId, run: UUID) -> RunOut:
    """End a run."""
    return run_out(end_run(signed_in(request), room, run))


def run_out(run: Run) -> RunOut:
    """Return a run as it stands now."""
    now = time.time()
    events = run_events(run)
    seen = follow(run, now, events)
    row = MORDANTS[run.bath.mordant]
    rows = cautions_for({run.bath.mordant}, {run.plate.metal})
    return RunOut(
        id=run.id,
        plate=run.plate.id,
        plate_name=run.plate.name,
        part=run.part,
        metal=run.plate.metal,
        bath=run.bath.id,
        bath_name=run.bath.name,
        mordant=run.bath.mordant,
        care=row.care,
        care_every_seconds=row.care_every_seconds,
        bath_temperature_c=run.bath.temperature_c,
        areas=run.areas,
        state=seen.state,
        in_bath=seen.state.in_bath is not None,
        sheet=seen.sheet,
        lift_seconds=seen.lift_seconds,
        stale=seen.stale,
        now_seconds=now,
        ended_at=run.ended_at,
        events=[_event_out(event) for event in events],
        cautions=[f"{c.title}. {c.text} {c.now}" for c in rows],
    )


def _event_out(event: Event) -> EventOut:
    return EventOut(
        id=event.id,
        kind=event.kind,
        at_seconds=event.at.timestamp(),
        received_at=event.received_at,
        spread_ms=event.offset_spread_ms,
        by=event.by.name,
        data=event.data,
    )
