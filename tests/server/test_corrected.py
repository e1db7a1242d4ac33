"""What was typed of plates, baths and the record is changed, what stood before kept; or refused."""

import pytest

from server.record.models import Entry
from server.runs.models import Run
from tests.server.conftest import new_id


def put_in(person, **more):
    plate = {"id": new_id(), "name": "New", "metal": "copper", "route": "aquatint",
             "thickness_mm": 1.2, "width_mm": 200, "height_mm": 150, **more}  # fmt: skip
    return person.must("POST", "/plates", plate)


def change(person, plate, **said):
    now = person.must("GET", f"/plates/{plate['id']}")
    return person.ask("PUT", f"/plates/{plate['id']}", {"version": now["version"], **said})


def last_said():
    return Entry.objects.order_by("-at").first()


@pytest.mark.parametrize(
    ("said", "words", "stood"),
    [
        ({"name": "Newer"}, "name New → Newer", "New"),
        ({"width_mm": 210}, "width 200 → 210 mm", 200),
        ({"height_mm": 99.5}, "height 150 → 99.5 mm", 150),
        ({"thickness_mm": 0.9}, "thickness 1.2 → 0.9 mm", 1.2),
        ({"metal": "zinc"}, "metal copper → zinc", "copper"),
        ({"route": "drypoint"}, "route aquatint → drypoint", "aquatint"),
        ({"place": "drawing"}, "place resting → drawing", "resting"),
    ],
)
def test_each_fact_of_a_plate_is_changed_and_what_stood_before_is_kept(keeper, said, words, stood):
    plate = put_in(keeper)
    status, changed = change(keeper, plate, **said)
    ((field, value),) = said.items()
    assert (status, changed[field]) == (200, value)
    entry = last_said()
    assert entry.text == f"Changed: {words}."
    assert entry.data["before"] == {field: stood}


def test_facts_are_told_one_by_one_and_what_did_not_change_is_not_told(keeper):
    plate = put_in(keeper)
    change(keeper, plate, facts={**plate["facts"], "back": "filmed", "face_marked": True})
    said = last_said().text
    assert "back nothing → filmed" in said and "face marked no → yes" in said
    assert "trimmed" not in said
    change(keeper, plate, name="New")
    assert last_said().text == "Nothing changed."


def test_a_plate_nothing_was_done_to_gets_the_course_of_what_it_is_now(keeper):
    plate = put_in(keeper, metal="plastic", route="drypoint", facts={"plastic": "acrylic"})
    status, changed = change(keeper, plate, metal="zinc", route="mixed",
                             routes=["etched line", "aquatint"])  # fmt: skip
    assert (status, changed["facts"]["plastic"]) == (200, None)
    steps = keeper.must("GET", f"/plates/{plate['id']}/course")["steps"]
    assert {step["route"] for step in steps} == {"etched line", "aquatint"}
    status, reply = change(keeper, plate, metal="plastic")
    assert (status, reply["error"]["code"]) == (422, "route-not-for-material")
    assert keeper.must("GET", f"/plates/{plate['id']}")["metal"] == "zinc"


def test_another_material_is_refused_once_its_bites_are_planned(furnished):
    plate = {"id": furnished.ids["plate"]}
    Run.objects.all().delete()
    for said, field in (({"metal": "zinc"}, "metal"), ({"route": "drypoint"}, "route")):
        status, reply = change(furnished, plate, **said)
        assert (status, reply["error"]["field"]) == (422, field)
        assert "its bites are planned since" in reply["error"]["text"]
    assert change(furnished, plate, metal="copper", thickness_mm=1.0)[0] == 200


def test_a_size_smaller_than_its_planned_areas_is_refused(furnished):
    plate = {"id": furnished.ids["plate"]}
    status, reply = change(furnished, plate, width_mm=100, height_mm=150)
    error = reply["error"]
    assert (status, error["code"], error["field"]) == (422, "smaller-than-its-areas", "width_mm")
    assert "come to 240 cm²" in error["text"] and "has 150 cm²" in error["text"]
    assert change(furnished, plate, width_mm=160)[0] == 200  # 240 cm²: they just fit
    assert change(furnished, plate, width_mm=300)[0] == 200


def test_a_plate_with_something_under_way_is_not_put_away(furnished):
    plate = {"id": furnished.ids["plate"]}
    status, reply = change(furnished, plate, put_away=True)
    assert (status, reply["error"]["code"]) == (422, "plate-in-use")
    assert "Lift it, or set the run aside" in reply["error"]["text"]
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {"reason": "tomorrow"})
    timer = {"id": new_id(), "plate": plate["id"], "what": "ground cooling", "seconds": 600}
    furnished.must("POST", "/timers", timer)
    status, reply = change(furnished, plate, put_away=True)
    assert "a timer of it runs: ground cooling" in reply["error"]["text"]
    furnished.must("POST", f"/timers/{timer['id']}/end")
    assert change(furnished, plate, put_away=True)[0] == 200
    assert last_said().text == "Put away."


