import numpy as np
import pytest

from core.calculators import compute
from core.data.polymer_faults import CAUSES, FACTS, SIGNS, TONES
from core.errors import CoreError
from tests.simulator.polymer import failed


def test_the_true_cause_is_among_the_first_two():
    """Ten made-up failures of each cause; signs missed or seen in error, half with known times."""
    right = [
        cause in [each.key for each in compute("plate-faults", failed(cause, rng)).causes[:2]]
        for place, cause in enumerate(CAUSES)
        for rng in (np.random.default_rng(1000 * place + k) for k in range(10))
    ]
    assert np.mean(right) >= 0.8


@pytest.mark.parametrize("cause", CAUSES)
def test_every_cause_can_be_found_by_what_it_brings(cause):
    seen = [sign for sign, chance in CAUSES[cause].signs.items() if chance >= 0.3]
    rest = [sign for sign in SIGNS if CAUSES[cause].signs.get(sign, 0) < 0.1]
    told = compute("plate-faults", {"seen": seen, "not_seen": rest})
    assert cause in [each.key for each in told.causes[:3]]


def test_the_table_is_whole():
    for row in CAUSES.values():
        assert row.why and row.now and row.test and row.weight > 0
        assert set(row.signs) <= set(SIGNS) and set(row.shifts) <= set(TONES)
        assert all(0 < chance < 1 for chance in row.signs.values())
    assert {key for rows in FACTS.values() for key, *_ in rows} <= set(CAUSES)
    assert set(SIGNS) == {sign for row in CAUSES.values() for sign in row.signs}


def test_chances_are_shares_of_one_and_fall():
    told = compute("plate-faults", {"seen": ["lights-lost"]})
    chances = [each.chance for each in told.causes]
    assert chances == sorted(chances, reverse=True) and sum(chances) <= 1.001
    assert told.next_test == told.causes[0].test


def test_a_known_time_settles_it():
    seen = {"seen": ["lights-lost"]}
    long = compute("plate-faults", {**seen, "image_ratio": 1.6, "wash_share": 1.0})
    washed = compute("plate-faults", {**seen, "image_ratio": 1.0, "wash_share": 1.8})
    assert long.causes[0].key == "image-long" and long.sure
    assert "image_ratio" in long.causes[0].speaks_for
    assert washed.causes[0].key == "wash-long"


def test_what_was_not_seen_speaks_too():
    said = {"seen": ["darks-closed"]}
    with_slime = compute("plate-faults", {"seen": ["darks-closed", "not-clear"]})
    without = compute("plate-faults", {**said, "not_seen": ["not-clear"]})

    def chance(told):
        return {each.key: each.chance for each in told.causes}.get("wash-short", 0.0)

    assert chance(with_slime) > 2 * chance(without)


def test_chalk_speaks_of_damp():
    said = {"seen": ["mottled"]}
    bare, chalked = (
        {each.key: each.chance for each in compute("plate-faults", {**said, "chalked": k}).causes}
        for k in (False, True)
    )
    assert bare["damp"] > 2 * chalked.get("damp", 0.0)


@pytest.mark.parametrize(
    "given",
    [{}, {"seen": ["rings"], "not_seen": ["rings"]}, {"seen": ["sparks"]},
     {"seen": ["rings"], "image_ratio": 0},
     {"printed": {"paper_lstar": 9, "highlight_lstar": 9, "shadow_lstar": 9, "solid_lstar": 9}}],
)  # fmt: skip
def test_what_tells_nothing_is_refused(given):
    with pytest.raises(CoreError):
        compute("plate-faults", given)
