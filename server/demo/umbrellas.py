"""Paper Umbrellas on its way: a lamp with its readings, a two-way test, a step chart."""

from __future__ import annotations

from datetime import datetime, timedelta

import numpy as np

from core.polymer.correction_shapes import ChartStep
from core.polymer.pair_shapes import PairPatch
from core.polymer.pair_test import PairTestInput, pair_test
from server.accounts.models import User
from server.demo.tablet import MakeId
from server.exposures.actions.tests import make_chart, make_test
from server.exposures.models import Chart, Lamp, Measurement, Test
from server.exposures.schemas import ChartIn, TestIn
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
    _chart(room, keeper, now, make_id, test, stray)


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
    made = make_test(keeper, room.id, given)
    Test.objects.filter(id=made.id).update(created_at=now - timedelta(days=TEST_DAYS))
    return made


def _chart(
    room: Room, keeper: User, now: datetime, make_id: MakeId, test: Test,
    stray: np.random.Generator,
) -> None:  # fmt: skip
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
    made = make_chart(keeper, room.id, given)
    Chart.objects.filter(id=made.id).update(created_at=now - timedelta(days=CHART_DAYS))


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
