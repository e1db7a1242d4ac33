"""The shop book, the room's own numbers, recipes and tools; timers."""

import pytest
from django.db import IntegrityError, transaction

from server.rooms.models import Membership
from server.shopbook.models import OwnNumber
from tests.server.conftest import furnish, new_id


def number(**more):
    return {"id": new_id(), "mordant": "copper-ferric", "column": "rate_um_per_min", "value": 3.0,
            "reason": "two coupons", **more}  # fmt: skip


def test_a_corrected_number_replaces_the_table_s_everywhere_and_says_so(keeper):
    ids = furnish(keeper)
    url = f"/plates/{ids['plate']}/plan"
    plan = {"id": new_id(), "part": "lines", "bath": ids["bath"],
            "areas": [{"name": "g", "depth_um": 30, "open_cm2": 1}]}  # fmt: skip
    before = keeper.must("PUT", url, plan)["sheet"]
    keeper.must("POST", "/numbers", number())
    after = keeper.must("GET", url + "?part=lines")["sheet"]
    assert after["tables"].endswith("with own rate_um_per_min")
    assert after["plan"]["bites"][0]["seconds"] < 0.65 * before["plan"]["bites"][0]["seconds"]
    cell = next(
        c for c in keeper.must("GET", "/shop-book")["numbers"]
        if (c["mordant"], c["column"]) == ("copper-ferric", "rate_um_per_min")
    )  # fmt: skip
    assert (cell["value"], cell["table_value"], cell["own"]["by"]) == (3.0, 1.5, "keeper-a")
    keeper.must("POST", "/numbers", number(value=None))
    assert keeper.must("GET", url + "?part=lines")["sheet"]["tables"] == before["tables"]
    assert keeper.must("GET", "/numbers")["total"] == 2


def test_a_new_strip_is_fitted_with_the_room_s_own_wetting_time(keeper):
    keeper.must("POST", "/numbers", number(column="wetting_seconds", value=2.0))
    keeper.must("POST", "/numbers", number(column="wetting_log_spread", value=0.05))
    ids = furnish(keeper)
    assert keeper.must("GET", f"/strips/{ids['strip']}")["fit"]["wetting_seconds"] < 2.3


def test_one_room_s_numbers_do_not_reach_the_other(keeper, stranger):
    keeper.must("POST", "/numbers", number())
    ids = furnish(stranger)
    assert stranger.must("GET", f"/baths/{ids['bath']}")["speed"] == pytest.approx(1, abs=0.3)
    cells = stranger.must("GET", "/shop-book")["numbers"]
    assert all(cell["own"] is None for cell in cells)


@pytest.mark.parametrize(
    ("more", "field", "unit"),
    [({"value": -1}, "value", "µm/min"), ({"value": 900}, "value", "µm/min"),
     ({"reason": ""}, "reason", ""), ({"column": "colour"}, "column", "")],
)  # fmt: skip
def test_numbers_have_limits(keeper, more, field, unit):
    status, reply = keeper.ask("POST", "/numbers", number(**more))
    assert status == 422 and (reply["error"]["field"], reply["error"]["unit"]) == (field, unit)


def test_only_a_keeper_corrects_numbers_and_none_is_ever_changed(keeper):
    keeper.must("POST", "/numbers", number())
    Membership.objects.filter(user=keeper.user).update(role="printer")
    assert keeper.ask("POST", "/numbers", number())[0] == 403
    for change in (lambda rows: rows.update(value=9), lambda rows: rows.delete()):
        with pytest.raises(IntegrityError), transaction.atomic():
            change(OwnNumber.objects.all())


def test_the_tables_are_whole(keeper):
    book = keeper.must("GET", "/shop-book")
    keys = [table["key"] for table in book["tables"]]
    assert keys == [
        "grounds", "textures", "transfers", "solvents", "steps", "cautions", "metals",
    ]  # fmt: skip
    assert all(set(t["columns"]) == set(row) for t in book["tables"] for row in t["rows"])


@pytest.mark.parametrize(
    ("path", "thing", "changed"),
    [("/recipes", {"name": "Quay ground", "kind": "ground", "text": "two parts"},
      {"text": "three parts"}),
     ("/tools", {"name": "Fine needle", "kind": "needle", "width_um": 40}, {"width_um": 45})],
)  # fmt: skip
def test_recipes_and_tools_are_kept_and_a_stale_change_is_refused(keeper, path, thing, changed):
    ids = new_id()
    keeper.must("PUT", path, {"id": ids, **thing})
    kept = keeper.must("PUT", path, {"id": ids, "version": 1, **thing, **changed})
    assert kept["version"] == 2 and changed.items() <= kept.items()
    assert keeper.ask("PUT", path, {"id": ids, "version": 1, **thing})[0] == 409
    assert keeper.must("GET", path)["total"] == 1


def test_several_timers_run_at_once_and_end(keeper):
    ids = furnish(keeper)
    for what, ago in (("ground cooling", 120), ("dust settling", 0)):
        body = {"id": new_id(), "what": what, "seconds": 300, "plate": ids["plate"]}
        keeper.must("POST", "/timers", body | {"ago_seconds": ago})
        keeper.must("POST", "/timers", body | {"ago_seconds": ago})  # sent twice
    first, second = keeper.must("GET", "/timers")["items"]
    assert second["ends_seconds"] - first["ends_seconds"] == pytest.approx(120, abs=3)
    due = [d["text"] for d in keeper.must("GET", "/bench")["due"] if d["kind"] == "wait"]
    assert due == ["ground cooling, Plate", "dust settling, Plate"]
    keeper.must("POST", f"/timers/{first['id']}/end")
    assert [t["what"] for t in keeper.must("GET", "/timers")["items"]] == ["dust settling"]


@pytest.mark.parametrize("more", [{"seconds": 0}, {"seconds": 1e9}, {"what": ""}])
def test_timers_have_limits(keeper, more):
    body = {"id": new_id(), "what": "cooling", "seconds": 60, **more}
    assert keeper.ask("POST", "/timers", body)[0] == 422
