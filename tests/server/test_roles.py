"""Roles × actions: one table, every action at its endpoint, by a keeper, a printer, a stranger."""

import pytest

from server.rooms.permissions import ACTIONS
from tests.server.conftest import Person, furnish, new_id, plan_body


@pytest.fixture
def room(keeper, stranger):
    ids = furnish(keeper)
    printer = Person("printer-a", keeper.room, "printer")
    outside = Person("printer-b", stranger.room, "printer")
    outside.room = keeper.room
    return {"keeper": keeper, "printer": printer, "stranger": outside}, ids


def acts(ids, printer):
    """One act at an endpoint for each action: method, path, body."""
    conditions = {"mordant": "copper-ferric"}
    return {
        "look": ("GET", "/bench", None),
        "change plates": ("PUT", f"/plates/{ids['plate']}", {"version": 2, "name": "Renamed"}),
        "change strips": ("POST", "/strips", {"id": new_id(), "name": "x",
                                              "conditions": conditions}),
        "change plans": ("PUT", f"/plates/{ids['plate']}/plan", plan_body(ids, version=1)),
        "run": ("POST", f"/runs/{ids['run']}/events", {"events": []}),
        "log proofs": ("POST", "/proofs", {"id": new_id(), "plate": ids["plate"]}),
        "write the record": ("POST", "/record", {"id": new_id(), "text": "x"}),
        "read baths": ("POST", f"/baths/{ids['bath']}/readings",
                       {"id": new_id(), "temperature_c": 19}),
        "keep baths": ("PUT", f"/baths/{ids['bath']}", {"version": 1, "name": "Renamed"}),
        "keep recipes": ("PUT", "/recipes", {"id": new_id(), "name": "x", "kind": "ink",
                                             "text": "x"}),
        "keep numbers": ("POST", "/numbers", {"id": new_id(), "mordant": "copper-ferric",
                                              "reason": "x", "column": "undercut", "value": 0.8}),
        "keep members": ("PUT", f"/members/{printer.user.id}", {"role": "printer"}),
    }  # fmt: skip


def test_each_role_may_what_the_table_says_and_nothing_else(room):
    people, ids = room
    done = set()
    for action, (method, path, body) in acts(ids, people["printer"]).items():
        assert people["stranger"].ask(method, path, body)[0] == 404, action
        for role in ("printer", "keeper"):
            if body and "id" in body:
                body = {**body, "id": new_id()}
            status, reply = people[role].ask(method, path, body)
            if role in ACTIONS[action]:
                # the second to change a version finds it changed: allowed, and refused as stale
                assert status in (200, 201, 204, 409), (action, role, reply)
            else:
                assert status == 403 and reply["error"]["allowed"] == "keeper", (action, role)
        done.add(action)
    assert done == set(ACTIONS) - {"keep the room"}  # no endpoint changes a room yet


def test_whoever_is_not_signed_in_may_nothing(room):
    people, ids = room
    people["keeper"].client.logout()
    for action, (method, path, body) in acts(ids, people["printer"]).items():
        assert people["keeper"].ask(method, path, body)[0] == 401, action
