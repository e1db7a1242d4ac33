"""Start and stop the web server."""

from __future__ import annotations

import contextlib
import json
import os
import signal
import socket
import subprocess
import time
import urllib.error
import urllib.request
from dataclasses import dataclass
from pathlib import Path

from ops import lan, postgres
from ops.place import CLOSED, DATA, PYTHON, ROOT, Stop, own_file, own_log, say

PIDS = DATA / "serving.json"
FIRST_ANSWER_SECONDS = 90
LET_GO_SECONDS = 4
"""A server that was killed lets go of its port within this."""
SLOWEST_HEADERS_MS = "10000"
"""For the first line and the headers of a request to come in; a body has its own patience."""


@dataclass(frozen=True)
class Door:
    """One address the server listens at."""

    host: str
    port: int
    secure: bool


def environment(**more: str) -> dict[str, str]:
    """Return the environment of every process of the application."""
    at = postgres.cluster()
    return {
        **os.environ,
        "DJANGO_SETTINGS_MODULE": "server.config.settings",
        "DATABASE_URL": os.environ.get("DATABASE_URL", postgres.url(at)),
        "KEEN_SECRET_KEY": os.environ.get("KEEN_SECRET_KEY", postgres.secret_key()),
        "KEEN_DATA": str(DATA),
        "PYTHONPATH": str(ROOT),
        "OPENBLAS_NUM_THREADS": "1",
        **more,
    }


def check_port(door: Door) -> None:
    """Refuse a port that something else holds.

    Raises
    ------
    Stop
    """
    deadline = time.monotonic() + LET_GO_SECONDS
    while (held := _held(door)) is not None and time.monotonic() < deadline:
        time.sleep(0.2)
    if held is not None:
        raise Stop(
            f"Port {door.port} cannot be used ({held.strerror}). Choose another: "
            f"./keen start --port {door.port + 1}"
        )


def _held(door: Door) -> OSError | None:
    """Return why a port cannot be had; None where it can."""
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((door.host, door.port))
        except OSError as error:
            return error
    return None


def launch(door: Door) -> subprocess.Popen[bytes]:
    """Start the web server at a door, begun again whenever it ends by itself."""
    more: dict[str, str] = {}
    extra: list[str | Path] = []
    if door.secure:
        certificate, key = lan.certificate(door.host)
        extra = ["--ssl-certificate", certificate, "--ssl-keyfile", key]
        more = {
            "KEEN_SECURE": "1",
            "KEEN_DEMO_SIGN_IN": "0",
            "KEEN_ALLOWED_HOSTS": f"{door.host},127.0.0.1,localhost",
        }
    command: list[str | Path] = [
        PYTHON, "-m", "granian", "--interface", "asginl",
        "--host", door.host, "--port", str(door.port),
        "--workers", "2", "--respawn-failed-workers", "--workers-kill-timeout", "2",
        "--http", "1", "--http1-header-read-timeout", SLOWEST_HEADERS_MS, "--no-ws",
        "--log-level", "warning", *extra, "ops.web_worker:application",
    ]  # fmt: skip
    return _begin(command, "lan.log" if door.secure else "web.log", environment(**more))


def launch_worker() -> subprocess.Popen[bytes]:
    """Start the worker of tasks, begun again whenever it ends by itself."""
    return _begin([PYTHON, "server/manage.py", "worker"], "worker.log", environment())


def _begin(command: list[str | Path], log: str, env: dict[str, str]) -> subprocess.Popen[bytes]:
    """Begin a command that is kept running; what it says is for the machine's owner alone."""
    whole = [PYTHON, "-m", "ops.supervise", *command]
    with own_log(log) as out:
        return subprocess.Popen(
            list(map(str, whole)), cwd=ROOT, env=env, stdin=subprocess.DEVNULL,
            stdout=out, stderr=subprocess.STDOUT, start_new_session=True, umask=CLOSED,
        )  # fmt: skip


def wait_for(door: Door, process: subprocess.Popen[bytes]) -> None:
    """Wait until the server answers.

    Raises
    ------
    Stop
    """
    deadline = time.monotonic() + FIRST_ANSWER_SECONDS
    while time.monotonic() < deadline:
        if process.poll() is not None:
            break
        with contextlib.suppress(OSError), socket.create_connection((door.host, door.port), 1):
            if door.secure or _answers(door):
                return
        time.sleep(0.1)
    log = DATA / "log" / ("lan.log" if door.secure else "web.log")
    raise Stop("The web server did not start:\n" + log.read_text(errors="replace")[-1500:])


def _answers(door: Door) -> bool:
    try:
        with urllib.request.urlopen(f"http://{door.host}:{door.port}/api/clock", timeout=5):
            return True
    except (urllib.error.URLError, OSError):
        return False


def remember(processes: list[subprocess.Popen[bytes]], doors: list[Door]) -> None:
    """Write down what runs, so that ./keen stop ends just that."""
    started = [{"pid": p.pid, "born": _born(p.pid)} for p in processes]
    kept = {"started": started, "doors": [vars(door) for door in doors]}
    with own_file(PIDS) as file:
        file.write(json.dumps(kept))


def _born(pid: int) -> str:
    """Return when a process began, so that a number used again is not mistaken for it."""
    try:
        facts = Path(f"/proc/{pid}/stat").read_text().rsplit(") ", 1)[1].split()
    except OSError:
        return ""
    return "" if facts[0] in "ZX" else facts[19]  # a zombie serves nobody


def serving() -> list[Door]:
    """Return the doors of a server that runs, if one does."""
    if not PIDS.exists():
        return []
    kept = json.loads(PIDS.read_text())
    alive = [p for p in kept["started"] if _born(p["pid"]) == p["born"] != ""]
    return [Door(**door) for door in kept["doors"]] if alive else []


def whole() -> bool:
    """Tell whether everything that was started still runs, the database among it."""
    kept = json.loads(PIDS.read_text())
    alive = all(_born(p["pid"]) == p["born"] != "" for p in kept["started"])
    doors = [Door(**door) for door in kept["doors"]]
    answers = all(_answers(door) for door in doors if not door.secure)
    return alive and answers and postgres.cluster().running()


def stop() -> bool:
    """End the processes that were started, by id; return whether there were any."""
    if not PIDS.exists():
        return False
    ours = [
        p["pid"] for p in json.loads(PIDS.read_text())["started"] if _born(p["pid"]) == p["born"]
    ]
    for pid in ours:
        with contextlib.suppress(ProcessLookupError):
            os.kill(pid, signal.SIGTERM)
    for _ in range(80):
        if not any(_born(pid) for pid in ours):
            break
        with contextlib.suppress(ChildProcessError):
            os.waitpid(-1, os.WNOHANG)
        time.sleep(0.1)
    PIDS.unlink(missing_ok=True)
    return bool(ours)


def forget_stale() -> None:
    """Drop a list of processes left by a power cut."""
    if PIDS.exists() and not serving():
        say("the last server did not stop cleanly; nothing of it runs any more")
        PIDS.unlink()
