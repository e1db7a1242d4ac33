"""Take the screenshots anew from the demo room: ``python docs/screenshots/take.py URL``.

First ``./keen start --detach`` and ``./keen demo --reset``; the bite under way is lifted at last.
Not taken here: ``pools.png``.
"""

import sys
import tempfile
from pathlib import Path

import numpy as np
from playwright.sync_api import sync_playwright

HERE = Path(__file__).parent
sys.path.insert(0, str(HERE.parents[1]))

from server.demo.room import ROOM_ID, make_id  # noqa: E402
from tests.simulator.grain import draw  # noqa: E402

LANTERN, RAIN = (f"/plates/{make_id(name)}" for name in ("Lantern Row", "Rain on Awnings"))
RUN = f"/runs/{make_id('run')}"
PAGES = {
    "bench": "/bench",
    "plate": LANTERN,
    "plan": f"{LANTERN}/plan/tones",
    "lines": f"{RAIN}/plan/lines",
    "course": f"{RAIN}/course?step=back",
    "proof": f"{LANTERN}/proofs",
    "strip": f"/strips/{make_id('Rosin last week')}",
    "in-the-bath": RUN,
}
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
SETTLED_MS = 1500


class Camera:
    def __init__(self, page, base):
        self.page, self.base = page, base

    def open(self, path):
        self.page.goto(f"{self.base}/r/{ROOM_ID}{path}")
        self.page.wait_for_timeout(SETTLED_MS)

    def take(self, name):
        self.page.wait_for_timeout(SETTLED_MS)
        self.page.screenshot(path=HERE / f"{name}.png")


def sign_in(camera):
    camera.page.goto(f"{camera.base}/sign-in")
    camera.take("sign-in")
    camera.page.get_by_role("button", name="Open the demo print room").click()
    camera.page.wait_for_url("**/bench")


def faults(camera):
    camera.open("/plates/new")
    camera.page.get_by_label("Width").fill("5")
    camera.page.get_by_label("Height").fill("tall")
    camera.page.get_by_role("button", name="Put it in the rack").click()
    camera.take("faults")


def ground(camera):
    camera.open(f"{LANTERN}/course?step=dust")
    with tempfile.TemporaryDirectory() as folder:
        photo = draw(np.random.default_rng(9), goal=0.34, lighter=True, metal="copper")
        path = photo.save(Path(folder) / "dust.png")
        camera.page.get_by_label("Close photograph of the dust").set_input_files(path)
        counted = camera.page.get_by_alt_text("The photograph that was counted")
        counted.wait_for(timeout=60_000)
    counted.scroll_into_view_if_needed()
    camera.take("ground")


def shop_book(camera):
    camera.open("/shop-book?tab=cut")
    camera.page.get_by_role("button", name="Lay it out").click()
    camera.take("shop-book")


def out_of_the_bath(camera):
    camera.open(RUN)
    camera.page.keyboard.press("Space")
    camera.page.wait_for_timeout(SETTLED_MS)
    camera.page.keyboard.press("c")
    camera.take("out-of-the-bath")


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
        camera.page.set_viewport_size(PHONE)
        for name, path in (("phone-plate", LANTERN), ("phone-in-the-bath", RUN)):
            camera.open(path)
            camera.take(name)
        camera.page.set_viewport_size(DESK)
        for scene in (faults, shop_book, ground, out_of_the_bath):
            scene(camera)
        browser.close()


if __name__ == "__main__":
    main(sys.argv[1])
