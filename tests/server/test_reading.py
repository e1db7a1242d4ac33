"""Strips and proofs read off scans: as tasks, kept with what was read, compared, pinned."""

import io

import cv2
import numpy as np
import pytest

from server.proofs.models import Pin, Proof
from server.record.models import Entry
from server.studies.cut import current, divided
from server.studies.models import Study
from server.tasks.actions.work import work_on
from server.tasks.models import Task
from tests.server.conftest import furnish, new_id
from tests.server.studies import png, study, upload
from tests.simulator.scans import Strip, any_proof, printed_strip, scanned

TONES = [91.0, 83.0, 71.0, 58.0, 40.0, 27.0]
SECONDS = [30, 60, 120, 240, 480, 960]


def jpeg(picture):
    return cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, 90])[1].tobytes()


def strip_scan(seed=1, **kept):
    rng = np.random.default_rng(seed)
    light, corners = printed_strip(Strip(TONES, patch_px=90, high_px=110, **kept), rng)
    return scanned(light, corners, rng)[0]


def read(person, path, **body):
    """Ask for a reading and let a worker do it; return the task as it ended."""
    status, task = person.ask("POST", path, {"id": new_id(), **body})
    assert status == 202, task
    work_on(task["id"])
    return person.must("GET", f"/tasks/{task['id']}")


@pytest.fixture
def planned(keeper):
    """A plate whose plan has the areas of its study, as they are cut."""
    keeper.ids = furnish(keeper)
    told = study(keeper, keeper.ids)
    keeper.must("POST", f"/runs/{keeper.ids['run']}/end", {"reason": "set aside"})
    plan = keeper.must("GET", f"/plates/{keeper.ids['plate']}/plan")
    body = {"id": keeper.ids["plan"], "version": plan["version"], "bath": keeper.ids["bath"],
            "strip": keeper.ids["strip"], "areas": told["plan_areas"]}  # fmt: skip
    keeper.must("PUT", f"/plates/{keeper.ids['plate']}/plan", body)
    keeper.areas = told["plan_areas"]
    return keeper


def proof_scan(person, off=0.0, only=None, seed=3, flip=False):
    """A scan of the plate as it prints: each area's tone, some of them off."""
    made = Study.objects.get()
    labels = divided(made, *current(made))
    plate = cv2.imread(str(labels.labels_path), cv2.IMREAD_GRAYSCALE)
    plate = cv2.resize(plate, (800, 600), interpolation=cv2.INTER_NEAREST)
    of = {label: area for area in labels.areas for label in area.labels}
    seen = np.zeros(plate.shape, np.uint8)
    lstars = []
    for place, label in enumerate(np.unique(plate), start=1):
        area = of[int(label)]
        name = made.names.get(area.name, area.name)
        tone = area.lstar if area.lstar is not None else 94.0
        shift = off if only is None or name == only else 0.0
        seen[plate == label] = place
        lstars.append(tone + shift)
    rng = np.random.default_rng(seed)
    picture = any_proof(rng, lstars=lstars, labels=seen, sheet_px=80).picture
    return upload(person, jpeg(picture[:, ::-1] if flip else picture), "scan.jpg")


def log(person, task, picture, **more):
    tones = [
        {"area": area["name"], "read_lstar": area["lstar"], "spread": max(0.5, area["doubt"])}
        for area in task["result"]["areas"]
        if area["lstar"] is not None
    ]
    body = {"id": new_id(), "plate": person.ids["plate"], "picture": picture, "tones": tones,
            "reading": task["id"], **more}  # fmt: skip
    return person.must("POST", "/proofs", body)


def test_a_strip_is_read_from_its_scan_to_its_curve(keeper):
    picture = upload(keeper, jpeg(strip_scan()), "strip.jpg")
    task = read(keeper, "/strips/scans", picture=picture, patches=6)
    assert task["state"] == "done", task["fault"]
    patches = task["result"]["patches"]
    assert np.abs(np.array([p["lstar"] for p in patches]) - TONES).max() < 2
    body = {
        "id": new_id(), "name": "From a scan", "conditions": {"mordant": "copper-ferric"},
        "picture": picture, "marks": [p["corners_px"] for p in patches],
        "patches": [{"seconds": s, "lstar": p["lstar"], "spread": p["doubt"]}
                    for s, p in zip(SECONDS, patches, strict=True)],
    }  # fmt: skip
    strip = keeper.must("POST", "/strips", body)
    assert strip["usable"] and strip["picture"] == picture and len(strip["marks"]) == 6
    answer = keeper.must("POST", f"/strips/{strip['id']}/ask", {"lstar": [50]})
    assert answer["points"][0]["reachable"]


