"""Exposures: begun once, followed by events, and what follows elsewhere: hours, times, course."""

from datetime import UTC, datetime

import pytest

from server.exposures.models import Exposure, Lamp, Measurement
from server.exposures.models import Test as TwoWay
from server.record.models import Entry
from tests.core.events.exposures import patches_of
from tests.server.conftest import Device, new_id
from tests.server.test_instruments import made, send
from tests.server.walk import KNOWN

STAGES = ("chalk", "screen", "image", "wash", "blot", "dry", "harden")
EXPOSE_STEPS = {"dust-chalk", "expose-screen", "expose-image", "wash-out", "harden"}


@pytest.fixture
def lit(keeper):
    """A room with a lamp, a test that was read, and a polymer plate."""
    keeper.lamp = keeper.must(
        "PUT", "/lamps", {"id": new_id(), "name": "Six tubes", "kind": "tubes", "hours": 412}
    )
    patches = [patch.model_dump(mode="json") for patch in patches_of()]
    keeper.test = keeper.must(
        "POST", "/exposure-tests",
        {"id": new_id(), "name": "Film", "lamp": keeper.lamp["id"], "patches": patches},
    )  # fmt: skip
    keeper.plate = keeper.must(
        "POST", "/plates",
        {"id": new_id(), "name": "Umbrellas", "metal": "polymer", "route": "photopolymer",
         "thickness_mm": 0.95, "width_mm": 210, "height_mm": 148},
    )  # fmt: skip
    return keeper


def begin(person, **more):
    given = {"id": new_id(), "plate": person.plate["id"], "by_test": person.test["id"]}
    told = person.must("POST", "/exposures", given | {"acknowledged": KNOWN} | more)
    return told, Device(person, told["id"], "exposures")


def lasted(tablet, stage, at_seconds, seconds, step=1):
    """The beginning and the end of a stage, so many seconds before now."""
    began = tablet.event("began", -1000 * at_seconds, stage=stage, step=step)
    return [began, tablet.event("ended", 1000 * (seconds - at_seconds), began=began["id"])]


def whole(tablet, sheet):
    """Every stage for just its time, checks and all."""
    events, at = [], 6000
    for plan in sheet["stages"]:
        events += lasted(tablet, plan["stage"], at, plan["seconds"], plan["step"])
        at -= plan["seconds"] + 20
        events += [tablet.event("checked", -1000 * at - 1, check=each["check"])
                   for each in plan["checks"]]  # fmt: skip
    return events


def test_a_plate_is_exposed_from_chalk_to_hard(lit):
    told, tablet = begin(lit)
    pair = lit.test["today"]
    seconds = {s["stage"]: s["seconds"] for s in told["sheet"]["stages"]}
    assert tuple(seconds) == STAGES
    assert seconds["screen"] == pytest.approx(pair["screen_seconds"], abs=0.11)
    assert lit.must("GET", f"/plates/{lit.plate['id']}")["place_text"] == "then chalk"
    status, after = tablet.send(*whole(tablet, told["sheet"]))
    assert status == 200 and after["stands"]["next"] is None
    assert {s["code"] for s in after["stands"]["stages"] if s["code"]} == {"right"}
    ended = lit.must("POST", f"/exposures/{told['id']}/end")
    assert (ended["outcome"], ended["stands"]["next"]) == ("finished", None)
    plate = lit.must("GET", f"/plates/{lit.plate['id']}")
    assert plate["place_text"] == "exposed, hardened" and plate["light"] is None
    course = lit.must("GET", f"/plates/{lit.plate['id']}/course")
    done = {s["key"] for s in course["steps"] if s["status"] == "done"}
    assert done == EXPOSE_STEPS


