"""Spit bite over HTTP: bottle named, caution acknowledged, pools timed."""

import pytest

from server.baths.models import Bath
from server.record.models import Entry
from tests.server.conftest import Device, furnish, new_id

AREAS = [{"name": "Whites", "lstar": None, "open_cm2": 30},
         {"name": "Steam", "lstar": 66, "open_cm2": 12, "parts": "above the pots"},
         {"name": "Shadow", "lstar": 40, "open_cm2": 8}]  # fmt: skip


@pytest.fixture
def pools(keeper):
    """A plate for spit bite with its bottle and plan."""
    keeper.ids = furnish(keeper) | {"bottle": new_id(), "stall": new_id(), "pools": new_id()}
    ids = keeper.ids
    keeper.must("POST", "/baths", {"id": ids["bottle"], "name": "Bottle", "vessel": "bottle",
                                   "volume_l": 0.25, "mordant": "copper-ferric",
                                   "temperature_c": 19})  # fmt: skip
    keeper.must("POST", "/plates", {"id": ids["stall"], "name": "Stall", "metal": "copper",
                                    "route": "spit bite", "thickness_mm": 1.2, "width_mm": 150,
                                    "height_mm": 150})  # fmt: skip
    keeper.plan = {"id": new_id(), "part": "spit-bite", "bath": ids["bottle"],
                   "strip": ids["strip"], "areas": AREAS}  # fmt: skip
    keeper.must("PUT", f"/plates/{ids['stall']}/plan", keeper.plan)
    return keeper


def begin(person, **more):
    body = {"id": person.ids["pools"], "plate": person.ids["stall"], **more}
    return person.ask("POST", "/runs", body)


def test_the_plate_says_what_its_process_is_and_asks(pools):
    plate = pools.must("GET", f"/plates/{pools.ids['stall']}")
    assert plate["parts"] == ["spit-bite"] == plate["planned"]
    (words,) = plate["processes"]
    assert (words["title"], words["many"], words["hands"]["dip"]) == ("Pools", "the pools", "Brush")
    (caution,) = plate["asks"]["spit-bite"]
    assert caution["level"] == "danger" and "water" in caution["now"]
    facts = {step["step"]: step["fact"] for step in plate["course"]}
    assert facts["plan"] == "2 pools from strip Strip"


def test_it_begins_only_with_its_caution_acknowledged_and_the_record_says_so(pools):
    status, reply = begin(pools)
    error = reply["error"]
    assert (status, error["code"], error["field"]) == (422, "caution-unread", "acknowledged")
    assert error["allowed"] == "spit-bite" and "Nothing goes to the mouth" in error["text"]
    assert begin(pools, acknowledged=["ferric"])[0] == 422
    status, run = begin(pools, acknowledged=["spit-bite"])
    assert status == 201 and run["part"] == "spit-bite"
    assert run["care"] == {"verb": "Refresh", "done": "Refreshed", "event": "refreshed",
                           "mark": "brush", "every_seconds": 30}  # fmt: skip
    assert any("Brushed mordant" in caution for caution in run["cautions"])
    assert "Known: Brushed mordant" in Entry.objects.filter(kind="run").latest("at").text


def test_pools_are_timed_refreshed_and_load_no_bottle(pools):
    begin(pools, acknowledged=["spit-bite"])
    tablet = Device(pools, pools.ids["pools"])
    dip = tablet.event("dip", -200_000, open=["Steam", "Shadow"])
    fresh = tablet.event("refreshed", -170_000)
    _, run = tablet.send(dip, fresh)
    assert run["state"]["last_cared_seconds"] == pytest.approx(fresh["monotonic_ms"] / 1000
                                                               + tablet.origin / 1000)  # fmt: skip
    planned = run["sheet"]["plan"]["bites"][0]["seconds"]
    _, run = tablet.send(tablet.event("lift", -200_000 + planned * 1000, dip=dip["id"]))
    second = run["sheet"]["plan"]["bites"][0]
    assert [area["name"] for area in second["areas"]] == ["Shadow"]
    pools.must("POST", f"/runs/{pools.ids['pools']}/end")
    assert Bath.objects.get(id=pools.ids["bottle"]).load_g_per_l == 0
    said = set(Entry.objects.filter(plate=pools.ids["stall"]).values_list("text", flat=True))
    assert "Brushed fresh mordant onto the pools." in said
    course = pools.must("GET", f"/plates/{pools.ids['stall']}/course")
    step = next(step for step in course["steps"] if step["key"] == "spit-bite")
    assert (step["status"], step["by_itself"], step["bites"]) == ("done", True, "spit-bite")


def test_the_tones_of_pools_are_read_and_advised_on(pools):
    begin(pools, acknowledged=["spit-bite"])
    proof = {
        "id": new_id(),
        "plate": pools.ids["stall"],
        "tones": [{"area": "Steam", "read_lstar": 80}, {"area": "Shadow", "read_lstar": 41}],
    }
    told = pools.must("POST", "/proofs", proof)
    assert [tone["wanted_lstar"] for tone in told["tones"]] == [66, 40]
    assert [line["act"] for line in told["advice"]["areas"]] == ["bite", "leave"]


def test_only_pools_come_out_of_a_bottle(pools):
    tones = {**pools.plan, "part": "tones", "id": new_id()}
    status, reply = pools.ask("PUT", f"/plates/{pools.ids['stall']}/plan", tones)
    error = reply["error"]
    assert (status, error["code"], error["value"]) == (422, "wrong-vessel", "bottle")
    assert error["allowed"] == "tray, tank"
    tray = {**pools.plan, "bath": pools.ids["bath"], "version": 1}
    assert pools.must("PUT", f"/plates/{pools.ids['stall']}/plan", tray)["bath_name"] == "Tray"


@pytest.mark.parametrize("part", ["scratches", "", "Lines"])
def test_a_part_that_is_no_process_is_refused_by_name(pools, part):
    plan = {**pools.plan, "part": part}
    status, reply = pools.ask("POST", f"/plates/{pools.ids['stall']}/plan/draft", plan)
    assert (status, reply["error"]["field"]) == (422, "part")
    assert "spit-bite" in reply["error"]["allowed"]


def test_a_plan_of_an_older_program_that_names_no_part_is_of_tones(keeper):
    ids = furnish(keeper)
    plan = keeper.must("GET", f"/plates/{ids['plate']}/plan")
    assert plan["part"] == "tones" == plan["process"]["key"]
