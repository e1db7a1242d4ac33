"""Whatever is sent again is stored once and told once; two at once never wait for each other."""

import json
import threading
import uuid
from pathlib import Path

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test import Client

from server.files.models import Picture
from server.record.models import Entry
from server.rooms.models import Room
from tests.server.conftest import Device, Person, furnish, new_id, picture, plan_body

PLATE = {"name": "P", "metal": "copper", "route": "aquatint", "thickness_mm": 1.2,
         "width_mm": 200, "height_mm": 150}  # fmt: skip
BATH = {"name": "B", "mordant": "copper-ferric", "volume_l": 4, "temperature_c": 18}


def writes(ids):
    """Every write that carries an id made by its client."""
    tones = [{"area": "Tone 1", "read_lstar": 70}]
    return {
        "plate": ("POST", "/plates", PLATE),
        "bath": ("POST", "/baths", BATH),
        "reading": ("POST", f"/baths/{ids['bath']}/readings", {"temperature_c": 19}),
        "strip": ("POST", "/strips", {"name": "S", "conditions": {"mordant": "copper-ferric"}}),
        "timer": ("POST", "/timers", {"what": "cooling", "seconds": 60}),
        "proof": ("POST", "/proofs", {"plate": ids["plate"], "tones": tones}),
        "note": ("POST", "/record", {"text": "words"}),
        "recipe": ("PUT", "/recipes", {"name": "R", "kind": "ink", "text": "x"}),
        "tool": ("PUT", "/tools", {"name": "T", "kind": "needle"}),
        "number": ("POST", "/numbers", {"mordant": "copper-ferric", "column": "undercut",
                                        "value": 0.8, "reason": "measured"}),
    }  # fmt: skip


KINDS = tuple(writes({"bath": "", "plate": ""}))


@pytest.mark.parametrize("kind", KINDS)
def test_sent_again_it_is_told_once(furnished, kind):
    method, path, body = writes(furnished.ids)[kind]
    body = {"id": new_id(), **body}
    furnished.must(method, path, body)
    told = Entry.objects.count()
    furnished.must(method, path, body)
    assert Entry.objects.count() == told


@pytest.mark.parametrize("kind", KINDS)
def test_an_id_of_another_room_is_taken(furnished, stranger, kind):
    method, path, body = writes(furnished.ids)[kind]
    body = {"id": new_id(), **body}
    furnished.must(method, path, body)
    other = furnish(stranger)
    _, path, theirs = writes(other)[kind]
    status, reply = stranger.ask(method, path, {**theirs, "id": body["id"]})
    assert (status, reply["error"]["code"]) == (409, "id-taken")


@pytest.mark.parametrize("kind", ["recipe", "tool"])
def test_version_0_with_other_words_is_refused_not_swallowed(furnished, kind):
    method, path, body = writes(furnished.ids)[kind]
    body = {"id": new_id(), **body}
    furnished.must(method, path, body)
    status, reply = furnished.ask(method, path, {**body, "version": 0, "name": "other"})
    assert (status, reply["error"]["code"]) == (409, "stale")


def test_an_event_of_another_run_is_refused_not_swallowed(furnished):
    other = Device(furnished, furnish(furnished)["run"])
    event = furnished.tablet.event("rocked", 0)
    assert furnished.tablet.send(event)[0] == 200
    status, reply = other.send(event)
    assert (status, reply["error"]["code"], reply["error"]["value"]) == (
        409, "id-taken", event["id"],
    )  # fmt: skip


def test_a_note_and_an_event_of_one_id_are_both_kept(furnished):
    note = {"id": new_id(), "text": "a note first"}
    furnished.must("POST", "/record", note)
    event = {**furnished.tablet.event("rocked", 0), "id": note["id"]}
    assert furnished.tablet.send(event)[0] == 200
    texts = set(Entry.objects.values_list("text", flat=True))
    assert {"a note first", "Rocked the tray."} <= texts
    event = furnished.tablet.event("rinsed", 10)
    furnished.tablet.send(event)
    status, reply = furnished.ask("POST", "/record", {"id": event["id"], "text": "lost?"})
    assert (status, reply["error"]["code"]) == (409, "id-taken")


@pytest.mark.parametrize(
    ("path", "change"),
    [
        ("/plates/{plate}", {"name": None, "put_away": None, "facts": None, "place": None}),
        ("/baths/{bath}", {"name": None, "volume_l": None, "retired": None}),
        ("/strips/{strip}", {"name": None, "patches": None, "conditions": None, "note": None}),
    ],
)
def test_null_says_nothing_where_a_value_must_be(furnished, path, change):
    at = path.format(**furnished.ids)
    before = furnished.must("GET", at)
    after = furnished.must("PUT", at, {"version": before["version"], **change})
    for name in change:
        assert after.get(name, before.get(name)) == before.get(name)


