"""A course as it changes: what waits for what, asked again, facts, and every refusal."""

from datetime import UTC, datetime, timedelta

import pytest

from core.course.change import MOST_STEPS, Hand, change_steps
from core.course.course import course
from core.course.measures import checked_measures, facts_of, told_measures
from core.course.shapes import Act, CourseInput, Step
from core.course.standing import Known, bites, needs_of, parts_of, plans, status_of, waits_for
from core.data.steps import STEPS
from core.errors import CoreError
from core.ground.from_steps import ground_facts

NOW = datetime(2026, 11, 25, 10, 0, tzinfo=UTC)
NOTHING = Known(frozenset(), frozenset(), approved=False)


def steps_for(*routes, material="copper"):
    planned = course(CourseInput(routes=routes, material=material, thickness_mm=1.2))
    return [Step(id=s.id, key=s.key, part=s.part, route=s.route) for s in planned.steps]


def act(steps, kind, step=None, known=NOTHING, at=NOW, **more):
    return change_steps(steps, Act(act=kind, step=step, **more), Hand("Printer", at), known)


def do(steps, *ids, at=NOW, **measures):
    for place, each in enumerate(ids):
        done = act(steps, "done", each, at=at + timedelta(minutes=place), measures=measures)
        steps = done.steps
    return steps


def find(steps, step_id):
    return next(step for step in steps if step.id == step_id)


def refused(steps, kind, step=None, **more):
    with pytest.raises(CoreError) as caught:
        act(steps, kind, step, **more)
    return caught.value


PREPARED = ("cut", "bevel", "polish", "drawing", "degrease")


def test_a_step_done_says_who_when_what_and_keeps_the_facts_of_the_plate():
    done = act(steps_for("aquatint"), "done", "cut", measures={"face": True})
    step = find(done.steps, "cut")
    assert (step.status, step.by, step.at, step.tries) == ("done", "Printer", NOW, 1)
    assert done.text == "Cut the plate to size: done (working face marked yes)."
    assert (done.step, done.measures, done.facts) == ("cut", {"face": True}, {"face_marked": True})


def test_nothing_given_is_changed_in_place():
    steps = steps_for("aquatint")
    before = [step.model_copy() for step in steps]
    do(steps, "cut", "bevel")
    act(steps, "skip", "polish", reason="came polished")
    assert steps == before


def test_a_step_before_what_it_needs_asks_for_a_reason_and_takes_one():
    steps = steps_for("aquatint")
    error = refused(steps, "done", "polish")
    assert (error.code, error.field) == ("reason-needed", "reason")
    assert "Bevel edges" in error.text
    done = act(steps, "done", "polish", reason=" bought polished ")
    assert find(done.steps, "polish").reason == "bought polished"
    assert done.text.endswith("bought polished")


def test_the_water_break_test_fails_until_it_holds():
    steps = do(steps_for("aquatint"), *PREPARED[:4])
    failed = act(steps, "done", "degrease", measures={"water_break": "failed"})
    step = find(failed.steps, "degrease")
    assert (step.status, step.tries) == ("todo", 1) and "To do again" in failed.text
    held = act(failed.steps, "done", "degrease", measures={"water_break": "passed"})
    assert find(held.steps, "degrease").status == "done"
    assert find(held.steps, "degrease").tries == 2


def test_what_brings_grease_back_asks_to_degrease_again_once():
    steps = do(steps_for("aquatint"), *PREPARED)
    again = do(steps, "polish")
    ids = [step.id for step in again]
    assert ids.index("degrease~2") == ids.index("polish") + 1
    assert "degrease~3" not in [step.id for step in do(again, "polish")]
    dust = find(again, "dust")
    waits = waits_for(dust, needs_of(dust, again), again, NOTHING)
    assert STEPS["degrease"].title in waits
    clean = do(again, "degrease~2")
    dust = find(clean, "dust")
    assert waits_for(dust, needs_of(dust, clean), clean, NOTHING) == []


def test_skipping_needs_its_reason_and_settles_the_step():
    steps = steps_for("aquatint")
    assert refused(steps, "skip", "cut", reason="  ").field == "reason"
    skipped = act(steps, "skip", "cut", reason="came cut")
    assert find(skipped.steps, "cut").status == "skipped"
    assert skipped.text == "Cut the plate to size: skipped. came cut"
    bevel = find(skipped.steps, "bevel")
    assert waits_for(bevel, needs_of(bevel, skipped.steps), skipped.steps, NOTHING) == []


def test_a_step_is_repeated_reopened_swapped_and_added():
    steps = steps_for("etched line", material="zinc")
    twice = act(steps, "again", "draw")
    assert (twice.step, twice.text) == ("draw~2", "Draw through the ground: to do again.")
    thrice = act(twice.steps, "again", "draw~2")
    assert thrice.step == "draw~3"
    opened = act(do(steps, "cut"), "reopen", "cut", reason="not square")
    step = find(opened.steps, "cut")
    assert (step.status, step.reason, step.tries) == ("todo", "not square", 1)
    swapped = act(steps, "swap", "ball-ground", keys=["liquid-ground"])
    assert "ball-ground" not in [s.id for s in swapped.steps]
    assert swapped.text.startswith("Brush on liquid ground, instead of lay hard ground")
    added = act(steps, "add", "proof", keys=["scrape", "burnish"], reason="sky too dark")
    ids = [s.id for s in added.steps]
    assert ids[ids.index("proof") + 1 :][:2] == ["scrape", "burnish"]
    assert (
        find(added.steps, "scrape").added and find(added.steps, "scrape").reason == "sky too dark"
    )
    front = act(added.steps, "add", None, keys=["scrape"])
    assert front.steps[0].id == "scrape~2"


