"""Closing Time at the press: its OK with a condition, its wipe map, 11 of 20 with readings."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

import numpy as np

from core.tone.lightness import lightness_from_density
from server.accounts.models import User
from server.demo.tablet import MakeId, PressTablet
from server.demo.when import hour_of
from server.editions.actions.keep import keep_edition
from server.editions.schemas import EditionIn
from server.plates.models import Plate
from server.proofs.actions.approve import approve
from server.proofs.actions.log import log_proof
from server.proofs.models import Approval, Proof
from server.proofs.schemas import ApprovalIn, ProofIn
from server.pulls.models import Pulls
from server.pulls.printing import keep_printing, pulls_row
from server.pulls.schemas import PrintingIn
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.shopbook.actions.presses import keep_press
from server.shopbook.actions.supplies import keep_ink, keep_paper
from server.shopbook.schemas import InkIn, PaperKindIn, PressIn

WIPES = ("gauze 2 min", "paper 1 min", "hand, chalk")
LINE, BURR, LIFE = 0.86, 0.11, 14.0
"""The made-up plate: what its lines and its burr hold, and how long the burr lasts."""
OK_DAYS = 9
DAYS: tuple[tuple[int, float, tuple[str, ...]], ...] = (
    (4, 9.5, ("edition", "edition", "edition", "spoiled", "edition", "artist", "edition",
              "edition")),
    (3, 9.6, ("edition", "edition", "spoiled", "edition", "edition", "artist")),
)  # fmt: skip
"""Days ago, hour of the first pull, what each became; no. 11 is of today."""
EVERY = timedelta(minutes=26)
NOTES = {2: "lamp a little grey", 8: "fresh blotter"}
WHY = "paper crept, creased"
PATCHES: tuple[dict[str, Any], ...] = (
    {"kind": "leave", "name": "the sky",
     "points": [[0, 0], [180, 0], [180, 24], [128, 20], [112, 10], [60, 18], [0, 26]]},
    {"kind": "bright", "name": "the lamp",
     "points": [[134, 31], [142, 27], [151, 28], [159, 33], [163, 42], [160, 53], [153, 60],
                [143, 61], [134, 56], [130, 47], [130, 38]]},
    {"kind": "bright", "name": "the light on the ground",
     "points": [[124, 97], [150, 91], [178, 98], [170, 109], [130, 109]]},
    {"kind": "leave", "name": "the near stones",
     "points": [[0, 117], [90, 122], [180, 116], [180, 130], [0, 130]]},
)  # fmt: skip
"""As it prints, in mm."""


@dataclass
class _Press:
    """The press while the demo prints: the phone, the paper, how worn the plate is."""

    phone: PressTablet
    ink: str
    paper: str
    stray: np.random.Generator
    pulled: int = 0


def load_closing_edition(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Store what Closing Time is printed with, its OK, and its edition to 11 of 20."""
    plate = Plate.objects.get(id=make_id("Closing Time"))
    with told_from(hour_of(now, OK_DAYS + 1, 10), timedelta(minutes=6)):
        named = _shop(room, user, make_id)
        keep_printing(user, room.id, plate.id, PrintingIn(
            version=0, **named, wipes=list(WIPES), margin_mm=50, depth_um=35, drying="blotters",
        ))  # fmt: skip
    Pulls.objects.filter(id=pulls_row(room, plate).id).update(created_at=now - timedelta(days=30))
    phone = PressTablet(user, pulls_row(room, plate), plate.name, now, make_id)
    press = _Press(phone, str(named["ink"]), str(named["paper"]), np.random.default_rng(1))
    at = hour_of(now, OK_DAYS, 15.0)
    phone.log("press-set", at - timedelta(hours=1), quarters=7, passes=1, press=str(named["press"]))
    _one(press, at, "trial", _paper_in(press, at - timedelta(minutes=50), 1))
    phone.log("plate-cleaned", at + timedelta(minutes=15))
    _approve(room, user, plate, at, make_id)
    phone.log("wipe-mapped", at + timedelta(minutes=50), patches=list(PATCHES))
    wanted = EditionIn(version=0, size=20, artist_proofs=2, printer_proofs=1, wear_area="Shutter")
    with told_from(at + timedelta(hours=1)):
        keep_edition(user, room.id, plate.id, wanted)
    for days, hour, become in DAYS:
        _day(press, hour_of(now, days, hour), become)
    _today(press, now)


