"""Instruments: who may send what, what is believed, and what a run makes of it."""

import json
from datetime import UTC, datetime, timedelta

import pytest
from django.test import Client
from django.utils import timezone

from server.baths.actions.settle import settle_bath
from server.baths.models import Bath, BathReading
from server.instruments.models import Instrument, InstrumentReading
from tests.server.conftest import new_id


def made(person, kind="bath-probe", **more):
    """A new instrument with its token."""
    body = {"id": new_id(), "name": "Probe", "kind": kind, **more}
    if kind == "bath-probe":
        body.setdefault("bath", person.ids["bath"])
    return person.must("POST", "/instruments", body)


def send(token, *readings, raw=None):
    """Return (status, data) of the one call."""
    body = raw if raw is not None else {"readings": list(readings)}
    reply = Client().post(
        "/api/instruments/readings", json.dumps(body), content_type="application/json",
        headers={"Authorization": f"Bearer {token}"},
    )  # fmt: skip
    return reply.status_code, reply.json()


def warm(celsius, seconds_ago=0.0, **more):
    at = timezone.now() - timedelta(seconds=seconds_ago)
    return {"at": at.isoformat(), "kind": "temperature", "value": celsius, **more}


@pytest.fixture
def furnished(furnished):
    """The furnished room, its bath made up two hours ago, before everything a probe says."""
    BathReading.objects.update(at=timezone.now() - timedelta(hours=2))
    settle_bath(Bath.objects.get())
    return furnished


@pytest.fixture
def probe(furnished):
    return made(furnished)


def test_a_probe_is_believed_and_its_bath_follows(furnished, probe):
    status, told = send(probe["token"], warm(17.2, 20), warm(17.0, 10))
    assert status == 200 and told["taken"] == 2
    assert [each["believed"] for each in told["readings"]] == [True, True]
    assert Bath.objects.get().temperature_c == 17.0
    listed = furnished.must("GET", "/instruments")["items"][0]
    assert listed["last_value"] == 17.0 and "token" not in listed


def test_sent_again_nothing_is_doubled(probe):
    named = [warm(17.2, 30, id=new_id()), warm(17.1, 20)]
    for taken in (2, 0, 0):
        status, told = send(probe["token"], *named)
        assert status == 200 and told["taken"] == taken
    assert InstrumentReading.objects.count() == 2
    assert [each["known"] for each in told["readings"]] == [True, True]


def test_doubled_in_one_call_it_is_stored_once_and_another_value_is_named(probe):
    one = warm(17.2, 30, id=new_id())
    _, told = send(probe["token"], one, one, one | {"value": 19.0})
    assert told["taken"] == 1
    assert "Another value is kept" in told["readings"][2]["why"]


def test_out_of_order_the_newest_stands(probe):
    send(probe["token"], warm(17.0, 5))
    send(probe["token"], warm(17.3, 65))
    assert Bath.objects.get().temperature_c == 17.0
    assert BathReading.objects.exclude(instrument=None).count() == 2


@pytest.mark.parametrize(
    ("reading", "why"),
    [(warm(80.0, 5), "Outside"), (warm(-4.0, 5), "Outside"), (warm(18.0, -7200), "future")],
)
def test_what_cannot_be_is_kept_and_never_believed(probe, reading, why):
    before = Bath.objects.get().temperature_c
    status, told = send(probe["token"], reading)
    assert status == 200
    assert not told["readings"][0]["believed"] and why in told["readings"][0]["why"]
    assert InstrumentReading.objects.count() == 1
    assert Bath.objects.get().temperature_c == before


def test_a_jump_waits_for_a_second_minute(probe):
    send(probe["token"], *[warm(18.0, ago) for ago in (200, 190, 180)])
    _, told = send(probe["token"], *[warm(24.0, ago) for ago in range(170, 20, -10)])
    believed = [each["believed"] for each in told["readings"]]
    assert not any(believed[:6]) and believed[-1]
    assert "second minute" in next(e["why"] for e in told["readings"] if e["believed"])
    assert Bath.objects.get().temperature_c == 24.0


