"""Biting on after the bites of an earlier run, and a second grain over a first."""

import pytest
from hypothesis import Phase, given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from core.process.rows import PROCESSES
from core.stages.second_grain import second_goal, sum_of_screens
from core.stages.shapes import DoneBite, Reached
from core.tone.lightness import reflectance_from_lightness
from tests.core.process.test_rows import decided
from tests.core.stages.test_by_clock import by_minutes

KEYS = ("tones", "lines")
SLACK = {"tone": 2.6, "depth": 3.0}


def bitten(key):
    """What a finished run leaves: its sheet, and the bites it made as planned."""
    sheet = PROCESSES[key].sheet(decided(key))
    done = [
        DoneBite(seconds=bite.seconds, temperatures=[(0, 18.5)], open=[a.name for a in bite.areas])
        for bite in sheet.plan.bites
    ]
    return sheet, done


def wanted_more(what, names, key):
    """The same plan, in which some areas shall come out darker, or deeper."""
    column, by = ("lstar", -8.0) if key == "tones" else ("depth_um", 15.0)
    areas = [a | {column: a[column] + by} if a["name"] in names else a for a in what.areas]
    return what.model_copy(update={"areas": areas})


def going_on(key, names, done, after):
    what = wanted_more(decided(key, done=done), names, key)
    return PROCESSES[key].sheet(
        what.model_copy(update={"open_again": names, "opened_after": after})
    )


def bitten_names(key):
    column = "lstar" if key == "tones" else "depth_um"
    return [area["name"] for area in decided(key).areas if area.get(column) is not None]


@settings(max_examples=16, deadline=None, phases=[Phase.explicit, Phase.reuse, Phase.generate])
@given(st.sampled_from(KEYS), st.data(), st.floats(-10, 60))
def test_only_the_chosen_open_and_come_out_as_wanted_also_late(key, data, late):
    every = bitten_names(key)
    names = data.draw(st.lists(st.sampled_from(every), min_size=1, max_size=3, unique=True))
    sheet, done = bitten(key)
    stood = {
        a.name: a.reached_reference_seconds for a in going_on(key, names, done, len(done)).areas
    }
    after, first = len(done), True
    for _ in range(len(names) + 2):
        now = going_on(key, names, done, after)
        if not now.plan.bites:
            break
        bite = now.plan.bites[0]
        assert bite.number == len(done) + 1
        is_open = [area.name for area in bite.areas]
        assert set(is_open) <= set(names)
        assert sorted(bite.open_before) == (sorted(is_open) if first else [])
        took = max(1.0, bite.seconds + (late if first else 0.0))
        done = [*done, DoneBite(seconds=took, temperatures=[(0, 18.5)], open=is_open)]
        first = False
    else:
        raise AssertionError("it never ends")
    way = 1 if sheet.goal.kind == "depth" else -1
    for area in now.areas:
        if area.name not in names:
            assert area.reached_reference_seconds == stood[area.name]
            continue
        end = next(a for a in now.plan.areas if a.name == area.name)
        past = way * (end.goal.value - area.wanted)
        assert past >= -SLACK[sheet.goal.kind], area.name
        assert past <= SLACK[sheet.goal.kind] + (60 if late > 0 else 0)


def test_with_nothing_chosen_nothing_is_bitten_and_the_earlier_bites_stand():
    sheet, done = bitten("lines")
    now = going_on("lines", [], done, len(done))
    assert now.plan.bites == [] and len(now.plan.done) == len(done)
    assert [a.reference_seconds for a in now.plan.areas] == pytest.approx(
        [a.reference_seconds for a in sheet.plan.areas], rel=0.03
    )


def test_bitten_on_by_minutes_just_so_many_more():
    done = [DoneBite(seconds=60, open=["area 0", "area 1"]), DoneBite(seconds=60, open=["area 1"])]
    first = by_minutes("tones", "stop-out", [60, 120], done)
    what = decided("tones", done=done)
    areas = [{"name": "white", "lstar": None},
             {"name": "area 0", "lstar": None, "seconds": 90.0},
             {"name": "area 1", "lstar": None, "seconds": 120.0}]  # fmt: skip
    on = PROCESSES["tones"].sheet(what.model_copy(update={
        "areas": areas, "open_again": ["area 0"], "opened_after": 2}))  # fmt: skip
    assert first.plan.bites == []
    assert [(b.seconds, b.open_before) for b in on.plan.bites] == [(30.0, ["area 0"])]
    assert on.plan.areas[1].goal.value < first.plan.areas[1].goal.value
    assert on.plan.areas[2].reference_seconds == first.plan.areas[2].reference_seconds


@pytest.mark.parametrize(
    "more", [{"open_again": ["ghost"]}, {"opened_after": 1}, {"opened_after": -1}]
)
def test_what_cannot_be_opened_again_is_refused(more):
    bath = {"mordant": "copper-ferric", "temperature_c": 20, "volume_l": 4}
    areas = [{"name": "a", "lstar": 60}]
    groups = [{"name": "a", "depth_um": 20}]
    for name, asked in (("plan-bites", {"areas": areas}), ("plan-lines", {"groups": groups})):
        with pytest.raises(CoreError):
            compute(name, asked | {"bath": bath} | more)


def exactly(lstar):
    return Reached(value=lstar, low=lstar, high=lstar)


@given(st.floats(15, 94), st.floats(15, 94))
def test_two_screens_print_between_the_darker_alone_and_their_product(one, other):
    both = sum_of_screens(exactly(one), exactly(other), 94.0)
    assert both.low <= both.value + 0.1 and both.value <= both.high + 0.1
    assert both.high == pytest.approx(min(one, other), abs=0.06)


def test_half_open_twice_leaves_a_quarter_of_the_light_and_white_adds_nothing():
    light = float(reflectance_from_lightness(94.0))
    half = 76.069  # L* of Y 0.5 relative to paper
    both = sum_of_screens(exactly(half), exactly(half), 100.0)
    assert float(reflectance_from_lightness(both.value)) == pytest.approx(0.25, abs=0.003)
    assert sum_of_screens(exactly(50.0), exactly(94.0), 94.0).value == pytest.approx(50, abs=0.1)
    assert light < 1


@given(st.floats(20, 90), st.floats(0, 30))
def test_the_second_screen_s_own_goal_makes_both_print_as_wanted(wanted, too_light):
    first = min(93.0, wanted + too_light)
    goal = second_goal(first, wanted, 94.0)
    both = sum_of_screens(exactly(first), exactly(goal), 94.0)
    assert both.value == pytest.approx(min(first, wanted), abs=0.3)


def test_dark_enough_already_it_asks_for_nothing():
    assert second_goal(40.0, 55.0, 94.0) == 94.0
