"""Is it the plate or the printing: told right where it can be, in generated proofs."""

import numpy as np
import pytest

from core.stages.cause import cause_of

KINDS = ("printing", "plate", "both", "neither")


def proof(kind, rng):
    """Misses of 4 to 7 areas: all shifted, one or two strayed, both or neither; reading SD 1."""
    count = int(rng.integers(4, 8))
    off = rng.normal(0, 1, count)
    if kind in ("printing", "both"):
        off += rng.choice([-1, 1]) * rng.uniform(4, 10)
    if kind in ("plate", "both"):
        few = int(rng.integers(1, 3)) if count > 4 else 1
        for place in rng.choice(count, few, replace=False):
            off[place] += rng.choice([-1, 1]) * rng.uniform(6, 15)
    return off


@pytest.mark.parametrize("kind", KINDS)
def test_plate_and_printing_are_told_apart(kind):
    rng = np.random.default_rng(KINDS.index(kind))
    told = [cause_of(off, np.ones(len(off))).kind for off in (proof(kind, rng) for _ in range(60))]
    assert told.count(kind) >= 57


def test_the_shift_and_the_stray_are_parted():
    off = np.array([6.2, 5.6, 17.9, 6.1, 5.8])
    cause = cause_of(off, np.ones(5))
    assert cause.kind == "both"
    assert cause.shift == pytest.approx(5.9, abs=0.8)
    assert cause.own[2] == pytest.approx(12, abs=1.5)
    assert np.abs(cause.own[[0, 1, 3, 4]]).max() < 1


def test_two_areas_that_both_miss_stay_in_doubt():
    cause = cause_of(np.array([8.0, 7.5]), np.ones(2))
    assert 0.02 < cause.printing < 0.999
    assert cause_of(np.array([8.0]), np.ones(1)).plate[0] < 0.95


def test_what_is_read_badly_is_blamed_less():
    off = np.array([0.5, -0.4, 6.0, 0.1])
    sure, unsure = (cause_of(off, np.array([1, 1, own, 1.0])) for own in (1.0, 6.0))
    assert sure.plate[2] > 0.95
    assert unsure.plate[2] < 0.5
