"""Ask for films: a dot screen, a test's or chart's film, the positive of a picture."""

from __future__ import annotations

import uuid
from pathlib import Path
from typing import Any

from core.limits import within
from core.polymer.chart_cells import TEST_FILMS
from core.polymer.pair_test import PairTestInput
from core.units import MM_PER_INCH
from server.accounts.models import User
from server.exposures.models import Chart, Test
from server.exposures.schemas import ChartFilmIn, PositiveIn, ScreenIn
from server.files.models import Picture
from server.files.paths import on_disk
from server.plates.models import Plate
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.files import bare_names, write_to
from server.tasks.models import Task

SCREEN, CHART_FILM, POSITIVE = "dot-screen", "step-chart", "positive"


def ask_for_screen(user: User, room_id: uuid.UUID, given: ScreenIn) -> Task:
    """Return the task that makes a dot screen; it is of the room.

    Raises
    ------
    NotFound, NotAllowed
    """
    room = enter(user, room_id, "expose")
    a_pixel = MM_PER_INCH * 1000 / given.dpi
    sides = {
        f"{name}_px": max(16, round(getattr(given, f"{name}_mm") * 1000 / a_pixel))
        for name in ("width", "height")
    }
    asked = given.model_dump(mode="json", include={"dot_um", "open_share", "seed"})
    return ask_for(
        SCREEN, room=room, user=user, task_id=given.id, about=room.id,
        given=asked | sides | {"um_per_pixel": round(a_pixel, 5)},
    )  # fmt: skip


def ask_for_chart_film(
    user: User, room_id: uuid.UUID, test_id: uuid.UUID, given: ChartFilmIn
) -> Task:
    """Return the task that draws a test's film, or a step chart for its pair.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A film of a test that was made elsewhere: how it is laid is not known.
    """
    room = enter(user, room_id, "expose")
    test = find(Test, room, test_id)
    planned = test.planned and PairTestInput.model_validate(within(PairTestInput, test.planned))
    if given.what == "test" and not planned:
        raise BadValue(
            "not-planned", "How this test is laid is not known: it was not planned here.",
            field="what", value=given.what, allowed="chart",
        )  # fmt: skip
    usual = planned or PairTestInput()
    size = {
        "width_mm": given.width_mm or usual.width_mm,
        "height_mm": given.height_mm or usual.height_mm,
    }
    laid: dict[str, Any] = {"steps": given.steps}
    if given.what == "test":
        laid = {"films": list(TEST_FILMS), "across": usual.image_steps,
                "down": usual.screen_steps}  # fmt: skip
    asked = given.model_dump(mode="json", include={"dpi", "printed_side", "forms"})
    return ask_for(
        CHART_FILM, room=room, user=user, task_id=given.id, about=test.id,
        given=asked | size | laid,
    )  # fmt: skip


def ask_for_positive(
    user: User, room_id: uuid.UUID, plate_id: uuid.UUID, given: PositiveIn
) -> Task:
    """Return the task that makes a plate's positive.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A chart that gives no curve.
    """
    room = enter(user, room_id, "expose")
    plate = find(Plate, room, plate_id)
    picture = find(Picture, room, given.picture)
    asked = given.model_dump(mode="json", exclude={"id", "picture", "chart"})
    asked |= {
        "picture": str(picture.id), "correction": _curve_of(room, given.chart),
        "width_mm": plate.width_mm, "height_mm": plate.height_mm,
    }  # fmt: skip
    return ask_for(POSITIVE, room=room, user=user, task_id=given.id, about=plate.id, given=asked)


def _curve_of(room: Room, chart_id: uuid.UUID | None) -> dict[str, Any] | None:
    if chart_id is None:
        return None
    chart = find(Chart, room, chart_id)
    if chart.curve is None:
        raise BadValue(
            "no-curve", f"{chart.name} gives no curve: read its steps first.", field="chart",
            value=str(chart.id), allowed="a chart that was read",
        )  # fmt: skip
    return {name: chart.curve[name] for name in ("film", "lightest_lstar", "darkest_lstar")}


def prepare_screen(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: a file in a folder of the task's own."""
    return {**task.given, "write": str(Path(write_to(task)) / "screen.png")}


def prepare_chart_film(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: a folder of the task's own."""
    return {**task.given, "write": write_to(task)}


def prepare_positive(task: Task) -> dict[str, Any]:
    """Return what the calculator takes: the picture on disk and a folder of the task's own."""
    given = dict(task.given)
    return given | {"image": on_disk(task.room, given.pop("picture")), "write": write_to(task)}


def name_files(task: Task) -> None:
    """Name the files as they are fetched: none by a path of the server's own."""
    answer: dict[str, Any] = task.result or {}
    lists = {key: bare_names(answer[key]) for key in ("files", "previews") if key in answer}
    alone = {"path": Path(answer["path"]).name} if "path" in answer else {}
    task.result = answer | lists | alone
