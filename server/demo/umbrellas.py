"""Paper Umbrellas: its lamp, two-way test and step chart, its film, its exposure, its proof."""

from __future__ import annotations

import json
import shutil
from datetime import datetime, timedelta
from functools import lru_cache
from tempfile import mkdtemp

import numpy as np

from core.calculators import compute
from core.data.exposure_stages import STAGES, StageKey
from core.polymer.correction_shapes import ChartStep
from core.polymer.pair_shapes import PairPatch
from core.polymer.pair_test import PairTestInput, pair_test
from server.accounts.models import User
from server.demo import umbrella_picture
from server.demo.hands import Steps, do_steps
from server.demo.store import keep_drawn
from server.demo.tablet import LampTablet, MakeId
from server.demo.when import at_work
from server.exposures.actions.expose import CAUTIONS_KNOWN, begin_exposure, end_exposure
from server.exposures.actions.films import (
    POSITIVE,
    ask_for_positive,
    name_files,
    prepare_positive,
)
from server.exposures.actions.state import follow
from server.exposures.actions.tests import make_chart, make_test
from server.exposures.models import Chart, Exposure, Lamp, Measurement, Test
from server.exposures.schemas import ChartIn, ExposureIn, PositiveIn, TestIn
from server.plates.models import Plate
from server.proofs.actions.log import log_proof
from server.proofs.schemas import ProofIn
from server.record.actions.write import told_from
from server.rooms.models import Room

LAMP = {
    "name": "Six tubes", "kind": "tubes", "hours": 412.0, "distance_mm": 80.0, "vacuum": True,
    "bed_width_mm": 420.0, "bed_height_mm": 320.0,
    "nine": [3.6, 3.9, 3.6, 3.9, 4.2, 3.9, 3.5, 3.8, 3.4],
    "note": "Wipe the glass before each plate.",
}  # fmt: skip
MEASURED = (
    (240, "irradiance", {"hours": 301.0, "mw_per_cm2": 4.42}),
    (96, "wedge", {"hours": 371.0, "seconds": 90.0, "held_step": 7.5, "step_density": 0.15}),
    (6, "irradiance", {"hours": 406.0, "mw_per_cm2": 4.15}),
    (1, "wedge", {"hours": 410.0, "seconds": 90.0, "held_step": 7.0, "step_density": 0.15}),
)
TEST_DAYS, CHART_DAYS, TEST_HOURS = 6, 3, 406.0
PLAN = PairTestInput(screen_seconds=80, image_seconds=160, width_mm=100, height_mm=75)
READ_LSTAR = 0.45
PREPARED: Steps = (("drawing", {"reversal": "accepted", "lettering": "none"}), ("cut", {}))
FILM_DPI = 360
EXPOSED, PROOFED = timedelta(days=2, hours=1), timedelta(days=1, hours=2)
DONE: tuple[tuple[StageKey, float, tuple[tuple[str, bool], ...]], ...] = (
    ("chalk", 6, ()), ("screen", 1, ()), ("image", 7, ()),
    ("wash", -20, (("clear-look", True), ("clear-touch", False))),
    ("wash", 0, (("clear-look", True), ("clear-touch", True))),
    ("blot", -8, (("no-water", True),)), ("dry", 130, (("not-tacky", True),)), ("harden", 3, ()),
)  # fmt: skip
"""Stage, how many seconds late, what was looked at and found."""
CHART_STEPS = 21


def load_paper_umbrellas(room: Room, keeper: User, now: datetime, make_id: MakeId) -> None:
    """Store what Paper Umbrellas is exposed by."""
    lamp = Lamp.objects.create(id=make_id("Six tubes"), room=room, **LAMP)
    for days, kind, said in MEASURED:
        Measurement.objects.create(
            id=make_id(f"Six tubes {days}"), room=room, lamp=lamp, by=keeper, kind=kind,
            at=now - timedelta(days=days), said={"kind": kind, **said},
        )  # fmt: skip
    stray = np.random.default_rng(21)
    test = _test(room, keeper, now, make_id, stray)
    chart = _chart(room, keeper, now, make_id, test, stray)
    plate = Plate.objects.get(id=make_id("Paper Umbrellas"))
    exposed, proofed = at_work(now) - EXPOSED, at_work(now) - PROOFED
    do_steps(plate, keeper, PREPARED, exposed - timedelta(hours=3), timedelta(minutes=50))
    _film(room, keeper, plate, chart, now, make_id)
    _expose(room, keeper, plate, test, now, make_id)
    trim: Steps = (("trim", {"trimmed": True}),)
    do_steps(plate, keeper, trim, proofed - timedelta(hours=3), timedelta(minutes=50))
    _proof(room, keeper, plate, chart, now, make_id)
    _to_expose(room, keeper, now, make_id)


