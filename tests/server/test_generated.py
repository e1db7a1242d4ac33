"""Calls made up from the schema, good and bad: no operation ever breaks or answers undeclared.

A few an operation here; ``./keen test --deep`` makes many, covers every limit of every field, and
walks from answer to call.
"""

import os
from collections import Counter

import pytest
import requests
import schemathesis
from django.db import transaction
from django.test import Client
from hypothesis import HealthCheck, Phase, settings
from schemathesis.specs.openapi import checks as of_openapi

from server.api import api
from server.rooms.models import Room
from tests.server.conftest import Person
from tests.server.walk import furnish_all

DEEP = os.environ.get("KEEN_DEEP") == "1"
EXAMPLES = 60 if DEEP else 2
PHASES = [Phase.explicit, Phase.generate] if DEEP else [Phase.generate]
"""Explicit are those that cover every limit of every field: hundreds for some operations."""


def never_breaks(ctx, response, case):
    """Never a fault of the server; the library's own check would ask again over a network."""
    assert response.status_code < 500, response.content


CHECKS = [
    never_breaks,
    of_openapi.status_code_conformance,
    of_openapi.content_type_conformance,
    of_openapi.response_schema_conformance,
]
"""Not that what breaks the schema is refused: a number written as text is read as that number."""

WALKED: Counter[str] = Counter()
LINKED = 25
"""At least so many operations give or take what others answer."""
SET_HERE = ("content-length", "cookie")
"""Headers that the test's own client sets."""
SCHEMA = schemathesis.openapi.from_dict(api.get_openapi_schema())
SCHEMA.config.phases.coverage.enabled = DEEP


@pytest.fixture(scope="module")
def house(django_db_setup, django_db_blocker):
    """One furnished room for all operations; what they do to it stays until the end."""
    with django_db_blocker.unblock(), transaction.atomic():
        person = Person("made-up", Room.objects.create(name="Made up", time_zone="UTC"), "keeper")
        person.ids = furnish_all(person) | {"room": str(person.room.id)}
        other = Person("printer", person.room, "printer")
        person.ids |= {"member": str(other.user.id)}
        yield person
        transaction.set_rollback(True)


def send(person, case, own=None):
    """Send a made-up call to the room's own things; return its answer as the checks take it.

    ``own`` are the parts of its address that are put in; the others stay as they were made up.
    """
    for name in case.path_parameters:
        if name in (own or person.ids):
            case.path_parameters[name] = person.ids[name]
    prepared = requests.Request(**case.as_transport_kwargs(base_url="http://testserver")).prepare()
    client = Client(raise_request_exception=False)
    client.force_login(person.user, backend="django.contrib.auth.backends.ModelBackend")
    headers = {k: v for k, v in prepared.headers.items() if k.lower() not in SET_HERE}
    body = prepared.body or b""
    given = client.generic(
        prepared.method, prepared.url.removeprefix("http://testserver"),
        body if isinstance(body, bytes) else body.encode(), headers=headers,
        content_type=prepared.headers.get("Content-Type", ""),
    )  # fmt: skip
    return schemathesis.Response(
        status_code=given.status_code,
        headers={name.lower(): [value] for name, value in given.headers.items()},
        content=b"".join(given.streaming_content) if given.streaming else given.content,
        request=prepared, elapsed=0.0, verify=False,
    )  # fmt: skip


@SCHEMA.exclude(method="DELETE", path="/api/session").parametrize()
@settings(
    max_examples=EXAMPLES, deadline=None, phases=PHASES,
    suppress_health_check=list(HealthCheck),
)  # fmt: skip
def test_no_made_up_call_breaks_or_is_answered_undeclared(house, case):
    case.validate_response(send(house, case), checks=CHECKS)


@pytest.mark.skipif(not DEEP, reason="only with --deep")
def test_walks_from_answer_to_call_break_nothing(house):
    """What one call answered is the next one's input: ids, versions, kinds."""
    SCHEMA.analysis.inject_links()

    class Walk(SCHEMA.as_state_machine()):
        def call(self, case, **kwargs):
            WALKED[case.operation.label] += 1
            return send(house, case, own=("room",))

        def validate_response(self, response, case, **kwargs):
            case.validate_response(response, checks=CHECKS)

    Walk.run(settings=settings(
        max_examples=150, stateful_step_count=10, deadline=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    ))  # fmt: skip
    assert len(WALKED) >= LINKED, sorted(WALKED)


def test_what_the_framework_refuses_is_told_in_the_one_form(house):
    for method, path, status in (
        ("GET", "/api/nothing/of/the/kind", 404),
        ("PATCH", "/api/session", 405),
        ("GET", f"/api/rooms/{house.ids['room']}/links/no-id", 404),
    ):
        reply = house.client.generic(method, path)
        assert reply.status_code == status
        assert reply.json()["error"]["text"], path
    assert "GET" in house.client.generic("PATCH", "/api/session")["Allow"]
