"""Plans compared: exact merging of goals, and what baths, warmth and strips do."""

from itertools import combinations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.errors import CoreError
from core.process.compare import alternatives
from core.process.rows import PROCESSES
from core.stages.fewer_bites import merged
from tests.core.process.test_rows import decided

goals = st.lists(st.integers(10, 95), min_size=2, max_size=7, unique=True)


def error(values, weights, to):
    return sum(w * (v - t) ** 2 for v, w, t in zip(values, weights, to, strict=True))


@given(goals, st.data())
def test_no_other_cut_is_nearer(values, data):
    weights = data.draw(st.lists(st.integers(1, 50), min_size=len(values), max_size=len(values)))
    count = data.draw(st.integers(1, len(values)))
    found = merged(values, weights, count)
    assert len(set(found)) <= count
    order = sorted(range(len(values)), key=lambda i: values[i])
    best = np.inf
    for cuts in combinations(range(1, len(values)), count - 1):
        to = [0.0] * len(values)
        for start, end in zip((0, *cuts), (*cuts, len(values)), strict=True):
            run = order[start:end]
            mean = np.average([values[i] for i in run], weights=[weights[i] for i in run])
            for i in run:
                to[i] = mean
        best = min(best, error(values, weights, to))
    assert error(values, weights, found) <= best + 0.06 * sum(weights) * 10 + 1e-6


def test_equal_goals_share_a_bite_and_count_once():
    assert merged([50, 50, 80], [1, 1, 1], 2) == [50, 50, 80]
    for count in (0, 3):
        with pytest.raises(CoreError) as caught:
            merged([50, 50, 80], [1, 1, 1], count)
        assert caught.value.field == "count"


@pytest.fixture(scope="module")
def ways():
    areas = [{"name": f"t{v}", "lstar": float(v), "open_cm2": 20.0} for v in (84, 69, 52, 37, 26)]
    what = decided("tones").model_copy(update={"areas": areas})
    warm = what.bath.model_copy(update={"temperature_c": what.bath.temperature_c + 6})
    told = alternatives(
        PROCESSES["tones"], what, {"b": ("Warm tray", warm)}, {"s": ("none", None, what.bath)}
    )
    return {way.label: way for way in told}


def test_warmth_and_another_bath_shorten_the_time_and_keep_the_tones(ways):
    planned = ways["As planned"]
    assert ways["Warmer"].seconds < planned.seconds < ways["Cooler"].seconds
    assert ways["In Warm tray"].seconds < ways["Warmer"].seconds
    assert ways["In Warm tray"].key == "b" and planned.worst < 3
    assert all(way.worst_area for way in ways.values())


def test_with_no_strip_the_band_is_wider(ways):
    assert ways["From strip none"].band > 2 * ways["As planned"].band


def test_fewer_bites_are_further_off_and_name_each_area_s_goal(ways):
    few = [way for way in ways.values() if way.kind == "bites"]
    assert few and all(way.bites == int(way.key) for way in few)
    assert all(way.worst >= ways["As planned"].worst for way in few)
    assert all(len(set(way.goals.values())) == way.bites for way in few)


def test_lines_are_compared_in_depth_and_minutes_have_nothing_to_miss():
    told = alternatives(PROCESSES["lines"], decided("lines"), {}, {})
    assert {way.kind for way in told} >= {"planned", "warmth"}
    what = decided("tones")
    areas = [{"name": "a", "lstar": None, "seconds": 120.0}]
    timed = alternatives(PROCESSES["tones"], what.model_copy(update={"areas": areas}), {}, {})
    assert timed[0].seconds == 120 and timed[0].worst_area == ""


def test_nitric_is_not_compared_where_it_would_be_too_warm_and_may_be_weaker():
    what = decided("lines")
    bath = what.bath.model_copy(
        update={"mordant": "zinc-nitric-10", "temperature_c": 28.0, "baume": None,
                "rate_factor": None}
    )  # fmt: skip
    asked = what.model_copy(update={"bath": bath, "measured": []})
    labels = [way.label for way in alternatives(PROCESSES["lines"], asked, {}, {})]
    assert "Warmer" not in labels and "Cooler" in labels and "Weaker: 1 + 16" in labels