def test_a_scan_that_fails_says_why_and_is_read_by_hand(keeper):
    scan = strip_scan(margin_px=60)
    picture = upload(keeper, jpeg(scan[165:-165, 165:-165]), "cropped.jpg")
    task = read(keeper, "/strips/scans", picture=picture, patches=6)
    assert task["state"] == "failed", task["result"]
    assert task["fault"]["code"] == "no-paper"
    assert task["fault"]["value"] is None, "a path of the server's is nobody's value"
    whole = upload(keeper, jpeg(scan), "strip.jpg")
    corners = [[200, 200], [740, 200], [740, 310], [200, 310]]
    again = read(keeper, "/strips/scans", picture=whole, patches=6, corners=corners)
    assert again["state"] == "done"


@pytest.mark.parametrize(("patches", "field"), [(1, "patches"), (99, "patches")])
def test_a_row_of_one_or_of_very_many_is_refused(keeper, patches, field):
    picture = upload(keeper, png(np.full((50, 50), 250, np.uint8)))
    body = {"id": new_id(), "picture": picture, "patches": patches}
    status, reply = keeper.ask("POST", "/strips/scans", body)
    assert status == 422 and reply["error"]["field"] == field


def test_the_picture_of_another_room_is_not_read(keeper, stranger):
    picture = upload(stranger, jpeg(strip_scan()), "strip.jpg")
    body = {"id": new_id(), "picture": picture, "patches": 6}
    assert keeper.ask("POST", "/strips/scans", body)[0] == 404
    strip = {"id": new_id(), "name": "x", "conditions": {"mordant": "copper-ferric"},
             "picture": picture}  # fmt: skip
    assert keeper.ask("POST", "/strips", strip)[0] == 404


def test_a_proof_is_read_area_by_area_and_what_next_follows(planned):
    light = planned.areas[-1]["name"]
    picture = proof_scan(planned, off=9.0, only=light)
    task = read(planned, "/proofs/scans", plate=planned.ids["plate"], picture=picture)
    assert task["state"] == "done", task["fault"]
    proof = log(planned, task, picture)
    tones = {tone["area"]: tone for tone in proof["tones"]}
    assert tones[light]["read_lstar"] - tones[light]["wanted_lstar"] == pytest.approx(9, abs=1.5)
    assert proof["next"]["cause"] == "plate"
    assert light in proof["next"]["text"]
    assert {step["act"] for step in proof["next"]["steps"] if step["area"] == light} >= {
        "re-ground", "leave"}  # fmt: skip
    assert proof["reading"]["likeness"] > 0.8 and len(proof["reading"]["corners"]) == 4
    url = f"/api/rooms/{planned.room.id}/proofs/{proof['id']}/straight"
    straight = planned.client.get(url)
    assert straight.status_code == 200
    shown = cv2.imdecode(np.frombuffer(b"".join(straight.streaming_content), np.uint8), 0)
    assert shown.shape[1] / shown.shape[0] == pytest.approx(200 / 150, abs=0.01)


def test_a_pull_that_is_light_all_over_is_the_printing(planned):
    picture = proof_scan(planned, off=5.0)
    task = read(planned, "/proofs/scans", plate=planned.ids["plate"], picture=picture)
    proof = log(planned, task, picture)
    assert proof["next"]["cause"] == "printing"
    assert proof["next"]["steps"][0]["act"] == "pull"


def test_a_flipped_scan_is_named_and_a_plate_without_a_map_types_its_tones(planned):
    picture = proof_scan(planned, flip=True)
    task = read(planned, "/proofs/scans", plate=planned.ids["plate"], picture=picture)
    assert (task["state"], task["fault"]["code"]) == ("failed", "mirrored-scan")
    bare = {"id": new_id(), "name": "Bare", "metal": "zinc", "route": "aquatint",
            "thickness_mm": 1, "width_mm": 100, "height_mm": 80}  # fmt: skip
    planned.must("POST", "/plates", bare)
    body = {"id": new_id(), "plate": bare["id"], "picture": picture}
    status, reply = planned.ask("POST", "/proofs/scans", body)
    assert status == 422 and reply["error"]["code"] == "no-map"


