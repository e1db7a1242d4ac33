"""Ask for what takes long: the preview, a scan read, stencils, a tracing, the template."""

from __future__ import annotations

import uuid
from typing import Any

from server.accounts.models import User
from server.editions.actions.template import TEMPLATE
from server.files.models import Picture
from server.replies.errors import BadValue
from server.rooms.models import Room
from server.rooms.permissions import enter, find
from server.tasks.actions.ask import ask_for
from server.tasks.models import Task
from server.works.asked import PREVIEW, READ, STENCILS, TRACING, films_of, preview_asked
from server.works.layers import FILMS, decided_of, layers_out, things_of
from server.works.models import Layering
from server.works.schemas import (
    AskIn,
    LayerOut,
    SheetReadIn,
    StencilsAsk,
    TracingAsk,
    WorkDecided,
    WorkTemplateIn,
)
from server.works.state import work_state_of


class _Asked:
    """A work that something is asked for."""

    def __init__(self, user: User, room_id: uuid.UUID, work_id: uuid.UUID) -> None:
        self.user, self.room = user, enter(user, room_id, "print")
        self.row = find(Layering, self.room, work_id)
        self.decided: WorkDecided = decided_of(self.row)
        self.arm, self.layers = layers_out(self.decided, things_of(self.row, self.decided))

    def task(self, kind: str, task_id: uuid.UUID, given: dict[str, Any]) -> Task:
        """Return the task that does it."""
        return ask_for(kind, room=self.room, user=self.user, task_id=task_id, about=self.row.id,
                       given=given)  # fmt: skip


def ask_for_preview(user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: AskIn) -> Task:
    """Return the task that draws the print of all plates.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        No layer has a picture of what it prints.
    """
    work = _Asked(user, room_id, work_id)
    _films(work.layers)
    return work.task(PREVIEW, given.id, preview_asked(work.decided, work.layers))


def ask_to_read_sheet(
    user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: SheetReadIn
) -> Task:
    """Return the task that reads a scan of a sheet.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A sheet that has no prints; no picture of what its plates print.
    """
    work = _Asked(user, room_id, work_id)
    picture = find(Picture, work.room, given.picture)
    state = work_state_of(work.row)
    sheet = next((each for each in state.sheets if each.event == given.sheet), None)
    there = {each.layer for each in sheet.prints} if sheet else set()
    films = [each for each in _films(work.layers) if each.id in there and each.kind in FILMS]
    if not films:
        raise BadValue(
            "nothing-printed", "Nothing is printed on this sheet that a scan could be held "
            "against. Log its layers first, and give each a picture of what it prints.",
            field="sheet", value=str(given.sheet), allowed="a sheet with printed layers",
        )  # fmt: skip
    asked = preview_asked(work.decided, films)
    for plate, film in zip(asked["plates"], films, strict=True):
        plate["crosses"] = [list(each) for each in film.places]
    key = next((each.name for each in films if each.key), films[-1].name)
    return work.task(READ, given.id, {
        **asked, "sheet": str(given.sheet), "image": str(picture.id), "key": key,
        "arm_mm": work.arm, "corners_px": given.corners,
    })  # fmt: skip


def ask_for_stencils(
    user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: StencilsAsk
) -> Task:
    """Return the task that cuts a drawing into stencils.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        No drawing; a drawing larger than the plate.
    """
    work = _Asked(user, room_id, work_id)
    wide, high = given.width_mm or work.decided.width_mm, given.height_mm or work.decided.height_mm
    for field, side, most in (
        ("width_mm", wide, work.decided.width_mm), ("height_mm", high, work.decided.height_mm),
    ):  # fmt: skip
        if side > most:
            raise BadValue(
                "stencil-larger-than-plate", "The drawing is larger than the plate: the stencil "
                "would open beyond its edge, and ink would go onto the bed.", field=field,
                value=side, allowed=f"at most {most:g}", unit="mm",
            )  # fmt: skip
    return work.task(STENCILS, given.id, {
        "image": _drawing(work.room, given.picture or work.decided.drawing),
        "size_mm": [wide, high], "plate_mm": [work.decided.width_mm, work.decided.height_mm],
        "colours": given.colours, "smooth_mm": given.smooth_mm, "paper": given.print_on,
        "about": work.row.work.name,
    })  # fmt: skip


def ask_for_tracing(user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: TracingAsk) -> Task:
    """Return the task that lays a drawing out, mirrored, what was followed marked.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        No drawing; a sheet smaller than the plate.
    """
    work = _Asked(user, room_id, work_id)
    _check_sheet(work.decided)
    layer = next((each for each in work.layers if each.id == given.layer), None)
    picture = given.picture or (layer.picture if layer else None) or work.decided.drawing
    done = {each.layer: each.pieces for each in work_state_of(work.row).followed}
    return work.task(TRACING, given.id, {
        "image": _drawing(work.room, picture), "layer": str(given.layer),
        "plate_mm": [work.decided.width_mm, work.decided.height_mm],
        "sheet_mm": [work.decided.sheet_width_mm, work.decided.sheet_height_mm],
        "lift_mm": work.decided.lift_mm, "followed": done.get(given.layer, []),
        "paper": given.print_on, "about": work.row.work.name,
    })  # fmt: skip


def ask_for_work_template(
    user: User, room_id: uuid.UUID, work_id: uuid.UUID, given: WorkTemplateIn
) -> Task:
    """Return the task that draws the template all plates are laid on, with their crosses.

    Raises
    ------
    NotFound, NotAllowed
    BadValue
        A sheet smaller than the plate.
    """
    work = _Asked(user, room_id, work_id)
    _check_sheet(work.decided)
    wide = work.decided.width_mm
    return work.task(TEMPLATE, given.id, {
        "plate_mm": [wide, work.decided.height_mm],
        "paper_mm": [work.decided.sheet_width_mm, work.decided.sheet_height_mm],
        "lift_mm": work.decided.lift_mm, "print_on": given.print_on,
        "about": work.row.work.name,
        # the plate lies face up under the paper: what prints at the left lies at the right
        "marks": [
            {"name": each.name, "x_mm": round(wide - x, 2), "y_mm": y}
            for each in work.layers for x, y in each.places
        ],
    })  # fmt: skip


def _films(layers: list[LayerOut]) -> list[LayerOut]:
    films = films_of(layers)
    if not films:
        raise BadValue(
            "no-pictures", "No layer has a picture of what it prints yet. Give one to a layer: a "
            "drawing, a study, or a photograph of its proof.", field="layers",
            allowed="a picture of at least one layer",
        )  # fmt: skip
    return films


def _drawing(room: Room, picture: uuid.UUID | None) -> str:
    if picture is None:
        raise BadValue("no-drawing", "Give the work a drawing first.", field="picture",
                       allowed="a picture")  # fmt: skip
    return str(find(Picture, room, picture).id)


def _check_sheet(decided: WorkDecided) -> None:
    for field, side, least in (
        ("sheet_width_mm", decided.sheet_width_mm, decided.width_mm),
        ("sheet_height_mm", decided.sheet_height_mm, decided.height_mm),
    ):
        if side < least:
            raise BadValue(
                "paper-smaller-than-plate", "The sheet is smaller than the plate as it lies. Turn "
                "one of them, or take a larger sheet.", field=field, value=side,
                allowed=f"at least {least:g}", unit="mm",
            )  # fmt: skip
