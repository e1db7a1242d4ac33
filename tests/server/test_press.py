"""A plate at the press: paper in the damp, pulls, the wipe map, notes, how it is printed."""

import time

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from icalendar import Calendar

from server.pulls.models import Pulls
from server.record.models import Entry
from server.tasks.actions.work import work_on
from tests.server.conftest import Device, new_id, picture
from tests.server.walk import SPOKEN

SKY = {"kind": "leave", "name": "the sky", "points": [[0, 0], [180, 0], [180, 30]]}


@pytest.fixture
def pressed(keeper):
    """A room with a drypoint on acrylic, and a phone by the press."""
    plate = keeper.must(
        "POST", "/plates",
        {"id": new_id(), "name": "Closing", "metal": "plastic", "route": "drypoint",
         "thickness_mm": 1.0, "width_mm": 180, "height_mm": 130, "facts": {"plastic": "acrylic"}},
    )  # fmt: skip
    keeper.at = f"/plates/{plate['id']}"
    keeper.plate = plate["id"]
    keeper.phone = Device(keeper, f"{plate['id']}/pulls", "plates")
    return keeper


def page(person):
    return person.must("GET", f"{person.at}/press")


def pull(device, at_s, **pulled):
    """The four presses of one pull; return its id and them."""
    inked = device.event("inked", at_s * 1000, name="black")
    named = {"pull": inked["id"]}
    rest = [device.event(kind, (at_s + after) * 1000, **named, **more) for kind, after, more in (
        ("wiped", 300, {}), ("laid", 600, {}), ("pulled", 700, pulled))]  # fmt: skip
    return inked["id"], [inked, *rest]


def test_a_plate_nobody_printed_shows_what_comes_first_and_writes_nothing(pressed):
    told = page(pressed)
    assert told["state"]["stage"] == "ink" and told["labels"] == [] and told["version"] == 0
    assert {each["key"] for each in told["cautions"]} == {"press", "inks"}
    assert not Pulls.objects.exists()


def test_how_a_plate_is_printed_is_kept_with_its_names(pressed):
    paper = {"id": new_id(), "name": "soft cotton", "school": "soft-soak", "sheets": 3}
    pressed.must("PUT", "/papers", paper)
    ink = {"id": new_id(), "name": "black", "warm_c": 31,
           "parts": [{"name": "black", "role": "pigment", "parts": 4},
                     {"name": "medium", "role": "medium", "parts": 1}]}  # fmt: skip
    pressed.must("PUT", "/inks", ink)
    press = {
        "id": new_id(),
        "name": "Long bed",
        "quarters": 7,
        "blankets": [{"name": "thin felt", "new_on": "2026-01-10"}, {"name": "soft felt"}],
    }
    told = pressed.must("PUT", "/presses", press)
    assert told["set_text"] == "1¾ turns from contact, 1 pass"
    body = {"version": 0, "paper": paper["id"], "ink": ink["id"], "press": press["id"],
            "wipes": ["gauze", "paper", "hand, chalk"], "margin_mm": 50}  # fmt: skip
    kept = pressed.must("PUT", f"{pressed.at}/press", body)
    assert kept["paper"]["damping"]["ready_seconds"] == 1200 and kept["ink"]["warm_c"] == 31
    assert kept["press"]["set_text"].startswith("1¾ turns")
    assert "soft cotton, black, Long bed, gauze" in Entry.objects.get(kind="printing").text
    status, stale = pressed.ask("PUT", f"{pressed.at}/press", body)
    assert status == 409 and stale["error"]["field"] == "version"
    plan = pressed.must("GET", f"{pressed.at}/paper?impressions=20")
    assert plan["sheets"]["pieces_per_sheet"] == 6 and plan["sheets"]["to_buy"] == 1
    assert sum(p["grams"] for p in plan["ink"]["parts"]) == pytest.approx(
        plan["ink"]["total_g"], abs=0.2
    )


