import random
import time
from datetime import UTC, datetime

import pytest
from django.db import IntegrityError, connection, transaction

from server.events.models import Event

OPEN = ["Tone 1", "Tone 2", "Tone 3"]


def test_a_bite_and_the_plan_that_follows(furnished):
    tablet = furnished.tablet
    before = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    planned = before["sheet"]["plan"]["bites"]
    dip = tablet.event("dip", -120_000, open=OPEN)
    status, run = tablet.send(tablet.event("temperature", -130_000, celsius=18.5), dip)
    assert status == 200 and run["in_bath"]
    lift = run["lift_seconds"] - (tablet.origin - 120_000) / 1000
    assert lift == pytest.approx(planned[0]["seconds"], abs=2)
    late = -120_000 + planned[0]["seconds"] * 1000 + 20_000
    _, run = tablet.send(tablet.event("lift", late, dip=dip["id"]))
    assert not run["in_bath"]
    assert run["sheet"]["plan"]["bites"][0]["seconds"] < planned[1]["seconds"]


def test_a_warmer_reading_brings_the_lift_nearer(furnished):
    tablet = furnished.tablet
    _, cold = tablet.send(tablet.event("dip", -5_000, open=OPEN))
    _, warm = tablet.send(tablet.event("temperature", 0, celsius=25))
    assert warm["lift_seconds"] < cold["lift_seconds"] - 2
    same = [r["sheet"]["plan"]["bites"][0]["reference_seconds"] for r in (cold, warm)]
    assert same[0] == same[1]


def test_thousand_events_shuffled_and_repeated_give_the_same_state(furnished):
    tablet, rng = furnished.tablet, random.Random(4)
    events, dip = [], None
    for i in range(1000):
        kind = rng.choice(["dip", "lift", "temperature", "covered", "rocked"])
        data = {"dip": {"open": OPEN}, "lift": {"dip": dip}, "temperature": {"celsius": 18},
                "covered": {"areas": ["Tone 1"]}, "rocked": {}}[kind]  # fmt: skip
        events.append(tablet.event(kind, -9_000_000 + i * 9_000, **data))
        dip = events[-1]["id"] if kind == "dip" else dip
    mixed = events + rng.choices(events, k=300)
    rng.shuffle(mixed)
    for start in range(0, len(mixed), 250):
        assert tablet.send(*mixed[start : start + 250])[0] == 200
    shuffled = furnished.must("GET", f"/runs/{furnished.ids['run']}")["state"]
    assert Event.objects.count() == len(events)
    status, again = tablet.send(*events[:250])
    assert status == 200 and again["state"] == shuffled


def test_setting_the_devices_wall_clock_moves_nothing(furnished):
    """The offset is to the steady clock: ten minutes on the wall clock are not in any event."""
    tablet = furnished.tablet
    dip = tablet.event("dip", -60_000, open=OPEN)
    lift = tablet.event("lift", -10_000, dip=dip["id"])
    _, run = tablet.send(dip, lift)
    (done,) = run["state"]["dips"]
    assert done["lifted_seconds"] - done["at_seconds"] == pytest.approx(50, abs=1e-3)


@pytest.mark.parametrize(
    ("kind", "data", "field", "unit"),
    [
        ("temperature", {"celsius": 180}, "events.0.data.celsius", ""),
        ("dip", {}, "events.0.data.open", ""),
        ("undo", {"event": "x"}, "events.0.data.event", ""),
    ],
)
def test_malformed_events_name_their_field(furnished, kind, data, field, unit):
    status, reply = furnished.tablet.send(furnished.tablet.event(kind, 0, **data))
    assert status == 422 and reply["error"]["field"] == field
    assert Event.objects.count() == 0


def test_a_dip_on_a_plate_already_in_a_bath_is_kept_and_answered(furnished):
    tablet = furnished.tablet
    second = tablet.event("dip", -10_000, open=OPEN)
    _, run = tablet.send(tablet.event("dip", -20_000, open=OPEN), second)
    notice = run["state"]["notices"][0]
    assert (notice["event"], notice["code"]) == (second["id"], "already-in-bath")


def test_a_forgotten_lift_shows_as_stale(furnished):
    tablet = furnished.tablet
    _, run = tablet.send(tablet.event("dip", -3 * 3_600_000, open=OPEN))
    assert run["stale"]
    card = furnished.must("GET", f"/plates/{furnished.ids['plate']}")
    assert "forgotten" in card["next_step"]


def test_events_are_append_only(furnished):
    furnished.tablet.send(furnished.tablet.event("dip", 0, open=OPEN))
    for change in ("update events_event set kind = 'lift'", "delete from events_event"):
        with pytest.raises(IntegrityError), transaction.atomic(), connection.cursor() as cursor:
            cursor.execute(change)


def test_ending_a_run_loads_its_bath_once(furnished):
    tablet = furnished.tablet
    dip = tablet.event("dip", -900_000, open=OPEN)
    tablet.send(dip, tablet.event("lift", -300_000, dip=dip["id"]))
    for _ in range(2):
        furnished.must("POST", f"/runs/{furnished.ids['run']}/end")
    bath = furnished.must("GET", f"/baths/{furnished.ids['bath']}")
    # 180 cm², half bare, 10 min at about 1.4 µm/min: near 1.1 g of copper in 4 L
    assert bath["load_g_per_l"] == pytest.approx(0.28, abs=0.08)


def test_a_plate_in_the_bath_cannot_end_its_run(furnished):
    furnished.tablet.send(furnished.tablet.event("dip", -5_000, open=OPEN))
    status, reply = furnished.ask("POST", f"/runs/{furnished.ids['run']}/end")
    assert status == 422 and reply["error"]["code"] == "in-bath"


def test_receipt_time_stands_beside_event_time(furnished):
    began = time.time()
    _, run = furnished.tablet.send(furnished.tablet.event("note", -600_000, text="late note"))
    (event,) = run["events"]
    received = datetime.fromisoformat(event["received_at"]).astimezone(UTC).timestamp()
    assert received >= began and event["at_seconds"] < began - 590
    assert furnished.tablet.send(furnished.tablet.event("note", 0, text="x" * 2000))[0] == 422
