"""Heat of a bath, what is left of its life, and what a litre can dissolve."""

import numpy as np
import pytest

from core.bath.heat import G_PER_MOL
from core.calculators import compute
from core.data.heat import REACTION_KJ_PER_MOL
from core.kinetics.speed import temperature_factor
from core.prepare.density import (
    MOST_BAUME,
    ferric_baume,
    ferric_mass_percent,
    ferric_mol_per_l,
    most_copper_g_per_l,
)
from core.units import baume_from_specific_gravity, specific_gravity_from_baume

HANDBOOK = [(10, 1.085), (20, 1.182), (30, 1.291), (40, 1.418), (50, 1.551)]


def heat(**more):
    return compute("bath-heat", {
        "mordant": "zinc-nitric-10", "temperature_c": 20, "volume_l": 3, "room_c": 20, **more,
    })  # fmt: skip


def life(**more):
    return compute("bath-life", {
        "mordant": "copper-ferric", "volume_l": 4, "load_g_per_l": 17, **more,
    })  # fmt: skip


@pytest.mark.parametrize(("percent", "density"), HANDBOOK)
def test_densities_stand_as_in_the_handbook_both_ways(percent, density):
    baume = baume_from_specific_gravity(density)
    assert ferric_mass_percent(baume) == pytest.approx(percent, abs=0.01)
    assert specific_gravity_from_baume(ferric_baume(percent)) == pytest.approx(density, abs=1e-3)


@pytest.mark.parametrize("baume", np.linspace(1, MOST_BAUME, 12))
def test_the_hydrometer_goes_there_and_back(baume):
    assert ferric_baume(ferric_mass_percent(baume)) == pytest.approx(baume, abs=0.01)


@pytest.mark.parametrize(("baume", "mol", "copper"), [(42, 3.4, 108), (36, 2.71, 86)])
def test_a_litre_dissolves_no_more_than_the_equation_allows(baume, mol, copper):
    assert ferric_mol_per_l(baume) == pytest.approx(mol, abs=0.02)
    assert most_copper_g_per_l(baume) == pytest.approx(copper, abs=0.6)
    assert most_copper_g_per_l(baume) == pytest.approx(ferric_mol_per_l(baume) / 2 * 63.55)


@pytest.mark.parametrize(("celsius", "factor"), [(10, 0.620), (20, 1.0), (25, 1.255), (30, 1.563)])
def test_arrhenius_factors_of_33_kj(celsius, factor):
    assert temperature_factor(celsius, 33.0) == pytest.approx(factor, abs=0.002)


def test_a_tray_goes_a_third_of_the_way_and_then_two_thirds():
    told = heat(temperature_c=26, room_c=18, volume_l=4, cooling_minutes=60)
    ended = told.forecast[-1]
    assert ended[0] == pytest.approx(60, abs=1)
    assert ended[1] == pytest.approx(18 + 8 * np.exp(-1), abs=0.1)
    assert ended[2] <= ended[1] <= ended[3]
    assert told.rise_bound_c == 0 and told.warnings == []


def test_a_jacket_of_warm_water_is_nearer_than_the_room():
    warm = heat(temperature_c=16, room_c=12, jacket_c=24, minutes=30)
    assert warm.forecast[-1][1] > 20
    assert heat(temperature_c=16, room_c=12, minutes=30).forecast[-1][1] < 16


def test_the_heat_is_what_the_metal_gives():
    told = heat(open_cm2=200, minutes=10, volume_l=10)
    expected = told.dissolved_g / G_PER_MOL["zinc"] * REACTION_KJ_PER_MOL["nitric"].value
    assert told.heat_kj == pytest.approx(expected, rel=0.01)
    assert told.rise_bound_c > told.heat_kj / 4.18 / 10


