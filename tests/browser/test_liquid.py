"""A bath made up, weighed, planned and bitten in with a probe; its metal grown, a part replaced."""

import re
import threading

import pytest
from playwright.sync_api import expect

from ops.instruments.speak import Speaker
from server.baths.models import Bath, BathCheck
from server.instruments.models import InstrumentReading
from server.record.models import Entry
from tests.browser.hands import SlowClock, button, pick
from tests.browser.test_opening_up import put_in

pytestmark = pytest.mark.django_db(transaction=True)


def make_up(page):
    """Make up a second Blue tray from its parts, and keep it."""
    page.get_by_role("link", name="Baths").click()
    page.get_by_role("link", name="Make up a bath").click()
    pick(page.get_by_label("Mordant"), "Nitric acid 1 + 10, for zinc")
    page.get_by_label("How much").fill("3")
    for label, mm in (("Tray, long", 320), ("Tray, short", 240), ("Tray, high", 90),
                      ("Largest plate, wide", 250), ("Largest plate, high", 180)):  # fmt: skip
        page.get_by_label(label, exact=True).fill(str(mm))
    expect(page.get_by_role("heading", level=1)).to_have_text(
        "2.73 L of water, then 0.27 L of nitric acid 68 %."
    )
    expect(page.get_by_text("It covers the plate by 20 mm")).to_be_visible()
    expect(page.get_by_text("Then nitric acid 68 %: 0.27 L")).to_be_visible()
    page.get_by_label("Name", exact=True).fill("Blue tray two")
    page.get_by_label("Temperature", exact=True).fill("18,5")
    button(page, "Keep it on the shelf").click()
    expect(page.get_by_role("alert").first).to_contain_text("fumes")
    page.get_by_label(re.compile("Extraction is on")).check()
    button(page, "Keep it on the shelf").click()
    page.get_by_role("heading", name="Blue tray two", exact=True).wait_for()
    return Bath.objects.get(name="Blue tray two")


def weigh(page, *, before="8.214", after):
    page.keyboard.press("w")
    page.get_by_label("Bare area, both sides").fill("20")
    page.get_by_label("Before", exact=True).fill(before)
    page.get_by_label("After", exact=True).fill(after)
    page.get_by_label("In the bath for").fill("5:00")
    button(page, "Log the coupon").click()


def test_a_bath_is_made_up_weighed_bitten_in_with_a_probe_and_refreshed(demo, live_server):
    page = demo
    bath = make_up(page)
    expect(page.get_by_text("Check it before a bite")).to_be_visible()

    weigh(page, after="8.300")
    expect(page.get_by_role("alert").first).to_contain_text("Swapped?")
    page.get_by_label("After", exact=True).fill("7.914")
    button(page, "Log the coupon").click()
    page.get_by_text("Coupon weighed").first.wait_for()
    assert BathCheck.objects.filter(bath=bath).count() == 1
    weighed = Bath.objects.get(id=bath.id).load_g_per_l
    assert weighed == pytest.approx(0.1, abs=0.001)

    plate = put_in(page, "lines")
    page.goto(f"{page.room}/plates/{plate}/plan/lines")
    pick(page.get_by_label("Bath", exact=True), "Blue tray two")
    button(page, "Keep the plan").click()
    button(page, "Begin to bite").click()
    page.wait_for_url("**/runs/**")

    token = added(page, "Probe two", "Blue tray two")
    page.go_back()
    page.wait_for_url("**/runs/**")
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name=re.compile("Opened lines")).wait_for()
    page.keyboard.press("g")
    expect(button(page, "goggles, gloves, extraction on")).to_have_attribute("aria-pressed", "true")
    say(live_server.url, token, 18.4)
    page.keyboard.press("c")
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    say(live_server.url, token, 18.2)
    expect(page.get_by_text(re.compile("^Probe ×"))).to_be_visible()
    page.keyboard.press("w")
    expect(page.get_by_text("Brown gas: leave, and see a doctor").first).to_be_visible()
    page.keyboard.press("Escape")
    clock.lift_when_due()
    button(page, re.compile("Dip|End the run")).first.wait_for()
    page.keyboard.press("s")
    button(page, "tomorrow").click()
    page.wait_for_url("**/plates/**")

    bitten = Bath.objects.get(id=bath.id)
    assert bitten.load_g_per_l > weighed
    assert bitten.temperature_c == 18.2
    assert InstrumentReading.objects.filter(believed=True).count() == 2
    page.goto(f"{page.room}/baths/{bath.id}")
    page.get_by_text("Today it bites").wait_for()
    page.keyboard.press("u")
    page.get_by_label("Poured off and replaced").fill("50")
    button(page, "Replace it").click()
    page.get_by_text("g/L are left in it.").wait_for()
    half = Bath.objects.get(id=bath.id).load_g_per_l
    assert half == pytest.approx(bitten.load_g_per_l / 2, rel=0.02)
    assert Entry.objects.filter(text__startswith="Replaced 1.5 L of 3 L").exists()


def added(page, name, bath):
    """Add a probe by hand; return its token."""
    page.goto(f"{page.room}/instruments")
    button(page, "Add an instrument").click()
    page.get_by_label("Name", exact=True).fill(name)
    pick(page.get_by_label("Hangs in"), bath)
    button(page, "Make its token").click()
    return page.get_by_label("Token", exact=True).locator("p").first.inner_text()


def say(url, token, celsius):
    """Let the probe say a word, as the simulated one does: from a program of its own."""
    told = []
    said = threading.Thread(
        target=lambda: told.extend(Speaker(url, token).say("temperature", celsius))
    )
    said.start()
    said.join()
    assert [each["believed"] for each in told] == [True]
