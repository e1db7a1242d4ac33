"""The fold: any order, repeats, undos, two devices, clocks that were off."""

import random
import uuid

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from core.events.event import Event, payload_of
from core.events.fold import fold
from core.events.kinds import KINDS, Undo
from core.events.payload import Told
from core.events.spans import SAME_PRESS_SECONDS
from core.events.undo import holding, taken_back
from core.kinetics.shapes import LONGEST_SECONDS
from core.stages.shapes import MOST_DONE

OPEN = ["tone 1", "tone 2"]
SPACE = uuid.UUID(int=7)


def name(of):
    return uuid.uuid5(SPACE, str(of))


def event(number, kind, at, device="a", **data):
    return Event(
        id=name(f"{device}{number}"), kind=kind, at_seconds=at, device=device, sequence=number,
        data=data,
    )  # fmt: skip


def random_run(rng, count=1000):
    """A thousand events of two devices, well ordered in time: dips, lifts, all sorts."""
    events, clock, dip = [], 1_000_000.0, None
    for number in range(count):
        clock += rng.choice([0.0, 0.5, 3.0, 40.0])
        device = rng.choice("ab")
        kind = rng.choice(["dip", "lift", "temperature", "covered", "rocked", "note", "undo"])
        data = {}
        if kind == "dip":
            data = {"open": OPEN}
        elif kind == "lift":
            data = {"dip": dip} if dip and rng.random() < 0.7 else {}
        elif kind == "temperature":
            data = {"celsius": round(rng.uniform(15, 25), 1)}
        elif kind == "covered":
            data = {"areas": [rng.choice(OPEN)]}
        elif kind == "note":
            data = {"text": "words"}
        elif kind == "undo":
            data = {"event": rng.choice(events).id if events else uuid.UUID(int=0)}
        made = event(number, kind, clock, device, **data)
        dip = made.id if kind == "dip" else dip
        events.append(made)
    return events


@settings(max_examples=12, deadline=None)
@given(st.integers(0, 10_000))
def test_any_order_with_repeats_gives_the_state_of_in_order_once(seed):
    rng = random.Random(seed)
    events = random_run(rng)
    mixed = events + rng.choices(events, k=300)
    rng.shuffle(mixed)
    assert fold(mixed) == fold(events)


def test_a_bite_from_dip_to_lift_with_its_readings():
    events = [
        event(1, "temperature", 90, celsius=18.5),
        event(2, "dip", 100, open=OPEN),
        event(3, "temperature", 130, celsius=19.0),
        event(4, "lift", 160, dip=name("a2")),
    ]
    (dip,) = fold(events).done
    assert (dip.at_seconds, dip.lifted_seconds) == (100, 160)
    assert dip.temperatures == [(0.0, 18.5), (30.0, 19.0)]


def test_a_lift_without_its_dip_waits_for_it():
    lift = event(4, "lift", 160, dip=name("a2"))
    assert [n.code for n in fold([lift]).notices] == ["lift-waits-for-dip"]
    state = fold([lift, event(2, "dip", 100, open=OPEN)])
    assert state.notices == [] and state.done[0].lifted_seconds == 160


def test_a_second_lift_is_kept_marked_and_without_effect():
    events = [event(1, "dip", 100, open=OPEN), event(2, "lift", 160, dip=name("a1"))]
    state = fold([*events, event(3, "lift", 200, dip=name("a1"))])
    assert state.done[0].lifted_seconds == 160
    assert [(n.event, n.code) for n in state.notices] == [(name("a3"), "second-lift")]


def test_a_dip_on_a_plate_in_a_bath_is_kept_and_either_device_may_lift():
    dips = [event(1, "dip", 100, open=OPEN), event(1, "dip", 103, "b", open=OPEN)]
    state = fold([*dips, event(2, "lift", 150, "b", dip=name("b1"))])
    assert len(state.done) == 1 and state.done[0].lifted_seconds == 150
    assert [n.code for n in state.notices] == ["already-in-bath"]


def test_undo_and_undo_of_the_undo():
    events = [
        event(1, "dip", 100, open=OPEN),
        event(2, "lift", 150, dip=name("a1")),
        event(3, "undo", 155, event=name("a2")),
    ]
    assert fold(events).in_bath is not None
    assert fold([*events, event(4, "undo", 156, event=name("a3"))]).in_bath is None


