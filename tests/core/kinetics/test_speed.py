import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.data.mordants import MORDANTS
from core.kinetics.bath import bath_speed, load_gain_g_per_l, tray_temperature
from core.kinetics.bite import Tray, past_exposure, start_bite
from core.kinetics.carry import carried_rate_factor
from core.kinetics.shapes import Conditions, CurveBath
from core.kinetics.speed import ferric_strength_factor, load_factor, temperature_factor
from core.units import baume_from_specific_gravity, specific_gravity_from_baume


@pytest.mark.parametrize(
    ("warm", "energy", "factor"),
    [(20, 33, 1.0), (30, 33, 1.563), (10, 33, 0.619), (30, 45, 1.839)],
)
def test_temperature_factor_is_arrhenius(warm, energy, factor):
    assert temperature_factor(warm, energy) == pytest.approx(factor, abs=0.002)


def test_load_slows_to_a_quarter_at_the_end_of_life_and_never_stops():
    assert load_factor(60, 60) == pytest.approx(0.25)
    assert load_factor(200, 60) == pytest.approx(0.15)


@pytest.mark.parametrize(("baume", "load", "factor"), [(42, 0, 1.0), (35, 0, 1.3), (45, 0, 0.85)])
def test_strength_table(baume, load, factor):
    assert ferric_strength_factor(baume, load) == pytest.approx(factor)


def test_dissolved_copper_is_taken_off_the_hydrometer():
    assert ferric_strength_factor(42, 20) == pytest.approx(ferric_strength_factor(40.6, 0))


@pytest.mark.parametrize(("baume", "gravity"), [(0, 1.0), (42, 1.408), (36, 1.330)])
def test_hydrometer_scale(baume, gravity):
    assert specific_gravity_from_baume(baume) == pytest.approx(gravity, abs=0.001)
    assert baume_from_specific_gravity(specific_gravity_from_baume(baume)) == pytest.approx(baume)


def test_metal_is_conserved():
    """100 cm² bitten 10 µm deep is 0.1 cm³ of copper: 0.896 g in 4 L."""
    assert load_gain_g_per_l(100, 10, "copper", 4) == pytest.approx(0.896 / 4)


def test_tray_drifts_to_the_room():
    assert tray_temperature(0, 25, 15, 60) == pytest.approx(25)
    assert tray_temperature(3600, 25, 15, 60) == pytest.approx(15 + 10 / np.e)
    assert tray_temperature(3600, 25, None, None) == pytest.approx(25)


def _speed(**bath):
    facts = CurveBath(mordant="copper-ferric", **{"temperature_c": 20, **bath})
    strip = Conditions(mordant="copper-ferric", temperature_c=20)
    return bath_speed(facts, strip, 100)


@given(st.floats(8, 30), st.floats(8, 30))
def test_warmer_is_faster(a, b):
    low, high = sorted((a, b))
    speed = _speed()
    assert np.all(speed.at(low, 0.0) <= speed.at(high, 0.0) + 1e-12)


def test_same_bath_as_the_strip_bites_at_one():
    assert _speed().at(20.0, 0.0) == pytest.approx(np.ones(100))


def test_measured_speed_replaces_what_thermometer_and_load_say():
    pace = _speed(rate_factor=1.4, rate_factor_spread=0.0, load_g_per_l=30).at(20.0, 30.0)
    assert pace == pytest.approx(np.full(100, 1.4))


def test_an_open_plate_slows_its_own_bath():
    tray = Tray(20, 10, 1.0, None, None, 1.0)
    wetting = np.full(100, 5.0)
    small = start_bite(_speed(), tray, 1, 3600, wetting)
    large = start_bite(_speed(), tray, 2000, 3600, wetting)
    assert large.load_after(3600) > small.load_after(3600) > 10
    assert large.exposure(3600).mean() < small.exposure(3600).mean()


def test_many_short_dips_bite_less_than_one_long_one():
    wetting = np.full(100, 6.0)
    once = past_exposure(_speed(), 120, [(0, 20)], 0, wetting)
    parts = 4 * past_exposure(_speed(), 30, [(0, 20)], 0, wetting)
    assert once - parts == pytest.approx(np.full(100, 18.0), abs=0.2)


def test_a_dip_shorter_than_wetting_bites_nothing():
    assert past_exposure(_speed(), 3, [(0, 20)], 0, np.full(100, 6.0)).max() == 0


def test_carrying_a_measured_speed_adds_doubt_with_distance():
    near = carried_rate_factor(MORDANTS["copper-ferric"], 1.2, 0.03, (18, 17), (18, 17))
    far = carried_rate_factor(MORDANTS["copper-ferric"], 1.2, 0.03, (18, 17), (25, 17))
    assert near == pytest.approx((1.2, 0.03))
    ratio = temperature_factor(25, 33) / temperature_factor(18, 33)
    assert far[0] == pytest.approx(1.2 * ratio)
    assert far[1] > 0.06


def test_every_mordant_says_its_spread_and_source():
    for row in MORDANTS.values():
        assert row.source and row.rate_log_spread > 0 and row.end_spread_g_per_l > 0
