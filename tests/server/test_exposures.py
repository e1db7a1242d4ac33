"""Lamps, two-way tests and step charts: kept, measured, read, and what follows from them."""

import numpy as np
import pytest

from server.exposures.models import Chart, Lamp, Measurement
from server.exposures.models import Test as TwoWay
from server.record.models import Entry
from tests.core.polymer.test_correction_curve import chart as chart_steps
from tests.core.polymer.test_exposure_pair import of
from tests.server.conftest import new_id

TUBES = {"name": "Six tubes", "kind": "tubes", "hours": 400, "distance_mm": 80}
NINE = [3.0, 3.4, 3.1, 3.5, 4.0, 3.6, 3.0, 3.3, 2.9]


@pytest.fixture
def lamp(keeper):
    return keeper.must("PUT", "/lamps", TUBES | {"id": new_id()})


def entries(person, kind):
    return list(Entry.objects.filter(room=person.room, kind=kind).values_list("text", flat=True))


def measured(person, lamp, **reading):
    given = {"id": new_id(), "kind": "irradiance", "hours": 400, **reading}
    return person.must("POST", f"/lamps/{lamp['id']}/measurements", given)


def test_a_lamp_says_what_it_gives_today_and_how_surely(keeper, lamp):
    assert lamp["label"] == "Tubes" and not lamp["inverse_square"]
    assert lamp["today"]["life_left_hours"] == 400 and not lamp["today"]["measured"]
    told = measured(keeper, lamp, mw_per_cm2=4.1)
    assert told["today"]["mw_low"] < 4.1 < told["today"]["mw_high"] and told["today"]["measured"]
    assert told["measurements"][0]["text"] == "4.1 mW/cm² at 400 h"
    assert "Measured Six tubes: 4.1 mW/cm² at 400 h." in entries(keeper, "lamp")


def test_hours_grow_with_a_reading_and_are_never_turned_back_by_one(keeper, lamp):
    assert measured(keeper, lamp, hours=420, mw_per_cm2=4.0)["hours"] == 420
    assert measured(keeper, lamp, hours=300, mw_per_cm2=4.4)["hours"] == 420


def test_a_lamp_without_hours_is_taken_and_says_so(keeper):
    told = keeper.must("PUT", "/lamps", {"id": new_id(), "name": "Old one", "kind": "point"})
    assert told["hours"] is None and "not counted" in told["today"]["text"]
    assert measured(keeper, told, hours=10, mw_per_cm2=2)["hours"] == 10


def test_hours_corrected_below_a_reading_stop_nothing(keeper, lamp):
    measured(keeper, lamp, mw_per_cm2=4.1)
    told = keeper.must("PUT", "/lamps", TUBES | {"id": lamp["id"], "version": 1, "hours": 40})
    assert told["hours"] == 40 and told["today"]["measured"]
    assert keeper.must("GET", "/lamps")["total"] == 1


def test_nine_points_make_a_map(keeper):
    bed = {"bed_width_mm": 400, "bed_height_mm": 300, "nine": NINE}
    told = keeper.must("PUT", "/lamps", TUBES | bed | {"id": new_id()})
    assert told["evenness"]["weakest"] and len(told["evenness"]["map"]) == 5
    status, reply = keeper.ask("PUT", "/lamps", TUBES | {"id": new_id(), "nine": NINE[:4]})
    assert (status, "nine readings" in reply["error"]["text"]) == (422, True)


def test_a_wedge_and_a_dose_are_readings_too(keeper, lamp):
    told = measured(keeper, lamp, kind="wedge", seconds=90, held_step=7)
    assert told["measurements"][0]["text"] == "wedge held step 7 in 1:30 at 400 h"
    told = measured(keeper, lamp, kind="dose", seconds=100, mj_per_cm2=400)
    assert told["today"]["mw_per_cm2"] == pytest.approx(4, abs=0.1)