@pytest.mark.parametrize("apart", [0.15, SAME_PRESS_SECONDS - 0.01])
def test_a_press_that_bounced_counts_once(apart):
    events = [event(1, "dip", 100, open=OPEN), event(2, "lift", 100 + apart, dip=name("a1"))]
    state = fold(events)
    assert state.in_bath is not None
    assert [(n.event, n.code) for n in state.notices] == [(name("a2"), "pressed-twice")]
    lifted = fold([*events, event(3, "lift", 160, dip=name("a1"))])
    assert lifted.done[0].lifted_seconds == 160
    dipped = fold([*events, event(3, "lift", 160), event(4, "dip", 160 + apart, open=OPEN)])
    assert dipped.in_bath is None and len(dipped.done) == 1


def test_a_short_bite_by_another_hand_or_after_the_moment_counts():
    dip = event(1, "dip", 100, open=OPEN)
    later = event(2, "lift", 100 + SAME_PRESS_SECONDS, dip=name("a1"))
    other = event(2, "lift", 100.1, "b", dip=name("a1"))
    assert fold([dip, later]).done and fold([dip, other]).done


def test_a_mistyped_temperature_taken_back_leaves_no_trace_in_the_bite():
    wrong, right = (
        event(1, "temperature", 90, celsius=39.5),
        event(3, "undo", 101, event=name("a1")),
    )
    copied = event(2, "dip", 100, open=OPEN, celsius=39.5)  # as older devices copied it
    assert fold([wrong, copied]).dips[0].temperatures == [(0.0, 39.5)]
    state = fold([wrong, copied, right], bath=[(50.0, 18.5), (500.0, 30.0)])
    assert state.dips[0].temperatures == [(0.0, 18.5), (400.0, 30.0)]
    assert state.temperature_c == 30.0
    back = fold([wrong, copied, right, event(4, "undo", 102, event=name("a3"))])
    assert back.dips[0].temperatures == [(0.0, 39.5)] and back.temperature_c == 39.5


def test_what_a_device_said_of_the_bath_counts_before_what_others_read():
    dip = event(1, "dip", 100, open=OPEN, celsius=17.0)
    assert fold([dip], bath=[(50.0, 18.5)]).dips[0].temperatures == [(0.0, 17.0)]
    bare = event(1, "dip", 100, open=OPEN)
    assert fold([bare], bath=[(200.0, 21.0)]).dips[0].temperatures == [
        (0.0, 21.0), (100.0, 21.0),
    ]  # fmt: skip
    assert fold([bare]).dips[0].temperatures == []


def test_a_probe_is_followed_through_a_bite_and_tells_no_reading_twice():
    events = [event(1, "temperature", 90, celsius=18.0), event(2, "dip", 100, open=OPEN),
              event(3, "temperature", 130, celsius=17.6), event(4, "lift", 200)]  # fmt: skip
    probe = [(90.001, 18.0), (110.0, 17.8), (129.999, 17.6), (160.0, 17.2), (230.0, 16.0)]
    state = fold(events, bath=probe)
    assert state.dips[0].temperatures == [(0.0, 18.0), (10.0, 17.8), (30.0, 17.6), (60.0, 17.2)]
    assert state.temperature_c == 16.0


def test_scraps_stand_by_their_bite_and_the_last_reading_of_one_counts():
    events = [
        event(1, "scrap", 10, after=2, lstar=60.0),
        event(2, "scrap", 20, after=1, lstar=80.0),
        event(3, "scrap", 30, after=2, lstar=61.0, spread=0.5),
    ]
    told = fold(events).scraps
    assert [(s.after, s.lstar, s.spread) for s in told] == [(1, 80.0, None), (2, 61.0, 0.5)]
    undone = fold([*events, event(4, "undo", 40, event=name("a3"))]).scraps
    assert [s.lstar for s in undone] == [80.0, 60.0]


def test_goggles_are_said_once_a_run_and_may_be_taken_back():
    said = event(1, "protected", 10)
    assert fold([said]).protected
    assert not fold([said, event(2, "undo", 20, event=name("a1"))]).protected


def test_an_undo_counts_by_what_it_names_not_by_its_clock():
    early = [event(5, "undo", 10, event=name("a2")), event(6, "undo", 5, event=name("a5"))]
    events = [event(1, "dip", 100, open=OPEN), event(2, "lift", 150), *early]
    assert fold(events[:3]).in_bath is not None
    assert fold(events).in_bath is None


