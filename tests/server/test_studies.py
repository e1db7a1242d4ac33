"""A plate's value study: kept, cut, planned, mapped; late, twice, wrong, and by another room."""

import io
import json
import uuid

import cv2
import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from server.record.models import Entry
from server.studies.models import Study
from server.tasks.actions.work import work_on
from server.tasks.models import Task
from tests.server.conftest import furnish, new_id, picture
from tests.server.studies import (
    SIZE_PX,
    change,
    drawn,
    finished_maps,
    png,
    sketch,
    study,
    study_body,
    told,
    upload,
)

LOOP = [[100, 20], [140, 20], [140, 60], [100, 60]]


@pytest.fixture
def cut(keeper):
    keeper.ids = furnish(keeper)
    keeper.study = study(keeper, keeper.ids)
    return keeper


def at(person, tail=""):
    return f"/plates/{person.ids['plate']}/study{tail}"


def seen(person, tail):
    """A picture of the study as an array."""
    reply = person.client.get(f"/api/rooms/{person.room.id}{at(person, tail)}")
    assert reply.status_code == 200, reply.content
    return cv2.imdecode(np.frombuffer(reply.content, np.uint8), cv2.IMREAD_UNCHANGED)


def test_four_greys_are_four_tones_and_three_bites(cut):
    out = cut.study
    assert out["best"] == 4 and out["choices"][2]["rms_lstar"] < 0.5
    assert [(a["name"], a["lstar"] is None) for a in out["cut"]["areas"]] == [
        ("Paper", True), ("Tone 1", False), ("Tone 2", False), ("Tone 3", False)]  # fmt: skip
    assert sum(a["cm2"] for a in out["cut"]["areas"]) == pytest.approx(300, abs=0.2)
    assert [(s["bite"], s["now"], s["pen"]) for s in out["cut"]["stages"]] == [
        (1, ["Paper"], "white"), (2, ["Tone 1"], "yellow"), (3, ["Tone 2"], "pink")]  # fmt: skip
    assert out["choices"][2]["minutes"] > 20 and out["reach"]["measured"]


def test_the_first_picture_asks_for_its_greys_as_a_task_and_they_come(keeper):
    keeper.ids = furnish(keeper) | {"study": new_id(), "sketch": upload(keeper, png(drawn()))}
    body = study_body(keeper.ids) | {"strip": None, "bath": None, "count": None}
    first = keeper.must("PUT", at(keeper), body)
    assert (first["ready"], first["cut"], first["strip"]) == (False, None, keeper.ids["strip"])
    (task,) = keeper.must("GET", f"/tasks?about={keeper.ids['plate']}&kind=study-field")["items"]
    work_on(uuid.UUID(task["id"]))
    done = keeper.must("GET", f"/tasks/{task['id']}")
    assert done["state"] == "done" and done["result"]["path"] == "field.png"
    now = told(keeper, keeper.ids)
    assert now["ready"] and now["cut"]["count"] == now["best"] == 4
    assert Entry.objects.filter(kind="study").count() == 1
    again = keeper.must("PUT", at(keeper), body)
    assert again["version"] == 1 and Study.objects.count() == 1


def test_a_letter_reads_right_in_the_print_and_the_areas_are_as_it_prints(cut):
    """The F is white at the left of the darkest band: by picture, not by flag."""
    for tail in ("/print?width=1000", "/drawing?width=1000"):
        grey = seen(cut, tail).astype(float)
        assert grey.shape == (750, 1000)
        assert grey[605:625, 70:140].mean() > 180 > 90 > grey[605:625, 860:930].mean()
    labels = seen(cut, "/labels")
    high, wide = labels.shape
    assert labels[int(0.82 * high), int(0.075 * wide)] == 1
    assert labels[int(0.82 * high), int(0.925 * wide)] == 4