def test_the_lamps_hours_grow_and_go_back_with_what_is_taken_back(lit):
    _, tablet = begin(lit)
    hours = lambda: Lamp.objects.get().hours  # noqa: E731
    events = lasted(tablet, "screen", 900, 90)
    tablet.send(*events)
    assert hours() == pytest.approx(412 + 90 / 3600)
    tablet.send(*events)
    assert hours() == pytest.approx(412 + 90 / 3600)
    undo = tablet.event("undo", 0, event=events[1]["id"])
    tablet.send(undo)
    assert hours() == pytest.approx(412)
    tablet.send(tablet.event("undo", 1, event=undo["id"]))
    assert hours() == pytest.approx(412 + 90 / 3600)
    tablet.send(*lasted(tablet, "wash", 400, 300))
    assert hours() == pytest.approx(412 + 90 / 3600)


def test_hours_that_nobody_counts_stay_uncounted(lit):
    Lamp.objects.update(hours=None)
    _, tablet = begin(lit)
    assert tablet.send(*lasted(tablet, "screen", 900, 90))[0] == 200
    assert Lamp.objects.get().hours is None


def test_sent_twice_it_begins_once_and_a_second_one_is_refused(lit):
    one = new_id()
    begin(lit, id=one)
    begin(lit, id=one)
    assert Exposure.objects.count() == 1
    status, told = lit.ask("POST", "/exposures", {
        "id": new_id(), "plate": lit.plate["id"], "by_test": lit.test["id"],
        "acknowledged": KNOWN})  # fmt: skip
    assert (status, told["error"]["code"]) == (409, "under-way")


@pytest.mark.parametrize(("more", "code", "field"), [
    ({"acknowledged": ["uv"]}, "caution-unread", "acknowledged"),
    ({"plate": None}, "what", "plate"),
    ({"by_test": None, "lamp": "lamp"}, "no-times", "screen_seconds"),
    ({"by_test": None, "screen_seconds": 80, "image_seconds": 160}, "no-lamp", "lamp"),
])  # fmt: skip
def test_what_cannot_be_begun_says_why_and_stores_nothing(lit, more, code, field):
    if more.get("lamp"):
        more = more | {"lamp": lit.lamp["id"]}
    given = {"id": new_id(), "plate": lit.plate["id"], "by_test": lit.test["id"],
             "acknowledged": KNOWN}  # fmt: skip
    status, told = lit.ask("POST", "/exposures", given | more)
    assert (status, told["error"]["code"], told["error"]["field"]) == (422, code, field)
    assert not Exposure.objects.exists()


def test_a_plate_that_is_bitten_is_not_exposed(lit):
    copper = lit.must("POST", "/plates", {
        "id": new_id(), "name": "Row", "metal": "copper", "route": "aquatint",
        "thickness_mm": 1.2, "width_mm": 100, "height_mm": 100})  # fmt: skip
    status, told = lit.ask("POST", "/exposures", {
        "id": new_id(), "plate": copper["id"], "by_test": lit.test["id"],
        "acknowledged": KNOWN})  # fmt: skip
    assert (status, told["error"]["code"]) == (422, "not-by-light")


def test_a_test_without_a_pair_gives_no_times(lit):
    bare = lit.must("POST", "/exposure-tests",
                    {"id": new_id(), "name": "Bare", "lamp": lit.lamp["id"]})  # fmt: skip
    status, told = lit.ask("POST", "/exposures", {
        "id": new_id(), "plate": lit.plate["id"], "by_test": bare["id"],
        "acknowledged": KNOWN})  # fmt: skip
    assert (status, told["error"]["code"]) == (422, "no-pair")


def test_typed_times_are_taken_as_they_are(lit):
    told, _ = begin(lit, by_test=None, lamp=lit.lamp["id"], screen_seconds=75, image_seconds=150)
    seconds = {s["stage"]: s["seconds"] for s in told["sheet"]["stages"]}
    assert (seconds["screen"], seconds["image"], told["times"]) == (75, 150, 1)


