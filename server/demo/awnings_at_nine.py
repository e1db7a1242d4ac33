"""Awnings at Nine: four plates of one print, proofed twice; the blue one lies off."""

from __future__ import annotations

import uuid
from datetime import datetime, timedelta
from typing import Any

from core.layers.mark_places import mark_places
from server.accounts.models import User
from server.courses.actions.begin import begin_course
from server.demo.awnings_pictures import INKS, SIZE_MM, plate_picture, proof_scan
from server.demo.done_here import done_here
from server.demo.store import keep_drawn
from server.demo.tablet import MakeId, WorkTablet
from server.demo.when import at_work
from server.plates.models import Plate
from server.record.actions.write import told_from
from server.rooms.models import Room
from server.shopbook.actions.supplies import keep_ink
from server.shopbook.schemas import InkIn
from server.works.actions.ask import ask_for_preview, ask_to_read_sheet
from server.works.actions.keep import begin_work, keep_work
from server.works.models import Layering
from server.works.schemas import AskIn, LayerDecided, SheetReadIn, WorkBegin, WorkIn

NAME = "Awnings at Nine"
STATES = {"Ochre": 2, "Blue": 3, "Grey": 1, "Key": 2}
OFF = (("Ochre", 0.1, 0.05), ("Blue", 0.6, 0.3), ("Grey", -0.1, 0.15))
ROMAN = {1: "I", 2: "II", 3: "III"}
WET = (282.6, 230.7)
"""Of the damp sheet, as the first colour was printed [mm]."""


def load_awnings_at_nine(room: Room, user: User, now: datetime, make_id: MakeId) -> None:
    """Load the three colour plates, the work, two proofs and the reading of the second."""
    past = at_work(now)
    with told_from(past - timedelta(days=13), timedelta(minutes=8)):
        inks = _inks(room, user, make_id)
    layers = [
        LayerDecided(
            id=make_id(f"awnings layer {name}"), name=name, plate=_plate(room, name, now, make_id),
            ink=inks[name], key=name == "Key", lets_through=lets,
            picture=keep_drawn(user, room, make_id(f"awnings {name}"), f"{name.lower()}.png",
                               plate_picture(name)),
        )
        for name, (_, lets) in INKS.items()
    ]  # fmt: skip
    with told_from(past - timedelta(days=12), timedelta(minutes=25)):
        work = begin_work(user, room.id, WorkBegin(
            id=make_id(NAME), name=NAME, width_mm=SIZE_MM[0], height_mm=SIZE_MM[1],
        ))  # fmt: skip
        work = keep_work(user, room.id, work.id, WorkIn(
            version=work.version, name=NAME, width_mm=SIZE_MM[0], height_mm=SIZE_MM[1],
            layers=layers, sheet_width_mm=280, sheet_height_mm=230, size=12,
        ))  # fmt: skip
    Layering.objects.filter(id=work.id).update(created_at=past - timedelta(days=12))
    work.refresh_from_db()
    done_here(ask_for_preview(user, room.id, work.id, AskIn(id=make_id("awnings preview"))))
    tablet = WorkTablet(user, work, NAME, now, make_id)
    _proof(tablet, layers, past - timedelta(days=4, hours=3), "first proof")
    second = _proof(tablet, layers, past - timedelta(days=1, hours=4), "second proof")
    _read(room, user, work, tablet, layers, second, now, make_id)


def _inks(room: Room, user: User, make_id: MakeId) -> dict[str, uuid.UUID]:
    names = {"Ochre": "Awning ochre", "Blue": "River blue", "Grey": "Counter grey",
             "Key": "Blue-black"}  # fmt: skip
    for name, label in names.items():
        lab, lets = INKS[name]
        keep_ink(user, room.id, InkIn.model_validate({
            "id": make_id(label), "name": label, "stiffness": "soft", "transparency": lets,
            "swatch_lab": list(lab),
            "parts": [{"name": label.lower(), "role": "pigment", "parts": 1},
                      {"name": "extender", "role": "medium", "parts": 1}],
        }))  # fmt: skip
    return {name: make_id(label) for name, label in names.items()}


def _plate(room: Room, name: str, now: datetime, make_id: MakeId) -> uuid.UUID:
    """Return the plate of a colour; the key is Rain on Awnings, which is there already."""
    if name == "Key":
        return make_id("Rain on Awnings")
    plate = Plate.objects.create(
        id=make_id(f"Awnings: {name}"), room=room, name=f"Awnings: {name}", metal="zinc",
        route="aquatint", thickness_mm=1.5, width_mm=SIZE_MM[0], height_mm=SIZE_MM[1],
        place="resting", place_note="for Awnings at Nine", state_number=STATES[name],
        facts={"face_marked": True},
    )  # fmt: skip
    begin_course(plate, {"prepare": "bevelled", "image": "traced from the key", "ground": "rosin",
                         "plan": "two tones", "bite": "bitten, stripped"})  # fmt: skip
    Plate.objects.filter(id=plate.id).update(created_at=now - timedelta(days=14))
    return plate.id


def _proof(tablet: WorkTablet, layers: list[LayerDecided], begin: datetime, name: str) -> uuid.UUID:
    """Print all layers on one sheet, damped once."""
    sheet = tablet.log("sheet-begun", begin, name=name, sheet_mm=[280, 230])
    for n, layer in enumerate(layers):
        state = f"State {ROMAN[STATES[layer.name]]}"
        tablet.log(
            "layer-printed", begin + timedelta(minutes=35 * n + 8), sheet=str(sheet),
            layer=str(layer.id), name=layer.name, plate=str(layer.plate), state=state,
            damp="same", sheet_mm=[WET[0] - 0.1 * n, WET[1]],
        )  # fmt: skip
    tablet.log("hung", begin + timedelta(minutes=130), pulls=[str(sheet)], how="blotters", days=2)
    return sheet


def _read(
    room: Room, user: User, work: Layering, tablet: WorkTablet, layers: list[LayerDecided],
    sheet: uuid.UUID, now: datetime, make_id: MakeId,
) -> None:  # fmt: skip
    """Scan the second proof, read it, and keep what its crosses say."""
    names = [layer.name for layer in sorted(layers, key=lambda each: not each.key)]
    _, places = mark_places(SIZE_MM, len(names))
    crosses = tuple((name, tuple(own)) for name, own in zip(names, places, strict=True))
    picture = keep_drawn(user, room, make_id("awnings scan"), "proof.jpg", proof_scan(crosses, OFF))
    task = done_here(ask_to_read_sheet(user, room.id, work.id, SheetReadIn(
        id=make_id("awnings reading"), sheet=sheet, picture=picture,
    )))  # fmt: skip
    answer: dict[str, Any] = task.result or {}
    by_name = {layer.name: layer for layer in layers}
    tablet.log(
        "crosses-read", at_work(now) - timedelta(hours=18), sheet=str(sheet),
        key=str(by_name["Key"].id), by="scan", task=str(task.id),
        layers=[
            {"layer": str(by_name[each["name"]].id), "name": each["name"],
             "crosses": each["crosses"]}
            for each in answer["crosses"]
        ],
    )  # fmt: skip
