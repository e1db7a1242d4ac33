"""Strips bitten in a bath: measured lines tell its rate, tones how it slowed and warmed."""

from functools import cache

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.bath.see_strips import see_lines, see_strip
from core.bath.speed_shapes import LineStrip
from core.calculators import compute
from core.data.drift import LINES, STRIP
from core.data.mordants import MORDANTS
from core.errors import CoreError
from core.tone.fit_strip import fit_strip
from core.tone.shape import SIZE, STRIP_DRIFT, curve_lightness, guess_shape
from tests.core.strips import CONDITIONS, PATCHES, strip_input
from tests.simulator.coupons import AnyBath
from tests.simulator.room import Room

COPPER = MORDANTS["copper-ferric"]
NOW = {"temperature_c": 20, "load_g_per_l": 10}
LINE = {"seconds": 605, "dips": 1, "depth_um": 15, "depth_spread_um": 0.5}
TIMES = np.array([30, 60, 120, 240, 480, 960])


def lines(*each, celsius=20, load=0, **more):
    return {"kind": "lines", "measured": list(each or [LINE]), "temperature_c": celsius,
            "load_g_per_l": load, **more}  # fmt: skip


def strip(patches=PATCHES, *, ground="rosin", celsius=20, load=5, **more):
    conditions = CONDITIONS | {"temperature_c": celsius, "load_g_per_l": load}
    curve = fit_strip(strip_input(patches, conditions=conditions)).curve
    return {"kind": "strip", "curve": curve.model_dump(mode="json"), "ground": ground, **more}


def paced(factor):
    """The usual patches, each bitten so much faster."""
    return [((seconds - 5 * place) / factor + 5 * place, lstar)
            for place, (seconds, lstar) in enumerate(PATCHES, 1)]  # fmt: skip


def speed(*evidence, now=NOW, mordant="copper-ferric", **more):
    return compute(
        "bath-speed", {"mordant": mordant, "evidence": list(evidence), "now": now, **more}
    )


def test_a_line_is_told_as_its_depth_over_the_time_it_bit():
    # 15 µm in ten minutes, the wetting's 5 s taken off: 1.5 µm/min, the table's own rate
    seen = see_lines(LineStrip.model_validate(lines()), COPPER)
    assert np.exp(seen.value) == pytest.approx(15 / 10, rel=0.01)
    assert np.sqrt(seen.variance) == pytest.approx(np.hypot(0.5 / 15, LINES.value), rel=0.05)


def test_the_deeper_line_counts_more():
    deep = LINE | {"seconds": 3605, "depth_um": 108}
    seen = see_lines(LineStrip.model_validate(lines(LINE, deep)), COPPER)
    assert abs(np.exp(seen.value) - 1.8) < abs(np.exp(seen.value) - 1.5)


def test_measured_lines_say_as_much_as_a_coupon_and_no_more():
    told = speed(lines(load=10))
    assert told.shares[0].kind == "lines"
    assert told.shares[0].share > 0.9
    assert LINES.value < np.log(told.high / told.low) / 3.92 < 3 * LINES.value
    assert told.own.rate_um_per_min.spread < 0.3 * told.own.rate_um_per_min.guess_spread


@settings(max_examples=20, deadline=None)
@given(st.floats(0.5, 2.0))
def test_a_strip_bitten_faster_is_told_as_faster(factor):
    one, other = strip()["curve"], strip(paced(factor))["curve"]
    shapes = [fit_strip(strip_input(p)).curve for p in (PATCHES, paced(factor))]
    assert one != other or factor == 1
    seen = see_strip(shapes[1], shapes[0])
    assert seen.value == pytest.approx(np.log(factor), abs=0.08)
    assert seen.variance >= STRIP.value**2


def test_a_strip_over_itself_is_as_fast():
    curve = fit_strip(strip_input()).curve
    assert see_strip(curve, curve).value == pytest.approx(0, abs=0.02)


