import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.errors import CoreError
from core.stages.lift import seconds_to_lift
from core.stages.plan_bites import plan_bites, run_sheet
from core.stages.shapes import PlanBitesInput, RunSheetInput
from tests.core.strips import BATH, plan_input


def final(plan):
    return {area.name: area for area in plan.areas}


@settings(max_examples=15, deadline=None)
@given(st.lists(st.floats(28, 88), min_size=2, max_size=6, unique_by=lambda x: round(x / 4)))
def test_stopping_out_ascends_and_lands_on_the_tones(goals):
    given_plan = plan_input(goals)
    plan = plan_bites(given_plan)
    cumulative = [bite.cumulative_seconds for bite in plan.bites]
    assert cumulative == sorted(cumulative)
    assert all(bite.seconds % 5 == 0 for bite in plan.bites)
    for area in given_plan.areas:
        got = final(plan)[area.name]
        assert got.lstar_low <= got.lstar <= got.lstar_high
        # 5 s of rounding moves the lightest tones by up to 2 L*
        assert got.lstar == pytest.approx(area.lstar, abs=2.0)


def test_each_area_finishes_once_and_is_stopped_out_before_the_next_bite():
    plan = plan_bites(plan_input((None, 85, 50, 30)))
    assert plan.bites[0].stop_out_before == ["tone 1"]
    assert plan.bites[1].stop_out_before == ["tone 2"]
    finished = [a.name for bite in plan.bites for a in bite.areas if a.finished]
    assert finished == ["tone 2", "tone 3", "tone 4"]
    assert final(plan)["tone 1"].lstar == plan.lightest_lstar


def test_both_methods_give_the_same_tones():
    stop, up = (plan_bites(plan_input(method=m)) for m in ("stop-out", "open-up"))
    for name, area in final(stop).items():
        assert final(up)[name].lstar == pytest.approx(area.lstar, abs=2.0)
    assert up.bites[0].open_before == ["tone 5"] and up.bites[-1].open_before == ["tone 1"]


def test_equal_goals_share_a_bite_and_near_ones_never_merge_silently():
    assert len(plan_bites(plan_input((70, 70, 40))).bites) == 2
    near = plan_bites(plan_input((70, 68.5, 40)))
    codes = {w.code for w in near.warnings}
    assert "tones-too-close" in codes


def test_a_late_lift_shortens_what_follows():
    first = plan_bites(plan_input())
    names = [a.name for a in first.bites[0].areas]
    late = [{"seconds": first.bites[0].seconds + 25, "temperature_c": 17, "open": names}]
    again = plan_bites(plan_input(done=late))
    assert again.bites[0].number == 2
    assert again.bites[0].seconds == pytest.approx(first.bites[1].seconds - 25, abs=10)
    assert final(again)["tone 3"].lstar == pytest.approx(50, abs=1.5)
    over = next(w for w in again.warnings if w.code == "overshoot")
    assert over.area == "tone 1" and "Burnish" in over.text


def test_a_plan_for_what_remains_leaves_what_is_closed():
    done = [{"seconds": 60, "temperature_c": 17, "open": ["tone 2", "tone 3"]}]
    plan = plan_bites(plan_input((85, 50, 30), done=done))
    assert {a.name for bite in plan.bites for a in bite.areas} == {"tone 2", "tone 3"}
    assert plan.done[0].seconds == 60


def test_thermometer_readings_of_a_done_bite_count():
    def left(*readings):
        done = [{"seconds": 100, "temperatures": readings, "open": ["tone 1", "tone 2"]}]
        return plan_bites(plan_input((60, 30), done=done)).bites[0].seconds

    assert left((0, 17), (50, 27)) < left((0, 17))


@pytest.mark.parametrize(
    ("goals", "bath", "code"),
    [
        ((85, 5), {}, "tone-out-of-reach"),
        ((99, 50), {}, "tone-out-of-reach"),
        ((60, 30), {"load_g_per_l": 55}, "bath-near-end"),
    ],
)
def test_warnings_say_what_to_do(goals, bath, code):
    plan = plan_bites(plan_input(goals, bath=bath))
    found = [w for w in plan.warnings if w.code == code]
    assert found and len(found[0].text) > 40 and found[0].params


def test_a_bite_under_ten_seconds_is_named_not_merged():
    hot = {"temperature_c": 40, "room_c": 40, "rate_factor": 8}
    plan = plan_bites(plan_input((92, 60, 30), bath=hot, round_to_seconds=1))
    short = next(w for w in plan.warnings if w.code == "bite-too-short")
    assert short.bite == 1 and "tone 1 and tone 2" in short.text
    assert len(plan.bites) == 3


def test_beyond_the_strip_stops_where_the_strip_does():
    plan = plan_bites(plan_input((60, 19)))
    assert any(w.code == "beyond-strip" for w in plan.warnings)
    assert final(plan)["tone 2"].lstar > 19.5


def test_without_a_strip_it_is_a_guess_and_says_so():
    given_plan = plan_input((80, 40)).model_copy(update={"curve": None})
    guess = plan_bites(given_plan)
    assert guess.warnings[0].code == "no-strip"
    sure = plan_bites(plan_input((80, 40)))
    width = [final(p)["tone 2"].lstar_high - final(p)["tone 2"].lstar_low for p in (guess, sure)]
    assert width[0] > 3 * width[1]


def test_a_measured_bath_is_clearly_surer():
    def width(**bath):
        area = final(plan_bites(plan_input(bath={"temperature_c": 26, **bath})))["tone 3"]
        return area.lstar_high - area.lstar_low

    assert width(rate_factor=1.1, rate_factor_spread=0.02) < 0.85 * width()


def test_zinc_strip_in_a_copper_bath_is_refused():
    with pytest.raises(CoreError) as error:
        plan_bites(plan_input(bath={"mordant": "zinc-nitric-10", "baume": None}))
    assert error.value.code == "other-metal"


def test_the_sheet_agrees_with_the_plan():
    sheet = run_sheet(RunSheetInput.model_validate(plan_input().model_dump()))
    bite = sheet.plan.bites[0]
    seconds = seconds_to_lift(sheet, bite.reference_seconds, [(0, 17)])
    assert seconds == pytest.approx(bite.seconds, abs=1.5)
    area = sheet.areas[2]
    at = area.target_reference_seconds
    place = min(range(len(area.lstar)), key=lambda i: abs(sheet.grid_reference_seconds[i] - at))
    assert area.lstar[place] == pytest.approx(50, abs=4)


@given(st.floats(10, 600), st.floats(8, 30), st.floats(8, 30), st.floats(1, 300))
@settings(max_examples=30, deadline=None)
def test_warming_up_only_brings_the_lift_nearer(target, first, second, when):
    sheet = SHEET
    base = seconds_to_lift(sheet, target, [(0, first)])
    moved = seconds_to_lift(sheet, target, [(0, first), (when, second)])
    assert (moved <= base + 1e-6) if second >= first else (moved >= base - 1e-6)


SHEET = run_sheet(RunSheetInput.model_validate(plan_input().model_dump()))


def test_unknown_areas_in_done_and_double_names_are_refused():
    area = {"name": "a", "lstar": 50, "open_cm2": 1}
    for bad in (
        {"areas": [area, area]},
        {"areas": [area], "done": [{"seconds": 5, "open": ["b"]}]},
    ):
        with pytest.raises(ValueError, match="name"):
            PlanBitesInput.model_validate({"bath": BATH, **bad})