def test_null_empties_what_may_be_empty(furnished):
    at = f"/baths/{furnished.ids['bath']}"
    assert furnished.must("PUT", at, {"version": 1, "room_c": 19})["room_c"] == 19
    assert furnished.must("PUT", at, {"version": 2, "room_c": None})["room_c"] is None


def test_a_plan_whose_answer_was_lost_is_sent_again_and_another_is_refused(furnished):
    path = f"/plates/{furnished.ids['plate']}/plan"
    told = Entry.objects.count()
    kept = furnished.must("PUT", path, plan_body(furnished.ids))
    assert (kept["version"], Entry.objects.count()) == (1, told)
    assert furnished.ask("PUT", path, plan_body({**furnished.ids, "plan": new_id()}))[0] == 409
    assert furnished.ask("PUT", path, plan_body(furnished.ids, round_to_seconds=10))[0] == 409


# --- at once


@pytest.fixture
def busy(transactional_db):
    """A furnished room whose requests see each other's writes."""
    room = Room.objects.create(name="Busy", time_zone="Europe/Lisbon")
    person = Person("busy-keeper", room, "keeper")
    person.ids = furnish(person)
    return person


def at_once(*asks):
    """Run all together; return their answers."""
    gate, answers = threading.Barrier(len(asks)), [None] * len(asks)

    def one(place, ask):
        gate.wait()
        try:
            answers[place] = ask()
        finally:
            connection.close()

    threads = [threading.Thread(target=one, args=pair) for pair in enumerate(asks)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join(30)
    return answers


def asking(person, method, path, body=None):
    """An ask from a client of its own: one client is not for two threads."""
    client = Client()
    client.force_login(person.user, backend="django.contrib.auth.backends.ModelBackend")
    twin = object.__new__(Person)
    twin.user, twin.room, twin.client = person.user, person.room, client
    return lambda: twin.ask(method, path, body)


def test_sent_four_times_at_once_it_is_stored_once_and_each_is_answered(busy):
    for kind in KINDS:
        method, path, body = writes(busy.ids)[kind]
        body = {"id": new_id(), **body}
        before = Entry.objects.count()
        statuses = {answer[0] for answer in at_once(*[asking(busy, method, path, body)] * 4)}
        assert statuses <= {200, 201}, (kind, statuses)
        tells = 0 if kind == "reading" else 1
        assert Entry.objects.count() == before + tells, kind


def test_a_room_made_twice_at_once_is_one(busy):
    body = {"id": new_id(), "name": "Cellar", "time_zone": "UTC"}

    def make():
        client = Client()
        client.force_login(busy.user, backend="django.contrib.auth.backends.ModelBackend")
        return client.post("/api/rooms", json.dumps(body), "application/json").status_code

    assert at_once(*[make] * 4) == [201] * 4
    assert Room.objects.filter(id=body["id"]).count() == 1


def test_end_and_begin_at_once_never_wait_for_each_other(busy):
    run = busy.ids["run"]
    for _ in range(6):
        begin = {"id": new_id(), "plate": busy.ids["plate"]}
        event = {"events": [Device(busy, run).event("rinsed", 0)]}
        ended, begun, logged = at_once(
            asking(busy, "POST", f"/runs/{run}/end"),
            asking(busy, "POST", "/runs", begin),
            asking(busy, "POST", f"/runs/{run}/events", event),
        )
        assert (ended[0], logged[0]) == (200, 200)
        assert begun[0] in (201, 409)
        run = begin["id"] if begun[0] == 201 else busy.must("POST", "/runs", begin)["id"]


def test_four_pictures_of_one_id_leave_one_whose_file_is_its_own(busy, settings):
    url, name = f"/api/rooms/{busy.room.id}/files", new_id()

    def sending(kind, size):
        client = Client()
        client.force_login(busy.user, backend="django.contrib.auth.backends.ModelBackend")
        data = picture(kind, size)
        return lambda: (
            client.post(url, {"id": name, "file": SimpleUploadedFile("p", data)}).status_code
        )

    sizes = [("JPEG", (60, 40)), ("PNG", (50, 30)), ("JPEG", (90, 20)), ("PNG", (20, 20))]
    assert set(at_once(*(sending(*each) for each in sizes))) == {201}
    kept = Picture.objects.get(id=uuid.UUID(name))
    files = [path for path in Path(settings.MEDIA_ROOT).rglob("*") if path.is_file()]
    assert len(files) == 2
    assert (Path(settings.MEDIA_ROOT) / kept.original).stat().st_size == kept.bytes