def _shop(room: Room, user: User, make_id: MakeId) -> dict[str, Any]:
    """Keep two papers, two inks and two presses; return those of Closing Time."""
    soft = PaperKindIn(id=make_id("soft cotton"), name="Soft cotton 280", school="soft-soak",
                       sheets=3, note="blotters between, the felt side prints warmer")  # fmt: skip
    hard = PaperKindIn(id=make_id("hard cotton"), name="Hard cotton 300", school="hard-soak",
                       g_per_m2=300, sheets=8)  # fmt: skip
    for paper in (soft, hard):
        keep_paper(user, room.id, paper)
    black = InkIn.model_validate({
        "id": make_id("lamp black"), "name": "Lamp black", "warm_c": 31, "stiffness": "middle",
        "parts": [{"name": "black", "role": "pigment", "parts": 4},
                  {"name": "medium", "role": "medium", "parts": 1}],
        "swatch_lab": [17.2, 0.8, 1.4],
    })  # fmt: skip
    ochre = InkIn.model_validate({
        "id": make_id("quay ochre"), "name": "Quay ochre", "stiffness": "soft",
        "transparency": 0.2, "swatch_lab": [62.0, 14.5, 48.0],
        "parts": [{"name": "ochre", "role": "pigment", "parts": 3},
                  {"name": "clear base", "role": "base", "parts": 2}],
    })  # fmt: skip
    for ink in (black, ochre):
        keep_ink(user, room.id, ink)
    long_bed = PressIn.model_validate({
        "id": make_id("long bed"), "name": "Long bed", "quarters": 7, "bed_width_mm": 600,
        "bed_length_mm": 1200, "speed": "a turn of the wheel in four seconds",
        "blankets": [{"name": "thin felt", "new_on": "2026-05-04"},
                     {"name": "soft felt", "new_on": "2025-10-12"},
                     {"name": "dense felt", "new_on": "2025-10-12"}],
    })  # fmt: skip
    roller = PressIn.model_validate({
        "id": make_id("craft roller"), "name": "Craft roller", "read_by": "gap", "quarters": 3,
        "bed_width_mm": 150, "blankets": [{"name": "two sheets of card"}],
    })  # fmt: skip
    for press in (long_bed, roller):
        keep_press(user, room.id, press)
    return {"paper": soft.id, "ink": black.id, "press": long_bed.id}


def _approve(room: Room, user: User, plate: Plate, at: datetime, make_id: MakeId) -> None:
    """Hang the OK on its line, with the condition it carries."""
    tones = [("Sky", 30.0), ("Shutter", _tone(1)), ("Counter, under", 20.0), ("Stones", 66.0)]
    proof = log_proof(user, room.id, ProofIn.model_validate({
        "id": make_id("closing ok"), "plate": plate.id, "picture": plate.study_id,
        "pulled_at": at, "soak_minutes": 45, "paper": "Soft cotton 280", "ink": "Lamp black",
        "wipe": ", ".join(WIPES), "pressure": "1¾ turns from contact", "same_state": True,
        "tones": [{"area": name, "read_lstar": tone, "spread": 0.6} for name, tone in tones],
    }))  # fmt: skip
    said = ApprovalIn(id=make_id("closing approval"), said_by="artist", area="Sky",
                      condition="the sky stays dark")  # fmt: skip
    with told_from(at + timedelta(minutes=40)):
        approve(user, room.id, proof.id, said)
    Proof.objects.filter(id=proof.id).update(created_at=at)
    Approval.objects.filter(id=said.id).update(at=at + timedelta(minutes=40))


def _tone(pull: int) -> float:
    """Return what the shutter prints at a pull [L*]."""
    density = LINE + BURR * np.exp(-pull / LIFE)
    return round(float(lightness_from_density(density)), 1)


def _paper_in(press: _Press, at: datetime, pieces: int) -> uuid.UUID:
    return press.phone.log(
        "paper-in", at, paper=press.paper, name="Soft cotton 280", pieces=pieces,
        school="soft-soak", ready_seconds=1200, latest_seconds=7200, whose="printer",
    )  # fmt: skip


def _day(press: _Press, first: datetime, become: tuple[str, ...]) -> None:
    """Print a day: paper in two lots, each pull signed, all hung and the plate cleaned after."""
    hung, papers = [], list[uuid.UUID]()
    for number, what in enumerate(become):
        at = first + EVERY * number
        if number % 4 == 0:
            papers.append(_paper_in(press, at - timedelta(minutes=45), 4))
        hung.append(str(_one(press, at, what, papers[-1])))
    last = first + EVERY * len(become)
    for batch in papers[1:]:
        press.phone.log("paper-out", last, batch=str(batch))
    press.phone.log("hung", last, pulls=hung, how="blotters", days=2)
    press.phone.log("plate-cleaned", last + timedelta(minutes=5))


def _one(press: _Press, at: datetime, what: str, paper: uuid.UUID) -> uuid.UUID:
    """Pull one impression, read it, and sign it as what it is."""
    phone = press.phone
    pull = phone.pull(at, WIPES, press.ink, paper)
    press.pulled += 1
    if what == "spoiled":
        phone.log("spoiled", at + timedelta(minutes=2), pull=str(pull), reason=WHY)
        return pull
    off = [0.5 * press.stray.normal() for _ in range(2)]
    areas = [
        {"name": "Shutter", "lstar": round(_tone(press.pulled) + off[0], 1), "spread": 0.6},
        {"name": "Sky", "lstar": round(30.6 + off[1], 1), "spread": 0.6},
    ]
    phone.log("pull-read", at + timedelta(minutes=4), pull=str(pull), areas=areas)
    phone.log("signed", at + timedelta(minutes=5), pull=str(pull), series=what)
    if press.pulled in NOTES:
        phone.log("pull-noted", at + timedelta(minutes=6), pull=str(pull),
                  text=NOTES[press.pulled])  # fmt: skip
    return pull


def _today(press: _Press, now: datetime) -> None:
    """Pull no. 11 today; three pieces lie in the tray with their clock."""
    paper = _paper_in(press, now - timedelta(minutes=48), 4)
    pull = _one(press, now - timedelta(minutes=12), "edition", paper)
    press.phone.log("hung", now - timedelta(minutes=5), pulls=[str(pull)], how="blotters", days=2)
    press.phone.log("plate-cleaned", now - timedelta(minutes=3))
