"""Steam Stall: soft ground laid a few minutes ago, cooling; its pools of steam planned."""

from __future__ import annotations

from datetime import datetime, timedelta

from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.demo.hands import Steps, do_steps
from server.demo.tablet import MakeId
from server.plans.actions.keep import keep_plan
from server.plans.schemas import PlanArea, PlanIn
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.timers.actions.keep import start_timer
from server.timers.schemas import TimerIn

STEPS: Steps = (
    ("cut", {"face": True}),
    ("bevel", {"angle": 45, "film": "none", "corners": True}),
    ("polish", {"scratches": True}),
    ("drawing", {"reversal": "accepted", "lettering": "none"}),
    ("degrease", {"degreaser": "whiting and ammonia 1 + 20", "water_break": "passed", "tries": 1}),
    ("soft-ground", {"heat": 75, "film": "even"}),
)
COOLING_SECONDS, GONE_SECONDS = 12 * 60.0, 4 * 60.0
TEXTURES = (
    ("Gauze", "awning cloth", 35.0, 18.0),
    ("Thread", "the stall's ropes", 60.0, 4.0),
)
"""Name, what it is, depth [µm], metal opened [cm²]."""
POOLS: tuple[tuple[str, str, float | None, float], ...] = (
    ("Whites", "pot lids, lamp", None, 30.0),
    ("Thin steam", "above the pots", 74.0, 12.0),
    ("Steam", "rolling under the awning", 55.0, 16.0),
    ("Shadow", "behind the counter", 36.0, 8.0),
)
"""Name, what it is, L* wanted, surface [cm²]."""


def load_steam_stall(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the plate with its course, its plans and its cooling timer."""
    plate = Plate.objects.create(
        id=make_id("Steam Stall"), room=room, name="Steam Stall", metal="copper",
        route="soft ground", routes=["soft ground", "spit bite"], thickness_mm=1.2, width_mm=150,
        height_mm=150, place="ground", facts={"face_marked": True, "back": "filmed"},
    )  # fmt: skip
    begin_course(plate)
    laid = now - timedelta(seconds=GONE_SECONDS)
    with told_from(laid - timedelta(hours=3), timedelta(minutes=9)):
        _plans(room, user, plate, make_id)
    do_steps(plate, user, STEPS, laid, timedelta(minutes=14))
    cooling = TimerIn(
        id=make_id("steam cooling"), plate=plate.id, what="ground cooling",
        seconds=COOLING_SECONDS, ago_seconds=GONE_SECONDS,
    )  # fmt: skip
    with told_from(laid + timedelta(seconds=1)):
        start_timer(user, room.id, cooling)


def _plans(room: Room, user: User, plate: Plate, make_id: MakeId) -> None:
    textures = [
        PlanArea(name=name, parts=parts, depth_um=depth, open_cm2=open_cm2)
        for name, parts, depth, open_cm2 in TEXTURES
    ]
    pools = [
        PlanArea(name=name, parts=parts, lstar=lstar, open_cm2=open_cm2)
        for name, parts, lstar, open_cm2 in POOLS
    ]
    for part, bath, strip, areas in (
        ("lines", "Amber tray", None, textures),
        ("spit-bite", "Brown bottle", make_id("Rosin last week"), pools),
    ):
        given = PlanIn(
            id=make_id(f"steam {part}"), part=part, bath=make_id(bath), strip=strip, areas=areas
        )
        keep_plan(user, room.id, plate.id, given)
