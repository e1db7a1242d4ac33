"""The application as it is started, in a data folder of its own."""

import contextlib
import hashlib
import http.cookiejar
import json
import os
import shutil
import signal
import socket
import subprocess
import urllib.request
from pathlib import Path

from server.demo.room import ROOM_ID, make_id

ROOT = Path(__file__).resolve().parent.parent.parent
ROOM, RUN = f"/api/rooms/{ROOM_ID}", f"/api/rooms/{ROOM_ID}/runs/{make_id('run')}"


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


def descendants(pid):
    """Ids of a process and of all that came of it."""
    return [pid, *(each for child in children(pid) for each in descendants(child))]


def children(pid):
    """Ids of the processes that a process began."""
    found = subprocess.run(["pgrep", "-P", str(pid)], capture_output=True, text=True, check=False)
    return list(map(int, found.stdout.split()))


class House:
    """The application in a data folder of its own."""

    def __init__(self, folder):
        self.folder, self.port = folder, free_port()
        kept = {k: v for k, v in os.environ.items() if not k.startswith(("KEEN", "DATABASE", "DJ"))}
        self.env = {**kept, "KEEN_DATA": str(folder)}

    def keen(self, *words):
        done = self.tried(*words)
        assert done.returncode == 0, done.stderr
        return done

    def tried(self, *words):
        """Run the one command, whatever comes of it."""
        return subprocess.run(
            [str(ROOT / "keen"), *words], env=self.env, stdin=subprocess.DEVNULL,
            capture_output=True, text=True, check=False, timeout=240,
        )  # fmt: skip

    def start(self):
        self.said = self.keen("start", "--detach", "--port", str(self.port)).stderr
        jar = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
        self.jar = jar
        self.ask("/api/session")
        self.ask("/api/session", {"sign_in": "keeper@lantern-quay", "password": "lantern-quay"})
        return self

    def ask(self, path, body=None):
        data = None if body is None else json.dumps(body).encode()
        return self._send(path, data, "application/json")

    def upload(self, path, picture_id, content):
        """Send a picture as a form."""
        edge, line = b"--edge-of-a-part", b"\r\n"
        parts = [
            edge, b'Content-Disposition: form-data; name="id"', b"", picture_id.encode(),
            edge, b'Content-Disposition: form-data; name="file"; filename="dust.png"',
            b"Content-Type: image/png", b"", content, edge + b"--", b"",
        ]  # fmt: skip
        return self._send(path, line.join(parts), "multipart/form-data; boundary=edge-of-a-part")

    def _send(self, path, data, kind):
        token = next((c.value for c in self.jar if c.name == "keen_csrf"), "")
        headers = {"X-CSRFToken": token, "Content-Type": kind}
        url = f"http://127.0.0.1:{self.port}{path}"
        reply = self.opener.open(urllib.request.Request(url, data, headers), timeout=60)
        return json.loads(reply.read())

    def kill(self):
        """Pull the plug of the web server and the worker."""
        for pid in [each for begun in self._started() for each in descendants(begun["pid"])]:
            with contextlib.suppress(ProcessLookupError):  # it ends with its parent
                os.kill(pid, signal.SIGKILL)

    def web(self):
        """The id of the web server's master; it is begun again when it dies."""
        return next(iter(children(self._started()[0]["pid"])), None)

    def database(self):
        """The id of the database server."""
        cluster = Path((self.folder / "pg-folder").read_text().strip())
        return int((cluster / "data" / "postmaster.pid").read_text().splitlines()[0])

    def worker(self):
        """The id of the process that works on tasks; it is begun again when it dies."""
        return next(iter(children(self._started()[-1]["pid"])), None)

    def _started(self):
        return json.loads((self.folder / "serving.json").read_text())["started"]

    def files(self):
        found = sorted(p for p in (self.folder / "files").rglob("*") if p.is_file())
        return {
            str(p.relative_to(self.folder)): hashlib.sha256(p.read_bytes()).hexdigest()
            for p in found
        }


def forget(house):
    """Take away a cluster that had to lie outside its data folder."""
    note = house.folder / "pg-folder"
    outside = Path(note.read_text().strip()) if note.is_file() else None
    if outside and outside.is_relative_to("/var/lib/keen"):
        shutil.rmtree(outside)