def test_after_each_bite_the_print_is_darker_and_other_tones_change_it(cut):
    means = [seen(cut, f"/print?bite={bite}").mean() for bite in range(4)]
    assert means == sorted(means, reverse=True) and means[0] - means[3] > 40
    assert seen(cut, "/print?tones=,80,70,60").mean() > seen(cut, "/print?tones=,60,40,20").mean()
    assert seen(cut, "/print?count=2").mean() != pytest.approx(seen(cut, "/print").mean(), abs=0.5)


@pytest.mark.parametrize(("tail", "field"), [
    ("/print?tones=dark", "tones"), ("/print?width=9", "width"), ("/print?count=9", "count"),
    ("/drawing?width=9000", "width"),
])  # fmt: skip
def test_a_picture_out_of_limits_is_refused_by_its_field(cut, tail, field):
    status, reply = cut.ask("GET", at(cut, tail))
    assert status == 422 and reply["error"]["field"].endswith(field)


def test_a_loop_is_an_entry_that_survives_another_cut(cut):
    loop = {"kind": "lasso", "points": LOOP, "to_lstar": 22}
    before = {a["name"]: a["cm2"] for a in cut.study["cut"]["areas"]}
    after = change(cut, cut.ids, edits=[loop])
    assert after["cut"]["areas"][3]["cm2"] - before["Tone 3"] == pytest.approx(16, abs=0.5)
    other = change(cut, cut.ids, edits=[loop], count=3)
    assert len(other["edits"]) == 1 and other["cut"]["count"] == 3
    assert "1 corrections drawn" in Entry.objects.filter(kind="study").latest("at").text


def test_cuts_may_be_moved_and_their_tones_follow(cut):
    bounds = cut.study["cut"]["bounds_lstar"]
    moved = change(cut, cut.ids, bounds=[bounds[0], bounds[1] + 3, bounds[2]])
    assert moved["cut"]["by_hand"] and moved["cut"]["bounds_lstar"][1] == bounds[1] + 3
    assert moved["cut"]["rms_lstar"] >= cut.study["cut"]["rms_lstar"] - 1e-6
    status, reply = cut.ask("PUT", at(cut), study_body(
        cut.ids, version=moved["version"], bounds=[50, 60, 70]))  # fmt: skip
    assert (status, reply["error"]["field"]) == (422, "bounds")


def test_a_fading_area_is_planned_with_its_dark_tone_and_named_at_its_stage(cut):
    tones = cut.study["cut"]["tones_lstar"]
    fade = {"kind": "grade", "points": LOOP, "from_lstar": tones[1], "to_lstar": tones[2],
            "resist": "crayon-light", "toward": [LOOP[0], LOOP[1]]}  # fmt: skip
    out = change(cut, cut.ids, edits=[fade])
    area = out["cut"]["areas"][-1]
    assert area["name"] == "Graded 1" and area["lstar"] == pytest.approx(tones[2], abs=0.01)
    graded = area["graded"]
    assert graded["dark_lstar"] < graded["light_low"] < graded["light_high"] < tones[1]
    assert [s["crayon"] for s in out["cut"]["stages"]] == [[], ["Graded 1"], []]
    planned = out["plan_areas"][-1]
    assert planned["parts"] == "crayon lightly, from Tone 1"
    plan = cut.must("GET", f"/plates/{cut.ids['plate']}/plan")
    body = {"id": plan["id"], "version": plan["version"], "bath": cut.ids["bath"],
            "strip": cut.ids["strip"], "areas": out["plan_areas"]}  # fmt: skip
    bites = cut.must("POST", f"/plates/{cut.ids['plate']}/plan/draft", body)["sheet"]["plan"]
    ends = {a["name"]: b["number"] for b in bites["bites"] for a in b["areas"] if a["finished"]}
    assert ends["Graded 1"] == ends["Tone 2"]


def test_areas_can_be_called_otherwise_and_pens_named(cut):
    out = change(cut, cut.ids, names={"Tone 2": "Quay"}, pens=["silver"])
    assert out["cut"]["stages"][2]["now"] == ["Quay"]
    assert out["cut"]["stages"][0]["pen"] == "silver" and len(out["pens"]) == 8


