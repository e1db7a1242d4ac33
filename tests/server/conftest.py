"""Two print rooms that know nothing of each other."""

import io
import json
import time
import uuid

import numpy as np
import pytest
from django.test import Client
from PIL import Image

from server.accounts.models import User
from server.rooms.models import Membership, Room


class Person:
    """A signed-in person who speaks JSON to one room."""

    def __init__(self, sign_in, room, role):
        self.user = User.objects.create_user(sign_in, "a-long-password", name=sign_in)
        self.room = room
        Membership.objects.create(room=room, user=self.user, role=role)
        self.client = Client()
        self.client.force_login(self.user, backend="django.contrib.auth.backends.ModelBackend")

    def ask(self, method, path, body=None, room=None):
        """Return (status, data)."""
        url = f"/api/rooms/{room or self.room.id}{path}"
        reply = self.client.generic(
            method, url, json.dumps(body or {}), content_type="application/json"
        )
        told = not reply.streaming and reply.content and "json" in reply.get("Content-Type", "")
        return reply.status_code, json.loads(reply.content) if told else None

    def must(self, method, path, body=None):
        status, data = self.ask(method, path, body)
        assert status in (200, 201, 202), data
        return data


@pytest.fixture
def keeper(db):
    return Person("keeper-a", Room.objects.create(name="A", time_zone="Europe/Lisbon"), "keeper")


@pytest.fixture
def stranger(db):
    return Person("keeper-b", Room.objects.create(name="B", time_zone="Asia/Tokyo"), "keeper")


PATCHES = [(30, 86.7), (60, 80.1), (120, 69.0), (240, 52.0), (480, 35.0), (960, 21.0)]


def new_id():
    return str(uuid.uuid4())


def furnish(person):
    """Give a room a bath, a strip, a plate with its plan and run; return the ids."""
    kinds = (
        "bath",
        "strip",
        "plate",
        "plan",
        "run",
        "picture",
        "proof",
        "timer",
        "recipe",
        "tool",
        "supply",
        "reading",
        "check",
        "instrument",
        "lamp",
        "exposure",
        "measurement",
        "test",
        "chart",
        "trial",
        "pull",
        "sound",
        "work",
        "layer",
        "sheet",
    )
    ids = {kind: new_id() for kind in kinds}
    person.must("POST", "/baths", {"id": ids["bath"], "name": "Tray", "volume_l": 4,
                                   "mordant": "copper-ferric", "temperature_c": 18.5})  # fmt: skip
    patches = [{"seconds": s, "lstar": v} for s, v in PATCHES]
    person.must("POST", "/strips", {"id": ids["strip"], "name": "Strip", "patches": patches,
                                    "bath": ids["bath"], "planned": [30, 60],
                                    "conditions": {"mordant": "copper-ferric"}})  # fmt: skip
    person.must("POST", "/plates", {"id": ids["plate"], "name": "Plate", "metal": "copper",
                                    "route": "aquatint", "thickness_mm": 1.2, "width_mm": 200,
                                    "height_mm": 150})  # fmt: skip
    person.must("PUT", f"/plates/{ids['plate']}/plan", plan_body(ids))
    person.must("POST", "/runs", {"id": ids["run"], "plate": ids["plate"]})
    return ids


def plan_body(ids, **more):
    areas = [("Paper", None), ("Tone 1", 80), ("Tone 2", 50), ("Tone 3", 30)]
    rows = [{"name": n, "lstar": v, "open_cm2": 60} for n, v in areas]
    return {"id": ids["plan"], "bath": ids["bath"], "strip": ids["strip"], "areas": rows, **more}


class Device:
    """A tablet by the tray; its steady clock starts at 0, its offset is known to 5 ms."""

    def __init__(self, person, run, subjects="runs"):
        self.person, self.run, self.id = person, run, new_id()
        self.subjects = subjects
        self.origin = time.time() * 1000
        self.sequence = 0

    def event(self, kind, at_ms, **data):
        self.sequence += 1
        return {"id": new_id(), "kind": kind, "device": self.id, "sequence": self.sequence,
                "monotonic_ms": at_ms, "offset_ms": self.origin, "offset_spread_ms": 5,
                "data": data}  # fmt: skip

    def bite(self, at_ms, *names):
        """Dip for a minute."""
        dip = self.event("dip", at_ms, open=list(names))
        return self.send(dip, self.event("lift", at_ms + 60_000, dip=dip["id"]))

    def send(self, *events):
        path = f"/{self.subjects}/{self.run}/events"
        return self.person.ask("POST", path, {"events": list(events)})


@pytest.fixture
def furnished(keeper):
    keeper.ids = furnish(keeper)
    keeper.tablet = Device(keeper, keeper.ids["run"])
    return keeper


def picture(kind="JPEG", size=(60, 40), exif=True):
    """A small picture, with a place in its metadata."""
    noise = np.random.default_rng(1).integers(0, 255, (*size[::-1], 3), dtype=np.uint8)
    out = io.BytesIO()
    made = Image.fromarray(noise)
    more = {}
    if exif and kind == "JPEG":
        tags = made.getexif()
        tags[0x010E] = "secret-place"
        more["exif"] = tags
    made.save(out, kind, **more)
    return out.getvalue()