def test_two_strips_part_by_what_the_curves_take_them_to():
    """The pace of strips drawn by the curves' own drift strays by √2 of one strip's part."""
    mean = guess_shape(COPPER.wetting_seconds, COPPER.wetting_log_spread).mean
    drift = np.random.default_rng(1).multivariate_normal(np.zeros(SIZE), STRIP_DRIFT, 4000)
    here, near = (curve_lightness(mean[None], TIMES * step)[0] for step in (1.0, 1.05))
    slope = (near - here) / np.log(1.05)
    pace = (curve_lightness(mean + drift, TIMES) - here) @ slope / (slope @ slope)
    assert STRIP.value * np.sqrt(2) == pytest.approx(pace.std(), rel=0.2)


def test_one_strip_alone_tells_nothing_of_the_speed():
    told, nothing = speed(strip()), speed()
    assert told.rate_um_per_min == pytest.approx(nothing.rate_um_per_min, rel=0.01)
    assert told.shares[0].share < 0.01


def test_strips_of_different_grounds_are_not_laid_over_each_other():
    slow = paced(0.6)
    alike = speed(strip(load=0), strip(slow, load=40)).own.end_g_per_l
    apart = speed(strip(load=0), strip(slow, load=40, ground="dots")).own.end_g_per_l
    assert abs(apart.value - apart.guess) < 0.1 < abs(alike.value - alike.guess)


def test_a_strip_slower_at_high_load_says_the_end_comes_sooner():
    ends = [speed(strip(load=0), strip(paced(f), load=40)).own.end_g_per_l.value
            for f in (0.3, 0.5, 0.8)]  # fmt: skip
    assert ends[0] < ends[1] < ends[2]


@cache
def lives():
    """Eight strips and a line strip through the lives of 40 baths of other physics."""
    found = []
    for seed in range(40):
        rng = np.random.default_rng(seed)
        bath, room = AnyBath(rng), Room(rng, flavour=2)
        loads, warm = np.sort(rng.uniform(0, 40, 8)), rng.uniform(12, 28, 8)
        seen = [_bitten(bath, room, rng, t, m) for t, m in zip(warm, loads, strict=True)]
        depth = bath.speed(20, 5) * 30 + rng.normal(0, 2)
        seen.append(lines({"seconds": 1800, "depth_um": depth, "depth_spread_um": 2}, load=5))
        celsius, load = rng.uniform(12, 28), rng.uniform(0, 40)
        now = {"temperature_c": celsius, "load_g_per_l": load}
        told, bare = speed(*seen, now=now), speed(seen[-1], now=now)
        true = bath.speed(celsius, load)
        found.append((
            told.low <= true <= told.high, np.log(told.high / told.low),
            np.log(bare.high / bare.low), told.own.end_g_per_l.low <= bath.end,
        ))  # fmt: skip
    return np.array(found).T


def _bitten(bath, room, rng, celsius, load):
    """A strip of new dust: its pace strays as strips of one ground do."""
    pace = np.exp(rng.normal(0, STRIP.value))
    room.wetting = bath.wetting
    bite = np.cumsum(np.maximum(0, np.diff(TIMES, prepend=0) - bath.wetting))
    tones = room.tone(bath.speed(celsius, load) / 60 * bite * pace) + rng.normal(0, 0.7, 6)
    return strip(list(zip(TIMES.tolist(), tones.tolist(), strict=True)), celsius=celsius, load=load)


def test_strips_of_a_life_make_its_speed_surer_and_keep_it_true():
    hit, width, bare, _ = lives()
    assert hit.mean() >= 0.85
    assert width.mean() < 0.97 * bare.mean()
    assert np.all(width <= bare * 1.02)


@pytest.mark.parametrize(
    ("piece", "field"),
    [
        (lines(LINE | {"depth_um": 0}), "evidence.0.measured.0.depth_um"),
        (lines(LINE | {"seconds": -1}), "evidence.0.measured.0.seconds"),
        (lines() | {"measured": []}, "evidence.0.measured"),
        (lines(celsius=300), "evidence.0.temperature_c"),
        (strip(ground=""), "evidence.0.ground"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(piece, field):
    with pytest.raises(CoreError) as refused:
        speed(piece)
    assert refused.value.field == field


def test_a_strip_of_copper_says_nothing_of_a_bath_for_zinc():
    with pytest.raises(CoreError, match="own metal"):
        speed(strip(), mordant="zinc-nitric-10")
