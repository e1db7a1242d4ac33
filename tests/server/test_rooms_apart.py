"""No endpoint lets one room see or touch a thing of the other: the whole schema is walked."""

import json
import re

import pytest
from django.test import Client

from tests.server.conftest import furnish, new_id, plan_body
from tests.server.walk import SCHEMA, UPLOADS, bodies, filled, furnish_all, operations, upload_to


@pytest.fixture
def two(keeper, stranger):
    return keeper, stranger, furnish_all(keeper)


def test_every_operation_of_a_room_is_walked_and_refused(two):
    keeper, stranger, ids = two
    known, walked = bodies(ids), 0
    for method, path in operations():
        tail, asked = path.split("{room}", 1)[1], filled(path, ids)
        body = known.get((method, tail))
        # at the other's address, and at one's own address with the other's ids
        if (method, tail) in UPLOADS:
            assert upload_to(stranger, keeper.room.id, tail, ids) == 404
            walked += 1
            continue
        assert stranger.ask(method, asked, body, keeper.room.id)[0] == 404, (method, path)
        if "{" in tail:
            assert stranger.ask(method, asked, body)[0] == 404, (method, path)
        walked += 1
    assert walked >= 53


@pytest.mark.parametrize("own", ["plate", "bath", "strip", "run", "picture", "proof"])
def test_own_things_cannot_be_tied_to_the_others(two, own):
    _, stranger, ids = two
    mine = furnish(stranger)
    asked = {
        "plate": ("POST", "/proofs", {"id": new_id(), "plate": ids["plate"]}),
        "bath": ("PUT", f"/plates/{mine['plate']}/plan",
                 plan_body({**mine, "bath": ids["bath"]}, version=1)),
        "strip": ("PUT", f"/plates/{mine['plate']}/plan",
                  plan_body({**mine, "strip": ids["strip"]}, version=1)),
        "run": ("POST", "/runs", {"id": new_id(), "plate": ids["plate"]}),
        "picture": ("POST", "/proofs",
                    {"id": new_id(), "plate": mine["plate"], "picture": ids["picture"]}),
        "proof": ("POST", "/record", {"id": new_id(), "text": "x", "plate": ids["plate"]}),
    }  # fmt: skip
    assert stranger.ask(*asked[own])[0] == 404


def test_lists_hold_only_ones_own(two):
    _, stranger, _ = two
    for path in ("/plates", "/strips", "/baths", "/runs", "/record", "/lamps", "/charts",
                 "/exposure-tests", "/papers", "/inks", "/presses", "/works"):  # fmt: skip
        assert stranger.must("GET", path)["total"] == 0


def test_an_id_taken_in_another_room_is_not_given_away(two):
    _, stranger, ids = two
    body = bodies(ids)[("POST", "/plates")] | {"id": ids["plate"]}
    status, reply = stranger.ask("POST", "/plates", body)
    assert status == 409 and "Plate" not in json.dumps(reply)


def test_no_operation_that_writes_is_done_without_the_pages_token(keeper):
    """Every one in the schema, new ones included; signing in and links among them."""
    strict, walked = Client(enforce_csrf_checks=True), 0
    strict.force_login(keeper.user, backend="django.contrib.auth.backends.ModelBackend")
    for path, item in SCHEMA["paths"].items():
        somewhere = re.sub(r"\{(\w+)\}", lambda m: str(keeper.room.id), path)
        for method in set(item) & {"post", "put", "delete", "patch"}:
            if path == "/api/instruments/readings":
                continue  # of instruments, which have a token of their own and no page
            reply = strict.generic(method.upper(), somewhere, "{}", content_type="application/json")
            # a body of another kind, or none that can be meant, may be refused before
            assert reply.status_code in (403, 422), (method, path, reply.status_code)
            if reply.status_code == 403:
                assert reply.json()["error"]["code"] == "csrf", (method, path)
                walked += 1
    assert walked >= 40
