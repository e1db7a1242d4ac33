"""Needle and burin: a drypoint to its proof and scratched again; lettering; a kitchen table."""

import re

import cv2
import pytest
from playwright.sync_api import expect

from server.demo.closing_strokes import drawing, photograph
from server.demo.room import make_id
from server.marks.models import Look, Marks
from server.marks.state import decided_of, state_of
from server.plates.models import Plate
from tests.browser.hands import button, done, pick

pytestmark = pytest.mark.django_db(transaction=True)


def put_in(page, name, metal, route, size):
    """Put a plate in the rack and go to its course; return it."""
    page.goto(f"{page.room}/plates/new")
    page.get_by_label("Name", exact=True).fill(name)
    if metal in ("Copper", "Zinc"):
        button(page, metal).click()
    else:
        page.get_by_role("button", name="Plastic", exact=True).click()
        pick(page.get_by_role("main").get_by_label("Material", exact=True), metal)
    button(page, re.compile(f"^{route.capitalize()}")).click()
    for label, value in zip(("Width", "Height", "Thickness"), size, strict=True):
        page.get_by_label(label, exact=True).fill(value)
    button(page, "Put it in the rack").click()
    page.get_by_role("link", name="Go on with the course").click()
    return Plate.objects.get(name=name)


def add_group(page, name, wanted, field, **more):
    """Type a group of marks into the last row of the form."""
    row = page.get_by_role("group", name=re.compile("^Group ")).last
    row.get_by_label(re.compile("^Group ")).fill(name)
    row.get_by_label("Wanted L*").fill(wanted)
    for label, value in zip(("From the left", "From the top", "Width", "Height"), field,
                            strict=True):  # fmt: skip
        row.get_by_label(label, exact=True).fill(value)
    for label, value in more.items():
        pick(row.get_by_label(label.replace("_", " ")), value)


def test_a_drypoint_from_film_off_to_a_proof_and_scratched_again(demo, worker, tmp_path):
    page = demo
    plate = put_in(page, "Late Stall", "Acrylic", "drypoint", ("180", "130", "1,0"))
    done(page, "Cut the plate to size", Working_face_marked="yes")
    done(page, "Film, label and glue", Protective_film="taken off", Label_and_its_glue="none")
    done(page, "Bevel edges and round corners", Edges_with_the_coarse_file="4", Edges_burnished="4")
    done(page, "Fit the drawing to the plate", Reversal="accepted", Lettering="none")
    done(page, "Write BOTTOM on the side that stays smooth", Hinge_tape="yes")
    done(page, "Lay the drawing under the clear plate")

    page.get_by_role("link", name="Marks", exact=True).click()
    page.get_by_text("Not looked at yet").wait_for()
    button(page, "Name the first group").click()
    add_group(page, "Shutter", "41", ("42", "39", "92", "20"))
    button(page, "Add a group").click()
    add_group(page, "Sky", "45,5", ("3", "3", "124", "18"))
    button(page, "Keep the groups").click()
    button(page, "Shutter is all drawn").wait_for()
    spacing = page.get_by_role("heading", name=re.compile("^For"))
    expect(spacing).to_contain_text("mm apart, crossed")
    page.keyboard.press("3")
    expect(spacing).to_contain_text("three ways")

    button(page, "Make a guide, 1:1").click()
    page.get_by_role("link", name="Open the guide").wait_for()

    button(page, "Sit down").click()
    page.get_by_text(re.compile("^At it for")).wait_for()
    page.wait_for_timeout(1100)
    button(page, "Rest").click()
    button(page, "Sit down").wait_for()
    for name in ("Shutter", "Sky"):
        button(page, f"{name} is all drawn").click()
        button(page, f"{name} is not all drawn").wait_for()

    cv2.imwrite(str(tmp_path / "drawing.png"), drawing())
    lights = []
    for light in range(4):
        lights.append(str(tmp_path / f"light-{light}.png"))
        cv2.imwrite(lights[-1], photograph(light))
    page.get_by_label("Photographs of the plate").set_input_files(lights[0])
    expect(page.get_by_role("alert").first).to_contain_text("One photograph of clear plastic")
    page.get_by_label("Photographs of the plate").set_input_files(lights)
    page.get_by_role("heading", name="How it will print").wait_for()
    look = Look.objects.get(plate=plate)
    assert 0.15 < look.seen["scratched_share"] < 0.35
    page.get_by_text("From the photographs, ±5 until a proof.").wait_for()

    page.get_by_role("link", name="Course", exact=True).click()
    done(page, "Look at what is scratched", Lines_in_the_bevel="none")
    done(page, "Trim an oversize plate", Trimmed="was at its size")
    page.goto(f"{page.room}/plates/{plate.id}/proofs/new")
    button(page, "Log State I").click()
    page.get_by_role("button", name=re.compile("^State I, ")).wait_for()

    page.get_by_role("link", name="Wear", exact=True).click()
    for number in range(1, 7):
        page.get_by_role("heading", name=f"No. {number} next").wait_for()
        button(page, "Pulled").click()
        button(page, f"Read no. {number}").click()
        page.get_by_label("Darkest marked place, L*").fill(f"{40 + 1.2 * number:.1f}")
        button(page, "Keep the reading").click()
    before = page.get_by_role("heading", name=re.compile("too pale"))
    before.wait_for()
    told = before.inner_text()
    button(page, "Scratched again now").click()
    page.get_by_text("Scratched again after no. 6. It counts from there.").wait_for()
    expect(before).not_to_have_text(told)
    state = state_of(plate)
    assert [each.number for each in state.impressions] == [1, 2, 3, 4, 5, 6]
    assert state.scratched_again == [6] and all(each.lstar for each in state.impressions)
    plate.refresh_from_db()
    assert plate.state_number == 1