def test_a_reading_that_was_none_is_taken_back(keeper, lamp):
    row = measured(keeper, lamp, mw_per_cm2=40)["measurements"][0]
    path = f"/lamps/{lamp['id']}/measurements/{row['id']}"
    told = keeper.must("PUT", path, {"version": 1, "taken_back": True})
    assert not told["today"]["measured"] and told["measurements"][0]["taken_back"]
    assert keeper.ask("PUT", path, {"version": 1, "taken_back": False})[0] == 409
    assert keeper.must("PUT", path, {"version": 2, "taken_back": False})["today"]["measured"]
    other = keeper.must("PUT", "/lamps", TUBES | {"id": new_id(), "name": "Other"})
    wrong = f"/lamps/{other['id']}/measurements/{row['id']}"
    assert keeper.ask("PUT", wrong, {"version": 3, "taken_back": True})[0] == 409


def test_what_is_sent_twice_is_stored_once(keeper, lamp):
    given = {"id": new_id(), "kind": "irradiance", "hours": 400, "mw_per_cm2": 4}
    for _ in range(2):
        keeper.must("POST", f"/lamps/{lamp['id']}/measurements", given)
        keeper.must("PUT", "/lamps", TUBES | {"id": lamp["id"]})
    assert Lamp.objects.count() == Measurement.objects.count() == 1
    other = keeper.must("PUT", "/lamps", TUBES | {"id": new_id(), "name": "Other"})
    assert keeper.ask("POST", f"/lamps/{other['id']}/measurements", given)[0] == 409


def test_a_stale_change_of_a_lamp_is_refused(keeper, lamp):
    keeper.must("PUT", "/lamps", TUBES | {"id": lamp["id"], "version": 1, "hours": 410})
    status, reply = keeper.ask("PUT", "/lamps", TUBES | {"id": lamp["id"], "version": 1})
    assert (status, reply["error"]["code"]) == (409, "stale")


@pytest.mark.parametrize(
    ("change", "field"),
    [({"kind": "candle"}, "kind"), ({"hours": -1}, "hours"), ({"name": ""}, "name"),
     ({"distance_mm": 0}, "distance_mm"), ({"nine": [0] * 9}, "nine.0")],
)  # fmt: skip
def test_an_impossible_lamp_is_refused_by_field(keeper, change, field):
    status, reply = keeper.ask("PUT", "/lamps", TUBES | {"id": new_id()} | change)
    assert (status, reply["error"]["field"]) == (422, field)


def patches(seed=3, laid=(4, 4)):
    return of(seed, *laid)[2]


def test_a_test_is_planned_exposed_and_read(keeper, lamp):
    plan = {"screen_steps": 4, "image_steps": 4}
    made = keeper.must(
        "POST", "/exposure-tests",
        {"id": new_id(), "name": "First", "lamp": lamp["id"], "planned": plan},
    )  # fmt: skip
    assert made["waits"] == "to expose" and len(made["plan"]["steps"]) == 8
    assert made["pair"] is None and made["lamp_hours"] is None
    path = f"/exposure-tests/{made['id']}"
    told = keeper.must("PUT", path, {"version": 1, "patches": patches()})
    assert told["waits"] == "" and told["lamp_hours"] == 400
    assert told["pair"]["highlight_held"] and told["today"]["times"] == 1
    card = keeper.must("GET", "/exposure-tests")["items"][0]
    assert card["screen_seconds"] == told["pair"]["screen_seconds"]
    assert any("then image" in text for text in entries(keeper, "exposure"))


def test_the_pair_follows_the_lamp(keeper, lamp):
    given = {"id": new_id(), "name": "First", "lamp": lamp["id"], "patches": patches()}
    made = keeper.must("POST", "/exposure-tests", given)
    for hours, light in ((400, 4.0), (600, 3.0)):
        measured(keeper, lamp, hours=hours, mw_per_cm2=light)
    told = keeper.must("GET", f"/exposure-tests/{made['id']}")
    assert told["today"]["times"] == pytest.approx(4 / 3, rel=0.08)
    assert told["today"]["low"] < told["today"]["times"] < told["today"]["high"]
    ratio = told["today"]["image_seconds"] / told["pair"]["image_seconds"]
    assert ratio == pytest.approx(told["today"]["times"], rel=0.01)


