"""Twenty phones at the press for two minutes: is anything lost, and is each touch taken quickly?

Run with the demo served: ``python -m benchmarks.press [seconds]``. Twenty plates are put in, a
phone each: ink, wipe, lay, pull, read, sign, one touch every second and a half, each answered with
the whole press; every tenth touch is sent twice. Before it the same twenty ask, at the same pace,
for the session (a sign-in check and one SELECT through the same stack): the ratio of the two p95.
"""

from __future__ import annotations

import json
import os
import statistics
import sys
import threading
import time
import uuid
from dataclasses import dataclass, field
from http.cookiejar import CookieJar
from urllib.request import HTTPCookieProcessor, OpenerDirector, Request, build_opener

import django

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")

PHONES, EVERY_SECONDS, TWICE_EVERY = 20, 1.5, 10
WARM_SECONDS = 8.0
BASE = "http://127.0.0.1:8000"
TOUCHES = ("inked", "wiped", "laid", "pulled", "pull-read", "signed")


@dataclass
class Phone:
    """One phone at its plate."""

    opener: OpenerDirector
    token: str
    room: str
    plate: str
    device: str = field(default_factory=lambda: str(uuid.uuid4()))
    sent: int = 0
    took: list[float] = field(default_factory=list)
    failed: list[str] = field(default_factory=list)

    def ask(self, method: str, path: str, body: object = None) -> bytes:
        """Send one call."""
        headers = {"X-CSRFToken": self.token, "Content-Type": "application/json"}
        data = json.dumps(body).encode() if body is not None else None
        return self.opener.open(Request(BASE + path, data, headers, method=method)).read()

    def touch(self, number: int, pull: str, at: float) -> None:
        """Log one touch, timed; every tenth twice, as by a line that swallowed the answer."""
        kind = TOUCHES[number % len(TOUCHES)]
        event = self._event(kind, number, pull, at)
        self.sent += 1
        for _ in range(2 if number % TWICE_EVERY == 9 else 1):
            begun = time.perf_counter()
            try:
                path = f"/api/rooms/{self.room}/plates/{self.plate}/pulls/events"
                self.ask("POST", path, {"events": [event]})
            except OSError as error:
                self.failed.append(str(error))
            self.took.append(time.perf_counter() - begun)

    def _event(self, kind: str, number: int, pull: str, at: float) -> dict[str, object]:
        said: dict[str, object] = {} if kind == "inked" else {"pull": pull}
        if kind == "pull-read":
            said["areas"] = [{"name": "Sky", "lstar": 30 + 0.1 * number, "spread": 0.8}]
        return {
            "id": pull if kind == "inked" else str(uuid.uuid4()), "kind": kind,
            "device": self.device, "sequence": number, "monotonic_ms": 0.0,
            "offset_ms": at * 1000, "offset_spread_ms": 5, "data": said,
        }  # fmt: skip


def phones() -> list[Phone]:
    """Sign twenty phones in, and put a plate with an edition in for each."""
    found = []
    for place in range(PHONES):
        jar = CookieJar()
        opener = build_opener(HTTPCookieProcessor(jar))
        opener.open(f"{BASE}/api/session").read()
        token = next(str(cookie.value) for cookie in jar if "csrf" in cookie.name)
        phone = Phone(opener, token, "", str(uuid.uuid4()))
        body = {"sign_in": "printer@lantern-quay", "password": "lantern-quay"}
        phone.ask("POST", "/api/session", body)
        phone.token = next(str(cookie.value) for cookie in jar if "csrf" in cookie.name)
        told = json.loads(phone.ask("GET", "/api/session"))
        phone.room = told["me"]["rooms"][0]["id"]
        plates = f"/api/rooms/{phone.room}/plates"
        phone.ask("POST", plates, {
            "id": phone.plate, "name": f"Load {place}", "metal": "copper", "route": "drypoint",
            "thickness_mm": 1.2, "width_mm": 180, "height_mm": 130,
        })  # fmt: skip
        phone.ask("PUT", f"{plates}/{phone.plate}/edition", {"version": 0, "size": 100})
        found.append(phone)
    return found


def bare(phone: Phone, seconds: float, start: float) -> None:
    """Ask for the session at the pace of the touches."""
    time.sleep(start)
    until = time.monotonic() + seconds
    while time.monotonic() < until:
        begun = time.perf_counter()
        phone.ask("GET", "/api/session")
        phone.took.append(time.perf_counter() - begun)
        time.sleep(max(0.0, EVERY_SECONDS - (time.perf_counter() - begun)))


def printing(phone: Phone, seconds: float, start: float) -> None:
    """Pull one impression after another; by their clock ten minutes lie between touches."""
    time.sleep(start)
    until, number, pull = time.monotonic() + seconds, 0, ""
    first = time.time() - 20 * 86_400
    while time.monotonic() < until:
        begun = time.perf_counter()
        if number % len(TOUCHES) == 0:
            pull = str(uuid.uuid4())
        phone.touch(number, pull, first + 600.0 * number)
        number += 1
        time.sleep(max(0.0, EVERY_SECONDS - (time.perf_counter() - begun)))


def at_once(what: object, all_phones: list[Phone], seconds: float) -> float:
    """Let all phones do something at once; return the p95 of their calls [s]."""
    for phone in all_phones:
        phone.took = []
    threads = [
        threading.Thread(target=what, args=(phone, seconds, EVERY_SECONDS * place / PHONES))  # type: ignore[arg-type]
        for place, phone in enumerate(all_phones)
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    took = [each for phone in all_phones for each in phone.took]
    return statistics.quantiles(took, n=20)[-1]


def lost(all_phones: list[Phone]) -> tuple[int, int]:
    """Return how many events were sent and how many are stored; take the plates away."""
    from server.editions.models import Impression
    from server.events.models import Event
    from server.pulls.models import Pulls

    rows = Pulls.objects.filter(plate__in=[phone.plate for phone in all_phones])
    stored = Event.objects.filter(subject__in=rows.values("id")).count()
    given = list(Impression.objects.filter(edition__plate__in=[p.plate for p in all_phones])
                 .values_list("edition", "number"))  # fmt: skip
    assert len(given) == len(set(given)), "a number was given twice"
    return sum(phone.sent for phone in all_phones), stored


def main(seconds: float) -> None:
    """Measure the session first, then the press, at the same pace and concurrency."""
    all_phones = phones()
    at_once(bare, all_phones, WARM_SECONDS)
    alone = at_once(bare, all_phones, min(seconds, 40.0))
    pressed = at_once(printing, all_phones, seconds)
    sent, stored = lost(all_phones)
    failed = [each for phone in all_phones for each in phone.failed]
    print(f"sent {sent} events, stored {stored}, refused {len(failed)} {failed[:2]}")
    print(f"a bare SELECT p95 {alone * 1000:.0f} ms, a touch {pressed * 1000:.0f} ms")
    print(f"ratio {pressed / alone:.2f} (at most 3)")


if __name__ == "__main__":
    django.setup()
    main(float(sys.argv[1]) if len(sys.argv) > 1 else 120.0)
