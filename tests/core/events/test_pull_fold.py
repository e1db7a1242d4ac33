import random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.events.kinds import KINDS
from core.events.payload import Told
from core.events.pull_fold import PULL_NOTICES, fold_pulls
from core.events.pull_kinds import turns_text
from tests.core.events.pulls import LAMP, SKY, presses, pull, random_press
from tests.core.events.test_fold import event, name

CASES = dict(presses())


@settings(max_examples=25, deadline=None)
@given(st.integers(0, 10_000))
def test_any_order_with_repeats_gives_the_state_of_in_order_once(seed):
    rng = random.Random(seed)
    events = random_press(rng, 250)
    mixed = events + rng.choices(events, k=100)
    rng.shuffle(mixed)
    assert fold_pulls(mixed) == fold_pulls(events)


@settings(max_examples=25, deadline=None)
@given(st.integers(0, 10_000))
def test_what_is_taken_back_leaves_no_trace_where_nothing_was_signed(seed):
    rng = random.Random(seed)
    events = [each for each in random_press(rng, 60) if each.kind != "signed"]
    made = random_press(random.Random(seed + 1), 110)[60:]
    more = [each for each in made if each.kind not in ("undo", "signed")]
    undone = [event(1000 + n, "undo", 9e7 + n, event=each.id) for n, each in enumerate(more)]
    before = fold_pulls(events).model_copy(update={"notices": []})
    assert fold_pulls(events + more + undone).model_copy(update={"notices": []}) == before


@settings(max_examples=40, deadline=None)
@given(st.integers(0, 10_000))
def test_no_pull_is_counted_twice_and_wear_adds_up(seed):
    state = fold_pulls(random_press(random.Random(seed), 200))
    made = state.pulled
    assert [each.place for each in made] == list(range(1, len(made) + 1))
    assert [each.worn for each in made] == [
        sum(one.passes for one in made[: n + 1]) for n in range(len(made))
    ]
    times = [each.pulled_seconds for each in made]
    assert all(b - a >= 45 for a, b in zip(times, times[1:], strict=False))


@pytest.mark.parametrize("key", CASES)
def test_every_notice_has_its_words(key):
    for each in fold_pulls(CASES[key]).notices:
        assert each.text == PULL_NOTICES[each.code]


@pytest.mark.parametrize(
    ("key", "stage"),
    [("nothing", "ink"), ("inked-now", "wipe"), ("wiping-now", "lay"), ("a-pull", "ink"),
     ("on-the-bed-and-back", "lay"), ("paper-out-and-laid", "pull"), ("pull-taken-back", "pull"),
     ("spoiled-before-the-press", "ink")],
)  # fmt: skip
def test_the_next_touch(key, stage):
    assert fold_pulls(CASES[key]).stage == stage


@pytest.mark.parametrize(
    "key",
    ["each-pressed-twice", "two-devices-log-one-pull", "two-devices-begin-it-apart",
     "nameless-presses", "pulled-without-a-word"],
)  # fmt: skip
def test_one_pull_is_one_pull_however_it_was_logged(key):
    assert [each.place for each in fold_pulls(CASES[key]).pulls] == [1]


def test_paper_laid_knows_how_long_it_was_damp():
    state = fold_pulls(CASES["paper-out-and-laid"])
    assert state.pulls[0].damp_seconds == 3600
    assert state.batches[0].left == 3 and state.batches[0].out_seconds == 3000


def test_redamped_paper_is_ready_sooner_and_its_clock_begins_anew():
    (batch,) = fold_pulls(CASES["redamped"]).batches
    assert batch.ready_seconds == 9000 + 600 and batch.latest_seconds == 9000 + 7200


def test_a_pull_keeps_the_map_and_the_press_it_was_made_with():
    first, second = fold_pulls(CASES["press-and-map"]).pulls
    assert (first.quarters, second.quarters) == (7, 8)
    assert first.wipe_map == name("a2") and second.wipe_map == name("a21")
    assert second.worn == 3


