"""Every screen, at the widths it is used at: nothing runs off, nothing fails, axe finds nothing."""

import pytest
from axe_playwright_python.sync_playwright import Axe

from tests.browser.hands import places

pytestmark = pytest.mark.django_db(transaction=True)
# first a phone: what is laid out on loading is laid out there; then a tablet turned, then a desk
WIDTHS = (390, 820, 1280)
LAID_OUT_MS = 150


def wrong_with(page, path):
    """Return what is wrong with a screen of the room, each in a line."""
    found = []
    page.set_viewport_size({"width": WIDTHS[0], "height": 844})
    page.goto(page.room + path)
    page.locator("main").first.wait_for()
    page.wait_for_load_state("networkidle")
    for width in WIDTHS:
        page.set_viewport_size({"width": width, "height": 844})
        page.wait_for_timeout(LAID_OUT_MS)
        has = page.evaluate("document.documentElement.scrollWidth")
        if has > width:
            found.append(f"{path}: {has} px wide at {width}")
    seen = Axe().run(page)
    if seen.violations_count:
        found.append(f"{path}: {seen.generate_report()}")
    return found


@pytest.mark.parametrize("half", [0, 1])
def test_every_screen_holds_at_every_width(demo, half):
    failed = []
    demo.on("pageerror", lambda error: failed.append(str(error)))
    found = [line for path in places()[half::2] for line in wrong_with(demo, path)]
    assert not found + failed
