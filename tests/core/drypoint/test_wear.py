import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.data.plate_materials import MATERIALS
from core.data.wear import WEAR
from core.errors import CoreError
from core.tone.lightness import lightness_from_density

GUESS = {"plastic": 12, "copper": 25, "zinc": 15}


def forecast(**more):
    given = {"material": "plastic", "wanted": 20, "readings": []}
    return compute("wear-forecast", {**given, **more})


def tones(line, burr, life, passes=1):
    k = np.arange(1, 401)
    return lightness_from_density(line + burr * np.exp(-k * passes / life))


def read(true, places, noise=0.0, seed=0):
    chance = np.random.default_rng(seed)
    return [
        {"impression": k, "lstar": float(true[k - 1] + noise * chance.normal()), "spread": 0.8}
        for k in places
    ]


def last_good(true, tolerance=3.0):
    pale = true - true[0] > tolerance
    return int(pale.argmax()) if pale.any() else 400


def test_the_example_has_every_key_of_its_shape():
    told = forecast(
        steel_faced=False, passes=1, ok_impression=1, tolerance_lstar=3, history=[],
        readings=[{"impression": 1, "lstar": 31.0, "spread": 0.8}],
    )  # fmt: skip
    assert 1 <= told.low <= told.last_good <= told.high <= 400
    assert 0 <= told.chance_of_wanted <= 1
    assert [each.impression for each in told.forecast] == list(range(1, 21))
    assert told.forecast[0].lstar == pytest.approx(31, abs=0.8)
    assert all(each.low <= each.lstar <= each.high for each in told.forecast)


def made_up_plates(count, places, seed):
    """Plates as they may be: found over true, and whether the band holds the true one."""
    chance = np.random.default_rng(seed)
    for number in range(count):
        material = str(chance.choice(list(GUESS)))
        passes = int(chance.integers(1, 3))
        life = GUESS[material] * math.exp(0.4 * chance.normal())
        true = tones(chance.uniform(0.5, 1.0), chance.uniform(0.1, 0.5), life, passes)
        told = forecast(material=material, passes=passes, readings=read(true, places, 0.8, number))
        good = last_good(true)
        yield math.log(told.last_good / good), told.low <= good <= told.high


@pytest.mark.parametrize(("places", "most"), [((1, 3, 5, 8), 0.6), (range(1, 12), 0.45)])
def test_the_last_good_impression_is_found_and_its_band_holds(places, most):
    rows = list(made_up_plates(70, places, 11))
    assert math.sqrt(np.mean([off**2 for off, _ in rows])) < most
    assert np.mean([held for _, held in rows]) >= 0.88


def test_line_and_burr_are_told_apart_by_enough_readings():
    true = tones(0.6, 0.4, 10)
    told = forecast(readings=read(true, range(1, 40)), wanted=40)
    assert told.burr_impressions == pytest.approx(10, rel=0.25)
    assert told.burr_share == pytest.approx(0.4, abs=0.08)
    assert told.last_good == pytest.approx(last_good(true), abs=1)


@settings(max_examples=8, deadline=None)
@given(st.integers(1, 3), st.sampled_from(["acrylic", "copper", "zinc"]))
def test_more_passes_never_last_longer(passes, material):
    readings = [{"impression": 1, "lstar": 31.0}]
    few, many = (
        forecast(material=material, passes=each, readings=readings) for each in (passes, passes + 1)
    )
    assert many.last_good <= few.last_good and many.burr_impressions < few.burr_impressions
    bare_few, bare_many = (
        forecast(material=material, passes=each) for each in (passes, passes + 1)
    )
    for one, two in zip(bare_few.forecast, bare_many.forecast, strict=True):
        assert two.lstar >= one.lstar


def test_steel_lasts_longer_and_only_metal_takes_it():
    bare, faced = (forecast(material="copper", steel_faced=each) for each in (False, True))
    assert faced.burr_impressions == pytest.approx(8 * bare.burr_impressions, rel=0.02)
    assert faced.last_good > bare.last_good
    with pytest.raises(CoreError):
        forecast(material="acrylic", steel_faced=True)
    zinc = forecast(material="zinc", steel_faced=True)
    assert "zinc-under-steel" in [each.code for each in zinc.warnings]


