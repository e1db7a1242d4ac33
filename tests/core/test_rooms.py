"""Plans come true in rooms whose physics is not the model's."""

from functools import cache

import numpy as np
import pytest

from core.stages.plan_bites import plan_bites
from core.stages.shapes import PlanBitesInput
from core.tone.fit_strip import fit_strip
from core.tone.shapes import FitStripInput
from tests.simulator.room import Room

GOALS = (0.10, 0.30, 0.50, 0.72, 0.95)
SIX, THREE = (30, 60, 120, 240, 480, 960), (60, 240, 960)
ROOMS = 80
SPEED_SPREAD = 0.03


def bite_in(seed, times, measured):
    """Return error and hit of each tone, and the bands' widths, for one made-up room."""
    rng = np.random.default_rng(seed)
    room = Room(rng, flavour=(0, 2)[seed % 2])
    strip_c, strip_load = rng.uniform(19, 21), rng.uniform(4, 6)
    warm, load = rng.uniform(14, 27), rng.uniform(5, 25)
    true = room.tone(room.depth(np.diff(times, prepend=0), strip_c, strip_load))
    read = true + rng.normal(0, room.reading_sd, len(times))
    patches = [{"seconds": t, "lstar": float(v)} for t, v in zip(times, read, strict=True)]
    conditions = {"mordant": "copper-ferric", "temperature_c": strip_c, "load_g_per_l": strip_load}
    curve = fit_strip(FitStripInput(patches=patches, conditions=conditions)).curve
    lightest = float(room.tone(np.array(0.0)))
    goals = [lightest - share * (lightest - true.min()) for share in GOALS]
    bath = {"mordant": "copper-ferric", "temperature_c": warm, "load_g_per_l": load, "volume_l": 4}
    if measured:
        off = np.exp(rng.normal(0, SPEED_SPREAD))
        ratio = room.speed(warm, load) / room.speed(strip_c, strip_load)
        bath |= {"rate_factor": float(ratio * off), "rate_factor_spread": SPEED_SPREAD}
    areas = [{"name": str(i), "lstar": g, "open_cm2": 30} for i, g in enumerate(goals)]
    plan = plan_bites(PlanBitesInput(curve=curve, areas=areas, bath=bath))
    dips = [bite.seconds for bite in plan.bites]
    tones = room.tone(room.depth(dips, warm, load, 4.0, [30 * len(b.areas) for b in plan.bites]))
    got = [
        (
            tones[k] - goals[int(a.name)],
            a.lstar_low <= tones[k] <= a.lstar_high,
            a.lstar_high - a.lstar_low,
        )
        for k, bite in enumerate(plan.bites)
        for a in bite.areas
        if a.finished
    ]
    return np.array(got).T


@cache
def all_rooms(times, measured):
    found = [bite_in(seed, times, measured) for seed in range(ROOMS)]
    return np.array([f for f in found if f.shape[1] == len(GOALS)]).transpose(1, 0, 2)


@pytest.mark.parametrize(
    ("times", "measured", "limit"),
    # 400 rooms gave 1.09, 1.33 and 1.53: docs/decisions/0006. These 80 are a harder draw of them.
    [(SIX, True, 1.15), (SIX, False, 1.50), (THREE, True, 1.60)],
)
def test_tones_come_true(times, measured, limit):
    off, hit, _ = all_rooms(times, measured)
    assert np.sqrt(np.mean(off**2)) < limit
    assert 0.88 <= hit.mean() <= 0.99
    assert hit.mean(axis=0).min() >= 0.80


def test_a_measured_speed_narrows_the_bands():
    sure, unsure = (all_rooms(SIX, measured)[2].mean() for measured in (True, False))
    assert sure < 0.93 * unsure


def test_doubling_by_habit_is_several_times_worse():
    misses = []
    for seed in range(ROOMS):
        room = Room(np.random.default_rng(seed), flavour=(0, 2)[seed % 2])
        depth = room.depth([30, 30, 60, 120, 240], 17, 15)
        lightest, darkest = room.tone(np.array([0.0, room.depth([960], 20, 5)[0]]))
        goals = [lightest - share * (lightest - darkest) for share in GOALS]
        misses.append(room.tone(depth) - goals)
    assert np.sqrt(np.mean(np.square(misses))) > 4
