"""What is measured of a bath moves its plans, is told in the record, and is taken back."""

import pytest

from server.baths.models import Bath, BathCheck
from server.record.models import Entry
from tests.server.conftest import new_id, plan_body
from tests.server.walk import COUPON


def bath_of(person):
    return f"/baths/{person.ids['bath']}"


def longest(person):
    """How long the plan lasts in all [s]."""
    path = f"/plates/{person.ids['plate']}/plan/draft"
    told = person.must("POST", path, plan_body(person.ids))
    return sum(bite["seconds"] for bite in told["sheet"]["plan"]["bites"])


def coupon(**more):
    return {"id": new_id(), **COUPON, **more}


def patch(person, lstar, **more):
    return {"id": new_id(), "strip": person.ids["strip"], "seconds": 120, "lstar": lstar, **more}


def test_a_dark_check_patch_shortens_the_plan_and_a_pale_one_lengthens_it(furnished):
    before = longest(furnished)
    furnished.must("POST", f"{bath_of(furnished)}/patches", patch(furnished, 60))
    dark = longest(furnished)
    check = BathCheck.objects.get()
    path = f"{bath_of(furnished)}/checks/{check.id}"
    furnished.must("PUT", path, {"version": 1, "taken_back": True})
    assert longest(furnished) == before
    furnished.must("POST", f"{bath_of(furnished)}/patches", patch(furnished, 78))
    assert dark < before < longest(furnished)
    furnished.must("PUT", path, {"version": 2, "taken_back": False})
    assert dark < longest(furnished)


def test_a_coupon_loads_its_bath_by_what_it_lost_and_is_logged_once(furnished):
    given = coupon()
    for _ in range(2):
        told = furnished.must("POST", f"{bath_of(furnished)}/coupons", given)
    assert told["load_g_per_l"] == pytest.approx(0.26 / 4, abs=1e-3)
    assert BathCheck.objects.count() == 1
    (said,) = Entry.objects.filter(text__startswith="Coupon weighed in Tray")
    assert "20 cm² lost 0.26 g in 10:00" in said.text
    path = f"{bath_of(furnished)}/checks/{given['id']}"
    gone = furnished.must("PUT", path, {"version": 1, "taken_back": True})
    assert gone["load_g_per_l"] == 0
    assert Entry.objects.filter(text__startswith="Took back a check of Tray").exists()


def test_a_coupon_is_at_the_baths_temperature_where_none_is_said(furnished):
    given = {k: v for k, v in coupon().items() if k != "temperature_c"}
    furnished.must("POST", f"{bath_of(furnished)}/coupons", given)
    assert BathCheck.objects.get().said["temperature_c"] == 18.5


