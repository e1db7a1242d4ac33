"""What no one should send: each its declared answer in the one form, and nothing breaks."""

import json

import pytest
from django.test import Client
from pydantic import BaseModel

from server.replies.json_text import HouseRenderer
from tests.server.conftest import new_id
from tests.server.walk import SCHEMA

BATH = {"name": "B", "mordant": "copper-ferric", "volume_l": 4, "temperature_c": 18}


def raw(person, path, body, kind="application/json", method="POST", **more):
    url = f"/api/rooms/{person.room.id}{path}"
    reply = person.client.generic(method, url, body, content_type=kind, **more)
    return reply.status_code, json.loads(reply.content)


@pytest.mark.parametrize(
    "text",
    [
        b"{", b"\xff\xfe", b'{"text": "a\\u0000b"}', b'{"a": NaN}', b'{"a": Infinity}',
        b'{"a": 1e999}', b'{"text": "\\ud800"}', b"[" * 200_000 + b"]" * 200_000,
        b'{"a": ' + b"9" * 5000 + b"}",
    ],
    ids=["cut short", "no text", "nul", "nan", "infinity", "too large", "half a sign", "deep",
         "long number"],
)  # fmt: skip
def test_what_is_no_json_is_told_so(keeper, text):
    status, reply = raw(keeper, "/record", text)
    assert (status, reply["error"]["code"]) == (400, "not-json")


@pytest.mark.parametrize("query", ["search=%00", "plate=%00", "%00=1"])
def test_a_sign_that_no_text_has_is_refused_in_an_address(keeper, query):
    status, reply = raw(keeper, f"/record?{query}", b"", method="GET")
    assert (status, reply["error"]["code"]) == (400, "not-json")


def test_nor_in_a_cookie(db):
    client = Client()
    client.cookies.load('keen_session="\\000"')
    assert client.get("/api/session").status_code in (200, 400)


@pytest.mark.parametrize(
    "kind",
    ["multipart/form-data", "multipart/form-data; boundary=", "multipart/form-data; boundary=x"],
)
def test_a_form_that_is_none_is_told_so(keeper, kind):
    for path in (f"/api/rooms/{keeper.room.id}/files", "/api/calc/dust-coverage"):
        reply = keeper.client.generic("POST", path, b"not a form", content_type=kind)
        assert reply.status_code in (400, 422), path
        assert reply.json()["error"]["text"]


@pytest.mark.parametrize("page", ["10000000000000000000", "100001", "0", "-1", "x", "1e3"])
def test_pages_have_an_end(furnished, page):
    for path in ("/plates", "/record", "/strips", "/runs", "/timers", "/tasks", "/numbers"):
        status, reply = raw(furnished, f"{path}?page={page}", b"", method="GET")
        assert (status, reply["error"]["field"]) == (422, "page"), path


def test_a_body_of_no_known_length_or_kind(keeper):
    status, reply = raw(keeper, "/record", b"", HTTP_TRANSFER_ENCODING="chunked")
    assert (status, reply["error"]["code"]) == (411, "no-length")
    status, reply = raw(keeper, "/record", b"a=1", "application/x-www-form-urlencoded")
    assert (status, reply["error"]["code"]) == (415, "unknown-kind")
    status, reply = raw(keeper, "/record", b"x" * 1_100_000)
    assert (status, reply["error"]["code"]) == (413, "too-large")


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("/baths", {**BATH, "volume_l": 5e-324}, "volume_l"),
        ("/baths", {**BATH, "load_g_per_l": 151}, "load_g_per_l"),
        ("/plates", {"name": "P", "metal": "copper", "route": "aquatint", "thickness_mm": 1e-200,
                     "width_mm": 200, "height_mm": 150}, "thickness_mm"),
        ("/record", {"text": ""}, "text"),
    ],
)  # fmt: skip
def test_values_that_no_thing_has(keeper, path, body, field):
    status, reply = keeper.ask("POST", path, {"id": new_id(), **body})
    assert (status, reply["error"]["field"]) == (422, field)


@pytest.mark.parametrize(
    "given",
    [
        {"sheet_width_mm": 1e-200}, {"width_mm": 1e-200}, {"area_cm2": 5e-324},
    ],
)  # fmt: skip
def test_sizes_of_nothing_are_refused_by_calculators(keeper, given):
    for name in ("cut-sheet", "repair-routes"):
        reply = keeper.client.post(
            f"/api/calc/{name}", json.dumps(given), content_type="application/json"
        )
        assert reply.status_code == 422


def test_every_answer_of_every_operation_is_in_the_schema_with_the_one_body():
    for path, item in SCHEMA["paths"].items():
        for method, operation in item.items():
            answers = operation["responses"]
            assert "400" in map(str, answers), (method, path)
            if "requestBody" in operation:
                assert {"411", "413", "415", "422"} <= set(map(str, answers)), (method, path)
            for status, answer in answers.items():
                if int(status) >= 400:
                    shape = answer["content"]["application/json"]["schema"]
                    assert shape["$ref"].endswith("/ErrorReply"), (method, path, status)


class Odd(BaseModel):
    """An answer with a number that is not finite."""

    x: float
    more: list[float]


def test_no_number_that_is_not_finite_leaves_the_house():
    told = HouseRenderer().render(None, Odd(x=float("nan"), more=[1, float("inf")]),
                                  response_status=200)  # fmt: skip
    assert json.loads(told, parse_constant=lambda name: pytest.fail(name)) == {
        "x": None, "more": [1, None],
    }  # fmt: skip


def test_a_fault_of_the_server_is_told_in_the_one_form(keeper, monkeypatch):
    monkeypatch.setattr("server.record.api.page_of", lambda *_: 1 / 0)
    status, reply = raw(keeper, "/record", b"", method="GET")
    assert (status, reply["error"]["code"]) == (500, "broken")