def test_the_strips_of_a_test_get_the_times_they_truly_had(lit):
    planned = {"screen_steps": 2, "image_steps": 3}
    test = lit.must("POST", "/exposure-tests", {
        "id": new_id(), "name": "New", "lamp": lit.lamp["id"], "planned": planned})  # fmt: skip
    told, tablet = begin(lit, plate=None, by_test=None, test=test["id"])
    assert lit.must("GET", f"/exposure-tests/{test['id']}")["exposure"] == told["id"]
    strips = [s for s in told["sheet"]["stages"] if s["stage"] in ("screen", "image")]
    events, at = [], 4000
    for plan in strips:
        events += lasted(tablet, plan["stage"], at, plan["seconds"] + 4, plan["step"])
        at -= 300
    tablet.send(*events)
    after = lit.must("GET", f"/exposure-tests/{test['id']}")
    assert after["exposed"] and after["waits"] == "to read" and after["lamp_hours"] == 412
    for name in ("screen_seconds", "image_seconds"):
        late = [round(was + 4 * (n + 1), 1) for n, was in enumerate(test["plan"][name])]
        assert after["plan"][name] == pytest.approx(late)
    tablet.send(tablet.event("undo", 0, event=events[-1]["id"]))
    assert not lit.must("GET", f"/exposure-tests/{test['id']}")["exposed"]
    assert TwoWay.objects.get(id=test["id"]).exposed is None


def test_a_test_made_elsewhere_cannot_be_exposed(lit):
    status, told = lit.ask("POST", "/exposures", {
        "id": new_id(), "test": lit.test["id"], "acknowledged": KNOWN})  # fmt: skip
    assert (status, told["error"]["code"]) == (422, "not-planned")


def test_ended_with_stages_left_it_is_set_aside_and_the_course_waits(lit):
    told, tablet = begin(lit)
    tablet.send(*lasted(tablet, "screen", 900, 90))
    ended = lit.must("POST", f"/exposures/{told['id']}/end", {"reason": "film slipped"})
    assert (ended["outcome"], ended["reason"]) == ("set aside", "film slipped")
    plate = lit.must("GET", f"/plates/{lit.plate['id']}")
    assert plate["place_text"] == "set aside: film slipped"
    assert plate["last_exposure"] == told["id"]
    assert lit.must("POST", f"/exposures/{told['id']}/end")["reason"] == "film slipped"


def test_a_stage_under_way_cannot_be_ended_over(lit):
    told, tablet = begin(lit)
    tablet.send(tablet.event("began", -60_000, stage="screen"))
    status, told = lit.ask("POST", f"/exposures/{told['id']}/end")
    assert (status, told["error"]["code"]) == (422, "under-way")
    due = lit.must("GET", "/bench")["due"]
    assert [(d["kind"], d["text"]) for d in due] == [("light", "dot screen, Umbrellas")]


def test_never_begun_it_stands_in_the_record_alone(lit):
    told, _ = begin(lit)
    assert lit.must("POST", f"/exposures/{told['id']}/end")["outcome"] == "never begun"
    assert lit.must("GET", "/exposures")["items"] == []
    texts = list(Entry.objects.filter(room=lit.room).values_list("text", flat=True))
    assert any("ended before the first light" in text for text in texts)


def test_the_record_says_in_words_what_happened(lit):
    _, tablet = begin(lit)
    water = tablet.event("water", -10_000, celsius=22)
    tablet.send(*lasted(tablet, "screen", 900, 90), water,
                tablet.event("checked", -5000, check="no-water", fine=False),
                tablet.event("passed", -4000, stage="image"),
                tablet.event("undo", -1000, event=water["id"]))  # fmt: skip
    kinds = Entry.objects.filter(room=lit.room, kind__startswith="exposure:")
    texts = list(kinds.order_by("at").values_list("text", flat=True))
    assert texts == [
        "Dot screen. Lamp on, under the dot screen.", "Over.", "Wash water at 22.0 °C.",
        "Water stands on it still. Blot again: a drop that dries leaves a mark.",
        "Image: left as it is.", "Took back: Wash water at 22.0 °C.",
    ]  # fmt: skip


