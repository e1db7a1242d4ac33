"""The main jobs, as a person does them."""

import json
import re

import pytest
from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import expect

from server.demo.room import make_id
from server.events.models import Event
from server.plates.models import Plate
from server.proofs.models import Proof
from server.record.models import Entry
from server.runs.models import Run
from tests.browser.hands import A_MOMENT_MS, SlowClock, button, settle

pytestmark = pytest.mark.django_db(transaction=True)
RUN, PLATE = make_id("run"), make_id("Lantern Row")


def run_state(page):
    return json.loads(page.request.get(f"{page.api}/runs/{RUN}").text())


def tab_to(page, locator, most=120):
    """Reach a control with the Tab key alone."""
    for _ in range(most):
        if locator.evaluate("e => e === document.activeElement"):
            return
        page.keyboard.press("Tab")
    raise AssertionError(f"Tab never reaches {locator}")


def type_into(page, label, text):
    field = page.get_by_label(label, exact=True)
    tab_to(page, field)
    page.keyboard.press("Control+A")
    page.keyboard.type(text)


def test_from_a_new_plate_to_a_proofed_state_by_keyboard(demo):
    page = demo
    tab_to(page, page.get_by_role("link", name="Put a plate in"))
    page.keyboard.press("Enter")
    type_into(page, "Name", "Ferry Lamp")
    type_into(page, "Width", "120")
    type_into(page, "Height", "90")
    tab_to(page, button(page, re.compile("^Aquatint")))
    page.keyboard.press("Space")
    page.get_by_text(re.compile("^To its first proof")).wait_for()
    tab_to(page, button(page, "Put it in the rack"))
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="Ferry Lamp").wait_for()

    page.keyboard.press("4")  # the plan is the fourth step of the course
    page.get_by_role("heading", name="Tones").wait_for()
    type_into(page, "L* wanted of Tone 5", "27")
    floor = page.get_by_role("slider", name="Tone 3, floor")
    tab_to(page, floor)
    wanted = page.get_by_label("L* wanted of Tone 3")
    before = wanted.input_value()
    page.keyboard.press("Shift+ArrowDown")
    expect(wanted).not_to_have_value(before)
    tab_to(page, button(page, "Keep the plan"))
    page.keyboard.press("Enter")
    begin = button(page, "Begin to bite")
    begin.wait_for()
    tab_to(page, begin)
    page.keyboard.press("Enter")

    page.get_by_role("heading", name="Stop out paper").wait_for()
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out paper").wait_for()
    page.wait_for_timeout(600)
    page.keyboard.press("Space")
    expect(button(page, "Dip anyway?")).to_be_visible()
    page.keyboard.press("c")
    page.wait_for_timeout(A_MOMENT_MS)
    end = button(page, "End the run and proof")
    for number in range(1, 10):
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        if number == 2:
            page.keyboard.press("t")
            page.keyboard.type("180")
            page.keyboard.press("Enter")
            expect(page.get_by_role("alert")).to_contain_text("180 is not between 0 and 60 °C")
            page.keyboard.press("Control+A")
            page.keyboard.type("19.5")
            page.keyboard.press("Enter")
        clock.lift_when_due()
        page.keyboard.press("c")
        settle(page)
        if end.is_visible():
            break
    end.wait_for()
    tab_to(page, end)
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="Hang a proof").wait_for()
    for tone, lstar in (("Tone 1", "85"), ("Tone 2", "60"), ("Tone 3", "52")):
        type_into(page, f"{tone}, L* read", lstar)
    tab_to(page, button(page, "Log State I"))
    page.keyboard.press("Enter")
    page.get_by_role("button", name=re.compile("^State I, ")).wait_for()
    plate = Plate.objects.get(name="Ferry Lamp")
    assert plate.state_number == 1
    assert len(Proof.objects.get(plate=plate).tones) == 3


