"""A strip bitten on the run screen, read and planned with; a plate bitten by minutes of habit."""

import re

import pytest
from playwright.sync_api import expect

from server.demo.room import make_id
from server.record.models import Entry
from server.runs.models import Run
from server.strips.models import Strip
from tests.browser.hands import SlowClock, button, pick
from tests.browser.test_opening_up import put_in

pytestmark = pytest.mark.django_db(transaction=True)
READ = ("94", "80", "66", "48", "30")


def bite(page, clock):
    """Cover what is asked for, dip, and lift when it is due."""
    page.keyboard.press("c")
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    clock.lift_when_due()


def test_a_strip_is_bitten_read_and_planned_with(demo):
    page = demo
    page.goto(f"{page.room}/baths/{make_id('Amber tray')}")
    page.get_by_role("link", name="Bite a test strip").click()
    page.get_by_label("Name", exact=True).fill("Rosin today")
    times = page.get_by_label("Minutes in all of each patch")
    times.fill("1, 4, 2")
    button(page, "Go to the bath").click()
    expect(page.get_by_role("alert").first).to_contain_text("2 min comes after 4")
    times.fill("0:30, 1, 2, 4")
    page.get_by_role("heading", name="4 patches: 4:00 in the bath, in 4 dips.").wait_for()
    button(page, "Go to the bath").click()
    page.wait_for_url("**/bath")

    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out white end").wait_for()
    for patch in range(1, 5):
        bite(page, clock)
        if patch < 4:
            page.get_by_role("heading", name=f"Stop out patch {patch}").wait_for()
    button(page, "End and read the strip").click()

    page.get_by_role("heading", name=re.compile("5 patches to read")).wait_for()
    page.get_by_label("Patch 1, L*").fill("194")
    button(page, "See the curve").click()
    expect(page.get_by_role("alert").first).to_contain_text("194 is not between 0 and 105")
    for place, lstar in enumerate(READ, 1):
        page.get_by_label(f"Patch {place}, L*").fill(lstar)
    button(page, "See the curve").click()
    page.get_by_text("Patches lie").wait_for()
    strip = Strip.objects.get(name="Rosin today")
    assert [p["seconds"] for p in strip.patches] == pytest.approx([0, 30, 60, 120, 240], abs=6)
    assert strip.curve is not None and strip.ended_at is not None

    plate = put_in(page, "tones")
    page.goto(f"{page.room}/plates/{plate}/plan/tones")
    pick(page.get_by_label("Strip"), "Rosin today")
    button(page, "Keep the plan").click()
    page.get_by_role("heading", name="Bite section").wait_for()
    page.get_by_text("tones from strip Rosin today").wait_for()


def test_minutes_by_habit_from_plan_to_washed(demo):
    page, plate = demo, put_in(demo, "tones")
    page.goto(f"{page.room}/plates/{plate}/plan/tones")
    for tone in (5, 4):  # three tones are enough
        button(page, f"Take out Tone {tone}").click()
        expect(button(page, f"Take out Tone {tone}")).to_have_count(0)
    button(page, "By minutes").click()
    row = page.get_by_label("All at once, in minutes")
    row.fill("2 + 4")
    button(page, "Fill in").click()
    expect(page.get_by_role("alert")).to_contain_text("2 times, but 3 areas")
    row.fill("2 + 4 + 8")
    row.press("Enter")
    expect(page.get_by_label("Tone 3, time in all")).to_have_value("14:00")
    expect(page.get_by_role("cell", name=re.compile(r"^L\* \d\d$"))).to_have_count(3)
    button(page, "Keep the plan").click()
    page.get_by_text(re.compile("bite 1 for 2:00")).wait_for()
    button(page, "Begin to bite").click()
    page.wait_for_url("**/runs/**")

    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out paper").wait_for()
    page.keyboard.press("t")
    page.get_by_label(re.compile("^Bath now")).fill("12")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Then bite 1 for")).to_be_visible()
    for tone in (1, 2, 3):
        bite(page, clock)
        if tone < 3:
            page.get_by_role("heading", name=f"Stop out tone {tone}").wait_for()
    button(page, "End the run and proof").click()
    page.get_by_role("heading", name="Hang a proof").wait_for()
    run = Run.objects.get(plate=plate)
    assert run.outcome == Run.FINISHED
    assert Entry.objects.filter(text__contains="Tone 3 for 14:00 min").exists()
