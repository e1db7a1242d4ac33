"""Biting on after a finished run: from where the plate stands, or over a stripped grain."""

import pytest

from server.record.models import Entry
from server.runs.models import Run
from tests.server.conftest import Device, new_id, plan_body

OPEN = ["Tone 1", "Tone 2", "Tone 3"]
GROUPS = [{"name": "Fine", "depth_um": 20, "open_cm2": 5},
          {"name": "Strong", "depth_um": 60, "open_cm2": 5}]  # fmt: skip


def bite(tablet, at_ms, seconds, *names):
    dip = tablet.event("dip", at_ms, open=list(names))
    tablet.send(dip, tablet.event("lift", at_ms + seconds * 1000, dip=dip["id"]))


def bitten(person):
    """The furnished room's plate, bitten for its three tones."""
    for place, seconds in enumerate((60, 240, 600)):
        bite(person.tablet, -3_000_000 + place * 900_000, seconds, *OPEN[place:])
    person.must("POST", f"/runs/{person.ids['run']}/end", {})
    return plan(person)


def plan(person, part="tones", plate=None):
    return person.must("GET", f"/plates/{plate or person.ids['plate']}/plan?part={part}")


def strip_ground(person):
    course = person.must("GET", f"/plates/{person.ids['plate']}/course")
    body = {"version": course["version"], "act": "done", "step": "strip-ground", "reason": "done"}
    return person.must("POST", f"/plates/{person.ids['plate']}/course", body)


def proof(person, *tones):
    body = {"id": new_id(), "plate": person.ids["plate"],
            "tones": [{"area": name, "read_lstar": lstar} for name, lstar in tones]}  # fmt: skip
    return person.must("POST", "/proofs", body)


def on(person, told, area="Tone 2"):
    return person.ask("POST", f"/plates/{person.ids['plate']}/plan/bite-on",
                      {"proof": told["id"], "area": area})  # fmt: skip


def begin(person, **more):
    body = {"id": new_id(), "plate": person.ids["plate"], **more}
    return person.must("POST", "/runs", body)


def test_while_the_grain_stands_the_advice_s_button_bites_exactly_so_many_seconds_more(furnished):
    made = bitten(furnished)
    assert made["bitten"] and "goes on from where it stands" in made["why_on"]
    told = proof(furnished, ("Tone 1", 80), ("Tone 2", 60), ("Tone 3", 30))
    line = next(a for a in told["advice"]["areas"] if a["name"] == "Tone 2")
    assert line["act"] == "bite"
    status, planned = on(furnished, told)
    assert status == 200, planned
    assert (planned["open_again"], planned["bitten"]) == (["Tone 2"], False)
    (next_bite,) = planned["sheet"]["plan"]["bites"]
    assert next_bite["seconds"] == pytest.approx(line["seconds"], abs=0.2)
    assert (next_bite["number"], next_bite["open_before"]) == (4, ["Tone 2"])
    assert len(planned["sheet"]["plan"]["done"]) == 3, "the earlier bites are still in the section"
    run = begin(furnished)
    assert (run["bites_before"], sorted(run["closed_before"])) == (
        3, ["Paper", "Tone 1", "Tone 3"])  # fmt: skip
    tablet = Device(furnished, run["id"])
    bite(tablet, -60_000, line["seconds"], "Tone 2")
    after = furnished.must("POST", f"/runs/{run['id']}/end", {})
    assert after["outcome"] == "finished" and after["sheet"]["plan"]["bites"] == []
    again = plan(furnished)
    assert again["bitten"] and again["open_again"] == []
    assert len(again["sheet"]["plan"]["done"]) == 4
    stood = {a["name"]: a["reference_seconds"] for a in made["sheet"]["plan"]["areas"]}
    now = {a["name"]: a["reference_seconds"] for a in again["sheet"]["plan"]["areas"]}
    assert now["Tone 2"] > stood["Tone 2"] + 5
    assert all(now[name] == pytest.approx(stood[name], rel=0.03) for name in ("Tone 1", "Tone 3"))
    assert Entry.objects.filter(text__contains="Opened again: Tone 2.").exists()


