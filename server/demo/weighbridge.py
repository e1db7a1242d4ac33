"""The Weighbridge: an aquatint over engraving, two states read off their scans, OK to print."""

from __future__ import annotations

import shutil
import uuid
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import mkdtemp
from typing import Any

from core.calculators import compute
from server.accounts.models import User
from server.demo import pictures, prints
from server.demo.store import keep_drawn
from server.demo.tablet import MakeId, Tablet
from server.demo.when import at_work
from server.plans.actions.keep import keep_plan
from server.plans.schemas import PlanArea, PlanIn
from server.plates.models import Plate
from server.proofs.actions.log import log_proof
from server.proofs.actions.pin import keep_pin
from server.proofs.actions.reading import KIND
from server.proofs.actions.scan import ask_to_read, keep_names, scan_of
from server.proofs.models import Pin
from server.proofs.schemas import PinIn, PinKind, ProofIn, ReadProofIn, ReadTone
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.runs.actions.begin import begin_run
from server.runs.actions.end import end_run
from server.runs.schemas import RunIn
from server.studies.actions.keep import keep_study
from server.studies.field import field_at_once
from server.studies.schemas import SketchIn, StudyIn
from server.tasks.files import write_to
from server.tasks.models import Task

AREAS: tuple[tuple[str, str, float | None], ...] = (
    ("Paper", "lamp, dial, window", None),
    ("Tone 1", "first halo, sacks", 82.0),
    ("Tone 2", "mist, platform", 68.0),
    ("Tone 3", "river, stones", 53.0),
    ("Tone 4", "hut, low sky", 39.0),
    ("Tone 5", "high sky, porter", 27.0),
)
MEANT = [94.0, 82.0, 68.0, 53.0, 39.0, 27.0]
STATES: tuple[tuple[int, int, list[float], str], ...] = (
    (3, 6, [93.0, 81.2, 60.5, 52.6, 37.8, 33.5],
     "Mist too dark, high sky still thin. Burnish the one, bite the other on a new grain."),
    (4, 3, [93.4, 81.6, 66.9, 52.4, 38.6, 27.9], "Wipe with the hand, sky no darker."),
)  # fmt: skip
"""Number, days ago, what each area prints [L*], what was noted."""
DOUBT = 0.5
BEGUN, BETWEEN = timedelta(days=7), timedelta(minutes=15)
WIDTH_MM, HEIGHT_MM = 120.0, 90.0


