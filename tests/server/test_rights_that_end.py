"""Rights end when their ground does: links, last keepers, demo people, tries at the door."""

import json

import pytest
from django.contrib.auth.hashers import make_password
from django.test import Client, override_settings

from server.accounts.actions.tries import MOST_BY_ADDRESS, MOST_BY_NAME
from server.accounts.models import User
from server.config import settings as written
from server.record.models import Entry
from server.rooms.models import Membership, Room
from tests.server.conftest import Person, furnish, new_id
from tests.server.test_sent_again import asking, at_once

PASSWORD = "a-long-password"
GOOD = {"password": "a-very-long-pass", "sign_in": "new", "name": "New"}


def handed(keeper, **body):
    return "/api" + keeper.must("POST", "/links", body)["path"].replace("/link/", "/links/")


def used(url, body=GOOD):
    return Client().post(url, json.dumps(body), content_type="application/json").status_code


def dead(url):
    return Client().get(url).status_code == 404 and used(url) == 404


# --- links


def test_a_reset_link_dies_when_its_member_founds_another_room(keeper):
    printer = Person("printer-a", keeper.room, "printer")
    url = handed(keeper, kind="reset", user=str(printer.user.id))
    assert Client().get(url).status_code == 200
    own = Room.objects.create(name="Own", time_zone="UTC")
    Membership.objects.create(room=own, user=printer.user, role="keeper")
    assert dead(url)
    printer.user.refresh_from_db()
    assert printer.user.check_password(PASSWORD)


def test_a_reset_link_dies_when_its_member_is_let_go(keeper):
    printer = Person("printer-a", keeper.room, "printer")
    url = handed(keeper, kind="reset", user=str(printer.user.id))
    keeper.ask("DELETE", f"/members/{printer.user.id}")
    assert dead(url)


@pytest.mark.parametrize("how", ["let go", "printer now"])
def test_a_link_dies_with_the_right_of_the_keeper_who_made_it(keeper, how):
    second = Person("keeper-two", keeper.room, "keeper")
    printer = Person("printer-a", keeper.room, "printer")
    links = [handed(second, kind="invite", role="keeper"),
             handed(second, kind="reset", user=str(printer.user.id))]  # fmt: skip
    if how == "let go":
        assert keeper.ask("DELETE", f"/members/{second.user.id}")[0] == 204
    else:
        keeper.must("PUT", f"/members/{second.user.id}", {"role": "printer"})
    assert all(dead(url) for url in links)
    assert keeper.must("GET", "/links") == []


def test_keepers_see_open_links_and_take_them_back(keeper, stranger):
    url = handed(keeper, kind="invite", role="printer")
    printer = Person("printer-a", keeper.room, "printer")
    handed(keeper, kind="reset", user=str(printer.user.id))
    seen = keeper.must("GET", "/links")
    assert {(each["kind"], each["role"], each["name"]) for each in seen} == {
        ("invite", "printer", ""), ("reset", "", "printer-a"),
    }  # fmt: skip
    assert all("token" not in key and "path" not in key for each in seen for key in each)
    (invite,) = [each["id"] for each in seen if each["kind"] == "invite"]
    assert printer.ask("DELETE", f"/links/{invite}")[0] == 403
    assert stranger.ask("DELETE", f"/links/{invite}")[0] == 404
    assert keeper.ask("DELETE", f"/links/{invite}")[0] == 204
    assert dead(url) and len(keeper.must("GET", "/links")) == 1
    assert keeper.ask("DELETE", f"/links/{invite}")[0] == 404
    assert Entry.objects.filter(text="Took back a link: invite.").count() == 1


# --- the last keeper


@pytest.mark.parametrize("turn", range(3))
def test_two_keepers_who_let_go_of_each_other_at_once_leave_one(transactional_db, turn):
    room = Room.objects.create(name="Two", time_zone="UTC")
    one, two = (Person(f"{name}-{turn}", room, "keeper") for name in ("one", "two"))
    asks = (
        asking(one, "PUT", f"/members/{two.user.id}", {"role": "printer"}),
        asking(two, "PUT", f"/members/{one.user.id}", {"role": "printer"}),
        asking(one, "DELETE", f"/members/{two.user.id}"),
        asking(two, "DELETE", f"/members/{one.user.id}"),
    )
    statuses = [answer[0] for answer in at_once(*asks)]
    assert all(status in (200, 204, 403, 404, 422) for status in statuses), statuses
    assert Membership.objects.filter(room=room, role="keeper").count() >= 1


# --- signing in


def trying(name, password, address="127.0.0.1"):
    body = json.dumps({"sign_in": name, "password": password})
    return Client().post("/api/session", body, content_type="application/json", REMOTE_ADDR=address)


