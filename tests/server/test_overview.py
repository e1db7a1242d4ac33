"""Rack, bench and plate ask the database a few times, however many plates there are."""

import uuid

import pytest
from django.db import connection
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from server.courses.models import Course
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run
from tests.server.conftest import Device, furnish, new_id, plan_body

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


def crowd(person, count):
    """Put copies of the furnished plate in: each with its course, its plan and a run under way."""
    copied = {Plate: [], Course: [], Plan: [], Run: []}
    for number in range(count):
        plate = Plate.objects.get(id=person.ids["plate"])
        course, plan, run = plate.course, plate.plans.get(), plate.runs.get()
        for row in (plate, course, plan, run):
            row.pk = uuid.uuid4()
            copied[type(row)].append(row)
        plate.name = f"Crowd {number}"
        course.plate = plan.plate = run.plate = plate
        run.plan = plan
    for model, rows in copied.items():
        model.objects.bulk_create(rows)


PAGES = ("/bench", "/plates", "/plates/{plate}", "/plates/{plate}/course", "/runs/{run}")


def test_two_hundred_plates_are_asked_for_with_at_most_25_queries(furnished):
    crowd(furnished, 200)
    asked = {path: queries(furnished, path.format(**furnished.ids)) for path in PAGES}
    assert max(asked.values()) <= 25, asked
    bench = furnished.must("GET", "/bench")
    assert (len(bench["next"]), bench["plates"]) == (7, 201)
    _a_plate_with_a_run_under_way_is_on_the_first_page(furnished)


def _a_plate_with_a_run_under_way_is_on_the_first_page(furnished):
    last = Run.objects.order_by("-plate__created_at", "-plate__id").first()
    Run.objects.exclude(id=last.id).update(ended_at=timezone.now())
    Plate.objects.filter(name="Crowd 7").exclude(id=last.plate_id).update(place="resting")
    first = furnished.must("GET", "/plates")
    assert (first["total"], len(first["items"])) == (201, 100)
    assert first["items"][0]["id"] == str(last.plate_id)
    pages = [furnished.must("GET", f"/plates?page={n}")["items"] for n in (2, 3)]
    assert pages[1][-1]["name"] == "Crowd 7"
    names = [card["name"] for page in (first["items"], *pages) for card in page]
    assert len(set(names)) == 201


@pytest.mark.parametrize("path", ["/bench", "/plates"])
def test_a_list_asks_no_more_for_more_plates(furnished, path):
    grow(furnished, 1)
    furnished.must("GET", path)  # a bath's day is worked out once, and kept
    few = queries(furnished, path)
    grow(furnished, MORE)
    assert queries(furnished, path) == few <= 25


@pytest.mark.parametrize(
    "path", ["/plates/{plate}", "/plates/{plate}/plan", "/plates/{plate}/course", "/runs/{run}"]
)
def test_a_page_asks_little(furnished, path):
    grow(furnished, 2)
    assert queries(furnished, path.format(**furnished.ids)) <= 25


def test_an_empty_room_is_told_what_it_needs_first_until_it_has_all(keeper):
    def first():
        return {each["what"]: each["done"] for each in keeper.must("GET", "/bench")["first"]}

    assert first() == {"bath": False, "strip": False, "plate": False}
    assert list(first()) == ["bath", "strip", "plate"]
    bath = {"id": new_id(), "name": "Tray", "volume_l": 4, "mordant": "copper-ferric",
            "temperature_c": 18.5}  # fmt: skip
    keeper.must("POST", "/baths", bath)
    assert first() == {"bath": True, "strip": False, "plate": False}
    now = keeper.must("GET", f"/baths/{bath['id']}")["version"]
    keeper.must("PUT", f"/baths/{bath['id']}", {"version": now, "retired": True})
    assert first()["bath"]  # it was there
    furnish(keeper)
    assert keeper.must("GET", "/bench")["first"] == []


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
    Device(furnished, run).bite(-90_000, "Fine")
    furnished.must("POST", f"/runs/{run}/end")
    again = furnished.must("POST", "/runs", {"id": new_id(), "plate": plate["id"]})
    assert again["part"] == "tones"
