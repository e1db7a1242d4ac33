"""Bite on from a proof's advice: the plan it asks for, from where the plate stands."""

import re
import time
import uuid

import pytest
from playwright.sync_api import expect

from server.demo.room import make_id
from server.plans.models import Plan
from server.runs.models import Run
from tests.browser.hands import SlowClock, button
from tests.browser.test_opening_up import put_in

pytestmark = pytest.mark.django_db(transaction=True)
HOUR_MS = 3_600_000
TONES = (("Light", 75, 120), ("Dark", 45, 420))
"""Name, wanted L*, bitten so many seconds."""


def send(page, method, path, **body):
    token = next(c["value"] for c in page.context.cookies() if c["name"] == "keen_csrf")
    sent = page.request.fetch(f"{page.api}{path}", method=method, data=body,
                              headers={"X-CSRFToken": token})  # fmt: skip
    assert sent.ok, sent.text()
    return sent.json()


def bitten(page):
    """A plate bitten for two tones and proofed: the dark one printed too light."""
    plate, run = put_in(page, "tones"), str(uuid.uuid4())
    areas = [{"name": name, "lstar": lstar, "open_cm2": 40} for name, lstar, _ in TONES]
    send(page, "PUT", f"/plates/{plate}/plan", id=str(uuid.uuid4()), part="tones", areas=areas,
         bath=str(make_id("Amber tray")), strip=str(make_id("Rosin last week")))  # fmt: skip
    send(page, "POST", "/runs", id=run, plate=plate)
    at = time.time() * 1000 - HOUR_MS
    events, device = [], str(uuid.uuid4())
    for place, (_, _, seconds) in enumerate(TONES):
        dip = str(uuid.uuid4())
        names = [name for name, _, _ in TONES[place:]]
        for kind, data, after in (("dip", {"open": names}, 0), ("lift", {"dip": dip}, seconds)):
            events.append({
                "id": dip if kind == "dip" else str(uuid.uuid4()), "kind": kind, "data": data,
                "device": device, "sequence": len(events) + 1, "offset_ms": at,
                "offset_spread_ms": 5, "monotonic_ms": (place * 900 + after) * 1000,
            })  # fmt: skip
    send(page, "POST", f"/runs/{run}/events", events=events)
    send(page, "POST", f"/runs/{run}/end")
    return plate


def test_bite_on_from_a_proofs_advice_to_washed(demo):
    page, plate = demo, bitten(demo)
    page.goto(f"{page.room}/plates/{plate}/proofs/new")
    page.get_by_label("Light, L* read").fill("75")
    page.get_by_label("Dark, L* read").fill("54")
    button(page, "Log State I").click()
    page.wait_for_url("**/proofs")
    page.get_by_text(re.compile("^Bite \\d+:\\d\\d more")).wait_for()
    advice = page.get_by_text(re.compile("^Bite \\d+:\\d\\d more")).inner_text()
    more = re.search(r"Bite (\d+:\d\d) more", advice)[1]
    button(page, "Plan this bite of Dark").click()

    page.wait_for_url("**/plan/tones")
    section = page.get_by_role("region", name="Bite on")
    expect(section).to_contain_text("goes on from where it stands")
    expect(section.get_by_label("Dark")).to_be_checked()
    expect(section.get_by_label("Light")).not_to_be_checked()
    page.goto(f"{page.room}/plates/{plate}")
    page.get_by_text(f"First: open dark; then bite 3 for {more}").wait_for()
    button(page, re.compile("^Bite on")).click()
    page.wait_for_url("**/runs/**")

    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Open dark, then dip").wait_for()
    page.keyboard.press("c")
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    clock.lift_when_due()
    button(page, "End the run and proof").click()
    page.get_by_role("heading", name="Hang a proof").wait_for()
    first, second = Run.objects.filter(plate=plate).order_by("created_at")
    assert (second.outcome, len(second.before)) == (Run.FINISHED, 2)
    assert first.bath_id == second.bath_id and Plan.objects.get(plate=plate).open_again == []


def test_stripped_it_is_a_second_aquatint(demo):
    page, plate = demo, bitten(demo)
    course = send(page, "GET", f"/plates/{plate}/course")
    send(page, "POST", f"/plates/{plate}/course", version=course["version"], act="done",
         step="strip-ground", reason="washed")  # fmt: skip
    send(page, "POST", "/proofs", id=str(uuid.uuid4()), plate=plate,
         tones=[{"area": "Dark", "read_lstar": 56}])  # fmt: skip
    page.goto(f"{page.room}/plates/{plate}/proofs")
    button(page, "Plan this bite of Dark").click()
    page.wait_for_url("**/plan/tones")
    section = page.get_by_role("region", name="Bite on")
    expect(section).to_contain_text("A new grain is another screen")
    row = page.get_by_role("row", name=re.compile("^Dark L\\* 56"))
    expect(row).to_contain_text(re.compile("\\d+ to 56"))