def _test(
    room: Room, keeper: User, now: datetime, make_id: MakeId, stray: np.random.Generator
) -> Test:
    plan = pair_test(PLAN)
    given = TestIn(
        id=make_id("two-way test"), name="New film, chalked", lamp=make_id("Six tubes"),
        lamp_hours=TEST_HOURS, planned=PLAN, read_on=(now - timedelta(days=TEST_DAYS)).date(),
        patches=[_patch(s, i, stray) for s in plan.screen_seconds for i in plan.image_seconds],
        note="Read dry, by densitometer.",
    )  # fmt: skip
    at = at_work(now) - timedelta(days=TEST_DAYS)
    with told_from(at):
        made = make_test(keeper, room.id, given)
    Test.objects.filter(id=made.id).update(created_at=at)
    return made


def _chart(
    room: Room, keeper: User, now: datetime, make_id: MakeId, test: Test,
    stray: np.random.Generator,
) -> Chart:  # fmt: skip
    pair = test.pair or {"screen_seconds": 80.0, "image_seconds": 165.0}
    films = np.linspace(0, 1, CHART_STEPS)
    paper, _, _, solid = printed_tones(pair["screen_seconds"], pair["image_seconds"])
    tones = paper - (paper - solid) * (films + 0.55 * films * (1 - films))
    tones = tones + stray.normal(0, READ_LSTAR, CHART_STEPS)
    given = ChartIn(
        id=make_id("step chart"), name="21 steps by that pair", lamp=make_id("Six tubes"),
        lamp_hours=TEST_HOURS, test=test.id, screen_seconds=pair["screen_seconds"],
        image_seconds=pair["image_seconds"], read_on=(now - timedelta(days=CHART_DAYS)).date(),
        steps=[ChartStep(film=round(float(f), 3), lstar=round(float(y), 1), spread=0.8)
               for f, y in zip(films, tones, strict=True)],
    )  # fmt: skip
    at = at_work(now) - timedelta(days=CHART_DAYS)
    with told_from(at):
        made = make_chart(keeper, room.id, given)
    Chart.objects.filter(id=made.id).update(created_at=at)
    return made


def _film(
    room: Room, keeper: User, plate: Plate, chart: Chart, now: datetime, make_id: MakeId
) -> None:
    """Make its positive without a worker: the demo is set up by code."""
    picture = keep_drawn(
        keeper, room, make_id("umbrellas drawn"), "umbrellas.png", umbrella_picture.picture_png()
    )
    given = PositiveIn(
        id=make_id("umbrellas film"), picture=picture, chart=chart.id, dpi=FILM_DPI, forms=["tiff"]
    )
    task = ask_for_positive(keeper, room.id, plate.id, given)
    asked = prepare_positive(task)
    answer, folder = _made_once(json.dumps({**asked, "write": "", "image": ""}), asked["image"])
    shutil.copytree(folder, asked["write"], dirs_exist_ok=True)
    task.result = json.loads(answer)
    name_files(task)
    task.state, task.progress, task.ended_at = "done", 1.0, at_work(now) - EXPOSED
    task.save()


@lru_cache(maxsize=2)
def _made_once(asked: str, image: str) -> tuple[str, str]:
    """Return the answer and the folder of a film; the same film is made once."""
    folder = mkdtemp(prefix="keen-demo-")
    given = json.loads(asked) | {"image": image, "write": folder}
    return compute(POSITIVE, given).model_dump_json(), folder


