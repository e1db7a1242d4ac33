"""The exact cut: never worse than any other, by brute force and by properties."""

from itertools import combinations, pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.study.cut import best_cuts

WIDE = (-1000.0, 1000.0)
greys = st.lists(st.tuples(st.integers(0, 60), st.integers(1, 50)), min_size=2, max_size=9,
                 unique_by=lambda pair: pair[0])  # fmt: skip


def cuts(pairs, most, reach=WIDE):
    pairs = sorted(pairs)
    lstars, counts = np.array(pairs, float).T
    return lstars, counts, best_cuts(lstars, counts, most, reach)


def by_hand(lstars, counts, runs, reach):
    """Least error over all ways to cut, one by one."""
    n, best = len(lstars), np.inf
    for inner in combinations(range(1, n), runs - 1):
        error = 0.0
        for a, b in pairwise((0, *inner, n)):
            tone = np.clip(np.average(lstars[a:b], weights=counts[a:b]), *reach)
            error += (counts[a:b] * (lstars[a:b] - tone) ** 2).sum()
        best = min(best, error)
    return best


@given(greys, st.integers(1, 5))
def test_no_other_cut_is_nearer(pairs, most):
    lstars, counts, found = cuts(pairs, most)
    for i, cut in enumerate(found):
        least = by_hand(lstars, counts, i + 1, WIDE)
        assert cut.rms**2 * counts.sum() == pytest.approx(least, abs=1e-6)


@given(greys, st.integers(1, 4))
def test_nor_where_tones_are_out_of_reach(pairs, most):
    lstars, counts, found = cuts(pairs, most, (20.0, 45.0))
    for i, cut in enumerate(found):
        least = by_hand(lstars, counts, i + 1, (20.0, 45.0))
        assert cut.rms**2 * counts.sum() == pytest.approx(least, abs=1e-6)
        assert all(20 <= tone <= 45 for tone in cut.tones)


@given(greys)
def test_more_tones_are_never_farther_and_all_of_them_are_exact(pairs):
    lstars, _, found = cuts(pairs, 9)
    errors = [cut.rms for cut in found]
    assert all(later <= earlier + 1e-9 for earlier, later in pairwise(errors))
    assert len(found) == len(lstars) and errors[-1] == pytest.approx(0, abs=1e-6)


@given(greys, st.integers(1, 5))
def test_tones_fall_shares_are_all_of_it_and_borders_lie_between(pairs, most):
    _, _, found = cuts(pairs, most)
    for cut in found:
        assert list(cut.tones) == sorted(cut.tones, reverse=True)
        assert cut.shares.sum() == pytest.approx(1)
        for bound, lighter, darker in zip(cut.bounds, cut.tones, cut.tones[1:], strict=False):
            assert darker < bound < lighter


def test_two_heaps_far_apart_are_two_tones():
    """Known by heart: each heap's own mean."""
    _, _, found = cuts([(10, 1), (12, 1), (80, 3), (84, 1)], 2)
    assert found[1].tones == pytest.approx([81, 11])
    assert found[1].shares == pytest.approx([4 / 6, 2 / 6])


def test_it_is_never_above_the_peers(rng=None):
    """Multi-Otsu and k-means are other ways to the same; this one is exact."""
    filters = pytest.importorskip("skimage.filters")
    cluster = pytest.importorskip("sklearn.cluster")
    values = np.rint(np.random.default_rng(5).beta(1.3, 2.0, 4000) * 255)
    lstars, counts = np.unique(values, return_counts=True)
    found = best_cuts(lstars, counts, 4, WIDE)
    for k in (2, 3, 4):
        own = found[k - 1].rms ** 2 * len(values)
        means = cluster.KMeans(k, n_init=10, random_state=1).fit(values[:, None])
        assert own <= means.inertia_ + 1e-6
        edges = filters.threshold_multiotsu(values, classes=k, nbins=256)
        parts = np.digitize(values, edges, right=True)
        otsu = sum(((values[parts == i] - values[parts == i].mean()) ** 2).sum() for i in range(k))
        assert own <= otsu + 1e-6
