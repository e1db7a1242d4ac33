"""A live server on the built front end, and Debian's Chromium."""

import os
import subprocess
import sys
import time
from urllib.parse import urlsplit

import pytest
from django.db import connection

from server.demo.room import ROOM_ID, fresh

ARGUMENTS = [
    "--disable-gpu", "--disable-quic", "--disable-dev-shm-usage", "--no-first-run", "--no-sandbox",
    "--disable-background-networking", "--disable-component-update", "--disable-sync",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
]  # fmt: skip

BUSY = """
    SELECT count(*) FROM pg_stat_activity
    WHERE datname = current_database() AND pid <> pg_backend_pid() AND state <> 'idle'
"""


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
    yield page
    page.goto("about:blank")
    wait_for_requests()


@pytest.fixture
def worker(demo, settings):
    """A worker on the test's database, as ``./keen start`` begins one."""
    at = urlsplit(os.environ["DATABASE_URL"])
    database = at._replace(path=f"/{connection.settings_dict['NAME']}").geturl()
    env = {**os.environ, "DATABASE_URL": database, "KEEN_MEDIA": str(settings.MEDIA_ROOT)}
    command = [sys.executable, "server/manage.py", "worker"]
    process = subprocess.Popen(command, cwd=settings.ROOT, env=env)
    yield process
    process.terminate()
    process.wait(20)


def wait_for_requests():
    """Wait until no request is at the database: it cannot be emptied under one."""
    for _ in range(100):
        with connection.cursor() as cursor:
            cursor.execute(BUSY)
            if cursor.fetchone()[0] == 0:
                return
        time.sleep(0.05)
