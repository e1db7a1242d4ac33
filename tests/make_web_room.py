"""The demo room's answers, for the front end's tests: what the server really says, kept as JSON.

Run with the demo served: ``python -m tests.make_web_room``. ``tests/server/test_web_room.py`` holds
their form to what the server says now.
"""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

KEPT = Path(__file__).parents[1] / "web" / "src" / "testing" / "room.gen.json"
PARTS = ("tones", "lines", "spit-bite")
CALCULATORS = ("bevel", "cleaning-order", "plan-bites")
PUT_IN = (
    ("copper",), ("copper", "drypoint"), ("zinc",), ("zinc", "drypoint"),
    ("zinc", "drypoint", "etched line"), ("plastic",), ("plastic", "drypoint"), ("polymer",),
    ("polymer", "drypoint"),
)  # fmt: skip
"""Materials of plates with the routes that are tapped on them."""


def answers(client: Any, room: str) -> dict[str, Any]:
    """Return what the server answers to each address a screen asks for.

    Parameters
    ----------
    client
        A signed-in Django test client.
    room
        The room's id.
    """
    told: dict[str, Any] = {}

    def ask(path: str) -> Any:
        reply = client.get(path)
        if reply.status_code == 200:
            told[path] = reply.json()
        return told.get(path)

    for material, *routes in PUT_IN:
        given = {"material": material, "routes": routes, "thickness_mm": 1.2}
        size = {"width_mm": 200, "height_mm": 150}
        reply = client.post("/api/calc/put-in", given | size, content_type="application/json")
        told[f"/api/calc/put-in {' '.join((material, *routes))}"] = reply.json()
    here = f"/api/rooms/{room}"
    for path in ("/api/session", "/api/mordants", "/api/calc", "/api/clock"):
        ask(path)
    for name in CALCULATORS:
        ask(f"/api/calc/{name}/schema")
    for noun in ("bench", "record?search=&page=1", "members", "timers", "shop-book", "recipes"):
        ask(f"{here}/{noun}")
    for noun in ("tools", "supplies", "papers", "inks", "presses", "links", "plates?put_away=true"):
        ask(f"{here}/{noun}")
    first, second, *_ = (each["id"] for each in ask(f"{here}/strips/wall")["items"])
    ask(f"{here}/strips/{first}/beside/{second}")
    for bath in ask(f"{here}/baths")["items"]:
        ask(f"{here}/baths/{bath['id']}")
        ask(f"{here}/baths/{bath['id']}/readings")
        ask(f"{here}/baths/{bath['id']}/checks")
        ask(f"{here}/baths/{bath['id']}/page")
        if bath["room_c"] is not None:
            ask(f"{here}/baths/{bath['id']}/heat?minutes=60&room_c={bath['room_c']:g}")
    for noun in ("baths/shelf", "instruments"):
        ask(f"{here}/{noun}")
    for noun in ("lamps", "charts", "plate-signs"):
        ask(f"{here}/{noun}")
    for test in ask(f"{here}/exposure-tests")["items"]:
        ask(f"{here}/exposure-tests/{test['id']}")
    for exposure in ask(f"{here}/exposures")["items"]:
        ask(f"{here}/exposures?plate={exposure['plate']}")
        ask(f"{here}/exposures/{exposure['id']}")
    for work in ask(f"{here}/works")["items"]:
        ask(f"{here}/works/{work['id']}")
        for kind in ("overprint", "read-print", "stencils", "traced-drawing", "press-template"):
            ask(f"{here}/tasks?about={work['id']}&kind={kind}")
    for strip in ask(f"{here}/strips")["items"]:
        ask(f"{here}/strips/{strip['id']}")
    for plate in ask(f"{here}/plates")["items"]:
        at = f"{here}/plates/{plate['id']}"
        ask(at)
        ask(f"{at}/course")
        ask(f"{at}/study")
        ask(f"{here}/tasks?about={plate['id']}&kind=study-field")
        ask(f"{here}/proofs?plate={plate['id']}")
        if plate["by_needle"]:
            marks = ask(f"{at}/marks")
            ask(f"{at}/wear")
            ask(f"{at}/hatch?lstar={marks['lstar']:g}&pressure={marks['pressure']}")
        for page in ("press", "edition", "paper"):
            ask(f"{at}/{page}")
        for part in PARTS:
            ask(f"{at}/plan?part={part}")
        if plate["run"]:
            ask(f"{here}/runs/{plate['run']['id']}")
    return told


def form_of(value: Any) -> Any:
    """Return the form of an answer: its keys, and of a list what its rows have in all."""
    if isinstance(value, dict):
        return {key: form_of(each) for key, each in sorted(value.items())}
    if isinstance(value, list):
        rows = [form_of(each) for each in value]
        return [row for i, row in enumerate(rows) if row not in rows[:i]][:3]
    return type(value).__name__


if __name__ == "__main__":
    import os
    import time

    import django

    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")
    django.setup()
    from django.conf import settings
    from django.db import transaction
    from django.test import Client

    from server.accounts.models import User
    from server.demo.room import ROOM_ID, fresh

    settings.ALLOWED_HOSTS = ["*"]
    with transaction.atomic():
        fresh(time.time())  # what takes long in it is reckoned once
        fresh(time.time())  # so that little time has gone by when the room is asked
        client = Client()
        client.force_login(
            User.objects.get(sign_in="keeper@lantern-quay"),
            backend="django.contrib.auth.backends.ModelBackend",
        )
        KEPT.write_text(json.dumps(answers(client, str(ROOM_ID)), ensure_ascii=False) + "\n")
        transaction.set_rollback(True)
