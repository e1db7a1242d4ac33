"""Scratched plates: what their marks shall be, what happened to them, looks, wear."""

import cv2
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

from server.marks.models import Look, Marks
from server.record.models import Entry
from server.tasks.actions.work import work_on
from tests.core.drypoint.photographs import drawn, photographs, strokes
from tests.server.conftest import Device, new_id

SIZE = (720, 520)
GROUPS = [
    {"name": "Shutter", "lstar": 41, "x_mm": 40, "y_mm": 20, "width_mm": 60, "height_mm": 40},
    {"name": "Sky", "lstar": 30, "layers": 3, "width_mm": 30, "height_mm": 15},
    {"name": "Wall", "lstar": 55, "way": "texture", "texture": "abrasive-240", "width_mm": 20,
     "height_mm": 20},
    {"name": "Lamp", "lstar": None},
]  # fmt: skip
PRESSURES = [{"pressure": n, "spacing_um": 250, "lstar": v}
             for n, v in zip((1, 2, 3, 4, 5), (78, 66, 52, 40, 33), strict=True)]  # fmt: skip


@pytest.fixture
def scratched(keeper):
    """A room with a drypoint on acrylic."""
    keeper.plate = keeper.must(
        "POST", "/plates",
        {"id": new_id(), "name": "Closing", "metal": "plastic", "route": "drypoint",
         "thickness_mm": 1.0, "width_mm": 180, "height_mm": 130, "facts": {"plastic": "acrylic"}},
    )  # fmt: skip
    keeper.at = f"/plates/{keeper.plate['id']}"
    keeper.needle = Device(keeper, f"{keeper.plate['id']}/marks", "plates")
    return keeper


def marks(person):
    return person.must("GET", f"{person.at}/marks")


def keep(person, **more):
    version = marks(person)["version"]
    return person.must("PUT", f"{person.at}/marks", {"version": version, "groups": GROUPS, **more})


def test_a_plate_without_a_word_shows_the_usual_and_writes_nothing(scratched):
    told = marks(scratched)
    assert told["version"] == 0 and told["groups"] == [] and told["trial"] is None
    assert told["material"]["label"] == "acrylic" and told["material"]["clear"]
    asked = scratched.must("GET", f"{scratched.at}/hatch?lstar=41&pressure=3")
    assert [row["layers"] for row in asked["rows"]] == [1, 2, 3]
    assert not asked["width_measured"] and asked["source"].startswith("a guess")
    assert not Marks.objects.exists()


def test_groups_are_kept_with_how_each_is_drawn(scratched):
    told = keep(scratched)
    by_name = {each["name"]: each for each in told["groups_out"]}
    assert by_name["Shutter"]["hatch"]["reachable"]
    assert by_name["Wall"]["texture_text"].endswith("abrasive paper 240, rubbed.")
    assert by_name["Lamp"]["advice"] == "leave it bare"
    assert told["masks"]["rubbings"][0]["areas"][0]["name"] == "Wall"
    assert told["minutes_left"] > 0 and told["hand"]["blocks"]
    entry = Entry.objects.get(room=scratched.room, kind="marks")
    assert entry.text == "Marks planned: 4 groups."


def test_a_trial_makes_the_widths_the_rooms_own(scratched):
    trial = scratched.must(
        "POST", "/trials",
        {"id": new_id(), "name": "Needle on acrylic", "material": "acrylic", "needle_um": 90,
         "pressures": PRESSURES, "textures": [{"texture": "abrasive-120", "lstar": 57}]},
    )  # fmt: skip
    told = keep(scratched, trial=trial["id"])
    asked = scratched.must("GET", f"{scratched.at}/hatch?lstar=41&pressure=3")
    assert asked["width_measured"] and told["trial"]["name"] == "Needle on acrylic"
    crossed = asked["rows"][1]
    assert crossed["plan"]["lstar"] == pytest.approx(41, abs=0.5)
    spacings = [each["spacing_um"] for each in crossed["ticks"]]
    assert spacings == sorted(spacings, reverse=True) and len(spacings) > 10
    own = {each["key"]: each for each in told["textures"]}
    assert own["abrasive-120"]["measured"] and own["abrasive-120"]["lstar"] == pytest.approx(57)
    assert not own["abrasive-80"]["measured"]
    out = scratched.must("PUT", f"/trials/{trial['id']}",
                         {"version": 1, "out_reason": "another paper"})  # fmt: skip
    assert out["out_reason"] == "another paper"
    assert [each["id"] for each in marks(scratched)["trials"]] == []


