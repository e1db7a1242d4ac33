"""Strips bitten in a bath are checks of it, come and go with the strip, and move its plans."""

import pytest

from server.baths.actions.facts import bath_facts
from server.baths.models import Bath, BathCheck
from server.baths.speed import MOST_STRIPS, pieces
from tests.server.conftest import PATCHES, new_id
from tests.server.walk import COUPON

CONDITIONS = {"mordant": "copper-ferric", "temperature_c": 20, "load_g_per_l": 0}
FAST = [{"seconds": s, "depth_um": 2.2 * (s - 5) / 60, "temperature_c": 20} for s in (600, 1800)]


def strip_in(person, **more):
    """A strip bitten in the room's bath, and its id."""
    given = {
        "id": new_id(), "name": "In the tray", "ground": "rosin", "conditions": CONDITIONS,
        "patches": [{"seconds": s, "lstar": v} for s, v in PATCHES],
        "bath": person.ids["bath"], **more,
    }  # fmt: skip
    person.must("POST", "/strips", given)
    return given["id"]


def change(person, strip, **more):
    version = person.must("GET", f"/strips/{strip}")["version"]
    return person.must("PUT", f"/strips/{strip}", {"version": version, **more})


def kinds(bath=None):
    rows = BathCheck.objects.filter(bath=bath) if bath else BathCheck.objects.all()
    return sorted(rows.values_list("kind", flat=True))


def page(person):
    return person.must("GET", f"/baths/{person.ids['bath']}/page")


def test_a_strip_bitten_in_a_bath_stands_among_its_checks(furnished):
    strip_in(furnished)
    (check,) = furnished.must("GET", f"/baths/{furnished.ids['bath']}/checks")["items"]
    assert (check["kind"], check["temperature_c"]) == ("strip", 20)
    assert check["text"] == "tones, beside the other strips on rosin"
    told = page(furnished)
    assert told["own_from"] == 1
    assert told["guess"] is True  # a strip is compared; alone it is no speed
    assert told["checks"] == []


def test_measured_lines_are_a_speed_of_their_own(furnished):
    strip = strip_in(furnished, lines=FAST)
    told = page(furnished)
    assert kinds() == ["lines", "strip"]
    assert told["guess"] is False
    assert told["known_from"].startswith("measured lines")
    assert [mark["text"] for mark in told["checks"]] == [
        "2 lines measured, the deepest 65.8167 µm after 30:00"
    ]
    own = told["own"]["rate_um_per_min"]
    assert own["value"] == pytest.approx(2.2, rel=0.06)
    assert own["spread"] < 0.4 * own["guess_spread"]
    change(furnished, strip, lines=[])
    assert kinds() == ["strip"]
    again = page(furnished)["own"]["rate_um_per_min"]
    assert again["value"] == pytest.approx(again["guess"], rel=0.01)


@pytest.mark.parametrize(
    "gone", [{"out_reason": "another dust"}, {"patches": [{"seconds": 30, "lstar": 80}]}]
)
def test_a_strip_that_no_longer_counts_says_nothing(furnished, gone):
    strip = strip_in(furnished)
    change(furnished, strip, **gone)
    assert kinds() == []


def test_left_out_and_put_back(furnished):
    strip = strip_in(furnished)
    change(furnished, strip, out_reason="another dust")
    change(furnished, strip, out_reason="")
    assert kinds() == ["strip"]


def test_a_strip_of_another_bath_takes_its_word_with_it(furnished):
    strip = strip_in(furnished, lines=FAST)
    other = new_id()
    furnished.must("POST", "/baths", {"id": other, "name": "Other", "volume_l": 2,
                                      "mordant": "copper-ferric", "temperature_c": 20})  # fmt: skip
    change(furnished, strip, bath=other)
    assert kinds(furnished.ids["bath"]) == []
    assert kinds(other) == ["lines", "strip"]


@pytest.mark.parametrize(
    "more",
    [
        {"planned": [30, 60, 120], "patches": []},
        {"conditions": CONDITIONS | {"mordant": "copper-ferric-citric"}},
        {"patches": [], "lines": []},
    ],
)
def test_to_bite_of_another_mordant_or_unread_it_says_nothing(furnished, more):
    strip_in(furnished, **more)
    assert kinds() == []


