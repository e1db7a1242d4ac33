"""Courses over HTTP: done, failed, skipped, repeated, added; two people at once."""

import io

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test.utils import CaptureQueriesContext
from PIL import Image

from server.courses.models import Course
from server.record.models import Entry
from tests.server.conftest import new_id, picture
from tests.simulator.grain import draw


@pytest.fixture
def zinc(keeper):
    """A zinc plate for etched line, with its course."""
    keeper.plate = new_id()
    keeper.must("POST", "/plates", {"id": keeper.plate, "name": "Rain", "metal": "zinc",
                                    "route": "etched line", "thickness_mm": 1.5, "width_mm": 250,
                                    "height_mm": 180})  # fmt: skip
    return keeper


def course(person):
    return person.must("GET", f"/plates/{person.plate}/course")


def act(person, kind, step=None, **more):
    body = {"version": course(person)["version"], "act": kind, "step": step, **more}
    return person.ask("POST", f"/plates/{person.plate}/course", body)


def do(person, step, **measures):
    status, reply = act(person, "done", step, measures=measures)
    assert status == 200, reply
    return reply


def step_of(reply, step_id):
    return next(step for step in reply["steps"] if step["id"] == step_id)


def test_a_done_step_is_kept_with_who_when_and_what_was_measured(zinc):
    do(zinc, "cut", face=True)
    reply = do(zinc, "bevel", angle=45, film="left on")
    step = step_of(reply, "bevel")
    assert (step["status"], step["by"], step["measured"]["angle"]) == ("done", "keeper-a", 45)
    entry = Entry.objects.filter(kind="step").latest("at")
    assert "Bevel" in entry.text and "45 °" in entry.text
    assert reply["bevel"]["needed"] == "needed"
    assert zinc.must("GET", f"/plates/{zinc.plate}")["facts"]["face_marked"] is True


def test_a_step_before_what_it_needs_asks_for_a_reason(zinc):
    status, reply = act(zinc, "done", "polish")
    assert status == 422 and reply["error"]["field"] == "reason"
    assert "Bevel" in reply["error"]["text"]
    status, reply = act(zinc, "done", "polish", reason="came polished")
    assert status == 200 and step_of(reply, "polish")["reason"] == "came polished"


def test_a_failed_water_break_stays_to_do_and_counts_its_tries(zinc):
    for step in ("cut", "bevel", "polish", "drawing"):
        do(zinc, step)
    reply = do(zinc, "degrease", water_break="failed")
    assert step_of(reply, "degrease")["status"] == "todo"
    reply = do(zinc, "degrease", water_break="passed")
    step = step_of(reply, "degrease")
    assert (step["status"], step["tries"]) == ("done", 2)


def test_polishing_after_degreasing_asks_to_degrease_again(zinc):
    for step in ("cut", "bevel", "polish", "drawing"):
        do(zinc, step)
    do(zinc, "degrease", water_break="passed")
    reply = do(zinc, "polish")
    again = step_of(reply, "degrease~2")
    assert again["status"] == "todo"
    assert step_of(reply, "ball-ground")["waits_for"] == [again["title"]]


def test_alternatives_stand_for_each_other_and_steps_come_and_go(zinc):
    status, reply = act(zinc, "swap", "ball-ground", keys=["liquid-ground"])
    assert status == 200
    assert "ball-ground" not in [s["id"] for s in reply["steps"]]
    assert act(zinc, "swap", "cut", keys=["dust"])[1]["error"]["field"] == "keys"
    assert act(zinc, "skip", "transfer")[1]["error"]["field"] == "reason"
    status, reply = act(zinc, "skip", "transfer", reason="drawn directly")
    assert step_of(reply, "transfer")["status"] == "skipped"
    status, reply = act(zinc, "again", "draw")
    assert "draw~2" in [s["id"] for s in reply["steps"]]
    status, reply = act(zinc, "add", "proof", keys=["scrape", "burnish"], reason="sky too dark")
    keys = [s["key"] for s in reply["steps"]]
    assert keys[keys.index("proof") + 1 :][:2] == ["scrape", "burnish"]
    status, reply = act(zinc, "reopen", "transfer")
    assert step_of(reply, "transfer")["status"] == "todo"


