"""The Weighbridge as it was engraved before its aquatint: lettering, sittings, a slip mended."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import Any

from server.accounts.models import User
from server.demo.tablet import MakeId, NeedleTablet
from server.demo.when import at_work, hour_of
from server.marks.actions.keep import keep_marks, marks_row
from server.marks.models import Marks
from server.marks.schemas import MarkGroup, MarksIn
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Room

WORDS = "THE WEIGHBRIDGE"
GROUPS: tuple[dict[str, Any], ...] = (
    {"name": "Hut boards", "lstar": 55, "layers": 1, "pressure": 2, "x_mm": 20, "y_mm": 30,
     "width_mm": 30, "height_mm": 25},
    {"name": "Rails", "lstar": 48, "layers": 2, "pressure": 2, "x_mm": 10, "y_mm": 70,
     "width_mm": 90, "height_mm": 8},
)  # fmt: skip
SITTINGS = ((38, 9.5, 48), (37, 14.0, 36), (33, 10.0, 52), (31, 9.0, 40))
"""Days ago, hour, minutes."""
DULL_AFTER = (11, 13, 9, 12)


def load_weighbridge_marks(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Store its lettering, checked letter by letter, its sittings and what the burin did."""
    plate = Plate.objects.get(id=make_id("The Weighbridge"))
    Marks.objects.filter(id=marks_row(room, plate).id).update(created_at=now - timedelta(days=45))
    letters = [place for place, each in enumerate(WORDS, 1) if each != " "]
    planned = MarksIn(
        version=0, kind="engraving", needle_um=60, pressure=2, lstar=48, words=WORDS,
        letters_checked=letters, groups=[MarkGroup(**each) for each in GROUPS],
    )  # fmt: skip
    with told_from(at_work(now) - timedelta(days=45)):
        keep_marks(user, room.id, plate.id, planned)
    tablet = NeedleTablet(user, marks_row(room, plate), f"{plate.name} marks", now, make_id)
    for days, hour, minutes in SITTINGS:
        _engraved(tablet, hour_of(now, days, hour), minutes)
    done = at_work(now) - timedelta(days=31)
    slip = tablet.log("slipped", done - timedelta(days=2), where="below the window")
    tablet.log("mended", done, slip=str(slip), minutes=14)
    for group in GROUPS:
        tablet.log("marked", done, group=group["name"])


def _engraved(tablet: NeedleTablet, begin: datetime, minutes: float) -> None:
    """Sit down and engrave, the burin sharpened when it dulled."""
    tablet.sat(begin, minutes, work="engraving")
    at = 0
    for each in DULL_AFTER:
        at += each
        if at < minutes:
            tablet.log("sharpened", begin + timedelta(minutes=at))
