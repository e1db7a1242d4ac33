"""What is done after what: facts of the working order that were once the wrong way round."""

from datetime import timedelta
from itertools import pairwise

import pytest

from core.course.change import Hand, change_steps
from core.course.shapes import Act
from core.data.cautions import CAUTIONS
from core.data.grounds import TRANSFERS
from core.data.solvents import SOLVENTS
from core.data.steps import COURSES, STEPS
from core.ground.from_steps import ground_facts
from tests.core.course.test_change import NOTHING, NOW, act, do, find, steps_for
from tests.core.course.test_course import course, ids


def in_order(steps, *keys):
    places = [steps.index(key) for key in keys]
    return all(one < other for one, other in pairwise(places))


@pytest.mark.parametrize("route", ["etched line", "soft ground", "aquatint", "spit bite"])
def test_the_drawing_is_fitted_first_and_degreasing_comes_directly_before_the_ground(route):
    steps = ids(route)
    laid = next(key for key in steps if STEPS[key].new_ground)
    assert in_order(steps, "polish", "drawing", "degrease")
    assert steps[steps.index(laid) - 1] == "degrease"
    assert "within the hour" in STEPS["degrease"].why


@pytest.mark.parametrize(
    ("route", "heat", "bite"),
    [("etched line", "ball-ground", "bite-lines"), ("soft ground", "soft-ground", "bite-lines"),
     ("aquatint", "fuse", "bite-tones"), ("spit bite", "fuse", "spit-bite")],
)  # fmt: skip
def test_the_back_is_covered_after_the_last_heat_and_before_the_bite(route, heat, bite):
    assert in_order(ids(route), heat, "back", bite)
    assert "last heat" in STEPS["back"].why
    assert heat in find_step(course(route).steps, "back").needs
    mixed = ids("etched line", "aquatint")
    assert in_order(mixed, "fuse.2", "back.2", "bite-tones.2")


@pytest.mark.parametrize(("route", "plan"), [("aquatint", "plan-tones"),
                                             ("spit bite", "plan-spit-bite")])  # fmt: skip
def test_the_drawing_is_traced_onto_the_fused_grain_and_tones_planned_before_the_whites(
    route, plan
):
    assert in_order(ids(route), "dust", "fuse", "transfer", plan, "whites", "back")


def test_soft_ground_is_stopped_out_in_its_own_step_and_bites_for_its_hour():
    steps = course("soft ground").steps
    keys = [step.key for step in steps]
    assert in_order(keys, "press-textures", "stop-out-textures", "bite-lines")
    assert "stop-out-textures" in find_step(steps, "bite-lines").needs
    bite = find_step(steps, "bite-lines")
    assert bite.wait_minutes >= 60 and "hour" in bite.why
    assert find_step(course("etched line").steps, "bite-lines").wait_minutes < 60


def find_step(steps, key):
    return next(step for step in steps if step.key == key)


def test_a_proof_stands_between_the_lines_and_the_tone():
    steps = ids("etched line", "aquatint")
    assert in_order(steps, "strip-ground", "proof-lines", "degrease.2", "dust.2", "proof")
    assert "proof-lines" in ids("engraving", "aquatint")
    for alone in (("etched line",), ("aquatint",), ("aquatint", "spit bite")):
        assert "proof-lines" not in ids(*alone)


@pytest.mark.parametrize("metal", ["copper", "zinc"])
def test_metal_for_drypoint_is_polished_and_takes_a_transfer(metal):
    steps = ids("drypoint", material=metal)
    assert in_order(steps, "bevel", "polish", "drawing", "transfer", "scratch")
    assert not {"under-drawing", "film-back"} & set(steps)


@pytest.mark.parametrize("route", ["drypoint", "engraving"])
def test_film_on_plastic_is_looked_at_in_its_courses(route):
    steps = ids(route, material="plastic")
    assert in_order(steps, "cut", "film-back", "bevel")
    assert "polish" not in ids("drypoint", material="plastic")


def test_a_plate_of_polymer_is_cut_to_the_drawing():
    assert in_order(ids("photopolymer"), "drawing", "cut", "dust-chalk", "expose-screen")


def test_too_full_of_dust_is_mended_by_less_time_in_the_box_or_a_longer_wait_before_it():
    mend = dict(STEPS["dust"].fails)["Too full"]
    assert "less time in the box" in mend and "wait longer" in mend


def test_heat_is_read_where_it_is_logged():
    steps = do(steps_for("aquatint"), "cut", "bevel", "polish")
    steps = do(steps, "drawing")
    steps = do(steps, "degrease", water_break="passed")
    steps = do(steps, "dust", covered=50)
    steps = do(steps, "fuse", heat=185, clear=True)
    assert ground_facts("copper", steps, None, NOW).heat_c == 185


GREASY = ("polish", "burnish", "abrade", "grind", "register", "proof-lines", "proof")


