"""Each process as its row says: wishes, order, words, sheet, what it adds to the bath."""

import numpy as np
import pytest

from core.data.care import CARE
from core.data.cautions import CAUTIONS
from core.data.pools import POOL_SPEED
from core.data.steps import COURSES, STEPS
from core.errors import CoreError
from core.kinetics.shapes import CurveBath
from core.process.rows import PROCESSES
from core.process.shapes import Decided
from core.stages.shapes import DoneBite
from core.tone.table import band
from tests.core.strips import curve

FERRIC = CurveBath(mordant="copper-ferric", temperature_c=19, load_g_per_l=10, volume_l=4)
AREAS = {
    "lines": [{"name": "Strong", "depth_um": 70.0, "open_cm2": 9.0, "parts": "in front"},
              {"name": "Fine", "darkness": 0.6, "open_cm2": 4.0, "needle_um": 40.0},
              {"name": "Middle", "depth_um": 35.0, "open_cm2": 6.0}],
    "tones": [{"name": "Sky", "lstar": 40.0, "open_cm2": 60.0},
              {"name": "Paper", "lstar": None, "open_cm2": 20.0},
              {"name": "Wall", "lstar": 70.0, "open_cm2": 40.0, "depth_um": None}],
    "spit-bite": [{"name": "Shadow", "lstar": 38.0, "open_cm2": 8.0},
                  {"name": "Whites", "lstar": None, "open_cm2": 30.0},
                  {"name": "Steam", "lstar": 66.0, "open_cm2": 12.0}],
}  # fmt: skip
ORDER = {
    "lines": ["Fine", "Middle", "Strong"],
    "tones": ["Paper", "Wall", "Sky"],
    "spit-bite": ["Whites", "Steam", "Shadow"],
}
WORDS = {
    "lines": ("Strong 70 µm deep, Fine 60 % dark, Middle 35 µm deep", "3 depths"),
    "tones": ("Sky L* 40, Paper white, Wall L* 70", "2 tones"),
    "spit-bite": ("Shadow L* 38, Whites white, Steam L* 66", "2 pools"),
}


def decided(key, **more):
    areas = PROCESSES[key].in_order(AREAS[key])
    given = {"areas": areas, "bath": FERRIC, "method": "stop-out", "round_to_seconds": 5,
             "curve": None if key == "lines" else curve(), **more}  # fmt: skip
    return Decided(**given)


@pytest.fixture(params=PROCESSES)
def process(request):
    return PROCESSES[request.param]


def test_a_row_names_only_what_the_tables_hold(process):
    assert {process.plan_step, process.bite_step} <= set(STEPS)
    assert set(process.cautions) <= set(CAUTIONS)
    assert process.care is None or process.care in CARE
    assert (process.care is None) == (process.care_every_seconds is None)
    assert process.words.goal == process.planner.goal
    assert process.words.hands.opening.covers == process.planner.covers_unopened
    assert any(process.bite_step in steps for steps in COURSES.values())


def test_the_parts_of_a_plate_are_bitten_in_their_order():
    assert [row.order for row in PROCESSES.values()] == sorted(r.order for r in PROCESSES.values())


def test_areas_are_wishes_in_order_and_in_words(process):
    areas = AREAS[process.key]
    wishes = process.wishes(areas)
    assert [wish.name for wish in wishes] == [area["name"] for area in areas]
    assert [area["name"] for area in process.in_order(areas)] == ORDER[process.key]
    said, count = WORDS[process.key]
    assert (", ".join(map(process.tell, wishes)), process.count(areas)) == (said, count)


@pytest.mark.parametrize(
    ("key", "area", "field", "unit"),
    [("lines", {"name": "x", "depth_um": 900.0}, "areas.1.depth_um", "µm"),
     ("lines", {"name": "x"}, "areas.1", ""),
     ("lines", {"name": "x", "depth_um": 20.0, "darkness": 0.5}, "areas.1", ""),
     ("lines", {"name": "x", "depth_um": "deep"}, "areas.1.depth_um", "µm"),
     ("tones", {"name": "x", "lstar": 140.0}, "areas.1.lstar", "L*"),
     ("tones", {"name": "x", "depth_um": 20.0}, "areas.1.lstar", "L*"),
     ("spit-bite", {"name": "", "lstar": 50.0}, "areas.1.name", ""),
     ("tones", {"name": "x", "lstar": 50.0, "open_cm2": -1.0}, "areas.1.open_cm2", "cm²")],
)  # fmt: skip
def test_an_area_that_is_no_wish_is_named_by_its_place(key, area, field, unit):
    with pytest.raises(CoreError) as caught:
        PROCESSES[key].wishes([AREAS[key][0], area])
    assert (caught.value.field, caught.value.unit) == (field, unit)
    assert caught.value.text.startswith(area["name"] or "area")


