"""Editions: numbers once each, the OK and its condition, what is spoiled, wear, the rest."""

import random
import uuid

import pytest
from django.db import IntegrityError, transaction
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from server.editions.models import Edition, Impression
from server.record.models import Entry
from tests.server.conftest import Device, new_id
from tests.server.test_press import page, pressed, pull  # noqa: F401

TONES = [{"area": "Sky", "read_lstar": 30.0, "spread": 0.8},
         {"area": "Shutter", "read_lstar": 41.0, "spread": 0.8}]  # fmt: skip


def edition(person, **change):
    version = person.must("GET", f"{person.at}/edition")["version"]
    return person.must("PUT", f"{person.at}/edition", {"version": version, "size": 5, **change})


def approved(person, **said):
    """A proof of the plate that is OK to print."""
    proof = new_id()
    tones = [dict(tone.items()) for tone in TONES]
    person.must("POST", "/proofs", {"id": proof, "plate": person.plate, "tones": tones})
    person.must("POST", f"/proofs/{proof}/approvals", {"id": new_id(), **said})
    return proof


def signed(device, at_s, series="edition", **more):
    """One pull and its signature."""
    made, events = pull(device, at_s)
    events.append(device.event("signed", (at_s + 800) * 1000, pull=made, series=series, **more))
    return made, events


def numbers(person, series="edition"):
    rows = person.must("GET", f"{person.at}/edition")["rows"]
    return [each["number"] for each in rows if each["series"] == series and each["number"]]


def test_an_edition_is_begun_numbered_and_counted(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed)
    for n in range(3):
        _, events = signed(pressed.phone, -9000 + 1500 * n)
        pressed.phone.send(*events)
    told = pressed.must("GET", f"{pressed.at}/edition")
    assert [each["label"] for each in told["rows"]] == ["1", "2", "3"]
    assert (told["done"], told["left"], told["next_number"]) == (3, 2, 4)
    assert told["needs"]["pieces"] >= 2 and told["sheets"]["sheets"] >= 1
    assert Entry.objects.filter(text="Numbered 3/5.").count() == 1
    csv = pressed.client.get(f"/api/rooms/{pressed.room.id}{pressed.at}/edition.csv").content
    assert csv.decode().splitlines()[1].startswith("1,1,edition,1,signed,")


def test_with_no_edition_yet_a_signature_waits_for_its_number(pressed):  # noqa: F811
    approved(pressed)
    _, events = signed(pressed.phone, -2000)
    pressed.phone.send(*events)
    assert page(pressed)["labels"][0]["label"] == "number to come"
    edition(pressed)
    assert page(pressed)["labels"][0]["label"] == "1"


def test_before_the_ok_a_reason_is_needed_and_kept(pressed):  # noqa: F811
    edition(pressed)
    one, events = signed(pressed.phone, -5000)
    pressed.phone.send(*events)
    two, events = signed(pressed.phone, -3000, reason="a gift")
    pressed.phone.send(*events)
    labels = {each["pull"]: each["label"] for each in page(pressed)["labels"]}
    assert labels == {one: "waits for the OK", two: "1"}
    approved(pressed)
    assert numbers(pressed) == [2, 1]
    rows = pressed.must("GET", f"{pressed.at}/edition")["rows"]
    assert rows[1]["reason"] == "a gift"


def test_signing_at_the_desk_asks_for_a_reason_before_the_ok(pressed):  # noqa: F811
    edition(pressed)
    made, events = pull(pressed.phone, -3000)
    pressed.phone.send(*events)
    body = {"id": new_id(), "pull": made}
    status, told = pressed.ask("POST", f"{pressed.at}/edition/sign", body)
    assert status == 422 and told["error"]["field"] == "reason"
    assert pressed.must("POST", f"{pressed.at}/edition/sign", body | {"reason": "a gift"})


def test_a_number_already_taken_is_refused_and_the_free_ones_named(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed)
    _, events = signed(pressed.phone, -5000)
    made, more = pull(pressed.phone, -3000)
    pressed.phone.send(*events, *more)
    body = {"id": new_id(), "pull": made, "number": 1}
    status, told = pressed.ask("POST", f"{pressed.at}/edition/sign", body)
    assert status == 422 and told["error"]["code"] == "number-taken"
    assert told["error"]["allowed"] == "one of 2, 3, 4, 5"
    pressed.must("POST", f"{pressed.at}/edition/sign", body | {"number": 4})
    pressed.must("POST", f"{pressed.at}/edition/sign", body | {"number": 4})
    assert numbers(pressed) == [1, 4]
    _, events = signed(pressed.phone, -1500)
    pressed.phone.send(*events)
    assert numbers(pressed) == [1, 4, 2]


