"""Answers of the API while three tasks draw the maps of a 40 × 50 cm plate at 600 dpi.

Needs a running ``./keen start --detach`` with its worker, and the demo room.
"""

from __future__ import annotations

import json
import sys
import urllib.request
import uuid
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent))

import serving
from serving import HOST, p95_ms, signed_in

MAPS = 3
GIVEN = {"tones_lstar": [92, 80, 66, 52, 38, 24], "lightest_lstar": 94, "darkest_lstar": 20,
         "width_mm": 533, "height_mm": 400, "dpi": 600}  # fmt: skip


def ask(opener: urllib.request.OpenerDirector, path: str, body: dict) -> dict:
    """Send JSON; return the answer."""
    jar = next(h.cookiejar for h in opener.handlers if hasattr(h, "cookiejar"))
    token = next(c.value for c in jar if c.name == "keen_csrf")
    headers = {"X-CSRFToken": token, "Content-Type": "application/json"}
    sent = urllib.request.Request(HOST + path, json.dumps(body).encode(), headers)
    return json.loads(opener.open(sent).read())


if __name__ == "__main__":
    serving.RATE, serving.REQUESTS = (int(sys.argv[1]) if len(sys.argv) > 1 else 5), 60
    opener = signed_in()
    me = json.loads(opener.open(f"{HOST}/api/session").read())["me"]
    room = f"/api/rooms/{me['rooms'][0]['id']}"
    plates = json.loads(opener.open(f"{HOST}{room}/plates").read())["items"]
    plate = next(each for each in plates if each["name"] == "Lantern Row")["id"]
    study = json.loads(opener.open(f"{HOST}{room}/plates/{plate}/study").read())
    paths = {"session": "/api/session", "bench": f"{room}/bench"}
    idle = {name: p95_ms(opener, path) for name, path in paths.items()}
    tasks = [
        ask(opener, f"{room}/maps", {
            "id": str(uuid.uuid4()), "picture": study["sketches"][0]["picture"],
            "given": GIVEN | {"smooth_mm": 1.0 + n / 10}})["id"]
        for n in range(MAPS)
    ]  # fmt: skip
    for name, path in paths.items():
        busy = p95_ms(opener, path)
        print(f"{name}: {busy / idle[name]:.1f} times idle ({busy:.0f} over {idle[name]:.0f} ms)")
    states = [json.loads(opener.open(f"{HOST}{room}/tasks/{t}").read())["state"] for t in tasks]
    print("tasks:", ", ".join(states))
