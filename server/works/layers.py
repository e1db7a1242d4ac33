"""Layers of a work with what prints them: plates of the rack, inks of the shop book."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from typing import Any

from core.data.layers import KINDS_OF_LAYER, TRANSPARENCIES
from core.layers.mark_places import mark_places
from core.limits import within
from core.tone.colour import lab_to_hex
from server.plates.models import Plate
from server.proofs.roman import roman
from server.shopbook.models import Supply
from server.shopbook.reads import ink_facts
from server.works.models import Layering
from server.works.schemas import LayerDecided, LayerOut, WorkDecided

BLACK = (18.0, 0.0, 0.0)
"""An ink nobody read is shown as black. ``room-practice``"""
FILMS = frozenset({"plate", "relief-roll", "stencil"})
"""Kinds that print a film of ink from something that stays: they are laid to crosses."""


def decided_of(row: Layering) -> WorkDecided:
    """Return how a work is printed, as its row has it."""
    return WorkDecided(**within(WorkDecided, row.decided))


@dataclass(frozen=True)
class Things:
    """Plates and inks that a work's layers name, asked for at once."""

    plates: dict[uuid.UUID, Plate]
    inks: dict[uuid.UUID, Supply]


def things_of(row: Layering, decided: WorkDecided) -> Things:
    """Return what a work's layers name, of its room."""
    plates = [each.plate for each in decided.layers if each.plate]
    inks = [each.ink for each in decided.layers if each.ink]
    return Things(
        {each.id: each for each in Plate.objects.filter(room=row.room_id, id__in=plates)},
        {each.id: each for each in Supply.objects.filter(room=row.room_id, id__in=inks)},
    )


def layers_out(decided: WorkDecided, things: Things) -> tuple[float, list[LayerOut]]:
    """Return half the length of a cross, and the layers with what prints them."""
    films = [each for each in decided.layers if each.kind in FILMS]
    keyed = sorted(films, key=lambda each: not each.key)  # the key's stand nearest to the corners
    arm, places = mark_places((decided.width_mm, decided.height_mm), len(keyed))
    usual = {each.id: own for each, own in zip(keyed, places, strict=True)}
    return arm, [_layer(each, things, usual.get(each.id, [])) for each in decided.layers]


def _layer(layer: LayerDecided, things: Things, usual: list[tuple[float, float]]) -> LayerOut:
    kind = KINDS_OF_LAYER[layer.kind]
    plate = things.plates.get(layer.plate) if layer.plate else None
    ink = things.inks.get(layer.ink) if layer.ink else None
    facts = ink_facts(ink) if ink is not None else None
    swatch = facts.swatch_lab if facts else None
    lab = layer.ink_lab or swatch or BLACK
    lets = layer.lets_through
    if lets is None:
        lets = facts.transparency if facts else TRANSPARENCIES[layer.ink_class].share
    return LayerOut(
        **layer.model_dump(), label=kind.label, how=kind.how,
        repeats=kind.repeats and not layer.varied,
        plate_name=plate.name if plate else "", plate_state=state_name(plate),
        plate_width_mm=plate.width_mm if plate else None,
        plate_height_mm=plate.height_mm if plate else None,
        ink_name=ink.name if ink else "", hex=lab_to_hex(lab), lab=lab, lets=lets,
        measured=swatch is not None and layer.ink_lab is None,
        places=layer.crosses or usual,
        shown=layer.picture or (plate.study_id if plate else None),
    )  # fmt: skip


def state_name(plate: Plate | None) -> str:
    """Return the state a plate stands in: "State II"; empty where none was proofed."""
    return f"State {roman(plate.state_number)}" if plate and plate.state_number else ""


def stack_given(decided: WorkDecided, layers: list[LayerOut]) -> dict[str, Any]:
    """Return what ``layer-stack`` takes."""
    return {
        "size_mm": [decided.width_mm, decided.height_mm], "ghosts": decided.ghosts,
        "layers": [
            {"name": each.name, "kind": each.kind, "lets_through": each.lets,
             "covers": each.covers, "size_mm": _size(each), "varied": each.varied}
            for each in layers
        ],
    }  # fmt: skip


def _size(layer: LayerOut) -> list[float] | None:
    if layer.kind == "plate":
        sides = layer.plate_width_mm, layer.plate_height_mm
    else:
        sides = layer.width_mm, layer.height_mm
    return None if None in sides else [float(each or 0) for each in sides]


def order_given(
    decided: WorkDecided, layers: list[LayerOut], covers: dict[str, float]
) -> dict[str, Any] | None:
    """Return what ``plate-order`` takes; None with fewer than two films."""
    films = [each for each in layers if each.kind in FILMS][:6]
    if len(films) < 2 or len({each.name for each in films}) < len(films):
        return None
    return {
        "size_mm": [decided.width_mm, decided.height_mm],
        "plates": [
            {"name": each.name, "ink_lab": each.lab, "lets_through": each.lets, "key": each.key,
             "covers": min(1.0, max(0.001, covers.get(each.name, each.covers)))}
            for each in films
        ],
    }  # fmt: skip
