"""Two hundred instruments that send: is anything lost or doubled, and does the bench stay quick?

Run with the demo served: ``python -m benchmarks.instruments [seconds]``. Each instrument sends a
batch of ten readings every ten seconds; every twentieth batch is sent twice, as by a line that
swallowed the answer. The bench is asked for before and meanwhile, once every half second.
"""

from __future__ import annotations

import asyncio
import os
import statistics
import sys
import time
import uuid
from datetime import UTC, datetime, timedelta
from http.cookiejar import CookieJar
from urllib.request import HTTPCookieProcessor, Request, build_opener

import django

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")

COUNT, EVERY_SECONDS, IN_A_BATCH = 200, 10.0, 10
TWICE_EVERY = 20
ASK_EVERY_SECONDS = 0.5
WARM_SECONDS = 12.0
BASE = "http://127.0.0.1:8000"


def made() -> list[tuple[uuid.UUID, str]]:
    """Make the instruments, as the keeper of the demo; return ids and tokens."""
    from server.accounts.models import User
    from server.baths.models import Bath
    from server.demo.room import ROOM_ID
    from server.instruments.actions.keep import make_instrument
    from server.instruments.schemas import InstrumentIn

    keeper = User.objects.get(sign_in="keeper@lantern-quay")
    baths = list(Bath.objects.filter(room_id=ROOM_ID, retired=False))
    found = []
    for place in range(COUNT):
        given = InstrumentIn(
            id=uuid.uuid4(), name=f"Load {place}", kind="bath-probe",
            bath=baths[place % len(baths)].id,
        )  # fmt: skip
        instrument, token = make_instrument(keeper, ROOM_ID, given)
        found.append((instrument.id, token))
    return found


def batch(now: datetime, celsius: float) -> dict[str, object]:
    """Return ten readings of the last ten seconds."""
    return {
        "readings": [
            {"id": str(uuid.uuid4()), "kind": "temperature", "value": round(celsius, 2),
             "at": (now - timedelta(seconds=IN_A_BATCH - i)).isoformat()}
            for i in range(IN_A_BATCH)
        ]
    }  # fmt: skip


def post(token: str, body: dict[str, object]) -> int:
    """Send one call; return its status."""
    import json
    from urllib.error import HTTPError

    request = Request(
        f"{BASE}/api/instruments/readings", data=json.dumps(body).encode(),
        headers={"Authorization": f"Bearer {token}", "Content-Type": "application/json"},
    )  # fmt: skip
    try:
        with build_opener().open(request, timeout=30) as reply:
            return int(reply.status)
    except HTTPError as error:
        return error.code


async def one(place: int, token: str, until: float) -> tuple[int, list[int]]:
    """Send a batch every ten seconds; return how many readings were sent, and the statuses."""
    sent, statuses, number = 0, [], 0
    await asyncio.sleep(EVERY_SECONDS * place / COUNT)
    while time.monotonic() < until:
        begun = time.monotonic()
        body = batch(datetime.now(UTC), 18.0 + 0.2 * (number % 5))
        for _ in range(2 if (place + number) % TWICE_EVERY == 0 else 1):
            statuses.append(await asyncio.to_thread(post, token, body))
        sent, number = sent + IN_A_BATCH, number + 1
        await asyncio.sleep(max(0.0, EVERY_SECONDS - (time.monotonic() - begun)))
    return sent, statuses


def signed_in() -> tuple[object, str]:
    """Return an opener with the keeper's session, and the room's address."""
    import json

    jar = CookieJar()
    opener = build_opener(HTTPCookieProcessor(jar))
    opener.open(f"{BASE}/api/session").read()
    token = next(cookie.value for cookie in jar if "csrf" in cookie.name)
    body = json.dumps({"sign_in": "keeper@lantern-quay", "password": "lantern-quay"}).encode()
    opener.open(Request(f"{BASE}/api/session", data=body, headers={
        "Content-Type": "application/json", "X-CSRFToken": str(token)})).read()  # fmt: skip
    told = json.load(opener.open(f"{BASE}/api/session"))
    return opener, f"{BASE}/api/rooms/{told['me']['rooms'][0]['id']}/bench"


async def asked(until: float) -> list[float]:
    """Ask for the bench every half second; return how long each took [s]."""
    opener, address = signed_in()
    took = []
    while time.monotonic() < until:
        begun = time.monotonic()
        await asyncio.to_thread(lambda: opener.open(address).read())  # type: ignore[attr-defined]
        took.append(time.monotonic() - begun)
        await asyncio.sleep(max(0.0, ASK_EVERY_SECONDS - took[-1]))
    return took


def p95(took: list[float]) -> float:
    """Return the time that 19 in 20 stay under."""
    return statistics.quantiles(took, n=20)[-1]


async def both(tokens: list[tuple[uuid.UUID, str]], seconds: float) -> None:
    """Measure without the instruments, then with them; count what came in."""
    from asgiref.sync import sync_to_async

    loop = asyncio.get_running_loop()
    from concurrent.futures import ThreadPoolExecutor

    loop.set_default_executor(ThreadPoolExecutor(64))
    await asked(time.monotonic() + WARM_SECONDS)
    alone = await asked(time.monotonic() + min(seconds, 40.0))
    until = time.monotonic() + seconds
    busy, *sent = await asyncio.gather(
        asked(until), *(one(place, token, until) for place, (_, token) in enumerate(tokens))
    )
    total = sum(count for count, _ in sent)
    statuses = [status for _, each in sent for status in each]
    stored = await sync_to_async(count_stored)([key for key, _ in tokens])
    print(f"sent {total} readings in {len(statuses)} calls, stored {stored}")
    print(f"calls refused: {sum(status != 200 for status in statuses)}")
    print(f"bench p95 alone {p95(alone) * 1000:.0f} ms, meanwhile {p95(busy) * 1000:.0f} ms")
    print(f"ratio {p95(busy) / p95(alone):.2f} (at most 2)")


def count_stored(instruments: list[uuid.UUID]) -> int:
    """Return how many readings of the instruments are kept, and take the instruments away."""
    from server.instruments.models import Instrument, InstrumentReading

    stored = InstrumentReading.objects.filter(instrument__in=instruments).count()
    Instrument.objects.filter(id__in=instruments).delete()
    return stored


if __name__ == "__main__":
    django.setup()
    asyncio.run(both(made(), float(sys.argv[1]) if len(sys.argv) > 1 else 120.0))
