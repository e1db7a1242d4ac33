"""Rain on Awnings: lines in three depths on zinc, bitten and proofed, one group too light."""

from __future__ import annotations

from datetime import datetime, timedelta

import numpy as np

from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.demo import pictures
from server.demo.hands import Steps, do_steps
from server.demo.store import keep_drawn
from server.demo.tablet import MakeId, Tablet
from server.demo.when import at_work
from server.plans.actions.keep import keep_plan
from server.plans.schemas import PlanArea, PlanIn
from server.plates.models import Plate
from server.proofs.actions.log import log_proof
from server.proofs.schemas import ProofIn
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.runs.actions.begin import begin_run
from server.runs.actions.end import end_run
from server.runs.schemas import RunIn

STEPS: Steps = (
    ("cut", {"face": True}),
    ("bevel", {"angle": 45, "film": "left on", "corners": True}),
    ("polish", {"scratches": True}),
    ("drawing", {"reversal": "reversed first", "lettering": "none"}),
    ("degrease", {"degreaser": "whiting and ammonia 1 + 20", "water_break": "passed", "tries": 2}),
    ("ball-ground", {"heat": 95, "film": "thin", "smoked": True}),
    ("transfer", {"route": "white tissue"}),
    ("draw", {"needle": 50}),
    ("touch-up", {"edges": True}),
    ("back", {"back": "varnished", "edges": True}),
)
GROUPS: tuple[tuple[str, str, float, float, float, float], ...] = (
    ("Far rain", "rain over the river", 18.0, 40.0, 500.0, 9.0),
    ("Awnings", "stripes, counters, figures", 42.0, 50.0, 600.0, 22.0),
    ("Near rain", "strokes in front, gutters", 80.0, 80.0, 700.0, 14.0),
)
"""Name, what it is, depth [µm], needle [µm], spacing [µm], metal opened [cm²]."""
BEGUN = timedelta(days=3)
BETWEEN = timedelta(minutes=22)


def load_rain_on_awnings(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the plate with its course, line plan, bites and two states."""
    drawn = pictures.rain_lines(np.random.default_rng(11))
    study = keep_drawn(user, room, make_id("rain study"), "rain.png", pictures.as_png(drawn))
    plate = Plate.objects.create(
        id=make_id("Rain on Awnings"), room=room, name="Rain on Awnings", metal="zinc",
        route="etched line", thickness_mm=1.5, width_mm=250, height_mm=180, study_id=study,
        facts={"face_marked": True, "back": "varnished"},
    )  # fmt: skip
    begin_course(plate)
    begun = at_work(now) - BEGUN
    do_steps(plate, user, STEPS, begun - timedelta(days=1), timedelta(minutes=25))
    with told_from(begun - timedelta(hours=1)):
        _plan(room, user, plate, make_id)
    _bites(room, user, plate, now, make_id)
    do_steps(plate, user, (("strip-ground", {}),), begun + 4 * BETWEEN, BETWEEN)
    _states(room, user, plate, drawn, now, make_id)


def _plan(room: Room, user: User, plate: Plate, make_id: MakeId) -> None:
    areas = [
        PlanArea(name=name, parts=parts, depth_um=depth, needle_um=needle, spacing_um=spacing,
                 open_cm2=open_cm2)
        for name, parts, depth, needle, spacing, open_cm2 in GROUPS
    ]  # fmt: skip
    given = PlanIn(
        id=make_id("rain plan"), part="lines", bath=make_id("Blue tray"),
        strip=make_id("Lines on zinc"), areas=areas,
    )  # fmt: skip
    keep_plan(user, room.id, plate.id, given)


def _bites(room: Room, user: User, plate: Plate, now: datetime, make_id: MakeId) -> None:
    begin = at_work(now) - BEGUN
    with told_from(begin - timedelta(minutes=2)):
        run = begin_run(user, room.id, RunIn(id=make_id("rain run"), plate=plate.id))
    tablet = Tablet(user, run, now, make_id)
    tablet.log("temperature", begin - timedelta(minutes=1), celsius=18.0)
    for number in range(len(GROUPS)):
        tablet.bite(begin + number * BETWEEN, 0.0)
    with told_from(begin + 3 * BETWEEN):
        end_run(user, room.id, run.id)


def _states(
    room: Room, user: User, plate: Plate, drawn: pictures.Map, now: datetime, make_id: MakeId
) -> None:
    for number, days, note in (
        (1, 2, "All lines there. Far rain weak on the left; was the wipe too hard?"),
        (2, 1, "Same wipe, softer ink: far rain still too light. The others stand."),
    ):
        picture = keep_drawn(
            user, room, make_id(f"rain state {number}"), f"state-{number}.jpg",
            pictures.on_sheet(drawn, np.random.default_rng(number)),
        )  # fmt: skip
        proof = ProofIn(
            id=make_id(f"rain proof {number}"), plate=plate.id, picture=picture,
            pulled_at=at_work(now) - timedelta(days=days),
            paper="soft cotton, 280 g/m²", soak_minutes=40,
            ink="blue-black, a fifth medium", wipe="gauze, then hand", pressure="felt pair, firm",
            note=note, foul_bite=False,
        )  # fmt: skip
        log_proof(user, room.id, proof)
