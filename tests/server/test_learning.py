"""A proof moves the curve its plate's next bites are planned by, only where it may."""

import pytest

from server.plans.models import Plan
from server.proofs.models import Proof
from server.record.models import Entry
from server.runs.models import Run
from tests.server.conftest import PATCHES, Device, furnish, new_id, plan_body
from tests.server.test_bite_on import bitten, plan

SAME = {"paper": "Soft cotton", "ink": "Black, a quarter medium", "wipe": "gauze, then hand"}


def print_strip(person, **more):
    strip = person.must("GET", f"/strips/{person.ids['strip']}")
    body = {"version": strip["version"], **SAME, **more}
    return person.must("PUT", f"/strips/{person.ids['strip']}", body)


def expected(person):
    """What each tone should print by its bites."""
    areas = plan(person)["sheet"]["plan"]["areas"]
    return {area["name"]: area["goal"]["value"] for area in areas}


def pull(person, off, **more):
    """A proof whose tones lie off what was expected."""
    said = expected(person)
    tones = [{"area": n, "read_lstar": round(min(105, said[n] + d), 1), "spread": 0.8}
             for n, d in off.items()]  # fmt: skip
    body = {"id": new_id(), "plate": person.ids["plate"], "tones": tones, **SAME}
    return person.must("POST", "/proofs", body | more)


@pytest.fixture
def room(furnished):
    """A plate bitten in three tones by a strip that says what it was printed with."""
    print_strip(furnished)
    bitten(furnished)
    return furnished


PLATES_OWN = {"Tone 1": 0.0, "Tone 2": 4.0, "Tone 3": 2.5}
"""A slower plate: its darker tones come lighter than the strip said."""


def test_a_proof_printed_as_the_strip_moves_the_plates_curve_and_the_record_tells(room):
    strip = room.must("GET", f"/strips/{room.ids['strip']}")
    told = pull(room, PLATES_OWN)
    assert told["learned"]["text"].startswith("The next bites are planned by this reading: Tone 2")
    (moved,) = told["learned"]["plans"]
    area = next(a for a in moved["areas"] if a["name"] == "Tone 2")
    assert area["before_lstar"] + 2 < area["after_lstar"] <= area["read_lstar"] + 1
    assert not area["left_out"]
    after = plan(room)
    assert after["own_curve"] == {
        "proof": told["id"], "state_number": 1, "readings": 3, "used": True}  # fmt: skip
    assert room.must("GET", f"/strips/{room.ids['strip']}")["line"] == strip["line"]
    entry = Entry.objects.get(text__startswith="State I: The next bites")
    assert [each["name"] for each in entry.data["readings"]] == list(PLATES_OWN)


def test_the_next_bites_follow_it_and_what_was_bitten_stays_as_it_was(room):
    before = Run.objects.get(id=room.ids["run"]).curve
    pull(room, PLATES_OWN)
    draft = {"id": new_id(), "bath": room.ids["bath"], "strip": room.ids["strip"], "areas": [
        {"name": "Tone 2", "lstar": 40, "open_cm2": 60}]}  # fmt: skip
    url = f"/plates/{room.ids['plate']}/plan/draft"
    own = room.must("POST", url, draft)["sheet"]["plan"]["bites"][-1]["cumulative_seconds"]
    anew = room.must("POST", url, draft | {"anew": True})
    assert anew["own_curve"] is None
    assert own > 1.05 * anew["sheet"]["plan"]["bites"][-1]["cumulative_seconds"]
    body = plan_body(room.ids, version=plan(room)["version"], open_again=["Tone 2"])
    body["areas"][2]["lstar"] = 40
    room.must("PUT", f"/plates/{room.ids['plate']}/plan", body)
    room.must("POST", "/runs", {"id": new_id(), "plate": room.ids["plate"]})
    assert Run.objects.get(id=room.ids["run"]).curve == before
    assert Run.objects.latest("created_at").curve == Plan.objects.get().learned["curve"]


