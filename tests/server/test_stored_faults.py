"""What is stored is always folded: an event that cannot count is kept, named and left out."""

import re
import time
from datetime import UTC, datetime, timedelta
from importlib import import_module

import pytest
from django.db import IntegrityError, connection, transaction
from django.utils.timezone import now as now_utc
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st

from server.baths.models import Bath
from server.courses.models import Course
from server.events.models import Event
from server.record.models import Entry
from server.runs.models import Run
from tests.server.conftest import Device, furnish, new_id
from tests.server.walk import SCHEMA, filled

OPEN = ["Tone 1", "Tone 2", "Tone 3"]
HOUR = 3_600_000


def gets(ids):
    """Every address of a room that can be read, filled with one's own ids."""
    for path, item in SCHEMA["paths"].items():
        tail = path.partition("{room}")[2]
        if "get" not in item or not tail or not set(re.findall(r"\{(\w+)\}", tail)) <= set(ids):
            continue
        yield filled(path, ids)


READABLE = ("bath", "strip", "plate", "run")
UNSEEN = ("tracing.pdf", "/study", "/drawing", "/print", "/labels", "/map", "/straight")
"""Answer 404 without a picture."""


def everything_is_shown(person):
    ids = {kind: person.ids[kind] for kind in READABLE}
    asked = [path for path in gets(ids) if not path.endswith(UNSEEN)]
    assert len(asked) >= 22
    for path in asked:
        assert person.ask("GET", path)[0] == 200, path


def notices(run):
    return [(each["event"], each["code"]) for each in run["state"]["notices"]]


def test_a_lift_later_than_a_bite_can_be_is_kept_and_asked_about(furnished):
    tablet = furnished.tablet
    dip = tablet.event("dip", -8 * HOUR, open=OPEN)
    lift = tablet.event("lift", -1 * HOUR, dip=dip["id"])
    status, run = tablet.send(dip, lift)
    assert (status, run["in_bath"], run["stale"]) == (200, True, True)
    assert notices(run) == [(lift["id"], "too-long")]
    everything_is_shown(furnished)
    said = tablet.event("lift", -8 * HOUR + 60_000, dip=dip["id"], remembered=True)
    _, run = tablet.send(said)
    assert not run["in_bath"]
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end")


def put_away(person, events):
    """Store events as they would be after they came in; so many take their time one by one."""
    run = Run.objects.get(id=person.ids["run"])
    Event.objects.bulk_create(
        Event(
            room=run.room, subject_kind="run", subject=run.id, by=person.user,
            bath_id=person.ids["bath"], received_at=now_utc(),
            at=datetime.fromtimestamp((each["offset_ms"] + each["monotonic_ms"]) / 1000, UTC),
            **each,
        )
        for each in events
    )  # fmt: skip


def test_the_501st_dip_is_kept_and_left_out(furnished):
    tablet, ids, said = furnished.tablet, [], []
    for n in range(501):
        dip = tablet.event("dip", -20 * HOUR + n * 20_000, open=OPEN)
        said += [dip, tablet.event("lift", -20 * HOUR + n * 20_000 + 2_000, dip=dip["id"])]
        ids.append(dip["id"])
    put_away(furnished, said[:-4])
    assert tablet.send(*said[-4:])[0] == 200
    run = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    assert len(run["state"]["dips"]) == 500
    assert (ids[500], "too-many") in notices(run)
    everything_is_shown(furnished)


def test_two_thousand_temperatures_in_one_dip(furnished):
    tablet = furnished.tablet
    dip = tablet.event("dip", -3 * HOUR, open=OPEN)
    warmer = [
        tablet.event("temperature", -3 * HOUR + 1000 + n * 4000, celsius=18 + n / 1000)
        for n in range(2040)
    ]
    put_away(furnished, [dip, *warmer])
    assert tablet.send(tablet.event("lift", -1000, dip=dip["id"]))[0] == 200
    everything_is_shown(furnished)


def test_an_area_the_plate_does_not_have_holds_nothing_back(furnished):
    tablet = furnished.tablet
    strange = tablet.event("dip", -600_000, open=["Moon", "Tone 1"])
    lift = tablet.event("lift", -500_000, dip=strange["id"])
    status, run = tablet.send(strange, lift, tablet.event("covered", -400_000, areas=["Moon"]))
    assert status == 200
    assert [dip["open"] for dip in run["state"]["dips"]] == [["Tone 1"]]
    assert (strange["id"], "unknown-area") in notices(run)
    assert Event.objects.count() == 3
    everything_is_shown(furnished)


def test_a_bath_past_all_it_can_hold_still_says_how_it_stands(furnished):
    furnished.must("POST", f"/baths/{furnished.ids['bath']}/readings",
                   {"id": new_id(), "load_g_per_l": 150})  # fmt: skip
    tablet = furnished.tablet
    dip = tablet.event("dip", -5 * HOUR, open=OPEN)
    tablet.send(dip, tablet.event("lift", -60_000, dip=dip["id"]))
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end")
    everything_is_shown(furnished)
    assert furnished.must("GET", f"/baths/{furnished.ids['bath']}")["load_g_per_l"] == 150


