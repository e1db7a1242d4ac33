"""Lines: depth, width, darkness and land; stopping out and opening up."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from core.line.plan_lines import LINE_PLANNER
from core.line.shapes import PlanLinesInput
from core.line.width import darkness, depth_for_darkness_um, failing_depth_um, top_width_um
from core.stages.planner import sheet_of

ZINC = {"mordant": "zinc-nitric-10", "temperature_c": 20, "volume_l": 3, "rate_factor": 1.0,
        "rate_factor_spread": 0.02}  # fmt: skip
COPPER = ZINC | {"mordant": "copper-ferric"}
DEPTHS = (18, 42, 80)


def plan(method="stop-out", bath=COPPER, depths=DEPTHS, **more):
    groups = [{"name": f"g{i}", "depth_um": d, "open_cm2": 0} for i, d in enumerate(depths)]
    return compute("plan-lines", {"groups": groups, "bath": bath, "method": method, **more})


@pytest.mark.parametrize(
    ("needle", "depth", "undercut", "width"),
    # w = w0 + 2 u d: u 0.7 in ferric, 1.0 in nitric (room-practice)
    [(50, 20, 0.7, 78), (50, 20, 1.0, 90), (0, 100, 0.7, 140), (40, 0, 0.7, 40)],
)
def test_top_width_by_hand(needle, depth, undercut, width):
    assert top_width_um(needle, depth, undercut) == pytest.approx(width)


def test_darkness_saturates_with_a_scale_of_fifteen_um():
    assert darkness(15.0) == pytest.approx(1 - np.exp(-1))  # room-practice
    assert depth_for_darkness_um(float(darkness(33.0))) == pytest.approx(33.0)


def test_land_fails_when_less_than_sixty_um_is_left():
    # 400 apart, needle 60, ferric: (400 - 60 - 60) / 1.4 = 200 µm deep
    assert failing_depth_um(60, 400, 0.7) == pytest.approx(200)
    assert failing_depth_um(100, 150, 0.7) == 0


def test_depth_is_rate_times_time_after_wetting():
    out = plan(depths=(30,))
    bite = out.bites[0]
    biting = bite.seconds - out.wetting_seconds
    assert bite.areas[0].depth_um == pytest.approx(1.5 * biting / 60, rel=0.03)  # 1.5 µm/min
    assert bite.areas[0].depth_um_low < 30 < bite.areas[0].depth_um_high


@settings(max_examples=20, deadline=None)
@given(st.lists(st.integers(12, 110), min_size=2, max_size=4, unique=True))
def test_both_methods_give_one_exposure_and_differ_by_wetting(depths):
    closing, opening = (plan(m, depths=sorted(depths)) for m in ("stop-out", "open-up"))
    ends = [{g.name: g for g in out.groups} for out in (closing, opening)]
    for name, group in ends[0].items():
        other = ends[1][name]
        per_second = 1.5 / 60
        assert group.depth_um == pytest.approx(other.depth_um, abs=6 * per_second * len(depths))
    for out in (closing, opening):
        for place, group in enumerate(out.groups):
            dips = [b for b in out.bites if any(a.name == f"g{place}" for a in b.areas)]
            clock = sum(b.seconds for b in dips)
            lost = clock - group.reference_seconds
            assert lost == pytest.approx(out.wetting_seconds * len(dips), abs=1.5 * len(dips))


def test_opening_up_bites_the_deepest_first():
    out = plan("open-up")
    assert [[a.name for a in b.areas] for b in out.bites] == [
        ["g2"], ["g2", "g1"], ["g2", "g1", "g0"],
    ]  # fmt: skip
    assert out.bites[1].open_before == ["g1"]


@settings(max_examples=25, deadline=None)
@given(st.integers(30, 3000), st.integers(1, 600))
def test_more_time_never_gives_a_thinner_line(seconds, more):
    widths = []
    for bitten in (seconds, seconds + more):
        done = [{"seconds": bitten, "open": ["g0"]}]
        out = plan(depths=(5,), done=done)
        widths.append((out.done[0].areas[0].width_um, out.done[0].areas[0].depth_um))
    assert widths[1] >= widths[0]


def test_measured_lines_correct_the_rate_and_narrow_the_band():
    bath = {"mordant": "zinc-nitric-10", "temperature_c": 20}
    measured = [
        {"seconds": s, "depth_um": 3.5 * (s - 2) / 60, "width_um": 50 + 1.8 * 3.5 * (s - 2) / 60,
         "needle_um": 50}
        for s in (240, 600, 900)
    ]  # fmt: skip
    guess, known = plan(bath=bath), plan(bath=bath, measured=measured)
    assert known.rate_um_per_min == pytest.approx(3.5, rel=0.06)
    assert known.undercut == pytest.approx(0.9, abs=0.08)

    def band(out):
        return out.rate_um_per_min_high - out.rate_um_per_min_low

    assert band(known) < 0.4 * band(guess)
    assert "rate-guessed" in {w.code for w in guess.warnings}
    assert "rate-guessed" not in {w.code for w in known.warnings}


def test_land_that_falls_in_is_named_with_its_time():
    group = {"name": "strong", "depth_um": 150, "needle_um": 60, "spacing_um": 260}
    out = compute("plan-lines", {"groups": [group], "bath": COPPER})
    fails = next(w for w in out.warnings if w.code == "land-fails")
    # (260 - 60 - 60) / 1.4 = 100 µm, at 1.5 µm/min
    assert fails.params["seconds"] == pytest.approx(100 / 1.5 * 60, rel=0.06)
    assert out.groups[0].land_fails_seconds < sum(b.seconds for b in out.bites)


def test_a_needle_wider_than_its_spacing_is_refused():
    group = {"name": "g", "depth_um": 20, "needle_um": 500, "spacing_um": 400}
    with pytest.raises(CoreError) as caught:
        compute("plan-lines", {"groups": [group], "bath": COPPER})
    error = caught.value.as_dict()
    assert (error["field"], error["value"], error["unit"]) == ("groups.0.needle_um", 500, "µm")


@pytest.mark.parametrize(
    "group", [{}, {"depth_um": 20, "darkness": 0.5}, {"depth_um": -1}, {"darkness": 1.0}]
)
def test_a_group_needs_one_goal_within_its_limits(group):
    with pytest.raises(CoreError):
        compute("plan-lines", {"groups": [{"name": "g", **group}], "bath": COPPER})


def test_the_sheet_tells_the_plan_s_own_depths():
    groups = [{"name": "g", "depth_um": 40, "needle_um": 50, "spacing_um": 600}]
    sheet = sheet_of(LINE_PLANNER, PlanLinesInput(groups=groups, bath=COPPER), "lines")
    area = sheet.areas[0]
    told = np.interp(area.target_reference_seconds, sheet.grid_reference_seconds, area.goal.value)
    assert sheet.part == "lines"
    assert told == pytest.approx(sheet.plan.bites[0].areas[0].lines.depth_um, abs=0.8)
    assert np.all(np.diff(area.goal.value) >= 0)
