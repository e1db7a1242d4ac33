"""Layers of a print: what each kind is, how inks cover, how ghosts fade, how paper grows.

Starting guesses, until a room's own prints replace them.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

LayerKind = Literal[
    "plate", "relief-roll", "stencil", "monotype-added", "monotype-wiped", "monotype-traced",
    "chine-colle",
]  # fmt: skip
InkClass = Literal["black", "opaque", "half", "extended"]
OpenInk = Literal["oil", "oil-retarded", "water-oil", "water", "water-retarded"]


@dataclass(frozen=True)
class KindOfLayer:
    """One kind of layer."""

    label: str
    repeats: bool
    """It comes from something that stays: a plate, a stencil, a mask."""
    by_hand: bool
    """It is drawn anew each time."""
    shaped: bool
    """It has a shape that is cut: a stencil, a mask, a piece of thin paper."""
    how: str


KINDS_OF_LAYER: dict[LayerKind, KindOfLayer] = {
    "plate": KindOfLayer(
        "Plate", True, False, False, "Ink, wipe and print it as ever, laid to the same marks."),
    "relief-roll": KindOfLayer(
        "Relief roll", True, False, True,
        "Roll a thin film on the wiped plate in one go, stiffer than the ink in the lines: oilier "
        "ink below takes none of it."),
    "stencil": KindOfLayer(
        "Stencil", True, False, True,
        "Roll through the opening toward its edges, or lay the inked stencil: thin paper bleeds."),
    "monotype-added": KindOfLayer(
        "Monotype, added", False, True, False,
        "Paint ink on the bare plate while it stays open."),
    "monotype-wiped": KindOfLayer(
        "Monotype, wiped", False, True, False,
        "Roll the plate full, then wipe the lights out while it stays open."),
    "monotype-traced": KindOfLayer(
        "Monotype, traced", False, True, False,
        "Roll a thin film, lay the sheet on it, follow the drawing on its back: it prints "
        "mirrored."),
    "chine-colle": KindOfLayer(
        "Chine collé", True, False, True,
        "Paste on the back of the thin sheet, face to the inked plate, grain as the paper's."),
}  # fmt: skip
"""``room-practice``"""


@dataclass(frozen=True)
class LetsThrough:
    """How much of the light of what lies under it a film lets through."""

    label: str
    share: float
    spread: float


TRANSPARENCIES: dict[InkClass, LetsThrough] = {
    "black": LetsThrough("Black", 0.02, 0.02),
    "opaque": LetsThrough("Opaque colour", 0.2, 0.1),
    "half": LetsThrough("Half extender", 0.6, 0.15),
    "extended": LetsThrough("Mostly extender", 0.85, 0.1),
}
"""``room-practice``"""

GHOST_KEEPS, GHOST_SPREAD = 0.35, 0.10
"""Of the density over paper, each further pull from one inking. ``room-practice``"""
GHOST_INKINGS, GHOST_PULLS = 0.12, 0.06
"""Spread of that share's logarithm from inking to inking, and from pull to pull.
``room-practice``"""
GROWS_ACROSS, GROWS_ACROSS_SPREAD = 0.010, 0.005
GROWS_ALONG, GROWS_ALONG_SPREAD = 0.003, 0.002
"""Damp cotton of 250 to 300 g/m² over dry, across and along its grain. ``room-practice``"""
COMES_BACK_SPREAD = 0.0015
"""How alike a sheet damped a second time grows. ``room-practice``"""
REGISTER_MM = 0.4
"""Off by more is seen. ``room-practice``"""

OPEN_MINUTES: dict[OpenInk, tuple[str, float]] = {
    "oil": ("Oil ink as it is", 240.0),
    "oil-retarded": ("Oil ink with clove oil or burnt plate oil", 720.0),
    "water-oil": ("Oil ink that washes with water", 120.0),
    "water": ("Water-based", 8.0),
    "water-retarded": ("Water-based with retarder", 30.0),
}
"""As a thin film at 20 °C. ``room-practice``"""
OPEN_FACTOR = 1.6
"""× or ÷, 95 %. ``room-practice``"""
OPEN_HALVES_PER_C = 10.0
"""So many degrees warmer halve it. ``room-practice``"""
SMALLEST_BRIDGE_MM = 2.0
"""Thinner bridges of card tear at the roller. ``room-practice``"""
OPAQUE_BELOW, COVERS_ABOVE = 0.35, 0.6
"""A film that lets through less, over a larger share, hides what was printed before.
``room-practice``"""
