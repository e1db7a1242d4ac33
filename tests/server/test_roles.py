"""Roles × actions: every operation of the schema needs the one action named here, and no more."""

import contextlib

import pytest
from django.db import transaction

from server.rooms.permissions import ACTIONS
from tests.server.conftest import Person
from tests.server.walk import UPLOADS, bodies, filled, furnish_all, operations, upload_to

NEEDS = {
    "scratch": [("POST", "/trials"), ("PUT", "/trials/{trial}"), ("PUT", "/plates/{plate}/marks"),
                ("POST", "/plates/{plate}/marks/events"), ("POST", "/plates/{plate}/looks"),
                ("POST", "/plates/{plate}/guide")],
    "change plates": [("POST", "/plates"), ("PUT", "/plates/{plate}"),
                      ("POST", "/plates/{plate}/course"), ("POST", "/plates/{plate}/coverage")],
    "change strips": [("POST", "/strips"), ("PUT", "/strips/{strip}"), ("POST", "/strips/scans"),
                      ("POST", "/strips/{strip}/events"), ("POST", "/strips/{strip}/end")],
    "change plans": [("PUT", "/plates/{plate}/plan"), ("POST", "/plates/{plate}/plan/bite-on"),
                     ("PUT", "/plates/{plate}/plan/curve"),
                     ("PUT", "/plates/{plate}/study"), ("POST", "/plates/{plate}/study/maps"),
                     ("POST", "/plates/{plate}/study/look"), ("POST", "/maps"),
                     ("POST", "/tasks/{task}/stop")],
    "run": [("POST", "/runs"), ("POST", "/runs/{run}/events"), ("POST", "/runs/{run}/end"),
            ("POST", "/timers"), ("POST", "/timers/{timer}/end")],
    "log proofs": [("POST", "/proofs"), ("POST", "/files"), ("POST", "/proofs/scans"),
                   ("PUT", "/proofs/{proof}"),
                   ("PUT", "/pins"), ("POST", "/proofs/{proof}/approvals")],
    "write the record": [("POST", "/record")],
    "read baths": [("POST", "/baths/{bath}/readings"), ("POST", "/baths/{bath}/coupons"),
                   ("POST", "/baths/{bath}/patches"), ("POST", "/baths/{bath}/hydrometer"),
                   ("PUT", "/baths/{bath}/readings/{reading}"),
                   ("PUT", "/baths/{bath}/checks/{check}")],
    "keep baths": [("POST", "/baths"), ("PUT", "/baths/{bath}"),
                   ("POST", "/baths/{bath}/refreshes")],
    "keep instruments": [("POST", "/instruments"), ("PUT", "/instruments/{instrument}"),
                         ("POST", "/instruments/{instrument}/token")],
    "keep lamps": [("PUT", "/lamps")],
    "expose": [("POST", "/lamps/{lamp}/measurements"),
               ("PUT", "/lamps/{lamp}/measurements/{measurement}"),
               ("POST", "/exposure-tests"), ("PUT", "/exposure-tests/{test}"),
               ("POST", "/exposures"), ("POST", "/exposures/{exposure}/events"),
               ("POST", "/exposures/{exposure}/end"), ("POST", "/dot-screens"),
               ("POST", "/exposure-tests/{test}/film"),
               ("POST", "/exposure-tests/{test}/scan"),
               ("POST", "/plates/{plate}/positive"), ("POST", "/charts"),
               ("PUT", "/charts/{chart}")],
    "keep recipes": [("PUT", "/recipes"), ("PUT", "/tools"), ("PUT", "/supplies"),
                     ("PUT", "/papers"), ("PUT", "/inks"), ("PUT", "/presses"),
                     ("POST", "/inks/{ink}/swatch")],
    "print": [("PUT", "/plates/{plate}/press"), ("POST", "/plates/{plate}/pulls/events"),
              ("PUT", "/plates/{plate}/edition"), ("POST", "/plates/{plate}/edition/sign"),
              ("POST", "/plates/{plate}/edition/cancel"), ("POST", "/plates/{plate}/template"),
              ("POST", "/works"), ("PUT", "/works/{work}"), ("POST", "/works/{work}/events"),
              ("POST", "/works/{work}/preview"), ("POST", "/works/{work}/scan"),
              ("POST", "/works/{work}/stencils"), ("POST", "/works/{work}/tracing"),
              ("POST", "/works/{work}/template"),
              ("POST", "/plates/{plate}/sounds")],
    "keep numbers": [("POST", "/numbers")],
    "keep members": [("PUT", "/members/{member}"), ("DELETE", "/members/{member}"),
                     ("GET", "/links"), ("POST", "/links"), ("DELETE", "/links/{link}")],
}  # fmt: skip
"""What each operation needs; looking is enough for those that are not here."""
ONLY_READ = {("POST", "/plates/{plate}/plan/draft"), ("POST", "/plates/{plate}/plan/compare"),
             ("POST", "/strips/{strip}/ask")}  # fmt: skip
