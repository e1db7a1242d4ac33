"""The undo table: for every kind of event, state and bath are after do and undo what they were."""

import random
from datetime import timedelta

import pytest
from django.utils import timezone

from core.events.kinds import KINDS
from core.events.marks_kinds import MARKS_KINDS
from core.events.pull_kinds import PULL_KINDS
from core.events.sheet_kinds import SHEET_KINDS
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathReading
from server.events.models import Event
from tests.core.events.pulls import LEAST
from tests.core.events.works import LEAST_WORK
from tests.server.conftest import Device, new_id

OPEN = ["Tone 1", "Tone 2", "Tone 3"]
NOBODY = "00000000-0000-4000-8000-000000000000"
DATA = {
    "dip": {"open": OPEN},
    "lift": {"dip": None},
    "temperature": {"celsius": 39.5},
    "covered": {"areas": ["Tone 1"]},
    "opened": {"areas": ["Tone 1"]},
    "observation": {"about": "shine", "text": "dull"},
    "note": {"text": "a word"},
    "scrap": {"after": 1, "lstar": 75.0},
    "began": {"stage": "chalk"},
    "passed": {"stage": "chalk"},
    "checked": {"check": "no-water"},
    "water": {"celsius": 21.0},
    "mended": {"slip": NOBODY},
    "marked": {"group": "Sky"},
    "impression-read": {"pull": NOBODY, "lstar": 31.0},
    **LEAST,
    **LEAST_WORK,
}
MARKS = {each.kind for each in (*MARKS_KINDS, *PULL_KINDS, *SHEET_KINDS)}
EXPOSURES = {"began", "ended", "passed", "checked", "water"}
"""Said of an exposure: at a bath they are kept and change nothing."""
CHANGES_NOTHING = {"note", "dip", *EXPOSURES, *MARKS}
"""Words only; and a dip while the plate is in the bath."""
BATH = ("temperature_c", "temperature_at", "load_g_per_l", "measured_c", "measured_g_per_l")


def bath_facts(person):
    return Bath.objects.filter(id=person.ids["bath"]).values(*BATH).get()


def stand(person):
    """The run's state but for its notices, its lift, and the bath as it stands."""
    run = person.must("GET", f"/runs/{person.ids['run']}")
    state = {key: value for key, value in run["state"].items() if key != "notices"}
    served = person.must("GET", f"/baths/{person.ids['bath']}")
    speed = {key: served[key] for key in ("speed", "speed_low", "speed_high", "life_left_share")}
    return state, run["in_bath"], run["lift_seconds"], run["sheet"], bath_facts(person), speed


@pytest.fixture
def furnished(furnished):
    """The furnished room, its bath made up two hours ago, before everything in these tests."""
    bath = Bath.objects.get(id=furnished.ids["bath"])
    made_up = timezone.now() - timedelta(hours=2)
    BathReading.objects.filter(bath=bath).update(at=made_up)
    settle_bath(bath)
    return furnished


def bitten(person, extra=()):
    """Two bites and what goes with them, so that every kind has something to change."""
    tablet = person.tablet
    first = tablet.event("dip", -900_000, open=OPEN)
    second = tablet.event("dip", -300_000, open=OPEN[1:])
    events = [
        tablet.event("temperature", -950_000, celsius=18.5), first,
        tablet.event("lift", -840_000, dip=first["id"]),
        tablet.event("covered", -600_000, areas=["Paper"]), second, *extra,
    ]  # fmt: skip
    assert tablet.send(*events)[0] == 200
    return second


def undo_of(tablet, event, at=0):
    return tablet.event("undo", at, event=event["id"])


@pytest.mark.parametrize("kind", [kind for kind in KINDS if kind != "undo"])
def test_do_and_undo_leaves_state_and_bath_as_they_were(furnished, kind):
    bitten(furnished)
    before = stand(furnished)
    event = furnished.tablet.event(kind, -200_000, **DATA.get(kind, {}))
    assert furnished.tablet.send(event)[0] == 200
    undo = undo_of(furnished.tablet, event)
    assert furnished.tablet.send(undo)[0] == 200
    assert stand(furnished) == before
    done = furnished.tablet.send(undo_of(furnished.tablet, undo, 1))
    assert done[0] == 200
    again = stand(furnished)
    furnished.tablet.send(undo_of(furnished.tablet, {"id": done[1]["events"][-1]["id"]}, 2))
    assert stand(furnished) == before
    assert (again != before) == (kind not in CHANGES_NOTHING)