@pytest.mark.parametrize(
    ("groups", "field"),
    [([{"name": "Sky", "x_mm": 170, "width_mm": 20}], "groups.0.width_mm"),
     ([{"name": "Sky"}, {"name": "Sky"}], "groups.1.name"),
     ([{"name": "Sky", "way": "texture"}], "groups.0.texture"),
     ([{"name": "Sky", "layers": 9}], "groups.0.layers")],
)  # fmt: skip
def test_groups_that_cannot_be_are_refused_by_field(scratched, groups, field):
    status, told = scratched.ask("PUT", f"{scratched.at}/marks", {"version": 0, "groups": groups})
    assert status == 422 and told["error"]["field"] == field
    assert marks(scratched)["version"] == 0


def test_two_who_plan_at_once_the_second_is_told(scratched):
    keep(scratched)
    status, told = scratched.ask("PUT", f"{scratched.at}/marks", {"version": 0, "groups": []})
    assert status == 409 and told["error"]["code"] == "stale"
    assert len(marks(scratched)["groups"]) == 4


def test_a_trial_no_line_can_print_is_refused(scratched):
    bad = {"id": new_id(), "name": "x", "material": "acrylic",
           "pressures": [{"pressure": 1, "spacing_um": 300, "lstar": 99}]}  # fmt: skip
    status, told = scratched.ask("POST", "/trials", bad)
    assert status == 422 and told["error"]["field"] == "trials.0.lstar"


def sat(tablet, ago_s, minutes):
    begun = tablet.event("sat-down", -1000 * ago_s, work="hatching")
    return [begun, tablet.event("got-up", 1000 * (60 * minutes - ago_s), sat=begun["id"])]


def test_sittings_drawn_groups_and_the_course_follow_events(scratched):
    keep(scratched, groups=GROUPS[:2])
    tablet = scratched.needle
    drawn_now = [tablet.event("marked", -400_000, group=name) for name in ("Shutter", "Sky")]
    status, told = tablet.send(*sat(tablet, 4000, 30), *sat(tablet, 1900, 25), *drawn_now)
    assert status == 200
    assert told["state"]["worked_seconds"] == pytest.approx(55 * 60, abs=1)
    assert told["minutes_left"] == 0 and told["pace_counted"]
    course = scratched.must("GET", f"{scratched.at}/course")
    done = {each["key"] for each in course["steps"] if each["status"] == "done"}
    assert {"plan-marks", "scratch"} <= done
    undo = tablet.event("undo", 0, event=drawn_now[0]["id"])
    tablet.send(undo)
    course = scratched.must("GET", f"{scratched.at}/course")
    assert "scratch" not in {e["key"] for e in course["steps"] if e["status"] == "done"}


def test_events_come_twice_and_before_the_plan_without_harm(scratched):
    tablet = scratched.needle
    pull = tablet.event("pulled", -1000, lstar=31.0)
    for _ in range(2):
        assert tablet.send(pull)[0] == 200
    told = marks(scratched)
    assert len(told["state"]["impressions"]) == 1 and told["version"] == 0
    assert keep(scratched)["version"] == 1
    assert len(marks(scratched)["state"]["impressions"]) == 1


def test_a_burin_is_due_by_the_rooms_own_minutes(scratched):
    tablet, events = scratched.needle, []
    for n in range(4):
        ago = 12_000 - 2_000 * n
        events += [*sat(tablet, ago, 15), tablet.event("sharpened", -1000 * (ago - 1000))]
    told = tablet.send(*events)[1]
    assert told["sharpen_counted"] and told["sharpen_minutes"] == pytest.approx(15, abs=0.1)
    assert not told["sharpen_due"]
    assert tablet.send(*sat(tablet, 1500, 16))[1]["sharpen_due"]


def test_wear_follows_impressions_readings_and_scratching_again(scratched):
    tablet = scratched.needle
    before = scratched.must("GET", f"{scratched.at}/wear")
    assert [each["code"] for each in before["forecast"]["warnings"]] == ["no-readings"]
    pulls = [tablet.event("pulled", -900_000 + 60_000 * n, passes=1, spoiled=n == 3)
             for n in range(8)]  # fmt: skip
    read = [tablet.event("impression-read", -100_000 + n, pull=pull["id"], lstar=31 + 0.5 * n)
            for n, pull in enumerate(pulls)]  # fmt: skip
    assert tablet.send(*pulls, *read)[0] == 200
    told = scratched.must("GET", f"{scratched.at}/wear")
    assert 5 <= told["forecast"]["last_good"] <= 12
    assert told["state"]["impressions"][3]["spoiled"]
    later = scratched.must("GET", f"{scratched.at}/wear?after=12")
    assert later["forecast"]["again"]["after"] == 12
    tablet.send(tablet.event("scratched-again", 0))
    again = scratched.must("GET", f"{scratched.at}/wear")
    assert again["forecast"]["last_good"] > told["forecast"]["last_good"]
    reply = scratched.client.get(f"/api/rooms/{scratched.room.id}{scratched.at}/wear.csv")
    rows = reply.content.decode().splitlines()
    assert rows[0].startswith("impression,") and len(rows) == 9


