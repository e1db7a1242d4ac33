"""Tone scales against published values; tables, patches in dips, guesses without a strip."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.kinetics.shapes import MordantNumbers
from core.tone.fit_strip import fit_strip
from core.tone.lightness import (
    density_from_lightness,
    grey_step,
    lightness_from_density,
    lightness_from_reflectance,
    reflectance_from_lightness,
)
from core.tone.no_strip import guess_curve
from core.tone.posterior import Readings, patch_seconds
from core.tone.read_curve import read_curve
from core.tone.shape import WETTING, curve_density, curve_lightness
from core.tone.shapes import Curve, ReadCurveInput
from core.tone.table import GRID_SECONDS, ToneTable, band, table_of
from core.units import celsius_from_fahrenheit, fahrenheit_from_celsius, kelvin
from tests.core.strips import BATH, PATCHES, curve, strip_input

# L* of reflectance by CIE 15 (116·Y^⅓ − 16, linear below 0.008856)
CIE = [(0.001, 0.903), (0.01, 8.991), (0.0500, 26.735), (0.1, 37.842), (0.184187, 50.0),
       (0.25, 57.075), (0.5, 76.069), (0.75, 89.394), (0.9, 95.997), (1.0, 100.0)]  # fmt: skip


@pytest.mark.parametrize(("y", "lstar"), CIE)
def test_lightness_by_cie(y, lstar):
    assert lightness_from_reflectance(y) == pytest.approx(lstar, abs=0.005)
    assert reflectance_from_lightness(lstar) == pytest.approx(y, rel=0.001)


@pytest.mark.parametrize(("density", "y"), [(0.0, 1.0), (0.3, 0.50119), (1.0, 0.1), (2.0, 0.01)])
def test_density_is_minus_the_decadic_logarithm(density, y):
    lstar = float(lightness_from_reflectance(y))
    assert density_from_lightness(lstar) == pytest.approx(density, abs=1e-4)
    assert lightness_from_density(density) == pytest.approx(lstar, abs=0.01)
    assert density_from_lightness(-5) == pytest.approx(6.0)  # never infinite


@pytest.mark.parametrize(("lstar", "step"), [(100, 0), (85, 1.5), (50, 5), (20, 8), (0, 10)])
def test_grey_steps_are_even_in_lightness(lstar, step):
    assert grey_step(lstar) == pytest.approx(step, abs=0.01)


@pytest.mark.parametrize(("celsius", "fahrenheit"), [(-40, -40), (0, 32), (20, 68), (37.5, 99.5)])
def test_temperature_units(celsius, fahrenheit):
    assert fahrenheit_from_celsius(celsius) == pytest.approx(fahrenheit)
    assert celsius_from_fahrenheit(fahrenheit) == pytest.approx(celsius)
    assert kelvin(celsius) == pytest.approx(celsius + 273.15)


def test_patches_bitten_in_dips_lose_their_wetting_at_each_dip():
    seconds, wetting = np.array([0.0, 4, 30, 60, 120]), np.array([0.0, 5.0])
    dips = patch_seconds(seconds, "dips", wetting)
    assert dips[0].tolist() == [0, 4, 30, 60, 120]
    # with 5 s lost a dip: nothing of the 4 s dip; 26 − 5; 30 − 5 more; 60 − 5 more
    assert dips[1].tolist() == [0, 0, 21, 46, 101]
    once = patch_seconds(seconds, "once", wetting)
    assert once[1].tolist() == [0, 0, 25, 55, 115]


def test_a_patch_left_out_keeps_its_dip():
    readings = Readings(
        seconds=np.array([30.0, 60, 120]), lstar=np.array([86.0, 80, 69]), spread=np.ones(3),
        scatter=np.ones(3), used=np.ones(3, dtype=bool), mix=np.eye(3), bitten="dips",
    )  # fmt: skip
    left = readings.without(1)
    assert left.used.tolist() == [True, False, True] and readings.used.all()
    assert np.array_equal(left.reference(np.array([6.0])), readings.reference(np.array([6.0])))


def test_the_table_is_the_curve_and_only_falls():
    draws = np.array(curve().draws)
    table = table_of(curve())
    assert np.all(np.diff(table.lstar, axis=1) <= 1e-9)
    assert table.wetting == pytest.approx(np.exp(draws[:, WETTING]))
    between = np.sqrt(GRID_SECONDS[40] * GRID_SECONDS[41])
    direct = curve_lightness(draws, np.array([between]))[:, 0]
    assert table.at(np.full(len(draws), between)) == pytest.approx(direct, abs=0.05)
    assert table.lightest == pytest.approx(float(curve_lightness(draws, np.zeros(1)).mean()))


def test_a_table_is_held_flat_beyond_its_ends():
    table = ToneTable(np.linspace(95, 5, len(GRID_SECONDS))[None, :], np.array([5.0]))
    assert table.at(np.array([-3.0]))[0] == 95 and table.at(np.array([1e9]))[0] < 5.2
    assert table.at(np.array([0.5]))[0] == pytest.approx((95 + table.lstar[0, 1]) / 2)


@settings(max_examples=30, deadline=None)
@given(st.lists(st.floats(-50, 150), min_size=2, max_size=300))
def test_a_band_lies_within_its_draws_in_order(values):
    low, high = band(np.array(values))
    assert min(values) <= low <= high <= max(values)


def test_density_and_lightness_of_a_curve_agree():
    draws, seconds = np.array(curve().draws)[:5], np.array([10.0, 100, 1000])
    density = curve_density(draws, seconds)
    assert curve_lightness(draws, seconds) == pytest.approx(lightness_from_density(density))
    assert np.all(density > 0)


def test_without_a_strip_the_guess_follows_the_mordant_s_rate():
    """Twice the rate, half the times."""
    usual = guess_curve("copper-ferric")
    fast = guess_curve("copper-ferric", MordantNumbers(rate_um_per_min=3.0))
    slow, quick = (
        read_curve(ReadCurveInput(curve=c, lstar=[50])).points[0].seconds for c in (usual, fast)
    )
    wet = MORDANTS["copper-ferric"].wetting_seconds
    assert (quick - wet) / (slow - wet) == pytest.approx(0.5, abs=0.04)
    assert not usual.measured and usual.conditions.temperature_c == 20
    wide = read_curve(ReadCurveInput(curve=usual, lstar=[50])).points[0]
    sure = read_curve(ReadCurveInput(curve=curve(), lstar=[50])).points[0]
    assert wide.lstar_high - wide.lstar_low > 3 * (sure.lstar_high - sure.lstar_low)


def test_answers_come_in_the_order_of_the_questions_tones_first():
    asked = ReadCurveInput(curve=curve(), lstar=[30, 80], seconds=[500, 40])
    points = read_curve(asked).points
    assert [round(p.lstar) for p in points[:2]] == [30, 80]
    assert [p.seconds for p in points[2:]] == [500, 40]
    for point in points:
        assert point.seconds_low <= point.seconds <= point.seconds_high
        assert point.lstar_low <= point.lstar <= point.lstar_high


@settings(max_examples=20, deadline=None)
@given(st.floats(10, 900))
def test_a_time_read_as_a_tone_and_back_is_the_time(seconds):
    tone = read_curve(ReadCurveInput(curve=curve(), seconds=[seconds])).points[0].lstar
    back = read_curve(ReadCurveInput(curve=curve(), lstar=[tone])).points[0].seconds
    slope = abs(tone - 94) > 1
    assert back == pytest.approx(seconds, rel=0.05, abs=4) or not slope


def test_a_colder_or_loaded_bath_takes_longer_for_the_same_tone():
    def seconds(**bath):
        asked = ReadCurveInput(curve=curve(), bath={**BATH, **bath}, lstar=[50])
        return read_curve(asked).points[0].seconds

    assert seconds(temperature_c=14) > seconds(temperature_c=20) > seconds(temperature_c=26)
    assert seconds(load_g_per_l=40) > seconds(load_g_per_l=5)
    assert seconds(rate_factor=0.5) == pytest.approx(2 * seconds(rate_factor=1.0), rel=0.04)


def test_a_zinc_bath_cannot_be_asked_of_a_copper_strip():
    bath = {"mordant": "zinc-nitric-10", "temperature_c": 20}
    with pytest.raises(CoreError):
        read_curve(ReadCurveInput(curve=curve(), bath=bath, lstar=[50]))


def test_a_curve_is_handed_on_as_plain_json_and_checked_when_it_comes_back():
    handed = Curve.model_validate_json(curve().model_dump_json())
    assert handed == curve()
    broken = curve().model_dump()
    broken["draws"][0] = broken["draws"][0][:-1]
    with pytest.raises(ValueError, match="each draw of a curve"):
        Curve.model_validate(broken)
    broken["draws"][0] = [99.0] * len(curve().draws[1])
    with pytest.raises(ValueError, match="within ±60"):
        Curve.model_validate(broken)


def test_a_patch_read_surely_pulls_the_curve_more_than_a_doubtful_one():
    def fitted(spread):
        rows = [{"seconds": s, "lstar": v} for s, v in PATCHES]
        rows[2] |= {"lstar": 72.5, "spread": spread}
        given = strip_input().model_dump() | {"patches": rows}
        return fit_strip(type(strip_input()).model_validate(given)).patches[2].fitted

    assert fitted(0.3) > fitted(3.0) + 0.3
