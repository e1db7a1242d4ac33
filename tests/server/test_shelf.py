"""Baths, strips, plates, units and the record: changed, searched, listed, exported."""

import csv
import io
import json

import pytest

from server.baths.models import Bath
from server.record.models import Entry
from server.strips.models import Strip
from tests.server.conftest import PATCHES, Device, furnish, new_id, plan_body


def test_a_bath_is_changed_and_its_measured_speed_comes_and_goes(furnished):
    path = f"/baths/{furnished.ids['bath']}"
    changed = furnished.must("PUT", path, {"version": 1, "name": "Deep tray", "volume_l": 6,
                                           "baume": 40, "room_c": 17})  # fmt: skip
    assert (changed["name"], changed["volume_l"], changed["version"]) == ("Deep tray", 6, 2)
    measured = furnished.must("PUT", path, {"version": 2, "rate_factor": 0.8})
    assert measured["speed_from"] == "measured" and measured["speed"] == pytest.approx(
        0.8, abs=0.01
    )
    assert Bath.objects.get(id=furnished.ids["bath"]).measured_c == 18.5
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {"reason": "tomorrow"})
    gone = furnished.must("PUT", path, {"version": 3, "rate_factor": None, "retired": True})
    assert gone["speed_from"] != "measured" and gone["retired"] and gone["measured_at"] is None
    status, reply = furnished.ask("PUT", path, {"version": 3, "name": "late"})
    assert status == 409 and reply["error"]["allowed"] == "4"
    assert Entry.objects.filter(text__startswith="Changed Deep tray: ").count() == 2
    assert Entry.objects.filter(text__contains="volume 4 → 6 L").count() == 1
    assert Entry.objects.filter(text__startswith="Retired Deep tray. 0.0 g/L").exists()


def test_readings_are_listed_newest_first_and_an_older_one_changes_nothing(furnished):
    path = f"/baths/{furnished.ids['bath']}"
    furnished.tablet.send(furnished.tablet.event("temperature", 60_000, celsius=21))
    furnished.must(
        "POST", f"{path}/readings", {"id": new_id(), "temperature_c": 19, "note": "dial"}
    )
    bath = furnished.must("GET", path)
    assert bath["temperature_c"] == 21  # the event is newer than the reading typed now
    loaded = furnished.must("POST", f"{path}/readings", {"id": new_id(), "load_g_per_l": 30})
    assert loaded["load_g_per_l"] == 30 and loaded["life_left_share"] == pytest.approx(0.5)
    listed = furnished.must("GET", f"{path}/readings")
    assert [r["load_g_per_l"] for r in listed["items"]] == [30, None, 0]
    assert listed["items"][-1]["note"] == "As it stood when it was made up."


def test_a_strip_is_changed_fitted_again_and_asked(furnished):
    path = f"/strips/{furnished.ids['strip']}"
    strip = furnished.must("GET", path)
    darker = [{"seconds": s, "lstar": v - 4} for s, v in PATCHES]
    changed = furnished.must("PUT", path, {"version": strip["version"], "name": "Darker",
                                           "patches": darker, "note": "read again",
                                           "read_on": "2026-11-02"})  # fmt: skip
    assert (
        changed["darkest_lstar"] < strip["darkest_lstar"] - 2 and changed["read_on"] == "2026-11-02"
    )
    out = [{**patch, "left_out": i == 2} for i, patch in enumerate(darker)]
    left = furnished.must("PUT", path, {"version": changed["version"], "patches": out})
    assert left["left_out"] == 1 and left["patches"] == len(PATCHES)
    answer = furnished.must("POST", f"{path}/ask", {"lstar": [50], "seconds": [240],
                                                    "bath": furnished.ids["bath"]})  # fmt: skip
    assert answer["points"][0]["lstar"] == pytest.approx(50, abs=0.5)
    assert furnished.ask("PUT", path, {"version": 1, "name": "late"})[0] == 409


def test_a_strip_is_bitten_dip_by_dip_and_its_patches_follow(furnished):
    path = f"/strips/{furnished.ids['strip']}"
    furnished.must("PUT", path, {"version": 1, "bath": furnished.ids["bath"]})
    tablet = Device(furnished, furnished.ids["strip"])

    def send(*events):
        return furnished.ask("POST", f"{path}/events", {"events": list(events)})

    dips = [tablet.event("dip", at, open=["patch"]) for at in (-600_000, -400_000)]
    lifts = [tablet.event("lift", at, dip=dip["id"])
             for at, dip in zip((-540_000, -280_000), dips, strict=True)]  # fmt: skip
    status, strip = send(tablet.event("temperature", -650_000, celsius=20.5), *dips, *lifts)
    assert status == 200 and strip["seconds"] == [60, 180] and not strip["in_bath"]
    bath = furnished.must("GET", f"/baths/{furnished.ids['bath']}")
    assert bath["temperature_c"] == 18.5  # it was made up after that reading
    undo = tablet.event("undo", 0, event=lifts[1]["id"])
    assert send(undo)[1]["in_bath"]
    assert furnished.must("GET", f"{path}/bites")["seconds"] == [60]
    assert Entry.objects.filter(kind="strip: dip").count() == 2
    assert furnished.must("GET", path)["bath_name"] == "Tray"


def test_a_strip_cannot_go_into_a_bath_of_another_metal(furnished):
    zinc = new_id()
    bath = {"id": zinc, "name": "Blue", "volume_l": 3, "mordant": "zinc-copper-sulphate",
            "temperature_c": 18}  # fmt: skip
    furnished.must("POST", "/baths", bath)
    path = f"/strips/{furnished.ids['strip']}"
    status, reply = furnished.ask("PUT", path, {"version": 1, "bath": zinc})
    assert status == 422 and reply["error"]["code"] == "wrong-bath"
    assert str(Strip.objects.get(id=furnished.ids["strip"]).bath_id) == furnished.ids["bath"]


