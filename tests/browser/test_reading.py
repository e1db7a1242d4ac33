"""From a strip's scan to its curve, from a proof's scan to what next, to the bite and its proof."""

import re

import pytest
from playwright.sync_api import expect

from server.demo.prints import proof_scan, strip_scan, weighbridge_tones
from server.demo.room import make_id
from server.demo.weighbridge import MEANT
from server.plans.models import Plan
from server.proofs.models import Proof
from server.strips.models import Strip
from tests.browser.hands import SlowClock, button, pick

pytestmark = pytest.mark.django_db(transaction=True)
TONES = (90.4, 86.8, 79.7, 67.3, 50.6, 33.5)
PRINTED = [93.2, 81.5, 67.4, 52.6, 38.7]


def send_scan(page, label, data):
    scan = {"name": "scan.jpg", "mimeType": "image/jpeg", "buffer": data}
    page.get_by_label(label, exact=True).set_input_files(scan)


SAID = {"Paper": "rag, 300 g/m²", "Ink": "bone black", "Wipe": "gauze, then palm"}


def say_printed(page):
    """Say paper, ink and wipe: names of the room's own, or new ones."""
    for label, name in SAID.items():
        page.get_by_label(label, exact=True).fill(name)
        page.keyboard.press("Escape")


def hang(page, plate, lstars, seed, printed=False):
    """Read a proof's scan and log it; the page of proofs stands open then."""
    page.goto(f"{page.room}/plates/{plate}/proofs/new")
    send_scan(page, "Read them from a scan", proof_scan(weighbridge_tones(), lstars, seed))
    tone = page.get_by_label("Tone 5, L* read")
    expect(tone).to_have_value(re.compile(r"^\d\d\.\d$"), timeout=60_000)
    assert abs(float(tone.input_value()) - lstars[5]) < 1.5
    if printed:
        say_printed(page)
    button(page, re.compile("^Log State")).click()
    page.wait_for_url("**/proofs")


def test_from_a_strips_scan_to_the_proof_that_is_what_was_meant(demo, worker):
    page, plate = demo, make_id("The Weighbridge")
    page.goto(f"{page.room}/strips/new")
    page.get_by_label("Name", exact=True).fill("From a scan")
    page.get_by_label("Bath temperature").fill("19")
    say_printed(page)
    send_scan(page, "Read it from a scan", strip_scan(TONES, 3))
    first = page.get_by_label("Patch 1, L*")
    expect(first).to_have_value(re.compile(r"^\d\d\.\d$"), timeout=60_000)
    for place, lstar in enumerate(TONES, start=1):
        read = float(page.get_by_label(f"Patch {place}, L*").input_value())
        assert abs(read - lstar) < 1.5
    button(page, "See the curve").click()
    page.get_by_role("img", name="Scan of From a scan: 6 patches").wait_for()
    strip = Strip.objects.get(name="From a scan")
    assert strip.curve is not None and len(strip.marks) == 6 and strip.picture_id

    hang(page, plate, [*PRINTED, 35.0], 8)
    page.get_by_role("heading", name="It is the plate: Tone 5 is 8 L* too light.").wait_for()
    button(page, "Plan this bite of Tone 5").click()
    page.screenshot(path="/tmp/bo.png", full_page=True)
    page.wait_for_url("**/plan/tones")
    pick(page.get_by_label("Strip", exact=True), "From a scan")
    button(page, re.compile("^Keep")).click()
    page.wait_for_url(re.compile(r"/plates/[^/]+$"))
    assert Plan.objects.get(plate=plate).strip_id == strip.id

    button(page, re.compile("^Bite on")).click()
    page.wait_for_url("**/runs/**")
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Open tone 5, then dip").wait_for()
    page.keyboard.press("c")
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    clock.lift_when_due()
    button(page, "End the run and proof").click()
    page.get_by_role("heading", name="Hang a proof").wait_for()
    hang(page, plate, [*PRINTED, MEANT[5] + 0.5], 9, printed=True)
    page.get_by_role("heading", name=re.compile("^It is what you meant")).wait_for()
    page.get_by_role("heading", name="The curve followed").wait_for()
    learned = Plan.objects.get(plate=plate).learned
    assert learned["used"] and learned["curve"] != strip.curve
    button(page, re.compile("^Compare with State V")).click()
    page.get_by_text(re.compile(r"Tone 5 went [78] L\* darker")).wait_for()
    assert Proof.objects.filter(plate=plate, reading=None).count() == 0


def test_a_scan_that_is_not_found_is_read_between_four_corners(demo, worker):
    page = demo
    page.goto(f"{page.room}/strips/new")
    page.get_by_label("Bath temperature").fill("19")
    for _ in range(2):
        button(page, "Take out the last").click()
    send_scan(page, "Read it from a scan", strip_scan(TONES, 3))
    page.get_by_role("alert").first.wait_for(timeout=60_000)
    button(page, "Mark the corners of the row of patches").click()
    corner = button(page, re.compile("^Top left corner"))
    corner.focus()
    before = corner.bounding_box()
    page.keyboard.press("Shift+ArrowRight")
    page.keyboard.press("Shift+ArrowDown")
    assert corner.bounding_box()["x"] > before["x"] + 10
    box = button(page, re.compile("^Bottom right corner")).bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] - 60, box["y"] - 20, steps=4)
    page.mouse.up()
    button(page, "Read it between these corners").click()
    expect(page.get_by_label("Patch 4, L*")).to_have_value(re.compile(r"^\d+\.\d$"), timeout=60_000)