def test_the_token_decides(furnished, probe):
    assert send("nobody's", warm(18))[0] == 401
    assert Client().post("/api/instruments/readings", "{}", content_type="application/json"
                         ).status_code == 401  # fmt: skip
    path = f"/instruments/{probe['id']}"
    fresh = furnished.must("POST", f"{path}/token", {"version": 1})
    assert send(probe["token"], warm(18))[0] == 401
    assert send(fresh["token"], warm(18))[0] == 200
    furnished.must("PUT", path, {"version": 2, "taken_back": True})
    status, reply = send(fresh["token"], warm(18))
    assert status == 401 and "taken back" in reply["error"]["text"]
    furnished.must("PUT", path, {"version": 3, "taken_back": False})
    Instrument.objects.update(ends_at=timezone.now())
    assert send(fresh["token"], warm(18))[1]["error"]["code"] == "token-over"


def test_only_a_hash_of_the_token_is_kept(probe):
    assert probe["token"] not in json.dumps(list(Instrument.objects.values()), default=str)


def test_a_probe_of_another_room_hangs_in_no_bath_of_this(furnished, stranger):
    body = {"id": new_id(), "name": "x", "kind": "bath-probe", "bath": furnished.ids["bath"]}
    assert stranger.ask("POST", "/instruments", body)[0] == 404
    assert stranger.ask("POST", "/instruments", body | {"bath": None})[0] == 422


@pytest.mark.parametrize(
    ("kind", "reading", "value"),
    [("scale", "mass", 12.431), ("hydrometer", "baume", 41.0), ("densitometer", "lstar", 61.2),
     ("densitometer", "density", 0.42), ("exposure", "dose", 120.0)],
)  # fmt: skip
def test_each_kind_sends_its_own_and_nothing_else(furnished, kind, reading, value):
    token = made(furnished, kind)["token"]
    at = timezone.now().isoformat()
    status, told = send(token, {"at": at, "kind": reading, "value": value})
    assert status == 200 and told["readings"][0]["believed"]
    status, reply = send(token, {"at": at, "kind": reading, "value": value}, warm(18))
    assert status == 422 and reply["error"]["field"] == "readings.1.kind"
    assert Bath.objects.get().temperature_c == 18.5


def test_a_negative_mass_is_kept_and_not_believed(furnished):
    token = made(furnished, "scale")["token"]
    at = timezone.now().isoformat()
    _, told = send(token, {"at": at, "kind": "mass", "value": -2.0})
    assert not told["readings"][0]["believed"]


@pytest.mark.parametrize(
    "raw",
    [{"readings": []}, {}, {"readings": [{"kind": "temperature", "value": 18}]},
     {"readings": [warm(18) | {"at": "2026-11-26T10:00:00"}]},
     {"readings": [warm(18) | {"value": "NaN"}]}, {"readings": [warm(18) | {"value": 1e12}]},
     {"readings": [warm(18) | {"kind": "taste"}]}],
)  # fmt: skip
def test_what_cannot_be_read_is_refused_whole(probe, raw):
    assert send(probe["token"], raw=raw)[0] == 422
    assert not InstrumentReading.objects.exists()


def test_sixty_readings_are_one_call_and_sixty_one_are_refused(probe):
    many = [warm(18.0, ago) for ago in range(61)]
    assert send(probe["token"], *many)[0] == 422
    assert send(probe["token"], *many[:60])[1]["taken"] == 60


def test_calls_that_are_refused_count_as_well(probe):
    for raw in [{"readings": []}, {"readings": [warm(18) | {"kind": "mass"}]}] * 30:
        assert send(probe["token"], raw=raw)[0] == 422
    assert send(probe["token"], warm(18.0))[0] == 429