def test_undos_in_a_ring_take_nothing_back_and_a_deep_chain_does_not_fall():
    ring = [event(1, "undo", 1, event=name("a2")), event(2, "undo", 2, event=name("a1"))]
    assert taken_back(ring) == set()
    chain = [event(0, "rocked", 0)]
    chain += [event(i, "undo", i, event=name(f"a{i - 1}")) for i in range(1, 4002)]
    assert taken_back(chain) >= {name("a0")} and holding(chain) == []
    assert [e.id for e in holding(chain[:-1])] == [name("a0")]


@pytest.mark.parametrize("kind", KINDS)
def test_every_kind_has_words_for_the_record_and_a_short_name(kind):
    data = {"open": OPEN, "areas": OPEN, "celsius": 18.25, "text": "a scratch", "about": "shine",
            "event": str(name("x")), "dip": None, "remembered": True,
            "after": 2, "lstar": 61.0, "stage": "wash", "check": "no-water",
            "slip": str(name("x")), "pull": str(name("x")), "group": "Sky",
            "batch": str(name("x")), "quarters": 7, "patches": [], "pulls": [str(name("x"))],
            "approval": str(name("x")), "sheet": str(name("x")), "layer": str(name("x")),
            "key": str(name("x")), "layers": [], "sheets": [str(name("x"))],
            "sheet_mm": [280, 380]}  # fmt: skip
    if kind == "pull-read":
        data |= {"areas": [{"name": "Sky", "lstar": 30}]}
    if kind == "pieces-followed":
        data |= {"pieces": [1]}
    said = payload_of(kind, data)
    words = said.words(Told(bath="Amber tray"))
    assert words.endswith(".") or kind in ("observation", "note", "pull-noted")
    assert said.short and "_" not in said.short
    if not isinstance(said, Undo) and said.undoable:
        undo = payload_of("undo", {"event": str(name("x"))})
        assert undo.words(Told(bath="Amber tray", target=said)) == f"Took back: {words}"


def test_an_undo_of_an_undo_puts_back_in_words():
    undo = payload_of("undo", {"event": str(name("x"))})
    assert undo.words(Told(target=undo)) == "Put back what was taken back."
    assert undo.words(Told()) == "Took back an entry."


@pytest.mark.parametrize(
    ("kind", "data"),
    [("dip", {}), ("temperature", {"celsius": 61}), ("temperature", {"celsius": float("nan")}),
     ("undo", {"event": "x"}), ("covered", {"areas": ["a"] * 41}), ("note", {"text": "x" * 1001})],
)  # fmt: skip
def test_data_that_are_not_of_their_kind_are_refused(kind, data):
    with pytest.raises(ValidationError):
        payload_of(kind, data)


def test_keys_of_another_version_are_passed_over():
    assert payload_of("rocked", {"hands": 2}) == payload_of("rocked", {})


def test_a_dip_more_than_can_be_reckoned_is_named_and_so_is_its_lift():
    bites = [
        event(2 * n + end, kind, 1000.0 * n + 60 * end, **data)
        for n in range(MOST_DONE + 1)
        for end, (kind, data) in enumerate(
            [("dip", {"open": OPEN}), ("lift", {"dip": name(f"a{2 * n}")})]
        )
    ]
    state = fold(bites)
    assert len(state.dips) == MOST_DONE
    assert [notice.code for notice in state.notices] == ["too-many", "too-many"]


@pytest.mark.parametrize("named", [True, False])
def test_a_lift_later_than_a_bite_can_be_leaves_the_plate_in_and_asks(named):
    lift = {"dip": name("a1")} if named else {}
    late = [event(1, "dip", 100, open=OPEN), event(2, "lift", 101 + LONGEST_SECONDS, **lift)]
    state = fold(late)
    assert state.in_bath is not None
    assert [notice.code for notice in state.notices] == ["too-long"]
    said = event(3, "lift", 700, dip=name("a1"), remembered=True)
    assert fold([*late, said]).done[0].lifted_seconds == 700


def test_areas_the_plate_does_not_have_are_left_out_and_named():
    state = fold([event(1, "dip", 100, open=["tone 1", "moon"])], (), OPEN)
    assert state.dips[0].open == ["tone 1"]
    assert [notice.code for notice in state.notices] == ["unknown-area"]
