"""Berry Punnet: scratched into food packaging at a kitchen table, one trial printed."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from server.accounts.models import User
from server.demo.hands import Steps, do_steps
from server.demo.tablet import MakeId, NeedleTablet
from server.demo.when import at_work
from server.marks.actions.keep import keep_marks, marks_row
from server.marks.models import Marks
from server.marks.schemas import MarkGroup, MarksIn
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Room

STEPS: Steps = (
    ("cut", {}),
    ("film-back", {"film": "none", "label": "taken off"}),
    ("drawing", {"reversal": "accepted", "lettering": "none"}),
    ("mark-side", {"bottom": True, "hinge": True}),
    ("under-drawing", {"route": "under the plate"}),
    ("look-scratches", {"done": 100, "bevel": "none"}),
    ("kitchen-ink", {"ink": "cosmetic colour in oil"}),
    ("kitchen-damp", {"minutes": 4}),
    ("kitchen-gap", {"tool": "craft roller", "gap": 4, "packing": 2, "paper_first": True}),
    ("trial-one", {"note": "Pale in the middle: a strip of packing there.", "gap": 4}),
)
GROUPS: tuple[dict[str, Any], ...] = (
    {"name": "Berries", "lstar": 38, "layers": 2, "pressure": 4, "x_mm": 30, "y_mm": 25,
     "width_mm": 55, "height_mm": 35},
    {"name": "Shade", "lstar": 62, "way": "texture", "texture": "rolled-240", "times": 2,
     "x_mm": 20, "y_mm": 62, "width_mm": 80, "height_mm": 18},
)  # fmt: skip


def load_berry_punnet(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Store its course up to the first trial, its marks and how they were drawn."""
    plate = Plate.objects.get(id=make_id("Berry Punnet"))
    Marks.objects.filter(id=marks_row(room, plate).id).update(created_at=now - timedelta(days=9))
    groups = [MarkGroup(**each) for each in GROUPS]
    past = at_work(now)
    with told_from(past - timedelta(days=4)):
        keep_marks(user, room.id, plate.id, MarksIn(version=0, groups=groups, lstar=38, wanted=6))
    tablet = NeedleTablet(user, marks_row(room, plate), plate.name, now, make_id)
    begin = past - timedelta(days=3, hours=2)
    tablet.sat(begin, 25)
    tablet.sat(begin + timedelta(minutes=32), 22)
    for group in GROUPS:
        tablet.log("marked", begin + timedelta(minutes=60), group=group["name"])
    do_steps(plate, user, STEPS, past - timedelta(days=2, hours=1), timedelta(minutes=25))
    tablet.log("pulled", past - timedelta(days=2), note="first trial, gap 4", lstar=46.5)