@pytest.mark.parametrize(
    ("measures", "field", "unit"),
    [({"angle": 95}, "measures.angle", "°"), ({"angle": "steep"}, "measures.angle", "°"),
     ({"film": "torn"}, "measures.film", ""), ({"colour": 1}, "measures.colour", ""),
     ({"corners": "maybe"}, "measures.corners", "")],
)  # fmt: skip
def test_a_measure_out_of_its_limits_names_them_and_nothing_is_lost(zinc, measures, field, unit):
    do(zinc, "cut")
    before = course(zinc)
    status, reply = act(zinc, "done", "bevel", measures=measures)
    error = reply["error"]
    assert status == 422 and (error["field"], error["unit"]) == (field, unit)
    assert error["allowed"] and course(zinc) == before


def test_two_people_at_once_neither_overwrites_the_other(zinc):
    version = course(zinc)["version"]
    do(zinc, "cut")
    late = {"version": version, "act": "skip", "step": "bevel", "reason": "thin"}
    status, reply = zinc.ask("POST", f"/plates/{zinc.plate}/course", late)
    assert status == 409 and reply["error"]["field"] == "version"
    assert step_of(course(zinc), "bevel")["status"] == "todo"
    assert step_of(course(zinc), "cut")["status"] == "done"


def test_unknown_steps_and_routes_are_refused(zinc):
    assert act(zinc, "done", "fly")[0] == 422
    assert act(zinc, "add", None, keys=["fly"])[1]["error"]["code"] == "unknown-step"
    body = {"id": new_id(), "name": "x", "metal": "plastic", "route": "aquatint",
            "thickness_mm": 1, "width_mm": 99, "height_mm": 99}  # fmt: skip
    assert zinc.ask("POST", "/plates", body)[1]["error"]["code"] == "route-not-for-material"


def lay_ground(person, **ground):
    for step in ("cut", "bevel", "polish", "drawing"):
        do(person, step)
    do(person, "degrease", water_break="passed")
    do(person, "ball-ground", **ground)
    return do(person, "back", back="varnished", edges=True)


def test_the_ground_is_checked_from_what_was_logged(zinc):
    reply = lay_ground(zinc, heat=150, film="thick")
    assert [c["key"] for c in reply["ground"]["causes"]] == ["too-hot"]
    assert any("flakes" in text for text in reply["ground"]["warnings"])


def test_shares_come_from_the_room_s_own_proofs(zinc):
    lay_ground(zinc, heat=150, film="even")
    body = {"id": new_id(), "plate": zinc.plate, "foul_bite": True}
    zinc.must("POST", "/proofs", body)
    cause = course(zinc)["ground"]["causes"][0]
    assert (cause["share"], cause["share_of"]) == (None, 1)


def test_done_is_pressed_and_the_room_s_proofs_are_read_once(zinc):
    lay_ground(zinc, heat=150, film="even")
    for fouled in (True, False):
        zinc.must("POST", "/proofs", {"id": new_id(), "plate": zinc.plate, "foul_bite": fouled})
    body = {"version": course(zinc)["version"], "act": "done", "step": "transfer", "measures": {}}
    with CaptureQueriesContext(connection) as seen:
        reply = zinc.must("POST", f"/plates/{zinc.plate}/course", body)
    assert sum("proofs_proof" in query["sql"] for query in seen) == 1
    assert reply["ground"]["causes"][0]["share_of"] == 1


