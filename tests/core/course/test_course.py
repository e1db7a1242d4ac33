"""Courses: which steps, in which order."""

import pytest

from core.calculators import compute
from core.data.cautions import CAUTIONS
from core.data.steps import COURSES, INSTEAD, STEPS
from core.errors import CoreError

MATERIAL = {"kitchen table": "plastic", "drypoint": "plastic", "photopolymer": "polymer"}


def course(*routes, material=None, **more):
    given = {"routes": routes, "thickness_mm": 1.2, **more}
    return compute("course", given | {"material": material or MATERIAL.get(routes[0], "copper")})


def ids(*routes, **more):
    return [step.id for step in course(*routes, **more).steps]


@pytest.mark.parametrize("route", COURSES)
def test_every_route_has_its_course_to_the_edition(route):
    steps = course(route).steps
    assert [s.key for s in steps[-2:]] == ["proof", "edition"]
    assert len({s.id for s in steps}) == len(steps)
    assert all(s.why and s.good for s in steps)


@pytest.mark.parametrize("route", COURSES)
def test_what_a_step_needs_comes_before_it(route):
    steps = course(route).steps
    place = {step.id: i for i, step in enumerate(steps)}
    assert all(place[need] < place[step.id] for step in steps for need in step.needs)


def test_the_table_names_only_what_exists():
    for row in STEPS.values():
        assert row.said
        assert set(row.needs) | set(row.again_after) <= set(STEPS)
        assert set(row.cautions) <= set(CAUTIONS)
    assert {key for keys in COURSES.values() for key in keys} <= set(STEPS)
    assert all(key in INSTEAD[other] for key, others in INSTEAD.items() for other in others)


def test_a_mixed_plate_takes_lines_then_tone_then_drypoint_in_any_order_asked():
    mixed = ids("drypoint", "aquatint", "etched line", material="copper")
    order = [mixed.index(key) for key in ("bite-lines", "degrease.2", "bite-tones.2", "scratch.3")]
    assert order == sorted(order)
    assert mixed.count("cut") == 1 and mixed[-1] == "edition"
    assert "under-drawing.3" not in mixed  # copper is not clear


def test_thin_plastic_may_go_without_a_bevel():
    bevels = [
        next(step for step in course("drypoint", thickness_mm=t).steps if step.key == "bevel")
        for t in (1.0, 2.0)
    ]
    thin, thick = bevels
    assert (thin.optional, thick.optional) == (True, False)
    assert "1 mm" in thin.optional_why


def test_an_old_plate_is_registered_first():
    assert ids("etched line", history_unknown=True)[0] == "register"


@pytest.mark.parametrize(
    ("route", "material"),
    [("aquatint", "plastic"), ("photopolymer", "zinc"), ("soft ground", "polymer")],
)
def test_a_route_its_material_cannot_take_is_refused(route, material):
    with pytest.raises(CoreError) as caught:
        course(route, material=material)
    assert caught.value.code == "route-not-for-material"


def test_a_kitchen_table_print_has_two_trials_after_paper_ink_and_gap():
    keys = [step.key for step in course("kitchen table").steps]
    trials = [keys.index(each) for each in ("trial-one", "trial-two")]
    for before in ("kitchen-ink", "kitchen-damp", "kitchen-gap", "look-scratches"):
        assert keys.index(before) < trials[0] < trials[1] < keys.index("proof")
    damp = next(step for step in course("kitchen table").steps if step.key == "kitchen-damp")
    assert damp.wait_minutes <= 15 and damp.timer


def test_a_clear_plate_has_its_bottom_marked_and_metal_has_not():
    for material, has in (("plastic", True), ("copper", False)):
        keys = [step.key for step in course("drypoint", material=material).steps]
        assert ("mark-side" in keys) == has and ("trim-after" in keys) == has
        assert keys.index("look-scratches") > keys.index("scratch")


def test_an_engraving_is_read_in_the_mirror_before_it_is_cut_and_its_burr_scraped_after():
    keys = [step.key for step in course("engraving").steps]
    assert keys.index("letter-check") < keys.index("engrave") < keys.index("clean-burr")
