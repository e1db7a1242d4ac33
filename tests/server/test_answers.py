"""Roles, limits, stale writes, pictures, signing in: each its clear answer, nothing lost."""

import io
import json
from pathlib import Path

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from server.accounts.models import User
from server.baths.models import Bath
from server.plates.models import Plate
from server.strips.models import Strip
from tests.server.conftest import Person, new_id, picture, plan_body


def test_printers_may_bite_but_not_keep(keeper):
    printer = Person("printer", keeper.room, "printer")
    body = {"id": new_id(), "name": "x", "mordant": "copper-ferric", "volume_l": 1,
            "temperature_c": 20}  # fmt: skip
    assert printer.ask("POST", "/baths", body)[0] == 403
    assert printer.ask("POST", "/links", {"kind": "invite", "role": "keeper"})[0] == 403
    assert keeper.ask("POST", "/baths", body)[0] == 201
    reading = {"id": new_id(), "temperature_c": 19}
    assert printer.ask("POST", f"/baths/{body['id']}/readings", reading)[0] == 201


PLATE = {"name": "P", "metal": "copper", "route": "aquatint", "thickness_mm": 1.2,
         "width_mm": 200, "height_mm": 150}  # fmt: skip


@pytest.mark.parametrize(
    ("change", "field", "unit"),
    [
        ({"width_mm": 32000}, "width_mm", "mm"),
        ({"thickness_mm": -1}, "thickness_mm", "mm"),
        ({"metal": "cheese"}, "metal", ""),
        ({"name": ""}, "name", ""),
        ({"height_mm": "wide"}, "height_mm", "mm"),
    ],
)
def test_errors_name_field_value_limit_and_unit(keeper, change, field, unit):
    status, reply = keeper.ask("POST", "/plates", {"id": new_id(), **PLATE, **change})
    error = reply["error"]
    assert status == 422 and error["field"] == field and error["unit"] == unit
    assert error["allowed"] and error["text"] and str(error["value"]) == str(change[field])


def test_sent_twice_is_stored_once(keeper):
    body = {"id": new_id(), **PLATE}
    first, second = (keeper.must("POST", "/plates", body) for _ in range(2))
    assert first == second and Plate.objects.count() == 1


def test_a_stale_write_gets_409_and_changes_nothing(keeper):
    body = {"id": new_id(), **PLATE}
    keeper.must("POST", "/plates", body)
    path = f"/plates/{body['id']}"
    assert keeper.must("PUT", path, {"version": 1, "name": "mine"})["version"] == 2
    status, reply = keeper.ask("PUT", path, {"version": 1, "name": "late"})
    assert status == 409 and reply["error"]["code"] == "stale"
    assert keeper.must("GET", path)["name"] == "mine"


def test_a_strip_of_two_patches_is_kept_with_its_reason(keeper):
    body = {"id": new_id(), "name": "short", "conditions": {"mordant": "copper-ferric"},
            "patches": [{"seconds": 30, "lstar": 80}, {"seconds": 60, "lstar": 70}]}  # fmt: skip
    strip = keeper.must("POST", "/strips", body)
    assert strip["fault"]["code"] == "too-few-patches" and len(strip["readings"]) == 2
    assert keeper.ask("POST", f"/strips/{body['id']}/ask", {"lstar": [50]})[0] == 422


def test_zinc_in_ferric_is_refused_with_its_danger(furnished):
    body = {"id": new_id(), **PLATE, "metal": "zinc"}
    furnished.must("POST", "/plates", body)
    plan = plan_body({**furnished.ids, "plan": new_id()})
    status, reply = furnished.ask("PUT", f"/plates/{body['id']}/plan", plan)
    assert status == 422 and "gas" in reply["error"]["text"]


def test_nitric_only_with_its_fume_caution_acknowledged(keeper):
    body = {"id": new_id(), "name": "n", "mordant": "zinc-nitric-10", "volume_l": 3,
            "temperature_c": 18}  # fmt: skip
    assert keeper.ask("POST", "/baths", body)[1]["error"]["code"] == "fumes-unknown"
    assert keeper.ask("POST", "/baths", {**body, "fumes_known": True})[0] == 201