def test_it_is_taken_back_and_taken_again_and_both_stand_in_the_record(room):
    pull(room, PLATES_OWN)
    url = f"/plates/{room.ids['plate']}/plan/curve"
    version = plan(room)["version"]
    back = room.must("PUT", url, {"version": version, "own": False})
    assert back["own_curve"]["used"] is False
    assert room.ask("PUT", url, {"version": version, "own": True})[0] == 409
    again = room.must("PUT", url, {"version": back["version"], "own": True})
    assert again["own_curve"]["used"]
    said = list(Entry.objects.filter(text__startswith="Plate is planned").values_list("text"))
    assert sorted(said) == [("Plate is planned by Strip alone.",),
                            ("Plate is planned by its own proofs.",)]  # fmt: skip


def test_a_plate_without_a_reading_has_no_curve_of_its_own_to_choose(room):
    body = {"version": plan(room)["version"], "own": True}
    status, reply = room.ask("PUT", f"/plates/{room.ids['plate']}/plan/curve", body)
    assert (status, reply["error"]["code"]) == (422, "no-own-curve")


def test_an_area_that_strays_alone_is_its_own_fault_and_moves_no_curve(room):
    off = {"Tone 1": 0.3, "Tone 2": 12.0, "Tone 3": -0.2}
    pull(room, off)
    told = pull(room, off, same_state=True)["learned"]  # what the pull adds is out of the question
    assert told["text"] == (
        "The plate prints as Strip said, within 1 L*. Tone 2 strays by its own fault: not taken in."
    )
    (moved,) = told["plans"]
    assert [area["name"] for area in moved["areas"] if area["left_out"]] == ["Tone 2"]


@pytest.mark.parametrize(("more", "why"), [
    ({"ink": "Sepia"}, "printed with another ink than Strip"),
    ({"paper": "", "wipe": "cloth"}, "printed with another paper and wipe than Strip"),
])  # fmt: skip
def test_printed_otherwise_it_says_nothing_of_the_curve(room, more, why):
    told = pull(room, PLATES_OWN, **more)
    assert told["learned"] == {"text": f"Not taken into the curve: {why}.", "plans": []}
    assert plan(room)["own_curve"] is None


def test_a_strip_that_does_not_say_how_it_was_printed_is_named(room):
    print_strip(room, ink="")
    text = pull(room, PLATES_OWN)["learned"]["text"]
    assert text == "Not taken into the curve: Strip does not say its ink."


def test_bites_planned_by_another_strip_say_nothing_of_this_one(room):
    Run.objects.update(strip=None)
    text = pull(room, PLATES_OWN)["learned"]["text"]
    assert text == "Not taken into the curve: it was bitten by another strip than Strip."


def test_names_that_differ_in_capitals_and_spaces_are_one(room):
    told = pull(room, PLATES_OWN, paper="  soft   COTTON ")
    assert told["paper"] == "Soft cotton" and told["learned"]["plans"]


ALL_LIGHT = {"Tone 1": 7.0, "Tone 2": 7.0, "Tone 3": 7.0}


def test_a_pull_that_strayed_is_left_out_until_it_is_pulled_again_and_reads_the_same(room):
    first = pull(room, ALL_LIGHT)
    assert first["next"]["cause"] in ("printing", "both")
    assert "the pull itself strayed" in first["learned"]["text"]
    second = pull(room, ALL_LIGHT, same_state=True)
    assert second["learned"]["plans"], second["learned"]["text"]


def test_after_work_by_hand_a_proof_no_longer_tells_of_the_bites(room):
    pull(room, PLATES_OWN)
    text = pull(room, PLATES_OWN)["learned"]["text"]
    assert text.endswith("something was done to the plate by hand since its last bite.")


def change_strip(room, **more):
    version = room.must("GET", f"/strips/{room.ids['strip']}")["version"]
    return room.must("PUT", f"/strips/{room.ids['strip']}", {"version": version, **more})


def test_a_strip_fitted_anew_is_moved_by_the_same_readings(room):
    pull(room, PLATES_OWN)
    before = Plan.objects.get().curve
    strip = room.must("GET", f"/strips/{room.ids['strip']}")
    change_strip(room, patches=[dict(p, lstar=p["lstar"] - 2) for p in strip["readings"]])
    now = Plan.objects.get()
    assert plan(room)["own_curve"]["used"]
    assert now.curve not in (before, now.strip.curve)


