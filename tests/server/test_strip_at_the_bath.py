"""A strip's own bites: planned, bitten by the clock, ended, and what is then to be read."""

import pytest

from server.baths.models import Bath
from server.record.models import Entry
from server.strips.models import Strip
from tests.server.conftest import Device, new_id


@pytest.fixture
def strip(furnished):
    ids = new_id()
    furnished.must("POST", "/strips", body(furnished, id=ids))
    return ids


def body(person, **more):
    return {"id": new_id(), "name": "Fresh", "bath": person.ids["bath"], "planned": [30, 60, 120],
            "conditions": {"mordant": "copper-ferric"}, **more}  # fmt: skip


class AtTheBath(Device):
    """The same tablet, with a strip in its hands."""

    def send(self, *events):
        return self.person.ask("POST", f"/strips/{self.run}/events", {"events": list(events)})


def dip(tablet, at_ms, seconds, *names):
    event = tablet.event("dip", at_ms, open=list(names))
    tablet.send(event, tablet.event("lift", at_ms + seconds * 1000, dip=event["id"]))


def run(person, strip):
    return person.must("GET", f"/strips/{strip}/run")


def test_it_is_shown_as_a_run_is_by_the_clock(furnished, strip):
    told = run(furnished, strip)
    assert (told["strip"], told["plate"], told["plate_name"]) == (strip, None, "Fresh")
    assert told["sheet"]["by_clock"] and told["process"]["area"] == "patch"
    bites = told["sheet"]["plan"]["bites"]
    assert [b["seconds"] for b in bites] == [30, 30, 60]
    assert [b["stop_out_before"] for b in bites] == [["White end"], ["Patch 1"], ["Patch 2"]]
    assert [area["parts"] for area in told["areas"]][1:] == ["0:30 in all", "1:00 in all",
                                                             "2:00 in all"]  # fmt: skip


def test_late_by_ten_seconds_the_next_dip_is_shorter_and_the_reading_says_what_was(
    furnished, strip
):
    tablet = AtTheBath(furnished, strip)
    dip(tablet, -500_000, 40, "Patch 1", "Patch 2", "Patch 3")
    bites = run(furnished, strip)["sheet"]["plan"]["bites"]
    assert [b["seconds"] for b in bites] == [20, 60]
    dip(tablet, -400_000, 20, "Patch 2", "Patch 3")
    dip(tablet, -300_000, 60, "Patch 3")
    assert run(furnished, strip)["sheet"]["plan"]["bites"] == []
    before = Bath.objects.get().load_g_per_l
    assert furnished.must("GET", f"/strips/{strip}")["waits"] == "to bite"
    ended = furnished.must("POST", f"/strips/{strip}/end")
    assert furnished.must("GET", f"/strips/{strip}")["waits"] == "to read"
    assert ended["outcome"] == "finished" and Bath.objects.get().load_g_per_l > before
    told = furnished.must("GET", f"/strips/{strip}")
    assert [(p["name"], p["seconds"]) for p in told["to_read"]] == [
        ("White end", 0), ("Patch 1", 40), ("Patch 2", 60), ("Patch 3", 120),
    ]  # fmt: skip
    assert Entry.objects.filter(text="Strip Fresh: 3 bites made.").exists()
    read = [{"seconds": p["seconds"], "lstar": v}
            for p, v in zip(told["to_read"], (94, 80, 66, 50), strict=True)]  # fmt: skip
    now = furnished.must("PUT", f"/strips/{strip}", {"version": told["version"], "patches": read})
    assert now["usable"] and now["to_read"] == [] and now["waits"] == ""


def test_in_the_bath_it_is_not_ended_and_the_bench_says_so(furnished, strip):
    tablet = AtTheBath(furnished, strip)
    tablet.send(tablet.event("dip", -5_000, open=["Patch 1", "Patch 2", "Patch 3"]))
    status, told = furnished.ask("POST", f"/strips/{strip}/end")
    assert status == 422 and told["error"]["code"] == "in-bath"
    bench = furnished.must("GET", "/bench")
    assert bench["baths"][0]["also"] == ["strip Fresh"]
    due = next(d for d in bench["due"] if d["strip"] == strip)
    assert due["kind"] == "lift" and "Fresh" in due["text"]
    lift = run(furnished, strip)["lift_seconds"]
    assert due["at_seconds"] == pytest.approx(lift)


def test_ended_early_with_a_reason_and_ended_twice_is_once(furnished, strip):
    tablet = AtTheBath(furnished, strip)
    dip(tablet, -100_000, 30, "Patch 1", "Patch 2", "Patch 3")
    for _ in range(2):
        told = furnished.must("POST", f"/strips/{strip}/end", {"reason": "foul bite"})
    assert (told["outcome"], told["reason"]) == ("set aside", "foul bite")
    assert Entry.objects.filter(text="Strip Fresh: 1 bites made: foul bite.").count() == 1
    load = Bath.objects.get().load_g_per_l
    dip(tablet, -3_000_000, 1_800, "Patch 3")
    assert Bath.objects.get().load_g_per_l > load  # what came in late counts, too


@pytest.mark.parametrize(
    ("more", "word"),
    [({"bath": None}, "needs its bath"), ({"planned": [60, 30]}, "longer in all"),
     ({"planned": [30, 30]}, "longer in all"), ({"planned": [0]}, "planned"),
     ({"planned": [30.0 + i for i in range(21)]}, "planned")],
)  # fmt: skip
def test_what_cannot_be_bitten_is_refused(furnished, more, word):
    status, told = furnished.ask("POST", "/strips", body(furnished, **more))
    assert status == 422 and word in str(told)


def test_a_strip_bitten_elsewhere_has_no_bites_here(furnished):
    elsewhere = body(furnished, planned=[], bath=None, name="Elsewhere")
    furnished.must("POST", "/strips", elsewhere)
    for path in ("/run", "/end"):
        method = "GET" if path == "/run" else "POST"
        status, told = furnished.ask(method, f"/strips/{elsewhere['id']}{path}")
        assert status == 422 and told["error"]["code"] == "no-plan"
    assert Strip.objects.get(name="Elsewhere").ended_at is None


def test_nitric_too_warm_bites_no_strip(furnished):
    bath = new_id()
    furnished.must("POST", "/baths", {"id": bath, "name": "Blue", "mordant": "zinc-nitric-16",
                   "volume_l": 3, "temperature_c": 31, "fumes_known": True})  # fmt: skip
    given = body(furnished, bath=bath, conditions={"mordant": "zinc-nitric-16"})
    status, told = furnished.ask("POST", "/strips", given)
    assert status == 422 and told["error"]["code"] == "too-hot"


def test_ended_before_its_first_dip_there_is_nothing_to_read(furnished, strip):
    furnished.must("POST", f"/strips/{strip}/end", {"reason": "wrong plate"})
    assert furnished.must("GET", f"/strips/{strip}")["to_read"] == []


def test_a_strip_that_cannot_be_followed_takes_no_bench_along(furnished, strip):
    tablet = AtTheBath(furnished, strip)
    tablet.send(tablet.event("dip", -5_000, open=["Patch 1"]))
    Strip.objects.filter(id=strip).update(planned=[-4])
    assert furnished.must("GET", "/bench")["baths"]
