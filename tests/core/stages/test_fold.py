import random

from hypothesis import given, settings
from hypothesis import strategies as st

from core.stages.fold import RunEvent, fold

OPEN = ["tone 1", "tone 2"]


def event(number, kind, at, device="a", **data):
    return RunEvent(
        id=f"{device}{number}", kind=kind, at_seconds=at, device=device, sequence=number, data=data
    )


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
        elif kind == "undo":
            data = {"event": rng.choice(events).id if events else "none"}
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
        event(4, "lift", 160, dip="a2"),
    ]
    (dip,) = fold(events).done
    assert (dip.at_seconds, dip.lifted_seconds) == (100, 160)
    assert dip.temperatures == [(0.0, 18.5), (30.0, 19.0)]


def test_a_lift_without_its_dip_waits_for_it():
    lift = event(4, "lift", 160, dip="a2")
    assert [n.code for n in fold([lift]).notices] == ["lift-waits-for-dip"]
    state = fold([lift, event(2, "dip", 100, open=OPEN)])
    assert state.notices == [] and state.done[0].lifted_seconds == 160


def test_a_second_lift_is_kept_marked_and_without_effect():
    events = [event(1, "dip", 100, open=OPEN), event(2, "lift", 160, dip="a1")]
    state = fold([*events, event(3, "lift", 200, dip="a1")])
    assert state.done[0].lifted_seconds == 160
    assert [(n.event, n.code) for n in state.notices] == [("a3", "second-lift")]


def test_a_dip_on_a_plate_in_a_bath_is_kept_and_either_device_may_lift():
    dips = [event(1, "dip", 100, open=OPEN), event(1, "dip", 103, "b", open=OPEN)]
    state = fold([*dips, event(2, "lift", 150, "b", dip="b1")])
    assert len(state.done) == 1 and state.done[0].lifted_seconds == 150
    assert [n.code for n in state.notices] == ["already-in-bath"]


def test_undo_and_undo_of_the_undo():
    events = [
        event(1, "dip", 100, open=OPEN),
        event(2, "lift", 150, dip="a1"),
        event(3, "undo", 155, event="a2"),
    ]
    assert fold(events).in_bath is not None
    assert fold([*events, event(4, "undo", 156, event="a3")]).in_bath is None
