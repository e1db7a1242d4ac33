"""The demo print room: people as roles, baths, strips and six plates of an evening market."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

from django.db import connection, transaction

from core.kinetics.shapes import Conditions
from server.accounts.models import User
from server.baths.actions.keep import begin_readings
from server.baths.models import Bath
from server.courses.actions.begin import begin_course
from server.demo.awnings_at_nine import load_awnings_at_nine
from server.demo.bath_history import load_bath_history
from server.demo.berry_punnet import load_berry_punnet
from server.demo.closing_time import load_closing_time
from server.demo.lantern_row import load_lantern_row
from server.demo.last_tram import load_last_tram
from server.demo.prints import patches_in, strip_scan
from server.demo.rain_on_awnings import load_rain_on_awnings
from server.demo.shop_book import load_shop_book
from server.demo.steam_stall import load_steam_stall
from server.demo.store import keep_drawn
from server.demo.umbrellas import load_paper_umbrellas
from server.demo.weighbridge import load_weighbridge
from server.demo.weighbridge_marks import load_weighbridge_marks
from server.demo.when import ZONE, at_work
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Membership, Room
from server.strips.actions.keep import make_strip
from server.strips.models import Strip
from server.strips.schemas import StripIn, StripPatch

SPACE = uuid.UUID("5d0c2f0e-6f0a-4c0b-9c55-7a1f9b6a2e01")
ROOM_ID = uuid.uuid5(SPACE, "room")
PASSWORD = "lantern-quay"  # noqa: S105 (works on loopback only)
PEOPLE = (
    ("keeper@lantern-quay", "Keeper", "keeper"),
    ("printer@lantern-quay", "Printer", "printer"),
    ("student@lantern-quay", "Student", "printer"),
)


def make_id(name: str) -> uuid.UUID:
    """Return the demo's own id for a name, the same each time it is loaded."""
    return uuid.uuid5(SPACE, name)


@dataclass(frozen=True)
class DemoRoom:
    """What the plates of the demo are loaded into."""

    room: Room
    keeper: User
    printer: User
    now: datetime


@transaction.atomic
def load(now: datetime) -> Room:
    """Return the freshly loaded demo room, its times as of ``now``; an older one is dropped."""
    drop()
    room = Room.objects.create(
        id=ROOM_ID, name="Lantern Quay Print Room", time_zone=ZONE, is_demo=True
    )
    people = {role: _person(room, sign_in, role, kind) for sign_in, role, kind in PEOPLE}
    here = DemoRoom(room, people["Keeper"], people["Printer"], now)
    _baths(here)
    _strips(here)
    load_bath_history(here.keeper, here.now, make_id)
    _plates(here)
    load_rain_on_awnings(here.room, here.printer, here.now, make_id)
    load_steam_stall(here.room, here.printer, here.now, make_id)
    load_lantern_row(here.room, here.printer, here.now, make_id)
    load_weighbridge(here.room, here.printer, here.now, make_id)
    load_paper_umbrellas(here.room, here.keeper, here.now, make_id)
    load_closing_time(here.room, here.printer, here.now, make_id)
    load_berry_punnet(here.room, here.printer, here.now, make_id)
    load_weighbridge_marks(here.room, here.printer, here.now, make_id)
    load_shop_book(here.room, here.keeper, here.now, make_id)
    load_awnings_at_nine(here.room, here.printer, here.now, make_id)
    load_last_tram(here.room, here.printer, here.now, make_id)
    return room


def drop() -> None:
    """Take the demo room away; its append-only rows go with it, no other room's ever do."""
    with connection.cursor() as cursor:
        cursor.execute("set local keen.demo_reset = 'on'")
    for model in _tables_in_order():
        model.objects.filter(room_id=ROOM_ID).delete()
    Room.objects.filter(id=ROOM_ID).delete()
    with connection.cursor() as cursor:
        cursor.execute("set local keen.demo_reset = 'off'")


def _tables_in_order() -> list[Any]:
    from server.baths.models import BathCheck, BathReading
    from server.courses.models import Course
    from server.editions.models import Edition, Impression
    from server.events.models import Event
    from server.exposures.models import Chart, Exposure, Lamp, Measurement, Test
    from server.files.models import Picture
    from server.instruments.models import Instrument, InstrumentReading
    from server.marks.models import Look, Marks, Trial
    from server.plans.models import Plan
    from server.plates.models import Work
    from server.proofs.models import Approval, Pin, Proof
    from server.pulls.models import Pulls, Sound
    from server.record.models import Entry
    from server.rooms.models import HandLink
    from server.runs.models import Run
    from server.shopbook.models import OwnNumber, Press, Recipe, Supply, Tool
    from server.studies.models import Study
    from server.tasks.models import Task
    from server.timers.models import Timer
    from server.works.models import Layering, SignedSheet

    return [
        Event,
        Entry,
        Task,
        Study,
        Timer,
        OwnNumber,
        Recipe,
        Tool,
        Course,
        Look,
        Marks,
        Trial,
        Impression,
        Edition,
        SignedSheet,
        Layering,
        Sound,
        Pulls,
        Press,
        Approval,
        Pin,
        Proof,
        Exposure,
        Run,
        Plan,
        InstrumentReading,
        Instrument,
        BathCheck,
        BathReading,
        Chart,
        Test,
        Measurement,
        Lamp,
        Strip,
        Supply,
        Bath,
        Plate,
        Work,
        Picture,
        HandLink,
    ]


