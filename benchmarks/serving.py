"""API p95 at 20 requests a second against the clock endpoint's bare answer; initial JavaScript."""

from __future__ import annotations

import gzip
import http.cookiejar
import json
import re
import statistics
import threading
import time
import urllib.request
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
HOST = "http://127.0.0.1:8000"
RATE, REQUESTS = 20, 200


def signed_in() -> urllib.request.OpenerDirector:
    """Return an opener signed in to the demo room."""
    jar = http.cookiejar.CookieJar()
    opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
    opener.open(f"{HOST}/api/session").read()
    token = next(c.value for c in jar if c.name == "keen_csrf")
    body = json.dumps({"sign_in": "keeper@lantern-quay", "password": "lantern-quay"}).encode()
    headers = {"X-CSRFToken": token, "Content-Type": "application/json"}
    opener.open(urllib.request.Request(f"{HOST}/api/session", body, headers)).read()
    return opener


def p95_ms(opener: urllib.request.OpenerDirector, path: str) -> float:
    """Return the 95th percentile of answers at a steady rate [ms]."""
    times: list[float] = []

    def ask() -> None:
        begun = time.perf_counter()
        opener.open(HOST + path).read()
        times.append((time.perf_counter() - begun) * 1e3)

    threads = []
    for _ in range(REQUESTS):
        threads.append(threading.Thread(target=ask))
        threads[-1].start()
        time.sleep(1 / RATE)
    for thread in threads:
        thread.join()
    return statistics.quantiles(times, n=20)[18]


def initial_javascript_kb() -> float:
    """Return the gzip size of the scripts the first page loads [kB]."""
    dist = ROOT / "web" / "dist"
    names = re.findall(r'(?:src|href)="(/assets/[^"]+\.js)"', (dist / "index.html").read_text())
    return sum(len(gzip.compress((dist / n.lstrip("/")).read_bytes(), 9)) for n in names) / 1e3


if __name__ == "__main__":
    print(f"initial JavaScript: {initial_javascript_kb():.0f} kB gzip (limit 200)")
    opener = signed_in()
    me = json.loads(opener.open(f"{HOST}/api/session").read())["me"]
    room = f"/api/rooms/{me['rooms'][0]['id']}"
    # the session alone: sign-in check, one SELECT through the same stack
    bare = p95_ms(opener, "/api/session")
    for name, path in (
        ("record", f"{room}/record"),
        ("strips", f"{room}/strips"),
        ("rack", f"{room}/plates"),
        ("bench", f"{room}/bench"),
    ):
        mine = p95_ms(opener, path)
        print(f"{name}: {mine / bare:.1f} times a bare SELECT ({mine:.0f} over {bare:.0f} ms, p95)")