def test_a_signature_and_its_pull_outlast_every_undo():
    state = fold_pulls(CASES["signed-stays"])
    assert state.pulls[0].series == "edition" and state.pulls[0].place == 1
    assert [each.code for each in state.notices] == ["signed-stays"] * 3


def test_what_is_spoiled_after_signing_keeps_its_signature():
    (row,) = fold_pulls(CASES["signed-then-void"]).pulls
    assert row.series == "edition" and row.spoiled == "torn in drying"


def test_ink_on_the_plate_is_known_until_it_is_cleaned():
    assert fold_pulls(CASES["a-pull"]).dirty_since_seconds == 1000
    assert fold_pulls(CASES["cleaned"]).dirty_since_seconds is None
    assert fold_pulls(CASES["inked-after-cleaning"]).dirty_since_seconds == 3000


def test_more_pulls_than_are_reckoned_are_named():
    state = fold_pulls([e for n in range(402) for e in pull(10 * n, 1000.0 * n)])
    assert len(state.pulled) == 400
    assert [each.code for each in state.notices] == ["too-many", "too-many"]


@pytest.mark.parametrize(
    ("quarters", "said"),
    [(7, "1¾ turns"), (4, "1 turn"), (0, "0 turns"), (1, "¼ turn"), (-2, "−½ turn"),
     (8, "2 turns")],
)  # fmt: skip
def test_quarter_turns_as_they_are_said(quarters, said):
    assert turns_text(quarters) == said


@pytest.mark.parametrize(
    ("kind", "said", "words"),
    [("paper-in", {"name": "soft cotton", "pieces": 4, "whose": "printer"},
      "Put 4 of soft cotton into the tray for printer."),
     ("paper-out", {"batch": name("x"), "pieces": 1}, "Paper out: 1."),
     ("paper-out", {"batch": name("x")}, "Took all the paper out."),
     ("paper-redamped", {"batch": name("x")}, "Damped the paper again."),
     ("inked", {"name": "black", "celsius": 31}, "Inked with black, 31 °C."),
     ("wiped", {"passes": ["gauze", "hand"]}, "Wiped: gauze, hand."),
     ("wipe-again", {}, "Back to be wiped again."),
     ("laid", {"checked": ["limp"]}, "Laid plate and paper: limp."),
     ("press-set", {"quarters": 7, "passes": 2}, "Press at 1¾ turns, 2 passes."),
     ("wipe-mapped", {"patches": [SKY, LAMP]},
      "Wipe map: sky: leave a film; lamp: wipe bright."),
     ("wipe-mapped", {"patches": []}, "wipe evenly"),
     ("pull-noted", {"sound": name("s"), "seconds": 4}, "Spoken note, 4 s."),
     ("pull-read", {"pull": name("x"), "areas": [{"name": "Sky", "lstar": 31}]},
      "Read: Sky L* 31."),
     ("pull-read", {"pull": name("x")}, "nothing amiss"),
     ("spoiled", {"pull": name("x"), "reason": "creased"}, "Spoiled: creased."),
     ("signed", {"pull": name("x"), "series": "artist"}, "as an artist's proof"),
     ("signed", {"pull": name("x"), "reason": "a gift"}, "before the OK: a gift"),
     ("hung", {"pulls": [name("x")], "how": "board", "days": 1}, "taped damp to a board, 1 days"),
     ("plate-cleaned", {}, "Plate cleaned."), ("condition-met", {"approval": name("x")},
                                               "condition is met")],
)  # fmt: skip
def test_the_record_says_it_in_words(kind, said, words):
    assert words in event(1, kind, 100, **said).data.words(Told())


def test_a_signature_is_the_one_kind_here_that_cannot_be_taken_back():
    assert not KINDS["signed"].undoable
    assert KINDS["spoiled"].undoable and KINDS["paper-in"].undoable