def test_stripped_it_is_a_second_grain_planned_alone_and_told_as_a_range(furnished):
    bitten(furnished)
    strip_ground(furnished)
    told = proof(furnished, ("Tone 1", 80), ("Tone 2", 62), ("Tone 3", 30))
    status, planned = on(furnished, told)
    assert status == 200 and "another screen" in planned["why_on"]
    assert planned["open_again"] == [] and planned["sheet"]["plan"]["done"] == []
    wanted = {area["name"]: area["lstar"] for area in planned["areas"]}
    assert wanted["Tone 1"] is None and wanted["Tone 3"] is None and 50 < wanted["Tone 2"] < 90
    over = {each["name"]: each for each in planned["over_first"]}
    assert over["Tone 2"]["first"]["value"] == 62 and not over["Tone 3"]["bitten"]
    both = over["Tone 2"]["both"]
    assert both["low"] <= both["value"] <= both["high"] <= 62.1
    assert both["value"] == pytest.approx(50, abs=2.5)  # as it was wanted
    run = begin(furnished)
    assert run["bites_before"] == 0
    tablet = Device(furnished, run["id"])
    bite(tablet, -600_000, 60, "Tone 2")
    furnished.must("POST", f"/runs/{run['id']}/end", {})
    strip_ground_again(furnished)
    second = proof(furnished, ("Tone 2", 51))
    assert second["tones"][0]["wanted_lstar"] == pytest.approx(50, abs=2.5)
    assert second["tones"][0]["expected_lstar"] < 62


def strip_ground_again(person):
    course = person.must("GET", f"/plates/{person.ids['plate']}/course")
    body = {"version": course["version"], "act": "again", "step": "strip-ground"}
    course = person.must("POST", f"/plates/{person.ids['plate']}/course", body)
    step = next(s["id"] for s in course["steps"] if s["id"].startswith("strip-ground~"))
    body = {"version": course["version"], "act": "done", "step": step, "reason": "done"}
    person.must("POST", f"/plates/{person.ids['plate']}/course", body)


def test_taken_back_the_ground_was_not_stripped_after_all(furnished):
    bitten(furnished)
    course = strip_ground(furnished)
    assert Run.objects.get().stripped_at is not None
    body = {"version": course["version"], "act": "reopen", "step": "strip-ground"}
    furnished.must("POST", f"/plates/{furnished.ids['plate']}/course", body)
    assert Run.objects.get().stripped_at is None
    assert "goes on from where it stands" in plan(furnished)["why_on"]


def test_lines_go_on_from_their_depth_under_a_new_ground_only_the_chosen(furnished):
    plate = new_id()
    furnished.must("POST", "/plates", {"id": plate, "name": "Lines", "metal": "copper",
                   "route": "mixed", "thickness_mm": 1.2, "width_mm": 90,
                   "height_mm": 90})  # fmt: skip
    body = {"id": new_id(), "bath": furnished.ids["bath"], "part": "lines", "areas": GROUPS}
    furnished.must("PUT", f"/plates/{plate}/plan", body)
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate})
    tablet = Device(furnished, run["id"])
    bite(tablet, -9_000_000, 1200, "Fine", "Strong")
    bite(tablet, -7_000_000, 2400, "Strong")
    furnished.must("POST", f"/runs/{run['id']}/end", {})
    stood = {a["name"]: a["goal"]["value"]
             for a in plan(furnished, "lines", plate)["sheet"]["plan"]["areas"]}  # fmt: skip
    more = [GROUPS[0] | {"depth_um": stood["Fine"] + 15}, GROUPS[1]]
    kept = furnished.must("PUT", f"/plates/{plate}/plan",
                          body | {"version": 1, "areas": more, "open_again": ["Fine"]})  # fmt: skip
    (next_bite,) = kept["sheet"]["plan"]["bites"]
    assert [a["name"] for a in next_bite["areas"]] == ["Fine"]
    end = {a["name"]: a["goal"]["value"] for a in kept["sheet"]["plan"]["areas"]}
    assert end["Fine"] == pytest.approx(stood["Fine"] + 15, abs=3)
    assert end["Strong"] == pytest.approx(stood["Strong"], abs=2)
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate, "part": "lines"})
    assert run["bites_before"] == 2 and run["closed_before"] == ["Strong"]
    furnished.must("POST", f"/runs/{run['id']}/end", {"reason": "tomorrow"})

    tones = plan_body(furnished.ids) | {"id": new_id()}
    told = furnished.must("PUT", f"/plates/{plate}/plan", tones)
    deeper = {each["name"]: each for each in told["meanwhile"]}
    assert deeper["Strong"]["depth_um"] == pytest.approx(stood["Strong"], abs=2)
    assert deeper["Strong"]["depth_left_open_um"] > deeper["Strong"]["depth_um"] + 5


