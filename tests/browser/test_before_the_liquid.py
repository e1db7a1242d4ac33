"""From bare metal to the stripped ground, and a ground that cools while another plate bites."""

import re

import numpy as np
import pytest
from playwright.sync_api import expect

from server.courses.models import Course
from server.demo.room import make_id
from server.plans.models import Plan
from server.runs.models import Run
from server.timers.models import Timer
from tests.browser.hands import SlowClock, button, done, say_done, settle
from tests.simulator.grain import draw

pytestmark = pytest.mark.django_db(transaction=True)
STEAM, LANTERN = make_id("Steam Stall"), make_id("Lantern Row")


def test_rain_on_awnings_from_bare_metal_to_stripped_ground(demo):
    page = demo
    page.goto(f"{page.room}/plates/new")
    page.get_by_label("Name", exact=True).fill("Rain on Tarpaulins")
    button(page, "Zinc").click()
    button(page, re.compile("^Etched line")).click()
    for label, value in (("Width", "250"), ("Height", "180"), ("Thickness", "1.5")):
        page.get_by_label(label, exact=True).fill(value)
    button(page, "Put it in the rack").click()
    page.get_by_role("link", name="Go on with the course").click()

    done(page, "Cut the plate to size", Working_face_marked="yes")
    expect(page.get_by_text("Bevel it.")).to_be_visible()
    page.get_by_label("Angle to the face").fill("95")
    say_done(page)
    expect(page.get_by_role("alert")).to_contain_text("95 is not between 20 and 70 °")
    done(page, "Bevel edges and round corners", Angle_to_the_face="45")
    done(page, "Polish until no scratch is left")
    done(page, "Fit the drawing to the plate", Reversal="reversed first")
    expect(page.get_by_text("water first: 0.19 L")).to_be_visible()
    done(page, "Degrease, then the water-break test", **{"Water-break_test": "failed"})
    expect(page.get_by_text("tried 1×, to do again")).to_be_visible()
    done(page, "Degrease, then the water-break test", **{"Water-break_test": "passed"})
    done(page, "Lay hard ground from the ball", Plate_at="95", Film="thin")
    done(page, "Bring the drawing onto the plate")
    done(page, "Draw through the ground", Needle="25")
    expect(page.get_by_text("too sharp for zinc", exact=False)).to_be_visible()
    done(page, "Touch up and stop out the edges", Edges_covered="yes")
    done(page, "Cover the back and the edges", Back="varnished", Edges_covered="yes")

    button(page, "Plan the lines").click()
    page.get_by_label("Middle, apart in µm").fill("30")
    expect(page.get_by_role("alert").first).to_contain_text("as wide as its lines are apart")
    page.get_by_label("Middle, apart in µm").fill("600")
    expect(page.get_by_role("alert")).to_have_count(0)
    button(page, "Keep the plan").click()
    button(page, "Begin to bite").click()
    bite_all(page)

    course = Course.objects.get(plate__name="Rain on Tarpaulins")
    page.goto(f"{page.room}/plates/{course.plate_id}/course")
    done(page, "Strip the ground")
    page.get_by_role("heading", name="Pull a proof").wait_for()
    course.refresh_from_db()
    steps = {step["id"]: step for step in course.steps}
    assert steps["strip-ground"]["status"] == "done" and steps["degrease"]["tries"] == 2
    run = Run.objects.get(plate=course.plate)
    assert run.part == "lines" and run.ended_at is not None


def bite_all(page):
    """Bite until all groups have their depth, each lifted when it is due."""
    page.wait_for_url("**/runs/**")
    clock = SlowClock(page)
    page.reload()
    settle(page)
    end = button(page, "End the run and proof")
    for _ in range(6):
        if page.get_by_text("Stop out").count():
            page.keyboard.press("c")
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        clock.lift_when_due()
        page.keyboard.press("c")
        settle(page)
        if end.is_visible():
            break
    expect(page.get_by_text(re.compile(r"^\d+ µm")).first).to_be_visible()
    end.click()
    page.get_by_role("heading", name="Hang a proof").wait_for()