@pytest.mark.parametrize(
    ("kind", "step", "more", "code"),
    [("done", "ghost", {}, "no-such-step"), ("skip", None, {"reason": "x"}, "no-such-step"),
     ("swap", "cut", {"keys": ["dust"]}, "not-instead"), ("swap", "dust", {}, "not-instead"),
     ("add", "cut", {}, "no-steps"), ("add", "cut", {"keys": ["ghost"]}, "unknown-step"),
     ("done", "bevel", {"measures": {"angle": 95}, "reason": "x"}, "out-of-limits"),
     ("done", "bevel", {"measures": {"colour": 1}, "reason": "x"}, "unknown-measure")],
)  # fmt: skip
def test_what_cannot_be_is_refused_by_name(kind, step, more, code):
    error = refused(steps_for("aquatint"), kind, step, **more)
    assert error.code == code and error.field and error.allowed


def test_a_course_does_not_grow_without_end():
    steps = [Step(id=f"cut~{i}", key="cut", part=1, route="aquatint") for i in range(MOST_STEPS)]
    error = refused(steps, "add", None, keys=["cut"])
    assert (error.code, error.value) == ("too-many-steps", MOST_STEPS + 1)
    assert act(steps[:-1], "add", None, keys=["burnish"]).step == "burnish"


def test_steps_that_follow_by_themselves():
    steps = steps_for("etched line", "aquatint", "spit bite")
    known = Known(frozenset({"lines"}), frozenset({"tones"}), approved=True)
    assert status_of(find(steps, "plan-lines"), known) == "done"
    assert status_of(find(steps, "bite-lines"), known) == "todo"
    assert status_of(find(steps, "bite-tones.2"), known) == "done"
    assert status_of(find(steps, "proof"), known) == "done"
    assert status_of(find(steps, "cut"), known) == "todo"
    assert (plans("plan-spit-bite"), bites("spit-bite"), plans("cut")) == ("spit-bite",) * 2 + (
        None,
    )
    assert parts_of(steps, frozenset()) == ["lines", "tones", "spit-bite"]
    assert parts_of(steps_for("aquatint"), frozenset({"lines"})) == ["lines", "tones"]
    assert parts_of(steps_for("drypoint", material="plastic"), frozenset()) == []


@pytest.mark.parametrize(
    ("key", "measures", "said"),
    [("bevel", {"angle": 45, "corners": False, "film": "left on"},
      " (angle to the face 45 °, protective film left on, corners rounded no)"),
     ("press-textures", {"textures": "gauze"}, " (textures gauze)"), ("draw", {}, "")],
)  # fmt: skip
def test_measures_are_told_in_words(key, measures, said):
    assert told_measures(key, checked_measures(key, measures)) == said


def test_empty_measures_are_left_out_and_bad_ones_named_with_their_unit():
    assert checked_measures("bevel", {"film": "", "angle": 45}) == {"angle": 45}
    for measures, unit in (({"angle": True}, "°"), ({"angle": "45"}, "°"), ({"film": "torn"}, ""),
                           ({"corners": "yes"}, "")):  # fmt: skip
        with pytest.raises(CoreError) as caught:
            checked_measures("bevel", measures)
        assert caught.value.unit == unit and caught.value.field.startswith("measures.")
    with pytest.raises(CoreError):
        checked_measures("press-textures", {"textures": "x" * 501})
    assert facts_of("back", {"back": "filmed", "edges": True}) == {"back": "filmed"}


def test_the_ground_is_told_by_the_last_one_laid():
    steps = steps_for("aquatint")
    assert ground_facts("copper", steps, None, NOW) is None
    steps = do(steps, *PREPARED[:4])
    steps = do(steps, "degrease", at=NOW, water_break="passed")
    steps = do(steps, "dust", at=NOW + timedelta(hours=2), covered=52)
    steps = do(steps, "fuse", at=NOW + timedelta(hours=3), clear=False)
    steps = do(steps, "back", at=NOW + timedelta(hours=3), back="varnished", edges=True)
    told = ground_facts("copper", steps, "bare", NOW + timedelta(days=1))
    assert (told.ground, told.water_break, told.back, told.edges_covered) == (
        "dust", "passed", "varnished", True,
    )  # fmt: skip
    assert told.covered_share == pytest.approx(0.52) and told.fused_clear is False
    assert told.hours_degreased_to_ground == pytest.approx(2)
    assert told.age_days == pytest.approx(22 / 24)
    assert ground_facts("plastic", steps, None, NOW) is None
    assert ground_facts("zinc", steps, None, NOW).metal == "zinc"


def test_smoke_and_late_polish_are_seen_in_the_ground():
    steps = do(steps_for("etched line", material="zinc"), *PREPARED)
    polished = do(steps, "polish", at=NOW + timedelta(hours=1))
    smoked = act(polished, "done", "ball-ground", at=NOW + timedelta(hours=2), reason="in a hurry",
                 measures={"smoked": True, "film": "thin", "heat": 95})  # fmt: skip
    told = ground_facts("zinc", smoked.steps, "pre-coated", NOW + timedelta(hours=2))
    assert (told.ground, told.film, told.heat_c, told.back) == ("smoked", "thin", 95, "pre-coated")
    assert told.polished_after_degrease and told.age_days == 0
