"""How fast a bath bites today: from what, how surely, and true in baths of other physics."""

from functools import cache

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.calculators import compute
from core.errors import CoreError
from tests.core.strips import curve
from tests.simulator.coupons import AnyBath

NOW = {"temperature_c": 17, "load_g_per_l": 14}
COUPON = {
    "kind": "coupon", "area_cm2": 20, "mass_before_g": 12.431, "mass_after_g": 12.171,
    "seconds": 600, "temperature_c": 21, "load_g_per_l": 8, "mass_spread_g": 0.002,
}  # fmt: skip
HYDROMETER = {"kind": "hydrometer", "baume": 41}


def speed(*evidence, now=NOW, mordant="copper-ferric", **more):
    return compute(
        "bath-speed", {"mordant": mordant, "evidence": list(evidence), "now": now, **more}
    )


def patch(lstar=61.2, seconds=120, dips=3, **more):
    return {"kind": "check-patch", "curve": curve().model_dump(mode="json"), "seconds": seconds,
            "lstar": lstar, "spread": 1.0, "dips": dips, **NOW, **more}  # fmt: skip


def test_a_coupon_is_weighed_as_the_handbook_has_it():
    # 0.26 g of 20 cm² copper in 10 min: 14.5 µm, 1.45 µm/min at 21 °C and 8 g/L
    here = speed(COUPON, now={"temperature_c": 21, "load_g_per_l": 8})
    assert here.rate_um_per_min == pytest.approx(0.26 / 8.96 / 20 * 1e4 / 10, rel=0.02)
    assert speed(COUPON, HYDROMETER).rate_um_per_min == pytest.approx(1.10, rel=0.03)


def test_shares_add_up_and_name_every_source():
    told = speed(COUPON, HYDROMETER)
    assert sum(each.share for each in told.shares) == pytest.approx(1, abs=0.001)
    assert [(e.kind, e.evidence) for e in told.shares] == [
        ("coupon", 0), ("hydrometer", 1), ("thermometer", None),
    ]  # fmt: skip
    assert told.shares[0].share > 0.9
    assert told.rate_factor is None


def test_against_a_strip_the_factor_is_ready_for_a_plan():
    told = speed(patch(), against=curve().model_dump(mode="json"))
    assert told.rate_factor_low < told.rate_factor < told.rate_factor_high
    bath = {"mordant": "copper-ferric", "volume_l": 4, "rate_factor": told.rate_factor,
            "rate_factor_spread": told.rate_factor_spread, **NOW}  # fmt: skip
    areas = [{"name": "a", "lstar": 50, "open_cm2": 30}]
    asked = {"curve": curve().model_dump(mode="json"), "bath": bath, "areas": areas}
    plan = compute("plan-bites", asked)
    assert plan.speed == pytest.approx(told.rate_factor, rel=0.01)


def test_a_patch_darker_than_foreseen_says_the_bath_is_faster():
    factors = [speed(patch(lstar), against=curve().model_dump(mode="json")).rate_factor
               for lstar in (76, 72, 66)]  # fmt: skip
    assert factors[0] < factors[1] < factors[2]


def test_a_thinned_ferric_is_faster_and_copper_is_taken_off_the_reading():
    fresh = {"temperature_c": 20, "load_g_per_l": 0}
    plain = speed(now=fresh).rate_um_per_min
    assert plain == pytest.approx(1.5)
    assert speed({"kind": "hydrometer", "baume": 36}, now=fresh).rate_um_per_min > 1.15 * plain
    loaded = {"kind": "hydrometer", "baume": 42, "load_g_per_l": 40}
    cleaned = {"kind": "hydrometer", "baume": 42 - 0.07 * 40, "load_g_per_l": 0}
    assert speed(loaded).rate_um_per_min == pytest.approx(speed(cleaned).rate_um_per_min)


def test_age_and_replacing_a_part_weaken_what_was_measured():
    def width(**aged):
        told = speed(COUPON | aged)
        return np.log(told.high / told.low)

    assert width() < width(days_ago=30) < width(days_ago=30, replaced_since=0.5)


def test_old_and_new_coupons_agree_with_the_new_one():
    new = COUPON | {"mass_after_g": 12.231}
    together = speed(COUPON | {"days_ago": 60}, new).rate_um_per_min
    alone, old = speed(new).rate_um_per_min, speed(COUPON).rate_um_per_min
    assert alone < together < 0.5 * (alone + old)


