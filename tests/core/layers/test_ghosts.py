"""How light ghosts come: the guess, what a room's own readings make of it, and its band."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.data.layers import GHOST_KEEPS
from core.errors import CoreError
from core.layers.ghost_forecast import GhostForecastInput, GhostRead, InkingRead, ghost_forecast
from core.tone.lightness import density_from_lightness, lightness_from_density


def reads(*lstars, spread=0.8):
    return InkingRead(pulls=[
        GhostRead(pull=at, lstar=float(each), spread=spread)
        for at, each in enumerate(lstars, start=1)
    ])  # fmt: skip


def test_without_readings_each_ghost_keeps_a_third_of_the_density():
    told = ghost_forecast(GhostForecastInput(now=reads(30)))
    density = density_from_lightness(np.array([each.lstar for each in told.pulls]))
    assert density[1] / density[0] == pytest.approx(GHOST_KEEPS, abs=0.03)
    assert density[2] / density[1] == pytest.approx(GHOST_KEEPS, abs=0.05)
    assert not told.measured and "a guess" in told.text


def test_two_ghosts_of_the_room_narrow_the_band():
    first = density_from_lightness(32.0)
    kept = [float(lightness_from_density(first * 0.5**k)) for k in range(3)]
    guess = ghost_forecast(GhostForecastInput(now=reads(30))).pulls[1]
    told = ghost_forecast(GhostForecastInput(now=reads(30), history=[reads(*kept)]))
    own = told.pulls[1]
    assert told.measured and told.ghosts_read == 2
    assert own.high - own.low < 0.8 * (guess.high - guess.low)
    assert own.lstar < guess.lstar - 5  # this room's ghosts keep more than the guess


def test_the_band_holds_the_true_tone_once_two_ghosts_were_read():
    rng = np.random.default_rng(4)
    held = total = 0
    for _ in range(70):
        mean, differ = (
            np.log(np.clip(rng.normal(0.35, 0.1), 0.12, 0.7)),
            0.12 * rng.lognormal(0, 0.4),
        )
        earlier, now = (_pulls(mean, differ, rng) for _ in range(2))
        history = reads(*(earlier + rng.normal(0, 0.8, 3)))
        told = ghost_forecast(GhostForecastInput(
            history=[history], now=reads(now[0] + rng.normal(0, 0.8)), ghosts=2,
        ))  # fmt: skip
        for each, true in zip(told.pulls[1:], now[1:], strict=True):
            held, total = held + (each.low <= true <= each.high), total + 1
    assert 0.85 <= held / total <= 0.99


def _pulls(mean, differ, rng):
    keeps = mean + rng.normal(0, differ)
    log_d = np.log(rng.uniform(0.6, 1.3)) + np.concatenate(
        [[0.0], np.cumsum(keeps + rng.normal(0, 0.06, 2))]
    )
    return lightness_from_density(np.exp(log_d))


@settings(max_examples=15, deadline=None)
@given(first=st.floats(15, 70), more=st.integers(1, 5))
def test_each_ghost_is_lighter_than_the_one_before(first, more):
    told = ghost_forecast(GhostForecastInput(now=reads(first), ghosts=more))
    lstars = [each.lstar for each in told.pulls]
    assert lstars == sorted(lstars) and len(told.pulls) == more + 1
    assert all(each.low <= each.lstar <= each.high for each in told.pulls)


def test_a_pull_read_twice_of_one_inking_is_refused():
    pull = {"pull": 1, "lstar": 30}
    with pytest.raises(CoreError) as bad:
        compute("ghost-forecast", {"now": {"pulls": [pull, pull]}})
    assert "once" in str(bad.value)