def test_a_reading_of_another_plate_is_not_taken(planned):
    picture = proof_scan(planned)
    task = read(planned, "/proofs/scans", plate=planned.ids["plate"], picture=picture)
    other = {"id": new_id(), "name": "Other", "metal": "copper", "route": "aquatint",
             "thickness_mm": 1, "width_mm": 100, "height_mm": 80}  # fmt: skip
    planned.must("POST", "/plates", other)
    body = {"id": new_id(), "plate": other["id"], "reading": task["id"]}
    status, reply = planned.ask("POST", "/proofs", body)
    assert status == 422 and reply["error"]["code"] == "not-this-reading"
    assert not Proof.objects.filter(plate=other["id"]).exists()


def test_two_proofs_are_compared_cell_by_cell_and_area_by_area(planned):
    dark = planned.areas[-1]["name"]
    made = []
    for off, seed in ((0.0, 3), (-8.0, 4)):
        picture = proof_scan(planned, off=off, only=dark, seed=seed)
        task = read(planned, "/proofs/scans", plate=planned.ids["plate"], picture=picture)
        made.append(log(planned, task, picture))
    change = planned.must("GET", f"/proofs/{made[1]['id']}/since/{made[0]['id']}")
    by = {area["name"]: area["change_lstar"] for area in change["areas"]}
    assert by[dark] == pytest.approx(-8, abs=1.5)
    assert all(abs(each) < 1.5 for name, each in by.items() if name != dark)
    assert change["text"].startswith(f"{dark} went 8 L* darker")
    assert len(change["cells"]) == change["columns"] * change["rows"] > 500
    assert min(change["cells"]) < -5 and abs(np.median(change["cells"])) < 1.5
    assert abs(change["shared_lstar"]) < 1.2


def test_proofs_read_by_eye_are_compared_by_their_tones_alone(keeper):
    ids = furnish(keeper)
    made = [
        keeper.must("POST", "/proofs", {"id": new_id(), "plate": ids["plate"], "tones": [
            {"area": "Tone 1", "read_lstar": lstar}]})
        for lstar in (80, 74)
    ]  # fmt: skip
    change = keeper.must("GET", f"/proofs/{made[1]['id']}/since/{made[0]['id']}")
    assert change["cells"] == [] and change["areas"][0]["change_lstar"] == -6


def test_a_pin_is_kept_once_carried_and_answered_by_a_state(furnished):
    ids = furnished.ids
    proof = furnished.must("POST", "/proofs", {"id": new_id(), "plate": ids["plate"]})
    pin = {"id": new_id(), "proof": proof["id"], "kind": "missing line", "text": "counter legs",
           "x_mm": 20, "y_mm": 30}  # fmt: skip
    first = furnished.must("PUT", "/pins", pin)
    assert furnished.must("PUT", "/pins", pin) == first, "sent twice it is one"
    furnished.must("POST", "/proofs", {"id": new_id(), "plate": ids["plate"]})
    (shown,) = furnished.must("GET", f"/pins?plate={ids['plate']}")["items"]
    assert (shown["state_number"], shown["done"]) == (1, False)
    done = furnished.must("PUT", "/pins", pin | {"version": shown["version"], "done": True})
    assert (done["done"], done["done_in_state"]) == (True, 2)
    back = furnished.must("PUT", "/pins", pin | {"version": done["version"]})
    assert (back["done"], back["done_in_state"]) == (False, None)
    said = list(Entry.objects.filter(kind="proof", text__contains="counter legs").order_by("at")
                .values_list("text", flat=True))  # fmt: skip
    assert said == ["Pinned on State I: missing line, counter legs.",
                    "Done: missing line, counter legs.",
                    "Not done after all: missing line, counter legs."]  # fmt: skip
    stale = furnished.ask("PUT", "/pins", pin | {"version": 1, "done": True})
    assert stale[0] == 409 and Pin.objects.count() == 1


@pytest.mark.parametrize(("place", "field", "code"), [
    ({"x_mm": 250}, "x_mm", "beside-the-plate"),
    ({"y_mm": 151}, "y_mm", "beside-the-plate"),
    ({"x_mm": -1}, "x_mm", None),
])  # fmt: skip
def test_a_pin_beside_the_plate_is_refused(furnished, place, field, code):
    ids = furnished.ids
    proof = furnished.must("POST", "/proofs", {"id": new_id(), "plate": ids["plate"]})
    pin = {"id": new_id(), "proof": proof["id"], "kind": "darker", "x_mm": 20, "y_mm": 30} | place
    status, reply = furnished.ask("PUT", "/pins", pin)
    assert status == 422 and reply["error"]["field"] == field
    assert code is None or reply["error"]["code"] == code


