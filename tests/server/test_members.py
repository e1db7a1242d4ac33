"""Rooms and members: made, given roles, let go; the command that makes a user."""

import io
import json

import pytest
from django.core.management import CommandError, call_command
from django.test import Client

from server.accounts.models import User
from server.record.models import Entry
from server.rooms.models import Membership, Room
from tests.server.conftest import Person, new_id


def ask(person, method, url, body=None):
    reply = person.client.generic(method, url, json.dumps(body or {}), "application/json")
    return reply.status_code, json.loads(reply.content) if reply.content else None


def test_a_room_is_made_once_and_kept_by_its_maker(keeper, stranger):
    body = {"id": new_id(), "name": "Cellar press", "time_zone": "Europe/Lisbon"}
    for _ in range(2):
        status, room = ask(keeper, "POST", "/api/rooms", body)
        assert status == 201 and room["name"] == "Cellar press"
    assert Membership.objects.get(room_id=body["id"]).role == "keeper"
    status, reply = ask(stranger, "POST", "/api/rooms", body)
    assert status == 409 and reply["error"]["code"] == "id-taken"
    status, me = ask(keeper, "GET", "/api/session")
    assert {room["name"] for room in me["me"]["rooms"]} == {"A", "Cellar press"}


@pytest.mark.parametrize(
    ("change", "field"),
    [({"time_zone": "Mars/Base"}, "time_zone"), ({"name": ""}, "name"), ({"id": "x"}, "id")],
)
def test_a_room_that_cannot_be_names_its_field(keeper, change, field):
    body = {"id": new_id(), "name": "x", "time_zone": "UTC", **change}
    status, reply = ask(keeper, "POST", "/api/rooms", body)
    assert status == 422 and reply["error"]["field"] == field


def test_roles_change_and_the_record_says_so(keeper):
    printer = Person("printer-a", keeper.room, "printer")
    path = f"/members/{printer.user.id}"
    assert keeper.must("PUT", path, {"role": "keeper"})["role"] == "keeper"
    assert keeper.must("PUT", path, {"role": "printer"})["role"] == "printer"
    said = Entry.objects.filter(kind="member").values_list("text", flat=True)
    assert set(said) == {"printer-a is now keeper.", "printer-a is now printer."}
    status, reply = keeper.ask("PUT", f"/members/{keeper.user.id}", {"role": "printer"})
    assert (status, reply["error"]["code"]) == (422, "last-keeper")


def test_a_member_who_left_sees_nothing_and_what_they_logged_stays(keeper):
    printer = Person("printer-a", keeper.room, "printer")
    printer.must("POST", "/record", {"id": new_id(), "text": "wiped the press"})
    assert keeper.ask("DELETE", f"/members/{printer.user.id}")[0] == 204
    assert printer.ask("GET", "/record")[0] == 404
    texts = [entry["text"] for entry in keeper.must("GET", "/record")["items"]]
    assert "wiped the press" in texts and "printer-a left the room." in texts
    assert keeper.ask("DELETE", f"/members/{printer.user.id}")[0] == 404
    names = [member["name"] for member in keeper.must("GET", "/members")]
    assert names == ["keeper-a"]


def link(keeper, **body):
    status, made = keeper.ask("POST", "/links", body)
    return status, made


@pytest.mark.parametrize(
    ("use", "field"),
    [({"password": "short", "name": "N", "sign_in": "n"}, "password"),
     ({"password": "a-very-long-pass", "name": "N"}, "sign_in"),
     ({"password": "a-very-long-pass", "sign_in": "n"}, "name"),
     ({"password": "a-very-long-pass", "sign_in": "keeper-a", "name": "N"}, "sign_in")],
)  # fmt: skip
def test_a_link_used_badly_names_the_field_and_stays_good(keeper, use, field):
    _, made = link(keeper, kind="invite", role="printer")
    url = f"/api{made['path'].replace('/link/', '/links/')}"
    fresh = Client()
    assert fresh.get(url).json()["role"] == "printer"
    reply = fresh.post(url, json.dumps(use), content_type="application/json")
    assert reply.status_code == 422 and reply.json()["error"]["field"] == field
    good = {"password": "a-very-long-pass", "sign_in": "new", "name": "New"}
    assert fresh.post(url, json.dumps(good), content_type="application/json").status_code == 204
    assert fresh.get(url).status_code == 404


def test_a_new_password_by_link(keeper):
    printer = Person("printer-a", keeper.room, "printer")
    _, made = link(keeper, kind="reset", user=str(printer.user.id))
    url = f"/api{made['path'].replace('/link/', '/links/')}"
    body = json.dumps({"password": "another-long-one"})
    assert Client().post(url, body, content_type="application/json").status_code == 204
    printer.user.refresh_from_db()
    assert printer.user.check_password("another-long-one")
    assert link(keeper, kind="reset", user=new_id())[0] == 404
    assert link(keeper, kind="invite")[1]["error"]["field"] == "role"


def command(*words):
    out = io.StringIO()
    call_command("adduser", *words, stdout=out)
    return out.getvalue()


def test_the_command_makes_a_keeper_with_a_room_and_gives_new_passwords(db, monkeypatch):
    monkeypatch.setattr("sys.stdin", io.StringIO())
    said = command("Anna@Quay ", "--name", "Anna", "--room", "Quay", "--time-zone", "Asia/Tokyo")
    user = User.objects.get(sign_in="anna@quay")
    password = said.split("Password: ")[1].strip()
    assert user.check_password(password) and len(password) >= 10
    room = Room.objects.get(memberships__user=user)
    assert (room.name, room.time_zone) == ("Quay", "Asia/Tokyo")
    again = command("anna@quay")
    user.refresh_from_db()
    assert user.check_password(again.split("Password: ")[1].strip())
    assert Room.objects.filter(memberships__user=user).count() == 1


def test_the_command_asks_for_a_password_of_some_length(db, monkeypatch):
    class Terminal(io.StringIO):
        def isatty(self):
            return True

    monkeypatch.setattr("sys.stdin", Terminal())
    monkeypatch.setattr("getpass.getpass", lambda prompt: "short")
    with pytest.raises(CommandError, match="at least 10"):
        command("bea")
    monkeypatch.setattr("getpass.getpass", lambda prompt: "long-enough-a-word")
    assert "Password" not in command("bea")
    assert User.objects.get(sign_in="bea").check_password("long-enough-a-word")
