"""How an image gets into a plate: one row a route, with what takes it and what it asks for."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Route = Literal[
    "etched line", "soft ground", "aquatint", "spit bite", "drypoint", "engraving", "photopolymer",
    "kitchen table",
]  # fmt: skip


@dataclass(frozen=True)
class RouteRow:
    """One route."""

    does: str
    """What is done, in a few words."""
    needs: str
    """What the room must have for it."""
    materials: tuple[str, ...]
    """What a plate may be of."""
    otherwise: str
    """Why no other material takes it."""


_METALS = ("copper", "zinc")
_NOTHING_BITES = "nothing bites plastic or photopolymer"

ROUTES: dict[Route, RouteRow] = {
    "etched line": RouteRow(
        "drawn through a ground, then bitten", "ground, bath", _METALS, _NOTHING_BITES
    ),
    "engraving": RouteRow(
        "cut clean with a burin", "a burin", (*_METALS, "plastic"), "it would tear the layer"
    ),
    "soft ground": RouteRow(
        "textures pressed into a soft film, then bitten", "press, bath", _METALS, _NOTHING_BITES
    ),
    "aquatint": RouteRow(
        "dust gives the tone, bites give its steps", "dust, heat, bath", _METALS, _NOTHING_BITES
    ),
    "spit bite": RouteRow(
        "mordant brushed on the dust", "dust, heat, mordant", _METALS, _NOTHING_BITES
    ),
    "photopolymer": RouteRow(
        "light hardens what a film lets through", "lamp, water", ("polymer",),
        "it asks for a photopolymer plate",
    ),
    "drypoint": RouteRow(
        "scratched; the burr holds ink", "a needle", (*_METALS, "plastic"),
        "it would tear the layer",
    ),
    "kitchen table": RouteRow(
        "cut and peeled packaging, a craft roller", "a knife, a craft roller", ("plastic",),
        "it is done in packaging: choose a plastic",
    ),
}  # fmt: skip
"""In the order they are worked on one plate: lines first, then tone, then drypoint.
``room-practice``"""