def test_a_bath_that_holds_a_plate_is_not_retired(furnished):
    path = f"/baths/{furnished.ids['bath']}"
    status, reply = furnished.ask("PUT", path, {"version": 1, "retired": True})
    assert (status, reply["error"]["code"]) == (422, "bath-in-use")
    assert "Plate bites in it" in reply["error"]["text"]
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {"reason": "tomorrow"})
    now = furnished.must("GET", path)["version"]
    assert furnished.must("PUT", path, {"version": now, "retired": True})["retired"]


def test_a_volume_that_its_vessel_cannot_take_is_refused(furnished):
    path = f"/baths/{furnished.ids['bath']}"
    sides = {"width_mm": 300, "length_mm": 400, "height_mm": 80}
    furnished.must("PUT", path, {"version": 1, **sides})
    for litres, why in ((0.5, "does not cover the plate"), (9.0, "more than the 6.60 L")):
        status, reply = furnished.ask("PUT", path, {"version": 2, "volume_l": litres})
        error = reply["error"]
        assert (status, error["field"], error["unit"]) == (422, "volume_l", "L")
        assert why in error["text"] and error["allowed"] == "2.88 to 6.60"
    assert furnished.must("PUT", path, {"version": 2, "volume_l": 5})["volume_l"] == 5
    entry = last_said()
    assert (entry.text, entry.data["before"]) == (
        "Changed Tray: volume 4 → 5 L.", {"volume_l": 4},
    )  # fmt: skip


def test_a_correction_names_what_it_corrects_and_is_what_stands_from_then_on(keeper):
    def listed():
        return {each["text"]: each for each in keeper.must("GET", "/record")["items"]}

    old = keeper.must("POST", "/record", {"id": new_id(), "text": "bit 3:45"})
    given = {"id": new_id(), "text": "it was 3:54", "corrects": old["id"]}
    new = keeper.must("POST", "/record", given)
    assert new["corrects_text"] == "bit 3:45"
    assert keeper.must("POST", "/record", given)["id"] == new["id"]  # sent twice
    told = listed()
    assert told["bit 3:45"]["corrected"] and not told["it was 3:54"]["corrected"]
    late = {"id": new_id(), "text": "no, 3:50", "corrects": old["id"]}
    status, reply = keeper.ask("POST", "/record", late)
    error = reply["error"]
    assert (status, error["code"], error["allowed"]) == (409, "corrected-meanwhile", new["id"])
    assert "keeper-a corrected this meanwhile: “it was 3:54”" in error["text"]
    again = keeper.must("POST", "/record", {**late, "corrects": new["id"]})
    assert again["corrects_text"] == "it was 3:54"
    assert list(listed()) == ["no, 3:50", "it was 3:54", "bit 3:45"]


def proof_of(person, **more):
    plate = put_in(person)
    body = {"id": new_id(), "plate": plate["id"], "paper": "Cotton", "soak_minutes": 30,
            "tones": [{"area": "Sky", "read_lstar": 62},
                      {"area": "Sea", "read_lstar": 40}]}  # fmt: skip
    return person.must("POST", "/proofs", body | more)


def put_proof(person, proof, **said):
    return person.ask("PUT", f"/proofs/{proof['id']}", {"version": proof["version"], **said})


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ({"paper": "Rag"}, "paper Cotton → Rag"),
        ({"soak_minutes": 45}, "soak in minutes 30 → 45"),
        ({"soak_minutes": None}, "soak in minutes 30 → nothing"),
        ({"pressure": "2 turns"}, "pressure nothing → 2 turns"),
        ({"passes": 2}, "passes 1 → 2"),
        ({"note": "wiped by hand"}, "note nothing → wiped by hand"),
        ({"foul_bite": True}, "foul bite not looked for → yes"),
        ({"foul_bite": False}, "foul bite not looked for → none"),
        ({"tones": [{"area": "Sky", "read_lstar": 64}, {"area": "Sea", "read_lstar": 40}]},
         "Sky L* 62 → 64"),
        ({"tones": [{"area": "Sky", "read_lstar": 62}]}, "Sea L* 40 → not read"),
        ({"tones": [{"area": "Sky", "read_lstar": 62}, {"area": "Sea", "read_lstar": 40},
                    {"area": "Boat", "read_lstar": 20}]}, "Boat not read → L* 20"),
    ],
)  # fmt: skip
def test_each_fact_of_a_proof_is_corrected_and_the_record_says_what_stood(keeper, said, words):
    proof = proof_of(keeper)
    status, told = put_proof(keeper, proof, **said)
    assert (status, told["version"]) == (200, proof["version"] + 1)
    assert last_said().text == f"Corrected the proof of State I: {words}."
    assert last_said().data["before"]["paper"] == "Cotton"


