import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError


def answer(name, **given):
    return compute(name, given)


@pytest.mark.parametrize(("held", "wanted", "factor"), [(7, 9, 1.995), (9, 7, 0.501), (5, 5, 1)])
def test_two_steps_of_a_wedge_double_the_time(held, wanted, factor):
    told = answer("exposure-wedge", seconds=90, held_step=held, wanted_step=wanted)
    assert told.factor == factor
    assert told.seconds == pytest.approx(90 * 10 ** (0.15 * (wanted - held)), abs=0.05)
    assert told.low < told.seconds < told.high


def test_a_wedge_of_other_steps_has_its_own_factor():
    told = answer("exposure-wedge", seconds=60, held_step=3, wanted_step=4, step_density=0.3)
    assert told.factor == pytest.approx(10**0.3, abs=1e-3)


@pytest.mark.parametrize(
    ("field", "value"), [("seconds", 0), ("held_step", -1), ("wanted_step", 99), ("seconds", 9e9)]
)
def test_a_wedge_out_of_its_limits_is_refused(field, value):
    good = {"seconds": 90, "held_step": 7, "wanted_step": 9}
    with pytest.raises(CoreError) as error:
        answer("exposure-wedge", **{**good, field: value})
    assert error.value.field == field and error.value.value == value


def test_a_small_lamp_falls_with_the_distance_squared():
    told = answer(
        "lamp-dose", lamp="point", points=[{"distance_cm": 60, "mw_per_cm2": 4.1}],
        distance_cm=50, seconds=100,
    )  # fmt: skip
    assert told.mw_per_cm2 == pytest.approx(4.1 * 1.44, abs=1e-3)
    assert told.mj_per_cm2 == pytest.approx(590.4) and told.source == "inverse-square"


def test_tubes_are_measured_never_reckoned():
    points = [{"distance_cm": 10, "mw_per_cm2": 8}, {"distance_cm": 20, "mw_per_cm2": 5}]
    told = answer("lamp-dose", lamp="tubes", points=points, distance_cm=14.142, mj_per_cm2=632.5)
    assert told.mw_per_cm2 == pytest.approx(math.sqrt(40), abs=0.01)
    assert told.seconds == pytest.approx(100, abs=0.1) and told.source == "between"
    with pytest.raises(CoreError) as error:
        answer("lamp-dose", lamp="tubes", points=points, distance_cm=30, seconds=10)
    assert error.value.code == "not-measured" and error.value.allowed == "10 to 20"


def test_dose_and_time_are_one_question():
    points = [{"distance_cm": 20, "mw_per_cm2": 5}]
    for both in ({}, {"seconds": 10, "mj_per_cm2": 50}):
        with pytest.raises(CoreError, match="one of the two"):
            answer("lamp-dose", lamp="panel", points=points, distance_cm=20, **both)


def test_tubes_lose_a_fifth_in_eight_hundred_hours():
    told = answer("lamp-today", lamp="tubes", hours=800, test_hours=0)
    assert told.factor == pytest.approx(0.8) and told.times == pytest.approx(1.25)
    assert told.low < 0.68 and told.high > 0.92 and not told.measured


def metered(hours, light):
    return {"kind": "irradiance", "hours": hours, "mw_per_cm2": light}


def test_a_meter_is_believed_over_the_hours():
    told = answer(
        "lamp-today", lamp="tubes", hours=400, test_hours=300,
        readings=[metered(300, 4.0), metered(400, 2.8)],
    )  # fmt: skip
    assert 0.68 < told.factor < 0.8 and told.measured
    assert told.mw_low < 2.8 < told.mw_high and told.mw_per_cm2 == pytest.approx(2.85, abs=0.12)


def test_wedge_and_meter_each_have_their_own_scale():
    """A wedge that holds two steps fewer says half the light, whatever a meter's scale is."""
    wedges = [{"kind": "wedge", "hours": h, "seconds": 90, "held_step": s}
              for h, s in ((300, 9), (300, 9), (400, 7), (400, 7))]  # fmt: skip
    alone = answer("lamp-today", lamp="tubes", hours=400, test_hours=300, readings=wedges)
    told = answer(
        "lamp-today", lamp="tubes", hours=400, test_hours=300,
        readings=[*wedges, metered(400, 9.0)],
    )  # fmt: skip
    assert alone.factor < 0.9 and alone.mw_per_cm2 is None
    assert told.factor == pytest.approx(alone.factor, rel=1e-3)


@given(st.floats(0.5, 50), st.floats(5, 600))
def test_a_dose_over_its_time_is_an_irradiance(light, seconds):
    dose = {"kind": "dose", "hours": 10, "mj_per_cm2": light * seconds, "seconds": seconds}
    by_dose, by_meter = (
        answer("lamp-today", lamp="panel", hours=10, readings=[each])
        for each in (dose, metered(10, light))
    )
    assert by_dose.mw_per_cm2 == pytest.approx(by_meter.mw_per_cm2, rel=1e-3)


def test_a_lamp_without_hours_is_answered_and_says_so():
    told = answer("lamp-today", lamp="point")
    assert told.factor == 1 and told.high / told.low > 1.5 and told.life_left_hours is None
    assert "not counted" in told.text


def test_hours_that_run_backwards_are_refused():
    with pytest.raises(CoreError, match="must not be less"):
        answer("lamp-today", lamp="tubes", hours=100, readings=[metered(200, 4)])


BED = {"bed_width_mm": 400, "bed_height_mm": 300, "width_mm": 210, "height_mm": 148}


def test_nine_points_tell_the_weakest_corner():
    readings = [2.0, 3.0, 3.0, 3.0, 4.0, 3.8, 3.0, 3.8, 3.8]
    told = answer("lamp-evenness", **BED, readings=readings)
    assert told.weakest == "top left" and not told.even and told.least < 0.9
    assert told.map[0][0] == 0.5 and told.map[2][2] == 1
    assert "least at the top left" in told.text


def test_an_even_lamp_is_even_and_a_small_plate_evener():
    readings = [3.6, 3.8, 3.6, 3.8, 4.0, 3.8, 3.6, 3.8, 3.6]
    told = answer("lamp-evenness", **BED, readings=readings)
    small = answer("lamp-evenness", **{**BED, "width_mm": 100, "height_mm": 80}, readings=readings)
    assert told.even and small.steps < told.steps


def test_a_plate_beyond_the_bed_is_refused():
    with pytest.raises(CoreError) as error:
        answer("lamp-evenness", **{**BED, "width_mm": 500}, readings=[1] * 9)
    assert (error.value.field, error.value.allowed) == ("width_mm", "at most 400")


@pytest.mark.parametrize(
    ("celsius", "seconds", "verdict"),
    [(20, None, "to-do"), (20, 300, "right"), (20, 150, "under"), (20, 450, "over"),
     (10, 300, "under"), (30, 300, "over"), (20, 200, "short"), (20, 390, "long")],
)  # fmt: skip
def test_washing_counts_by_the_water(celsius, seconds, verdict):
    told = answer("wash-out", temperature_c=celsius, seconds=seconds)
    assert told.verdict == verdict
    assert told.seconds == pytest.approx(300 * 2 ** ((20 - celsius) / 10))


def test_a_rooms_own_time_makes_washing_surer():
    guess, own = (answer("wash-out", own_seconds=each) for each in (None, 240))
    assert own.seconds == 240 and own.high - own.low < (guess.high - guess.low) / 2