@pytest.mark.parametrize("stored", [{"volume_l": 5e-324}, {"load_g_per_l": 1e9}, {"room_c": 900}])
def test_a_bath_stored_past_todays_limits_is_shown(furnished, stored):
    Bath.objects.update(**stored)
    everything_is_shown(furnished)


def test_one_broken_row_never_breaks_a_list(furnished):
    """What no rule foresaw: the lists go on, and say which row is wrong."""
    other = furnish(furnished)
    Course.objects.filter(plate=other["plate"]).update(steps=[{"what": "is this"}])
    plates = furnished.must("GET", "/plates")["items"]
    assert len(plates) == 2
    wrong = {plate["id"]: plate["wrong"] for plate in plates}
    assert "cannot be reckoned" in wrong[other["plate"]]
    assert wrong[furnished.ids["plate"]] == ""
    told = {each["plate"]: each["text"] for each in furnished.must("GET", "/bench")["next"]}
    assert "cannot be reckoned" in told[other["plate"]]


def test_a_row_that_cannot_be_shown_is_named_beside_the_others(furnished):
    other = furnish(furnished)
    Run.objects.filter(id=other["run"]).update(
        areas=[{"name": "x", "lstar": "dark", "open_cm2": 1}]
    )
    page = furnished.must("GET", "/runs")
    assert [run["id"] for run in page["items"]] == [furnished.ids["run"]]
    assert [each["id"] for each in page["broken"]] == [other["run"]]
    assert page["total"] == 2
    everything_is_shown(furnished)


CELSIUS = st.floats(0, 60, allow_subnormal=False)
NAMES = st.lists(st.sampled_from([*OPEN, "Paper", "Moon"]), max_size=4)
SAID = st.one_of(
    st.tuples(st.just("dip"), st.fixed_dictionaries({"open": NAMES})),
    st.tuples(st.just("lift"), st.just({})),
    st.tuples(st.just("temperature"), st.fixed_dictionaries({"celsius": CELSIUS})),
    st.tuples(st.sampled_from(["covered", "opened"]), st.fixed_dictionaries({"areas": NAMES})),
    st.tuples(st.sampled_from(["rocked", "feathered", "refreshed", "rinsed"]), st.just({})),
    st.tuples(st.just("note"), st.fixed_dictionaries({"text": st.text("aé=+\n", max_size=9)})),
)
MOMENTS = st.one_of(st.floats(-30 * 24, 48), st.floats(-2, 0.1))
READINGS = st.fixed_dictionaries(
    {}, optional={"temperature_c": CELSIUS, "load_g_per_l": st.floats(0, 150)}
)
TONES = st.lists(st.tuples(st.sampled_from([*OPEN, "Moon"]), st.floats(0, 100)), max_size=6)


@settings(
    max_examples=8,
    deadline=None,
    phases=[Phase.explicit, Phase.reuse, Phase.generate],
    suppress_health_check=[HealthCheck.function_scoped_fixture],
)
@given(st.lists(st.tuples(SAID, MOMENTS), max_size=40), st.lists(READINGS, max_size=4), TONES)
def test_whatever_well_formed_is_stored_every_page_answers(furnished, said, readings, tones):
    try:
        with transaction.atomic():
            tablet = Device(furnished, furnished.ids["run"])
            events = [tablet.event(kind, hours * HOUR, **data) for (kind, data), hours in said]
            assert tablet.send(*events)[0] == 200
            for reading in readings:
                path = f"/baths/{furnished.ids['bath']}/readings"
                furnished.must("POST", path, {"id": new_id(), **reading})
            proof = {"id": new_id(), "plate": furnished.ids["plate"],
                     "tones": [{"area": a, "read_lstar": v} for a, v in tones]}  # fmt: skip
            furnished.must("POST", "/proofs", proof)
            furnished.ask("POST", f"/runs/{furnished.ids['run']}/end")
            everything_is_shown(furnished)
            raise Undone
    except Undone:
        pass


class Undone(Exception):
    """Puts the room back as it was."""


# --- clocks that are wrong


def device_hours_off(person, hours):
    tablet = Device(person, person.ids["run"])
    tablet.origin += hours * HOUR
    return tablet


@pytest.mark.parametrize("hours", [2, 24 * 365 * 3, -24 * 365 * 3])
def test_a_tablet_whose_clock_is_off_is_counted_by_the_receipt(furnished, hours):
    tablet = device_hours_off(furnished, hours)
    dip = tablet.event("dip", -90_000, open=OPEN)
    warm = tablet.event("temperature", -80_000, celsius=33)
    lift = tablet.event("lift", 0, dip=dip["id"])
    status, run = tablet.send(dip, warm, lift)
    assert status == 200
    (bite,) = run["state"]["dips"]
    assert bite["lifted_seconds"] - bite["at_seconds"] == pytest.approx(90, abs=0.01)
    assert bite["lifted_seconds"] == pytest.approx(time.time(), abs=20)
    assert all(event["clock_was_wrong"] for event in run["events"])
    # read again after it, the bath stands as it was read last
    furnished.must("POST", f"/baths/{furnished.ids['bath']}/readings",
                   {"id": new_id(), "temperature_c": 19})  # fmt: skip
    assert furnished.must("GET", f"/baths/{furnished.ids['bath']}")["temperature_c"] == 19


