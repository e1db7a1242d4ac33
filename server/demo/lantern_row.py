"""Lantern Row: an aquatint over etched line, two bites done and the third under way."""

from __future__ import annotations

from datetime import datetime, timedelta

import numpy as np

from core.data.study import ISLAND_MM2
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
from server.runs.actions.state import follow
from server.runs.schemas import RunIn
from server.studies.actions.keep import keep_study
from server.studies.field import field_at_once
from server.studies.schemas import SketchIn, StudyIn

AREAS: tuple[tuple[str, str, float | None], ...] = (
    ("Paper", "lantern hearts, awning whites", None),
    ("Tone 1", "first halos, fruit", 84.0),
    ("Tone 2", "awnings, lit ground", 69.0),
    ("Tone 3", "paving, outer halos", 52.0),
    ("Tone 4", "low sky, counters", 37.0),
    ("Tone 5", "high sky, roofs, people", 26.0),
)
PREPARED: Steps = (
    ("cut", {"face": True}),
    ("bevel", {"angle": 45, "film": "none", "corners": True}),
    ("polish", {"scratches": True}),
    ("drawing", {"reversal": "reversed first", "lettering": "none"}),
)
GROUNDED: Steps = (
    ("degrease", {"degreaser": "whiting and ammonia 1 + 20", "water_break": "passed", "tries": 1}),
    ("dust", {"settle": 60, "box": 8, "covered": 52}),
    ("fuse", {"heat": 140, "clear": True}),
    ("transfer", {"route": "chalk sheet"}),
    ("whites", {"edges": True}),
    ("back", {"back": "filmed", "edges": True}),
)
EACH_STEP = timedelta(minutes=20)
GROUNDED_BEFORE = timedelta(minutes=50)
STUDY_LSTARS = [94.0, 84.0, 69.0, 52.0, 37.0, 26.0]
WIDTH_MM, HEIGHT_MM = 200.0, 150.0
SECOND_BITE_LATE_SECONDS = 8.0
INTO_THIRD_SECONDS = 35.0
BETWEEN_BITES = timedelta(minutes=14)


def load_lantern_row(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the plate with its study, plan, earlier proof and run."""
    tones = pictures.lantern_row_tones()
    study = keep_drawn(user, room, make_id("study"), "study.png",
                     pictures.value_study(tones, STUDY_LSTARS))  # fmt: skip
    plate = Plate.objects.create(
        id=make_id("Lantern Row"), room=room, name="Lantern Row", metal="copper",
        route="aquatint", thickness_mm=1.2, width_mm=WIDTH_MM, height_mm=HEIGHT_MM,
        place="rosin", study_id=study, facts={"face_marked": True, "back": "filmed"},
    )  # fmt: skip
    begin_course(plate)
    lines, grounded = at_work(now) - timedelta(days=4), now - GROUNDED_BEFORE
    do_steps(plate, user, PREPARED, lines, EACH_STEP)
    _first_state(room, user, plate, tones, now, make_id)
    with told_from(at_work(now) - timedelta(days=2), EACH_STEP):
        _plan(room, user, plate, tones, make_id)
        _study(room, user, plate, make_id)
    do_steps(plate, user, GROUNDED, grounded, EACH_STEP)
    _bites(room, user, plate, now, make_id)


def _first_state(
    room: Room, user: User, plate: Plate, tones: pictures.Map, now: datetime, make_id: MakeId
) -> None:
    """Log the proof of the line work, before the aquatint."""
    drawn = pictures.line_proof(tones, rng=np.random.default_rng(7))
    picture = keep_drawn(user, room, make_id("line proof"), "state-1.jpg", drawn)
    log_proof(
        user, room.id,
        ProofIn(
            id=make_id("State I"), plate=plate.id, picture=picture,
            pulled_at=at_work(now) - timedelta(days=3),
            paper="soft cotton, 280 g/m²", soak_minutes=40,
            ink="black, a quarter medium", wipe="gauze, then paper", pressure="felt pair, firm",
            passes=1, note="Lines hold. Sky stays for the aquatint.",
        ),
    )  # fmt: skip
    Plate.objects.filter(id=plate.id).update(place="rosin")


def _plan(room: Room, user: User, plate: Plate, tones: pictures.Map, make_id: MakeId) -> None:
    surface = WIDTH_MM * HEIGHT_MM / 100
    areas = [
        PlanArea(name=name, parts=parts, lstar=lstar, open_cm2=round(share * surface, 1))
        for (name, parts, lstar), share in zip(AREAS, pictures.shares(tones), strict=True)
    ]
    keep_plan(
        user, room.id, plate.id,
        PlanIn(
            id=make_id("plan"), bath=make_id("Amber tray"), strip=make_id("Rosin last week"),
            areas=areas,
        ),
    )  # fmt: skip


def _study(room: Room, user: User, plate: Plate, make_id: MakeId) -> None:
    """Cut the study into the tones of the plan: its areas are painted by its maps."""
    study = keep_study(
        user, room.id, plate.id,
        StudyIn(
            id=make_id("value study"), strip=make_id("Rosin last week"), bath=make_id("Amber tray"),
            sketches=[SketchIn(picture=make_id("study"), width_mm=WIDTH_MM, height_mm=HEIGHT_MM)],
            map="as-is", count=len(AREAS), join_mm2=ISLAND_MM2, lettering="none",
        ),
    )  # fmt: skip
    field_at_once(study)


def _bites(room: Room, user: User, plate: Plate, now: datetime, make_id: MakeId) -> None:
    third = now - timedelta(seconds=INTO_THIRD_SECONDS)
    first = third - 2 * BETWEEN_BITES
    with told_from(first - timedelta(minutes=4)):
        run = begin_run(user, room.id, RunIn(id=make_id("run"), plate=plate.id))
    tablet = Tablet(user, run, now, make_id)
    tablet.log("covered", first - timedelta(minutes=3), areas=["Paper"])
    tablet.log("temperature", first - timedelta(minutes=1), celsius=18.5)
    tablet.bite(first, 0.0)
    tablet.bite(first + BETWEEN_BITES, SECOND_BITE_LATE_SECONDS)
    bites = follow(run, third.timestamp()).sheet.plan.bites
    tablet.log("dip", third, open=[area.name for area in bites[0].areas])