def send(person, data, name="p.jpg"):
    url = f"/api/rooms/{person.room.id}/files"
    made = new_id()
    reply = person.client.post(url, {"id": made, "file": SimpleUploadedFile(name, data)})
    return made, reply.status_code, json.loads(reply.content)


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "TIFF"])
def test_pictures_are_served_without_metadata_and_kept_whole(keeper, kind, settings):
    data = picture(kind)
    made, status, _ = send(keeper, data)
    assert status == 201
    url = f"/api/rooms/{keeper.room.id}/files/{made}"
    shown = b"".join(keeper.client.get(url).streaming_content)
    assert b"secret-place" not in shown and Image.open(io.BytesIO(shown)).format == "JPEG"
    original = b"".join(keeper.client.get(url + "/original").streaming_content)
    assert original == data
    assert list(Path(settings.MEDIA_ROOT).rglob("original.*"))


@pytest.mark.parametrize(
    "data", [b"not a picture", b"<svg xmlns='x'/>", picture()[:200], b"\x89PNG\r\n\x1a\n"]
)
def test_what_is_no_picture_is_refused(keeper, data):
    _, status, reply = send(keeper, data)
    assert status == 422 and reply["error"]["code"] == "not-a-picture"


def test_too_many_pixels_and_too_many_bytes(keeper, settings):
    settings.LARGEST_PICTURE_PIXELS = 1000
    _, status, reply = send(keeper, picture())
    assert status == 422 and reply["error"]["unit"] == "megapixels"
    settings.LARGEST_UPLOAD_BYTES = 500
    assert send(keeper, picture())[1] == 413


def test_bodies_over_a_megabyte_are_refused(keeper):
    status, reply = keeper.ask("POST", "/record", {"id": new_id(), "text": "x" * 1_100_000})
    assert status == 413 and reply["error"]["unit"] == "MB"


def test_the_record_is_corrected_by_a_new_entry(keeper):
    old = keeper.must("POST", "/record", {"id": new_id(), "text": "bit 3:45"})
    new = keeper.must("POST", "/record",
                      {"id": new_id(), "text": "it was 3:54", "corrects": old["id"]})  # fmt: skip
    texts = [e["text"] for e in keeper.must("GET", "/record")["items"]]
    assert new["corrects"] == old["id"] and {"bit 3:45", "it was 3:54"} <= set(texts)


def test_proofs_count_states_and_give_advice(furnished):
    ids = furnished.ids
    tones = [{"area": "Tone 1", "read_lstar": 81}, {"area": "Tone 2", "read_lstar": 62},
             {"area": "Tone 3", "read_lstar": 20}]  # fmt: skip
    body = {"plate": ids["plate"], "tones": tones}
    one = furnished.must("POST", "/proofs", {"id": new_id(), **body})
    again = furnished.must("POST", "/proofs", {"id": new_id(), **body, "same_state": True})
    assert (one["state_number"], again["state_number"]) == (1, 1)
    assert [a["act"] for a in one["advice"]["areas"]] == ["leave", "bite", "burnish"]


def sign_in(client, name, password, **more):
    body = json.dumps({"sign_in": name, "password": password})
    return client.post("/api/session", body, content_type="application/json", **more)


@pytest.mark.django_db
def test_the_demo_sign_in_works_on_loopback_only():
    User.objects.create_user("demo@x", "lantern-quay", name="d", is_demo=True)
    assert sign_in(Client(), "demo@x", "lantern-quay").status_code == 200
    away = sign_in(Client(), "demo@x", "lantern-quay", REMOTE_ADDR="192.168.1.7")
    assert away.status_code == 403 and away.json()["error"]["code"] == "demo-elsewhere"


@pytest.mark.django_db
def test_sign_in_is_throttled():
    User.objects.create_user("slow@x", "a-long-password", name="s")
    codes = [sign_in(Client(), "slow@x", "wrong").status_code for _ in range(9)]
    assert codes[0] == 401 and codes[-1] == 429
    assert sign_in(Client(), "slow@x", "a-long-password").status_code == 429