def test_a_proof_corrected_meanwhile_is_not_written_over(keeper):
    proof = proof_of(keeper)
    put_proof(keeper, proof, passes=2)
    status, reply = put_proof(keeper, proof, passes=3)
    assert (status, reply["error"]["code"]) == (409, "stale")
    assert keeper.must("GET", f"/proofs/{proof['id']}")["passes"] == 2


@pytest.mark.parametrize(("said", "field"), [
    ({"passes": 0}, "passes"), ({"soak_minutes": 5000}, "soak_minutes"),
    ({"tones": [{"area": "Sky", "read_lstar": 140}]}, "tones.0.read_lstar"),
])  # fmt: skip
def test_what_no_proof_can_be_is_refused_and_nothing_changes(keeper, said, field):
    proof = proof_of(keeper)
    status, reply = put_proof(keeper, proof, **said)
    assert (status, reply["error"]["field"]) == (422, field)
    assert keeper.must("GET", f"/proofs/{proof['id']}")["version"] == proof["version"]


STRIP = {"conditions": {"mordant": "copper-ferric", "temperature_c": 19},
         "patches": [{"seconds": s, "lstar": tone} for s, tone in
                     ((30, 90), (60, 84), (120, 74), (240, 59), (480, 42))]}  # fmt: skip


@pytest.mark.parametrize(
    ("patch", "more", "words"),
    [
        ({"lstar": 61}, {}, "patch 4 L* 59 → 61"),
        ({"seconds": 245}, {}, "patch 4 time 4:00 → 4:05"),
        ({"left_out": True}, {}, "patch 4 left out"),
        ({}, {"ink": "Sepia"}, "ink nothing → Sepia"),
        ({}, {"ground": "sprayed dots"}, "ground rosin dust → sprayed dots"),
        ({}, {"conditions": {**STRIP["conditions"], "baume": 40}}, "baume nothing → 40"),
    ],
)
def test_what_was_typed_of_a_strip_is_changed_and_the_record_says_what_stood(
    keeper, patch, more, words
):
    strip = keeper.must("POST", "/strips", {"id": new_id(), "name": "Rosin", **STRIP})
    patches = [dict(each) for each in STRIP["patches"]]
    patches[3] |= patch
    said = {"patches": patches, **more}
    changed = keeper.must("PUT", f"/strips/{strip['id']}", {"version": strip["version"], **said})
    assert changed["fit"] is not None
    entry = last_said()
    assert entry.text == f"Changed strip Rosin: {words}."
    assert entry.data["before"]["patches"][3]["lstar"] == 59


@pytest.mark.parametrize(
    ("said", "field", "words"),
    [
        ({"width_mm": 60}, "width_mm", "A pin (darker) reaches to 80 × 30 mm"),
        ({"height_mm": 25}, "height_mm", "A pin (darker) reaches to 80 × 30 mm"),
    ],
)
def test_a_size_that_a_pin_would_lie_off_is_refused_until_it_is_answered(
    keeper, said, field, words
):
    plate = put_in(keeper, width_mm=100, height_mm=80)
    proof = keeper.must("POST", "/proofs", {"id": new_id(), "plate": plate["id"]})
    pin = {"id": new_id(), "proof": proof["id"], "kind": "darker", "x_mm": 80, "y_mm": 30}
    kept = keeper.must("PUT", "/pins", pin)
    status, reply = change(keeper, plate, **said)
    assert (status, reply["error"]["field"]) == (422, field)
    assert words in reply["error"]["text"]
    keeper.must("PUT", "/pins", {**pin, "version": kept["version"], "done": True})
    assert change(keeper, plate, **said)[0] == 200


def test_a_size_that_scratched_groups_would_lie_off_is_refused(keeper):
    plate = put_in(keeper, metal="plastic", route="drypoint", facts={"plastic": "acrylic"},
                   width_mm=100, height_mm=80)  # fmt: skip
    group = {"name": "Sky", "lstar": 40, "x_mm": 10, "y_mm": 10, "width_mm": 70, "height_mm": 40}
    keeper.must("PUT", f"/plates/{plate['id']}/marks", {"version": 0, "groups": [group]})
    status, reply = change(keeper, plate, width_mm=75)
    assert (status, reply["error"]["allowed"]) == (422, "at least 80")
    assert change(keeper, plate, width_mm=85)[0] == 200
