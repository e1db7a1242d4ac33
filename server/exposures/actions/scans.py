"""Read the print of a test or of a step chart off a stored scan, as a task."""

from __future__ import annotations

import uuid
from typing import Any

from core.limits import within
from core.polymer.pair_test import PairTestInput, pair_test
from server.accounts.models import User
from server.exposures.models import Test
from server.exposures.schemas import ChartScanIn
from server.files.models import Picture
from server.files.paths import on_disk
from server.replies.errors import BadValue
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task

READ_TEST, READ_STEPS = "read-test", "read-steps"


def ask_to_read(user: User, room_id: uuid.UUID, test_id: uuid.UUID, given: ChartScanIn) -> Task:
    """Return the task that reads a test's patches, or a chart's steps.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A test that was made elsewhere: how it is laid is not known.
    """
    room = enter(user, room_id, "expose")
    test = find(Test, room, test_id)
    picture = find(Picture, room, given.picture)
    planned = PairTestInput.model_validate(within(PairTestInput, test.planned or {}))
    asked: dict[str, Any] = {
        "picture": str(picture.id),
        "corners_px": given.model_dump(mode="json")["corners"],
        "width_mm": given.width_mm or planned.width_mm,
        "height_mm": given.height_mm or planned.height_mm,
    }
    if given.what == "chart":
        return ask_for(READ_STEPS, room=room, user=user, task_id=given.id, about=picture.id,
                       given=asked | {"steps": given.steps})  # fmt: skip
    if not test.planned:
        raise BadValue(
            "not-planned", "How this test is laid is not known: it was not planned here. Read its "
            "patches by hand, or from a file.", field="what", value=given.what, allowed="chart",
        )  # fmt: skip
    plan = pair_test(planned)
    times = test.exposed or {
        "screen_seconds": plan.screen_seconds, "image_seconds": plan.image_seconds
    }  # fmt: skip
    return ask_for(READ_TEST, room=room, user=user, task_id=given.id, about=picture.id,
                   given=asked | times)  # fmt: skip


def scan_of(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the picture as it lies on disk."""
    given = dict(task.given)
    image = on_disk(task.room, given.pop("picture"))
    return given | {"image": image}


def keep_nothing(task: Task) -> None:
    """What was read is the answer; whoever keeps the test or the chart takes it from there."""
