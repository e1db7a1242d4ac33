"""Lists: their order, their pages, what they find, and what they refuse."""

import pytest
from django.utils import timezone

from server.baths.models import Bath
from server.replies.paging import PAGE_SIZE
from server.rooms.models import Room
from tests.server.conftest import PATCHES, new_id

PAGED = ("/plates", "/strips", "/baths", "/record", "/timers")
ORDINARY = {"mordant": "copper-ferric", "temperature_c": 18}


def names(person, path):
    return [item["name"] for item in person.must("GET", path)["items"]]


@pytest.mark.parametrize("path", PAGED)
def test_an_empty_room_answers_empty_lists(keeper, path):
    listed = keeper.must("GET", path)
    assert (listed["items"] if isinstance(listed, dict) else listed) == []


@pytest.mark.parametrize("path", ("/plates", "/strips", "/baths", "/record"))
@pytest.mark.parametrize("page", ("0", "-1", "two"))
def test_a_page_that_cannot_be_is_refused_by_field(keeper, path, page):
    status, reply = keeper.ask("GET", f"{path}?page={page}")
    assert status == 422 and "page" in str(reply["error"])


def test_strips_are_listed_newest_first_with_how_sure_they_are(furnished):
    patches = [{"seconds": s, "lstar": v} for s, v in PATCHES[:3]]
    furnished.must("POST", "/strips", {"id": new_id(), "name": "Short", "patches": patches,
                                       "conditions": {"mordant": "copper-ferric"}})  # fmt: skip
    assert names(furnished, "/strips") == ["Short", "Strip"]


def test_baths_in_use_come_first_then_by_name(furnished):
    for name in ("Zinc corner", "Annex"):
        furnished.must("POST", "/baths", {"id": new_id(), "name": name, "volume_l": 3, **ORDINARY})
    Bath.objects.filter(name="Annex").update(retired=True)
    assert names(furnished, "/baths") == ["Tray", "Zinc corner", "Annex"]


def test_a_long_list_comes_in_pages_that_overlap_nowhere(keeper):
    room = Room.objects.get()
    Bath.objects.bulk_create(
        Bath(id=new_id(), room=room, name=f"Tray {n:03d}", mordant="copper-ferric", volume_l=3,
             temperature_c=18, temperature_at=timezone.now())
        for n in range(PAGE_SIZE + 3)
    )  # fmt: skip
    first, second = (keeper.must("GET", f"/baths?page={n}") for n in (1, 2))
    assert (first["total"], len(first["items"]), len(second["items"])) == (103, 100, 3)
    seen = [bath["name"] for page in (first, second) for bath in page["items"]]
    assert seen == sorted(set(seen))
    assert keeper.must("GET", "/baths?page=3")["items"] == []


def test_proofs_are_of_one_plate_newest_first(furnished):
    plate, run = furnished.ids["plate"], furnished.ids["run"]
    furnished.must("POST", f"/runs/{run}/end")
    areas = [{"name": "Tone 1", "wanted_lstar": 80, "read_lstar": 78}]
    for day in (1, 2):
        furnished.must("POST", "/proofs", {"id": new_id(), "plate": plate, "areas": areas,
                                           "pulled_at": f"2026-03-0{day}T10:00:00Z"})  # fmt: skip
    listed = furnished.must("GET", f"/proofs?plate={plate}")["items"]
    assert [proof["pulled_at"][:10] for proof in listed] == ["2026-03-02", "2026-03-01"]
    assert furnished.ask("GET", f"/proofs?plate={new_id()}")[0] == 404
    assert furnished.ask("GET", "/proofs")[0] == 422


def test_runs_are_listed_for_their_plate_only(furnished):
    plate = furnished.ids["plate"]
    assert [run["id"] for run in furnished.must("GET", f"/runs?plate={plate}")["items"]] == [
        furnished.ids["run"]
    ]
    assert furnished.must("GET", f"/runs?plate={new_id()}")["items"] == []
