"""The application as it is started: killed in the middle of a bite, backed up, brought back."""

import hashlib
import http.cookiejar
import json
import os
import shutil
import signal
import socket
import subprocess
import tarfile
import time
import urllib.request
import uuid
from pathlib import Path

import pytest

from server.demo.room import ROOM_ID, make_id

ROOT = Path(__file__).resolve().parent.parent.parent
ROOM, RUN = f"/api/rooms/{ROOM_ID}", f"/api/rooms/{ROOM_ID}/runs/{make_id('run')}"


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


class House:
    """The application in a data folder of its own."""

    def __init__(self, folder):
        self.folder, self.port = folder, free_port()
        kept = {k: v for k, v in os.environ.items() if not k.startswith(("KEEN", "DATABASE", "DJ"))}
        self.env = {**kept, "KEEN_DATA": str(folder)}

    def keen(self, *words):
        done = subprocess.run(
            [str(ROOT / "keen"), *words], env=self.env, stdin=subprocess.DEVNULL,
            capture_output=True, text=True, check=False, timeout=240,
        )  # fmt: skip
        assert done.returncode == 0, done.stderr
        return done

    def start(self):
        self.keen("start", "--detach", "--port", str(self.port))
        jar = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
        self.jar = jar
        self.ask("/api/session")
        self.ask("/api/session", {"sign_in": "keeper@lantern-quay", "password": "lantern-quay"})
        return self

    def ask(self, path, body=None):
        token = next((c.value for c in self.jar if c.name == "keen_csrf"), "")
        headers = {"X-CSRFToken": token, "Content-Type": "application/json"}
        data = None if body is None else json.dumps(body).encode()
        url = f"http://127.0.0.1:{self.port}{path}"
        reply = self.opener.open(urllib.request.Request(url, data, headers), timeout=60)
        return json.loads(reply.read())

    def kill(self):
        """Pull the plug of the web server alone."""
        for process in json.loads((self.folder / "serving.json").read_text())["started"]:
            children = subprocess.run(
                ["pgrep", "-P", str(process["pid"])], capture_output=True, text=True, check=False
            ).stdout.split()  # fmt: skip
            for pid in (process["pid"], *map(int, children)):
                os.kill(pid, signal.SIGKILL)

    def files(self):
        found = sorted(p for p in (self.folder / "files").rglob("*") if p.is_file())
        return {
            str(p.relative_to(self.folder)): hashlib.sha256(p.read_bytes()).hexdigest()
            for p in found
        }


def event(kind, **data):
    return {"id": str(uuid.uuid4()), "kind": kind, "device": str(uuid.uuid4()), "sequence": 1,
            "monotonic_ms": 0, "offset_ms": time.time() * 1000, "offset_spread_ms": 5,
            "data": data}  # fmt: skip


@pytest.fixture(scope="module")
def houses(tmp_path_factory):
    made = [House(tmp_path_factory.mktemp(name)) for name in ("first", "second")]
    yield made
    for house in made:
        house.keen("stop")
        forget(house)


def forget(house):
    """Take away a cluster that had to lie outside its data folder."""
    note = house.folder / "pg-folder"
    outside = Path(note.read_text().strip()) if note.is_file() else None
    if outside and outside.is_relative_to("/var/lib/keen"):
        shutil.rmtree(outside)


def test_killed_in_a_bite_it_goes_on_and_restored_it_is_the_same(houses, tmp_path):
    first, second = houses
    first.start()
    noted = event("note", text="before the plug was pulled")
    before = first.ask(f"{RUN}/events", {"events": [noted]})
    assert before["in_bath"]

    first.kill()
    first.start()
    after = first.ask(RUN)
    assert after["lift_seconds"] == before["lift_seconds"]
    assert after["events"] == before["events"]
    again = first.ask(f"{RUN}/events", {"events": [noted]})
    assert len(again["events"]) == len(before["events"])

    archive = tmp_path / "room.tar.gz"
    first.keen("backup", str(archive))
    assert archive.stat().st_mode & 0o077 == 0
    second.keen("restore", str(archive))
    second.start()
    for path in (RUN, f"{ROOM}/record", f"{ROOM}/plates", f"{ROOM}/strips", f"{ROOM}/baths"):
        here, there = first.ask(path), second.ask(path)
        for reply in (here, there):
            reply.pop("now_seconds", None)
        assert here == there
    assert first.files() and first.files() == second.files()


def test_an_archive_that_reaches_out_of_its_folder_is_refused(houses, tmp_path):
    bad = tmp_path / "bad.tar.gz"
    with tarfile.open(bad, "w:gz") as archive:
        link = tarfile.TarInfo("files/link")
        link.type, link.linkname = tarfile.SYMTYPE, "/etc/passwd"
        archive.addfile(link)
    third = House(tmp_path / "third")
    done = subprocess.run(
        [str(ROOT / "keen"), "restore", str(bad)], env=third.env, stdin=subprocess.DEVNULL,
        capture_output=True, text=True, check=False, timeout=240,
    )  # fmt: skip
    third.keen("stop")
    forget(third)
    assert done.returncode == 3 and "files/link" in done.stderr
