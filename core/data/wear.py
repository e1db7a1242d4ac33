"""How scratched plates wear, and what each material bears, until a room's counts replace it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

WearMaterial = Literal[
    "plastic", "acrylic", "petg", "polystyrene", "packaging", "milk-carton", "disc", "copper",
    "zinc",
]  # fmt: skip


@dataclass(frozen=True)
class WearRow:
    """How long a burr lasts on a material, and how many impressions a plate serves."""

    key: WearMaterial
    label: str
    burr_impressions: float
    """After so many the burr holds 1/e of what it held."""
    serves: int
    """Impressions that a plate of it serves as a rule; half of them full."""
    source: str = "room-practice"


WEAR: dict[str, WearRow] = {
    row.key: row
    for row in (
        WearRow("plastic", "plastic", 12.0, 40),
        WearRow("acrylic", "acrylic", 12.0, 40),
        WearRow("petg", "PETG", 12.0, 40),
        WearRow("polystyrene", "polystyrene", 9.0, 30),
        WearRow("packaging", "food packaging", 8.0, 20),
        WearRow("milk-carton", "milk carton", 5.0, 12),
        WearRow("disc", "disc", 12.0, 40),
        WearRow("copper", "copper", 25.0, 100),
        WearRow("zinc", "zinc", 15.0, 50),
    )
}
STEEL_FACED = 8.0
"""Times a burr lasts longer under steel. ``room-practice``"""
STEEL_ON = ("copper", "zinc")
"""Metals that take a steel facing; zinc needs a flash of copper first."""
ROOM_SPREAD, PLATE_SPREAD = 0.36, 0.27
"""Of the logarithm of a burr's life: rooms differ from the table, and plates within a room.
``room-practice``"""
LINE_DENSITY, LINE_DENSITY_SPREAD = 0.75, 0.30
"""What the line alone holds in the darkest marked area, over paper. ``room-practice``"""
BURR_DENSITY, BURR_DENSITY_FACTOR = 0.25, 2.0
"""What a fresh burr adds, × or ÷ the factor: there is no drypoint without one.
``room-practice``"""
PULL_SPREAD_LSTAR = 0.4
"""From pull to pull, wiping and pressure, beside a reading's own spread. ``room-practice``"""
SCRATCHED_AGAIN, SCRATCHED_AGAIN_SPREAD = 0.85, 0.15
"""Share of the first burr that scratching again brings back. ``room-practice``"""
MOST_IMPRESSIONS = 400
"""Nothing is foretold further. ``room-practice``"""