def test_the_same_scan_asked_twice_is_one_task(keeper):
    picture = upload(keeper, jpeg(strip_scan()), "strip.jpg")
    ask = {"picture": picture, "patches": 6}
    one = keeper.must("POST", "/strips/scans", {"id": new_id(), **ask})
    two = keeper.must("POST", "/strips/scans", {"id": new_id(), **ask})
    assert one["id"] == two["id"] and Task.objects.count() == 1


def test_a_picture_that_breaks_off_fails_in_words(keeper):
    whole = io.BytesIO(jpeg(strip_scan())).getvalue()
    task_picture = upload(keeper, whole, "strip.jpg")
    task = read(keeper, "/strips/scans", picture=task_picture, patches=40)
    assert task["state"] == "failed" and task["fault"]["field"].endswith("corners_px")


def test_a_pin_is_moved_reworded_and_taken_away_and_the_record_tells_each(furnished):
    proof = {"id": new_id(), "plate": furnished.ids["plate"]}
    furnished.must("POST", "/proofs", proof)
    pin = {"id": new_id(), "proof": proof["id"], "kind": "darker", "x_mm": 20, "y_mm": 30}
    made = furnished.must("PUT", "/pins", pin)
    moved = furnished.must("PUT", "/pins", {**made, "x_mm": 44.5, "text": "the sky"})
    assert (moved["x_mm"], moved["text"], moved["version"]) == (44.5, "the sky", 2)
    gone = furnished.must("PUT", "/pins", {**moved, "withdrawn": True})
    at = f"/pins?plate={furnished.ids['plate']}"
    assert furnished.must("GET", at)["items"] == []
    furnished.must("PUT", "/pins", {**gone, "withdrawn": False})
    assert [each["text"] for each in furnished.must("GET", at)["items"]] == ["the sky"]
    said = [e["text"] for e in furnished.must("GET", "/record")["items"] if "sky" in e["text"]]
    assert sorted(said) == ["Changed: darker, the sky.", "Pinned again: darker, the sky.",
                            "Taken away: darker, the sky."]  # fmt: skip


def test_what_lies_between_two_states_is_told_bites_or_the_hand(furnished):
    from tests.server.test_bite_on import bitten

    def pull(**more):
        body = {"id": new_id(), "plate": furnished.ids["plate"], **more}
        return furnished.must("POST", "/proofs", body)["worked"]

    assert pull() == ""  # nothing was dipped yet
    bitten(furnished)
    assert pull(same_state=True) == "tones bitten"
    assert [pull(), pull(same_state=True)] == ["worked by hand", "worked by hand"]


def test_a_straight_proof_is_fetched_before_it_is_logged_and_read_without_what_is_painted(planned):
    picture = proof_scan(planned)
    task = read(planned, "/proofs/scans", picture=picture, plate=planned.ids["plate"])
    url = f"/api/rooms/{planned.room.id}/tasks/{task['id']}/files/1"
    reply = planned.client.get(url)
    assert reply.status_code == 200 and reply["Content-Type"] == "image/png"
    stroke = {"points_mm": [[10, 10], [30, 10]], "size_mm": 8}
    body = {"id": new_id(), "plate": planned.ids["plate"], "picture": picture,
            "corners": task["result"]["corners_px"], "left_out": [stroke]}  # fmt: skip
    told = read(planned, "/proofs/scans", **body)["result"]
    shares = [sum(area["share"] for area in each["areas"]) for each in (task["result"], told)]
    assert shares[1] < shares[0]


def test_thirty_proofs_on_the_line_ask_hardly_more_than_three(furnished):
    """How the plate's plans stand is asked for once, not for each proof."""
    from django.db import connection
    from django.test.utils import CaptureQueriesContext

    from tests.server.test_bite_on import bitten

    bitten(furnished)

    def asked(upto):
        for _ in range(upto):
            body = {"id": new_id(), "plate": furnished.ids["plate"], "paper": "rag",
                    "tones": [{"area": "Tone 2", "read_lstar": 60}]}  # fmt: skip
            furnished.must("POST", "/proofs", body)
        with CaptureQueriesContext(connection) as seen:
            told = furnished.must("GET", f"/proofs?plate={furnished.ids['plate']}")["items"]
        return len(told), len(seen)

    (few, queries_few), (many, queries_many) = asked(3), asked(27)
    assert (few, many) == (3, 30)
    assert queries_many - queries_few <= many - few
