"""Every screen, at the widths it is used at: nothing runs off, nothing fails, axe finds nothing.

The one who looks reads inches and °F: what is longer is shown, and nothing is left in mm, cm or °C.
"""

import re

import pytest
from axe_playwright_python.sync_playwright import Axe

from server.accounts.models import User
from tests.browser.hands import places

pytestmark = pytest.mark.django_db(transaction=True)
# first a phone: what is laid out on loading is laid out there; a desk at 200 %, a tablet, a desk
WIDTHS = (390, 640, 820, 1280)
LAID_OUT_MS = 150
METRIC = re.compile(r"(?:^|[\s\d(½])(?:°C|mm[²³]?|cm[²³]?)(?![\w/])")
"""Light in mW/cm² is read so everywhere: meters for it have no other unit."""
CHOICES = {"mm", "°C"}
"""What one chooses one's units by, under Members."""
TEXTS = """() => {
  const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT), found = [];
  while (walk.nextNode()) {
    const over = walk.currentNode.parentElement;
    if (!over || ["SCRIPT", "STYLE", "TEXTAREA"].includes(over.tagName)) continue;
    const whole = over.closest("button, p, li, td, th, text, dd, dt, label, h1, h2, h3") || over;
    found.push(whole.textContent.trim());
  }
  const said = [...document.querySelectorAll("[aria-label], [title]")];
  return [...new Set([...found, ...said.flatMap(e => [e.ariaLabel, e.title])])].filter(Boolean);
}"""


def left_in_metric(page):
    """Return the texts of a screen that are in mm, cm or °C."""
    return [
        text[:120] for text in page.evaluate(TEXTS) if text not in CHOICES and METRIC.search(text)
    ]


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
    found += [f"{path}: {text}" for text in left_in_metric(page)]
    seen = Axe().run(page)
    if seen.violations_count:
        found.append(f"{path}: {seen.generate_report()}")
    return found


@pytest.mark.parametrize("half", [0, 1])
def test_every_screen_holds_at_every_width(demo, half):
    units = {"length_unit": "in", "temperature_unit": "F"}
    User.objects.filter(sign_in="keeper@lantern-quay").update(**units)
    failed = []
    demo.on("pageerror", lambda error: failed.append(str(error)))
    found = [line for path in places()[half::2] for line in wrong_with(demo, path)]
    assert not found + failed