def test_a_sheet_tells_the_goal_of_its_process_for_every_area(process):
    sheet = process.sheet(decided(process.key))
    assert (sheet.part, sheet.goal) == (process.key, process.words.goal)
    assert [area.name for area in sheet.areas] == ORDER[process.key]
    grid = np.array(sheet.grid_reference_seconds)
    for area in sheet.areas:
        value, low, high = (
            np.array(side) for side in (area.goal.value, area.goal.low, area.goal.high)
        )
        assert (
            len(value) == len(grid) and np.all(low <= value + 0.02) and np.all(value <= high + 0.02)
        )
        way = -1 if sheet.goal.kind == "tone" else 1
        assert np.all(way * np.diff(value) >= -0.35)  # it goes one way, but for the undercut's end
        if area.wanted is None:
            assert area.target_reference_seconds == 0
            continue
        reached = np.interp(area.target_reference_seconds, grid, value)
        assert reached == pytest.approx(area.wanted, abs=2.5)
        looks = [np.interp(area.target_reference_seconds, grid, side)
                 for side in (area.lstar_low, area.lstar, area.lstar_high)]  # fmt: skip
        assert looks == sorted(looks)


def test_what_is_white_is_stopped_out_before_the_first_bite_and_never_open():
    for key in ("tones", "spit-bite"):
        plan = PROCESSES[key].sheet(decided(key)).plan
        white = ORDER[key][0]
        assert plan.bites[0].stop_out_before == [white]
        assert white not in {area.name for bite in plan.bites for area in bite.areas}


def test_bites_made_count_in_every_process(process):
    whole = process.sheet(decided(process.key))
    names = [a.name for a in whole.plan.bites[0].areas]
    made = DoneBite(seconds=60, temperatures=[(0, 19)], open=names)
    after = process.sheet(decided(process.key, done=[made]))
    assert [bite.number for bite in after.plan.done] == [1]
    assert after.areas[-1].reached_reference_seconds > 30
    assert after.plan.bites[0].number == 2
    assert after.plan.bites[0].seconds < whole.plan.bites[0].seconds


def test_only_what_lies_in_a_bath_loads_it(process):
    names = [area["name"] for area in AREAS[process.key][:1]]
    done = [DoneBite(seconds=600, temperature_c=19, open=names)]
    gained = process.metal_g_per_l(decided(process.key, done=done))
    twice = process.metal_g_per_l(decided(process.key, done=done * 2))
    if process.loads_bath:
        assert gained > 0 and twice == pytest.approx(2 * gained)
        # area × bare share × about 1.5 µm/min × 10 min × density, in 4 L
        bare = AREAS[process.key][0]["open_cm2"] * (1 if process.key == "lines" else 0.5)
        assert gained == pytest.approx(bare * 15e-4 * 8.96 / 4, rel=0.35)
    else:
        assert (gained, twice) == (0, 0)
    assert process.metal_g_per_l(decided(process.key)) == 0


def test_a_pool_is_slower_than_the_tray_and_less_sure():
    areas = AREAS["tones"]
    tray = PROCESSES["tones"].sheet(decided("tones")).plan
    pools = Decided(**(decided("tones").model_dump() | {"areas": areas}))
    brushed = PROCESSES["spit-bite"].sheet(pools).plan
    assert brushed.speed / tray.speed == pytest.approx(POOL_SPEED.value, rel=0.02)
    assert brushed.speed_high - brushed.speed_low > 2 * (tray.speed_high - tray.speed_low)
    longer = [b.bites[0].seconds for b in (brushed, tray)]
    assert longer[0] > longer[1]
    assert "rate-guessed" in {warning.code for warning in brushed.warnings}
    assert "rate-guessed" not in {warning.code for warning in tray.warnings}


def test_a_measured_darkness_is_planned_as_its_depth():
    sheet = PROCESSES["lines"].sheet(decided("lines"))
    fine = sheet.areas[0]
    assert fine.wanted == pytest.approx(-15 * np.log(1 - 0.6), abs=0.1)
    assert fine.land_um is None and fine.land_fails_seconds is None


def test_a_band_is_the_middle_95_of_100():
    values = np.arange(1000.0)
    assert band(values) == pytest.approx((25, 975), abs=1.5)
    assert band(np.full(10, 3.0)) == (3.0, 3.0)
