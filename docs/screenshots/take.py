"""Take the screenshots anew from the demo room: ``python docs/screenshots/take.py URL``.

First ``./keen start --detach`` and ``./keen demo --reset``.
"""

import re
import subprocess
import sys
from pathlib import Path
from uuid import uuid4

from playwright.sync_api import sync_playwright

HERE = Path(__file__).parent

PAGES = {
    "bench": "/bench",
    "plate": "{lantern}",
    "strips": "/strips",
    "strip": "{strip}",
    "value-study": "{lantern}/study",
    "stop-out-maps": "{lantern}/maps?bite=4",
    "baths": "/baths",
    "bath": "{amber}",
    "exposure": "/exposure",
    "marks": "{closing}/marks",
    "edition": "{closing}/edition",
    "work": "{awnings}",
}
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
SETTLED_MS = 1500
THINGS = ("plates", "strips", "baths", "works")


class Camera:
    def __init__(self, page, base):
        self.page, self.base = page, base

    def look_round(self):
        """Learn where the demo's things are."""
        self.room = self.page.url.split("/r/")[1].split("/")[0]
        named = (self._named(f"/api/rooms/{self.room}/{what}") for what in THINGS)
        plates, strips, baths, works = named
        self.at = {
            "lantern": f"/plates/{plates['Lantern Row']['id']}",
            "rain": f"/plates/{plates['Rain on Awnings']['id']}",
            "weighbridge": f"/plates/{plates['The Weighbridge']['id']}",
            "strip": f"/strips/{strips['Rosin last week']['id']}",
            "amber": f"/baths/{baths['Amber tray']['id']}",
            "closing": f"/plates/{plates['Closing Time']['id']}",
            "umbrellas": f"/plates/{plates['Paper Umbrellas']['id']}",
            "awnings": f"/works/{works['Awnings at Nine']['id']}",
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


def proof(camera):
    """A state that asks for something: plate or printing, what next, its pins."""
    camera.open("{weighbridge}/proofs")
    camera.page.keyboard.press(",")
    camera.page.get_by_role("heading", name=re.compile("^It is the plate")).wait_for()
    camera.take("proof", whole=True)


def put_a_plate_in(camera):
    """Typed on its drawing: a mixed plate, its bevel, its way to the first proof."""
    camera.open("/plates/new")
    for label, value in (("Name", "Quay at Dusk"), ("Width", "200"), ("Height", "150")):
        camera.page.get_by_label(label, exact=True).fill(value)
    for route in ("Etched line", "Aquatint"):
        camera.page.get_by_role("button", name=re.compile(f"^{route}")).click()
    camera.page.get_by_text(re.compile("^Mixed:")).wait_for()
    camera.take("put-a-plate-in")


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


def first_day(camera):
    """An empty room, as its keeper finds it: made for the picture, beside the demo."""
    name = f"newcomer-{uuid4().hex[:6]}@loft"
    keen = [HERE.parents[1] / "keen", "user", "add", name, "--room", "Loft"]
    said = subprocess.run(keen, capture_output=True, text=True, check=True).stdout
    page = camera.page.context.browser.new_page(viewport=DESK)
    page.goto(f"{camera.base}/sign-in")
    page.get_by_label("Sign-in name").fill(name)
    page.get_by_label("Password").fill(re.search(r"Password: (\S+)", said)[1])
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="What do you have in front of you?").wait_for()
    page.wait_for_timeout(SETTLED_MS)
    page.screenshot(path=HERE / "first-day.png")
    page.close()


def difference(camera):
    """What the last change did: each tone's way from one proof to the next."""
    camera.open("{weighbridge}/proofs")
    camera.page.get_by_role("button", name=re.compile("^Compare with")).click()
    camera.page.get_by_role("button", name="Difference").click()
    camera.page.evaluate("scrollTo(0, 0)")
    camera.take("difference", whole=True)


def at_the_press(camera):
    """Inked: what to leave and what to clean, by the wipe map."""
    camera.open("{closing}/pull")
    camera.page.keyboard.press("Space")
    camera.page.get_by_role("heading", name="Wipe").wait_for()
    camera.take("at-the-press")
    camera.page.keyboard.press("z")


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
        for scene in (put_a_plate_in, in_the_bath, proof, difference, at_the_press, first_day):
            scene(camera)
        browser.close()


if __name__ == "__main__":
    main(sys.argv[1])
