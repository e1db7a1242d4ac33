"""Plastics that plates are cut from: each is named, for each has its own solvents."""

from __future__ import annotations

from typing import Literal, get_args

PlasticKey = Literal["acrylic", "petg", "polystyrene", "packaging", "milk-carton", "disc"]
PLASTICS: tuple[PlasticKey, ...] = get_args(PlasticKey)
PLASTIC_LABELS: dict[PlasticKey, str] = {
    "acrylic": "acrylic",
    "petg": "PETG",
    "polystyrene": "polystyrene",
    "packaging": "food packaging",
    "milk-carton": "milk carton",
    "disc": "disc",
}
