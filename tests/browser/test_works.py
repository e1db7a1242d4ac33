"""Works: four plates registered, proofed, editioned; a monotype with ghosts and a stencil."""

import re

import numpy as np
import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import expect

from core.layers.mark_places import mark_places
from core.tone.colour import linear_from_lab
from core.tone.lightness import lightness_from_density
from server.demo.awnings_pictures import INKS
from server.works.models import Layering, SignedSheet
from tests.browser.hands import A_MOMENT_MS, SlowClock, button, pick
from tests.simulator.overprints import awnings, picture_of, scanned

pytestmark = pytest.mark.django_db(transaction=True)
SIZE = (100.0, 75.0)
PHONE, DESK = {"width": 390, "height": 844}, {"width": 1280, "height": 800}
IN_INK = {"Grey": "Counter grey", "Ochre": "Awning ochre", "Blue": "River blue",
          "Key": "Blue-black"}  # fmt: skip
"""Inks of the demo's shop book, with their swatches and films."""


def begun(page, name):
    """A work begun from the list, at its layers."""
    page.goto(f"{page.room}/works")
    button(page, "Begin a work").click()
    page.get_by_label("Name", exact=True).fill(name)
    page.get_by_label("Width of the print").fill("100")
    page.get_by_label("Height of the print").fill("75")
    button(page, "Begin it").click()
    page.get_by_role("heading", name="What prints, in which order?").wait_for()


def a_layer(page, at, name, kind="Plate"):
    button(page, "Add a layer").click()
    page.get_by_label(f"Name {at}").fill(name)
    if kind != "Plate":
        pick(page.get_by_label(f"Kind {at}", exact=True), kind)


def kept(page):
    with page.expect_response(re.compile("/works/")) as reply:
        button(page, "Keep the layers").click()
    assert reply.value.status == 200, reply.value.text()


def one_sheet(page, clock, names):
    """Print each layer on a new sheet by the foot switch, two minutes apart."""
    for name in names:
        clock.shift += 120
        with page.expect_response("**/api/clock"):
            page.reload()
        button(page, re.compile(f"^{name} is on")).wait_for()
        page.keyboard.press("Space")
        page.get_by_text(re.compile(f"{name} printed")).first.wait_for()


def test_four_plates_are_registered_proofed_and_editioned_by_work(demo, worker, tmp_path):
    page, clock = demo, SlowClock(demo)
    begun(page, "Four Awnings")
    plates = awnings(SIZE)
    for at, plate in enumerate(plates, start=1):
        lab, plate.lets = INKS[plate.name]
        plate.rgb = linear_from_lab(lab)
        a_layer(page, at, plate.name)
        pick(page.get_by_label(f"Ink {at}", exact=True), IN_INK[plate.name])
        picture = picture_of(plate, SIZE, tmp_path / f"{plate.name}.png")
        page.get_by_label(f"Picture of {plate.name}").set_input_files(picture)
        page.get_by_alt_text(f"What {plate.name} prints").wait_for()
    page.get_by_label("The key").nth(3).check()
    page.get_by_label("Edition of").fill("2")
    page.get_by_label("Sheet, dry, across").fill("160")
    page.get_by_label("Sheet, dry, down").fill("130")
    kept(page)
    page.get_by_role("heading", name="An edition.").wait_for()
    button(page, "Draw the template").click()
    page.get_by_role("link", name=re.compile("^Save it")).wait_for()

    page.get_by_role("link", name="Print", exact=True).click()
    page.get_by_role("heading", name="Ready for the first proof.").wait_for()
    button(page, "See them together").click()
    page.get_by_alt_text("The print that all plates make together").wait_for()
    one_sheet(page, clock, ["Grey", "Ochre", "Blue", "Key"])
    page.get_by_role("heading", name="Is sheet 1 as it shall be?").wait_for()

    button(page, "Scan of sheet 1").click()
    _read_off_scan(page, plates, tmp_path)
    page.get_by_role("heading", name=re.compile(r"^Blue lies 0\.7 mm off"), level=3).wait_for()
    button(page, "Keep what the crosses say").click()
    page.get_by_role("heading", name=re.compile(r"^Blue lies"), level=1).wait_for()
    page.get_by_text("Move its template 0.6 mm left, 0.3 mm up.").first.wait_for()
    button(page, re.compile("^It is moved")).click()

    page.get_by_role("heading", name="Is sheet 1 as it shall be?").wait_for()
    button(page, "Print another").click()
    one_sheet(page, clock, ["Ochre", "Blue", "Key"])
    page.get_by_role("button", name="OK to print", exact=True).click()
    page.get_by_label("Only if").fill("the sky even")
    button(page, "Sheet 2 is OK").click()
    for _ in range(2):
        page.wait_for_timeout(A_MOMENT_MS)
        button(page, re.compile("^Sign sheet . Space")).click()
    page.get_by_role("heading", name="All 2 are numbered.").wait_for()
    work = Layering.objects.get(work__name="Four Awnings")
    numbers = SignedSheet.objects.filter(layering=work).values_list("number", flat=True)
    assert sorted(numbers) == [1, 2]


