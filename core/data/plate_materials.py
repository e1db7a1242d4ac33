"""What scratched plates are cut from: how thick they come, what they bear, what they serve."""

from __future__ import annotations

from dataclasses import dataclass

from core.data.wear import WearMaterial


@dataclass(frozen=True)
class MaterialRow:
    """A material by its name."""

    key: WearMaterial
    label: str
    thicknesses_mm: tuple[float, ...]
    """As it is sold or found."""
    bears: str
    """How much pressure, in the press and of the needle."""
    bevel: str
    label_off: str
    """How a label, its glue or a film comes off; empty where it has none."""
    burr: str
    can_be_burnished: float
    """L* that burnishing gives back at most."""
    clear: bool = False
    """The drawing lies under it, and scratches show white on black."""
    source: str = "room-practice"


_OIL = "Soak the paper off in warm soapy water; rub the glue with plant oil, then soap."
MATERIALS: dict[str, MaterialRow] = {
    row.key: row
    for row in (
        MaterialRow("acrylic", "acrylic", (1.0, 1.5, 2.0, 3.0),
                    "Full press pressure; brittle: it cracks from a notch and when bent.",
                    "From 1.6 mm up always; file, then scrape.",
                    "Peel the film when the edges are done; no alcohol on it.",
                    "A crisp burr that breaks off early.", 5.0, clear=True),
        MaterialRow("petg", "PETG", (0.5, 0.75, 1.0, 1.5),
                    "Full press pressure; tough: it bends before it cracks.",
                    "From 1.6 mm up always; thin sheet: round the corners.",
                    "Peel the film when the edges are done.",
                    "A tough burr, the longest of the plastics.", 5.0, clear=True),
        MaterialRow("polystyrene", "polystyrene", (0.5, 1.0, 1.5, 2.0),
                    "Middling pressure: it takes an imprint of what lies on it.",
                    "Scrape it; it files ragged.", "",
                    "Soft: deep lines, a burr that is soon pressed flat.", 3.0),
        MaterialRow("packaging", "food packaging", (0.3, 0.4, 0.5),
                    "A craft roller or a slack press: it creases along its folds.",
                    "Too thin for one: round the corners, rub the edge smooth.", _OIL,
                    "Soft and short-lived: half its darkness goes in eight prints.", 2.0,
                    clear=True),
        MaterialRow("milk-carton", "milk carton", (0.4, 0.5, 0.6),
                    "A craft roller: more than that presses its folds flat.",
                    "None: seal the cut edges with varnish or tape.", "Rinse and dry it flat.",
                    "Hardly any; where the skin is peeled the card holds the ink.", 0.0),
        MaterialRow("disc", "disc", (1.2,),
                    "Full press pressure, over a template with its hole filled.",
                    "Its edge is moulded: burnish it.",
                    "Scratch the printed layer and lift it with tape; then it is clear.",
                    "As acrylic, a little tougher.", 4.0, clear=True),
        MaterialRow("copper", "copper", (0.8, 1.0, 1.2, 1.6),
                    "Full press pressure.", "Always, and the corners round.", "",
                    "A fine velvety burr, the longest of the bare metals.", 40.0),
        MaterialRow("zinc", "zinc", (0.8, 1.0, 1.5),
                    "Full press pressure.", "Always, and the corners round.", "",
                    "Soft: it is pressed flat sooner than copper's.", 30.0),
    )
}  # fmt: skip