def test_the_rooms_own_plates_replace_the_table():
    slow = {"material": "acrylic", "readings": read(tones(0.6, 0.4, 30), range(1, 30))}
    guess, own = forecast(), forecast(history=[slow] * 3)
    assert own.burr_impressions > 1.5 * guess.burr_impressions
    assert own.burr_high / own.burr_low < guess.burr_high / guess.burr_low
    assert own.from_history and not guess.from_history


def test_what_another_plates_forecast_was_asked_may_be_handed_in_whole():
    asked = {"material": "acrylic", "wanted": 20, "ok_impression": 1, "tolerance_lstar": 3,
             "readings": read(tones(0.6, 0.4, 30), range(1, 20))}  # fmt: skip
    assert forecast(history=[asked]).from_history


def test_scratching_again_brings_the_burr_back():
    readings = read(tones(0.6, 0.35, 12), range(1, 12))
    told = forecast(readings=readings, wanted=30, ask_again_after=12)
    again = told.again
    assert again.after == 12 and again.last_good > told.last_good
    assert again.forecast[0].impression == 13
    assert again.forecast[0].lstar < told.forecast[12].lstar
    done = forecast(readings=readings, wanted=30, scratched_again=[11])
    assert done.forecast[12].lstar < told.forecast[12].lstar


def test_passes_that_were_counted_replace_the_usual():
    readings = [
        {"impression": 1, "lstar": 31, "worn": 1},
        {"impression": 6, "lstar": 36, "worn": 12},
    ]
    counted = forecast(readings=readings)
    usual = forecast(readings=[{k: v for k, v in each.items() if k != "worn"} for each in readings])
    assert counted.burr_impressions > usual.burr_impressions


def test_readings_that_get_darker_with_wear_are_said_and_kept():
    told = forecast(readings=[{"impression": 1, "lstar": 36}, {"impression": 5, "lstar": 30}])
    assert "darker-with-wear" in [each.code for each in told.warnings]
    assert 1 <= told.low <= told.last_good <= told.high <= 400
    again = forecast(
        readings=[{"impression": 1, "lstar": 36}, {"impression": 5, "lstar": 30}],
        scratched_again=[3],
    )
    assert "darker-with-wear" not in [each.code for each in again.warnings]


def test_one_that_strays_bends_little():
    true = tones(0.6, 0.35, 12)
    rows = read(true, range(1, 10))
    straight = forecast(readings=rows)
    rows[5] = {**rows[5], "lstar": rows[5]["lstar"] + 9}
    bent = forecast(readings=rows)
    assert "strays" in [each.code for each in bent.warnings]
    assert abs(math.log(bent.last_good / straight.last_good)) < 0.5


def test_without_a_reading_it_is_the_materials_guess():
    told = forecast()
    assert [each.code for each in told.warnings] == ["no-readings"]
    assert told.burr_impressions == pytest.approx(WEAR["plastic"].burr_impressions, rel=0.05)


def test_more_wanted_than_a_plate_serves_is_said():
    assert "beyond-life" in [each.code for each in forecast(wanted=90).warnings]


@pytest.mark.parametrize(
    ("more", "field"),
    [({"wanted": 0}, "wanted"), ({"readings": [{"impression": 0, "lstar": 30}]},
      "readings.0.impression"), ({"passes": 0}, "passes"), ({"tolerance_lstar": 0},
      "tolerance_lstar"), ({"material": "wood"}, "material"), ({"wanted": 401}, "wanted")],
)  # fmt: skip
def test_no_impressions_and_no_plates_are_refused(more, field):
    with pytest.raises(CoreError) as error:
        forecast(**more)
    assert error.value.field == field


@pytest.mark.parametrize("material", MATERIALS)
def test_every_material_says_what_it_bears(material):
    told = compute("plate-material", {"material": material, "thickness_mm": 1.0})
    assert (
        told.thicknesses_mm and told.bears and told.bevel and told.cleaning.startswith("Clean it")
    )
    assert told.bevel_needed == (material in ("copper", "zinc"))


def test_plastic_needs_its_name_and_acrylic_no_alcohol():
    with pytest.raises(CoreError) as error:
        compute("plate-material", {"material": "plastic"})
    assert error.value.code == "which-plastic"
    assert "alcohol" in compute("plate-material", {"material": "acrylic"}).cleaning
    with pytest.raises(CoreError):
        compute("plate-material", {"material": "petg", "steel_faced": True})