NOT_THERE = ("tracing.pdf", "runs/{run}/map", "proofs/{proof}/straight")
"""Of a plate that has no picture, of a run begun before there was a study, of a proof read by eye;
whoever asks."""
ACTION_OF = {operation: action for action, rows in NEEDS.items() for operation in rows}


@pytest.fixture
def room(keeper, stranger):
    ids = furnish_all(keeper)
    printer = Person("printer-a", keeper.room, "printer")
    outside = Person("printer-b", stranger.room, "printer")
    outside.room = keeper.room
    return {"keeper": keeper, "printer": printer, "stranger": outside}, ids


@contextlib.contextmanager
def undone():
    """What is done within is taken back."""
    with transaction.atomic():
        yield
        transaction.set_rollback(True)


def status_of(person, operation, ids):
    method, path = operation
    if (method, path.split("{room}", 1)[1]) in UPLOADS:
        with undone():
            return upload_to(person, person.room.id, path.split("{room}", 1)[1], ids)
    body = bodies(ids).get((method, path.split("{room}", 1)[1]))
    with undone():
        return person.ask(method, filled(path, ids), body)[0]


def walk():
    for method, path in operations():
        tail = path.split("{room}", 1)[1]
        action = ACTION_OF.get((method, tail), "look")
        assert action != "look" or method == "GET" or (method, tail) in ONLY_READ, (method, path)
        yield (method, path), action


def test_each_role_may_what_the_table_says_and_nothing_else(room):
    people, ids = room
    walked = set()
    for operation, action in walk():
        assert status_of(people["stranger"], operation, ids) == 404, operation
        for role in ("printer", "keeper"):
            refused = status_of(people[role], operation, ids) == 403
            assert refused == (role not in ACTIONS[action]), (operation, role)
        walked.add(action)
    assert walked == set(ACTIONS) - {"keep the room"}  # no endpoint changes a room yet
    assert set(ACTION_OF) <= {(method, path.split("{room}", 1)[1]) for method, path in operations()}


def test_no_operation_asks_for_another_action_than_its_own(room, monkeypatch):
    """A printer who may all but that is refused; one who may look and that is not."""
    people, ids = room
    for operation, action in walk():
        for each in ACTIONS:
            monkeypatch.setitem(ACTIONS, each, frozenset({"printer"} if each != action else ()))
        assert status_of(people["printer"], operation, ids) == 403, (operation, action)
        for each in ACTIONS:
            may = each in ("look", action)
            monkeypatch.setitem(ACTIONS, each, frozenset({"printer"} if may else ()))
        status = status_of(people["printer"], operation, ids)
        assert status != 403 and (status != 404 or operation[1].endswith(NOT_THERE)), operation


def test_whoever_is_not_signed_in_may_nothing(room):
    people, ids = room
    people["keeper"].client.logout()
    for operation, _ in walk():
        assert status_of(people["keeper"], operation, ids) == 401, operation
