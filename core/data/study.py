"""Numbers of value studies, stop-out maps and graded resists."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

BRUSH_MM = 1.5
"""What a brush can paint: a finer shape is not painted round. ``room-practice``"""
COARSEST_PX_PER_MM = 4.0
"""About 100 dots per inch: below it an edge cannot be followed with a pen. ``room-practice``"""
EASY_TO_MISS_MM2, ISLAND_MM2 = 10.0, 6.0
"""Smaller pieces are ringed on the maps; smaller islands are hard to paint round.
``room-practice``"""
PAINT_SECONDS_A_CM2, PAINT_SECONDS_A_CM, PAINT_FACTOR = 4.0, 2.5, 1.4
"""Stop-out by hand: its surface and its edge; × or ÷ the factor, 1 SD. ``room-practice``"""
HANDLING_MINUTES = 6.0
"""A dip's rinsing, drying and looking, beside the bite and the painting. ``room-practice``"""
WHITE_WITHIN_LSTAR = 1.5
"""A tone this near the unbitten plate's is left white: no bite is short enough.
``room-practice``"""
WORTH_LSTAR = 0.5
"""A further bite that brings the print less than this nearer does not pay. ``room-practice``"""
YULE_NIELSEN = 1.7
"""Tone of two kinds of dots side by side. ``yule-nielsen``"""

ResistKey = Literal["crayon-hard", "crayon-light", "varnish-thin"]


@dataclass(frozen=True)
class Resist:
    """What covers only in part: share of open land that still resists, and its spread."""

    key: ResistKey
    label: str
    share: float
    spread: float
    speckle_mm: float
    """Size of the marks it leaves."""
    source: str = "room-practice"


RESISTS: dict[ResistKey, Resist] = {
    row.key: row
    for row in (
        Resist("crayon-hard", "crayon pressed hard", 0.60, 0.15, 0.5),
        Resist("crayon-light", "crayon lightly", 0.30, 0.15, 0.5),
        Resist("varnish-thin", "thin brushed varnish", 0.80, 0.15, 1.0),
    )
}

PENS = ("white", "yellow", "pink", "blue", "green", "orange", "violet", "grey")
"""Paint pens, one for each stage, in the order they are taken up: a plate tells later what was
covered when. A room's own names stand before them."""