def test_spoiled_before_it_has_no_number_after_it_stands_void(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed)
    phone = pressed.phone
    one, events = pull(phone, -9000)
    phone.send(*events, phone.event("spoiled", -8_000_000, pull=one, reason="creased"))
    two, events = signed(phone, -7000)
    phone.send(*events)
    _, events = signed(phone, -5000)
    phone.send(*events, phone.event("spoiled", -1_000_000, pull=two, reason="torn in drying"))
    told = pressed.must("GET", f"{pressed.at}/edition")
    assert [(each["label"], each["state"]) for each in told["rows"]] == [
        ("spoiled", "spoiled"), ("1", "void"), ("2", "signed"),
    ]  # fmt: skip
    assert told["rows"][1]["reason"] == "torn in drying"
    assert (told["done"], told["void"], told["spoiled"], told["next_number"]) == (1, 1, 2, 3)
    status, refused = pressed.ask("POST", f"{pressed.at}/edition/sign",
                                  {"id": new_id(), "pull": one})  # fmt: skip
    assert status == 422 and refused["error"]["code"] == "spoiled"


def test_an_edition_is_not_made_smaller_than_what_is_numbered(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed, size=6)
    for n in range(3):
        _, events = signed(pressed.phone, -9000 + 1500 * n)
        pressed.phone.send(*events)
    status, told = pressed.ask("PUT", f"{pressed.at}/edition", {"version": 1, "size": 2})
    assert status == 422 and told["error"]["code"] == "smaller-than-pulled"
    assert told["error"]["allowed"] == "at least 3" and told["error"]["field"] == "size"
    assert edition(pressed, size=3)["left"] == 0
    _, events = signed(pressed.phone, -1500)
    pressed.phone.send(*events)
    assert page(pressed)["labels"][-1]["label"] == "beyond the edition"
    assert edition(pressed, size=4)["rows"][-1]["number"] == 4


def test_proofs_aside_have_numbers_of_their_own(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed, artist_proofs=2, printer_proofs=1)
    for n, series in enumerate(("artist", "edition", "trial", "artist", "printer")):
        _, events = signed(pressed.phone, -9000 + 1500 * n, series)
        pressed.phone.send(*events)
    labels = [each["label"] for each in page(pressed)["labels"]]
    assert labels == ["AP 1", "1", "trial proof", "AP 2", "PP 1"]


def test_a_pull_logged_by_two_devices_is_one_impression(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed)
    tablet = Device(pressed, f"{pressed.plate}/pulls", "plates")
    one, events = signed(pressed.phone, -3000)
    two, same = signed(tablet, -2990)
    pressed.phone.send(*events)
    status, told = tablet.send(*same)
    assert status == 200 and [each["label"] for each in told["labels"]] == ["1"]
    codes = {each["code"] for each in told["state"]["notices"]}
    assert codes == {"inked-already", "done-before"}
    assert one != two and Impression.objects.count() == 1


def test_the_ok_carries_a_condition_that_stays_open_until_it_is_met(pressed):  # noqa: F811
    proof = approved(pressed, condition="the sky stays dark", area="Sky", said_by="artist")
    edition(pressed)
    ok = page(pressed)["ok"]
    assert (ok["condition"], ok["met"], ok["said_by"]) == ("the sky stays dark", False, "artist")
    made, events = signed(pressed.phone, -3000)
    read = pressed.phone.event("pull-read", -1_000_000, pull=made,
                               areas=[{"name": "Sky", "lstar": 31.5}])  # fmt: skip
    pressed.phone.send(*events, read)
    told = pressed.must("GET", f"{pressed.at}/edition")
    assert told["condition"] == {
        "area": "Sky",
        "ok_lstar": 30,
        "last_lstar": 31.5,
        "worst_lstar": 31.5,
        "worst_label": "1",
        "holds": True,
    }
    met = pressed.phone.event("condition-met", 0, approval=ok["approval"])
    pressed.phone.send(met)
    assert page(pressed)["ok"]["met"]
    pressed.phone.send(pressed.phone.event("undo", 1000, event=met["id"]))
    assert not page(pressed)["ok"]["met"]
    shown = pressed.must("GET", f"/proofs/{proof}")
    assert shown["approvals"][0]["condition"] == "the sky stays dark"
    texts = Entry.objects.filter(kind="proof").values_list("text", flat=True)
    assert "OK to print: State I, by the artist, if the sky stays dark." in texts


def test_an_ok_is_taken_back_and_the_plate_waits_again(pressed):  # noqa: F811
    proof = approved(pressed)
    assert pressed.must("GET", pressed.at)["ok_to_print"]
    pressed.must("POST", f"/proofs/{proof}/approvals",
                 {"id": new_id(), "ok": False, "remark": "the sign is wrong"})  # fmt: skip
    assert not pressed.must("GET", pressed.at)["ok_to_print"]
    assert page(pressed)["ok"] is None


