"""What dissolves what on a plate, and what a solvent does to the plate itself."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

LayerKey = Literal[
    "hard-ground", "soft-ground", "liquid-ground", "asphalt-varnish", "shellac-varnish",
    "paint-pen", "crayon", "rosin", "sprayed-acrylic", "oil-ink", "transfer-wax", "label-glue",
    "whiting", "sludge",
]  # fmt: skip
SolventKey = Literal["water", "soapy-water", "plant-oil", "spirit", "alcohol", "soda", "acetone"]


@dataclass(frozen=True)
class SolventRow:
    """A solvent, mildest first in the table."""

    key: SolventKey
    label: str
    how: str
    harms: tuple[tuple[str, str], ...]
    """Materials it must not touch, and why; plastics by name."""
    cautions: tuple[str, ...]
    source: str = "room-practice"


SOLVENTS: dict[str, SolventRow] = {
    row.key: row
    for row in (
        SolventRow("water", "Water", "Rinse, soft brush.",
                   (("polymer", "it swells a plate that is not hardened through"),
                    ("milk-carton", "it soaks into its cut edges")), ()),
        SolventRow("soapy-water", "Warm soapy water", "Soak a minute, wipe, rinse.",
                   (("polymer", "it swells a plate that is not hardened through"),), ()),
        SolventRow("plant-oil", "Plant oil", "Rub in, let it work, wipe with rag.", (), ("inks",)),
        SolventRow("spirit", "White spirit", "Rag, extraction, then wipe dry.",
                   (("polystyrene", "it softens polystyrene"),
                    ("packaging", "it may soften packaging"),
                    ("milk-carton", "it lifts its skin")), ("solvents",)),
        SolventRow("alcohol", "Alcohol", "Rag, extraction, let it work a minute.",
                   (("acrylic", "it crazes acrylic"), ("polymer", "it attacks photopolymer")),
                   ("solvents", "cold-first")),
        SolventRow("soda", "Washing soda, strong", "Lay in for 10 minutes, rinse long.",
                   (("zinc", "it bites zinc"), ("petg", "it clouds PETG"),
                    ("disc", "it clouds polycarbonate"),
                    ("polymer", "it attacks photopolymer")), ("soda",)),
        SolventRow("acetone", "Acetone", "Rag, extraction, quickly.",
                   (("acrylic", "it dissolves acrylic"), ("petg", "it clouds and softens PETG"),
                    ("polystyrene", "it dissolves polystyrene"),
                    ("packaging", "it dissolves packaging"),
                    ("milk-carton", "it lifts its skin"), ("disc", "it clouds and cracks it"),
                    ("polymer", "it attacks photopolymer")),
                   ("solvents", "cold-first")),
    )
}  # fmt: skip

DISSOLVED_BY: dict[str, tuple[SolventKey, ...]] = {
    "hard-ground": ("spirit", "plant-oil"),
    "soft-ground": ("spirit", "plant-oil"),
    "liquid-ground": ("spirit",),
    "asphalt-varnish": ("spirit",),
    "shellac-varnish": ("alcohol",),
    "paint-pen": ("acetone", "alcohol"),
    "crayon": ("spirit", "plant-oil"),
    "rosin": ("alcohol", "acetone"),
    "sprayed-acrylic": ("acetone", "soda"),
    "oil-ink": ("plant-oil", "spirit"),
    "transfer-wax": ("spirit", "soapy-water"),
    "label-glue": ("plant-oil", "spirit"),
    "whiting": ("water", "soapy-water"),
    "sludge": ("water", "soapy-water"),
}
LAYER_LABELS: dict[str, str] = {
    "hard-ground": "hard ground",
    "soft-ground": "soft ground",
    "liquid-ground": "liquid ground",
    "asphalt-varnish": "asphalt varnish",
    "shellac-varnish": "shellac varnish",
    "paint-pen": "paint pen",
    "crayon": "crayon",
    "rosin": "rosin",
    "sprayed-acrylic": "sprayed acrylic",
    "oil-ink": "oil ink",
    "transfer-wax": "transfer wax",
    "label-glue": "label glue",
    "whiting": "whiting",
    "sludge": "red sludge",
}