@pytest.mark.parametrize("seed", range(6))
def test_all_kinds_done_and_undone_in_any_order_leave_no_trace(furnished, seed):
    """Do and undo arrive in random order, in batches, some of them before what they take back."""
    bitten(furnished)
    before, rng, tablet = stand(furnished), random.Random(seed), furnished.tablet
    kinds = [kind for kind in KINDS if kind != "undo"]
    events = []
    for _ in range(24):
        kind = rng.choice(kinds)
        event = tablet.event(kind, rng.randrange(-299_000, -1_000), **DATA.get(kind, {}))
        undo = undo_of(tablet, event, rng.randrange(-299_000, 0))
        events += [event, undo]
        if rng.random() < 0.3:
            back = undo_of(tablet, undo, rng.randrange(-299_000, 0))
            events += [back, undo_of(tablet, back, rng.randrange(-299_000, 0))]
    rng.shuffle(events)
    while events:
        size = rng.randrange(1, 12)
        assert tablet.send(*events[:size])[0] == 200
        events = events[size:]
    assert stand(furnished) == before


def test_a_mistyped_temperature_taken_back_leaves_the_bath_and_its_speed(furnished):
    path = f"/baths/{furnished.ids['bath']}"
    furnished.tablet.send(furnished.tablet.event("temperature", -60_000, celsius=18.5))
    right = furnished.must("GET", path)
    wrong = furnished.tablet.event("temperature", -30_000, celsius=39.5)
    furnished.tablet.send(wrong)
    hot = furnished.must("GET", path)
    assert hot["temperature_c"] == 39.5 and hot["speed"] > 2 * right["speed"]
    furnished.tablet.send(undo_of(furnished.tablet, wrong))
    after = furnished.must("GET", path)
    assert (after["temperature_c"], after["speed"]) == (18.5, right["speed"])


def test_a_speed_measured_at_a_temperature_that_was_taken_back_is_carried_from_the_right_one(
    furnished,
):
    path = f"/baths/{furnished.ids['bath']}"
    wrong = furnished.tablet.event("temperature", -1_000, celsius=39.5)
    furnished.tablet.send(furnished.tablet.event("temperature", -2_000, celsius=18.5), wrong)
    furnished.must("PUT", path, {"version": 1, "rate_factor": 0.9, "rate_factor_spread": 0.05})
    assert bath_facts(furnished)["measured_c"] == 39.5
    furnished.tablet.send(undo_of(furnished.tablet, wrong))
    assert bath_facts(furnished)["measured_c"] == 18.5
    assert furnished.must("GET", path)["speed"] == pytest.approx(0.9, abs=0.01)


def test_a_late_event_of_an_ended_run_reckons_its_load_anew(furnished):
    second = bitten(furnished)
    lift = furnished.tablet.event("lift", -240_000, dip=second["id"])
    furnished.tablet.send(lift)
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end")
    ended = bath_facts(furnished)["load_g_per_l"]
    assert ended > 0
    furnished.tablet.send(undo := undo_of(furnished.tablet, second))
    one_bite = bath_facts(furnished)["load_g_per_l"]
    assert 0 < one_bite < ended
    furnished.tablet.send(undo_of(furnished.tablet, undo, 1))
    assert bath_facts(furnished)["load_g_per_l"] == ended
    assert BathReading.objects.exclude(gained_g_per_l=0).count() == 1


def test_a_temperature_of_one_run_is_the_bath_of_the_next(furnished):
    bitten(furnished)
    other = {**furnished.ids, "plate": new_id(), "plan": new_id(), "run": new_id()}
    plate = {"id": other["plate"], "name": "Second", "metal": "copper", "route": "aquatint",
             "thickness_mm": 1.2, "width_mm": 100, "height_mm": 100}  # fmt: skip
    furnished.must("POST", "/plates", plate)
    areas = [{"name": "Tone 1", "lstar": 60, "open_cm2": 30}]
    plan = {"id": other["plan"], "bath": other["bath"], "strip": other["strip"], "areas": areas}
    furnished.must("PUT", f"/plates/{other['plate']}/plan", plan)
    furnished.must("POST", "/runs", {"id": other["run"], "plate": other["plate"]})
    tablet = Device(furnished, other["run"])
    status, run = tablet.send(tablet.event("dip", -100_000, open=["Tone 1"]))
    assert status == 200 and run["state"]["dips"][0]["temperatures"] == [[0.0, 18.5]]
    assert [celsius for _, celsius in run["bath_line"]] == [18.5, 18.5]
    assert Event.objects.filter(bath=other["bath"]).count() == 6
