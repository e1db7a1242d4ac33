"""From a picture to bites: upload, areas, plan, maps at the bath, bench card; several sketches."""

import re

import cv2
import numpy as np
import pytest
from playwright.sync_api import expect

from server.plans.models import Plan
from server.runs.models import Run
from server.studies.models import Study
from tests.browser.hands import A_MOMENT_MS, SlowClock, button
from tests.browser.test_opening_up import put_in

pytestmark = pytest.mark.django_db(transaction=True)
SIZE_PX = (720, 960)
"""Of a plate of 120 × 90 mm."""
COPPER, FERRIC = (180, 103, 58), (242, 182, 74)


def drawn(tmp_path, name="study.png"):
    """Four greys in bands, and a white F at the left of the darkest."""
    pixels = np.zeros(SIZE_PX, np.uint8)
    for i, grey in enumerate((255, 176, 96, 12)):
        pixels[i * 180 : (i + 1) * 180] = grey
    pixels[570:700, 60:110] = 255
    pixels[570:610, 60:210] = 255
    path = tmp_path / name
    cv2.imwrite(str(path), pixels)
    return str(path)


def only_right_half(tmp_path):
    """A dark disc on white paper, to be laid over."""
    pixels = np.full(SIZE_PX, 255, np.uint8)
    cv2.circle(pixels, (700, 120), 90, 30, -1)
    path = tmp_path / "disc.png"
    cv2.imwrite(str(path), pixels)
    return str(path)


def seen(page, locator, folder):
    """What stands on the screen there, as an array."""
    path = str(folder / "seen.png")
    locator.screenshot(path=path)
    return cv2.imread(path)


def like(pixel, colour, off=40):
    return np.abs(pixel[::-1].astype(int) - colour).max() < off


def test_from_a_picture_to_the_map_at_the_bath_and_the_bench_card(demo, worker, tmp_path):
    page, plate = demo, put_in(demo, "tones")
    page.goto(f"{page.room}/plates/{plate}/study")
    page.get_by_label("Picture of what is meant").set_input_files(drawn(tmp_path))
    page.get_by_role("heading", name="Worth three bites.").wait_for()
    button(page, "There is none").click()
    expect(button(page, "There is none")).to_have_count(0)

    page.get_by_alt_text("The print, as it prints").wait_for()
    page.keyboard.press("2")
    page.get_by_role("heading", name=re.compile("bites?; worth three")).wait_for()
    page.keyboard.press("z")
    page.get_by_role("heading", name="Worth three bites.").wait_for()
    button(page, "Plan these 3 bites").click()
    page.get_by_role("heading", name="Before bite 1, cover paper.").wait_for()
    plan = Plan.objects.get(plate=plate)
    assert [area["name"] for area in plan.areas] == ["Paper", "Tone 1", "Tone 2", "Tone 3"]
    assert sum(area["open_cm2"] for area in plan.areas) == pytest.approx(108, abs=0.5)

    map_ = page.get_by_role("img", name="Map before bite 1, as it lies on the plate")
    map_.wait_for()
    page.wait_for_timeout(A_MOMENT_MS)
    laid = seen(page, map_, tmp_path)
    high, wide = laid.shape[:2]
    striped = laid[int(0.86 * high), int(0.84 * wide) : int(0.94 * wide)]
    assert len({tuple(pixel // 64) for pixel in striped}) > 1  # the F, striped, at the right
    assert like(laid[int(0.6 * high), int(0.09 * wide)], COPPER)

    button(page, "PDF at 1:1").click()
    link = page.get_by_role("link", name="maps.pdf")
    link.wait_for()
    assert page.request.get(page.url.split("/r/")[0] + link.get_attribute("href")).status == 200
    page.get_by_role("link", name="Bench card to print").click()
    page.get_by_text("Tone 1 (yellow pen)").wait_for()
    expect(page.get_by_role("row")).to_have_count(4)

    page.goto(f"{page.room}/plates/{plate}")
    button(page, "Begin to bite").click()
    page.wait_for_url("**/runs/**")
    clock = SlowClock(page)
    page.reload()
    page.get_by_role("heading", name="Stop out paper").wait_for()
    at_bath = page.get_by_role("img", name="What to paint before bite 1, as it lies on the plate")
    at_bath.wait_for()
    page.keyboard.press("c")
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    clock.lift_when_due()
    page.get_by_role("heading", name="Stop out tone 1").wait_for()
    page.get_by_text("yellow pen").wait_for()
    page.context.set_offline(True)
    page.reload()  # the map comes from this device
    at_bath = page.get_by_role("img", name="What to paint before bite 2, as it lies on the plate")
    at_bath.wait_for()
    page.wait_for_timeout(A_MOMENT_MS)
    now = seen(page, at_bath, tmp_path)
    high, wide = now.shape[:2]
    row = now[int(0.37 * high), int(0.3 * wide) : int(0.7 * wide)]
    assert any(like(pixel, FERRIC) for pixel in row)  # tone 1 is to be covered
    assert like(now[int(0.65 * high), int(0.5 * wide)], COPPER)  # tone 2 stays open
    page.keyboard.press("m")
    page.get_by_role("img", name="What to paint before bite 2, as it prints").wait_for()
    page.context.set_offline(False)
    assert Run.objects.get(plate=plate).map["areas"][0]["name"] == "Paper"


def test_several_sketches_are_laid_together_and_one_area_is_drawn_over(demo, worker, tmp_path):
    page, plate = demo, put_in(demo, "tones")
    page.goto(f"{page.room}/plates/{plate}/study")
    page.get_by_label("Picture of what is meant").set_input_files(drawn(tmp_path))
    page.get_by_role("heading", name="Worth three bites.").wait_for()
    page.get_by_text("Pictures, levels, brush and pens").click()
    page.get_by_label("Another picture on this plate").set_input_files(only_right_half(tmp_path))
    page.get_by_alt_text("Sketch 2").wait_for()
    page.get_by_role("heading", name=re.compile("[Ww]orth")).wait_for()
    print_ = page.get_by_alt_text("The print, as it prints")
    print_.wait_for()
    study = Study.objects.get(plate=plate)
    assert [each["lies"] for each in study.sketches] == ["over", "darkens"]
    page.wait_for_timeout(A_MOMENT_MS)
    picture = seen(page, print_, tmp_path)
    high, wide = picture.shape[:2]
    assert picture[int(0.165 * high), int(0.73 * wide)].mean() < 110  # the disc, on white

    button(page, "Loop").click()
    box = page.locator(".cursor-crosshair").bounding_box()
    x, y = box["x"] + 0.75 * box["width"], box["y"] + 0.8 * box["height"]
    page.mouse.move(x, y)
    page.mouse.down()
    for dx, dy in ((40, 0), (40, 25), (0, 25), (0, 5)):
        page.mouse.move(x + dx, y + dy, steps=4)
    page.mouse.up()
    page.get_by_text("make it").wait_for()
    button(page, "white").click()
    page.get_by_text("1 correction drawn.").wait_for()
    page.keyboard.press("5")  # survives another cut
    page.get_by_text("1 correction drawn.").wait_for()
    assert len(Study.objects.get(plate=plate).edits) == 1