def test_an_engraving_with_its_lettering_checked_letter_by_letter(demo):
    page = demo
    plate = put_in(page, "Scale House", "Copper", "engraving", ("120", "90", "1.6"))
    for title in ("Cut the plate to size", "Bevel edges and round corners",
                  "Polish until no scratch is left", "Fit the drawing to the plate"):  # fmt: skip
        done(page, title)
    page.get_by_role("heading", name="Read the lettering in the mirror").wait_for()
    page.get_by_role("link", name=re.compile("^Its marks")).click()

    button(page, "Name the first group").click()
    pick(page.get_by_label("Worked with"), "burin")
    add_group(page, "Boards", "55", ("20", "30", "30", "25"))
    button(page, "Keep the groups").click()
    page.get_by_role("heading", name="Is there lettering?").wait_for()
    page.get_by_label("The words, as they shall read").fill("INN 26")
    button(page, "Show it mirrored").click()
    page.get_by_role("heading", name="5 letters are not read yet.").wait_for()
    letters = page.get_by_role("button", name=re.compile(r", letter \d"))
    assert [each[0] for each in letters.all_inner_texts()] == list("62NNI")
    page.get_by_text("N turns its slant").wait_for()
    for place in range(5):
        letters.nth(place).click()
        expect(letters.nth(place)).to_have_attribute("aria-pressed", "true")
    page.get_by_role("heading", name="Every letter was read in the mirror.").wait_for()
    assert decided_of(plate).letters_checked == [1, 2, 3, 5, 6]

    button(page, "Sharpened").click()
    page.get_by_label("Where it slipped").fill("left board")
    button(page, "It slipped").click()
    page.get_by_role("heading", name="One slip to mend").wait_for()
    button(page, "Mended").click()
    page.get_by_role("heading", name="Every slip is mended").wait_for()
    page.get_by_role("link", name="Course", exact=True).click()
    done(page, "Read the lettering in the mirror", Lettering="every letter checked")
    page.get_by_role("heading", name="Bring the drawing onto the plate").wait_for()


def test_a_kitchen_table_print_by_its_own_course(demo):
    page = demo
    plate = put_in(page, "Egg Box", "Food packaging", "kitchen table", ("120", "90", "0.4"))
    done(page, "Cut the plate to size")
    done(page, "Film, label and glue", Label_and_its_glue="still on")
    expect(page.get_by_text("tried 1×, to do again")).to_be_visible()
    done(page, "Film, label and glue", Label_and_its_glue="taken off")
    done(page, "Bevel edges and round corners")
    done(page, "Fit the drawing to the plate")
    done(page, "Write BOTTOM on the side that stays smooth")
    done(page, "Lay the drawing under the clear plate")
    page.get_by_role("link", name="Marks", exact=True).click()
    button(page, "Name the first group").click()
    add_group(page, "Eggs", "50", ("20", "20", "60", "40"))
    button(page, "Keep the groups").click()
    button(page, "Eggs is all drawn").click()
    button(page, "Eggs is not all drawn").wait_for()
    page.get_by_role("link", name="Course", exact=True).click()
    done(page, "Look at what is scratched")
    done(page, "Ink the plate at the table", Ink="cosmetic colour in oil")
    done(page, "Damp the paper a few minutes", Damped="4")
    done(page, "Set gap and order of feeding", Pressed_with="craft roller", Gap_number="4")
    done(page, "First trial print", Gap_number="4")
    done(page, "Second trial print", Gap_number="3")
    page.get_by_role("heading", name="Pull a proof").wait_for()
    page.goto(f"{page.room}/plates/{plate.id}/proofs/new")
    button(page, "Log State I").click()
    page.get_by_role("button", name=re.compile("^State I, ")).wait_for()
    assert Marks.objects.get(plate=plate).decided["groups"][0]["name"] == "Eggs"
    assert Plate.objects.get(id=make_id("Berry Punnet")).route == "kitchen table"