@pytest.mark.parametrize(
    ("piece", "field"),
    [
        (COUPON | {"mass_after_g": 12.5}, "evidence.0.mass_after_g"),
        (COUPON | {"mass_after_g": 12.43}, "evidence.0.mass_after_g"),
        (COUPON | {"area_cm2": 0}, "evidence.0.area_cm2"),
        (COUPON | {"seconds": -5}, "evidence.0.seconds"),
        ({"kind": "hydrometer", "baume": 80}, "evidence.0.baume"),
        ({"kind": "nose"}, "evidence.0"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(piece, field):
    with pytest.raises(CoreError) as refused:
        speed(piece)
    assert refused.value.field == field


def test_a_swapped_coupon_is_asked_back():
    with pytest.raises(CoreError, match="Swapped"):
        speed(COUPON | {"mass_before_g": 12.38, "mass_after_g": 12.41})


def test_a_hydrometer_says_nothing_of_nitric_and_a_zinc_strip_nothing_of_copper():
    with pytest.raises(CoreError, match="nothing of its speed"):
        speed(HYDROMETER, mordant="zinc-nitric-10")
    with pytest.raises(CoreError, match="own metal"):
        speed(patch(), mordant="zinc-nitric-10")


evidence = st.lists(
    st.one_of(
        st.builds(
            lambda t, m, loss, days: COUPON | {
                "temperature_c": t, "load_g_per_l": m, "mass_after_g": 12.431 - loss,
                "days_ago": days,
            },
            st.floats(10, 30), st.floats(0, 50), st.floats(0.05, 0.6), st.floats(0, 90),
        ),
        st.builds(lambda b: {"kind": "hydrometer", "baume": b}, st.floats(30, 45)),
    ),
    max_size=5,
)  # fmt: skip


@settings(max_examples=40, deadline=None)
@given(evidence, st.floats(8, 32), st.floats(0, 55))
def test_warmer_is_never_slower_and_more_load_never_faster(seen, celsius, load):
    def rate(t, m):
        return speed(*seen, now={"temperature_c": t, "load_g_per_l": m}).rate_um_per_min

    pinned = [e | {"load_g_per_l": 10} if e["kind"] == "hydrometer" else e for e in seen]
    seen = pinned
    assert rate(celsius + 1, load) >= rate(celsius, load) * (1 - 1e-3)
    assert rate(celsius, load + 2) <= rate(celsius, load) * (1 + 1e-3)


@settings(max_examples=40, deadline=None)
@given(evidence, st.floats(12, 28), st.floats(0, 40))
def test_together_is_never_less_sure_than_the_best_alone(seen, celsius, load):
    now = {"temperature_c": celsius, "load_g_per_l": load}

    def spread(*pieces):
        told = speed(*pieces, now=now)
        return np.log(told.high / told.low)

    assert spread(*seen) <= min([spread(), *(spread(e) for e in seen)]) * 1.01


@cache
def six_coupons():
    """In 150 baths of other physics: six coupons, then another temperature and load."""
    found = []
    for seed in range(150):
        rng = np.random.default_rng(seed)
        bath = AnyBath(rng)
        loads, warm = np.sort(rng.uniform(0, 40, 6)), rng.uniform(14, 26, 6)
        seen = [bath.coupon(rng, t, m) for t, m in zip(warm, loads, strict=True)]
        celsius, load = rng.uniform(14, 26), rng.uniform(0, 42)
        told = speed(*seen, now={"temperature_c": celsius, "load_g_per_l": load})
        true = bath.speed(celsius, load)
        found.append((
            np.log(told.rate_um_per_min / true), told.low <= true <= told.high,
            (told.high - told.low) / told.rate_um_per_min,
            abs(told.own.energy_kj_per_mol.value - bath.energy),
        ))  # fmt: skip
    return np.array(found).T


def test_six_coupons_foretell_a_bath_of_hidden_energy_and_end_of_life():
    off, hit, width, _ = six_coupons()
    assert np.sqrt(np.mean(off**2)) < 0.05
    assert 0.85 <= hit.mean() <= 0.99
    assert width.mean() < 0.25


def test_six_coupons_find_the_hidden_energy():
    assert six_coupons()[3].mean() < 0.5 * 7  # the table's own doubt is 7 kJ/mol


def test_what_a_piece_took_from_now_it_keeps_in_the_baths_own_numbers():
    said = COUPON | {"load_g_per_l": NOW["load_g_per_l"]}
    unsaid = {key: value for key, value in COUPON.items() if key != "load_g_per_l"}
    one, other = (speed(each).own for each in (said, unsaid))
    assert one.rate_um_per_min == other.rate_um_per_min
    assert one.end_g_per_l == other.end_g_per_l
