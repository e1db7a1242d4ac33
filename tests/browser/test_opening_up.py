"""Opening up, from the plan to the washed plate: each bite says what to draw or open before it."""

import re
import uuid

import pytest
from playwright.sync_api import expect

from server.demo.room import make_id
from server.events.models import Event
from server.runs.models import Run
from tests.browser.hands import A_MOMENT_MS, SlowClock, button

pytestmark = pytest.mark.django_db(transaction=True)
SIZES = {"lines": (844, 390), "tones": (1280, 800)}
"""Lines on a phone turned sideways, by taps alone; tones at a desk, by keys alone."""
PLATES = {"lines": ("zinc", "etched line"), "tones": ("copper", "aquatint")}
FIRST = {"lines": "Draw strong, then dip", "tones": "Stop out paper. Cover"}
THEN = {"lines": "Draw", "tones": "Open"}
BITES = {"lines": 3, "tones": 5}


def put_in(page, part):
    """Put a plate in, and return its id."""
    metal, route = PLATES[part]
    plate = str(uuid.uuid4())
    token = next(c["value"] for c in page.context.cookies() if c["name"] == "keen_csrf")
    body = {"id": plate, "name": f"Opened {part}", "metal": metal, "route": route,
            "thickness_mm": 1.2, "width_mm": 120, "height_mm": 90}  # fmt: skip
    sent = page.request.post(f"{page.api}/plates", data=body, headers={"X-CSRFToken": token})
    assert sent.status == 201, sent.text()
    return plate


def plan_by_opening_up(page, plate, part):
    page.goto(f"{page.room}/plates/{plate}/plan/{part}")
    button(page, "Opening up").click()
    expect(button(page, "Opening up")).to_have_attribute("aria-pressed", "true")
    button(page, "Keep the plan").click()
    button(page, "Begin to bite").click()
    page.wait_for_url("**/runs/**")


def seen_whole(*parts):
    """Clock, sentence and control lie within the window."""
    for part in parts:
        box, size = part.bounding_box(), part.page.viewport_size
        assert box["x"] >= -8 and box["x"] + box["width"] <= size["width"] + 1, part
        assert box["y"] >= 0 and box["y"] + box["height"] <= size["height"] + 1, part


class Hand:
    """Presses what the screen shows: controls on a phone, keys at a desk."""

    def __init__(self, page, part):
        self.page, self.taps = page, part == "lines"

    def prepared(self):
        if self.taps:
            button(self.page, re.compile("^(C|Drawn|drawn)")).first.click()
        else:
            self.page.keyboard.press("c")

    def dip(self):
        if self.taps:
            button(self.page, re.compile("^Dip")).click()
        else:
            self.page.keyboard.press("Space")


@pytest.mark.parametrize("part", PLATES)
def test_opened_up_from_plan_to_washed_as_the_screen_says(demo, part):
    page, plate, hand = demo, put_in(demo, part), Hand(demo, part)
    plan_by_opening_up(page, plate, part)
    width, height = SIZES[part]
    page.set_viewport_size({"width": width, "height": height})
    clock = SlowClock(page)
    page.reload()
    heading = page.get_by_role("heading", name=FIRST[part])
    heading.wait_for()
    opened = []
    for number in range(1, BITES[part] + 1):
        expect(page.get_by_text(f"bite {number} of {BITES[part]}")).to_have_count(1)
        hand.prepared()
        page.get_by_role("heading", name=re.compile("Dry|Drawn")).wait_for()
        page.wait_for_timeout(A_MOMENT_MS)
        hand.dip()
        page.get_by_role("timer").wait_for()
        seen_whole(page.get_by_role("timer"), page.get_by_text("At zero:"), button(page, "Lift"))
        clock.lift_when_due()
        if number < BITES[part]:
            title = page.get_by_role("heading", name=re.compile(f"^{THEN[part]} .*, then dip$"))
            title.wait_for()
            opened.append(title.inner_text())
    assert len(set(opened)) == BITES[part] - 1
    button(page, "End the run and proof").click()
    page.get_by_role("heading", name="Hang a proof").wait_for()
    run = Run.objects.get(plate=plate)
    dips = Event.objects.filter(subject=run.id, kind="dip")
    assert [len(dip.data["open"]) for dip in dips] == list(range(1, BITES[part] + 1))
    assert run.method == "open-up" and run.bath_id != make_id("Brown bottle")
