"""A plate put in: what it takes, its bevel, its way to the first proof."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from core.calculators import compute
from core.course.course import course
from core.course.put_in import PutInInput, put_in
from core.course.shapes import CourseInput
from core.data.routes import ROUTES
from core.errors import CoreError

COPPER = {"material": "copper", "thickness_mm": 1.2}


def told(**more):
    return compute("put-in", COPPER | more)


def test_nothing_chosen_yet_tells_only_what_the_material_takes():
    out = told()
    assert [each.route for each in out.routes] == list(ROUTES)
    assert (out.worked, out.legs, out.hands_minutes, out.bevel) == ([], [], 0, None)
    assert {each.route for each in out.routes if not each.fits} == {"photopolymer", "kitchen table"}


def test_lines_come_before_tone_whatever_was_tapped_first():
    out = told(routes=["aquatint", "etched line"])
    assert out.worked == ["etched line", "aquatint"]
    titles = [leg.title for leg in out.legs]
    assert titles[:4] == ["Prepare", "Image", "Ground", "Bite lines"]
    assert titles[-3:] == ["Dust, fuse", "Bite tones", "Proof"]


@pytest.mark.parametrize(
    ("material", "route", "why"),
    [
        ("plastic", "aquatint", "nothing bites"),
        ("polymer", "drypoint", "tear the layer"),
        ("copper", "photopolymer", "photopolymer plate"),
        ("zinc", "kitchen table", "choose a plastic"),
    ],
)
def test_a_route_the_material_cannot_take_says_why_and_is_left_out(material, route, why):
    out = told(material=material, routes=[route])
    (fit,) = [each for each in out.routes if each.route == route]
    assert not fit.fits and why in fit.why
    assert (out.worked, out.hands_minutes) == ([], 0)


@pytest.mark.parametrize(
    ("thickness_mm", "material", "needed"),
    [(1.4, "plastic", "optional"), (1.5, "plastic", "needed"), (0.8, "copper", "needed")],
)
def test_the_bevel_follows_the_thickness(thickness_mm, material, needed):
    out = told(material=material, thickness_mm=thickness_mm, width_mm=200, height_mm=150)
    assert out.bevel.needed == needed and out.bevel_fault == ""


def test_a_plate_too_small_for_its_bevel_says_so_and_still_has_its_way():
    out = told(thickness_mm=10, width_mm=10, height_mm=10, routes=["drypoint"])
    assert out.bevel is None and out.bevel_fault
    assert out.hands_minutes > 0


@given(
    material=st.sampled_from(["copper", "zinc", "plastic", "polymer"]),
    routes=st.lists(st.sampled_from(list(ROUTES)), min_size=1, max_size=4, unique=True),
    old=st.booleans(),
)
def test_the_legs_hold_every_minute_of_the_course_but_the_edition(material, routes, old):
    out = put_in(PutInInput(material=material, thickness_mm=1.2, routes=routes,
                            history_unknown=old))  # fmt: skip
    assert out.worked == [r for r in ROUTES if r in routes and material in ROUTES[r].materials]
    if not out.worked:
        return
    whole = course(CourseInput(routes=out.worked, material=material, thickness_mm=1.2,
                               history_unknown=old))  # fmt: skip
    steps = [s for s in whole.steps if s.group != "edition" and not s.optional]
    assert out.hands_minutes == sum(step.hands_minutes for step in steps)
    assert out.wait_minutes == sum(leg.wait_minutes for leg in out.legs)
    assert len({(leg.title, leg.part) for leg in out.legs}) == len(out.legs)


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"thickness_mm": 0.05}, "thickness_mm"),
        ({"width_mm": 3200}, "width_mm"),
        ({"routes": ["linocut"]}, "routes.0"),
    ],
)
def test_out_of_its_limits_is_refused_at_its_field(more, field):
    with pytest.raises(CoreError) as caught:
        told(**more)
    assert caught.value.field == field