def test_forty_names_from_one_address_are_stopped(keeper):
    statuses = [trying(f"name-{n}", "wrong-password", "10.0.0.9").status_code for n in range(40)]
    assert statuses[:MOST_BY_ADDRESS] == [401] * MOST_BY_ADDRESS
    assert set(statuses[MOST_BY_ADDRESS:]) == {429}
    assert trying("keeper-a", PASSWORD, "10.0.0.9").status_code == 429
    assert trying("keeper-a", PASSWORD, "10.0.0.10").status_code == 200


def test_a_stranger_locks_nobody_out(keeper):
    """One name from many addresses is stopped there, not where its owner signs in."""
    assert trying("keeper-a", PASSWORD, "10.0.0.1").status_code == 200
    for n in range(MOST_BY_NAME):
        trying("keeper-a", "wrong-password", f"10.0.1.{n}")
    assert trying("keeper-a", "wrong-password", "10.0.2.1").status_code == 429
    assert trying("keeper-a", PASSWORD, "10.0.0.1").status_code == 200


def test_a_live_session_survives_any_number_of_tries(keeper):
    for _ in range(12):
        trying("keeper-a", "wrong-password")
    assert trying("keeper-a", PASSWORD).status_code == 429
    assert keeper.ask("GET", "/bench")[0] == 200


def test_the_answer_says_when_to_come_back(keeper):
    for _ in range(12):
        last = trying("keeper-a", "wrong-password")
    assert last.status_code == 429
    assert int(last["Retry-After"]) == 900
    assert (last.json()["error"]["value"], last.json()["error"]["unit"]) == (900, "s")


@pytest.mark.parametrize("password", [" " * 12, "aaaaaaaaaaaa", "ab ab ab ab ab", "short"])
def test_what_is_no_password(keeper, password):
    url = handed(keeper, kind="invite", role="printer")
    body = {**GOOD, "password": password}
    reply = Client().post(url, json.dumps(body), content_type="application/json")
    assert (reply.status_code, reply.json()["error"]["field"]) == (422, "password")


@override_settings(PASSWORD_HASHERS=[
    "django.contrib.auth.hashers.Argon2PasswordHasher",
    "django.contrib.auth.hashers.MD5PasswordHasher",
])  # fmt: skip
def test_passwords_are_kept_as_argon2_and_older_ones_are_made_anew(db, settings):
    user = User.objects.create_user("old", PASSWORD, name="Old")
    assert user.password.startswith("argon2")
    User.objects.filter(id=user.id).update(password=make_password(PASSWORD, hasher="md5"))
    assert trying("old", PASSWORD).status_code == 200
    user.refresh_from_db()
    assert user.password.startswith("argon2")


def test_the_settings_name_argon2_first():
    assert "Argon2" in written.PASSWORD_HASHERS[0]


# --- the demo's people


@pytest.fixture
def demo_keeper(keeper):
    furnish(keeper)
    keeper.user.is_demo = True
    keeper.user.save()
    return keeper


@pytest.mark.parametrize("more", [{"REMOTE_ADDR": "192.168.1.7"}, {}])
def test_a_demo_session_does_not_go_through_the_lan_door(demo_keeper, settings, more):
    url = f"/api/rooms/{demo_keeper.room.id}/bench"
    assert demo_keeper.client.get(url).status_code == 200
    if not more:
        settings.DEMO_SIGN_IN = False  # as at the door of the local network
    for path in (url, "/api/calc", "/api/mordants"):
        assert demo_keeper.client.get(path, **more).status_code == 401, path
    session = demo_keeper.client.get("/api/session", **more).json()
    assert (session["me"], session["demo"]) == (None, False)


def test_the_page_may_ask_for_a_camera_and_for_nothing_else(db):
    said = Client().get("/api/session")["Permissions-Policy"]
    assert "camera=(self)" in said and "geolocation=()" in said


# --- small things


def test_no_cell_of_the_record_is_taken_for_a_formula(keeper):
    for text in ("=1+1", "+1", "-1", "@x", "\tx", "plain"):
        keeper.must("POST", "/record", {"id": new_id(), "text": text})
    User.objects.filter(id=keeper.user.id).update(name="=cmd")
    reply = keeper.client.get(f"/api/rooms/{keeper.room.id}/record.csv")
    cells = reply.content.decode().splitlines()[1:]
    for start in ("=1+1", "+1", "-1", "@x", "\tx"):
        assert any(f",'{start}" in row for row in cells), start
    assert all(",'=cmd," in row for row in cells) and any(row.endswith(",plain") for row in cells)
