"""Repair: which ways reach, how long they take, and when a new plate is shorter."""

import pytest

from core.calculators import compute


def routes(**more):
    given = {"fault": "too dark", "material": "copper", "area_cm2": 5, "depth_um": 15,
             "lstar": 40, "wanted_lstar": 52}  # fmt: skip
    out = compute("repair-routes", given | more)
    return out, {route.key: route for route in out.routes}


def test_a_tone_two_steps_too_dark_is_burnished_twice():
    out, by_key = routes()
    assert out.best == "burnish"
    assert by_key["burnish"].repeats == 2
    assert by_key["burnish"].remaining_lstar == pytest.approx(52)


@pytest.mark.parametrize(
    ("more", "key", "possible"),
    [({"wanted_lstar": 90}, "burnish", False), ({"depth_um": 60}, "burnish", False),
     ({"depth_um": 60}, "scrape", True), ({"fault": "foul bite", "area_cm2": 2}, "mask", True),
     ({"fault": "foul bite", "area_cm2": 9}, "mask", False), ({}, "mask", False),
     ({"material": "plastic"}, "power", False), ({"material": "polymer"}, "scrape", False)],
)  # fmt: skip
def test_which_ways_reach(more, key, possible):
    assert routes(**more)[1][key].possible is possible


def test_more_to_do_never_takes_less_time():
    for key in ("burnish", "scrape", "power"):
        by_area = [routes(area_cm2=a)[1][key].minutes for a in (1, 5, 50, 400)]
        by_depth = [routes(depth_um=d)[1][key].minutes for d in (5, 20, 60, 120)]
        assert by_area == sorted(by_area) and by_depth == sorted(by_depth)


def test_a_large_deep_place_is_shorter_on_a_new_plate():
    small, _ = routes(depth_um=40)
    large, _ = routes(area_cm2=300, depth_um=60)
    assert not small.new_plate_is_shorter and large.new_plate_is_shorter
    assert "new plate is the shorter way" in large.text
