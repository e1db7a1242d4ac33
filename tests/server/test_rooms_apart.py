"""No endpoint lets one room see or touch a thing of the other: the whole schema is walked."""

import json
import re

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from server.api import api
from tests.server.conftest import furnish, new_id, picture, plan_body

SCHEMA = json.loads(json.dumps(api.get_openapi_schema(), default=str))
METHODS = ("get", "post", "put", "delete", "patch")


def operations():
    for path, item in SCHEMA["paths"].items():
        for method in METHODS:
            if method in item and "{room}" in path:
                yield method.upper(), path


def bodies(ids):
    """A good body for each operation that takes one, so that only the room can be refused."""
    conditions = {"mordant": "copper-ferric"}
    plate = {"id": new_id(), "name": "x", "metal": "copper", "route": "aquatint",
             "thickness_mm": 1, "width_mm": 99, "height_mm": 99}  # fmt: skip
    return {
        ("POST", "/plates"): plate,
        ("PUT", "/plates/{plate}"): {"version": 1, "name": "stolen"},
        ("POST", "/plates/{plate}/course"): {"version": 1, "act": "done", "step": "cut"},
        ("POST", "/plates/{plate}/coverage"): {"id": new_id(), "picture": ids["picture"],
                                               "um_per_pixel": 4},
        ("POST", "/timers"): {"id": new_id(), "what": "cooling", "seconds": 60,
                              "plate": ids["plate"]},
        ("POST", "/numbers"): {"id": new_id(), "mordant": "copper-ferric", "reason": "x",
                               "column": "undercut", "value": 0.8},
        ("PUT", "/recipes"): {"id": ids["recipe"], "version": 1, "name": "stolen", "kind": "ink",
                              "text": "x"},
        ("PUT", "/tools"): {"id": ids["tool"], "version": 1, "name": "stolen", "kind": "needle"},
        ("POST", "/strips"): {"id": new_id(), "name": "x", "conditions": conditions},
        ("PUT", "/strips/{strip}"): {"version": 1, "name": "stolen"},
        ("POST", "/strips/{strip}/ask"): {"lstar": [50]},
        ("POST", "/baths"): {"id": new_id(), "name": "x", "mordant": "copper-ferric",
                             "volume_l": 1, "temperature_c": 20},
        ("PUT", "/baths/{bath}"): {"version": 1, "name": "stolen"},
        ("POST", "/baths/{bath}/readings"): {"id": new_id(), "temperature_c": 30},
        ("POST", "/plates/{plate}/plan/draft"): plan_body(ids),
        ("PUT", "/plates/{plate}/plan"): plan_body(ids, version=1),
        ("POST", "/runs"): {"id": new_id(), "plate": ids["plate"]},
        ("POST", "/runs/{run}/events"): {"events": []},
        ("POST", "/strips/{strip}/events"): {"events": []},
        ("POST", "/proofs"): {"id": new_id(), "plate": ids["plate"]},
        ("POST", "/record"): {"id": new_id(), "text": "x", "plate": ids["plate"]},
        ("PUT", "/members/{member}"): {"role": "printer"},
        ("POST", "/links"): {"kind": "invite", "role": "keeper"},
    }  # fmt: skip


@pytest.fixture
def two(keeper, stranger):
    ids = furnish(keeper)
    upload = SimpleUploadedFile("p.jpg", picture())
    url = f"/api/rooms/{keeper.room.id}/files"
    assert keeper.client.post(url, {"id": ids["picture"], "file": upload}).status_code == 201
    keeper.must("POST", "/proofs", {"id": ids["proof"], "plate": ids["plate"]})
    keeper.must("POST", "/timers", {"id": ids["timer"], "what": "cooling", "seconds": 60})
    keeper.must("PUT", "/recipes", {"id": ids["recipe"], "name": "x", "kind": "ink", "text": "x"})
    keeper.must("PUT", "/tools", {"id": ids["tool"], "name": "x", "kind": "needle"})
    task = {"id": new_id(), "picture": ids["picture"], "um_per_pixel": 4}
    ids["task"] = keeper.must("POST", f"/plates/{ids['plate']}/coverage", task)["id"]
    keeper.must("POST", "/links", {"kind": "invite", "role": "printer"})
    ids["link"] = keeper.must("GET", "/links")[0]["id"]
    return keeper, stranger, ids | {"member": str(keeper.user.id)}


def upload_to(person, room):
    form = {"id": new_id(), "file": SimpleUploadedFile("p.jpg", picture())}
    return person.client.post(f"/api/rooms/{room}/files", form).status_code


def test_every_operation_of_a_room_is_walked_and_refused(two):
    keeper, stranger, ids = two
    known, walked = bodies(ids), 0
    for method, path in operations():
        tail = path.split("{room}", 1)[1]
        filled = re.sub(r"\{(\w+)\}", lambda m: ids[m.group(1)], tail)
        query = f"?plate={ids['plate']}" if tail in ("/proofs", "/record", "/runs") else ""
        body = known.get((method, tail))
        # at the other's address, and at one's own address with the other's ids
        if (method, tail) == ("POST", "/files"):
            assert upload_to(stranger, keeper.room.id) == 404
            walked += 1
            continue
        assert stranger.ask(method, filled + query, body, keeper.room.id)[0] == 404, (method, path)
        if "{" in tail:
            assert stranger.ask(method, filled, body)[0] == 404, (method, path)
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
    for path in ("/plates", "/strips", "/baths", "/runs", "/record"):
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
        filled = re.sub(r"\{(\w+)\}", lambda m: str(keeper.room.id), path)
        for method in set(item) & {"post", "put", "delete", "patch"}:
            reply = strict.generic(method.upper(), filled, "{}", content_type="application/json")
            # a body of another kind, or none that can be meant, may be refused before
            assert reply.status_code in (403, 422), (method, path, reply.status_code)
            if reply.status_code == 403:
                assert reply.json()["error"]["code"] == "csrf", (method, path)
                walked += 1
    assert walked >= 40