def test_a_strip_of_another_bath_than_it_said_is_followed_alone(room):
    pull(room, PLATES_OWN)
    change_strip(room, conditions={"mordant": "copper-ferric", "temperature_c": 25})
    assert plan(room)["own_curve"] is None
    assert Plan.objects.get().curve == Plan.objects.get().strip.curve


def test_another_strip_is_followed_alone_and_the_first_again_with_what_was_read(room):
    pull(room, PLATES_OWN)
    other = {"id": new_id(), "name": "Other", "conditions": {"mordant": "copper-ferric"},
             "patches": [{"seconds": s, "lstar": v} for s, v in PATCHES]}  # fmt: skip
    room.must("POST", "/strips", other)
    for strip, own in ((other["id"], False), (room.ids["strip"], True)):
        body = plan_body(room.ids, version=plan(room)["version"], strip=strip)
        assert (
            bool(room.must("POST", f"/plates/{room.ids['plate']}/plan/draft", body)["own_curve"])
            is own
        )


def test_a_plate_bitten_without_a_strip_learns_nothing_and_says_nothing(keeper):
    keeper.ids = furnish(keeper)
    body = plan_body(keeper.ids, strip=None, version=1)
    keeper.must("PUT", f"/plates/{keeper.ids['plate']}/plan", body)
    Run.objects.filter(id=keeper.ids["run"]).update(strip=None, curve=None)
    keeper.tablet = Device(keeper, keeper.ids["run"])
    bitten(keeper)
    assert pull(keeper, PLATES_OWN)["learned"] is None
    assert Proof.objects.get().learned is None


def own_curve():
    learned = Plan.objects.get(superseded=False).learned
    return learned and [
        [round(each["lstar"], 3) for each in learned["readings"]],
        [[round(number, 4) for number in draw] for draw in learned["curve"]["draws"][:3]],
    ]


def correct(person, proof, **said):
    now = person.must("GET", f"/proofs/{proof['id']}")
    return person.must("PUT", f"/proofs/{proof['id']}", {"version": now["version"], **said})


def test_corrected_a_proof_moves_the_curve_as_if_it_had_been_typed_so_at_first(room):
    right = pull(room, PLATES_OWN)
    wanted, learned = own_curve(), right["learned"]
    tones = [{k: tone[k] for k in ("area", "read_lstar", "spread")} for tone in right["tones"]]
    wrong = [{**tones[0]}, {**tones[1], "read_lstar": tones[1]["read_lstar"] - 8}, tones[2]]
    correct(room, right, tones=wrong)
    assert own_curve() != wanted
    again = correct(room, right, tones=tones)
    assert (own_curve(), again["learned"]) == (wanted, learned)
    assert [tone["wanted_lstar"] for tone in again["tones"]] == [
        tone["wanted_lstar"] for tone in right["tones"]
    ]


def test_printed_otherwise_after_all_it_leaves_the_curve_to_the_strip(room):
    proof = pull(room, PLATES_OWN)
    told = correct(room, proof, ink="Sepia")
    assert told["learned"]["text"].startswith("Not taken into the curve: printed with another ink")
    assert own_curve() is None
    correct(room, proof, ink=SAME["ink"])
    assert own_curve() is not None


def test_bitten_on_since_its_reading_is_corrected_where_it_stands(room):
    proof = pull(room, PLATES_OWN)
    body = plan_body(room.ids, version=plan(room)["version"], open_again=["Tone 2"])
    body["areas"][2]["lstar"] = 40
    room.must("PUT", f"/plates/{room.ids['plate']}/plan", body)
    room.must("POST", "/runs", {"id": new_id(), "plate": room.ids["plate"]})
    tones = [{"area": tone["area"], "read_lstar": tone["read_lstar"] + 1}
             for tone in proof["tones"][1:]]  # fmt: skip
    correct(room, proof, tones=tones)
    readings = Plan.objects.get(superseded=False).learned["readings"]
    assert [(each["name"], each["lstar"]) for each in readings] == [
        (tone["area"], tone["read_lstar"]) for tone in tones
    ]
