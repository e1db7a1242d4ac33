"""Very many and very noisy patches: bounded work, and still what the long way says."""

import numpy as np
import pytest

from core.tone.fit_strip import fit_strip
from core.tone.merge import MOST_FITTED, grouped, mixed
from core.tone.outliers import FEW, MOST_LOOKED_AT, MOST_ROUNDS
from core.tone.posterior import Readings, draw_curves
from core.tone.shape import WETTING, curve_lightness, guess_shape
from core.tone.shapes import FitStripInput


def noisy(count, noise, bad=(), seed=0):
    """A strip of a known curve, read with noise; ``bad`` patches are far too light."""
    rng = np.random.default_rng(seed)
    seconds = np.round(np.geomspace(20, 3600, count), 1)
    lstar = 14 + 80 * np.exp(-((seconds / 236) ** 0.87)) + rng.normal(0, noise, count)
    lstar[list(bad)] += 25
    rows = [
        {"seconds": float(s), "lstar": float(v)}
        for s, v in zip(seconds, lstar.clip(0, 99), strict=False)
    ]
    return FitStripInput(patches=rows, bitten="once", conditions={"mordant": "copper-ferric"})


def long_way(given, left_out=()):
    """Every patch by itself, none merged: what the fit says without a shortcut."""
    patches = given.patches
    used = np.array([place not in left_out for place in range(len(patches))])
    readings = Readings(
        seconds=np.array([p.seconds for p in patches]), lstar=np.array([p.lstar for p in patches]),
        spread=np.full(len(patches), 0.9), scatter=np.full(len(patches), 0.35), used=used,
        mix=np.eye(len(patches)), bitten=given.bitten,
    )  # fmt: skip
    draws = draw_curves(readings, guess_shape(5.0, 0.5))
    return curve_lightness(draws, readings.reference(np.exp(draws[:, WETTING])))


@pytest.mark.parametrize(
    ("count", "noise"), [(20, 0.9), (40, 0.9), (40, 3.0), (200, 0.9), (200, 3)]
)
def test_merged_patches_say_what_each_by_itself_says(count, noise):
    given = noisy(count, noise)
    short = np.array([patch.fitted for patch in fit_strip(given).patches])
    low, high = np.percentile(long_way(given), [0.5, 99.5], axis=0)
    within = (short > low - 1) & (short < high + 1)
    assert within.mean() > 0.97


@pytest.mark.parametrize("count", [20, 40, 200])
def test_bad_patches_among_many_are_named_and_bend_nothing(count):
    bad = (count // 4, count // 2)
    found = fit_strip(noisy(count, 0.6, bad))
    named = [place for place, patch in enumerate(found.patches) if patch.outlier]
    assert set(bad) <= set(named) and len(named) <= len(bad) + max(1, count // 40)
    clean = fit_strip(noisy(count, 0.6))
    apart = [a.fitted - b.fitted for a, b in zip(found.patches, clean.patches, strict=True)]
    assert np.abs(apart).max() < 2.5


@pytest.mark.parametrize(("count", "noise"), [(12, 6), (20, 8), (40, 15), (200, 15)])
def test_however_noisy_the_fits_are_counted(monkeypatch, count, noise):
    """Fits are what takes the time: a clean strip of six takes one or two."""
    import core.tone.outliers as outliers
    import core.tone.posterior as posterior

    fits = []
    real = posterior.posterior
    counted = lambda *given: fits.append(1) or real(*given)  # noqa: E731
    monkeypatch.setattr(posterior, "posterior", counted)
    monkeypatch.setattr(outliers, "posterior", counted)
    fit_strip(noisy(count, noise))
    most = count * (MOST_LOOKED_AT + 1) + 1 if count <= FEW else MOST_ROUNDS + 1
    assert 1 <= len(fits) <= most


def test_patches_of_one_time_are_read_as_one():
    once = [(30, 86.7), (60, 80.1), (120, 69.0), (240, 52.0), (480, 35.0), (960, 21.0)]
    rows = [{"seconds": s, "lstar": v + off} for s, v in once for off in (-1, 0, 1)]
    given = FitStripInput(patches=rows, conditions={"mordant": "copper-ferric"})
    found = fit_strip(given)
    assert len(found.patches) == 18 and not any(patch.outlier for patch in found.patches)
    assert found.patches[0].fitted == pytest.approx(86.7, abs=1.5)


def test_one_bad_patch_among_three_of_a_time_is_named_alone():
    once = [(30, 86.7), (60, 80.1), (120, 69.0), (240, 52.0), (480, 35.0), (960, 21.0)]
    rows = [{"seconds": s, "lstar": v} for s, v in once for _ in range(3)]
    rows[7]["lstar"] = 90
    found = fit_strip(FitStripInput(patches=rows, conditions={"mordant": "copper-ferric"}))
    assert [place for place, patch in enumerate(found.patches) if patch.outlier] == [7]
    assert "Too light" in found.patches[7].why


@pytest.mark.parametrize("count", [3, 16, 17, 40, 200])
def test_groups_hold_every_patch_once_in_order(count):
    groups = grouped(np.geomspace(1, 5000, count))
    assert len(groups) == min(count, MOST_FITTED)
    assert np.array_equal(np.concatenate(groups), np.arange(count))


def test_dips_of_merged_patches_are_all_counted():
    """Two hundred short dips lose their wetting two hundred times, merged or not."""
    seconds = np.arange(1, 201) * 20.0
    groups = grouped(seconds)
    blank = np.zeros(len(groups))
    readings = Readings(
        seconds=seconds, lstar=blank, spread=blank, scatter=blank, used=blank == 0,
        mix=mixed(groups), bitten="dips",
    )  # fmt: skip
    bitten = readings.reference(np.array([5.0]))[0]
    assert bitten[-1] == pytest.approx(15 * (groups[-1].mean() + 1))
