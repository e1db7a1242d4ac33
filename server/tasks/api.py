"""The tasks' endpoints; what makes a task stands at the noun it is of."""

from __future__ import annotations

from uuid import UUID

from django.http import FileResponse, HttpRequest
from ninja import Query, Router

from server.accounts.session import signed_in
from server.replies.errors import ErrorReply
from server.replies.paging import Page, PageNumber, page_of
from server.rooms.path import RoomId
from server.rooms.permissions import enter, find
from server.tasks.actions.stop import stop_task
from server.tasks.files import file_of
from server.tasks.models import Task
from server.tasks.reads import task_out
from server.tasks.schemas import TaskOut

router = Router(tags=["tasks"])


@router.get("/tasks", response={200: Page[TaskOut], 404: ErrorReply})
def get_tasks(
    request: HttpRequest,
    room: RoomId,
    about: UUID | None = None,
    kind: str = Query("", max_length=40),
    page: PageNumber = 1,
) -> Page[TaskOut]:
    """List tasks, the one asked for last first: all, those of a thing, those of a kind."""
    rows = Task.objects.filter(room=enter(signed_in(request), room, "look")).order_by("-asked_at")
    if about is not None:
        rows = rows.filter(about=about)
    if kind:
        rows = rows.filter(kind=kind)
    return page_of(rows, page, task_out)


@router.get("/tasks/{uuid:task}", response={200: TaskOut, 404: ErrorReply})
def get_task(request: HttpRequest, room: RoomId, task: UUID) -> TaskOut:
    """Show how far a task is."""
    return task_out(find(Task, enter(signed_in(request), room, "look"), task))


@router.get("/tasks/{uuid:task}/files/{int:number}", response={200: None, 404: ErrorReply})
def get_task_file(request: HttpRequest, room: RoomId, task: UUID, number: int) -> FileResponse:
    """Fetch one of the files that a task wrote, the first 1."""
    return file_of(find(Task, enter(signed_in(request), room, "look"), task), number)


@router.post("/tasks/{uuid:task}/stop", response={200: TaskOut, 403: ErrorReply, 404: ErrorReply})
def post_stop(request: HttpRequest, room: RoomId, task: UUID) -> TaskOut:
    """Stop a task; its worker lets go of it within a second."""
    return task_out(stop_task(signed_in(request), room, task))
