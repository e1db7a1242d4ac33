"""Take the screenshots anew from the demo room: ``python docs/screenshots/take.py URL``.

First ``./keen start --detach`` and ``./keen demo --reset``; the bite under way is lifted at last.
"""

import re
import subprocess
import sys
import tempfile
import time
from pathlib import Path

import numpy as np
from playwright.sync_api import sync_playwright

HERE = Path(__file__).parent
sys.path.insert(0, str(HERE.parents[1]))

from tests.simulator.grain import draw  # noqa: E402

PAGES = {
    "bench": "/bench",
    "plate": "{lantern}",
    "plan": "{lantern}/plan/tones",
    "course": "{rain}/course?step=back",
    "strips": "/strips",
    "strip": "{strip}",
    "value-study": "{lantern}/study",
    "stop-out-maps": "{lantern}/maps?bite=4",
    "baths": "/baths",
    "bath": "{amber}",
    "if-it-goes-wrong": "{amber}/wrong",
    "exposure": "/exposure",
}
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
SETTLED_MS = 1500
THINGS = ("plates", "strips", "baths")


class Camera:
    def __init__(self, page, base):
        self.page, self.base = page, base

    def look_round(self):
        """Learn where the demo's things are."""
        self.room = self.page.url.split("/r/")[1].split("/")[0]
        plates, strips, baths = (self._named(f"/api/rooms/{self.room}/{what}") for what in THINGS)
        self.at = {
            "lantern": f"/plates/{plates['Lantern Row']['id']}",
            "rain": f"/plates/{plates['Rain on Awnings']['id']}",
            "weighbridge": f"/plates/{plates['The Weighbridge']['id']}",
            "strip": f"/strips/{strips['Rosin last week']['id']}",
            "amber": f"/baths/{baths['Amber tray']['id']}",
            "run": f"/runs/{plates['Lantern Row']['run']['id']}",
        }

    def _named(self, url):
        listed = self.page.evaluate("async (url) => (await fetch(url)).json()", url)
        return {each["name"]: each for each in listed["items"]}

    def open(self, path):
        self.page.goto(f"{self.base}/r/{self.room}{path.format(**self.at)}")
        self.page.wait_for_timeout(SETTLED_MS)

    def take(self, name, *, whole=False):
        self.page.wait_for_timeout(SETTLED_MS)
        self.page.screenshot(path=HERE / f"{name}.png", full_page=whole)


def sign_in(camera):
    camera.page.goto(f"{camera.base}/sign-in")
    camera.page.get_by_role("button", name="Open the demo print room").click()
    camera.page.wait_for_url("**/bench")
    camera.look_round()


def ground(camera):
    camera.open("{lantern}/course?step=dust")
    with tempfile.TemporaryDirectory() as folder:
        photo = draw(np.random.default_rng(9), goal=0.34, lighter=True, metal="copper")
        path = photo.save(Path(folder) / "dust.png")
        camera.page.get_by_label("Close photograph of the dust").set_input_files(path)
        counted = camera.page.get_by_alt_text("The photograph that was counted")
        counted.wait_for(timeout=60_000)
    counted.scroll_into_view_if_needed()
    camera.take("ground")


def proof(camera):
    """A state that asks for something: plate or printing, what next, its pins."""
    camera.open("{weighbridge}/proofs")
    camera.page.keyboard.press(",")
    camera.page.get_by_role("heading", name=re.compile("^It is the plate")).wait_for()
    camera.take("proof", whole=True)


def make_up(camera):
    """Blue tray made up: what goes in, whether the plate fits, its label."""
    camera.open("/baths/new")
    page = camera.page
    page.get_by_label("Mordant").click()
    page.get_by_role("option", name="Nitric acid 1 + 10, for zinc").click()
    sides = {"Tray, long": 320, "Tray, short": 240, "Tray, high": 90, "Largest plate, wide": 250,
             "Largest plate, high": 180, "How much": 3}  # fmt: skip
    for label, value in sides.items():
        page.get_by_label(label, exact=True).fill(str(value))
    page.get_by_text("It covers the plate by 20 mm").wait_for()
    camera.take("make-up")


def in_the_bath(camera):
    """The bite under way, followed by a probe whose bath cools."""
    probe = [HERE.parents[1] / "keen", "instrument", "bath-probe", "--bath", "Amber tray",
             "--every", "1", "--for", "20", "--url", camera.base]  # fmt: skip
    with subprocess.Popen(probe, stdout=subprocess.DEVNULL) as speaking:
        camera.open("{run}")
        camera.page.get_by_text(re.compile("^Probe")).wait_for(timeout=20_000)
        camera.take("in-the-bath")
        camera.page.set_viewport_size(PHONE)
        camera.take("phone-in-the-bath")
        camera.page.set_viewport_size(DESK)
        speaking.wait()


def out_of_the_bath(camera):
    """Lifted when it is due: the map of what to stop out next."""
    camera.open("{run}")
    run = f"/api/rooms/{camera.room}{camera.at['run']}"
    due = camera.page.evaluate("async (url) => (await (await fetch(url)).json()).lift_seconds", run)
    camera.page.wait_for_timeout(max(0.0, due - time.time()) * 1000)
    camera.page.keyboard.press("Space")
    camera.page.get_by_role("img", name=re.compile("What to paint before")).wait_for()
    camera.take("out-of-the-bath")


def bench_card(camera):
    camera.open("{lantern}/card")
    camera.page.get_by_text("yellow pen").wait_for()
    camera.page.locator(".bench-card").screenshot(path=HERE / "bench-card.png")


def main(base):
    with sync_playwright() as started:
        browser = started.chromium.launch(
            executable_path="/usr/bin/chromium", args=["--no-sandbox", "--disable-gpu"]
        )
        camera = Camera(browser.new_page(viewport=DESK), base)
        sign_in(camera)
        for name, path in PAGES.items():
            camera.open(path)
            camera.take(name)
        for scene in (in_the_bath, proof, make_up, ground, bench_card, out_of_the_bath):
            scene(camera)
        browser.close()


if __name__ == "__main__":
    main(sys.argv[1])