def test_past_sixty_calls_a_minute_it_waits_and_loses_nothing(probe):
    for _ in range(60):
        assert send(probe["token"], warm(18.0))[0] == 200
    status, reply = send(probe["token"], warm(18.0))
    assert status == 429 and reply["error"]["unit"] == "s"
    Instrument.objects.update(window_at=timezone.now() - timedelta(seconds=61))
    assert send(probe["token"], warm(18.0))[0] == 200


def test_a_bath_is_told_every_change_and_once_a_minute(probe):
    steady = [warm(18.0, ago) for ago in range(170, 0, -10)]
    send(probe["token"], *steady)
    assert InstrumentReading.objects.count() == 17
    assert BathReading.objects.exclude(instrument=None).count() == 3


def test_a_printer_sees_instruments_and_hands_out_no_token(furnished, probe):
    from tests.server.conftest import Person

    printer = Person("printer-x", furnished.room, "printer")
    assert printer.must("GET", "/instruments")["total"] == 1
    assert printer.must("GET", f"/instruments/{probe['id']}/readings")["total"] == 0
    assert printer.ask("POST", "/instruments", {"id": new_id(), "name": "x", "kind": "scale"})[
        0] == 403  # fmt: skip


def test_the_run_follows_a_falling_probe_and_bites_as_deep_as_in_a_steady_bath(furnished, probe):
    """A tray falls from 22 to 15 °C in the bite; lifted when it says, it got what was planned."""
    tablet, run = furnished.tablet, f"/runs/{furnished.ids['run']}"

    def celsius(seconds):
        return 15 + 7 * 2 ** (-seconds / 120)

    for at_ms, names in ((-1_500_000, ("Tone 1", "Tone 2", "Tone 3")),
                         (-1_200_000, ("Tone 2", "Tone 3"))):  # fmt: skip
        tablet.bite(at_ms, *names)
    begun = datetime.fromtimestamp(tablet.origin / 1000, tz=UTC) - timedelta(seconds=700)
    at = lambda seconds: (begun + timedelta(seconds=seconds)).isoformat()  # noqa: E731
    send(probe["token"], {"at": at(-5), "kind": "temperature", "value": round(celsius(0), 1)})
    tablet.send(tablet.event("dip", -700_000, open=["Tone 2", "Tone 3"]))
    first = furnished.must("GET", run)
    lift, seconds = first["lift_seconds"], 0.0
    while begun.timestamp() + seconds < lift:
        seconds += 5
        reading = {"at": at(seconds), "kind": "temperature", "value": round(celsius(seconds), 1)}
        assert send(probe["token"], reading)[1]["readings"][0]["believed"]
        Instrument.objects.update(window_calls=0)
        lift = furnished.must("GET", run)["lift_seconds"]
    lasted = lift - begun.timestamp()
    assert lasted > first["lift_seconds"] - begun.timestamp() + 2
    sheet = first["sheet"]
    wanted = sheet["plan"]["bites"][0]["reference_seconds"]
    steps = [min(0.5 * i, lasted) for i in range(int(lasted / 0.5) + 2)]
    pace = [_speed(sheet, celsius(s)) for s in steps]
    gained = sum(
        0.5 * (a + b) * (t - s)
        for a, b, s, t in zip(pace, pace[1:], steps, steps[1:], strict=False)
    )
    dead = sheet["wetting_seconds"] * pace[0]
    assert gained - dead == pytest.approx(wanted, rel=0.02)


def _speed(sheet, celsius):
    from numpy import interp

    return float(interp(celsius, sheet["temperatures_c"], sheet["speeds"]))


def test_a_dead_probe_is_told_by_its_last_word_and_the_run_goes_on(furnished, probe):
    send(probe["token"], warm(17.5, 45))
    run = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    assert run["probe"]["celsius"] == 17.5
    assert run["now_seconds"] - run["probe"]["at_seconds"] > run["probe"]["silent_after_seconds"]
    assert run["probe"]["silent_after_seconds"] <= 30
    assert run["sheet"]["plan"]["bites"]
