"""Numbers of scratched and engraved plates, until a room's own trials replace them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from core.data.lines import Number

WIDTH_SHARE = 0.08
"""Spread of a printed line's width from line to line of one hand, as a share.
``room-practice``"""
SPACING_SHARE = 0.05
"""The same of the distance from line to line. ``room-practice``"""
PAPER_FACTOR = Number(1.7, 0.15, "", "yule-nielsen")
"""Light spreads in the paper under the ink."""
BURRS_TOUCH_UM = 60.0
"""Lines that leave less than this between them hold ink as one grey. ``room-practice``"""
NEEDLE_PRINTS = Number(1.3, 0.2, "", "room-practice")
"""A line prints wider than its needle by this, where no trial was read: its burr holds ink."""
PACE_M_PER_MIN = Number(0.26, 0.12, "m/min", "room-practice")
"""Line that a hand draws in a minute of hatching."""
PACE_FACTOR = 1.5
"""A hand nobody timed may be so much faster or slower, 1 SD. ``room-practice``"""

WorkKind = Literal["hatching", "engraving"]


@dataclass(frozen=True)
class HandRow:
    """How long a hand works well: then it rests, and some day it is enough."""

    kind: WorkKind
    on_minutes: float
    off_minutes: float
    day_minutes: float
    source: str = "room-practice"


HANDS: dict[WorkKind, HandRow] = {
    row.kind: row
    for row in (HandRow("hatching", 25.0, 5.0, 180.0), HandRow("engraving", 20.0, 5.0, 180.0))
}
SHARPEN_MINUTES = Number(10.0, 4.0, "min", "room-practice")
"""A burin between two sharpenings, where the room counted none."""

PRESSURES = (1, 2, 3, 4, 5)
"""Of a trial scale on an offcut, from lightest to hardest. ``room-practice``"""
PRESSURE_WIDTH_UM: dict[int, float] = {1: 45.0, 2: 75.0, 3: 115.0, 4: 160.0, 5: 200.0}
"""Printed width of a middling needle by pressure, where no scale was read. ``room-practice``"""
PRESSURE_SPREAD = 0.25
"""Of that guess, as a share. ``room-practice``"""

TextureKey = Literal[
    "abrasive-80", "abrasive-120", "abrasive-240", "abrasive-400", "rolled-80", "rolled-120",
    "rolled-240", "rolled-400", "steel-wool", "roulette", "multi-line", "dots", "pressed-texture",
    "peeled-card", "laser-cut",
]  # fmt: skip


@dataclass(frozen=True)
class TextureRow:
    """A mark that is no line: the share of the surface one pass of it opens, and its spread."""

    key: TextureKey
    label: str
    pass_word: str
    """What one pass is called."""
    covered: float
    spread: float
    how: str
    only_on: tuple[str, ...] = ()
    """Materials it is for; empty: any."""
    most_passes: int = 8
    """More change little."""
    burr_share: float = 0.5
    """How much of its ink lies in the burr, which wears."""
    minutes_a_cm2: float = 0.1
    """Of one pass."""
    cautions: tuple[str, ...] = ()
    source: str = "room-practice"


_RUB = "Mask round the shape, rub in small turns with even weight; wet, with a mask on your face."
_ROLL = "Lay the paper grit down on the plate, blanket over it, one pass through the press."
TEXTURES: dict[str, TextureRow] = {
    row.key: row
    for row in (
        TextureRow("abrasive-80", "abrasive paper 80, rubbed", "rub", 0.70, 0.10, _RUB,
                   cautions=("grinding-dust",)),
        TextureRow("abrasive-120", "abrasive paper 120, rubbed", "rub", 0.59, 0.10, _RUB,
                   cautions=("grinding-dust",)),
        TextureRow("abrasive-240", "abrasive paper 240, rubbed", "rub", 0.43, 0.09, _RUB,
                   cautions=("grinding-dust",)),
        TextureRow("abrasive-400", "abrasive paper 400, rubbed", "rub", 0.26, 0.08, _RUB,
                   cautions=("grinding-dust",)),
        TextureRow("rolled-80", "abrasive paper 80, rolled in", "pass", 0.42, 0.12, _ROLL,
                   minutes_a_cm2=0.01, cautions=("press",)),
        TextureRow("rolled-120", "abrasive paper 120, rolled in", "pass", 0.35, 0.11, _ROLL,
                   minutes_a_cm2=0.01, cautions=("press",)),
        TextureRow("rolled-240", "abrasive paper 240, rolled in", "pass", 0.26, 0.09, _ROLL,
                   minutes_a_cm2=0.01, cautions=("press",)),
        TextureRow("rolled-400", "abrasive paper 400, rolled in", "pass", 0.16, 0.07, _ROLL,
                   minutes_a_cm2=0.01, cautions=("press",)),
        TextureRow("steel-wool", "steel wool", "rub", 0.12, 0.05,
                   "Rub one way for a veil, in turns for a mist; brush the dust off.",
                   cautions=("grinding-dust",)),
        TextureRow("roulette", "roulette", "run", 0.22, 0.08,
                   "Roll it to and fro, each run across the one before.", minutes_a_cm2=0.5),
        TextureRow("multi-line", "multi-line tool", "run", 0.18, 0.06,
                   "Draw it with even weight; each run at another angle.", minutes_a_cm2=0.2),
        TextureRow("dots", "dots with the needle", "layer", 0.06, 0.03,
                   "Press and turn the needle; a layer is about four dots in 1 mm².",
                   minutes_a_cm2=4.0),
        TextureRow("pressed-texture", "texture pressed in", "pass", 0.20, 0.10,
                   "Lay the cloth or mesh on the plate, blanket over it, one pass.",
                   only_on=("polystyrene", "packaging", "milk-carton", "petg", "zinc"),
                   most_passes=2, burr_share=0.2, minutes_a_cm2=0.01, cautions=("press",)),
        TextureRow("peeled-card", "peeled card", "peel", 0.62, 0.12,
                   "Cut round the shape through the skin and peel it off: the core holds ink.",
                   only_on=("milk-carton", "packaging"), most_passes=1, burr_share=0.1,
                   minutes_a_cm2=0.4, cautions=("cut-edges",)),
        TextureRow("laser-cut", "laser cut", "pass", 0.55, 0.12,
                   "Only plastic that is named and free of chlorine; extraction on.",
                   only_on=("acrylic", "polystyrene", "petg"), most_passes=3, burr_share=0.2,
                   minutes_a_cm2=0.05, cautions=("laser",)),
    )
}  # fmt: skip
GRITS = (80, 120, 240, 400)
"""Abrasive papers, coarse to fine. ``room-practice``"""
