"""Tomorrow: a run is set aside in the middle, and gone on from as if it had not been."""

import pytest
from playwright.sync_api import expect

from server.demo.room import make_id
from server.record.models import Entry
from server.runs.models import Run
from tests.browser.hands import button

pytestmark = pytest.mark.django_db(transaction=True)
PLATE = make_id("Lantern Row")


def test_a_run_set_aside_is_gone_on_from(demo):
    page = demo
    page.goto(f"{page.room}/runs/{make_id('run')}")
    page.get_by_role("timer").wait_for()
    page.keyboard.press("Space")  # early: what was open goes on in the next bite
    page.get_by_role("heading", name="Covered. Dry?").wait_for()
    page.keyboard.press("s")
    button(page, "tomorrow").click()
    page.wait_for_url(f"**/plates/{PLATE}")
    expect(page.get_by_text("Set aside: tomorrow.", exact=True)).to_be_visible()
    button(page, "Go on from bite 4").click()
    page.wait_for_url("**/runs/**")
    page.get_by_role("heading", name="Covered. Dry?").wait_for()
    expect(page.get_by_text("bite 4 of 6")).to_be_visible()
    expect(page.get_by_text("leave open", exact=False)).to_have_count(3)
    first, second = Run.objects.filter(plate=PLATE).order_by("created_at")
    assert (first.outcome, first.reason) == ("set aside", "tomorrow")
    assert len(second.before) == 3
    assert Entry.objects.filter(text__contains="Went on biting Lantern Row").exists()
