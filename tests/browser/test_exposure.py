"""A lamp is measured, a two-way test planned, its patches read by keyboard, and its pair told."""

import re

from playwright.sync_api import expect

from server.demo.umbrellas import printed_tones
from server.exposures.models import Lamp
from server.exposures.models import Test as TwoWay
from tests.browser.hands import button

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
