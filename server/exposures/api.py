"""Endpoints of lamps, two-way tests, step charts and exposures."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from core.data.polymer_faults import SIGNS
from server.accounts.session import signed_in
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.exposures.actions.expose import begin_exposure, end_exposure
from server.exposures.actions.films import (
    ask_for_chart_film,
    ask_for_positive,
    ask_for_screen,
)
from server.exposures.actions.lamps import keep_lamp, measure_lamp, take_back_measurement
from server.exposures.actions.scans import ask_to_read
from server.exposures.actions.tests import change_chart, change_test, make_chart, make_test
from server.exposures.models import Chart, Exposure, Lamp, Test
from server.exposures.reads import (
    chart_out,
    exposure_card,
    exposure_out,
    lamp_out,
    test_card,
    test_out,
)
from server.exposures.schemas import (
    ChartChange,
    ChartFilmIn,
    ChartIn,
    ChartOut,
    ChartScanIn,
    ExposureCard,
    ExposureEnd,
    ExposureIn,
    ExposureOut,
    LampIn,
    LampOut,
    MeasurementChange,
    MeasurementIn,
    PositiveIn,
    ScreenIn,
    SignOut,
    TestCard,
    TestChange,
    TestIn,
    TestOut,
)
from server.exposures.subject import EXPOSURE
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["exposures"])
ASKED = {202: TaskOut, 403: ErrorReply, 404: ErrorReply, 422: ErrorReply}
WRITES = {403: ErrorReply, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply}


@router.get("/lamps", response={200: Page[LampOut], 404: ErrorReply})
def get_lamps(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[LampOut]:
    """List the lamps, with what each gives today."""
    place = enter(signed_in(request), room, "look")
    rows = Lamp.objects.filter(room=place).prefetch_related("measurements__by", "tests")
    return page_of(rows.order_by("put_away", "name", "id"), page, lamp_out)


@router.put("/lamps", response={200: LampOut, **WRITES})
def put_lamp(request: HttpRequest, room: RoomId, payload: LampIn) -> LampOut:
    """Keep a lamp, new or changed; keepers only."""
    return lamp_out(keep_lamp(signed_in(request), room, payload))


@router.post("/lamps/{uuid:lamp}/measurements", response={200: LampOut, **WRITES})
def post_measurement(
    request: HttpRequest, room: RoomId, lamp: UUID, payload: MeasurementIn
) -> LampOut:
    """Log a reading of a lamp: a meter's, an integrator's dose, or a wedge."""
    return lamp_out(measure_lamp(signed_in(request), room, lamp, payload))


@router.put("/lamps/{uuid:lamp}/measurements/{uuid:measurement}", response={200: LampOut, **WRITES})
def put_measurement(
    request: HttpRequest, room: RoomId, lamp: UUID, measurement: UUID, payload: MeasurementChange
) -> LampOut:
    """Take a reading back, or put it back."""
    user, (version, taken_back) = signed_in(request), (payload.version, payload.taken_back)
    return lamp_out(take_back_measurement(user, room, lamp, measurement, version, taken_back))


@router.get("/exposure-tests", response={200: Page[TestCard], 404: ErrorReply})
def get_tests(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[TestCard]:
    """List the two-way tests, newest first."""
    place = enter(signed_in(request), room, "look")
    rows = Test.objects.filter(room=place).select_related("lamp").order_by("-created_at", "id")
    return page_of(rows, page, test_card)


@router.post("/exposure-tests", response={201: TestOut, **WRITES})
def post_test(request: HttpRequest, room: RoomId, payload: TestIn) -> tuple[int, TestOut]:
    """Plan a two-way test, or store one that was read."""
    return 201, test_out(make_test(signed_in(request), room, payload))


@router.get("/exposure-tests/{uuid:test}", response={200: TestOut, 404: ErrorReply})
def get_test(request: HttpRequest, room: RoomId, test: UUID) -> TestOut:
    """Show a test: its plan, its patches, its pair and the pair on today's lamp."""
    return test_out(find(Test, enter(signed_in(request), room, "look"), test))


@router.put("/exposure-tests/{uuid:test}", response={200: TestOut, **WRITES})
def put_test(request: HttpRequest, room: RoomId, test: UUID, payload: TestChange) -> TestOut:
    """Change a test: its patches read, its times, whether it counts."""
    return test_out(change_test(signed_in(request), room, test, payload))


@router.get("/exposures", response={200: Page[ExposureCard], 404: ErrorReply})
def get_exposures(
    request: HttpRequest, room: RoomId, plate: UUID | None = None, page: PageNumber = 1
) -> Page[ExposureCard]:
    """List exposures, those under way first; what was never begun stands in the record alone."""
    place = enter(signed_in(request), room, "look")
    rows = Exposure.objects.filter(room=place).exclude(outcome=Exposure.NEVER_BEGUN)
    rows = rows.select_related("plate", "test", "lamp").order_by("-ended_at", "-created_at")
    return page_of(rows.filter(plate=plate) if plate else rows, page, exposure_card)