def test_paper_smaller_than_the_plate_is_said_with_what_would_do(pressed):
    paper = {"id": new_id(), "name": "postcard", "width_mm": 100, "height_mm": 150}
    pressed.must("PUT", "/papers", paper)
    pressed.must("PUT", f"{pressed.at}/press", {"version": 0, "paper": paper["id"]})
    told = pressed.must("GET", f"{pressed.at}/paper")
    assert told["sheets"] is None and told["fault"]["code"] == "paper-smaller-than-plate"
    assert told["fault"]["allowed"] == "at least 180 by 130" and told["fault"]["unit"] == "mm"
    status, refused = pressed.ask("POST", f"{pressed.at}/template",
                                  {"id": new_id(), "width_mm": 170, "height_mm": 300})  # fmt: skip
    assert status == 422 and refused["error"]["field"] == "width_mm"


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [("/papers", {"name": "x", "ready_minutes": 300}, "latest_minutes"),
     ("/papers", {"name": "x", "width_mm": 10}, "width_mm"),
     ("/inks", {"name": "x", "parts": [{"name": "y", "parts": 0}]}, "parts.0.parts"),
     ("/inks", {"name": "x", "transparency": 2}, "transparency"),
     ("/presses", {"name": "", "quarters": 7}, "name"),
     ("/presses", {"name": "x", "passes": 0}, "passes")],
)  # fmt: skip
def test_what_cannot_be_kept_names_its_field(pressed, path, body, field):
    status, told = pressed.ask("PUT", path, {"id": new_id(), **body})
    assert status == 422 and told["error"]["field"] == field


def test_paper_pulls_and_a_note_are_told_in_the_record_and_once(pressed):
    phone = pressed.phone
    paper = phone.event("paper-in", -5_000_000, name="soft cotton", pieces=6, whose="printer")
    out = phone.event("paper-out", -2_400_000, batch=paper["id"], pieces=1)
    first, events = pull(phone, -2000)
    laid = events[2] | {"data": {"pull": first, "batch": paper["id"], "checked": ["limp"]}}
    note = phone.event("pull-noted", -1_000_000, text="sky a little grey")
    sent = [paper, out, events[0], events[1], laid, events[3], note]
    for batch in (sent[::-1], sent):
        assert phone.send(*batch)[0] == 200
    told = page(pressed)["state"]
    assert told["batches"][0]["left"] == 5
    (row,) = told["pulls"]
    assert row["damp_seconds"] == pytest.approx(3600, abs=1) and row["place"] == 1
    assert row["notes"][0]["text"] == "sky a little grey"
    texts = list(Entry.objects.filter(plate_id=pressed.plate, kind__startswith="pull:")
                 .values_list("text", flat=True))  # fmt: skip
    assert len(texts) == 7
    assert "Put 6 of soft cotton into the tray for printer." in texts
    labels = pressed.must("GET", "/damp-paper")
    assert labels[0]["whose"] == "printer" and labels[0]["left"] == 5


def test_the_bench_says_when_paper_must_be_out_and_the_plate_clean(pressed):
    phone = pressed.phone
    paper = phone.event("paper-in", -600_000, name="soft cotton", pieces=2)
    _, events = pull(phone, -900)
    phone.send(paper, *events)
    due = {each["kind"]: each for each in pressed.must("GET", "/bench")["due"]}
    assert due["paper"]["at_seconds"] == pytest.approx(time.time() - 600 + 7200, abs=5)
    assert due["clean"]["at_seconds"] == pytest.approx(time.time() - 900 + 1800, abs=5)
    phone.send(phone.event("plate-cleaned", -100_000),
               phone.event("paper-out", -90_000, batch=paper["id"]))  # fmt: skip
    kinds = {each["kind"] for each in pressed.must("GET", "/bench")["due"]}
    assert not kinds & {"paper", "clean"}


