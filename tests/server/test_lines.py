"""Lines on a plate: planned, bitten, measured; lines first, then tones."""

import pytest

from server.baths.models import Bath
from tests.server.conftest import PATCHES, Device, new_id

GROUPS = [
    {"name": "strong", "depth_um": 60, "needle_um": 80, "spacing_um": 700, "open_cm2": 10},
    {"name": "fine", "depth_um": 15, "needle_um": 40, "open_cm2": 6},
]


@pytest.fixture
def etched(keeper):
    """A mixed copper plate with a bath, a line strip and a plan of lines."""
    keeper.ids = {kind: new_id() for kind in ("plate", "bath", "strip", "plan", "tones", "run")}
    keeper.must("POST", "/plates", {"id": keeper.ids["plate"], "name": "Mixed", "metal": "copper",
                                    "route": "mixed", "thickness_mm": 1.2, "width_mm": 200,
                                    "height_mm": 150})  # fmt: skip
    keeper.must("POST", "/baths", {"id": keeper.ids["bath"], "name": "Tray", "volume_l": 4,
                                   "mordant": "copper-ferric", "temperature_c": 20})  # fmt: skip
    lines = [{"seconds": s, "depth_um": 1.2 * (s - 7.5) / 60} for s in (300, 900)]
    keeper.must("POST", "/strips", {"id": keeper.ids["strip"], "name": "Lines", "lines": lines,
                                    "patches": [{"seconds": s, "lstar": v} for s, v in PATCHES],
                                    "conditions": {"mordant": "copper-ferric"}})  # fmt: skip
    return keeper


def line_plan(person, **more):
    body = {"id": person.ids["plan"], "part": "lines", "bath": person.ids["bath"],
            "areas": GROUPS, **more}  # fmt: skip
    return person.ask("PUT", f"/plates/{person.ids['plate']}/plan", body)


def test_a_plan_of_lines_is_kept_finest_first_and_solved(etched):
    status, plan = line_plan(etched)
    assert status == 200, plan
    assert [area["name"] for area in plan["areas"]] == ["fine", "strong"]
    sheet = plan["sheet"]
    assert sheet["part"] == "lines" and sheet["areas"][1]["wanted"] == 60
    first = sheet["plan"]["bites"][0]["areas"][0]
    assert first["lines"]["depth_um"] == pytest.approx(15, abs=0.5)
    url = f"/plates/{etched.ids['plate']}/plan"
    assert etched.must("GET", url + "?part=lines")["id"] == plan["id"]
    assert etched.ask("GET", url)[0] == 404


def test_a_line_strip_and_measured_lines_correct_the_bites(etched):
    guess = line_plan(etched)[1]["sheet"]["plan"]["bites"]
    known = line_plan(etched, version=1, strip=etched.ids["strip"])[1]["sheet"]["plan"]["bites"]
    assert known[0]["seconds"] > 1.1 * guess[0]["seconds"]  # 1.2 µm/min instead of 1.5
    mine = [{"seconds": 600, "depth_um": 20, "depth_spread_um": 0.5}]
    line_plan(etched, version=2, measured=mine)
    quick = etched.must("GET", f"/plates/{etched.ids['plate']}/plan?part=lines")
    assert quick["measured"][0]["depth_um"] == 20
    assert quick["sheet"]["plan"]["bites"][0]["seconds"] < guess[0]["seconds"]  # 2.0 µm/min


@pytest.mark.parametrize(
    ("area", "field"),
    [({"name": "g"}, ""), ({"name": "g", "depth_um": 20, "darkness": 0.4}, ""),
     ({"name": "g", "depth_um": 2000}, "areas.0.depth_um"),
     ({"name": "g", "depth_um": 20, "needle_um": 500, "spacing_um": 300}, "groups.0.needle_um")],
)  # fmt: skip
def test_groups_that_cannot_be_are_refused_by_name(etched, area, field):
    status, reply = line_plan(etched, areas=[{"open_cm2": 1, **area}])
    assert status == 422 and field in reply["error"]["field"]


def bite_lines(person):
    person.must("POST", "/runs", {"id": person.ids["run"], "plate": person.ids["plate"]})
    tablet = Device(person, person.ids["run"])
    dip = tablet.event("dip", -1_000_000, open=["fine", "strong"])
    tablet.send(dip, tablet.event("lift", -100_000, dip=dip["id"]))
    return person.must("GET", f"/runs/{person.ids['run']}")


def test_lines_are_bitten_first_and_a_late_lift_is_told_in_um(etched):
    line_plan(etched)
    tones = {"id": etched.ids["tones"], "bath": etched.ids["bath"],
             "areas": [{"name": "Tone 1", "lstar": 60, "open_cm2": 50}]}  # fmt: skip
    etched.must("PUT", f"/plates/{etched.ids['plate']}/plan", tones)
    run = bite_lines(etched)
    assert run["part"] == "lines"
    [warning] = [w for w in run["sheet"]["plan"]["warnings"] if w["area"] == "fine"]
    assert warning["code"] == "overshoot" and "fine is 22 µm deep, wanted 15" in warning["text"]
    before = Bath.objects.get().load_g_per_l
    etched.must("POST", f"/runs/{etched.ids['run']}/end")
    # 16 cm² of bare copper, 22.3 µm deep, in 4 L
    grams_per_l = 16 * 22.3e-4 * 8.96 / 4
    assert Bath.objects.get().load_g_per_l - before == pytest.approx(grams_per_l, rel=0.1)
    done = etched.must("GET", f"/plates/{etched.ids['plate']}/plan?part=lines")
    assert done["bitten"] and done["sheet"]["plan"]["bites"] == []
    second = etched.must("POST", "/runs", {"id": new_id(), "plate": etched.ids["plate"]})
    assert second["part"] == "tones"
    course = etched.must("GET", f"/plates/{etched.ids['plate']}/course")
    status = {step["id"]: step["status"] for step in course["steps"]}
    assert (status["plan-lines"], status["bite-lines"]) == ("done", "done")
    assert status["bite-tones.2"] == "todo"