def test_a_dip_two_hours_ahead_can_be_lifted(furnished):
    tablet = device_hours_off(furnished, 2)
    dip = tablet.event("dip", 0, open=OPEN)
    assert tablet.send(dip)[1]["in_bath"]
    right = Device(furnished, furnished.ids["run"])
    _, run = right.send(right.event("lift", 1_000, dip=dip["id"]))
    assert not run["in_bath"]


def test_a_clock_that_is_right_moves_nothing(furnished):
    tablet = furnished.tablet
    _, run = tablet.send(tablet.event("dip", -9 * 24 * HOUR, open=OPEN))
    assert [event["clock_was_wrong"] for event in run["events"]] == [False]
    said = (tablet.origin - 9 * 24 * HOUR) / 1000
    assert run["state"]["dips"][0]["at_seconds"] == pytest.approx(said, abs=1e-3)


def test_an_event_stored_ahead_by_an_earlier_version_counts_by_its_receipt(furnished):
    tablet = furnished.tablet
    tablet.send(tablet.event("temperature", 0, celsius=20))
    there = Event.objects.get()
    later = datetime(2031, 1, 1, tzinfo=UTC)
    Event.objects.create(
        room_id=there.room_id, subject_kind="run", subject=there.subject, bath_id=there.bath_id,
        kind="temperature", device=there.device, sequence=9, monotonic_ms=0,
        offset_ms=later.timestamp() * 1000, offset_spread_ms=5, at=later,
        received_at=there.received_at - timedelta(seconds=30), by=there.by, data={"celsius": 33},
    )  # fmt: skip
    tablet.send(tablet.event("temperature", 10, celsius=21))
    assert furnished.must("GET", f"/baths/{furnished.ids['bath']}")["temperature_c"] == 21


@pytest.mark.parametrize(
    "at", ["0001-01-01T00:00:00+14:00", "1999-12-31T23:59:59Z", "2999-01-01T00:00:00Z",
           "9999-12-31T23:59:59-14:00"]
)  # fmt: skip
def test_a_proof_of_a_time_nobody_lived_in_is_refused(furnished, at):
    body = {"id": new_id(), "plate": furnished.ids["plate"], "pulled_at": at}
    status, reply = furnished.ask("POST", "/proofs", body)
    assert (status, reply["error"]["field"]) == (422, "pulled_at")
    assert "2000-01-01" in reply["error"]["text"]
    everything_is_shown(furnished)


@pytest.mark.parametrize("day", ["1999-12-31", "2999-01-01"])
def test_days_have_the_same_limits(furnished, day):
    strip = {"id": new_id(), "name": "x", "conditions": {"mordant": "copper-ferric"}}
    tool = {"id": new_id(), "name": "x", "kind": "needle"}
    assert furnished.ask("POST", "/strips", {**strip, "read_on": day})[0] == 422
    assert furnished.ask("PUT", "/tools", {**tool, "sharpened_on": day})[0] == 422


def test_the_record_of_every_event_is_there(furnished):
    tablet = furnished.tablet
    tablet.send(tablet.event("rocked", 0), tablet.event("rinsed", 5))
    assert Entry.objects.filter(kind__startswith="run: ").count() == 2


def test_times_that_nothing_can_read_are_put_where_they_were_stored(furnished):
    """As a proof of the year 1 left them: the record is append-only, and mended once."""
    furnished.must("POST", "/proofs", {"id": new_id(), "plate": furnished.ids["plate"]})
    mend = import_module("server.proofs.migrations.0003_times_that_can_be_read").MEND
    spoil = """
        set local keen.demo_reset = 'on';
        update record_entry set at = '0001-01-01 BC' where kind = 'proof';
        update record_entry set at = '9999-12-31 23:59:59-14' where kind = 'plan';
        update proofs_proof set pulled_at = '0001-01-01 BC';
        set local keen.demo_reset = 'off';
    """
    with connection.cursor() as cursor:
        cursor.execute(spoil)
        assert Entry.objects.filter(kind="proof").count() == 1
        cursor.execute(mend)
    everything_is_shown(furnished)
    said = {
        entry.kind: entry.data["said_at"] for entry in Entry.objects.filter(data__has_key="said_at")
    }
    assert said["proof"].endswith("BC") and said["plan"].startswith("10000")
    with pytest.raises(IntegrityError), transaction.atomic(), connection.cursor() as cursor:
        cursor.execute("delete from record_entry")
