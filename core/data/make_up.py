"""How each mordant is made up: by parts, from a stock by hydrometer, or with salts by mass."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from core.data.pouring import Role


@dataclass(frozen=True)
class Poured:
    """One liquid of a recipe, by volume; or, with ``grams_per_l``, one solid by mass."""

    name: str
    role: Role
    parts: float = 0.0
    grams_per_l: float = 0.0
    """Of the finished bath."""


@dataclass(frozen=True)
class MakeUpRow:
    """How a mordant is made up.

    ``by`` "stock": a ferric stock thinned to a strength; "parts": liquids by volume; "salts":
    solids dissolved in water.
    """

    mordant: str
    by: Literal["stock", "parts", "salts"]
    poured: tuple[Poured, ...]
    heat: str
    """What warms or gasses while it is made, and what to do."""
    settles: str
    """When it can be bitten in."""
    baume: float | None = None
    """Of ferric: the strength it is made to where none is wanted."""
    source: str = "room-practice"


_WATER, _NITRIC = "water", "nitric acid 68 %"
_NITRIC_HEAT = (
    "It warms as the acid goes in, and fumes: extraction on, a thin stream, stirring with glass or "
    "plastic. Stop at 30 °C and let it cool."
)
_FERRIC_HEAT = "It warms as it is thinned: pour slowly, let it cool to the room before a plate."

MAKE_UP: dict[str, MakeUpRow] = {
    row.mordant: row
    for row in (
        MakeUpRow("copper-ferric", "stock", (), _FERRIC_HEAT, "Bites when it is as cool as the "
                  "room.", 42.0),
        MakeUpRow("copper-ferric-citric", "stock", (Poured("citric acid", "acid", 0.0, 75.0),),
                  _FERRIC_HEAT + " Dissolve the citric acid in the water first, warm, until it is "
                  "clear.", "Bites when it is clear and as cool as the room.", 42.0),
        MakeUpRow("copper-nitric", "parts", (Poured(_WATER, "water", 3.0),
                  Poured(_NITRIC, "acid", 1.0)), _NITRIC_HEAT, "Bites when it is below 22 °C."),
        MakeUpRow("zinc-nitric-10", "parts", (Poured(_WATER, "water", 10.0),
                  Poured(_NITRIC, "acid", 1.0)), _NITRIC_HEAT, "Bites when it is below 22 °C."),
        MakeUpRow("zinc-nitric-16", "parts", (Poured(_WATER, "water", 16.0),
                  Poured(_NITRIC, "acid", 1.0)), _NITRIC_HEAT, "Bites when it is below 22 °C."),
        MakeUpRow("zinc-copper-sulphate", "salts", (Poured("copper sulphate", "salt", 0.0, 75.0),
                  Poured("table salt", "salt", 0.0, 75.0)),
                  "Warm water dissolves it faster. No gas. Gloves: it is poisonous to water.",
                  "Bites when all is dissolved and it is as cool as the room."),
    )
}  # fmt: skip

CITRIC_WATER_L_PER_KG = 0.75
"""Warm water that one kilogram of citric acid is dissolved in before the ferric.
``room-practice``"""
OVER_PLATE_MM = 20.0
"""Liquid over the plate. ``room-practice``"""
UNDER_PLATE_MM = 4.0
"""Feet, or sediment, under it. ``room-practice``"""
FREEBOARD_MM = 25.0
"""Left below the rim, so that rocking spills nothing. ``room-practice``"""
