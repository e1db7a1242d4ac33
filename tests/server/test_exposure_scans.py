"""Prints of tests and step charts read off scans, as tasks."""

import cv2
import numpy as np
import pytest

from server.exposures.models import Test as TwoWay
from server.tasks.actions.work import work_on
from tests.core.events.exposures import OWN
from tests.core.reading.test_read_chart import a_test, printed
from tests.server.conftest import new_id
from tests.server.studies import upload


@pytest.fixture
def room(keeper):
    keeper.lamp = new_id()
    keeper.must("PUT", "/lamps", {"id": keeper.lamp, "name": "Six tubes", "kind": "tubes"})
    keeper.test = keeper.must(
        "POST", "/exposure-tests",
        {"id": new_id(), "name": "New", "lamp": keeper.lamp,
         "planned": {"screen_seconds": 80, "image_seconds": 160, "screen_steps": 3,
                     "image_steps": 3}},
    )  # fmt: skip
    return keeper


def scan_of(person, lstars=None):
    _, cells, usual = a_test(3, 3)
    made = printed(cells, lstars or usual, 4 / 3, np.random.default_rng(2)).picture
    return upload(person, bytes(cv2.imencode(".png", made)[1]))


def read(person, **given):
    path = f"/exposure-tests/{person.test['id']}/scan"
    task = person.must("POST", path, {"id": new_id(), "what": "test", **given})
    work_on(task["id"])
    return person.must("GET", f"/tasks/{task['id']}")


def test_a_test_is_read_and_its_patches_give_a_pair(room):
    told = read(room, picture=scan_of(room))
    assert told["state"] == "done", told["fault"]
    patches = told["result"]["patches"]
    assert len(patches) == 9 and len(told["result"]["cells"]) == 36
    for patch in patches:
        paper, *_, solid = OWN.tones(patch["screen_seconds"], patch["image_seconds"])
        assert patch["paper_lstar"] == pytest.approx(float(paper), abs=4)
        assert patch["solid_lstar"] == pytest.approx(float(solid), abs=4)
    kept = room.must("PUT", f"/exposure-tests/{room.test['id']}",
                     {"version": 1, "patches": patches})  # fmt: skip
    assert kept["pair"]["range_lstar"] > 50


def test_strips_are_read_at_the_times_they_truly_had(room):
    late = {"screen_seconds": [60.0, 90.0, 130.0], "image_seconds": [115.0, 170.0, 240.0]}
    TwoWay.objects.update(exposed=late)
    patches = read(room, picture=scan_of(room))["result"]["patches"]
    assert {p["screen_seconds"] for p in patches} == set(late["screen_seconds"])
    assert patches[0]["image_seconds"] == 240.0


def test_another_print_is_refused_in_words(room):
    told = read(room, picture=scan_of(room), what="chart", steps=101)
    assert told["state"] == "failed"
    assert told["fault"]["code"] in ("other-plate", "mirrored-scan")


def test_a_test_made_elsewhere_cannot_be_read_by_its_plan(room):
    bare = room.must("POST", "/exposure-tests",
                     {"id": new_id(), "name": "Bare", "lamp": room.lamp})  # fmt: skip
    given = {"id": new_id(), "what": "test", "picture": scan_of(room)}
    status, told = room.ask("POST", f"/exposure-tests/{bare['id']}/scan", given)
    assert (status, told["error"]["code"]) == (422, "not-planned")
    assert room.ask("POST", f"/exposure-tests/{bare['id']}/scan",
                    given | {"id": new_id(), "what": "chart"})[0] == 202  # fmt: skip
