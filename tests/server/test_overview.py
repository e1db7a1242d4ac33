"""Rack, bench and plate ask the database a few times, however many plates there are."""

import pytest
from django.db import connection
from django.test.utils import CaptureQueriesContext

from tests.server.conftest import Device, new_id, plan_body

MORE = 7


def grow(person, count):
    """Put more plates in, each with its plan and a bite under way."""
    for number in range(count):
        ids = {**person.ids, "plate": new_id(), "plan": new_id(), "run": new_id()}
        person.must("POST", "/plates", {"id": ids["plate"], "name": f"Plate {number}",
                                        "metal": "copper", "route": "aquatint", "thickness_mm": 1,
                                        "width_mm": 90, "height_mm": 90})  # fmt: skip
        person.must("PUT", f"/plates/{ids['plate']}/plan", plan_body(ids))
        person.must("POST", "/runs", {"id": ids["run"], "plate": ids["plate"]})
        tablet = Device(person, ids["run"])
        tablet.send(tablet.event("dip", -20_000, open=["Tone 1", "Tone 2", "Tone 3"]))


def queries(person, path):
    with CaptureQueriesContext(connection) as seen:
        person.must("GET", path)
    return len(seen)


@pytest.mark.parametrize("path", ["/bench", "/plates"])
def test_a_list_asks_no_more_for_more_plates(furnished, path):
    grow(furnished, 1)
    few = queries(furnished, path)
    grow(furnished, MORE)
    assert queries(furnished, path) == few <= 25


@pytest.mark.parametrize(
    "path", ["/plates/{plate}", "/plates/{plate}/plan", "/plates/{plate}/course", "/runs/{run}"]
)
def test_a_page_asks_little(furnished, path):
    grow(furnished, 2)
    assert queries(furnished, path.format(**furnished.ids)) <= 25


def test_the_bench_says_what_bites_where_and_what_is_due(furnished):
    tablet = furnished.tablet
    tablet.send(tablet.event("dip", -5_000, open=["Tone 1", "Tone 2", "Tone 3"]))
    bench = furnished.must("GET", "/bench")
    (bath,) = bench["baths"]
    assert (bath["plate"], bath["plate_name"]) == (furnished.ids["plate"], "Plate")
    (due,) = bench["due"]
    assert (due["kind"], due["text"]) == ("lift", "lift Plate, bite 1")
    assert due["at_seconds"] > bench["now_seconds"]
    assert bench["next"][0]["text"] == "Lift from bite 1."
    assert [caution["key"] for caution in bench["cautions"]] == ["ferric"]


def test_a_mixed_plate_shows_its_parts_in_order_and_bites_the_first_not_bitten(keeper, furnished):
    plate = {"id": new_id(), "name": "Mixed", "metal": "copper", "route": "mixed",
             "routes": ["aquatint", "etched line"], "thickness_mm": 1.2, "width_mm": 90,
             "height_mm": 90}  # fmt: skip
    furnished.must("POST", "/plates", plate)
    path, run = f"/plates/{plate['id']}", new_id()
    lines = {"id": new_id(), "part": "lines", "bath": furnished.ids["bath"],
             "areas": [{"name": "Fine", "depth_um": 20, "open_cm2": 5}]}  # fmt: skip
    furnished.must("PUT", f"{path}/plan", plan_body({**furnished.ids, "plan": new_id()}))
    furnished.must("PUT", f"{path}/plan", lines)
    told = furnished.must("GET", path)
    assert told["parts"] == ["lines", "tones"] == told["planned"]
    assert furnished.must("POST", "/runs", {"id": run, "plate": plate["id"]})["part"] == "lines"
    furnished.must("POST", f"/runs/{run}/end")
    again = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate["id"]})
    assert again["part"] == "tones"
