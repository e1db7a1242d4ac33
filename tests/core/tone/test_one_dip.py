"""Patches bitten in dips on the clock of one dip; dips of patches that do not count."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.tone.fit_strip import fit_strip
from core.tone.one_dip import one_dip_seconds
from core.tone.posterior import patch_seconds
from tests.core.strips import PATCHES, strip_input


def test_each_dip_after_the_first_costs_its_wetting_once_more():
    assert one_dip_seconds([30, 60, 120, 240], "dips", 5) == [30, 55, 110, 225]


@pytest.mark.parametrize("bitten", ["once"])
def test_bitten_in_one_dip_a_patch_stands_where_it_was_bitten(bitten):
    assert one_dip_seconds([30, 60, 120], bitten, 5) == [30, 60, 120]


def test_the_order_is_the_readers_own_and_none_gives_none():
    assert one_dip_seconds([120, 30, 60], "dips", 5) == [110, 30, 55]
    assert one_dip_seconds([], "dips", 5) == []


@given(
    st.lists(st.floats(6, 2000), min_size=1, max_size=12, unique=True),
    st.floats(0.1, 5),
)
def test_it_is_never_longer_than_it_was_and_keeps_the_order(seconds, wetting):
    rising = sorted(seconds)
    told = one_dip_seconds(rising, "dips", wetting)
    assert all(once <= asked + 0.05 for once, asked in zip(told, rising, strict=True))
    assert told == sorted(told)


def test_the_dots_lie_on_the_curve_where_the_fit_has_them():
    fit = fit_strip(strip_input())
    once = one_dip_seconds([p.seconds for p in fit.patches], "dips", fit.wetting_seconds)
    reference = np.array(once) - fit.wetting_seconds
    assert reference[-1] == pytest.approx(fit.curve.valid_to_reference_seconds, abs=1.0)


def test_a_patch_left_out_keeps_its_dip():
    lifts, wetting, other = np.array([30.0, 60.0, 240.0]), np.array([5.0]), np.array([120.0])
    assert patch_seconds(lifts, "dips", wetting)[0].tolist() == [25, 50, 225]
    assert patch_seconds(lifts, "dips", wetting, other)[0].tolist() == [25, 50, 220]
    assert patch_seconds(lifts, "once", wetting, other)[0].tolist() == [25, 55, 235]


def test_the_fit_counts_the_dips_of_patches_that_do_not_count():
    without = [p for p in PATCHES if p != PATCHES[2]]
    kept = fit_strip(strip_input(without, other_dips=[PATCHES[2][0]]))
    lost = fit_strip(strip_input(without))
    assert kept.curve.valid_to_reference_seconds < lost.curve.valid_to_reference_seconds - 1
