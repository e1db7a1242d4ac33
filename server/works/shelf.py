"""Ink that lies open on plates of works anywhere in a room."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from core.calculators import compute
from core.data.layers import KINDS_OF_LAYER
from core.layers.ink_open import InkOpenOutput
from server.rooms.models import Room
from server.works.layers import decided_of
from server.works.models import Layering
from server.works.schemas import LayerDecided
from server.works.state import latest_inking, work_states


@dataclass(frozen=True)
class OpenInking:
    """A layer made by hand whose ink was laid last."""

    work: UUID
    work_name: str
    layer: str
    closes_seconds: float
    """About when it no longer gives [s since the epoch]."""


def open_inkings(room: Room) -> Iterator[OpenInking]:
    """Yield the last inking of each layer made by hand, in two queries however many there are."""
    rows = list(Layering.objects.filter(room=room, put_away=False).select_related("work"))
    states = work_states(rows) if rows else {}
    for row in rows:
        for layer in decided_of(row).layers:
            inking = latest_inking(states[row.id], layer.id)
            if inking is not None and KINDS_OF_LAYER[layer.kind].by_hand:
                closes = inking.at_seconds + 60.0 * ink_told(layer).minutes
                yield OpenInking(row.id, row.work.name, layer.name, closes)


def ink_told(layer: LayerDecided) -> InkOpenOutput:
    """Return how long the ink of a layer stays open."""
    told: Any = compute("ink-open", {"ink": layer.open_ink})
    return told
