"""What a run tells of its bath: heat, sediment, others beside it, the last rinse; minutes."""

import pytest

from server.baths.models import Bath
from server.record.models import Entry
from server.runs.models import Run
from tests.server.conftest import Device, new_id, plan_body


def another_plate(person, metal="copper", **more):
    """A second plate with its plan in a bath of the room."""
    plate = new_id()
    person.must("POST", "/plates", {"id": plate, "name": "Second", "metal": metal,
                                    "route": "aquatint", "thickness_mm": 1.2, "width_mm": 200,
                                    "height_mm": 300})  # fmt: skip
    body = plan_body(person.ids, **more) | {"id": new_id()}
    return plate, person.ask("PUT", f"/plates/{plate}/plan", body)


def nitric(person, celsius):
    bath = new_id()
    person.must("POST", "/baths", {"id": bath, "name": "Blue", "mordant": "zinc-nitric-10",
                                   "volume_l": 3, "temperature_c": celsius,
                                   "fumes_known": True})  # fmt: skip
    return bath


def read(person, bath, celsius):
    person.must("POST", f"/baths/{bath}/readings", {"id": new_id(), "temperature_c": celsius})


def test_nitric_above_30_is_neither_planned_in_nor_begun(furnished):
    bath = nitric(furnished, 29.0)
    plate, (status, plan) = another_plate(furnished, "zinc", bath=bath, strip=None)
    assert status == 200, plan
    read(furnished, bath, 31.0)
    status, told = furnished.ask("PUT", f"/plates/{plate}/plan",
                                 plan_body(furnished.ids, bath=bath, strip=None, version=1)
                                 | {"id": plan["id"]})  # fmt: skip
    error = told["error"]
    assert (status, error["code"], error["unit"]) == (422, "too-hot", "°C")
    assert error["value"] == 31.0 and "30" in error["allowed"] and "brown gas" in error["text"]
    begun = furnished.ask("POST", "/runs", {"id": new_id(), "plate": plate})
    assert begun[0] == 422 and begun[1]["error"]["code"] == "too-hot"
    read(furnished, bath, 30.0)
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate})
    assert (run["heat"]["warned_c"], run["heat"]["hottest_c"]) == (27.0, 30.0)
    assert "Lift the plate" in run["heat"]["danger"] and run["heat"]["warning"]


@pytest.mark.parametrize(
    ("celsius", "key"), [(26.9, None), (27.0, "nitric-warm"), (30.0, "nitric-warm"),
                         (30.5, "nitric-hot")],
)  # fmt: skip
def test_the_bench_warns_of_warm_nitric_though_a_ferric_run_is_open(furnished, celsius, key):
    read(furnished, nitric(furnished, 20.0), celsius)
    told = [caution["key"] for caution in furnished.must("GET", "/bench")["cautions"]]
    assert [k for k in told if k.startswith("nitric-")] == ([key] if key else [])
    assert told[0] == "nitric-hot" or key != "nitric-hot", "what is wrong now comes first"
    assert "nitric" in told and "ferric" in told, "an open ferric run hides no other bath's caution"


def test_a_ferric_bath_may_be_warm(furnished):
    read(furnished, furnished.ids["bath"], 33.0)
    told = [caution["key"] for caution in furnished.must("GET", "/bench")["cautions"]]
    assert not [key for key in told if key.startswith("nitric")]
    assert furnished.must("GET", f"/runs/{furnished.ids['run']}")["heat"] is None


def test_cautions_of_the_next_step_s_own_stuff_reach_the_bench(keeper):
    plate = new_id()
    keeper.must("POST", "/plates", {"id": plate, "name": "Plate", "metal": "copper",
                                    "route": "aquatint", "thickness_mm": 1.2, "width_mm": 90,
                                    "height_mm": 90})  # fmt: skip
    told = [caution["key"] for caution in keeper.must("GET", "/bench")["cautions"]]
    assert told == ["cut-edges"]


@pytest.mark.parametrize(
    ("vessel", "given", "facing", "every"),
    [("tray", None, "face up", 120), ("tray", "face down", "face down", None),
     ("tank", None, "upright", None), ("tank", "face up", "face up", 120)],
)  # fmt: skip
def test_how_the_plate_lies_is_noted_and_the_hint_and_rocking_follow(
    furnished, vessel, given, facing, every
):
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    Bath.objects.filter(id=furnished.ids["bath"]).update(vessel=vessel)
    plan = furnished.must("GET", f"/plates/{furnished.ids['plate']}/plan")
    assert plan["facing"] == ("upright" if vessel == "tank" else "face up")
    body = {"id": new_id(), "plate": furnished.ids["plate"], "facing": given}
    run = furnished.must("POST", "/runs", body)
    assert (run["facing"], run["care"]["every_seconds"]) == (facing, every)
    words = {"face up": "rock", "face down": "falls out", "upright": "Turn it"}
    assert words[facing] in run["sediment"]
    assert Entry.objects.filter(text__contains=f"in Tray, {facing}").exists()
    older = Run.objects.get(id=run["id"])
    older.facing = ""
    older.save()
    told = furnished.must("GET", f"/runs/{run['id']}")["facing"]
    assert told == ("upright" if vessel == "tank" else "face up")