def test_patches_that_give_no_pair_are_kept_with_the_reason(keeper, lamp):
    same = [{**each, "screen_seconds": 60} for each in patches()]
    given = {"id": new_id(), "name": "One time", "lamp": lamp["id"], "patches": same}
    told = keeper.must("POST", "/exposure-tests", given)
    assert told["pair"] is None and told["fault"]["code"] == "one-time"
    assert len(told["readings"]) == 16 and told["waits"] == "to read"
    mended = keeper.must(
        "PUT", f"/exposure-tests/{told['id']}", {"version": 1, "patches": patches()}
    )
    assert mended["fault"] is None and mended["pair"]


def test_a_test_may_no_longer_count_and_its_note_stays(keeper, lamp):
    given = {"id": new_id(), "name": "Old", "lamp": lamp["id"], "patches": patches()}
    made = keeper.must("POST", "/exposure-tests", given | {"note": "old film"})
    path = f"/exposure-tests/{made['id']}"
    told = keeper.must("PUT", path, {"version": 1, "out_reason": "other film"})
    assert told["out_reason"] == "other film" and told["note"] == "old film"
    assert keeper.ask("PUT", path, {"version": 1, "name": "x"})[0] == 409
    assert any("no longer counts: other film" in text for text in entries(keeper, "exposure"))


def test_a_chart_gives_its_curve(keeper, lamp):
    steps = chart_steps(lambda x: 93 - 68 * x**0.8, 21, np.random.default_rng(1))
    given = {"id": new_id(), "name": "21 steps", "lamp": lamp["id"], "steps": steps,
             "screen_seconds": 80, "image_seconds": 165}  # fmt: skip
    told = keeper.must("POST", "/charts", given)
    assert len(told["curve"]["film"]) == 256 and told["lamp_hours"] == 400
    assert told["curve"]["lightest_lstar"] == pytest.approx(93, abs=1.5)
    assert any("21 steps, L*" in text for text in entries(keeper, "exposure"))
    turned = [{**each, "film": 1 - each["film"]} for each in steps]
    told = keeper.must("PUT", f"/charts/{told['id']}", {"version": 1, "steps": turned})
    assert told["curve"] is None and told["fault"]["code"] == "does-not-fall"
    assert Chart.objects.get().steps[0]["film"] == 1.0


def test_things_of_another_room_are_not_tied(keeper, stranger, lamp):
    other = stranger.must("PUT", "/lamps", TUBES | {"id": new_id()})
    for path, more in (("/exposure-tests", {}), ("/charts", {"screen_seconds": 80,
                                                             "image_seconds": 90})):  # fmt: skip
        given = {"id": new_id(), "name": "x", "lamp": other["id"], **more}
        assert keeper.ask("POST", path, given)[0] == 404
    assert TwoWay.objects.count() == Chart.objects.count() == 0


@pytest.mark.parametrize(
    ("reading", "said"),
    [({"kind": "wedge", "seconds": 90}, "held_step"), ({"kind": "dose"}, "mj_per_cm2 and seconds"),
     ({"kind": "irradiance", "seconds": 90}, "mw_per_cm2")],
)  # fmt: skip
def test_half_a_reading_is_refused(keeper, lamp, reading, said):
    given = {"id": new_id(), "hours": 400, **reading}
    status, reply = keeper.ask("POST", f"/lamps/{lamp['id']}/measurements", given)
    assert (status, said in reply["error"]["text"]) == (422, True)
    assert Measurement.objects.count() == 0


def test_strips_that_cannot_be_laid_are_refused_before_they_are_stored(keeper, lamp):
    given = {"id": new_id(), "name": "Small", "lamp": lamp["id"], "planned": {"width_mm": 20}}
    status, reply = keeper.ask("POST", "/exposure-tests", given)
    assert (status, reply["error"]["field"]) == (422, "planned.width_mm")
    assert TwoWay.objects.count() == 0
    made = keeper.must("POST", "/exposure-tests", given | {"planned": {"width_mm": 60}})
    path = f"/exposure-tests/{made['id']}"
    change = {"version": 1, "planned": {"width_mm": 20}}
    assert keeper.ask("PUT", path, change)[0] == 422
    TwoWay.objects.update(planned={"width_mm": 20})  # as other limits may have let in
    assert keeper.must("GET", path)["plan"] is None
