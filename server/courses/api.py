"""The courses' endpoints."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from ninja import Router

from server.accounts.session import signed_in
from server.courses.actions.change import change_course
from server.courses.actions.coverage import count_dust
from server.courses.models import Course
from server.courses.reads import course_out
from server.courses.schemas import CourseAct, CourseOut, CoverageIn
from server.plates.models import Plate
from server.replies.errors import ErrorReply
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["courses"])


@router.get("/plates/{uuid:plate}/course", response={200: CourseOut, 404: ErrorReply})
def get_course(request: HttpRequest, room: RoomId, plate: UUID) -> CourseOut:
    """Show a plate's course."""
    place = enter(signed_in(request), room, "look")
    return course_out(Course.objects.select_related("plate").get(plate=find(Plate, place, plate)))


@router.post(
    "/plates/{uuid:plate}/course",
    response={200: CourseOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_course(request: HttpRequest, room: RoomId, plate: UUID, payload: CourseAct) -> CourseOut:
    """Change a course: a step done, skipped, repeated, reopened, swapped or added."""
    return course_out(change_course(signed_in(request), room, plate, payload))


@router.post(
    "/plates/{uuid:plate}/coverage",
    response={202: TaskOut, 404: ErrorReply, 409: ErrorReply, 422: ErrorReply},
)
def post_coverage(
    request: HttpRequest, room: RoomId, plate: UUID, payload: CoverageIn
) -> tuple[int, TaskOut]:
    """Count the dust on a stored close photograph, as a task; its end is logged."""
    return 202, task_out(count_dust(signed_in(request), room, plate, payload))
