import random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from core.events.payload import Told
from core.events.sheet_fold import WORK_NOTICES, fold_work
from core.events.sheet_kinds import TemplateMoved
from tests.core.events.test_fold import event, name
from tests.core.events.works import SKY, ghosts, random_work, works

CASES = dict(works())


@settings(max_examples=25, deadline=None)
@given(st.integers(0, 10_000))
def test_any_order_with_repeats_gives_the_state_of_in_order_once(seed):
    rng = random.Random(seed)
    events = random_work(rng, 200)
    mixed = events + rng.choices(events, k=80)
    rng.shuffle(mixed)
    assert fold_work(mixed) == fold_work(events)


@settings(max_examples=20, deadline=None)
@given(st.integers(0, 10_000))
def test_what_is_taken_back_leaves_no_trace_where_nothing_was_signed(seed):
    events = [each for each in random_work(random.Random(seed), 60) if each.kind != "signed"]
    made = random_work(random.Random(seed + 1), 110)[60:]
    more = [each for each in made if each.kind not in ("undo", "signed")]
    undone = [event(1000 + n, "undo", 9e7 + n, event=each.id) for n, each in enumerate(more)]
    before = fold_work(events).model_copy(update={"notices": []})
    after = fold_work(events + more + undone).model_copy(update={"notices": []})
    assert after == before


@settings(max_examples=40, deadline=None)
@given(seed=st.integers(0, 10_000), counts=st.lists(st.integers(1, 4), min_size=1, max_size=4))
def test_a_series_keeps_its_members_in_any_order_of_pulls_by_two_devices(seed, counts):
    rng = random.Random(seed)
    events, members = [], []
    for at, count in enumerate(counts):
        device = rng.choice("ab")
        made = ghosts(10 + 40 * at, 1000.0 + 4000 * at, device, count)
        events += made
        members.append({each.id for each in made if each.kind == "sheet-begun"})
        # a further ghost, pulled by the other device from the same inking
        other = "b" if device == "a" else "a"
        sheet = event(30 + 40 * at, "sheet-begun", 1900.0 + 4000 * at, other)
        events += [sheet, event(
            31 + 40 * at, "layer-printed", 1950.0 + 4000 * at, other, sheet=str(sheet.id),
            layer=SKY, inking=str(made[0].id),
        )]  # fmt: skip
        members[-1].add(sheet.id)
    rng.shuffle(events)
    state = fold_work(events)
    assert sorted(map(sorted, (each.sheets for each in state.families))) == sorted(
        map(sorted, members)
    )
    for inking in state.inkings:
        pulls = [
            one.pull for each in inking.sheets for sheet in state.sheets if sheet.event == each
            for one in sheet.prints
        ]  # fmt: skip
        assert pulls == list(range(1, len(pulls) + 1))  # the first, then its ghosts


@pytest.mark.parametrize("key", CASES)
def test_every_notice_has_its_words(key):
    for each in fold_work(CASES[key]).notices:
        assert each.text == WORK_NOTICES[each.code]


def test_each_member_knows_its_series():
    state = fold_work(CASES["ghosts"])
    (family,) = state.families
    assert {each.family for each in state.sheets} == {family.event}
    assert family.event == state.sheets[0].event


def test_a_ghost_after_re_inking_is_the_first_pull_of_the_new_inking():
    state = fold_work(CASES["a-ghost-after-re-inking"])
    assert [each.code for each in state.notices] == ["inked-since"]
    first, second = state.inkings
    assert (len(first.sheets), first.over, len(second.sheets)) == (3, True, 1)
    assert state.sheets[-1].prints[0].pull == 1
    assert state.sheets[-1].family is None  # it stands alone


def test_series_joined_by_word_are_one_and_parted_when_taken_back():
    (one,) = fold_work(CASES["joined-into-one"]).families
    assert (one.name, len(one.sheets)) == ("Last Tram", 6)
    assert len(fold_work(CASES["joined-and-parted"]).families) == 2


def test_a_print_logged_by_two_devices_counts_once():
    state = fold_work(CASES["one-print-logged-by-two-devices"])
    assert [each.code for each in state.notices] == ["printed-twice"]
    assert len(state.sheets[0].prints) == 3


def test_a_layer_printed_again_hours_later_is_kept_and_said():
    state = fold_work(CASES["a-layer-printed-over-itself"])
    assert [each.code for each in state.notices] == ["layer-twice"]
    assert len(state.sheets[0].prints) == 4


def test_a_signed_sheet_and_what_is_printed_on_it_stay():
    state = fold_work(CASES["signed-stays"])
    assert {each.code for each in state.notices} == {"signed-stays"}
    assert state.sheets[0].series == "edition" and len(state.sheets[0].prints) == 3


def test_moves_of_a_template_add_up():
    (move,) = fold_work(CASES["templates-moved"]).moves
    assert (move.right_mm, move.down_mm, move.clockwise_deg) == (-0.5, -0.3, 0.2)


def test_the_size_of_a_sheet_is_the_last_that_was_measured():
    assert fold_work(CASES["three-colours"]).sheets[0].sheet_mm == (282.5, 381.0)
    assert fold_work(CASES["measured-read-spoiled-hung"]).sheets[0].sheet_mm == (283.0, 381.0)


def test_tracing_is_marked_and_unmarked():
    assert fold_work(CASES["tracing"]).followed[0].pieces == [1, 3]


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ({"right_mm": -0.6, "down_mm": -0.3}, "0.6 mm left, 0.3 mm up."),
        ({"right_mm": 0.2, "clockwise_deg": 0.1}, "0.2 mm right, turned 0.1°."),
        ({}, "not at all."),
    ],
)
def test_a_move_is_told_by_its_ways(said, words):
    moved = TemplateMoved(layer=name("x"), name="Blue", **said)
    assert moved.words(Told()) == f"Moved the template of Blue: {words}"