def test_what_is_counted_are_the_plates_judged_last(zinc, monkeypatch):
    monkeypatch.setattr("server.courses.ground.MOST_COUNTED", 1)
    lay_ground(zinc, heat=150, film="even")
    zinc.must("POST", "/proofs", {"id": new_id(), "plate": zinc.plate, "foul_bite": True})
    assert course(zinc)["ground"]["causes"][0]["share_of"] == 1
    other = new_id()
    zinc.must("POST", "/plates", {"id": other, "name": "Later", "metal": "zinc", "width_mm": 90,
              "route": "etched line", "thickness_mm": 1.5, "height_mm": 90})  # fmt: skip
    zinc.must("POST", "/proofs", {"id": new_id(), "plate": other, "foul_bite": True})
    assert course(zinc)["ground"]["causes"][0]["share_of"] == 0


def test_the_header_follows_the_course(zinc):
    lay_ground(zinc, heat=95, film="thin")
    plate = zinc.must("GET", f"/plates/{zinc.plate}")
    states = {step["step"]: step["state"] for step in plate["course"]}
    assert (states["prepare"], states["image"], states["ground"]) == ("done", "done", "now")
    assert plate["parts"] == ["lines"] and plate["next_step"] == "Bring the drawing onto the plate."


def test_the_calculator_takes_an_upload_and_no_path(zinc):
    photo = draw(np.random.default_rng(6), goal=0.45, lighter=False, metal="copper")
    reply = zinc.client.post(
        "/api/calc/dust-coverage",
        {"um_per_pixel": "4", "image": SimpleUploadedFile("g.png", _png(photo))},
    )
    assert reply.status_code == 200 and reply.json()["grains_are"] == "darker"
    path = {"image": "/etc/passwd", "um_per_pixel": 4}
    reply = zinc.client.post("/api/calc/dust-coverage", path, content_type="application/json")
    assert reply.status_code == 422


def _png(photo):
    out = io.BytesIO()
    Image.fromarray(photo.pixels).save(out, "PNG")
    return out.getvalue()


def test_a_tracing_is_at_the_plate_s_size(zinc):
    assert zinc.ask("GET", f"/plates/{zinc.plate}/tracing.pdf")[0] == 404
    ids = new_id()
    upload = SimpleUploadedFile("p.jpg", picture())
    zinc.client.post(f"/api/rooms/{zinc.room.id}/files", {"id": ids, "file": upload})
    zinc.must("PUT", f"/plates/{zinc.plate}", {"version": 1, "study": ids})
    url = f"/api/rooms/{zinc.room.id}/plates/{zinc.plate}/tracing.pdf"
    for paper, pages, size_mm in (("A4", 2, (210, 297)), ("letter", 2, (215.9, 279.4)),
                                  ("A3", 1, (297, 420))):  # fmt: skip
        pdf = zinc.client.get(f"{url}?paper={paper}&mirrored=false").content
        assert pdf.startswith(b"%PDF")
        boxes = [part.split(b"]")[0].split() for part in pdf.split(b"/MediaBox [")[1:]]
        assert len(boxes) == pages
        sides = sorted(float(v) / 72 * 25.4 for v in boxes[0][2:])
        assert sides == pytest.approx(size_mm, abs=0.1)
    assert zinc.ask("GET", f"/plates/{zinc.plate}/tracing.pdf?paper=napkin")[0] == 422


def test_an_old_plate_and_a_mixed_one_get_their_courses(keeper):
    keeper.plate = new_id()
    keeper.must("POST", "/plates", {"id": keeper.plate, "name": "Old", "metal": "copper",
                                    "route": "mixed", "routes": ["aquatint", "etched line"],
                                    "thickness_mm": 1.2, "width_mm": 99, "height_mm": 99,
                                    "facts": {"history_unknown": True}})  # fmt: skip
    steps = [step["id"] for step in course(keeper)["steps"]]
    assert steps[0] == "register" and steps.index("bite-lines") < steps.index("bite-tones.2")
    assert steps.index("bite-lines") < steps.index("proof-lines") < steps.index("dust.2")
    plate = keeper.must("GET", f"/plates/{keeper.plate}")
    assert plate["parts"] == ["lines", "tones"]
    assert Course.objects.filter(plate=keeper.plate).count() == 1