def test_plates_are_found_by_name_route_and_metal_and_put_away(furnished):
    other = {"id": new_id(), "name": "Night Ferry", "metal": "zinc", "route": "etched line",
             "thickness_mm": 1, "width_mm": 90, "height_mm": 90}  # fmt: skip
    furnished.must("POST", "/plates", other)

    def found(query):
        return [plate["name"] for plate in furnished.must("GET", f"/plates?{query}")["items"]]

    assert found("search=ferry") == ["Night Ferry"] == found("metal=zinc")
    assert found("search=aquatint") == ["Plate"] and found("search=nothing") == []
    furnished.must("PUT", f"/plates/{other['id']}", {"version": 1, "put_away": True})
    assert found("") == ["Plate"] and found("put_away=true") == ["Night Ferry"]
    assert furnished.must("GET", "/plates?page=2")["items"] == []


def test_a_plate_s_facts_change_in_words(furnished):
    path = f"/plates/{furnished.ids['plate']}"
    version = furnished.must("GET", path)["version"]
    furnished.must("PUT", path, {"version": version, "place": "drawing", "place_note": "with Bea",
                                 "facts": {"back": "filmed", "face_marked": True}})  # fmt: skip
    entry = Entry.objects.filter(kind="plate").latest("at")
    assert entry.text == (
        "Changed: place bath → drawing; place note nothing → with Bea; "
        "face marked no → yes; back nothing → filmed."
    )
    status, reply = furnished.ask("PUT", path, {"version": 99, "name": "x"})
    assert (status, reply["error"]["field"]) == (409, "version")


def test_units_are_chosen_by_the_person_and_kept(keeper):
    body = json.dumps({"length_unit": "in", "temperature_unit": "F"})
    reply = keeper.client.put("/api/session/units", body, content_type="application/json")
    assert reply.status_code == 200
    me = keeper.client.get("/api/session").json()["me"]
    assert (me["length_unit"], me["temperature_unit"]) == ("in", "F")
    bad = json.dumps({"length_unit": "ell", "temperature_unit": "F"})
    refused = keeper.client.put("/api/session/units", bad, content_type="application/json")
    assert refused.status_code == 422 and refused.json()["error"]["field"] == "length_unit"


def test_the_record_is_searched_and_exported(furnished):
    furnished.tablet.send(
        furnished.tablet.event("note", -5_000, text="=HYPERLINK(1)"),
        furnished.tablet.event("observation", -4_000, about="bubbles", text="all over"),
    )
    hits = furnished.must("GET", "/record?search=bubbles")
    assert hits["total"] == 1 and hits["items"][0]["text"] == "Saw: bubbles all over"
    assert furnished.must("GET", "/record?search=run:")["total"] == 2
    reply = furnished.client.get(f"/api/rooms/{furnished.room.id}/record.csv")
    rows = list(csv.reader(io.StringIO(reply.content.decode())))
    assert rows[0] == ["at", "by", "kind", "plate", "text"]
    texts = [row[4] for row in rows[1:]]
    assert "'=HYPERLINK(1)" in texts and rows[1][0] < rows[-1][0]
    one = furnished.client.get(
        f"/api/rooms/{furnished.room.id}/record.csv?plate={furnished.ids['plate']}"
    )
    assert len(one.content) < len(reply.content)


def test_a_run_needs_a_plan_and_there_is_one_at_a_time(keeper):
    ids = furnish(keeper)
    status, reply = keeper.ask("POST", "/runs", {"id": new_id(), "plate": ids["plate"]})
    assert status == 409 and reply["error"]["code"] == "run-under-way"
    bare = {"id": new_id(), "name": "Bare", "metal": "copper", "route": "aquatint",
            "thickness_mm": 1, "width_mm": 90, "height_mm": 90}  # fmt: skip
    keeper.must("POST", "/plates", bare)
    for part in (None, "lines"):
        status, reply = keeper.ask("POST", "/runs", {"id": new_id(), "plate": bare["id"],
                                                     "part": part})  # fmt: skip
        assert status == 422 and reply["error"]["code"] == "no-plan"
    assert keeper.ask("GET", f"/plates/{bare['id']}/plan")[0] == 404


def test_an_ended_run_is_kept_listed_and_bitten_again(furnished):
    furnished.tablet.bite(-90_000, "Tone 1", "Tone 2", "Tone 3")
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end")
    again = furnished.must("POST", "/runs", {"id": new_id(), "plate": furnished.ids["plate"]})
    listed = furnished.must("GET", f"/runs?plate={furnished.ids['plate']}")
    assert listed["total"] == 2 and again["part"] == "tones"
    plan = furnished.must("GET", f"/plates/{furnished.ids['plate']}/plan")
    assert plan["run"] == again["id"]


@pytest.mark.parametrize("metal", ["zinc", "plastic", "polymer"])
def test_only_its_own_metal_goes_into_ferric(furnished, metal):
    route = {"plastic": "drypoint", "polymer": "photopolymer"}.get(metal, "aquatint")
    plate = {"id": new_id(), "name": metal, "metal": metal, "route": route, "thickness_mm": 1,
             "width_mm": 90, "height_mm": 90}  # fmt: skip
    furnished.must("POST", "/plates", plate)
    status, reply = furnished.ask("PUT", f"/plates/{plate['id']}/plan", plan_body(furnished.ids))
    error = reply["error"]
    assert status == 422 and error["field"] == "bath"
    assert error["code"] == ("wrong-bath" if metal == "zinc" else "nothing-to-bite")
    assert ("gas" in error["text"]) == (metal == "zinc")