@router.post("/exposures", response={201: ExposureOut, **WRITES})
def post_exposure(
    request: HttpRequest, room: RoomId, payload: ExposureIn
) -> tuple[int, ExposureOut]:
    """Begin to expose a plate, or the piece of a test."""
    return 201, exposure_out(begin_exposure(signed_in(request), room, payload))


@router.get("/exposures/{uuid:exposure}", response={200: ExposureOut, 404: ErrorReply})
def get_exposure(request: HttpRequest, room: RoomId, exposure: UUID) -> ExposureOut:
    """Show an exposure: its sheet, its state, its events."""
    return exposure_out(find(Exposure, enter(signed_in(request), room, "look"), exposure))


@router.post("/exposures/{uuid:exposure}/events", response={200: ExposureOut, **WRITES})
def post_exposure_events(
    request: HttpRequest, room: RoomId, exposure: UUID, payload: EventsIn
) -> ExposureOut:
    """Log events; those known already are passed over."""
    return exposure_out(log_events(signed_in(request), room, EXPOSURE, exposure, payload))


@router.post("/exposures/{uuid:exposure}/end", response={200: ExposureOut, **WRITES})
def post_exposure_end(
    request: HttpRequest, room: RoomId, exposure: UUID, payload: ExposureEnd | None = None
) -> ExposureOut:
    """End an exposure, or set it aside with a reason."""
    reason = payload.reason.strip() if payload else ""
    return exposure_out(end_exposure(signed_in(request), room, exposure, reason))


@router.get("/charts", response={200: Page[ChartOut], 404: ErrorReply})
def get_charts(request: HttpRequest, room: RoomId, page: PageNumber = 1) -> Page[ChartOut]:
    """List the step charts with their curves, newest first."""
    place = enter(signed_in(request), room, "look")
    rows = Chart.objects.filter(room=place).select_related("lamp").order_by("-created_at", "id")
    return page_of(rows, page, chart_out)


@router.post("/charts", response={201: ChartOut, **WRITES})
def post_chart(request: HttpRequest, room: RoomId, payload: ChartIn) -> tuple[int, ChartOut]:
    """Store a step chart."""
    return 201, chart_out(make_chart(signed_in(request), room, payload))


@router.put("/charts/{uuid:chart}", response={200: ChartOut, **WRITES})
def put_chart(request: HttpRequest, room: RoomId, chart: UUID, payload: ChartChange) -> ChartOut:
    """Change a chart: its steps read anew."""
    return chart_out(change_chart(signed_in(request), room, chart, payload))


@router.get("/plate-signs", response={200: list[SignOut], 404: ErrorReply})
def get_plate_signs(request: HttpRequest, room: RoomId) -> list[SignOut]:
    """List what can be seen on a plate that went wrong: ``plate-faults`` ranks its causes."""
    enter(signed_in(request), room, "look")
    return [SignOut(key=key, label=label) for key, label in SIGNS.items()]


@router.post("/dot-screens", response=ASKED)
def post_screen(request: HttpRequest, room: RoomId, payload: ScreenIn) -> tuple[int, TaskOut]:
    """Make a dot screen for the first exposure, as a task: a one-bit PNG."""
    return 202, task_out(ask_for_screen(signed_in(request), room, payload))


@router.post("/exposure-tests/{uuid:test}/film", response=ASKED)
def post_chart_film(
    request: HttpRequest, room: RoomId, test: UUID, payload: ChartFilmIn
) -> tuple[int, TaskOut]:
    """Draw the film of a test, or a step chart for its pair, as a task."""
    return 202, task_out(ask_for_chart_film(signed_in(request), room, test, payload))


@router.post("/exposure-tests/{uuid:test}/scan", response=ASKED)
def post_chart_scan(
    request: HttpRequest, room: RoomId, test: UUID, payload: ChartScanIn
) -> tuple[int, TaskOut]:
    """Read a test's patches, or the steps of a chart by its pair, off a stored scan, as a task."""
    return 202, task_out(ask_to_read(signed_in(request), room, test, payload))


@router.post("/plates/{uuid:plate}/positive", response=ASKED)
def post_positive(
    request: HttpRequest, room: RoomId, plate: UUID, payload: PositiveIn
) -> tuple[int, TaskOut]:
    """Make the positive of a stored picture for a plate, as a task: PNG, TIFF or PDF at 1:1."""
    return 202, task_out(ask_for_positive(signed_in(request), room, plate, payload))