def _read_off_scan(page, plates, folder):
    """Scan the proof with the blue plate off, its crosses where the work's template has them."""
    _, places = mark_places(SIZE, 4)
    for plate, own in zip([plates[3], *plates[:3]], places, strict=True):
        plate.crosses = own
    plates[2].right, plates[2].down = 0.6, 0.3
    scan = scanned(plates, SIZE, folder / "scan.png")
    page.get_by_label("Read it from a scan").set_input_files(scan)


def test_a_monotype_with_ghosts_and_a_stencil_on_a_phone_with_no_line(demo, worker, tmp_path):
    page, clock = demo, SlowClock(demo)
    begun(page, "Night Boat")
    a_layer(page, 1, "Night", "Monotype, wiped")
    page.get_by_label("Ghosts from one inking").fill("2")
    kept(page)
    page.get_by_role("heading", name="A monotype.").wait_for()

    page.get_by_role("link", name="Stencils and tracing").click()
    page.get_by_label("Drawing to cut").set_input_files(_lights(tmp_path))
    page.get_by_alt_text("The drawing that is cut").wait_for()
    button(page, "Cut it").click()
    button(page, "Make stencil 1 a layer").click()
    button(page, "It is a layer").wait_for()

    page.set_viewport_size(PHONE)
    page.get_by_role("link", name="Print", exact=True).click()
    button(page, re.compile("^Night is inked")).click()
    page.get_by_role("heading", name="Inked: pull the first.").wait_for()
    page.wait_for_timeout(A_MOMENT_MS)
    button(page, re.compile("^First pull made")).click()
    page.get_by_role("heading", name=re.compile(r"^Ghost 1 comes at L\*")).wait_for()
    page.get_by_text("A guess, until two ghosts were read here.").or_(
        page.get_by_text(re.compile("ghosts read in this print room"))
    ).first.wait_for()
    page.context.set_offline(True)
    clock.shift += 120
    page.wait_for_timeout(A_MOMENT_MS)
    button(page, re.compile("^Ghost 1 pulled")).click()
    page.get_by_text(re.compile("wait for a line")).wait_for()
    page.context.set_offline(False)
    page.get_by_text(re.compile("wait for a line")).wait_for(state="detached")
    expect(page.get_by_text("of 2, kept together")).to_be_visible()

    for sheet, lstar in ((1, 30.0), (2, _ghost(30.0))):
        button(page, f"Tone of sheet {sheet}").click()
        page.get_by_label(re.compile("of the whole")).fill(f"{lstar:.1f}")
        button(page, "Keep it").click()
        page.get_by_text(re.compile(f"L\\* {lstar:.1f}".replace(".0", "(\\.0)?"))).first.wait_for()
    button(page, "Print on sheet 1").click()
    button(page, "Damped again").click()
    button(page, "Stencil 1 is printed").click()
    page.get_by_text("Stencil 1 printed on sheet 1.").wait_for()
    button(page, "Sign sheet 1").click()
    button(page, "Sign it").click()
    page.get_by_text("1/1", exact=True).wait_for()
    page.set_viewport_size(DESK)
    work = Layering.objects.get(work__name="Night Boat")
    assert list(SignedSheet.objects.filter(layering=work).values_list("number", flat=True)) == [
        None
    ]


def _ghost(first):
    """L* of a ghost that keeps half the density of a first pull."""
    density = -np.log10(((first + 16) / 116) ** 3)
    return float(lightness_from_density(density * 0.5))


def _lights(folder):
    """A drawing in flat colour: three lit windows."""
    picture = Image.new("RGB", (800, 600), "white")
    pen = ImageDraw.Draw(picture)
    for x in (150, 350, 550):
        pen.rectangle((x, 240, x + 100, 340), fill=(222, 168, 70))
    path = folder / "lights.png"
    picture.save(path)
    return path