def test_steam_stall_cools_while_another_plate_bites(demo):
    page = demo
    page.goto(f"{page.room}/plates/{STEAM}/course?step=soft-ground")
    cooling = page.locator("[data-waits] b").first
    expect(cooling).to_be_visible()
    before = cooling.inner_text()
    page.get_by_label("Timer: ground cooling").fill("90 s")
    button(page, "Start another").click()
    expect(page.locator("[data-waits] li")).to_have_count(2)
    page.goto(f"{page.room}/runs/{make_id('run')}")
    expect(page.locator("[data-waits] li")).to_have_count(2)  # the same, at the bath
    page.goto(f"{page.room}/timers")
    expect(page.get_by_role("timer")).to_be_visible()
    page.keyboard.press("Space")
    expect(page.locator("main > ul li")).to_have_count(1)
    assert Timer.objects.filter(ended_at=None).count() == 1
    page.goto(f"{page.room}/plates/{STEAM}/course")
    assert cooling.inner_text() != before
    done(page, "Press the textures in", Textures="gauze, thread")
    page.get_by_role("heading", name="Stop out round the textures").wait_for()


def test_two_people_at_once_lose_nothing_they_typed(demo):
    page = demo
    page.goto(f"{page.room}/plates/{STEAM}/course?step=press-textures")
    page.get_by_label("Textures", exact=True).fill("gauze, thread")
    version = Course.objects.get(plate=STEAM).version
    Course.objects.filter(plate=STEAM).update(version=version + 1)  # somebody else, meanwhile
    say_done(page)
    expect(page.get_by_role("alert")).to_contain_text("Someone changed this course")
    expect(page.get_by_label("Textures", exact=True)).to_have_value("gauze, thread")
    button(page, "Keep mine").click()
    page.get_by_role("heading", name="Stop out round the textures").wait_for()

    rain = make_id("Rain on Awnings")
    page.goto(f"{page.room}/plates/{rain}/lines")
    page.get_by_label("Far rain, wanted").fill("21")
    Plan.objects.filter(plate=rain).update(version=7)
    button(page, "Keep the changes").click()
    expect(page.get_by_role("alert")).to_contain_text("Someone changed this plan")
    page.evaluate("window.dispatchEvent(new Event('focus'))")
    expect(page.get_by_label("Far rain, wanted")).to_have_value("21")
    expect(page.get_by_role("region", name="Changed meanwhile")).to_contain_text("Group 1, wanted")
    button(page, "Keep mine").click()
    page.get_by_role("heading", name="Bite section").wait_for()
    assert Plan.objects.get(plate=rain).areas[0]["depth_um"] == 21


def test_dust_is_counted_and_a_repair_joins_the_course(demo, worker, tmp_path):
    page = demo
    photo = draw(np.random.default_rng(9), goal=0.34, lighter=True, metal="copper")
    page.goto(f"{page.room}/plates/{LANTERN}/course?step=dust")
    path = photo.save(tmp_path / "dust.png")
    page.get_by_label("Close photograph of the dust").set_input_files(path)
    expect(page.get_by_role("progressbar")).to_be_visible()
    page.reload()
    counted = page.get_by_alt_text("The photograph that was counted")
    expect(counted).to_be_visible(timeout=60_000)
    expect(page.get_by_role("progressbar")).to_have_count(0)
    page.goto(f"{page.room}/plates/{LANTERN}/course?step=proof")
    button(page, "Compare the ways").click()
    button(page, "Add its steps").first.click()
    expect(page.get_by_role("button", name=re.compile("^Burnish"))).to_be_visible()
    keys = [step["key"] for step in Course.objects.get(plate=LANTERN).steps]
    assert keys.index("burnish") == keys.index("proof") + 1


def test_the_shop_book_corrects_a_number_and_lays_out_a_sheet(demo):
    page = demo
    page.goto(f"{page.room}/shop-book?tab=numbers")
    button(page, "correct").first.click()
    page.get_by_label("Measured here").fill("900")
    page.get_by_label("From what").fill("two coupons")
    button(page, "Use this number").click()
    expect(page.get_by_role("alert")).to_contain_text("at most 100")
    page.get_by_label("Measured here").fill("1.8")
    button(page, "Use this number").click()
    expect(page.get_by_text("Keeper", exact=False).first).to_be_visible()
    page.goto(f"{page.room}/shop-book?tab=cut")
    button(page, "Lay it out").click()
    expect(page.get_by_text("No layout of straight cuts gets more")).to_be_visible()
    page.goto(f"{page.room}/shop-book?tab=calculators&name=cleaning-order")
    button(page, "Work it out").click()
    expect(page.get_by_role("heading", name="changes of solvent")).to_be_visible()
    expect(page.get_by_role("columnheader", name="takes off")).to_be_visible()