def test_what_a_later_reading_of_the_test_says_does_not_change_what_was_begun(lit):
    told, _ = begin(lit)
    harder = [patch.model_dump(mode="json") | {"highlight_lstar": patch.paper_lstar - 0.2}
              for patch in patches_of()]  # fmt: skip
    lit.must("PUT", f"/exposure-tests/{lit.test['id']}",
             {"version": lit.test["version"], "patches": harder})  # fmt: skip
    assert lit.must("GET", f"/exposures/{told['id']}")["sheet"] == told["sheet"]


def test_a_room_learns_how_long_it_washes_out(lit):
    for _ in range(2):
        told, tablet = begin(lit)
        assert not told["own_wash"]
        events = whole(tablet, told["sheet"])
        wash = next(n for n, e in enumerate(events) if e["data"].get("stage") == "wash")
        events[wash + 1]["monotonic_ms"] += 60_000
        tablet.send(*events)
        lit.must("POST", f"/exposures/{told['id']}/end")
    told, _ = begin(lit)
    wash = next(s for s in told["sheet"]["stages"] if s["stage"] == "wash")
    assert told["own_wash"] and wash["seconds"] == pytest.approx(360)


def test_an_integrators_dose_becomes_a_reading_of_the_lamp(lit):
    lit.ids = {}
    token = made(lit, "exposure")["token"]
    told, tablet = begin(lit)
    at = tablet.origin / 1000
    readings = [
        {"at": datetime.fromtimestamp(at - 890 + n, tz=UTC).isoformat(), "kind": "dose",
         "value": 4.0 * n}
        for n in range(0, 81, 10)
    ]  # fmt: skip
    assert send(token, *readings)[0] == 200
    tablet.send(*lasted(tablet, "screen", 900, 95))
    dose = Measurement.objects.get()
    assert dose.said == {"kind": "dose", "hours": 412.0, "seconds": 80.0, "mj_per_cm2": 320.0}
    lamp = lit.must("GET", "/lamps")["items"][0]
    assert lamp["today"]["mw_low"] < 4.0 < lamp["today"]["mw_high"]
    assert told["lamp"] == lamp["id"]


def test_two_tablets_say_one_stage_and_it_counts_once(lit):
    told, one = begin(lit)
    other = Device(lit, told["id"], "exposures")
    one.send(*lasted(one, "screen", 900, 90))
    status, after = other.send(*lasted(other, "screen", 899, 92))
    assert status == 200
    assert len(after["state"]["spans"]) == 1 and after["stands"]["lamp_seconds"] == 90
    assert {n["code"] for n in after["state"]["notices"]} == {"already-in-bath", "second-lift"}


def stand(person, told):
    """The exposure as it stands but for its notices, and the lamp's hours."""
    now = person.must("GET", f"/exposures/{told['id']}")
    state = {key: value for key, value in now["state"].items() if key != "notices"}
    return state, now["stands"], round(Lamp.objects.get().hours, 6)


@pytest.mark.parametrize(("kind", "data"), [
    ("began", {"stage": "blot"}), ("ended", {}), ("passed", {"stage": "blot"}),
    ("checked", {"check": "clear-touch", "fine": False}), ("water", {"celsius": 31}),
    ("observation", {"about": "darks", "text": "dull"}), ("note", {"text": "a word"}),
])  # fmt: skip
def test_do_and_undo_leaves_the_exposure_and_its_lamp_as_they_were(lit, kind, data):
    told, tablet = begin(lit)
    under_way = tablet.event("began", -200_000, stage="wash")
    wash = [under_way] if kind == "ended" else lasted(tablet, "wash", 500, 290)
    tablet.send(*lasted(tablet, "screen", 900, 90), *lasted(tablet, "image", 700, 170), *wash)
    before = stand(lit, told)
    event = tablet.event(kind, -100_000, **data)
    assert tablet.send(event)[0] == 200
    changed = stand(lit, told) != before
    assert changed == (kind not in ("observation", "note"))
    tablet.send(tablet.event("undo", -50_000, event=event["id"]))
    assert stand(lit, told) == before


def test_what_harms_the_plate_is_said_where_it_is_cleaned(lit):
    told, _ = begin(lit)
    assert "plant oil or white spirit" in told["cleaning"] and "acetone" in told["cleaning"]