def test_the_bite_goes_on_without_a_line(demo, context):
    page = demo
    page.goto(f"{page.room}/runs/{RUN}")
    page.get_by_role("timer").wait_for()
    page.wait_for_function("navigator.serviceWorker.ready.then(() => true)")
    page.wait_for_timeout(1500)
    stored = Event.objects.count()
    context.set_offline(True)
    page.keyboard.press("Space")
    expect(page.get_by_text("Out of the bath")).to_be_visible()
    page.keyboard.press("t")
    page.keyboard.type("21")
    page.keyboard.press("Enter")
    expect(page.get_by_text("No line. Kept here, sent later.")).to_be_visible()
    page.reload()  # the shell comes from the service worker, the events from this device
    expect(page.get_by_text("Out of the bath")).to_be_visible()
    assert Event.objects.count() == stored
    context.clear_cookies()  # the session runs out meanwhile
    context.set_offline(False)
    page.goto(page.room.split("/r/")[0] + "/sign-in")
    page.evaluate("localStorage.removeItem('keen-me')")
    page.reload()
    button(page, "Open the demo print room").click()
    page.wait_for_url("**/bench")
    page.goto(f"{page.room}/runs/{RUN}")
    expect(page.get_by_text("Out of the bath")).to_be_visible()
    page.wait_for_function(
        """async (n) => {
        const url = location.pathname.replace('/r/', '/api/rooms/');
        return (await (await fetch(url)).json()).events.length >= n;
      }""",
        arg=stored + 2,
    )
    assert Event.objects.count() == stored + 2
    assert not run_state(page)["in_bath"]


def test_a_strip_is_read_asked_and_a_bad_patch_named(demo):
    page = demo
    page.goto(f"{page.room}/strips/new")
    page.get_by_label("Name", exact=True).fill("Ferry strip")
    page.get_by_label("Bath temperature").fill("180")
    for i, lstar in enumerate((87, 80, 69, 74, 35, 21), 1):
        page.get_by_label(f"Patch {i}, L*").fill(str(lstar))
    button(page, "See the curve").click()
    expect(page.get_by_role("alert")).to_contain_text("180 is not between 0 and 60 °C")
    expect(page.get_by_label("Patch 4, L*")).to_have_value("74")
    page.get_by_label("Bath temperature").fill("18.5")
    button(page, "See the curve").click()
    expect(page.get_by_text("Why patch 4 is left out")).to_be_visible()
    page.get_by_label("Tone wanted").fill("50")
    expect(page.get_by_text("bite", exact=False).first).to_be_visible()
    button(page, "A time").click()
    expect(page.get_by_text("it prints L*")).to_be_visible()


def test_axe_finds_nothing_at_the_gate(page, live_server):
    page.goto(live_server.url + "/sign-in")
    page.get_by_role("heading", name="Keen Bite").wait_for()
    found = Axe().run(page)
    assert found.violations_count == 0, found.generate_report()


def test_lifted_taken_back_set_aside_and_gone_on_from(demo):
    page = demo
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{page.room}/runs/{RUN}")
    button(page, "Lift").click()
    expect(page.get_by_text("Out of the bath")).to_be_visible()
    button(page, "Undo last").click()
    expect(page.get_by_role("timer")).to_be_visible()

    page.set_viewport_size({"width": 1280, "height": 800})
    page.wait_for_timeout(A_MOMENT_MS)
    page.keyboard.press("Space")  # early: what was open goes on in the next bite
    page.get_by_role("heading", name="Covered. Dry?").wait_for()
    found = Axe().run(page)
    assert found.violations_count == 0, found.generate_report()

    page.keyboard.press("s")
    found = Axe().run(page)
    assert found.violations_count == 0, found.generate_report()
    button(page, "tomorrow").click()
    page.wait_for_url(f"**/plates/{PLATE}")
    expect(page.get_by_text("Set aside: tomorrow.", exact=True)).to_be_visible()
    button(page, "Go on from bite 4").click()
    page.wait_for_url("**/runs/**")
    page.get_by_role("heading", name="Covered. Dry?").wait_for()
    expect(page.get_by_text("bite 4 of 6")).to_be_visible()
    page.get_by_role("img", name="What to paint before bite 4").wait_for()
    first, second = Run.objects.filter(plate=PLATE).order_by("created_at")
    assert (first.outcome, first.reason) == ("set aside", "tomorrow")
    assert len(second.before) == 3
    assert Entry.objects.filter(text__contains="Went on biting Lantern Row").exists()
