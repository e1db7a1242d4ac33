"""The bench of pools: the tray's speed, slowed, with a doubt of its own."""

import numpy as np
import pytest

from core.data.pools import POOL_SPEED
from core.process.spit_bite import POOL_PLANNER
from core.stages.plan_bites import plan_bites
from core.stages.planner import plan_of, solve
from core.stages.pool_bench import lay_out_pools, pool_warnings
from core.stages.tone_bench import lay_out
from core.stages.tone_warnings import tone_warnings
from tests.core.strips import plan_input

GIVEN = plan_input((85, None, 40))


def test_a_pool_is_slower_than_the_tray_by_its_share_on_average():
    share = lay_out_pools(GIVEN).speed.scale / lay_out(GIVEN).speed.scale
    assert share.mean() == pytest.approx(POOL_SPEED.value, abs=0.02)
    assert np.log(share).std() == pytest.approx(POOL_SPEED.spread, rel=0.1)


def test_the_doubt_of_pools_is_not_that_of_the_bath():
    pools, tray = lay_out_pools(GIVEN), lay_out(GIVEN)
    share = np.log(pools.speed.scale / tray.speed.scale)
    assert abs(np.corrcoef(share, np.log(tray.speed.scale))[0, 1]) < 0.2


def test_all_else_on_the_bench_is_the_trays():
    pools, tray = lay_out_pools(GIVEN), lay_out(GIVEN)
    assert pools.curve == tray.curve and pools.goals == tray.goals
    assert np.array_equal(pools.table.lstar, tray.table.lstar)


def test_the_guess_is_told_after_all_that_the_tray_would_say():
    solved = solve(POOL_PLANNER, GIVEN)
    facts = (solved.bench, solved.start, solved.done, solved.bites, solved.end)
    *before, last = pool_warnings(*facts)
    assert before == tone_warnings(*facts)
    assert last.code == "rate-guessed" and "about 0.85 of the tray" in last.text


def test_pools_are_left_longer_than_the_tray_for_the_same_tones():
    pools = plan_of(POOL_PLANNER, solve(POOL_PLANNER, GIVEN))
    tray = plan_bites(GIVEN)
    for slow, quick in zip(pools.bites, tray.bites, strict=True):
        assert quick.seconds < slow.seconds < 1.5 * quick.seconds
    assert pools.speed_high - pools.speed_low > 0.5 * (tray.speed_high - tray.speed_low)
    assert pools.speed_low < POOL_SPEED.value * tray.speed < pools.speed_high