def test_a_large_open_zinc_in_little_nitric_is_warned_of():
    few, many = heat(open_cm2=10, volume_l=6, minutes=20), heat(open_cm2=400, volume_l=1)
    assert few.warnings == []
    assert {each.code for each in many.warnings} == {"past-limit", "fumes"}
    assert many.rise_bound_c > few.rise_bound_c


def test_ferric_hardly_warms_itself():
    told = heat(mordant="copper-ferric", open_cm2=200, minutes=30)
    assert told.rise_bound_c < 2 and told.warnings == []


def test_what_is_left_is_grams_of_metal():
    told = life(plate_cm2=150, plate_um=20, g_per_day=2)
    assert told.grams.value == pytest.approx((60 - 17) * 4, rel=0.01)
    assert told.plates.value == pytest.approx(172 / (150 * 20e-4 * 8.96), rel=0.02)
    assert told.days.value == pytest.approx(86, rel=0.01)
    assert told.grams.low < told.grams.value < told.grams.high


def test_a_refresh_takes_the_metal_of_what_was_poured_off():
    quarter, half = life(load_g_per_l=40).refreshes
    assert (quarter.load_g_per_l, half.load_g_per_l) == (30, 20)
    assert 1 < quarter.speed < half.speed


@pytest.mark.parametrize(("load", "advice"), [(10, "keep"), (40, "refresh"), (55, "retire")])
def test_when_to_refresh_and_when_to_retire(load, advice):
    told = life(load_g_per_l=load)
    assert told.advice == advice
    assert ("never the drain" in told.text) == (advice == "retire")


def test_a_bath_nobody_bites_in_has_no_day():
    assert life().days is None


def test_what_is_told_ends_at_the_minutes_asked_for():
    told = heat(minutes=95, temperature_c=14, room_c=20)
    assert told.forecast[-1][0] == pytest.approx(95, abs=0.5)
    assert told.forecast[-1][1:] == (told.end_c, told.end_low_c, told.end_high_c)
    assert len(told.forecast) <= 62


def test_warmer_at_the_end_it_bites_faster_by_its_own_energy():
    told = heat(minutes=120, temperature_c=14, room_c=20)
    warm, cold = (float(temperature_factor(c, 45)) for c in (told.end_c, 14))
    assert told.speed_share == pytest.approx(warm / cold, rel=0.01)
    assert heat(minutes=60).speed_share == pytest.approx(1, abs=0.01)


def test_a_jacket_is_as_warm_as_wanted_after_so_many_minutes():
    told = heat(temperature_c=14, room_c=14, jacket_c=28, reach_c=20, minutes=120)
    # e-folds of the way: ln(14 / 8) of the tray's 25 min, grown with its side
    expected = np.log(14 / 8) * 25 * (3 / 4) ** (1 / 3)
    assert told.reach_minutes == pytest.approx(expected, rel=0.03)
    assert told.reach_soonest_minutes < told.reach_minutes < told.reach_latest_minutes


@pytest.mark.parametrize(
    ("asked", "minutes"), [({"reach_c": 25}, None), ({}, None), ({"reach_c": 14}, 0.0)]
)
def test_what_is_not_reached_is_not_told(asked, minutes):
    told = heat(temperature_c=14, room_c=20, minutes=60, **asked)
    assert told.reach_minutes == minutes


def test_a_tray_that_cools_passes_the_wanted_warmth_on_the_way_down():
    told = heat(temperature_c=24, room_c=14, reach_c=20, minutes=240)
    assert 20 < told.reach_minutes < 90


@pytest.mark.parametrize(
    ("asked", "code"),
    [
        ({"jacket_c": 42}, ["too-warm-around"]),
        ({"jacket_c": 29}, []),
        ({"room_c": 35, "minutes": 400}, ["too-warm-around"]),
        ({"jacket_c": 42, "mordant": "copper-ferric"}, []),
    ],
)
def test_a_jacket_too_hot_for_nitric_is_warned_of(asked, code):
    told = heat(temperature_c=18, **asked)
    assert [each.code for each in told.warnings] == code
