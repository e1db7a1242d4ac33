"""How warm a bath will be: from how it stands and what stands round it; nothing is stored."""

from urllib.parse import urlencode

import pytest

from server.baths.models import Bath, BathReading


def heat(person, **asked):
    return person.ask("GET", f"/baths/{person.ids['bath']}/heat?{urlencode(asked)}")


@pytest.fixture
def cold(furnished):
    """The room's bath, read at 14 °C in a room of 19 °C."""
    Bath.objects.filter(id=furnished.ids["bath"]).update(temperature_c=14, room_c=19)
    return furnished


def test_left_alone_it_goes_where_its_room_is(cold):
    status, told = heat(cold, minutes=600)
    assert status == 200
    assert told["room_c"] == 19
    assert told["heat"]["end_c"] == pytest.approx(19, abs=0.1)
    assert told["heat"]["speed_share"] > 1.15
    assert told["cautions"] == []


def test_a_jacket_is_asked_when_it_is_warm_enough(cold):
    alone, jacket = (heat(cold, minutes=240, reach_c=18, **more)[1]["heat"]["reach_minutes"]
                     for more in ({}, {"jacket_c": 25}))  # fmt: skip
    assert jacket < 0.3 * alone


def test_what_is_said_of_the_room_goes_before_what_is_kept(cold):
    assert heat(cold, room_c=10)[1]["heat"]["end_c"] < 14


def test_with_no_room_there_is_nothing_to_tell(furnished):
    status, told = heat(furnished)
    assert (status, told["heat"], told["room_c"], told["cautions"]) == (200, None, None, [])
    assert heat(furnished, room_c=20)[1]["heat"]["end_c"] > 18.5


@pytest.mark.parametrize(
    ("asked", "field"),
    [
        ({"minutes": 0}, "minutes"),
        ({"minutes": 2000}, "minutes"),
        ({"jacket_c": 95}, "jacket_c"),
        ({"open_cm2": -1}, "open_cm2"),
        ({"room_c": 80}, "room_c"),
        ({"reach_c": 400}, "reach_c"),
    ],
)
def test_what_cannot_be_is_refused_by_its_field(cold, asked, field):
    status, told = heat(cold, **asked)
    assert (status, told["error"]["field"]) == (422, field)


def test_nothing_is_stored(cold):
    before = BathReading.objects.count()
    heat(cold, jacket_c=25)
    assert BathReading.objects.count() == before
    assert Bath.objects.get(id=cold.ids["bath"]).temperature_c == 14


def test_open_zinc_in_little_nitric_brings_its_cautions(keeper):
    ids = {"id": "9d2f3b0e-6a1e-4d56-9b9e-2f7c7a4f1b11"}
    keeper.must("POST", "/baths", {**ids, "name": "Small", "mordant": "zinc-nitric-10",
                                   "volume_l": 1, "temperature_c": 24, "room_c": 22,
                                   "fumes_known": True})  # fmt: skip
    told = keeper.must("GET", f"/baths/{ids['id']}/heat?open_cm2=600")
    assert told["hottest_c"] == 30
    assert [each["code"] for each in told["heat"]["warnings"]] == ["past-limit", "fumes"]
    assert [each["key"] for each in told["cautions"]] == ["nitric-hot", "nitric"]