def test_a_study_decided_on_an_old_version_is_told_so(cut):
    status, reply = cut.ask("PUT", at(cut), study_body(cut.ids, version=7))
    assert (status, reply["error"]["code"]) == (409, "stale")
    status, reply = cut.ask("PUT", at(cut), study_body(cut.ids) | {"id": new_id()})
    assert (status, reply["error"]["code"]) == (409, "stale")


@pytest.mark.parametrize(("more", "field"), [
    ({"sketches": []}, "sketches"), ({"count": 9}, "count"), ({"smooth_mm": -1}, "smooth_mm"),
    ({"edits": [{"kind": "lasso", "points": [[1, 1]], "to_lstar": 50}]}, "edits.0"),
    ({"tuning": {"black": 50, "white": 51}}, "tuning"),
    ({"sketches": [sketch(new_id(), crop=[0.9, 0, 0.1, 1])]}, "sketches.0.crop"),
])  # fmt: skip
def test_out_of_limits_is_refused_by_its_field(cut, more, field):
    status, reply = cut.ask("PUT", at(cut), study_body(cut.ids, version=1, **more))
    assert status == 422 and reply["error"]["field"].startswith(field)
    assert told(cut, cut.ids)["version"] == 1


def test_what_is_wrong_with_a_picture_stands_in_its_task_and_all_is_kept(cut):
    """Too coarse for the plate; no path of the server's is told."""
    small = upload(cut, png(np.full((100, 130), 90, np.uint8)))
    out = change(cut, cut.ids, sketches=[sketch(small)], edits=[
        {"kind": "lasso", "points": LOOP, "to_lstar": None}])  # fmt: skip
    assert not out["ready"] and len(out["edits"]) == 1
    task = Task.objects.filter(kind="study-field").latest("asked_at")
    work_on(task.id)
    failed = cut.must("GET", f"/tasks/{task.id}")
    assert (failed["state"], failed["fault"]["code"]) == ("failed", "too-coarse")
    assert failed["fault"]["value"] == pytest.approx(0.65, abs=0.02)
    assert failed["fault"]["unit"] == "px per mm"
    lost = upload(cut, picture("PNG", (1000, 750)))
    change(cut, cut.ids, sketches=[sketch(lost, left_mm=900)])
    task = Task.objects.filter(kind="study-field").latest("asked_at")
    work_on(task.id)
    assert "/" not in json.dumps(cut.must("GET", f"/tasks/{task.id}")["fault"])


def test_maps_are_drawn_fetched_and_belong_to_the_plan_they_were_asked_for(cut):
    task = finished_maps(cut, cut.ids, form="png", dpi=100)
    done = cut.must("GET", f"/tasks/{task}")
    assert [f["path"] for f in done["result"]["files"]] == [f"stage-{i}.png" for i in (1, 2, 3)]
    reply = cut.client.get(f"/api/rooms/{cut.room.id}/tasks/{task}/files/2")
    laid = np.asarray(Image.open(io.BytesIO(b"".join(reply.streaming_content))))
    assert laid.shape == (591, 787) and set(np.unique(laid)) == {0, 128, 255}
    assert cut.ask("GET", f"/tasks/{task}/files/9")[0] == 404
    plan = cut.must("GET", f"/plates/{cut.ids['plate']}/plan")
    body = {"id": new_id(), "plan_version": plan["version"] + 1}
    status, reply = cut.ask("POST", at(cut, "/maps"), body)
    assert (status, reply["error"]["code"]) == (409, "plan-changed")


