"""Hands of a person at the screen, and a clock that waits for them."""

import json
import re
import time
from pathlib import Path

from playwright.sync_api import TimeoutError, expect

from server.demo.room import make_id

expect.set_options(timeout=20_000)


def button(page, name):
    return page.get_by_role("button", name=name)


def pick(field, option):
    """Take one of a list that opens under its field."""
    field.click()
    choice = field.page.get_by_role("option", name=option, exact=True)
    choice.click()
    try:
        choice.wait_for(state="hidden", timeout=3000)
    except TimeoutError:  # a list drawn anew under the finger is pressed again, as a hand would
        choice.click()


def done(page, title, **measures):
    """Do the step of a title: note what is asked, and go on to the next."""
    page.get_by_role("heading", name=title, exact=True).wait_for()
    for label, value in measures.items():
        field = page.get_by_role("article").get_by_label(label.replace("_", " ")).first
        if field.evaluate("e => e.tagName") == "BUTTON":
            pick(field, value)
        else:
            field.fill(value)
    say_done(page)


def say_done(page):
    """Say a step is done, also where nothing was noted of it and the screen asks once."""
    page.get_by_role("button", name="Done", exact=True).click()
    again = page.get_by_role("button", name="Done all the same")
    if again.is_visible():
        again.click()


PLACES = Path(__file__).parents[2] / "web" / "src" / "places.ts"


def places():
    """Return the path of every screen of a room, of the demo's plates, as `places.ts` has them."""
    rows, plate_rows = PLACES.read_text().split("PLATE_PLACES")[:2]
    lantern, rain = make_id("Lantern Row"), make_id("Rain on Awnings")
    named = {
        ":strip": make_id("Rosin last week"), ":bath": make_id("Amber tray"),
        ":run": make_id("run"), ":part": "lines", ":test": make_id("two-way test"),
        ":exposure": make_id("umbrellas exposure"), ":plate": make_id("Closing Time"),
        ":work": make_id("Awnings at Nine"),
    }  # fmt: skip
    found = [f"/{path}" for path in re.findall(r'path: "([^"]*)"', rows)]
    found += [f"/plates/{rain}/{path}" for path in re.findall(r'path: "([^"]*)"', plate_rows)]
    found += [f"/plates/{lantern}", f"/plates/{lantern}/plan/tones"]
    found += [f"/plates/{lantern}/{page}" for page in ("study", "maps?bite=4", "card")]
    found += [f"/plates/{lantern}/course?step=dust"]
    closing, bridge = make_id("Closing Time"), make_id("The Weighbridge")
    found += [f"/plates/{closing}/{page}" for page in ("paper", "edition", "certificate")]
    found += [f"/plates/{closing}/marks", f"/plates/{closing}/wear", f"/plates/{bridge}/marks"]
    tram = make_id("Last Tram")
    found += [f"/works/{tram}{page}" for page in ("", "/layers", "/cut")]
    tabs = (
        "numbers",
        "cut",
        "mix",
        "cleaning",
        "recipes",
        "tools",
        "calculators",
        "papers",
        "inks",
        "presses",
    )
    found += [f"/shop-book?tab={tab}" for tab in tabs]
    to_bite = f"/strips/{make_id('Sprayed dots')}"
    found = [path.replace("/strips/:strip/bath", f"{to_bite}/bath") for path in found]
    return [re.sub(r":\w+", lambda name: str(named[name[0]]), path) for path in [*found, to_bite]]


A_MOMENT_MS = 1100
"""Two presses nearer than a second are one."""


class SlowClock:
    """The server's clock as the device sees it: an hour ago, and moved on for each bite."""

    def __init__(self, page):
        self.page, self.shift = page, -3600.0
        page.route("**/api/clock", lambda route: route.fulfill(json={"now_ms": self.now() * 1e3}))

    def now(self):
        return time.time() + self.shift

    def run_api(self):
        """Where the server tells of what is bitten: a plate's run, or a strip."""
        *_, kind, thing, last = self.page.url.split("/")
        return f"{self.page.api}/" + (f"strips/{thing}/run" if last == "bath" else f"runs/{last}")

    def lift_when_due(self):
        state = {"in_bath": False}
        while not state["in_bath"]:
            state = json.loads(self.page.request.get(self.run_api()).text())
        self.shift += state["lift_seconds"] - self.now()
        self.page.reload()
        self.page.get_by_role("timer").wait_for()
        self.page.wait_for_timeout(600)
        self.page.keyboard.press("Space")
        self.page.get_by_role("timer").wait_for(state="detached")
        self.page.wait_for_timeout(A_MOMENT_MS)  # two presses nearer than that are one


def settle(page):
    """Wait until the run screen says the same twice, a moment and a half apart."""
    told, before = page.get_by_role("heading"), None
    told.first.wait_for()
    while (now := told.all_inner_texts()) != before:
        before = now
        page.wait_for_timeout(1500)


def through_the_stages(page, clock):
    """Go through an exposure with Space alone, each stage for just its time; return how many."""
    done = 0
    while (told := _lit(page))["stands"]["next"] is not None:
        if page.get_by_role("button", name="All right").count():
            page.keyboard.press("c")
            page.get_by_role("button", name="All right").wait_for(state="detached")
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for()
        told = _lit_once(page, lambda now: now["stands"]["due_seconds"] is not None)
        clock.shift += told["stands"]["due_seconds"] - clock.now()
        with page.expect_response("**/api/clock"):
            page.reload()
        page.get_by_role("timer").wait_for()
        page.wait_for_timeout(A_MOMENT_MS)
        page.keyboard.press("Space")
        page.get_by_role("timer").wait_for(state="detached")
        _lit_once(page, lambda now: now["stands"]["due_seconds"] is None)
        page.wait_for_timeout(A_MOMENT_MS)
        done += 1
    return done


def _lit(page):
    """The exposure under the lamp, as the server tells it."""
    at = f"{page.api}/exposures/{page.url.rsplit('/', 1)[-1]}"
    return json.loads(page.request.get(at).text())


def _lit_once(page, so):
    for _ in range(100):
        if so(told := _lit(page)):
            return told
        page.wait_for_timeout(100)
    raise AssertionError([told["state"], [s["state"] for s in told["stands"]["stages"]]])
