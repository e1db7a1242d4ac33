import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.drypoint.coverage import printed_lstar, share_for
from core.errors import CoreError
from core.tone.lightness import lightness_from_reflectance, reflectance_from_lightness

REACH = {"lightest_lstar": 94, "solid_lstar": 22}
widths = st.floats(10, 300)
times_width = st.floats(1.0, 40)


def tone(layers, **more):
    rows = [{"width_um": w, "spacing_um": s} for w, s in layers]
    return compute("hatch-tone", {"layers": rows, **REACH, **more})


def plan(lstar, **more):
    field = {"width_um": 60, "layers": 2, "width_mm": 40, "height_mm": 30}
    return compute("hatch-plan", {"lstar": lstar, **REACH, **field, **more})


def test_the_example_of_one_layer():
    told = tone([(60, 300)])
    assert told.covered == 0.2
    assert told.lstar == pytest.approx(83.0, abs=0.1)
    assert (told.low, told.high) == (pytest.approx(80, abs=1), pytest.approx(86, abs=1))


def test_the_example_of_a_plan():
    told = plan(50)
    assert told.spacing_um == pytest.approx(132, abs=0.5)
    assert told.lines == 529
    assert told.length_m == pytest.approx(18.1, abs=0.05)
    assert told.minutes == pytest.approx(70, abs=0.5)
    assert told.reachable and told.warnings == []


def test_murray_and_davies_where_the_paper_spreads_no_light():
    """R = a·R_solid + (1 − a)·R_bare: with bare 1.0 and solid 0.05, half covered is 0.525."""
    solid = float(lightness_from_reflectance(0.05))
    found = float(reflectance_from_lightness(printed_lstar(0.5, 100, solid, factor=1)))
    assert found == pytest.approx(0.525, abs=1e-6)


def test_yule_and_nielsen_by_hand():
    """R = (a·√R_solid + (1 − a)·√R_bare)² at n = 2: (0.5·0.2 + 0.5·1)² = 0.36."""
    solid = float(lightness_from_reflectance(0.04))
    found = float(reflectance_from_lightness(printed_lstar(0.5, 100, solid, factor=2)))
    assert found == pytest.approx(0.36, abs=1e-6)


@given(widths, times_width, st.floats(1.0, 3.0), st.integers(1, 4))
def test_closer_is_never_lighter_and_more_layers_never_are(width, apart, wider, layers):
    near, far = (width, width * apart), (width, width * apart * wider)
    assert tone([near] * layers).lstar <= tone([far] * layers).lstar
    assert tone([near] * (layers + 1)).lstar <= tone([near] * layers).lstar
    assert tone([near] * layers).covered >= tone([far] * layers).covered


@given(st.floats(22, 93), widths, st.integers(1, 4))
def test_there_and_back_within_half_a_step(lstar, width, layers):
    told = plan(lstar, width_um=width, layers=layers)
    back = tone([(width, told.spacing_um)] * layers)
    assert told.reachable
    assert abs(back.lstar - lstar) < 0.5
    assert back.lstar == told.lstar and back.covered == told.covered
    assert told.low <= told.lstar <= told.high


@given(st.floats(0, 1))
def test_share_and_tone_are_each_others_inverse(share):
    assert share_for(printed_lstar(share, 94, 22), 94, 22) == pytest.approx(share, abs=1e-9)


def drawn_share(layers, jitter, seed):
    """Return the share of ink of lines drawn with a jittering hand, counted on a fine grid."""
    chance = np.random.default_rng(seed)
    side, um = 1500, 8.0
    y, x = np.mgrid[:side, :side] * um
    inked = np.zeros((side, side), bool)
    for (width, spacing), degrees in zip(layers, (20, 110, 65), strict=False):
        angle = math.radians(degrees)
        along = x * math.cos(angle) + y * math.sin(angle)
        across = -x * math.sin(angle) + y * math.cos(angle)
        for middle in np.arange(across.min(), across.max(), spacing):
            middle += chance.normal(0, jitter * spacing)
            lean = chance.normal(0, 0.004)
            inked |= np.abs(across - middle - lean * along) < width / 2
    return float(inked.mean())


@pytest.mark.parametrize(
    "layers",
    [[(60, 300)], [(90, 230)] * 2, [(60, 200), (60, 260)], [(120, 400)] * 3, [(100, 180)]],
)
def test_a_hand_that_jitters_covers_what_was_told(layers):
    off_share, off_tone = [], []
    for seed in range(3):
        drawn = drawn_share(layers, 0.06, seed)
        told = tone(layers)
        off_share.append(told.covered - drawn)
        off_tone.append(told.lstar - printed_lstar(drawn, 94, 22))
    assert max(map(abs, off_share)) < 0.02
    assert math.sqrt(np.mean(np.square(off_share))) < 0.015
    assert math.sqrt(np.mean(np.square(off_tone))) < 1.2


def test_length_times_distance_is_the_field():
    told = plan(60, layers=3)
    assert told.length_m * told.spacing_um == pytest.approx(3 * 40 * 30, rel=2e-3)


def test_a_tone_darker_than_solid_gets_the_nearest():
    told = plan(15)
    assert not told.reachable
    assert told.lstar == 22 and told.spacing_um == 60
    assert [each.code for each in told.warnings] == ["darker-than-solid"]


def test_a_tone_of_bare_plate_needs_no_line():
    told = plan(94)
    assert told.reachable and told.lines == 0 and told.spacing_um is None
    lighter = plan(97)
    assert not lighter.reachable and lighter.warnings[0].code == "lighter-than-bare"


def test_burrs_that_touch_and_lines_that_are_too_few_are_said():
    assert plan(40, layers=1).warnings[0].code == "burrs-touch"
    assert plan(93.8).warnings[0].code == "few-lines"


def test_the_own_hand_gives_its_own_time_with_less_doubt():
    guess, own = plan(50), plan(50, pace_m_per_min=0.5)
    assert own.minutes == pytest.approx(guess.length_m / 0.5, abs=0.1)
    assert own.minutes_high / own.minutes_low < guess.minutes_high / guess.minutes_low


def test_an_unsure_width_makes_a_wider_band():
    sure, unsure = (tone([(90, 230)], width_spread=each) for each in (0.02, 0.25))
    assert unsure.high - unsure.low > sure.high - sure.low


@pytest.mark.parametrize(
    ("layers", "field"),
    [([(300, 200)], "layers.0.spacing_um"), ([(60, 90), (90, 60)], "layers.1.spacing_um")],
)
def test_a_needle_wider_than_its_spacing_is_refused(layers, field):
    with pytest.raises(CoreError) as error:
        tone(layers)
    assert error.value.field == field and error.value.unit == "µm"
    assert error.value.code == "needle-wider-than-spacing"


@pytest.mark.parametrize(
    ("more", "field"),
    [({"layers": 0}, "layers"), ({"width_um": 0}, "width_um"), ({"lstar": -1}, "lstar"),
     ({"solid_lstar": 94}, ""), ({"pace_m_per_min": 0}, "pace_m_per_min")],
)  # fmt: skip
def test_what_cannot_be_hatched_is_refused(more, field):
    with pytest.raises(CoreError) as error:
        plan(**{"lstar": 50, **more})
    assert error.value.field == field