def _expose(
    room: Room, keeper: User, plate: Plate, test: Test, now: datetime, make_id: MakeId
) -> None:
    """Expose it two days ago, the image a little long, washed once more where it was slimy."""
    begun = at_work(now) - EXPOSED
    with told_from(begun - timedelta(minutes=2)):
        exposure = begin_exposure(keeper, room.id, ExposureIn(
            id=make_id("umbrellas exposure"), plate=plate.id, by_test=test.id,
            acknowledged=list(CAUTIONS_KNOWN),
        ))  # fmt: skip
    Exposure.objects.filter(id=exposure.id).update(created_at=begun - timedelta(minutes=2))
    tablet = LampTablet(keeper, exposure, plate.name, now, make_id)
    planned: dict[StageKey, float] = {s.stage: s.seconds for s in follow(exposure).sheet.stages}
    at = begun
    tablet.log("water", begun, celsius=21.5)
    for stage, late, checks in DONE:
        at = tablet.lasted(stage, at, planned[stage] + late)
        planned[stage] = STAGES[stage].again_seconds
        for check, fine in checks:
            at += timedelta(seconds=12)
            tablet.log("checked", at, check=check, fine=fine)
        at += timedelta(seconds=50)
    with told_from(at):
        ended = end_exposure(keeper, room.id, exposure.id)
    Exposure.objects.filter(id=ended.id).update(ended_at=at)


def _proof(
    room: Room, keeper: User, plate: Plate, chart: Chart, now: datetime, make_id: MakeId
) -> None:
    curve = chart.curve or {"lightest_lstar": 93.0, "darkest_lstar": 23.0}
    drawn = umbrella_picture.print_jpeg(
        round(curve["lightest_lstar"], 1), round(curve["darkest_lstar"], 1), 12
    )
    picture = keep_drawn(keeper, room, make_id("umbrellas print"), "umbrellas-1.jpg", drawn)
    log_proof(keeper, room.id, ProofIn(
        id=make_id("umbrellas state 1"), plate=plate.id, picture=picture,
        pulled_at=at_work(now) - PROOFED, paper="soft cotton, 280 g/m²", soak_minutes=30,
        ink="black, stiff", wipe="gauze, then paper", pressure="felt pair, light", passes=1,
        note="Lights hold to the lanterns, folds of the umbrellas read. Wipe the wet stone less.",
        foul_bite=False, ok_to_print=False,
    ))  # fmt: skip


def _to_expose(room: Room, keeper: User, now: datetime, make_id: MakeId) -> None:
    """Plan a second test that waits for the lamp."""
    at = at_work(now) - timedelta(days=9)
    given = TestIn(
        id=make_id("coarse screen test"), name="Coarser screen, 80 µm", lamp=make_id("Six tubes"),
        planned=PairTestInput(screen_seconds=90, image_seconds=180, screen_steps=3, image_steps=4),
        note="For the next plate: larger dots, the same film.",
    )  # fmt: skip
    with told_from(at):
        made = make_test(keeper, room.id, given)
    Test.objects.filter(id=made.id).update(created_at=at)


def _patch(screen: float, image: float, stray: np.random.Generator) -> PairPatch:
    paper, highlight, shadow, solid = (
        round(float(tone + stray.normal(0, READ_LSTAR)), 1) for tone in printed_tones(screen, image)
    )
    return PairPatch(
        screen_seconds=screen, image_seconds=image, paper_lstar=paper, highlight_lstar=highlight,
        shadow_lstar=shadow, solid_lstar=solid, spread=0.8,
    )  # fmt: skip


def printed_tones(screen: float, image: float) -> tuple[float, float, float, float]:
    """Return paper, highlight, shadow and solid [L*] of this made-up plate."""
    a, b = np.log(screen / 85), np.log(image / 170)
    paper = 94.5 - 9 * np.exp(-((1.5 * np.exp(b)) ** 1.6))
    highlight = paper - 5.2 / (1 + np.exp(3.4 * (b + 0.02)))
    wiped = 13 * np.exp(-1.3 * np.exp(2.0 * (a + 0.4)))
    closed = 6.5 * np.maximum(0, np.exp(1.2 * a) - 1)
    solid = 22 + wiped + closed + 0.8 * np.exp(b)
    stands = np.exp(-(((a - 0.05) / 0.75) ** 2))
    shadow = solid + 5.2 * stands / (1 + np.exp(-2.4 * (b + 0.4 * a + 0.35)))
    return float(paper), float(highlight), float(shadow), float(solid)