def _person(room: Room, sign_in: str, name: str, role: str) -> User:
    user = User.objects.filter(sign_in=sign_in).first()
    if user is None:
        user = User.objects.create_user(
            sign_in, PASSWORD, name=name, is_demo=True, id=make_id(sign_in)
        )
    Membership.objects.create(room=room, user=user, role=role)
    return user


def _baths(here: DemoRoom) -> None:
    rows: tuple[dict[str, Any], ...] = (
        {"name": "Amber tray", "mordant": "copper-ferric", "vessel": "tray", "volume_l": 4.0,
         "baume": 42.0, "load_g_per_l": 16.9, "temperature_c": 18.5, "room_c": 18.0,
         "held_copper": True, "width_mm": 300, "length_mm": 400, "height_mm": 90},
        {"name": "Blue tray", "mordant": "zinc-nitric-10", "vessel": "tray", "volume_l": 3.0,
         "load_g_per_l": 4.0, "temperature_c": 18.0, "room_c": 18.0,
         "width_mm": 240, "length_mm": 320, "height_mm": 90},
        {"name": "Grey tank", "mordant": "zinc-copper-sulphate", "vessel": "tank",
         "volume_l": 6.0, "load_g_per_l": 3.0, "temperature_c": 17.5, "room_c": 18.0,
         "held_copper": True, "width_mm": 110, "length_mm": 270, "height_mm": 320},
        {"name": "Brown bottle", "mordant": "copper-ferric", "vessel": "bottle",
         "volume_l": 0.25, "baume": 42.0, "load_g_per_l": 0.0, "temperature_c": 18.0,
         "room_c": 18.0, "held_copper": True},
    )  # fmt: skip
    for row in rows:
        at = here.now - timedelta(minutes=50)
        bath = Bath.objects.create(
            id=make_id(row["name"]), room=here.room, temperature_at=at, **row
        )
        begin_readings(bath, here.keeper, at)


PRINTED = {"paper": "soft cotton, 280 g/m²", "ink": "black, a quarter medium",
           "wipe": "gauze, then hand"}  # fmt: skip
STRIPS: tuple[dict[str, Any], ...] = (
    {"name": "Rosin, old box", "mordant": "copper-ferric", "ground": "rosin dust", "days": 289,
     "conditions": {"temperature_c": 17.0, "load_g_per_l": 22},
     "patches": [(30, 91.3), (60, 87.4), (120, 80.2), (240, 68.8), (480, 54.1), (960, 38.0)],
     "out_reason": "dust box rebuilt since",
     "note": "A coarser dust; the box was rebuilt in March."},
    {"name": "Rosin in spring", "mordant": "copper-ferric", "ground": "rosin dust", "days": 208,
     "conditions": {"temperature_c": 20.5, "load_g_per_l": 3},
     "patches": [(30, 87.2), (60, 80.9), (120, 69.6), (240, 53.1), (480, 36.4), (960, 21.3)],
     "printed": PRINTED, "note": "Fresh bath. Same dust box and box time as now."},
    {"name": "Lines on zinc", "bath": "Blue tray", "mordant": "zinc-nitric-10",
     "ground": "hard ground", "days": 30,
     "conditions": {"temperature_c": 18.5, "load_g_per_l": 2},
     "patches": [(60, 88.0), (180, 79.0), (420, 66.5), (900, 52.0)],
     "lines": [{"seconds": 180, "temperature_c": 18.5, "load_g_per_l": 2, "depth_um": 13,
                "width_um": 78, "needle_um": 50},
               {"seconds": 420, "dips": 2, "temperature_c": 18.5, "load_g_per_l": 2,
                "depth_um": 31, "width_um": 112, "needle_um": 50},
               {"seconds": 900, "dips": 3, "temperature_c": 18.5, "load_g_per_l": 2,
                "depth_um": 65, "width_um": 181, "needle_um": 50}],
     "note": "Parallel needle lines, 1 mm apart; three measured with the loupe."},
    {"name": "Rosin, thumb on it", "bath": "Amber tray", "mordant": "copper-ferric",
     "ground": "rosin dust", "days": 40,
     "conditions": {"temperature_c": 19.5, "load_g_per_l": 9},
     "patches": [(30, 88.0), (60, 82.2), (120, 71.8), (240, 72.5), (480, 39.0), (900, 25.1)],
     "printed": PRINTED, "note": "Stop-out crept into the fourth patch."},
    {"name": "Rosin last week", "bath": "Amber tray", "mordant": "copper-ferric",
     "ground": "rosin dust", "days": 7,
     "conditions": {"temperature_c": 19.0, "load_g_per_l": 14},
     "patches": [(20, 90.4), (40, 86.8), (80, 79.7), (160, 67.3), (320, 50.6), (640, 33.5),
                 (1000, 24.3)],
     "printed": PRINTED, "note": "Read dry, by eye against the grey card."},
)  # fmt: skip


