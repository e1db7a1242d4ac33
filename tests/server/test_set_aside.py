"""A run is ended or set aside at any time out of the bath, and gone on from where it stood."""

import pytest

from server.baths.models import Bath
from server.plates.models import Plate
from server.record.models import Entry
from server.runs.actions import go_on as begin_module
from tests.server.conftest import Device, new_id, plan_body

OPEN = ["Tone 1", "Tone 2", "Tone 3"]


def bite(tablet, at_ms=-200_000, seconds=60, names=OPEN):
    dip = tablet.event("dip", at_ms, open=names)
    return tablet.send(dip, tablet.event("lift", at_ms + seconds * 1000, dip=dip["id"]))[1]


def plan(person):
    return person.must("GET", f"/plates/{person.ids['plate']}/plan")


def end(person, reason="", run=None):
    return person.must("POST", f"/runs/{run or person.ids['run']}/end", {"reason": reason})


def begin(person, **more):
    ids = new_id()
    return person.must("POST", "/runs", {"id": ids, "plate": person.ids["plate"], **more})


def test_begun_and_never_dipped_it_leaves_no_trace_but_the_record(furnished):
    before = plan(furnished)
    gone = end(furnished, "wrong plate")
    assert (gone["outcome"], gone["reason"]) == ("never dipped", "wrong plate")
    assert furnished.must("GET", "/runs")["total"] == 0
    plate = furnished.must("GET", f"/plates/{furnished.ids['plate']}")
    assert (plate["place"], plate["last_run"]) == ("resting", None)
    after = plan(furnished)
    assert not after["bitten"] and after["set_aside"] is None
    assert len(after["sheet"]["plan"]["bites"]) == len(before["sheet"]["plan"]["bites"])
    texts = Entry.objects.values_list("text", flat=True)
    assert "The run was ended before the first dip: wrong plate." in texts


def test_set_aside_with_a_reason_it_says_so_and_is_not_bitten(furnished):
    bite(furnished.tablet)
    assert end(furnished, "foul bite")["outcome"] == "set aside"
    told = plan(furnished)
    assert not told["bitten"]
    assert (told["set_aside"]["bites"], told["set_aside"]["reason"]) == (1, "foul bite")
    assert len(told["sheet"]["plan"]["done"]) == 1 and told["sheet"]["plan"]["bites"]
    assert Plate.objects.get().place_note == "set aside: foul bite"
    assert Entry.objects.filter(text="Set aside after 1 bite: foul bite.").exists()


def test_gone_on_from_the_bites_made_count_and_load_the_bath_once(furnished):
    first = bite(furnished.tablet)
    end(furnished, "tomorrow")
    load = Bath.objects.get(id=furnished.ids["bath"]).load_g_per_l
    on = begin(furnished, goes_on=True)
    assert (on["bites_before"], on["state"]["dips"]) == (1, [])
    assert on["closed_before"] == ["Paper"]
    stood = {a["name"]: a["reached_reference_seconds"] for a in first["sheet"]["areas"]}
    stands = {a["name"]: a["reached_reference_seconds"] for a in on["sheet"]["areas"]}
    assert stands == pytest.approx(stood, rel=0.02) and stands["Tone 3"] > 0
    assert [bite["number"] for bite in on["sheet"]["plan"]["bites"]][0] == 2
    tablet = Device(furnished, on["id"])
    rest = bite(tablet, seconds=30)
    assert [bite["number"] for bite in rest["sheet"]["plan"]["done"]] == [1, 2]
    ended = end(furnished, run=on["id"])
    assert ended["outcome"] == "finished" and plan(furnished)["bitten"]
    once = Bath.objects.get(id=furnished.ids["bath"]).load_g_per_l - load
    assert 0 < once < load  # 30 s of new bite, not the 60 s of the old one again
    assert Entry.objects.filter(text__contains="after bite 1").exists()


def test_set_aside_twice_it_still_goes_on_from_all(furnished):
    bite(furnished.tablet)
    end(furnished, "tomorrow")
    on = begin(furnished, goes_on=True)
    bite(Device(furnished, on["id"]), seconds=20)
    end(furnished, "lunch", on["id"])
    again = begin(furnished, goes_on=True)
    assert again["bites_before"] == 2
    assert plan(furnished)["sheet"]["plan"]["done"][-1]["number"] == 2


def test_begun_anew_it_starts_from_bare_metal(furnished):
    bite(furnished.tablet)
    end(furnished, "foul bite")
    anew = begin(furnished)
    assert anew["bites_before"] == 0 and anew["sheet"]["plan"]["done"] == []


def test_with_nothing_set_aside_there_is_nothing_to_go_on_from(furnished):
    end(furnished, "wrong plate")
    body = {"id": new_id(), "plate": furnished.ids["plate"], "goes_on": True}
    status, reply = furnished.ask("POST", "/runs", body)
    assert (status, reply["error"]["field"]) == (422, "goes_on")


def test_areas_that_were_bitten_and_are_no_longer_planned_are_named(furnished):
    bite(furnished.tablet)
    end(furnished, "tomorrow")
    body = plan_body(furnished.ids, version=1)
    body["areas"] = [{**row, "name": row["name"].replace("Tone 3", "Night")}
                     for row in body["areas"]]  # fmt: skip
    furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan", body)
    ask = {"id": new_id(), "plate": furnished.ids["plate"], "goes_on": True}
    status, reply = furnished.ask("POST", "/runs", ask)
    assert status == 422 and "no longer has Tone 3" in reply["error"]["text"]


def test_more_bites_than_can_be_reckoned_on_from_are_refused(furnished, monkeypatch):
    monkeypatch.setattr(begin_module, "MOST_BEFORE", 1)
    bite(furnished.tablet, -400_000)
    bite(furnished.tablet, -200_000)
    end(furnished, "tomorrow")
    body = {"id": new_id(), "plate": furnished.ids["plate"], "goes_on": True}
    status, reply = furnished.ask("POST", "/runs", body)
    assert (status, reply["error"]["allowed"]) == (422, "at most 1")


def test_in_the_bath_it_cannot_be_ended(furnished):
    furnished.tablet.send(furnished.tablet.event("dip", -5_000, open=OPEN))
    status, reply = furnished.ask("POST", f"/runs/{furnished.ids['run']}/end", {"reason": "x"})
    assert status == 422 and "Lift it first" in reply["error"]["text"]
    status, reply = furnished.ask(
        "POST", f"/runs/{furnished.ids['run']}/end", {"reason": "x" * 101}
    )
    assert status == 422


def test_a_plan_that_somebody_changed_meanwhile_is_not_begun_unseen(furnished):
    end(furnished)
    furnished.must("PUT", f"/plates/{furnished.ids['plate']}/plan",
                   plan_body(furnished.ids, version=1, round_to_seconds=10))  # fmt: skip
    body = {"id": new_id(), "plate": furnished.ids["plate"], "plan_version": 1}
    status, reply = furnished.ask("POST", "/runs", body)
    assert (status, reply["error"]["code"]) == (409, "plan-changed")
    begin(furnished, plan_version=2)
