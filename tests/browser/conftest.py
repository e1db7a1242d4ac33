"""A live server on the built front end, and Debian's Chromium."""

import time

import pytest

from server.demo.room import ROOM_ID, fresh

ARGUMENTS = [
    "--disable-gpu", "--disable-quic", "--disable-dev-shm-usage", "--no-first-run", "--no-sandbox",
    "--disable-background-networking", "--disable-component-update", "--disable-sync",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
]  # fmt: skip


@pytest.fixture(scope="session")
def browser_type_launch_args():
    return {"executable_path": "/usr/bin/chromium", "args": ARGUMENTS}


@pytest.fixture
def demo(live_server, transactional_db, page):
    """The demo room, freshly loaded, and a page signed in to it at its bench."""
    fresh(time.time())
    page.set_default_timeout(40_000)
    page.goto(live_server.url + "/sign-in")
    page.get_by_role("button", name="Open the demo print room").click()
    page.wait_for_url("**/bench")
    page.room = f"{live_server.url}/r/{ROOM_ID}"
    page.api = f"{live_server.url}/api/rooms/{ROOM_ID}"
    return page