def test_taken_back_it_stays_so_when_the_strip_is_read_again(furnished):
    strip = strip_in(furnished)
    check = BathCheck.objects.get()
    path = f"/baths/{furnished.ids['bath']}/checks/{check.id}"
    furnished.must("PUT", path, {"version": check.version, "taken_back": True})
    dark = [{"seconds": s, "lstar": v - 2} for s, v in PATCHES]
    change(furnished, strip, patches=dark)
    check.refresh_from_db()
    assert check.taken_back
    assert page(furnished)["own_from"] == 0


def test_read_again_it_has_a_new_version_and_unchanged_it_keeps_its_own(furnished):
    strip = strip_in(furnished)
    assert BathCheck.objects.get().version == 1
    change(furnished, strip, note="the same")
    assert BathCheck.objects.get().version == 1
    change(furnished, strip, patches=[{"seconds": s, "lstar": v - 2} for s, v in PATCHES])
    assert BathCheck.objects.get().version == 2


def test_paper_and_ink_tell_strips_of_one_ground_apart(furnished):
    strip_in(furnished, paper="cotton", ink="black")
    strip_in(furnished)
    grounds = BathCheck.objects.values_list("said__ground", flat=True)
    assert set(grounds) == {"rosin", "rosin · cotton · black"}


def test_three_of_them_stand_in_plans_as_the_baths_own_numbers(furnished):
    for _ in range(2):
        strip_in(furnished)
    strip_in(furnished, lines=FAST)
    bath = Bath.objects.get(id=furnished.ids["bath"])
    numbers = bath_facts(bath).numbers
    assert numbers is not None
    assert numbers.rate_um_per_min == pytest.approx(2.2, rel=0.06)


def test_a_plans_own_line_strip_does_not_speak_twice(furnished):
    strip = strip_in(furnished, lines=FAST)
    bath = Bath.objects.get(id=furnished.ids["bath"])
    assert bath_facts(bath).rate_factor > 1.2
    own = BathCheck.objects.get(kind="lines").strip
    assert str(own) == strip
    assert bath_facts(bath, beside=own).rate_factor is None


def test_many_strips_crowd_out_no_coupon(furnished):
    furnished.must("POST", f"/baths/{furnished.ids['bath']}/coupons", COUPON | {"id": new_id()})
    strip_in(furnished)
    check = BathCheck.objects.get(kind="strip")
    BathCheck.objects.bulk_create(
        BathCheck(id=new_id(), room=check.room, bath=check.bath, at=check.at, kind="strip",
                  said=check.said, curve=check.curve, strip=new_id())
        for _ in range(30)
    )  # fmt: skip
    asked = [piece.said["kind"] for piece in pieces(Bath.objects.get(id=check.bath_id))]
    assert asked.count("coupon") == 1
    assert asked.count("strip") == MOST_STRIPS


def test_measured_lines_keep_their_place_however_their_figures_are_written(furnished):
    strip = strip_in(furnished, lines=FAST)
    check = BathCheck.objects.get(kind="lines")
    whole = [line | {"temperature_c": 20, "load_g_per_l": 0} for line in FAST]
    change(furnished, strip, lines=whole)
    assert BathCheck.objects.get(kind="lines").id == check.id


@pytest.mark.parametrize(
    ("planned", "said", "kept"), [([30, 60], None, 38), ([30, 60], 36, 36), ([], None, None)]
)
def test_a_strip_to_be_bitten_takes_its_strength_from_its_bath(furnished, planned, said, kept):
    bath = furnished.ids["bath"]
    version = furnished.must("GET", f"/baths/{bath}")["version"]
    furnished.must("PUT", f"/baths/{bath}", {"version": version, "baume": 38})
    strip = furnished.must("POST", "/strips", {
        "id": new_id(), "name": "To bite", "bath": bath, "planned": planned,
        "conditions": {"mordant": "copper-ferric", "baume": said}})  # fmt: skip
    assert strip["conditions"]["baume"] == kept
