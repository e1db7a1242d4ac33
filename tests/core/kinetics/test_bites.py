"""Bites against an independent integration, and what a bath stands at."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.data.mordants import METALS, MORDANTS
from core.kinetics.bath import bath_speed, load_gain_g_per_l, tray_temperature
from core.kinetics.bite import Tray, past_exposure, start_bite
from core.kinetics.row import mordant_row, tables_version
from core.kinetics.shapes import Conditions, CurveBath, MordantNumbers
from core.kinetics.speed import (
    load_factor,
    strength_factor,
    temperature_factor,
)
from core.kinetics.standing import Reading, stand

DRAWS = 64
FERRIC = {"mordant": "copper-ferric", "temperature_c": 20.0}
STRIP = Conditions(mordant="copper-ferric", temperature_c=20)


def speed(**bath):
    return bath_speed(CurveBath(**{**FERRIC, **bath}), STRIP, DRAWS)


def by_hand(tray, bare_cm2, seconds, steps=4000):
    """Integrate table rate, load and temperature in small steps: (load, reference seconds)."""
    row, load, gained, dt = MORDANTS["copper-ferric"], tray.load_g_per_l, 0.0, seconds / steps
    one = speed()
    for i in range(steps):
        t = (i + 0.5) * dt
        warm = float(tray_temperature(t, tray.temperature_c, tray.room_c, tray.cooling_minutes))
        gained += float(one.at(warm, load).mean()) * dt
        rate = row.rate_um_per_min * tray.strength / 60
        pace = temperature_factor(warm, row.energy_kj_per_mol) * load_factor(load, row.end_g_per_l)
        load += load_gain_g_per_l(bare_cm2, rate * float(pace) * dt, "copper", tray.volume_l)
    return load, gained


@pytest.mark.parametrize(
    ("tray", "bare", "seconds"),
    [
        (Tray(20, 5, 4.0, None, None, 1.0), 60, 600),
        (Tray(24, 12, 1.5, 16, 60, 1.2), 300, 1800),
        (Tray(15, 40, 0.8, 22, 90, 0.85), 500, 3600),
    ],
)
def test_a_bite_is_the_integral_of_rate_load_and_drift(tray, bare, seconds):
    bite = start_bite(speed(), tray, bare, seconds, np.zeros(DRAWS))
    load, gained = by_hand(tray, bare, seconds)
    assert bite.load_after(seconds) - tray.load_g_per_l == pytest.approx(
        load - tray.load_g_per_l, rel=0.03
    )
    assert bite.exposure(seconds).mean() == pytest.approx(gained, rel=0.01)


@settings(max_examples=25, deadline=None)
@given(st.floats(5, 3000), st.floats(5, 3000), st.floats(0, 20))
def test_exposure_grows_with_time_and_never_faster_than_the_fresh_bath(a, b, wetting):
    short, long = sorted((a, b))
    bite = start_bite(speed(), Tray(20, 0, 4, None, None, 1), 40, 3600, np.full(DRAWS, wetting))
    first, second = bite.exposure(short), bite.exposure(long)
    assert np.all(first <= second + 1e-9)
    assert np.all(second <= np.maximum(0, long - wetting) * 1.0001 + 1e-6)


@settings(max_examples=20, deadline=None)
@given(st.floats(20, 1500))
def test_the_clock_for_a_mean_gain_is_its_inverse(wanted):
    bite = start_bite(speed(), Tray(20, 0, 4, None, None, 1), 40, 3600, np.full(DRAWS, 6.0))
    clock = bite.clock_for_mean(wanted)
    assert bite.exposure(clock).mean() == pytest.approx(wanted, rel=0.01, abs=0.5)


def test_a_clock_beyond_the_bite_is_its_last():
    bite = start_bite(speed(), Tray(20, 0, 4, None, None, 1), 40, 300, np.zeros(DRAWS))
    assert bite.clock_for_mean(10_000) == pytest.approx(300)
    assert bite.clock_for_mean(0) == 0


def test_past_exposure_follows_the_thermometer_between_its_readings():
    flat = past_exposure(speed(), 600, [(0, 20)], 0, np.zeros(DRAWS)).mean()
    assert flat == pytest.approx(600)
    # from 20 to 25 °C over ten minutes, then held: a straight line of temperature
    rising = past_exposure(speed(), 600, [(600, 25), (0, 20)], 0, np.zeros(DRAWS)).mean()
    grid = np.linspace(0, 600, 2001)
    straight = np.array([speed().at(20 + t / 120, 0.0).mean() for t in grid])
    by_trapezium = float(np.sum((straight[1:] + straight[:-1]) / 2 * np.diff(grid)))
    assert rising == pytest.approx(by_trapezium, rel=1e-3)
    early = past_exposure(speed(), 600, [(900, 30), (0, 20)], 0, np.zeros(DRAWS)).mean()
    assert flat < early < past_exposure(speed(), 600, [(0, 30)], 0, np.zeros(DRAWS)).mean()


def test_temperature_factor_is_the_ratio_of_two_arrhenius_rates():
    for warm, energy in ((8, 30), (27, 45), (35, 33)):
        k = [math.exp(-energy * 1000 / (8.314462618 * (273.15 + t))) for t in (warm, 20)]
        assert temperature_factor(warm, energy) == pytest.approx(k[0] / k[1], rel=1e-9)
    assert temperature_factor(25, 33, 25) == 1.0


@pytest.mark.parametrize(
    ("load", "factor"), [(0, 1), (30, 0.625), (60, 0.25), (68, 0.15), (99, 0.15)]
)
def test_load_factor_by_hand(load, factor):
    assert load_factor(load, 60) == pytest.approx(factor)


@pytest.mark.parametrize(
    ("mordant", "baume", "load", "factor"),
    [("copper-ferric", None, 0, 1.0), ("copper-ferric", 42, 30, 1.0), ("copper-ferric", 35, 0, 1.3),
     ("copper-ferric", 38, 0, 1.2), ("copper-ferric", 45, 0, 0.85), ("copper-ferric", 50, 0, 0.85),
     ("copper-ferric", 20, 0, 1.15), ("zinc-nitric-10", 36, 0, 1.0),
     ("copper-ferric", 40.1, 30, 1.2)],
)  # fmt: skip
def test_strength_comes_from_a_reading_of_ferric_only(mordant, baume, load, factor):
    assert strength_factor(MORDANTS[mordant], baume, load) == pytest.approx(factor)


@pytest.mark.parametrize("metal", ["copper", "zinc"])
def test_metal_gained_is_area_times_depth_times_density(metal):
    grams = 250 * 20e-4 * METALS[metal].density_g_per_cm3
    assert load_gain_g_per_l(250, 20, metal, 2.5) == pytest.approx(grams / 2.5)
    assert load_gain_g_per_l(250, 20, metal, 5) == pytest.approx(grams / 5)


def test_a_tray_cools_by_newton_toward_its_room():
    temperatures = tray_temperature(np.array([0, 1800, 5400, 50_000.0]), 28, 18, None)
    assert temperatures[0] == 28 and temperatures[-1] == pytest.approx(18, abs=0.01)
    assert temperatures[2] == pytest.approx(18 + 10 * math.exp(-1), rel=1e-6)
    assert np.all(np.diff(temperatures) < 0)
    assert tray_temperature(600.0, 18, 28, 30) == pytest.approx(28 - 10 * math.exp(-1 / 3))


def test_the_room_s_own_numbers_stand_in_the_table_s_places():
    own = MordantNumbers(rate_um_per_min=2.2, undercut=0.5)
    bath = CurveBath(**FERRIC, numbers=own)
    row = mordant_row(bath)
    assert (row.rate_um_per_min, row.undercut) == (2.2, 0.5)
    assert row.energy_kj_per_mol == MORDANTS["copper-ferric"].energy_kj_per_mol
    assert "with own rate_um_per_min, undercut" in tables_version(bath)
    assert tables_version(None) == tables_version(CurveBath(**FERRIC))


def test_draws_of_a_bath_spread_about_the_table_and_narrow_when_measured():
    wide = speed(temperature_c=28, load_g_per_l=25).at(28.0, 25.0)
    sure = speed(temperature_c=28, load_g_per_l=25, rate_factor=1.1, rate_factor_spread=0.02)
    narrow = sure.at(28.0, 25.0)
    assert np.log(narrow).std() == pytest.approx(0.02, abs=0.004)
    assert np.log(wide).std() > 2 * np.log(narrow).std()
    assert narrow.mean() == pytest.approx(1.1, rel=0.01)


def test_a_bath_stands_at_its_newest_temperature_and_load():
    known = [
        Reading(100, temperature_c=18, load_g_per_l=10),
        Reading(300, gained_g_per_l=0.4),
        Reading(200, temperature_c=19.5),
        Reading(400, load_g_per_l=9),
        Reading(500, gained_g_per_l=0.25),
        Reading(600, gained_g_per_l=0.25, temperature_c=20),
    ]
    now = stand(known)
    assert (now.temperature_c, now.temperature_at_seconds) == (20, 600)
    assert now.load_g_per_l == pytest.approx(9.5)
    then = stand(known, 350)
    assert (then.temperature_c, then.load_g_per_l) == (19.5, pytest.approx(10.4))
    early = stand(known, 50)
    assert early == stand([]) and early.temperature_c is None and early.load_g_per_l is None


READINGS = st.lists(
    st.builds(
        Reading,
        at_seconds=st.integers(0, 50).map(float),
        temperature_c=st.none() | st.floats(5, 40),
        load_g_per_l=st.none() | st.floats(0, 60),
        gained_g_per_l=st.floats(0, 2),
    ),
    max_size=12,
    unique_by=lambda r: r.at_seconds,
)


@given(READINGS, st.randoms())
def test_a_bath_stands_the_same_whatever_the_order_its_readings_come_in(readings, rng):
    mixed = list(readings)
    rng.shuffle(mixed)
    assert stand(mixed) == stand(readings)


@given(READINGS, st.floats(5, 40))
def test_one_more_reading_taken_away_again_leaves_no_trace(readings, celsius):
    later = Reading(99.0, temperature_c=celsius)
    assert stand([*readings, later]).temperature_c == celsius
    assert stand([*readings, later], 98.0) == stand(readings)
    assert stand([*readings, later]).load_g_per_l == stand(readings).load_g_per_l
