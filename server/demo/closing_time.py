"""Closing Time: a drypoint on acrylic, its trial, marks, photographs, and 11 of 20 pulled."""

from __future__ import annotations

import shutil
import uuid
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import mkdtemp
from typing import Any

import cv2
import numpy as np

from core.calculators import compute
from server.accounts.models import User
from server.demo.closing_edition import load_closing_edition
from server.demo.closing_strokes import LIGHTS, drawing, photograph
from server.demo.store import keep_drawn
from server.demo.tablet import MakeId, NeedleTablet
from server.demo.when import hour_of
from server.marks.actions.keep import keep_marks, make_trial, marks_row
from server.marks.actions.look import ask_to_look, keep_look, photographs_of
from server.marks.models import Look, Marks, Trial
from server.marks.schemas import MarkGroup, MarksIn, PlateLookIn, TrialIn
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.tasks.files import write_to
from server.tasks.models import Task

TRIAL: dict[str, Any] = {
    "name": "Steel needle on acrylic", "material": "acrylic", "needle": "steel needle, 90 µm",
    "needle_um": 90, "lightest_lstar": 94, "solid_lstar": 18,
    "pressures": [
        {"pressure": n, "spacing_um": 320, "lstar": tone, "spread": 0.8}
        for n, tone in ((1, 85), (2, 76), (3, 66), (4, 55), (5, 47))
    ],
    "textures": [
        {"texture": f"abrasive-{grit}", "lstar": tone}
        for grit, tone in ((80, 48), (120, 57), (240, 68), (400, 79))
    ],
}  # fmt: skip
GROUPS: tuple[dict[str, Any], ...] = (
    {"name": "Shutter", "lstar": 41, "layers": 2, "x_mm": 42, "y_mm": 39, "width_mm": 92,
     "height_mm": 20},
    {"name": "Sky", "lstar": 36, "layers": 2, "x_mm": 2, "y_mm": 2, "width_mm": 124,
     "height_mm": 18},
    {"name": "Counter, under", "lstar": 22, "layers": 3, "x_mm": 39, "y_mm": 82, "width_mm": 98,
     "height_mm": 15},
    {"name": "Stones", "lstar": 66, "layers": 1, "pressure": 2, "x_mm": 10, "y_mm": 111,
     "width_mm": 160, "height_mm": 15},
)  # fmt: skip
DRAWN = {"Shutter": 0.55, "Sky": 1.0, "Counter, under": 1.0, "Stones": 0.4}
SITTINGS = ((16, 9.5, 50), (16, 11.0, 45), (14, 10.0, 60), (13, 15.0, 40))
"""Days ago, hour, minutes."""


def load_closing_time(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Store what was planned, drawn, seen and pulled of Closing Time."""
    plate = Plate.objects.get(id=make_id("Closing Time"))
    given = TrialIn(id=make_id("acrylic trial"), read_on=(now - timedelta(days=20)).date(), **TRIAL)
    with told_from(hour_of(now, 20, 11)):
        trial = make_trial(user, room.id, given)
    Trial.objects.filter(id=trial.id).update(created_at=now - timedelta(days=20))
    picture = _picture(room, user, make_id, "closing drawing", drawing())
    Plate.objects.filter(id=plate.id).update(study_id=picture)
    plate.refresh_from_db()
    Marks.objects.filter(id=marks_row(room, plate).id).update(created_at=now - timedelta(days=30))
    groups = [MarkGroup(**each) for each in GROUPS]
    planned = MarksIn(version=0, trial=trial.id, needle_um=90, lstar=41, groups=groups, wanted=20)
    with told_from(hour_of(now, 19, 15)):
        keep_marks(user, room.id, plate.id, planned)
    with told_from(hour_of(now, 13, 14)):
        _look(room, user, plate, now, make_id)
    tablet = NeedleTablet(user, marks_row(room, plate), plate.name, now, make_id)
    for days, hour, minutes in SITTINGS:
        tablet.sat(hour_of(now, days, hour), minutes)
    for name, share in DRAWN.items():
        tablet.log("marked", hour_of(now, 13, 16), group=name, share=share)
    load_closing_edition(room, user, now, make_id)


def _picture(
    room: Room, user: User, make_id: MakeId, name: str, grey: np.ndarray[Any, Any]
) -> uuid.UUID:
    _, coded = cv2.imencode(".png", grey)
    return keep_drawn(user, room, make_id(name), f"{name.replace(' ', '-')}.png", coded.tobytes())


def _look(room: Room, user: User, plate: Plate, now: datetime, make_id: MakeId) -> None:
    """Photograph it from four sides and merge what is seen, as the worker would."""
    pictures = [
        _picture(room, user, make_id, f"closing light {n + 1}", photograph(n))
        for n in range(len(LIGHTS))
    ]
    task = ask_to_look(
        user, room.id, plate.id, PlateLookIn(id=make_id("closing look"), pictures=pictures)
    )
    done_at_once(task)
    keep_look(task)
    task.save()
    Look.objects.filter(id=task.id).update(created_at=hour_of(now, 13, 14))


def done_at_once(task: Task) -> None:
    """Do a task's calculation here, as its worker would; its file stands where it is fetched."""
    folder = Path(mkdtemp())
    given = photographs_of(task)
    given["write"] = str(folder / "view.png")
    result: Any = compute("scratch-view", given)
    Path(write_to(task)).parent.mkdir(parents=True, exist_ok=True)
    shutil.rmtree(write_to(task), ignore_errors=True)
    shutil.move(str(folder), write_to(task))
    task.result = result.model_dump(mode="json")
    task.state, task.progress, task.ended_at = "done", 1.0, task.created_at