def test_damp_paper_as_a_calendar_with_alarms(pressed):
    paper = pressed.phone.event("paper-in", 0, name="soft cotton", pieces=2, whose="printer")
    pressed.phone.send(paper)
    url = f"/api/rooms/{pressed.room.id}{pressed.at}/paper.ics"
    reply = pressed.client.get(url)
    calendar = Calendar.from_ical(reply.content)
    found = list(calendar.walk("VEVENT"))
    assert [str(each["summary"]) for each in found] == [
        "soft cotton ready (Closing, printer)", "soft cotton out by (Closing, printer)",
    ]  # fmt: skip
    wait = found[1]["dtstart"].dt - found[0]["dtstart"].dt
    assert wait.total_seconds() == 6000
    assert len(list(calendar.walk("VALARM"))) == 2


def test_a_wipe_map_stands_until_the_next_and_comes_back_by_undo(pressed):
    phone = pressed.phone
    first = phone.event("wipe-mapped", 0, patches=[SKY])
    then = phone.event("wipe-mapped", 1000, patches=[])
    phone.send(first, then)
    assert page(pressed)["state"]["patches"] == []
    phone.send(phone.event("undo", 2000, event=then["id"]))
    assert page(pressed)["state"]["patches"][0]["name"] == "the sky"


def test_a_spoken_note_is_kept_once_and_played_to_members_only(pressed, stranger):
    sound = new_id()
    url = f"/api/rooms/{pressed.room.id}{pressed.at}/sounds"
    for _ in range(2):
        form = {"id": sound, "file": SimpleUploadedFile("n.wav", SPOKEN)}
        assert pressed.client.post(url, form).status_code == 201
    played = pressed.client.get(f"/api/rooms/{pressed.room.id}/sounds/{sound}")
    assert b"".join(played.streaming_content) == SPOKEN
    assert played["Content-Type"] == "audio/wav"
    assert stranger.ask("GET", f"/sounds/{sound}", None, pressed.room.id)[0] == 404
    form = {"id": new_id(), "file": SimpleUploadedFile("n.wav", b"<script>")}
    assert pressed.client.post(url, form).status_code == 422


@pytest.mark.django_db(transaction=True)
def test_the_colour_of_an_ink_is_read_off_its_scan(keeper):
    import cv2
    import numpy as np

    scan = np.full((300, 400, 3), 240, np.uint8)
    scan[80:220, 100:300] = (40, 60, 160)  # a brick red, blue first
    stored = new_id()
    url = f"/api/rooms/{keeper.room.id}/files"
    form = {
        "id": stored,
        "file": SimpleUploadedFile("s.png", cv2.imencode(".png", scan)[1].tobytes()),
    }
    assert keeper.client.post(url, form).status_code == 201
    ink = new_id()
    keeper.must("PUT", "/inks", {"id": ink, "name": "brick"})
    task = new_id()
    keeper.must("POST", f"/inks/{ink}/swatch", {"id": task, "picture": stored})
    work_on(task)
    (told,) = keeper.must("GET", "/inks")["items"]
    lab = told["swatch_lab"]
    assert 35 < lab[0] < 45 and lab[1] > 30 and lab[2] > 20
    assert told["swatch_hex"].startswith("#a")
    assert told["version"] == 2


@pytest.mark.django_db(transaction=True)
def test_a_template_is_drawn_as_a_task(pressed):
    task = new_id()
    pressed.must("POST", f"{pressed.at}/template",
                 {"id": task, "width_mm": 280, "height_mm": 253})  # fmt: skip
    work_on(task)
    told = pressed.must("GET", f"/tasks/{task}")
    assert told["result"]["plate_at_mm"] == [50, 61.5] and told["result"]["pages"] >= 2
    reply = pressed.client.get(f"/api/rooms/{pressed.room.id}/tasks/{task}/files/1")
    assert b"".join(reply.streaming_content)[:5] == b"%PDF-"


def test_a_picture_is_no_sound(pressed):
    url = f"/api/rooms/{pressed.room.id}{pressed.at}/sounds"
    form = {"id": new_id(), "file": SimpleUploadedFile("p.jpg", picture())}
    reply = pressed.client.post(url, form)
    assert reply.status_code == 422 and reply.json()["error"]["code"] == "not-a-sound"