def test_opened_up_the_darkest_is_bitten_first_in_the_print_too(cut):
    """After the first bite only the darkest band is bitten; of the last all but the paper are."""
    plan = cut.must("GET", f"/plates/{cut.ids['plate']}/plan")
    cut.must("POST", f"/runs/{cut.ids['run']}/end")
    body = {"id": plan["id"], "version": plan["version"], "bath": cut.ids["bath"],
            "strip": cut.ids["strip"], "method": "open-up",
            "areas": cut.study["plan_areas"]}  # fmt: skip
    cut.must("PUT", f"/plates/{cut.ids['plate']}/plan", body)
    first, last = seen(cut, "/print?bite=1&width=800"), seen(cut, "/print?bite=3&width=800")
    bands = [slice(150 * i + 20, 150 * i + 130) for i in range(4)]
    one, three = ([picture[band, 400:].mean() for band in bands] for picture in (first, last))
    assert one[0] == pytest.approx(one[1], abs=3) and one[3] < one[2] - 15
    assert three[0] > three[1] > three[2] > three[3]
    assert [s["now"] for s in told(cut, cut.ids)["cut"]["stages"]] == [
        ["Tone 3"], ["Tone 2"], ["Tone 1"]]  # fmt: skip


def test_maps_of_a_study_that_is_not_cut_are_refused(keeper):
    keeper.ids = furnish(keeper) | {"study": new_id(), "sketch": upload(keeper, png(drawn()))}
    keeper.must("PUT", at(keeper), study_body(keeper.ids))
    status, reply = keeper.ask("POST", at(keeper, "/maps"), {"id": new_id()})
    assert (status, reply["error"]["code"]) == (422, "not-cut")
    assert keeper.ask("GET", at(keeper, "/print"))[0] == 404


def test_a_run_keeps_the_map_it_began_with(cut):
    cut.must("POST", f"/runs/{cut.ids['run']}/end")
    out = cut.must("POST", "/runs", {"id": new_id(), "plate": cut.ids["plate"]})
    assert [a["name"] for a in out["map"]["areas"]] == ["Paper", "Tone 1", "Tone 2", "Tone 3"]
    first = cut.client.get(out["map"]["picture"]).content
    change(cut, cut.ids, edits=[{"kind": "lasso", "points": LOOP, "to_lstar": 22}])
    assert cut.client.get(out["map"]["picture"]).content == first
    labels = cv2.imdecode(np.frombuffer(first, np.uint8), cv2.IMREAD_UNCHANGED)
    assert set(np.unique(labels)) == {1, 2, 3, 4} and labels.shape[1] <= 1344


def test_a_plan_with_other_areas_than_the_study_begins_without_its_map(cut):
    plan = cut.must("GET", f"/plates/{cut.ids['plate']}/plan")
    cut.must("POST", f"/runs/{cut.ids['run']}/end")
    areas = [{"name": n, "lstar": v, "open_cm2": 60}
             for n, v in (("Paper", None), ("Sky", 60), ("Tone 3", 30))]  # fmt: skip
    body = {"id": plan["id"], "version": plan["version"], "bath": cut.ids["bath"],
            "strip": cut.ids["strip"], "areas": areas}  # fmt: skip
    cut.must("PUT", f"/plates/{cut.ids['plate']}/plan", body)
    assert cut.must("POST", "/runs", {"id": new_id(), "plate": cut.ids["plate"]})["map"] is None


def test_a_run_begun_without_a_study_has_no_map(furnished):
    out = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    assert out["map"] is None
    assert furnished.ask("GET", f"/runs/{furnished.ids['run']}/map")[0] == 404


def test_bare_maps_of_a_stored_picture_are_a_task(cut):
    given = {"tones_lstar": [94, 57, 20], "lightest_lstar": 94, "darkest_lstar": 20,
             "width_mm": 200, "height_mm": 150, "dpi": 60}  # fmt: skip
    body = {"id": new_id(), "picture": cut.ids["sketch"], "given": given}
    task = cut.must("POST", "/maps", body)["id"]
    work_on(uuid.UUID(task))
    result = cut.must("GET", f"/tasks/{task}")["result"]
    assert [s["path"] for s in result["stages"]] == ["stage-1.png", "stage-2.png"]
    assert cut.client.get(f"/api/rooms/{cut.room.id}/tasks/{task}/files/1").status_code == 200


