"""Steam Stall: soft ground laid a few minutes ago, cooling."""

from __future__ import annotations

from datetime import datetime, timedelta

from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.demo.hands import Steps, do_steps, move_back
from server.demo.tablet import MakeId
from server.plates.models import Plate
from server.rooms.models import Room
from server.timers.actions.keep import start_timer
from server.timers.schemas import TimerIn

STEPS: Steps = (
    ("cut", {"face": True}),
    ("bevel", {"angle": 45, "film": "none", "corners": True}),
    ("polish", {"scratches": True}),
    ("degrease", {"degreaser": "whiting and ammonia 1:20", "water_break": "passed", "tries": 1}),
    ("back", {"back": "filmed", "edges": True}),
    ("drawing", {"reversal": "accepted", "lettering": "none"}),
    ("soft-ground", {"heat": 75, "film": "even"}),
)
COOLING_SECONDS, GONE_SECONDS = 12 * 60.0, 4 * 60.0


def load_steam_stall(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the plate with its course and its cooling timer."""
    plate = Plate.objects.create(
        id=make_id("Steam Stall"), room=room, name="Steam Stall", metal="copper",
        route="soft ground", routes=["soft ground", "spit bite"], thickness_mm=1.2, width_mm=150,
        height_mm=150, place="ground", facts={"face_marked": True, "back": "filmed"},
    )  # fmt: skip
    begin_course(plate)
    do_steps(plate, user, STEPS)
    move_back(plate, now - timedelta(seconds=GONE_SECONDS), timedelta(minutes=14))
    start_timer(
        user, room.id,
        TimerIn(
            id=make_id("steam cooling"), plate=plate.id, what="ground cooling",
            seconds=COOLING_SECONDS, ago_seconds=GONE_SECONDS,
        ),
    )  # fmt: skip
