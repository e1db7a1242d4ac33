"""The strips' wall: which strip leans on which, what no longer counts, do two agree."""

import pytest

from tests.server.conftest import PATCHES, new_id


def strip(person, name, off=0.0, **more):
    body = {"id": new_id(), "name": name, "conditions": {"mordant": "copper-ferric"},
            "patches": [{"seconds": s, "lstar": v + off} for s, v in PATCHES], **more}  # fmt: skip
    return person.must("POST", "/strips", body)


def shown(person, made):
    return person.must("GET", f"/strips/{made['id']}")


def leaned(told):
    return {each["name"]: each["share"] for each in told["leans_on"]}


def test_a_strip_leans_on_the_earlier_ones_of_its_ground_metal_and_mordant(keeper):
    spring = strip(keeper, "Spring", read_on="2026-05-01")
    strip(keeper, "Sprayed", ground="sprayed dots")
    strip(keeper, "On zinc", conditions={"mordant": "zinc-nitric-16"})
    week = strip(keeper, "Last week", read_on="2026-11-18")
    assert leaned(spring) == {} and spring["own_share"] == 1.0
    assert list(leaned(week)) == ["Spring"]
    assert week["own_share"] + sum(leaned(week).values()) == pytest.approx(1, abs=0.002)


def test_left_out_with_its_reason_it_counts_in_no_later_strip_until_it_is_put_back(keeper):
    old = strip(keeper, "Old box")
    new = strip(keeper, "New box")
    why = {"version": old["version"], "out_reason": "dust box rebuilt since"}
    out = keeper.must("PUT", f"/strips/{old['id']}", why)
    assert out["out_reason"] == "dust box rebuilt since" and out["usable"]
    alone = shown(keeper, new)
    assert leaned(alone) == {} and alone["version"] == new["version"] + 1
    assert alone["line"] != new["line"]
    keeper.must("PUT", f"/strips/{old['id']}", {"version": out["version"], "out_reason": ""})
    assert leaned(shown(keeper, new)) == leaned(new)
    said = [e["text"] for e in keeper.must("GET", "/record")["items"] if e["kind"] == "strip"]
    assert "Strip Old box no longer counts: dust box rebuilt since." in said
    assert "Strip Old box counts again." in said


def test_two_strips_agree_in_one_bath_though_not_as_they_were_bitten(keeper):
    cold, warm = ({"mordant": "copper-ferric", "temperature_c": t} for t in (14, 24))
    one = strip(keeper, "Cold", conditions=cold)
    two = strip(keeper, "Other", conditions=cold, off=0.4)
    told = keeper.must("GET", f"/strips/{one['id']}/beside/{two['id']}")
    assert told["agree"] and told["text"].startswith("Yes.") and told["factor"] == 1.0
    hot = strip(keeper, "Warm", conditions=warm)
    told = keeper.must("GET", f"/strips/{one['id']}/beside/{hot['id']}")
    assert told["factor"] > 1.3 and not told["agree"]
    assert told["other_moved"] != told["other_as_bitten"]


def test_strips_of_two_mordants_or_without_a_curve_cannot_be_compared(keeper):
    one = strip(keeper, "Ferric")
    for other, code in (
        (strip(keeper, "Nitric", conditions={"mordant": "zinc-nitric-16"}), "two-mordants"),
        (strip(keeper, "Empty", patches=[]), "no-curve"),
    ):
        status, reply = keeper.ask("GET", f"/strips/{one['id']}/beside/{other['id']}")
        assert (status, reply["error"]["code"]) == (422, code)


def hung(person):
    return person.must("GET", "/strips/wall")["items"]


def test_the_wall_hangs_grounds_together_the_newest_first_and_what_is_out_last(keeper):
    strip(keeper, "Spring", read_on="2026-05-01")
    strip(keeper, "Sprayed", ground="sprayed dots")
    old = strip(keeper, "Old box")
    strip(keeper, "Last week")
    keeper.must("PUT", f"/strips/{old['id']}", {"version": 1, "out_reason": "box rebuilt"})
    names = [each["name"] for each in hung(keeper)]
    assert names == ["Last week", "Spring", "Sprayed", "Old box"]


def test_each_strip_says_its_share_in_todays_curve_and_whether_it_is_alone(keeper):
    strip(keeper, "Spring", read_on="2026-05-01")
    strip(keeper, "Sprayed", ground="sprayed dots")
    strip(keeper, "Last week")
    told = {each["name"]: each for each in hung(keeper)}
    week, spring, sprayed = (told[name] for name in ("Last week", "Spring", "Sprayed"))
    assert (week["leads"], spring["leads"], sprayed["leads"]) == (True, False, True)
    assert week["counts"] + spring["counts"] == pytest.approx(1, abs=0.002)
    assert (sprayed["counts"], sprayed["alone"], week["alone"]) == (1.0, True, False)
    assert spring["days"] > 200 and week["days"] == 0


def test_a_patch_left_out_by_hand_and_one_by_its_fellows_are_marked_on_the_slip(keeper):
    patches = [{"seconds": s, "lstar": v} for s, v in PATCHES]
    patches[1]["left_out"] = True
    patches[3]["lstar"] += 18
    strip(keeper, "Bad patch", patches=patches)
    (told,) = hung(keeper)
    assert [each["out"] for each in told["hung"]] == [False, True, False, True, False, False]
