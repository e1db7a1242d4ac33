"""Numbers: each once, none left out, whatever comes in when."""

import random
import uuid

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.printing.numbering import (
    Number,
    Signed,
    free_numbers,
    give_numbers,
    in_turn,
    label_of,
)

MOST = {"edition": 20, "artist": 3, "printer": 2}


def signed(n, series="edition", pulled=None, at=None):
    return Signed(uuid.UUID(int=n), series, float(pulled or n), float(at or 100 + n))


@settings(max_examples=150, deadline=None)
@given(st.integers(0, 10_000), st.sampled_from(["pulled", "dried"]))
def test_numbers_are_unique_and_without_gaps_in_any_order_of_arrival(seed, order):
    """Two devices send in batches, with and without a line, some twice."""
    rng = random.Random(seed)
    series = [rng.choice(["edition"] * 5 + ["artist", "printer", "trial"]) for _ in range(30)]
    all_signed = [signed(n, series[n]) for n in range(30)]
    rng.shuffle(all_signed)
    given_, known = [], []
    while len(known) < len(all_signed):
        known = all_signed[: len(known) + rng.randrange(1, 6)]
        before = list(given_)
        batch = known + rng.choices(known, k=2)
        given_ += give_numbers(given_, dict.fromkeys(batch), MOST, order)
        assert given_[: len(before)] == before
    for name, most in MOST.items():
        numbers = sorted(each.number for each in given_ if each.series == name)
        wanted = min(most, series.count(name))
        assert numbers == list(range(1, wanted + 1))
    assert len({each.pull for each in given_}) == len(given_)


def test_a_batch_is_numbered_as_it_was_pulled_or_as_it_dried():
    first, then = signed(1, pulled=10, at=900), signed(2, pulled=20, at=800)
    by_pull = give_numbers([], [then, first], MOST, "pulled")
    by_dry = give_numbers([], [first, then], MOST, "dried")
    assert [(n.pull.int, n.number) for n in by_pull] == [(1, 1), (2, 2)]
    assert [(n.pull.int, n.number) for n in by_dry] == [(2, 1), (1, 2)]
    assert in_turn([then, first], "pulled")[0] is first


def test_a_void_number_stays_taken_and_a_gap_is_filled_first():
    standing = [Number(uuid.UUID(int=9), "edition", 1), Number(uuid.UUID(int=8), "edition", 3)]
    assert free_numbers(standing, "edition", 5) == [2, 4, 5]
    new = give_numbers(standing, [signed(1), signed(2)], MOST, "pulled")
    assert [each.number for each in new] == [2, 4]


def test_beyond_the_edition_no_number_is_given_and_none_is_invented():
    new = give_numbers([], [signed(n) for n in range(1, 25)], MOST, "pulled")
    assert len(new) == 20


@pytest.mark.parametrize(
    ("given_", "said"),
    [(("edition", 12, 20), "12/20"), (("edition", 12, None), "12"), (("artist", 2, 20), "AP 2"),
     (("printer", 1, 20), "PP 1"), (("trial", None, 20), "trial proof"),
     (("edition", None, 20), "number to come")],
)  # fmt: skip
def test_what_an_impression_is_called(given_, said):
    assert label_of(*given_) == said