def load_weighbridge(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load its study, plan and bites, then two proofs read off their scans, with their pins."""
    plate = Plate.objects.get(id=make_id("The Weighbridge"))
    tones = prints.weighbridge_tones()
    study = keep_drawn(
        user, room, make_id("weighbridge study"), "weighbridge.png",
        pictures.value_study(tones, MEANT),
    )  # fmt: skip
    Plate.objects.filter(id=plate.id).update(study_id=study, state_number=2, ok_to_print=False)
    with told_from(at_work(now) - BEGUN - timedelta(hours=3), timedelta(minutes=40)):
        _plan(room, user, plate, tones, make_id)
        made = keep_study(
            user, room.id, plate.id,
            StudyIn(
                id=make_id("weighbridge cut"), strip=make_id("Rosin last week"),
                bath=make_id("Amber tray"), map="as-is", count=len(AREAS), lettering="none",
                sketches=[SketchIn(picture=study, width_mm=WIDTH_MM, height_mm=HEIGHT_MM)],
            ),
        )  # fmt: skip
    field_at_once(made)
    _bites(room, user, plate, now, make_id)
    for number, days, lstars, note in STATES:
        pulled = at_work(now) - timedelta(days=days)
        with told_from(pulled + timedelta(minutes=1)):
            _state(room, user, plate, number, pulled, lstars, note, make_id)
    Plate.objects.filter(id=plate.id).update(place="proof")
    _pins(room, user, now, make_id)


def _plan(room: Room, user: User, plate: Plate, tones: prints.Map, make_id: MakeId) -> None:
    surface = WIDTH_MM * HEIGHT_MM / 100
    areas = [
        PlanArea(name=name, parts=parts, lstar=lstar, open_cm2=round(share * surface, 1))
        for (name, parts, lstar), share in zip(AREAS, pictures.shares(tones), strict=True)
    ]
    given = PlanIn(
        id=make_id("weighbridge plan"), bath=make_id("Amber tray"),
        strip=make_id("Rosin last week"), areas=areas,
    )  # fmt: skip
    keep_plan(user, room.id, plate.id, given)


def _bites(room: Room, user: User, plate: Plate, now: datetime, make_id: MakeId) -> None:
    begin = at_work(now) - BEGUN
    with told_from(begin - timedelta(minutes=4)):
        run = begin_run(user, room.id, RunIn(id=make_id("weighbridge run"), plate=plate.id))
    tablet = Tablet(user, run, now, make_id)
    tablet.log("covered", begin - timedelta(minutes=3), areas=["Paper"])
    tablet.log("temperature", begin - timedelta(minutes=1), celsius=18.0)
    for number in range(len(AREAS) - 1):
        tablet.bite(begin + number * BETWEEN, 0.0)
    with told_from(begin + 5 * BETWEEN):
        end_run(user, room.id, run.id)


def _state(
    room: Room, user: User, plate: Plate, number: int, at: datetime, lstars: list[float],
    note: str, make_id: MakeId,
) -> None:  # fmt: skip
    drawn = prints.proof_scan(prints.weighbridge_tones(), lstars, number)
    picture = keep_drawn(
        user, room, make_id(f"weighbridge scan {number}"), f"state-{number}.jpg", drawn
    )
    task = _read(room, user, plate, picture, make_id(f"weighbridge reading {number}"))
    read: list[dict[str, Any]] = (task.result or {})["areas"]
    tones = [
        ReadTone(area=a["name"], read_lstar=a["lstar"], spread=max(DOUBT, a["doubt"] or 1.0))
        for a in read
        if a["lstar"] is not None
    ]
    proof = ProofIn(
        id=make_id(f"weighbridge state {number}"), plate=plate.id, picture=picture, pulled_at=at,
        paper="soft cotton, 280 g/m²", soak_minutes=40, ink="black, a quarter medium",
        wipe="gauze, then hand", pressure="felt pair, firm", passes=2, note=note, tones=tones,
        reading=task.id, foul_bite=False, ok_to_print=number == STATES[-1][0],
    )  # fmt: skip
    log_proof(user, room.id, proof)


def _read(room: Room, user: User, plate: Plate, picture: uuid.UUID, task_id: uuid.UUID) -> Task:
    """Return the reading of a scan, done without a worker: the demo is set up by code."""
    task = ask_to_read(user, room.id, ReadProofIn(id=task_id, plate=plate.id, picture=picture))
    given = scan_of(task)
    answer, folder = _once(_pinned(given), str(given["image"]), str(given["labels"]))
    shutil.copytree(folder, write_to(task), dirs_exist_ok=True)
    task.result = dict(answer)
    keep_names(task)
    task.state, task.progress = "done", 1.0
    task.save()
    return task


def _pinned(given: dict[str, Any]) -> tuple[Any, ...]:
    areas = tuple(
        (area["name"], tuple(area["labels"]), area["expected_lstar"]) for area in given["areas"]
    )
    size = Path(given["image"]).stat().st_size
    return (areas, given["width_mm"], given["height_mm"], size)


_DONE: dict[tuple[Any, ...], tuple[dict[str, Any], str]] = {}


def _once(key: tuple[Any, ...], image: str, labels: str) -> tuple[dict[str, Any], str]:
    """Return what a scan reads, and where it is laid straight; the same scan is read once."""
    if key not in _DONE:
        areas, width_mm, height_mm, _ = key
        folder = mkdtemp(prefix="keen-demo-")
        answer = compute(KIND, {
            "image": image, "labels": labels, "width_mm": width_mm, "height_mm": height_mm,
            "areas": [
                {"name": name, "labels": list(own), "expected_lstar": tone}
                for name, own, tone in areas
            ],
            "write": folder,
        })  # fmt: skip
        _DONE[key] = answer.model_dump(mode="json"), folder
    return _DONE[key]


def _pins(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Pin what State III asked for; State IV answered two of three."""
    proof = make_id("weighbridge state 3")
    pins: tuple[tuple[PinKind, str, float, float, bool], ...] = (
        ("lighter", "mist round the lamp", 72.0, 30.0, True),
        ("darker", "high sky", 20.0, 10.0, True),
        ("missing line", "spokes of the wheel", 86.0, 68.0, False),
    )
    for number, (kind, text, x_mm, y_mm, done) in enumerate(pins, start=1):
        given = PinIn(id=make_id(f"pin {number}"), proof=proof, kind=kind, text=text, x_mm=x_mm,
                      y_mm=y_mm)  # fmt: skip
        at = at_work(now) - timedelta(days=6) + timedelta(minutes=40 + number)
        with told_from(at):
            pin = keep_pin(user, room.id, given)
        if done:
            again = given.model_copy(update={"version": pin.version, "done": True})
            with told_from(at + timedelta(days=3)):
                keep_pin(user, room.id, again)
        Pin.objects.filter(id=pin.id).update(created_at=at)
