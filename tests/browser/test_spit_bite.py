"""Spit bite: Steam Stall's pools on the run screen, from the process's row alone."""

from playwright.sync_api import expect

from server.baths.models import Bath
from server.demo.room import make_id
from server.events.models import Event
from server.record.models import Entry
from server.runs.models import Run
from tests.browser.hands import SlowClock, button

STEAM = make_id("Steam Stall")


def begin(page):
    """Begin the pools, after their caution."""
    page.goto(f"{page.room}/plates/{STEAM}")
    button(page, "Begin to bite the pools").click()
    card = page.get_by_role("region", name="Before you begin")
    expect(card).to_contain_text("Nothing goes to the mouth")
    start = card.get_by_role("button", name="Begin")
    expect(start).to_be_disabled()
    card.get_by_role("checkbox").check()
    start.click()
    page.wait_for_url("**/runs/**")


def test_pools_are_brushed_refreshed_and_left_alone_as_the_screen_says(demo):
    page = demo
    begin(page)
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out whites").wait_for()
    page.keyboard.press("c")
    page.get_by_role("heading", name="Brush thin steam, steam, shadow").wait_for()
    for left in ("Brush steam, shadow", "Brush shadow"):
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        expect(page.get_by_text("Pools are biting")).to_be_visible()
        expect(page.get_by_text("rinse off, blot dry.")).to_be_visible()
        button(page, "Refreshed").click()
        clock.lift_when_due()
        expect(page.get_by_text("Rinsed off")).to_be_visible()
        page.get_by_role("heading", name=left).wait_for()
        expect(page.get_by_text("Stop out", exact=False)).to_have_count(0)
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    clock.lift_when_due()
    button(page, "End the run and proof").click()
    page.get_by_role("heading", name="Hang a proof").wait_for()

    run = Run.objects.get(plate=STEAM)
    assert run.part == "spit-bite" and run.ended_at is not None
    kinds = list(Event.objects.filter(subject=run.id).values_list("kind", flat=True))
    assert (kinds.count("dip"), kinds.count("lift"), kinds.count("refreshed")) == (3, 3, 2)
    assert Bath.objects.get(id=make_id("Brown bottle")).load_g_per_l == 0
    assert Entry.objects.filter(text__contains="Known: Brushed mordant has no tray").exists()
    page.goto(f"{page.room}/plates/{STEAM}/proofs/new")
    for pool in ("Thin steam", "Steam", "Shadow"):
        expect(page.get_by_text(pool, exact=True)).to_be_visible()