def test_two_plates_in_one_bath_are_said_and_allowed_each_with_its_clock(furnished):
    plate, (status, plan) = another_plate(furnished)
    assert status == 200
    assert "Plate is bitten in Tray, too: the two share its load" in plan["alongside"]
    assert "Dip them in turn" not in plan["alongside"]
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate})
    tablets = (furnished.tablet, Device(furnished, run["id"]))
    for tablet in tablets:
        tablet.send(tablet.event("dip", -20_000, open=["Tone 1"]))
    tray = furnished.must("GET", "/bench")["baths"][0]
    assert (tray["plate_name"], tray["also"]) == ("Plate", ["Second"])
    due = [d["plate_name"] for d in furnished.must("GET", "/bench")["due"] if d["kind"] == "lift"]
    assert sorted(due) == ["Plate", "Second"]
    before = Bath.objects.get().load_g_per_l
    for tablet, each in zip(tablets, (furnished.ids["run"], run["id"]), strict=True):
        dip = furnished.must("GET", f"/runs/{each}")["state"]["dips"][0]["event"]
        tablet.send(tablet.event("lift", 0, dip=dip))
        furnished.must("POST", f"/runs/{each}/end", {})
        after = Bath.objects.get().load_g_per_l
        assert after > before
        before = after


def test_a_bite_before_its_ground_is_laid_says_what_is_missing(furnished):
    told = furnished.must("GET", f"/plates/{furnished.ids['plate']}/plan")["waits_for"]
    assert "Paint out the whites and the edges" in told and "Cover the back and the edges" in told
    plate, (_, plan) = another_plate(furnished)
    course = furnished.must("GET", f"/plates/{plate}/course")
    for step in course["steps"]:
        if step["group"] in ("prepare", "image", "ground"):
            body = {"version": course["version"], "act": "skip", "step": step["id"], "reason": "x"}
            course = furnished.must("POST", f"/plates/{plate}/course", body)
    assert furnished.must("GET", f"/plates/{plate}/plan")["waits_for"] == []


def test_a_tray_too_small_for_both_says_so_and_what_to_do(furnished):
    Bath.objects.update(volume_l=1.5)
    _, (_, plan) = another_plate(furnished)
    assert "Its 1.5 L do not cover all of them" in plan["alongside"]
    assert "1.8 L" in plan["alongside"] and "Dip them in turn" in plan["alongside"]


def test_the_last_rinse_is_the_room_s_and_sludge_is_brushed_not_rocked(furnished):
    run = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    assert run["usual_rinse"] is None
    tablet = furnished.tablet
    tablet.send(tablet.event("neutralised", -5_000, how="vinegar and salt"),
                tablet.event("brushed", -4_000),
                tablet.event("observation", -3_000, about="felt depth", text="firm"))  # fmt: skip
    run = furnished.must("GET", f"/runs/{furnished.ids['run']}")
    assert run["usual_rinse"] == "vinegar and salt"
    assert run["state"]["observed"] == ["felt depth firm"]
    texts = set(Entry.objects.values_list("text", flat=True))
    assert {"Last rinse with vinegar and salt.", "Brushed the sludge off.",
            "Saw: felt depth firm"} <= texts  # fmt: skip


def test_sludge_of_copper_sulphate_is_brushed(furnished):
    bath = new_id()
    furnished.must("POST", "/baths", {"id": bath, "name": "Grey", "volume_l": 6, "vessel": "tank",
                   "mordant": "zinc-copper-sulphate", "temperature_c": 20})  # fmt: skip
    plate, (status, _) = another_plate(furnished, "zinc", bath=bath, strip=None)
    assert status == 200
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate})
    assert (run["care"]["event"], run["care"]["every_seconds"]) == ("brushed", 180)
    assert (run["facing"], run["sediment"]) == ("upright", "")


def test_minutes_by_habit_are_kept_told_in_tones_and_bitten_by_the_clock(furnished):
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    areas = [{"name": "Paper", "lstar": None, "open_cm2": 60}]
    areas += [{"name": f"Tone {i}", "lstar": None, "seconds": s, "open_cm2": 60}
              for i, s in ((1, 120), (2, 360), (3, 840))]  # fmt: skip
    plan = furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan",
                          plan_body(furnished.ids, version=1) | {"areas": areas})  # fmt: skip
    assert [bite["seconds"] for bite in plan["sheet"]["plan"]["bites"]] == [120, 240, 480]
    assert plan["sheet"]["by_clock"] and plan["sheet"]["areas"][3]["wanted"] < 45
    assert Entry.objects.filter(text__contains="Tone 2 for 6:00 min").exists()
    page = furnished.must("GET", f"/plates/{furnished.ids['plate']}")
    assert "3 tones" in next(s["fact"] for s in page["course"] if s["step"] == "plan")
    run = furnished.must("POST", "/runs", {"id": new_id(), "plate": furnished.ids["plate"]})
    tablet = Device(furnished, run["id"])
    dip = tablet.event("dip", -30_000, open=["Tone 1", "Tone 2", "Tone 3"])
    told = tablet.send(tablet.event("temperature", -31_000, celsius=12.0), dip)[1]
    at = told["state"]["dips"][0]["at_seconds"]
    assert told["lift_seconds"] - at == pytest.approx(120, abs=0.01)
    status, reply = furnished.ask("PUT", f"/plates/{furnished.ids['plate']}/plan", plan_body(
        furnished.ids, version=2) | {"areas": [areas[1] | {"lstar": 60}]})  # fmt: skip
    assert status == 422 and "areas.0" in reply["error"]["field"]


def test_a_plastic_is_named_on_plastic_alone(keeper):
    body = {"id": new_id(), "name": "P", "metal": "plastic", "route": "drypoint",
            "thickness_mm": 1, "width_mm": 99, "height_mm": 99,
            "facts": {"plastic": "petg"}}  # fmt: skip
    assert keeper.must("POST", "/plates", body)["facts"]["plastic"] == "petg"
    status, told = keeper.ask("POST", "/plates", body | {"id": new_id(), "metal": "copper"})
    assert status == 422 and "no plastic" in told["error"]["text"]