def test_tones_of_an_uploaded_picture_are_told_and_nothing_is_stored(keeper):
    rest = {"width_mm": 200, "height_mm": 150, "lightest_lstar": 94, "darkest_lstar": 20,
            "smooth_mm": 0, "counts": [4]}  # fmt: skip

    def ask(given):
        form = {"image": SimpleUploadedFile("s.png", png(drawn())), "given": given}
        reply = keeper.client.post("/api/calc/tone-areas", form)
        return reply.status_code, reply.json()

    status, out = ask(json.dumps(rest))
    assert status == 200 and len(out["choices"][0]["tones_lstar"]) == 4
    assert ask("[1]")[1]["error"]["field"] == "given"
    status, out = ask(json.dumps(rest | {"counts": [99]}))
    assert (status, out["error"]["field"]) == (422, "counts.0")
    assert ask(json.dumps(rest | {"image": "/etc/passwd"}))[0] == 200


@pytest.mark.parametrize("name", ["stop-out-maps", "study-field", "study-maps", "look-over"])
def test_no_calculator_takes_a_path_over_http(keeper, name):
    reply = keeper.client.post(f"/api/calc/{name}", "{}", content_type="application/json")
    assert reply.status_code == 422


def test_a_study_of_another_room_is_not_there(cut, stranger):
    for tail in ("", "/print", "/labels", "/drawing"):
        assert stranger.ask("GET", at(cut, tail), room=cut.room.id)[0] == 404
    foreign = upload(stranger, png(drawn()))
    status, _ = cut.ask("PUT", at(cut), study_body(cut.ids, version=1, sketches=[sketch(foreign)]))
    assert status == 404


def test_a_bath_that_bites_another_metal_is_refused(cut):
    bath = new_id()
    cut.must(
        "POST",
        "/baths",
        {
            "id": bath,
            "name": "Blue",
            "volume_l": 3,
            "mordant": "zinc-copper-sulphate",
            "temperature_c": 18,
        },
    )
    status, reply = cut.ask("PUT", at(cut), study_body(cut.ids, version=1) | {"bath": bath})
    assert (status, reply["error"]["field"]) == (422, "bath")


def test_a_lost_folder_is_made_again(cut, settings):
    import shutil
    from pathlib import Path

    for _ in range(2):  # also where a task is done that stands for the same work
        shutil.rmtree(Path(settings.MEDIA_ROOT) / str(cut.room.id) / "studies")
        assert not told(cut, cut.ids)["ready"]
        change(cut, cut.ids)
        work_on(Task.objects.filter(kind="study-field").latest("asked_at").id)
        assert told(cut, cut.ids)["ready"]


def test_laid_otherwise_and_taken_back_its_greys_are_there_at_once(cut):
    aside = change(cut, cut.ids, sketches=[sketch(cut.ids["sketch"], left_mm=20)])
    assert not aside["ready"]
    work_on(Task.objects.filter(kind="study-field").latest("asked_at").id)
    assert told(cut, cut.ids)["ready"]
    assert change(cut, cut.ids)["ready"]
    assert change(cut, cut.ids, sketches=[sketch(cut.ids["sketch"], left_mm=20)])["ready"]


def test_the_plate_may_take_the_pictures_proportions(cut):
    plate = cut.must("GET", f"/plates/{cut.ids['plate']}")
    out = cut.must("PUT", f"/plates/{cut.ids['plate']}",
                   {"version": plate["version"], "height_mm": 120})  # fmt: skip
    assert out["height_mm"] == 120 and not told(cut, cut.ids)["ready"]


def test_a_photograph_held_upright_is_stored_with_its_upright_size(keeper):
    tags = Image.fromarray(drawn()).getexif()
    tags[274] = 6
    out = io.BytesIO()
    Image.fromarray(drawn()).save(out, "JPEG", exif=tags)
    form = {"id": new_id(), "file": SimpleUploadedFile("p.jpg", out.getvalue())}
    reply = keeper.client.post(f"/api/rooms/{keeper.room.id}/files", form).json()
    assert (reply["width_px"], reply["height_px"]) == SIZE_PX[::-1]
