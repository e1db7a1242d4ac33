import random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.events.event import Event
from core.events.marks_fold import MARKS_NOTICES, fold_marks
from core.events.payload import Told
from tests.core.events.marks import plates, pulled, random_plate, sat
from tests.core.events.test_fold import event, name

CASES = dict(plates())


@settings(max_examples=20, deadline=None)
@given(st.integers(0, 10_000))
def test_any_order_with_repeats_gives_the_state_of_in_order_once(seed):
    rng = random.Random(seed)
    events = random_plate(rng)
    mixed = events + rng.choices(events, k=100)
    rng.shuffle(mixed)
    assert fold_marks(mixed) == fold_marks(events)


@settings(max_examples=20, deadline=None)
@given(st.integers(0, 10_000))
def test_what_is_taken_back_leaves_no_trace(seed):
    rng = random.Random(seed)
    events = random_plate(rng, 60)
    more = [each for each in random_plate(random.Random(seed + 1), 90)[60:] if each.kind != "undo"]
    undone = [event(1000 + n, "undo", 9e6 + n, event=each.id) for n, each in enumerate(more)]
    state = fold_marks(events + more + undone)
    before = fold_marks(events)
    assert state.model_copy(update={"notices": []}) == before.model_copy(update={"notices": []})


@pytest.mark.parametrize("key", CASES)
def test_every_notice_has_its_words(key):
    for each in fold_marks(CASES[key]).notices:
        assert each.text == MARKS_NOTICES[each.code]


def test_work_is_counted_while_sitting_and_only_then():
    state = fold_marks([*sat(1, 0, 25), *sat(3, 10_000, 5)])
    assert state.worked_seconds == 30 * 60 and state.under_way is None
    assert fold_marks(CASES["sitting-now"]).under_way is not None


def test_minutes_between_sharpenings_are_minutes_engraved():
    state = fold_marks(CASES["sharpened"])
    assert state.sharpened_after == [720, 300, 300]
    assert state.since_sharpened_seconds == 0


def test_impressions_are_counted_with_the_spoiled_ones_and_passes_add_up():
    rows = fold_marks(CASES["two-passes-and-one-spoiled"]).impressions
    assert [(each.number, each.worn, each.spoiled) for each in rows] == [
        (1, 1, False), (2, 3, False), (3, 4, True), (4, 5, False),
    ]  # fmt: skip


def test_the_last_reading_of_an_impression_counts():
    (row,) = fold_marks(CASES["read-later-and-again"]).impressions
    assert (row.lstar, row.spread) == (30.9, 0.5)


def test_scratching_before_the_first_impression_is_no_scratching_again():
    assert fold_marks(CASES["scratched-again"]).scratched_again == [2]


def test_more_impressions_than_are_reckoned_are_named():
    state = fold_marks([pulled(n, 100.0 + n) for n in range(402)])
    assert len(state.impressions) == 400
    assert [each.code for each in state.notices] == ["too-many"] * 2


@pytest.mark.parametrize(
    ("kind", "said", "words"),
    [("sat-down", {}, "Sat down: hatching."), ("got-up", {"remembered": True}, "Typed in"),
     ("pulled", {"passes": 2, "spoiled": True, "lstar": 31}, "spoiled, 2 passes, reads L* 31."),
     ("marked", {"group": "Sky", "share": 0.4}, "Sky: 40% drawn."),
     ("mended", {"slip": name("x"), "minutes": 12}, "12 min"),
     ("slipped", {"where": "left of the lamp"}, "Slipped: left of the lamp."),
     ("scratched-again", {}, "Scratched again."), ("steel-faced", {}, "Faced with steel."),
     ("sharpened", {"bites": False}, "still dull"),
     ("impression-read", {"pull": name("x"), "lstar": 30}, "L* 30")],
)  # fmt: skip
def test_the_record_says_it_in_words(kind, said, words):
    made: Event = event(1, kind, 100, **said)
    assert words in made.data.words(Told())
