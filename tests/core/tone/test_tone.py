import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.errors import StripError
from core.tone.fit_strip import fit_strip
from core.tone.lightness import (
    density_from_lightness,
    grey_step,
    lightness_from_density,
    lightness_from_reflectance,
    reflectance_from_lightness,
)
from core.tone.read_curve import read_curve
from core.tone.shapes import ReadCurveInput
from tests.core.strips import BATH, PATCHES, curve, strip_input


@pytest.mark.parametrize(("y", "lstar"), [(1, 100), (0.184187, 50), (0.008856, 8.0), (0, 0)])
def test_lightness_reference_values(y, lstar):
    assert lightness_from_reflectance(y) == pytest.approx(lstar, abs=0.02)


@given(st.floats(1, 105))
def test_tone_scales_go_there_and_back(lstar):
    assert lightness_from_reflectance(reflectance_from_lightness(lstar)) == pytest.approx(lstar)
    assert lightness_from_density(density_from_lightness(lstar)) == pytest.approx(lstar, abs=1e-6)


def test_grey_step():
    assert grey_step(100) == 0 and grey_step(50) == 5


def test_patches_lie_near_their_curve():
    fitted = fit_strip(strip_input())
    assert fitted.rms_lstar < 1.0
    assert 92 < fitted.lightest_lstar < 97
    assert fitted.darkest_lstar == pytest.approx(21, abs=1.5)
    assert fitted.valid_to_seconds == 960
    assert not any(patch.outlier for patch in fitted.patches)


def test_the_order_of_patches_does_not_matter():
    shuffled = [PATCHES[i] for i in (3, 0, 5, 1, 4, 2)]
    one, other = fit_strip(strip_input()), fit_strip(strip_input(shuffled))
    assert one.curve == other.curve
    assert [p.seconds for p in other.patches] == [s for s, _ in shuffled]


@settings(max_examples=15, deadline=None)
@given(st.integers(1, 4), st.floats(9, 20))
def test_one_bad_patch_is_flagged_and_does_not_bend_the_curve(place, off):
    bad = [(s, lstar + (off if i == place else 0)) for i, (s, lstar) in enumerate(PATCHES)]
    fitted = fit_strip(strip_input(bad))
    assert [p.outlier for p in fitted.patches] == [i == place for i in range(6)]
    assert "Too light" in fitted.patches[place].why
    assert fitted.patches[place].fitted == pytest.approx(PATCHES[place][1], abs=3.5)


def test_a_pale_run_at_the_long_end_ends_the_valid_range():
    fitted = fit_strip(strip_input([*PATCHES, (1500, 29.0), (2200, 36.0)]))
    assert fitted.valid_to_seconds == 960
    assert [p.outlier for p in fitted.patches[-2:]] == [True, True]
    assert "open bite" in fitted.patches[-1].why


@pytest.mark.parametrize(
    ("patches", "code"),
    [
        ([(30, 80), (60, 70)], "too-few-patches"),
        ([(30, 60), (60, 70), (120, 80), (240, 86)], "no-falling-trend"),
        ([(30, 80), (60, 79.5), (120, 79)], "no-falling-trend"),
        ([(30, 80), (30, 70), (60, 60)], "too-few-patches"),
    ],
)
def test_strips_without_a_curve_are_refused_with_a_reason(patches, code):
    with pytest.raises(StripError) as error:
        fit_strip(strip_input(patches))
    assert error.value.code == code
    assert error.value.field == "patches" and error.value.allowed and error.value.unit


def test_three_patches_are_enough_and_less_sure():
    few = fit_strip(strip_input([PATCHES[0], PATCHES[2], PATCHES[5]]))
    asked = {"lstar": [45]}
    narrow = read_curve(ReadCurveInput(curve=curve(), **asked)).points[0]
    wide = read_curve(ReadCurveInput(curve=few.curve, **asked)).points[0]
    assert wide.lstar_high - wide.lstar_low > narrow.lstar_high - narrow.lstar_low


def test_an_older_strip_of_the_same_ground_makes_a_short_one_surer():
    few = [PATCHES[0], PATCHES[2], PATCHES[5]]
    alone = fit_strip(strip_input(few))
    helped = fit_strip(strip_input(few, prior=[curve().model_dump()]))
    point = [
        read_curve(ReadCurveInput(curve=f.curve, lstar=[45])).points[0] for f in (alone, helped)
    ]
    assert point[1].lstar_high - point[1].lstar_low < point[0].lstar_high - point[0].lstar_low


def test_a_zero_patch_had_no_dip():
    fitted = fit_strip(strip_input([(0, 94.5), *PATCHES]))
    assert fitted.lightest_lstar == pytest.approx(94.5, abs=1.2)


def test_once_and_dips_differ_by_the_wetting_of_the_dips():
    dips, once = fit_strip(strip_input()), fit_strip(strip_input(bitten="once"))
    last = dips.curve.valid_to_reference_seconds, once.curve.valid_to_reference_seconds
    assert last[0] < last[1] < 960


@settings(max_examples=20, deadline=None)
@given(st.floats(25, 88))
def test_questions_both_ways_agree(lstar):
    there = read_curve(ReadCurveInput(curve=curve(), lstar=[lstar])).points[0]
    back = read_curve(ReadCurveInput(curve=curve(), seconds=[there.seconds])).points[0]
    assert back.lstar == pytest.approx(lstar, abs=0.3)
    assert there.reachable
    assert there.seconds_low <= there.seconds <= there.seconds_high


def test_more_time_is_never_lighter():
    times = list(np.geomspace(5, 960, 40))
    points = read_curve(ReadCurveInput(curve=curve(), seconds=times)).points
    tones = [p.lstar for p in points]
    assert tones == sorted(tones, reverse=True)


def test_a_tone_out_of_reach_gets_the_nearest():
    point = read_curve(ReadCurveInput(curve=curve(), lstar=[5])).points[0]
    assert not point.reachable
    assert point.lstar == pytest.approx(21, abs=2)


def test_a_slower_bath_takes_longer():
    own = read_curve(ReadCurveInput(curve=curve(), lstar=[50])).points[0]
    there = read_curve(ReadCurveInput(curve=curve(), lstar=[50], bath=BATH)).points[0]
    assert there.seconds > own.seconds * 1.1
    assert there.lstar_high - there.lstar_low > own.lstar_high - own.lstar_low