@pytest.mark.parametrize("key", GREASY)
def test_whatever_greases_asks_for_degreasing(key):
    assert STEPS[key].greases
    assert key in STEPS["degrease"].again_after


@pytest.mark.parametrize("key", ["burnish", "abrade"])
def test_repair_asks_to_degrease_before_the_next_proof(key):
    steps = do(steps_for("etched line"), "cut", "bevel", "polish", "drawing", "degrease")
    mended = act(steps, "add", "degrease", keys=[key]).steps
    after = do(mended, key)
    assert after[[step.id for step in after].index(key) + 1].key == "degrease"


def test_a_mend_of_two_greasy_steps_asks_once_behind_both():
    steps = do(steps_for("etched line"), "cut", "bevel", "polish", "drawing", "degrease")
    added = act(steps, "add", "degrease", keys=["abrade", "burnish"]).steps
    after = [step.key for step in do(added, "abrade")]
    place = after.index("burnish")
    assert after[place - 1 : place + 2] == ["abrade", "burnish", "degrease"]
    assert [step.key for step in do(do(added, "abrade"), "burnish")].count("degrease") == 2


def test_a_last_proof_asks_for_no_degreasing_where_no_ground_follows():
    steps = steps_for("etched line")
    settled = [step.model_copy(update={"status": "done"}) for step in steps[:-2]] + steps[-2:]
    after = change_steps(
        settled, Act(act="done", step="proof"), Hand("Printer", NOW), NOTHING
    ).steps
    assert [step.key for step in after].count("degrease") == 1


def test_a_wax_transfer_is_done_as_practised_and_asks_for_degreasing():
    wax = TRANSFERS["wax"]
    told = " ".join(wax.steps)
    for word in ("thin", "cool", "face down", "Retrace", "warm"):
        assert word in told, word
    assert told.index("Retrace") < told.rindex("wax off")
    assert "degrease" in wax.care
    steps = do(steps_for("etched line"), "cut", "bevel", "polish", "drawing", "degrease",
               "ball-ground")  # fmt: skip
    waxed = do(steps, "transfer", route="wax film")
    assert [step.key for step in waxed].count("degrease") == 2
    assert [step.key for step in do(steps, "transfer", route="chalk sheet")].count("degrease") == 1


def test_toner_is_a_transfer_that_may_stay_as_the_resist_of_a_first_bite():
    kept = TRANSFERS["toner-resist"]
    assert "first" in " ".join(kept.steps) and "ground" in " ".join(kept.steps)
    options = next(m for m in STEPS["transfer"].measures if m.key == "route").options
    assert "toner, left as the resist" in options
    steps = do(steps_for("etched line"), "cut", "bevel", "polish", "drawing", "degrease",
               "ball-ground")  # fmt: skip
    steps = do(steps, "transfer", at=NOW + timedelta(hours=1), route="toner, left as the resist")
    assert ground_facts("copper", steps, None, NOW).ground == "toner"


@pytest.mark.parametrize(
    ("step", "caution"),
    [("proof", "press"), ("proof-lines", "press"), ("edition", "press"),
     ("press-textures", "press"), ("bevel", "knives"), ("scrape", "knives"),
     ("engrave", "knives"), ("scratch", "knives"), ("ball-ground", "smoking"),
     ("degrease", "alcohol"), ("degrease", "ammonia"), ("strip-ground", "cold-first"),
     ("strip-ground", "soda"), ("fuse", "cold-first"), ("grind", "grinding-dust"),
     ("abrade", "grinding-dust"), ("scratch", "grinding-dust")],
)  # fmt: skip
def test_each_step_carries_the_caution_of_its_own_stuff(step, caution):
    assert caution in STEPS[step].cautions
    row = CAUTIONS[caution]
    assert row.text and row.now


@pytest.mark.parametrize(
    ("key", "words"),
    [("press", ("nip", "turns", "stop")), ("knives", ("other hand", "cap")),
     ("smoking", ("flame", "Tongs")), ("soda", ("Goggles", "gloves")),
     ("alcohol", ("flame", "nitric")), ("grinding-dust", ("Mask", "wet")),
     ("cold-first", ("cold", "hot plate")), ("ammonia", ("gloves", "Goggles", "ferric"))],
)  # fmt: skip
def test_a_caution_says_what_matters(key, words):
    told = CAUTIONS[key].text
    assert all(word in told for word in words), told


@pytest.mark.parametrize("solvent", ["soda", "alcohol"])
def test_solvents_carry_their_own_cautions(solvent):
    assert {"soda": "soda", "alcohol": "cold-first"}[solvent] in SOLVENTS[solvent].cautions


def test_every_key_of_every_course_is_there_once():
    assert all(len(set(keys)) == len(keys) for keys in COURSES.values())
    assert find(steps_for("etched line", "aquatint"), "proof").key == "proof"