@pytest.mark.parametrize(
    ("path", "body", "field"),
    [
        ("coupons", COUPON | {"mass_after_g": 12.5}, "evidence.0.mass_after_g"),
        ("coupons", COUPON | {"area_cm2": 0}, "area_cm2"),
        ("coupons", COUPON | {"mass_before_g": -3}, "mass_before_g"),
        ("hydrometer", {"baume": 99}, "baume"),
        ("patches", {"seconds": 120, "lstar": 200}, "lstar"),
        ("patches", {"seconds": 0, "lstar": 60}, "seconds"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field_and_nothing_is_kept(furnished, path, body, field):
    body = {"id": new_id(), "strip": furnished.ids["strip"]} | body
    status, reply = furnished.ask("POST", f"{bath_of(furnished)}/{path}", body)
    assert status == 422
    assert reply["error"]["field"] == field
    assert not BathCheck.objects.exists()


def test_a_strip_of_another_room_or_without_a_curve_reads_no_patch(furnished, stranger):
    theirs = new_id()
    patches = [{"seconds": s, "lstar": v} for s, v in ((30, 80), (120, 60), (480, 30))]
    stranger.must("POST", "/strips", {"id": theirs, "name": "x", "patches": patches,
                                      "conditions": {"mordant": "copper-ferric"}})  # fmt: skip
    body = patch(furnished, 60) | {"strip": theirs}
    assert furnished.ask("POST", f"{bath_of(furnished)}/patches", body)[0] == 404
    bare = new_id()
    furnished.must("POST", "/strips", {"id": bare, "name": "bare",
                                       "conditions": {"mordant": "copper-ferric"}})  # fmt: skip
    status, reply = furnished.ask(
        "POST", f"{bath_of(furnished)}/patches", patch(furnished, 60) | {"strip": bare}
    )
    assert status == 422 and "no curve" in reply["error"]["text"]


def test_a_hydrometer_says_nothing_of_nitric(keeper):
    bath = new_id()
    made = {"id": bath, "name": "Blue", "mordant": "zinc-nitric-10", "volume_l": 3}
    keeper.must("POST", "/baths", made | {"temperature_c": 18, "fumes_known": True})
    path = f"/baths/{bath}/hydrometer"
    status, reply = keeper.ask("POST", path, {"id": new_id(), "baume": 12})
    assert status == 422 and reply["error"]["code"] == "no-hydrometer-here"


def test_three_coupons_make_the_baths_own_numbers(furnished):
    own = []
    for warm, after in ((15, 12.25), (20, 12.19), (25, 12.10)):
        furnished.must("POST", f"{bath_of(furnished)}/coupons",
                       coupon(temperature_c=warm, mass_after_g=after))  # fmt: skip
        page = furnished.must("GET", f"{bath_of(furnished)}/page")
        own.append(page["own"]["energy_kj_per_mol"]["spread"])
    assert page["own_from"] == 3
    assert own[2] < 0.8 * own[0]
    assert sum(source["share"] for source in page["sources"]) == pytest.approx(1, abs=0.01)


def test_a_refresh_takes_metal_away_and_may_be_taken_back(furnished):
    path = bath_of(furnished)
    furnished.must("POST", f"{path}/readings", {"id": new_id(), "load_g_per_l": 40})
    given = {"id": new_id(), "share": 0.25, "note": "1 of 4 L new"}
    for _ in range(2):
        fresh = furnished.must("POST", f"{path}/refreshes", given)
    assert fresh["load_g_per_l"] == 30
    assert Entry.objects.filter(text__contains="from 40.0 to 30.0 g/L").count() == 1
    reading = f"{path}/readings/{given['id']}"
    assert furnished.must("PUT", reading, {"taken_back": True})["load_g_per_l"] == 40
    assert furnished.must("PUT", reading, {"taken_back": False})["load_g_per_l"] == 30


def test_what_is_reckoned_from_bites_is_not_taken_back_as_a_reading(furnished):
    tablet = furnished.tablet
    tablet.bite(-600_000, "Tone 1", "Tone 2", "Tone 3")
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    rows = furnished.must("GET", f"{bath_of(furnished)}/readings")["items"]
    gained = next(row for row in rows if row["gained_g_per_l"] > 0)
    path = f"{bath_of(furnished)}/readings/{gained['id']}"
    status, reply = furnished.ask("PUT", path, {"taken_back": True})
    assert status == 422 and reply["error"]["code"] == "reckoned"


def test_metal_that_plates_give_is_what_the_bath_holds(furnished):
    tablet = furnished.tablet
    for minute in (-30, -20, -10):
        tablet.bite(minute * 60_000, "Tone 1", "Tone 2", "Tone 3")
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    furnished.must("POST", f"{bath_of(furnished)}/coupons", coupon())
    page = furnished.must("GET", f"{bath_of(furnished)}/page")
    grams = sum(each["grams"] for each in page["given"])
    assert grams > 0.26
    assert page["bath"]["load_g_per_l"] * 4 == pytest.approx(grams, abs=0.02)


def test_a_retired_bath_is_neither_planned_nor_begun_in(furnished):
    path = bath_of(furnished)
    furnished.must("POST", f"/runs/{furnished.ids['run']}/end", {})
    version = furnished.must("GET", path)["version"]
    gone = furnished.must("PUT", path, {"version": version, "retired": True,
                                        "retired_to": "can by the sink"})  # fmt: skip
    assert gone["retired_to"] == "can by the sink"
    body = plan_body(furnished.ids, version=1)
    assert furnished.ask("PUT", f"/plates/{furnished.ids['plate']}/plan", body)[0] == 422
    begun = {"id": new_id(), "plate": furnished.ids["plate"]}
    status, reply = furnished.ask("POST", "/runs", begun)
    assert status == 422 and reply["error"]["code"] == "retired"
    shelf = furnished.must("GET", "/baths/shelf")
    assert [bath["name"] for bath in shelf["retired"]] == ["Tray"] and shelf["baths"] == []


def test_the_shelf_says_which_are_sure_and_which_to_check(furnished):
    shelf = furnished.must("GET", "/baths/shelf")
    assert shelf["answer"].endswith(".")
    (bath,) = shelf["baths"]
    assert bath["known_from"] == "thermometer only"
    assert [sign["word"] for sign in bath["signs"]] == ["no zinc"]
    assert [(p["name"], p["verdict"]) for p in bath["plates"]] == [("Plate", "allowed")]


def test_a_large_plate_does_not_fit_a_small_tray(furnished):
    path = bath_of(furnished)
    version = furnished.must("GET", path)["version"]
    furnished.must("PUT", path, {"version": version, "length_mm": 150, "width_mm": 120,
                                 "height_mm": 80})  # fmt: skip
    (bath,) = furnished.must("GET", "/baths/shelf")["baths"]
    assert [plate["fits"] for plate in bath["plates"]] == [False]


def test_a_page_in_an_empty_room_and_a_bath_just_made(keeper):
    assert keeper.must("GET", "/baths/shelf")["answer"] == "No bath yet."
    bath = new_id()
    keeper.must("POST", "/baths", {"id": bath, "name": "New", "mordant": "copper-ferric",
                                   "volume_l": 4, "temperature_c": 20})  # fmt: skip
    page = keeper.must("GET", f"/baths/{bath}/page")
    assert page["guess"] and page["strip"] is None and page["checks"] == []
    assert page["speed"]["low"] < page["speed"]["value"] < page["speed"]["high"]
    assert page["due"] is None
    assert Bath.objects.get().held_copper


def test_a_coupon_moves_lines_by_the_rate_itself_whatever_strip_they_name(furnished):
    """Lines are told over the table at 20 °C, fresh: a strip of tones says nothing of that."""
    body = {
        "id": new_id(), "part": "lines", "bath": furnished.ids["bath"],
        "strip": furnished.ids["strip"],
        "areas": [{"name": "rain", "depth_um": 30, "open_cm2": 10}],
    }  # fmt: skip
    path = f"/plates/{furnished.ids['plate']}/plan/draft"

    def seconds():
        bites = furnished.must("POST", path, body)["sheet"]["plan"]["bites"]
        return sum(bite["seconds"] for bite in bites)

    # 0.26 g of 20 cm² in 10 min is the table's 1.5 µm/min nearly: 4 % slower at 18.5 °C
    before = seconds()
    furnished.must("POST", f"{bath_of(furnished)}/coupons", coupon())
    assert seconds() == pytest.approx(before, rel=0.08)
    furnished.must("POST", f"{bath_of(furnished)}/coupons", coupon(mass_after_g=11.911))
    assert seconds() < 0.85 * before