def test_another_plates_wear_teaches_this_one(scratched):
    tablet = scratched.needle
    pulls = [tablet.event("pulled", -900_000 + 10_000 * n, lstar=31 + 4 * (1 - 0.97**n))
             for n in range(30)]  # fmt: skip
    tablet.send(*pulls)
    other = scratched.must(
        "POST", "/plates",
        {"id": new_id(), "name": "Next", "metal": "plastic", "route": "drypoint",
         "thickness_mm": 1.0, "width_mm": 80, "height_mm": 60, "facts": {"plastic": "acrylic"}},
    )  # fmt: skip
    told = scratched.must("GET", f"/plates/{other['id']}/wear")
    assert told["history"] == 1 and told["forecast"]["burr_impressions"] > 13


def upload(person, path):
    picture = new_id()
    with open(path, "rb") as file:
        sent = SimpleUploadedFile("light.png", file.read())
    url = f"/api/rooms/{person.room.id}/files"
    assert person.client.post(url, {"id": picture, "file": sent}).status_code == 201
    return picture


def test_photographs_are_merged_as_a_task_and_the_look_is_kept(scratched, tmp_path):
    rows = strokes(40, SIZE, 5, hatched=False)
    lines = tmp_path / "drawing.png"
    cv2.imwrite(str(lines), ((~drawn(rows, SIZE, widest=3)) * 160 + 90).astype("uint8")[:, ::-1])
    drawing = upload(scratched, lines)
    keep(scratched, drawing=drawing)
    lights = [upload(scratched, each) for each in photographs(tmp_path, rows[4:], SIZE, 5)]
    asked = scratched.must("POST", f"{scratched.at}/looks", {"id": new_id(), "pictures": lights})
    work_on(asked["id"])
    look = marks(scratched)["looks"][0]
    assert look["seen"]["missed"]["lines"] and 0.6 < look["seen"]["missed"]["done_share"] < 1
    by_name = {each["name"]: each for each in marks(scratched)["groups_out"]}
    assert by_name["Shutter"]["now_from"] == "scratches" and by_name["Shutter"]["now"] > 41
    assert by_name["Shutter"]["advice"] == "cross it"
    url = f"/api/rooms/{scratched.room.id}/tasks/{asked['id']}/files/1"
    reply = scratched.client.get(url)
    assert reply.status_code == 200 and reply["Content-Type"] == "image/png"
    assert Entry.objects.filter(room=scratched.room, kind="look").exists()
    assert Look.objects.get().by.name


def test_one_photograph_of_clear_plastic_is_refused_and_one_of_ink_is_not(scratched, tmp_path):
    path = photographs(tmp_path, strokes(10, SIZE, 5), SIZE, 5)[0]
    body = {"id": new_id(), "pictures": [upload(scratched, path)]}
    status, told = scratched.ask("POST", f"{scratched.at}/looks", body)
    assert status == 422 and told["error"]["field"] == "pictures"
    scratched.must("POST", f"{scratched.at}/looks", {**body, "inked": True})


def test_a_guide_is_drawn_as_a_task(scratched):
    status, told = scratched.ask("POST", f"{scratched.at}/guide", {"id": new_id()})
    assert status == 422 and told["error"]["code"] == "nothing-hatched"
    keep(scratched)
    asked = scratched.must("POST", f"{scratched.at}/guide", {"id": new_id(), "lies": "transfer"})
    work_on(asked["id"])
    task = scratched.must("GET", f"/tasks/{asked['id']}")
    assert task["state"] == "done" and not task["result"]["mirrored"]
    assert task["result"]["path"] == "guide.pdf"


def test_lettering_is_kept_letter_by_letter(scratched):
    told = keep(scratched, words="THE WEIGHBRIDGE", letters_checked=[1, 2, 15])
    assert told["lettering"]["plate"] == "EGDIRBHGIEW EHT"
    assert told["letters_checked"] == [1, 2, 15]
    keep(scratched, words="THE WEIGHBRIDGE", letters_checked=[1, 2, 14, 15])
    said = [entry.text for entry in Entry.objects.filter(room=scratched.room, kind="marks")]
    assert "Lettering 'THE WEIGHBRIDGE': 4 of 14 letters read." in said
