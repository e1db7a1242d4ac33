"""What was typed of a plate, a bath, a strip and a proof is changed; the record says what stood."""

import re

import pytest
from playwright.sync_api import expect

from server.demo.room import make_id
from tests.browser.hands import button

pytestmark = pytest.mark.django_db(transaction=True)


def test_every_fact_is_changed_at_its_place_and_read_in_the_record(demo):
    page = demo
    change_a_plate(page)
    change_a_bath(page)
    retype_a_patch(page)
    correct_a_proof(page)
    page.goto(f"{page.room}/record")
    rows = page.get_by_role("main")
    for said in (
        "Changed: name The Weighbridge → The Weigh House; height 90 → 95 mm.",
        "name Blue tray → Zinc tray",
        "volume 3 → 2.5 L",
        re.compile(r"Changed strip Rosin last week: patch 5 time 5:20 → 5:30, L\* 50.6 → 52."),
        re.compile("Corrected the proof of State IV: soak in minutes 40 → 45; Tone 3 L"),
    ):
        expect(rows.get_by_text(said).first).to_be_visible()
    correct_an_entry(page)


def change_a_plate(page):
    page.goto(f"{page.room}/plates/{make_id('The Weighbridge')}/facts")
    page.get_by_role("heading", name="What plate is this?").wait_for()
    page.get_by_label("Name", exact=True).fill("The Weigh House")
    page.get_by_label("Height", exact=True).fill("20")  # smaller than the areas already planned
    button(page, "Keep the change").click()
    alert = page.get_by_role("alert").filter(has_text="The areas planned on The Weighbridge")
    expect(alert).to_be_visible()
    expect(page.get_by_label("Name", exact=True)).to_have_value("The Weigh House")
    page.get_by_label("Height", exact=True).fill("95")
    button(page, "Keep the change").click()
    page.get_by_role("heading", name="The Weigh House").wait_for()


def change_a_bath(page):
    page.goto(f"{page.room}/baths/{make_id('Blue tray')}?do=change")
    page.get_by_label("Name", exact=True).fill("Zinc tray")
    page.get_by_label("Volume", exact=True).fill("30")  # more than the tray holds
    button(page, "Keep it").click()
    expect(page.get_by_role("alert").filter(has_text="volume")).to_be_visible()
    page.get_by_label("Volume", exact=True).fill("2,5")
    button(page, "Keep it").click()
    page.get_by_role("heading", name="Zinc tray").wait_for()


def retype_a_patch(page):
    page.goto(f"{page.room}/strips/{make_id('Rosin last week')}")
    button(page, "5").click()
    button(page, re.compile("^Type it anew")).click()
    page.get_by_label("In the bath in all").fill("5:30")
    page.get_by_label("Read, L*").fill("52")
    button(page, "Keep it").click()
    page.get_by_text("Patch 5 is typed anew").wait_for()
    expect(page.get_by_role("row", name=re.compile("^5 5:30"))).to_be_visible()


def correct_a_proof(page):
    page.goto(f"{page.room}/plates/{make_id('The Weighbridge')}/proofs")
    button(page, "Correct what was typed").click()
    page.get_by_label("Soak").fill("45")
    page.get_by_label("Tone 3, L* read").fill("58")
    button(page, "Keep the correction").click()
    page.get_by_text("State IV is corrected").wait_for()
    expect(page.get_by_text("Soak: 45 min")).to_be_visible()


def correct_an_entry(page):
    entry = page.get_by_role("row").filter(has_text="Corrected the proof of State IV")
    button(entry, re.compile("^correct")).click()
    page.get_by_label("What is right; the old entry stays").fill("The soak was 50 minutes.")
    button(page, "Correct it").click()
    expect(page.get_by_text("The soak was 50 minutes.")).to_be_visible()