def test_set_aside_while_going_on_it_still_goes_on(furnished):
    bitten(furnished)
    told = proof(furnished, ("Tone 2", 64))
    on(furnished, told)
    run = begin(furnished)
    bite(Device(furnished, run["id"]), -60_000, 20, "Tone 2")
    furnished.must("POST", f"/runs/{run['id']}/end", {"reason": "tomorrow"})
    told = plan(furnished)
    assert told["set_aside"]["bites"] == 4
    rest = begin(furnished, goes_on=True)
    assert rest["bites_before"] == 4
    (left,) = rest["sheet"]["plan"]["bites"]
    assert [a["name"] for a in left["areas"]] == ["Tone 2"]


@pytest.mark.parametrize(("tone", "read"), [("Tone 2", 50), ("Tone 2", 20), ("Paper", 94),
                                            ("Ghost", 50)])  # fmt: skip
def test_where_the_proof_asks_for_no_bite_none_is_planned(furnished, tone, read):
    bitten(furnished)
    told = proof(furnished, ("Tone 2", read))
    status, reply = on(furnished, told, tone)
    assert status == 422 and reply["error"]["code"] == "no-such-advice"


def test_what_is_not_in_the_plan_is_not_opened_again(furnished):
    bitten(furnished)
    body = plan_body(furnished.ids, version=1, open_again=["Ghost"])
    status, told = furnished.ask("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    assert status == 422 and told["error"]["field"] == "open_again"


def test_lines_under_a_second_ground_are_a_second_plan_of_the_plate(furnished):
    first = bitten(furnished)
    url = f"/plates/{furnished.ids['plate']}/plan"
    body = plan_body(furnished.ids, version=first["version"], anew=True)
    body["areas"] = [{"name": "New sky", "lstar": 60, "open_cm2": 30}]
    drafted = furnished.must("POST", f"{url}/draft", body)
    assert drafted["sheet"]["plan"]["done"] == [] and drafted["sheet"]["plan"]["bites"]
    second = furnished.must("PUT", url, body)
    assert (second["ground"], second["grounds_before"]) == (2, [1]) and not second["bitten"]
    assert [a["name"] for a in plan(furnished)["areas"]] == ["New sky"]
    kept = furnished.must("GET", f"{url}?part=tones&ground=1")
    assert kept["bitten"] and [a["name"] for a in kept["areas"]][1:] == OPEN
    assert len(kept["sheet"]["plan"]["done"]) == 3
    run = begin(furnished)
    assert [a["name"] for a in run["areas"]] == ["New sky"] and run["bites_before"] == 0
    bite(Device(furnished, run["id"]), -90_000, 60, "New sky")
    furnished.must("POST", f"/runs/{run['id']}/end", {})
    assert plan(furnished)["bitten"] and len(plan(furnished)["sheet"]["plan"]["done"]) == 1
    assert furnished.ask("GET", f"{url}?part=tones&ground=3")[0] == 404


def test_a_new_ground_before_anything_was_bitten_is_the_same_plan(furnished):
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    Run.objects.all().delete()
    body = plan_body(furnished.ids, version=1, anew=True)
    told = furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    assert (told["ground"], told["version"]) == (1, 2)


def test_a_draft_after_the_bites_shows_them_and_opens_nothing_that_is_not_ticked(furnished):
    made = bitten(furnished)
    body = plan_body(furnished.ids, version=made["version"])
    told = furnished.must("POST", f"/plates/{furnished.ids['plate']}/plan/draft", body)
    assert told["bitten"] and len(told["sheet"]["plan"]["done"]) == 3
    assert told["sheet"]["plan"]["bites"] == []
    strip_ground(furnished)
    fresh = furnished.must("POST", f"/plates/{furnished.ids['plate']}/plan/draft", body)
    assert fresh["sheet"]["plan"]["done"] == [] and fresh["sheet"]["plan"]["bites"]
    kept = furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    assert (kept["ground"], kept["bitten"]) == (2, False), "the bitten plan is kept as it was"


def finish_on(person, told, seconds):
    """Bite on as the proof's advice says, for so many seconds, to the end."""
    assert on(person, told)[0] == 200
    run = begin(person)
    bite(Device(person, run["id"]), -60_000, seconds, "Tone 2")
    person.must("POST", f"/runs/{run['id']}/end", {})


def test_a_proof_after_biting_on_still_knows_what_was_wanted(furnished):
    bitten(furnished)
    finish_on(furnished, proof(furnished, ("Tone 2", 64)), 60)
    (tone,) = proof(furnished, ("Tone 2", 52))["tones"]
    assert tone["wanted_lstar"] == 50 and tone["expected_lstar"] < 60


def test_a_grain_bitten_in_two_runs_is_one_screen(furnished):
    bitten(furnished)
    finish_on(furnished, proof(furnished, ("Tone 2", 64)), 60)
    once = next(a for a in plan(furnished)["sheet"]["plan"]["areas"] if a["name"] == "Tone 3")
    strip_ground(furnished)
    assert plan(furnished)["over_first"] == [], "its own bites are no screen below it"
    body = plan_body(furnished.ids, version=plan(furnished)["version"])
    fresh = furnished.must("POST", f"/plates/{furnished.ids['plate']}/plan/draft", body)
    first = {each["name"]: each["first"]["value"] for each in fresh["over_first"]}
    assert first["Tone 3"] == pytest.approx(once["goal"]["value"], abs=0.6)


def test_set_aside_while_going_on_the_plan_may_lose_an_area_and_is_still_shown(furnished):
    bitten(furnished)
    on(furnished, proof(furnished, ("Tone 2", 64)))
    run = begin(furnished)
    bite(Device(furnished, run["id"]), -60_000, 20, "Tone 2")
    furnished.must("POST", f"/runs/{run['id']}/end", {"reason": "tomorrow"})
    body = plan_body(furnished.ids, version=plan(furnished)["version"])
    body["areas"] = [area for area in body["areas"] if area["name"] != "Tone 2"]
    furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    assert plan(furnished)["areas"]


def test_minutes_that_were_meant_are_told_in_the_proof_as_the_tone_they_should_give(furnished):
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    body = plan_body(furnished.ids, version=1)
    body["areas"] = [{"name": "Sky", "lstar": None, "seconds": 240, "open_cm2": 30}]
    furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    run = begin(furnished)
    bite(Device(furnished, run["id"]), -600_000, 240, "Sky")
    furnished.must("POST", f"/runs/{run['id']}/end", {})
    (tone,) = proof(furnished, ("Sky", 60))["tones"]
    assert tone["wanted_lstar"] == tone["expected_lstar"] < 70