@pytest.mark.parametrize(
    ("said", "field"), [({"area": "Moon"}, "area"), ({"said_by": "mayor"}, "said_by")]
)
def test_an_ok_that_cannot_be(pressed, said, field):  # noqa: F811
    proof = new_id()
    pressed.must("POST", "/proofs", {"id": proof, "plate": pressed.plate})
    status, told = pressed.ask("POST", f"/proofs/{proof}/approvals", {"id": new_id(), **said})
    assert status == 422 and told["error"]["field"] == field


def test_a_proof_of_an_earlier_state_is_not_signed(pressed):  # noqa: F811
    first = approved(pressed)
    pressed.must("POST", "/proofs", {"id": new_id(), "plate": pressed.plate})
    status, told = pressed.ask("POST", f"/proofs/{first}/approvals", {"id": new_id()})
    assert status == 422 and told["error"]["code"] == "earlier-state"


def read(device, made, at_s, **tones):
    areas = [{"name": name, "lstar": value} for name, value in tones.items()]
    return device.event("pull-read", at_s * 1000, pull=made, areas=areas)


def test_wear_is_told_in_numbers_of_the_edition(pressed):  # noqa: F811
    approved(pressed)
    edition(pressed, size=20, wear_area="Shutter")
    for n in range(8):
        made, events = signed(pressed.phone, -40_000 + 1500 * n)
        pressed.phone.send(*events, read(pressed.phone, made, -39_100 + 1500 * n, Sky=30,
                                         Shutter=41 + 0.4 * n))  # fmt: skip
    told = pressed.must("GET", f"{pressed.at}/edition")
    assert told["wears"] == "Shutter" and told["rows"][-1]["off_lstar"] == pytest.approx(2.8)
    assert told["pale_from"] is None or 8 <= told["pale_from"] <= 20
    assert "shutter" in told["sentence"] or told["sentence"].startswith("All 20")
    wear = pressed.must("GET", f"{pressed.at}/wear")
    assert len(wear["state"]["impressions"]) == 8
    check = page(pressed)["checks"][-1]["check"]
    assert check["title"] in ("It matches", "It is worn")


def test_a_plate_is_cancelled_once_and_the_record_says_how(pressed):  # noqa: F811
    edition(pressed)
    body = {"version": 1, "how": "scored through"}
    told = pressed.must("POST", f"{pressed.at}/edition/cancel", body)
    assert told["cancelled_how"] == "scored through" and page(pressed)["cancelled"]
    assert pressed.ask("POST", f"{pressed.at}/edition/cancel", body)[0] == 409
    assert Entry.objects.filter(text="Plate cancelled: scored through.").count() == 1


def test_the_database_holds_a_number_once(pressed):  # noqa: F811
    edition(pressed)
    row = Edition.objects.get()
    facts = {"room": row.room, "edition": row, "series": "edition", "number": 1,
             "signed_at": row.created_at, "by": pressed.user}  # fmt: skip
    Impression.objects.create(id=uuid.uuid4(), pull=uuid.uuid4(), **facts)
    with pytest.raises(IntegrityError), transaction.atomic():
        Impression.objects.create(id=uuid.uuid4(), pull=uuid.uuid4(), **facts)


@settings(max_examples=12, deadline=None,
          suppress_health_check=[HealthCheck.function_scoped_fixture])  # fmt: skip
@given(st.integers(0, 10_000))
def test_two_devices_with_and_without_a_line_give_each_number_once(pressed, seed):  # noqa: F811
    """What each device logged comes in late, mixed, twice; numbers are 1 to n and stay."""
    rng = random.Random(seed)
    with transaction.atomic():
        approved(pressed)
        edition(pressed, size=40, order=rng.choice(["pulled", "dried"]))
        tablet = Device(pressed, f"{pressed.plate}/pulls", "plates")
        waiting = {device: [] for device in (pressed.phone, tablet)}
        clock, made = -200_000, []
        before = {}
        for _ in range(10):
            clock += rng.choice([1000, 1500, 4000])
            device = rng.choice([pressed.phone, tablet])
            one, events = signed(device, clock, rng.choice(["edition", "edition", "artist"]))
            made.append(one)
            if rng.random() < 0.2:
                events.append(device.event("spoiled", (clock + 900) * 1000, pull=one))
            waiting[device] += events
            if rng.random() < 0.5:
                sender = rng.choice(list(waiting))
                rng.shuffle(waiting[sender])
                sent, waiting[sender] = waiting[sender], []
                assert sender.send(*sent, *sent[:2])[0] == 200
                now = standing()
                assert before.items() <= now.items()
                before = now
        for device, events in waiting.items():
            device.send(*events)
        now = standing()
        assert before.items() <= now.items()
        for series in ("edition", "artist"):
            given_ = sorted(n for s, n in now.values() if s == series)
            assert given_ == list(range(1, len(given_) + 1))
        transaction.set_rollback(True)


def standing():
    """Return every number that was given, by pull."""
    return {row.pull: (row.series, row.number) for row in Impression.objects.all()}