@pytest.mark.django_db
def test_every_change_needs_the_csrf_token():
    strict = Client(enforce_csrf_checks=True)
    User.objects.create_user("c@x", "a-long-password", name="c")
    assert sign_in(strict, "c@x", "a-long-password").status_code == 403
    strict.get("/api/session")
    token = strict.cookies["keen_csrf"].value
    reply = sign_in(strict, "c@x", "a-long-password", headers={"X-CSRFToken": token})
    assert reply.status_code == 200
    assert strict.delete("/api/session").status_code == 403


def test_headers_of_every_page(keeper):
    page = keeper.client.get("/api/session")
    assert "script-src 'self'" in page["Content-Security-Policy"]
    assert page["X-Content-Type-Options"] == "nosniff" and page["X-Frame-Options"] == "DENY"


def test_links_make_members_and_work_once(keeper):
    path = keeper.must("POST", "/links", {"kind": "invite", "role": "printer"})["path"]
    url = path.replace("/link/", "/api/links/")
    body = json.dumps({"sign_in": "new@x", "name": "New", "password": "quite-long-enough"})
    weak = json.dumps({"sign_in": "new@x", "name": "New", "password": "short"})
    guest = Client()
    assert guest.post(url, weak, content_type="application/json").status_code == 422
    assert guest.post(url, body, content_type="application/json").status_code == 204
    assert Client().post(url, body, content_type="application/json").status_code == 404
    assert len(keeper.must("GET", "/members")) == 2


def test_a_keeper_cannot_reset_someone_who_is_in_another_room(keeper, stranger):
    from server.rooms.models import Membership

    Membership.objects.create(room=keeper.room, user=stranger.user, role="printer")
    status, _ = keeper.ask("POST", "/links", {"kind": "reset", "user": str(stranger.user.id)})
    assert status == 403


def test_the_last_keeper_stays(keeper):
    status, reply = keeper.ask("DELETE", f"/members/{keeper.user.id}")
    assert status == 422 and reply["error"]["code"] == "last-keeper"


def test_calculators_over_http_have_the_same_form(keeper):
    url = "/api/calc/fit-strip"
    bad = json.dumps({"patches": [], "conditions": {"mordant": "copper-ferric"}, "ghost": 1})
    reply = keeper.client.post(url, bad, content_type="application/json")
    assert reply.status_code == 422 and reply.json()["error"]["field"] == "ghost"
    assert keeper.client.post(url, "{", content_type="application/json").json()["error"]
    assert Client().post(url, bad, content_type="application/json").status_code in (401, 403)


@pytest.mark.django_db
def test_the_demo_room_opens_with_its_third_bite_under_way():
    import time

    from server.demo.room import fresh
    from server.overview.standing import standing

    for _ in range(2):  # a reset gives the same room again, whatever was bitten in its baths
        room = fresh(time.time())
        Strip.objects.filter(room=room).update(bath=Bath.objects.filter(room=room).first())
    plates = Plate.objects.filter(room=room)
    assert plates.count() == 10
    at = standing(plates.get(name="Lantern Row"), time.time())
    assert at.seen.state.in_bath is not None and len(at.seen.state.done) == 2
    at_work_in_the_past(room)


def at_work_in_the_past(room):
    """Its record is one of working hours; nothing of it lies ahead, what is under way is now."""
    from datetime import timedelta
    from zoneinfo import ZoneInfo

    from server.record.models import Entry

    entries = Entry.objects.filter(room=room)
    today = room.created_at - timedelta(hours=8)
    hours = {e.at.astimezone(ZoneInfo(room.time_zone)).hour for e in entries if e.at < today}
    assert hours and min(hours) >= 8 and max(hours) <= 20
    assert not [e.text for e in entries if e.at > room.created_at + timedelta(minutes=1)]
    loaded = [e for e in entries if e.at > room.created_at - timedelta(seconds=30)]
    assert len(loaded) <= 2, [e.text for e in loaded]
