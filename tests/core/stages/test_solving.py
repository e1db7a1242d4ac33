"""The solver's parts: what remains, warnings word by word, rounding, lifts, planners."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.line.plan_lines import LINE_PLANNER, looks_lstar
from core.line.shapes import PlanLinesInput
from core.stages.bench import (
    after_done,
    bare_cm2,
    dip,
    lifted,
    metal_gained_g_per_l,
    tray_of,
)
from core.stages.lift import seconds_to_lift, speed_at
from core.stages.plan_bites import TONE_PLANNER, plan_bites, run_sheet
from core.stages.planner import plan_of, sheet_of, solve
from core.stages.shapes import DoneBite, RunSheetInput
from core.stages.solve import longest_clock, seconds_to_strip_end, seconds_to_tone
from core.stages.tone_bench import lay_out
from tests.core.strips import curve, plan_input

SHEET = run_sheet(RunSheetInput.model_validate(plan_input().model_dump()))


def bench(goals=(85, 50, 30), **more):
    return lay_out(plan_input(goals, **more))


def test_nothing_done_leaves_everything_where_it_was():
    done, start = after_done(bench())
    assert done == [] and start.seconds.shape == (3, len(bench().wetting))
    assert not start.seconds.any() and start.tray == tray_of(plan_input().bath)


def test_bites_made_add_up_area_by_area():
    made = [
        DoneBite(seconds=60, temperature_c=17, open=["tone 1", "tone 2", "tone 3"]),
        DoneBite(seconds=100, temperature_c=17, open=["tone 2", "tone 3"]),
        DoneBite(seconds=100, temperature_c=17, open=["tone 3"]),
    ]
    told, start = after_done(bench(done=made))
    one, two, three = start.seconds.mean(axis=1)
    assert one < two < three and three - two == pytest.approx(two - one)
    assert [solved.facts.number for solved in told] == [1, 2, 3]
    assert [solved.facts.cumulative_seconds for solved in told] == [60, 160, 260]
    assert [solved.facts.stop_out_before for solved in told] == [[], ["tone 1"], ["tone 2"]]
    assert [solved.is_open for solved in told] == [[0, 1, 2], [1, 2], [2]]
    assert [solved.finished for solved in told] == [[0], [0, 1], []]
    gained = [solved.facts.reference_seconds for solved in told]
    assert gained[0] == pytest.approx(one, abs=0.1) and gained[1] == pytest.approx(
        two - one, abs=0.1
    )


def test_a_done_bite_with_no_thermometer_is_at_the_bath_s_temperature():
    def gained(**more):
        made = DoneBite(seconds=120, open=["tone 1"], **more)
        return after_done(bench(done=[made]))[1].seconds[0].mean()

    assert gained() == pytest.approx(gained(temperature_c=17))
    assert gained(temperature_c=22) > gained() > gained(temperatures=[(0, 12.0)])
    assert gained(temperatures=[(0, 17.0), (60, 25.0)]) > gained()


def test_metal_counts_the_bare_share_of_open_areas():
    on = bench()
    areas = on.given.areas
    assert bare_cm2(on, areas) == pytest.approx(0.5 * 120)
    lines = LINE_PLANNER.lay_out(
        PlanLinesInput(
            groups=[{"name": "g", "depth_um": 40, "open_cm2": 30}], bath=plan_input().bath
        )  # fmt: skip
    )
    assert bare_cm2(lines, lines.given.areas) == 30
    one, two = (metal_gained_g_per_l(on, areas[:n], 300) for n in (1, 2))
    assert two == pytest.approx(2 * one)
    assert metal_gained_g_per_l(on, areas, 600) == pytest.approx(
        2 * metal_gained_g_per_l(on, areas, 300)
    )


def test_a_lift_moves_only_open_areas_and_the_tray():
    on = bench(bath={"room_c": 25, "cooling_minutes": 60})
    _, start = after_done(on)
    bite = dip(on, start, on.given.areas[1:], 1200)
    after = lifted(start, bite, np.array([False, True, True]), 600)
    assert not after.seconds[0].any() and after.seconds[1].mean() > 100
    assert np.array_equal(after.seconds[1], after.seconds[2])
    assert start.tray.temperature_c < after.tray.temperature_c < 25
    assert after.tray.load_g_per_l > start.tray.load_g_per_l
    assert after.tray.volume_l == start.tray.volume_l


@settings(max_examples=20, deadline=None)
@given(st.floats(28, 88))
def test_the_solver_lands_on_a_tone(goal):
    on = bench()
    _, start = after_done(on)
    bite = dip(on, start, on.given.areas, longest_clock(on, start))
    seconds = seconds_to_tone(on, start.seconds[0], bite, goal)
    assert on.table.at(bite.exposure(seconds)).mean() == pytest.approx(goal, abs=0.05)


def test_a_tone_reached_takes_no_time_and_one_out_of_reach_the_strip_s_end():
    on = bench()
    _, start = after_done(on)
    bite = dip(on, start, on.given.areas, longest_clock(on, start))
    assert seconds_to_tone(on, start.seconds[0], bite, 99.0) == 0
    end = seconds_to_strip_end(on, start.seconds[0], bite)
    assert seconds_to_tone(on, start.seconds[0], bite, 2.0) == end
    assert bite.exposure(end).mean() == pytest.approx(on.valid_to_reference_seconds, rel=0.01)
    past = start.seconds[0] + on.valid_to_reference_seconds + 1
    assert seconds_to_strip_end(on, past, bite) == 0


@pytest.mark.parametrize("step", [1, 5, 30])
@pytest.mark.parametrize("method", ["stop-out", "open-up"])
def test_bites_are_rounded_to_the_step_asked_and_never_to_nothing(step, method):
    plan = plan_bites(plan_input((92, 85, 84.6, 40), method=method, round_to_seconds=step))
    assert all(bite.seconds % step == 0 and bite.seconds >= step for bite in plan.bites)


def test_a_plan_that_is_done_plans_nothing_more():
    whole = plan_bites(plan_input((80, 50)))
    made = [
        DoneBite(seconds=bite.seconds, temperature_c=17, open=[a.name for a in bite.areas])
        for bite in whole.bites
    ]
    rest = plan_bites(plan_input((80, 50), done=made))
    assert rest.bites == [] and [bite.number for bite in rest.done] == [1, 2]
    for before, after in zip(whole.areas, rest.areas, strict=True):
        assert after.lstar == pytest.approx(before.lstar, abs=1.0)


def test_opening_up_after_a_bite_keeps_what_is_open_and_opens_the_rest():
    made = DoneBite(seconds=120, temperature_c=17, open=["tone 3"])
    plan = plan_bites(plan_input((85, 50, 30), method="open-up", done=[made]))
    assert plan.bites[0].open_before == [] and [a.name for a in plan.bites[0].areas] == ["tone 3"]
    assert [bite.open_before for bite in plan.bites[1:]] == [["tone 2"], ["tone 1"]]
    assert [a.finished for a in plan.bites[-1].areas] == [True, True, True]


def test_opening_up_closes_the_whites_once_and_counts_the_clock_on():
    plan = plan_bites(plan_input((None, 85, 30), method="open-up"))
    assert [bite.stop_out_before for bite in plan.bites] == [["tone 1"], []]
    assert [bite.open_before for bite in plan.bites] == [["tone 3"], ["tone 2"]]
    first, second = plan.bites
    assert second.cumulative_seconds == first.seconds + second.seconds
    assert 0 < second.reference_seconds < first.reference_seconds
    made = DoneBite(seconds=first.seconds, temperature_c=17, open=["tone 3"])
    rest = plan_bites(plan_input((None, 85, 30), method="open-up", done=[made]))
    assert [(bite.number, bite.open_before) for bite in rest.bites] == [(2, ["tone 2"])]
    assert all(bite.stop_out_before == [] for bite in rest.bites)
    assert rest.bites[0].cumulative_seconds == first.seconds + rest.bites[0].seconds


def text_of(code, *goals, **more):
    found = [w for w in plan_bites(plan_input(goals, **more)).warnings if w.code == code]
    assert found, code
    return found[0]


def test_an_overshoot_says_what_it_prints_and_what_to_do():
    made = DoneBite(seconds=400, temperature_c=17, open=["tone 1", "tone 2"])
    warning = text_of("overshoot", 85, 40, done=[made])
    assert warning.area == "tone 1" and warning.params["wanted"] == 85
    assert "Stop it out before the next dip." in warning.text and "Burnish" in warning.text
    closed = text_of("overshoot", 85, 40, done=[made, DoneBite(seconds=10, open=["tone 2"])])
    assert "Stop it out" not in closed.text


def test_tones_out_of_reach_name_the_nearest():
    light = text_of("tone-out-of-reach", 98, 50)
    assert light.area == "tone 1" and light.params["nearest"] < 98 and "plate tone" in light.text
    dark = text_of("beyond-strip", 60, 19)
    assert dark.area == "tone 2" and dark.params["nearest"] > 19 and "longer patch" in dark.text
    never = text_of("tone-out-of-reach", 60, 5)
    assert never.params["nearest"] > 5 and "second aquatint" in never.text


def test_a_short_bite_names_what_to_merge_with():
    hot = {"temperature_c": 40, "room_c": 40, "rate_factor": 8}
    warning = text_of("bite-too-short", 92, 60, 30, bath=hot, round_to_seconds=1)
    assert warning.params["seconds"] < 10 and "tone 2" in warning.text
    assert f"Bite {warning.bite} lasts only" in warning.text


def test_tones_too_close_say_how_close():
    warning = text_of("tones-too-close", 50, 49)
    assert (warning.area, warning.params["other"]) == ("tone 2", "tone 1")
    assert warning.params["apart_lstar"] < 2
    assert not [w for w in plan_bites(plan_input((50, 30))).warnings if w.code == "tones-too-close"]
    same = plan_bites(plan_input((50, 50)))
    assert not [w for w in same.warnings if w.code == "tones-too-close"]


def test_a_tired_bath_says_its_load_and_the_end():
    warning = text_of("bath-near-end", 60, bath={"load_g_per_l": 55})
    assert warning.params["end_g_per_l"] == 60 and warning.params["load_g_per_l"] >= 55
    assert "hazardous waste" in warning.text
    fresh = plan_bites(plan_input((60,), bath={"load_g_per_l": 20}))
    assert "bath-near-end" not in {w.code for w in fresh.warnings}


@pytest.mark.parametrize(
    ("bath", "strip", "said"),
    [
        (38.0, None, "Today's bath reads 38 °Bé; nobody read the strip's"),
        (None, 36.0, "The strip's bath read 36 °Bé; nobody read today's"),
    ],
)
def test_a_hydrometer_read_on_one_side_alone_is_said(bath, strip, said):
    known = curve()
    known = known.model_copy(
        update={"conditions": known.conditions.model_copy(update={"baume": strip})}
    )
    given = plan_input((60, 30), bath={"baume": bath}).model_copy(update={"curve": known})
    (warning,) = [w for w in plan_bites(given).warnings if w.code == "strength-unsaid"]
    assert warning.text.startswith(said) and "hydrometer" in warning.text
    assert (warning.params["factor"] > 1) is (strip is None)


@pytest.mark.parametrize("bath", [{}, {"baume": 42}, {"baume": 38, "rate_factor": 1.1}])
def test_labels_nothing_read_and_a_measured_speed_need_no_hydrometer(bath):
    plan = plan_bites(plan_input((60, 30), bath=bath))
    assert "strength-unsaid" not in {w.code for w in plan.warnings}


def test_speed_of_a_sheet_is_looked_up_and_held_flat_beyond_it():
    assert speed_at(SHEET, -10) == SHEET.speeds[0] and speed_at(SHEET, 80) == SHEET.speeds[-1]
    middle = speed_at(SHEET, 17.25)
    assert speed_at(SHEET, 17.0) < middle < speed_at(SHEET, 17.5)


@settings(max_examples=40, deadline=None)
@given(st.floats(1, 1500), st.lists(st.tuples(st.floats(0, 600), st.floats(8, 32)), max_size=4))
def test_what_is_gained_until_the_lift_is_the_target(target, more):
    readings = [(0.0, 18.0), *more]
    lift = seconds_to_lift(SHEET, target, readings)
    steps = sorted(readings)
    gained = 0.0
    for i, (start, celsius) in enumerate(steps):
        start = 0.0 if i == 0 else start
        until = steps[i + 1][0] if i + 1 < len(steps) else float("inf")
        first = max(start, SHEET.wetting_seconds)
        gained += max(0.0, min(until, lift) - first) * speed_at(SHEET, celsius)
    assert gained == pytest.approx(target, rel=1e-6, abs=1e-6)


def test_the_sheet_and_the_plan_come_from_one_solution():
    given = plan_input((80, 50, None))
    solved = solve(TONE_PLANNER, given)
    sheet = sheet_of(TONE_PLANNER, given, "tones")
    assert sheet.plan == plan_of(TONE_PLANNER, solved) == plan_bites(given)
    assert [area.wanted for area in sheet.areas] == [80, 50, None]
    targets = [area.target_reference_seconds for area in sheet.areas]
    assert targets[0] < targets[1] and targets[2] == 0
    assert sheet.areas[0].lstar == sheet.areas[0].goal.value
    assert sheet.areas[0].land_um is None


def test_lines_look_darker_the_deeper_and_their_band_is_the_right_way_round():
    given = PlanLinesInput(groups=[{"name": "g", "depth_um": 40, "spacing_um": 500}],
                           bath=plan_input().bath)  # fmt: skip
    sheet = sheet_of(LINE_PLANNER, given, "lines")
    area = sheet.areas[0]
    assert looks_lstar(0) == 94 and looks_lstar(15) == pytest.approx(94 - 76 * 0.632, abs=0.1)
    assert np.all(np.diff(area.lstar) <= 0) and np.all(np.diff(area.goal.value) >= 0)
    assert np.all(np.array(area.lstar_low) <= np.array(area.lstar) + 0.01)
    assert np.all(np.array(area.lstar) <= np.array(area.lstar_high) + 0.01)
    assert area.wanted == 40 and area.wanted_lstar == looks_lstar(40)
    assert area.land_um is not None and area.land_fails_seconds > 0