def _strips(here: DemoRoom) -> None:
    for row in STRIPS:
        read = at_work(here.now) - timedelta(days=row["days"])
        given = StripIn(
            id=make_id(row["name"]),
            name=row["name"],
            ground=row["ground"],
            conditions=Conditions(mordant=row["mordant"], **row["conditions"]),
            patches=[StripPatch(seconds=s, lstar=lstar) for s, lstar in row["patches"]],
            read_on=read.date(),
            lines=row.get("lines", []),
            bath=make_id(row["bath"]) if "bath" in row else None,
            note=row["note"],
            **row.get("printed", {}),
        )
        with told_from(read):
            made = make_strip(here.printer, here.room.id, given)
        Strip.objects.filter(id=made.id).update(
            created_at=read, out_reason=row.get("out_reason", "")
        )
    _scan_of_last_week(here)
    _strip_to_bite(here)


def _scan_of_last_week(here: DemoRoom) -> None:
    """Keep the scan beside the strip that was read by eye: where its patches lie is found in it."""
    strip = Strip.objects.get(id=make_id("Rosin last week"))
    data = strip_scan(tuple(patch["lstar"] for patch in strip.patches), 5)
    picture = keep_drawn(here.printer, here.room, make_id("strip scan"), "strip.jpg", data)
    marks = patches_in(data, len(strip.patches))
    Strip.objects.filter(id=strip.id).update(picture_id=picture, marks=marks)


def _strip_to_bite(here: DemoRoom) -> None:
    """Lay out a strip of sprayed dots that waits to be bitten: the ground has no curve yet."""
    given = StripIn(
        id=make_id("Sprayed dots"), name="Sprayed dots", ground="sprayed dots",
        bath=make_id("Amber tray"), planned=[30, 60, 120, 240, 480, 960],
        conditions=Conditions(
            mordant="copper-ferric", temperature_c=18.5, load_g_per_l=17, baume=42
        ),
    )  # fmt: skip
    laid_out = at_work(here.now) - timedelta(days=40)
    with told_from(laid_out):
        made = make_strip(here.printer, here.room.id, given)
    Strip.objects.filter(id=made.id).update(created_at=laid_out)


PLATES: tuple[dict[str, Any], ...] = (
    {"name": "Closing Time", "route": "drypoint", "metal": "plastic", "thickness_mm": 1.0,
     "width_mm": 180, "height_mm": 130, "place": "edition",
     "facts": {"plastic": "acrylic"},
     "state_number": 3, "ok_to_print": True,
     "steps": {"prepare": "edges filed", "image": "under the sheet", "ground": "none needed",
               "plan": "by hand", "bite": "scratched"}},
    {"name": "Paper Umbrellas", "route": "photopolymer", "metal": "polymer", "thickness_mm": 0.95,
     "width_mm": 210, "height_mm": 148, "steps": {"image": "umbrellas, lettering none"}},
    {"name": "The Weighbridge", "route": "mixed", "routes": ["engraving", "aquatint"],
     "metal": "copper", "thickness_mm": 1.6,
     "width_mm": 120, "height_mm": 90, "place": "proof", "state_number": 4, "ok_to_print": True,
     "steps": {"prepare": "bevelled, polished", "image": "traced", "ground": "none needed",
               "plan": "by spacing", "bite": "engraved, burnished aquatint"}},
    {"name": "Berry Punnet", "route": "kitchen table", "metal": "plastic", "thickness_mm": 0.4,
     "width_mm": 120, "height_mm": 90, "place": "proof", "place_note": "one trial printed",
     "facts": {"plastic": "packaging"}, "steps": {"ground": "none needed"}},
)  # fmt: skip


def _plates(here: DemoRoom) -> None:
    for row in PLATES:
        columns = {key: value for key, value in row.items() if key != "steps"}
        plate = Plate.objects.create(id=make_id(row["name"]), room=here.room, **columns)
        begin_course(plate, row["steps"])


def fresh(now_seconds: float) -> Room:
    """Return the demo room loaded as of ``now_seconds`` [s since the epoch]."""
    return load(datetime.fromtimestamp(now_seconds, tz=UTC))
