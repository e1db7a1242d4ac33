"""Light on polymer: a test planned, exposed by the clock, read; a film made, a plate proofed."""

import re

import cv2
import numpy as np
from playwright.sync_api import expect

from core.polymer.chart_cells import cells_of_test, spots_of_test
from server.demo.umbrellas import printed_tones
from server.exposures.models import Exposure, Lamp
from server.exposures.models import Test as TwoWay
from server.plates.models import Plate
from server.tasks.models import Task
from tests.browser.hands import SlowClock, button, through_the_stages
from tests.core.reading.test_read_chart import printed

FIELDS = ("Clear film", "5 %", "95 %", "Solid")


def test_a_two_way_test_from_plan_to_pair(demo):
    page = demo
    page.get_by_role("link", name="Exposure").click()
    page.get_by_role("heading", name="New film, chalked").wait_for()

    page.keyboard.press("l")  # the lamp first: its wedge, with a decimal comma
    page.get_by_label("Exposed for").fill("1:30")
    page.get_by_label("Last step that holds").fill("6,5")
    page.get_by_label("Lamp's hours").fill("415")
    page.keyboard.press("Enter")
    page.get_by_text("It counts. The times follow the lamp.").wait_for()
    assert Lamp.objects.get().hours == 415

    page.keyboard.press("n")
    page.get_by_label("Name", exact=True).fill("Second film")
    page.get_by_label("Screen times").fill("3")
    page.get_by_label("Image times").fill("3")
    page.get_by_label("Piece, wide").fill("20")
    button(page, "Plan it").click()  # strips of 6.7 mm cannot be read
    expect(page.get_by_role("alert").first).to_contain_text("too small to read")
    page.get_by_label("Piece, wide").fill("60")
    button(page, "Plan it").click()
    page.wait_for_url(re.compile(r"/exposure/[0-9a-f-]{36}$"))
    page.get_by_text("Lay the dot screen on, nothing covered: 0:57.").wait_for()
    page.get_by_text("Card over the first 2 strips from the left, one is open").wait_for()

    test, count = TwoWay.objects.get(name="Second film"), 0
    for screen in (57, 80, 113):
        for image in (113, 160, 226):
            _walk_to(page, screen, image)
            page.keyboard.press("Enter")
            for label, lstar in zip(FIELDS, printed_tones(screen, image), strict=True):
                page.get_by_label(label, exact=True).fill(f"{lstar:.1f}".replace(".", ","))
            page.keyboard.press("Enter")
            count += 1
            many = "patch" if count == 1 else "patches"
            page.get_by_text(f"{count} {many} read.").first.wait_for()
            page.get_by_role("heading", name="Two-way test").click()  # out of the field
    test.refresh_from_db()
    assert len(test.patches) == 9 and test.pair["highlight_held"] and test.lamp_hours == 415
    expect(page.get_by_text("then image").first).to_be_visible()
    expect(page.get_by_text(re.compile("Here lights hold"))).to_be_visible()


def _walk_to(page, screen, image):
    """Choose a patch by arrows from the middle one."""
    times = {57: -1, 80: 0, 113: 1}, {113: -1, 160: 0, 226: 1}
    page.keyboard.press("Escape")
    page.keyboard.press("ArrowDown")  # the middle one
    for key, by in (("Down", times[0][screen]), ("Right", times[1][image])):
        name = key if by > 0 else {"Down": "Up", "Right": "Left"}[key]
        for _ in range(abs(by)):
            page.keyboard.press(f"Arrow{name}")
    page.get_by_role("heading", name=f"Screen {screen // 60}:{screen % 60:02d}, image").wait_for()


def _known(page):
    """Say that the lamp and the polymer are known, and begin."""
    boxes = page.get_by_role("checkbox")
    boxes.first.wait_for()
    for box in boxes.all():
        box.check()
    page.get_by_label("Before you begin").get_by_role("button").first.click()
    page.wait_for_url(re.compile(r"/exposure/runs/"))
    expect(page.get_by_role("heading", name="Chalk")).to_be_visible()


def test_light_on_polymer_from_a_test_to_a_proof(demo, worker, tmp_path):
    page = demo
    clock = SlowClock(page)
    clock.shift = -2 * 3600.0
    with page.expect_response("**/api/clock"):
        page.reload()
    page.get_by_role("link", name="Exposure").click()
    page.get_by_role("link", name="Coarser screen, 80 µm").click()
    button(page, "Expose it by the clock").click()  # the card is moved strip by strip
    _known(page)
    page.keyboard.press("p")  # a dry room
    expect(page.get_by_role("heading", name="Dot screen, 1 of 3")).to_be_visible()
    assert through_the_stages(page, clock) == 3 + 4 + 4
    button(page, "End and read it").click()
    page.get_by_text("Expose it, wash it out, print it, then read it.").wait_for()

    test = TwoWay.objects.get(name="Coarser screen, 80 µm")
    times = type("Times", (), test.exposed)
    assert [len(times.screen_seconds), len(times.image_seconds)] == [3, 4]
    tones = [tone for s in spots_of_test(times)
             for tone in printed_tones(s.screen_seconds, s.image_seconds)]  # fmt: skip
    scan = printed(cells_of_test(times), tones, 4 / 3, np.random.default_rng(3)).picture
    cv2.imwrite(str(tmp_path / "scan.png"), scan)
    page.get_by_label("Read it from a scan").set_input_files(str(tmp_path / "scan.png"))
    page.get_by_text("12 patches read.").first.wait_for()
    button(page, "Take these readings").click()
    page.get_by_text(re.compile("Here lights")).wait_for()

    page.get_by_role("navigation", name="Rack").get_by_role("link", name="Paper Umbrellas").click()
    page.get_by_role("link", name="Positive", exact=True).click()
    page.get_by_text("Printer, ink, levels, cut and fit").click()
    page.get_by_label("Printer draws").fill("240")
    button(page, "Make the film").click()
    page.get_by_text("1984 × 1398 px").wait_for()
    page.get_by_role("link", name="Exposure", exact=True).last.click()
    page.get_by_label("Times by").select_option(label="Coarser screen, 80 µm, Six tubes")
    button(page, "Begin to expose").click()
    _known(page)
    hours = Exposure.objects.get(ended_at=None).lamp_hours
    assert through_the_stages(page, clock) == 7
    button(page, "End and pull a proof").click()
    page.wait_for_url(re.compile(r"/proofs/new$"))
    button(page, "Log State II").click()
    page.get_by_role("heading", name="State II").first.wait_for()
    plate = Plate.objects.get(name="Paper Umbrellas")
    assert plate.state_number == 2 and Task.objects.filter(kind="positive", state="done").count()
    lamp = Lamp.objects.get()
    assert lamp.hours > hours + 0.15
