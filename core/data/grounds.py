"""Grounds as recipes, textures for soft ground, transfers: starting guesses with their checks."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class GroundRow:
    """A ground: how it goes on, how hot, how long it cools or bakes."""

    key: str
    label: str
    how: str
    heat_c: tuple[float, float] | None
    hottest_c: float | None
    """Above this it burns, runs or smokes."""
    film: str
    wait_minutes: int
    keeps_days: int
    """After so long under the needle it turns brittle."""
    check: str
    source: str = "room-practice"


GROUNDS: dict[str, GroundRow] = {
    row.key: row
    for row in (
        GroundRow("ball", "Hard ground, ball", "Melt it on the hot plate, roll or dab it even.",
                  (85, 110), 130, "thin, see the metal through it", 15, 30,
                  "Even brown gloss, no bubbles, no pinholes."),
        GroundRow("liquid", "Hard ground, liquid", "Brush it on, let the solvent go, then bake.",
                  (90, 120), 140, "thin, no brush ridges", 40, 30,
                  "Even gloss after baking, dry to the nail."),
        GroundRow("smoked", "Hard ground, smoked", "Ball ground, blackened over tapers while warm.",
                  (85, 110), 130, "thin and black", 20, 30,
                  "Even velvet black; lines shine out of it."),
        GroundRow("soft", "Soft ground", "As hard ground, softer, rolled a little thicker.",
                  (60, 85), 100, "even; a fingertip prints in it", 12, 2,
                  "Tacky, even, no bare spots."),
        GroundRow("dust", "Rosin dust", "Raise it in the box, let the coarse fall, plate in.",
                  (130, 150), 170, "half covered", 15, 7,
                  "All clear after fusing, grains still apart."),
        GroundRow("spray", "Sprayed acrylic dots", "Several light passes from an arm's length.",
                  None, None, "half covered", 20, 60, "Even dots, not run together."),
        GroundRow("spit", "Spit bite on grain", "Fused grain; the mordant is brushed on.",
                  (130, 150), 170, "half covered", 15, 7, "As dust; a trial on the margin first."),
        GroundRow("toner", "Toner left as the resist", "Transferred to the bare plate, and kept.",
                  None, None, "whole where it is black", 5, 30,
                  "Black whole under the loupe; it resists a first light bite, no long one."),
    )
}  # fmt: skip


ON_GRAIN = ("dust", "spray", "spit")
"""Grounds that are a grain."""


@dataclass(frozen=True)
class TextureRow:
    """Something pressed into soft ground: its mark, and what it may harm."""

    key: str
    label: str
    mark: str
    harm: str
    """Empty where it harms neither press nor ground."""
    source: str = "room-practice"


TEXTURES: dict[str, TextureRow] = {
    row.key: row
    for row in (
        TextureRow("gauze", "Gauze", "a soft grid, darker where it doubles", ""),
        TextureRow("thread", "Thread", "a single living line", ""),
        TextureRow("leaf", "Dry leaf", "veins, with a pale body",
                   "A fresh leaf leaves sap, and the ground lifts: press it dry first."),
        TextureRow("lace", "Lace", "a dense pattern; its knots bite open", ""),
        TextureRow("paper", "Crumpled tissue", "broken planes", ""),
        TextureRow("feather", "Feather", "fine parallel lines round a quill",
                   "The quill is hard: cut it out, it dents the blanket."),
        TextureRow("pencil", "Pencil over paper", "a crayon-like line", ""),
        TextureRow("wire", "Wire, coins, keys", "hard outlines",
                   "Nothing hard goes through the press: it dents plate, blanket and roller."),
        TextureRow("sand", "Sand or grit", "pits",
                   "Grit dents the roller and scratches the plate: do not press it."),
    )
}  # fmt: skip


@dataclass(frozen=True)
class TransferRow:
    """A way of bringing a drawing onto a plate."""

    key: str
    label: str
    steps: tuple[str, ...]
    care: str
    source: str = "room-practice"


TRANSFERS: dict[str, TransferRow] = {
    row.key: row
    for row in (
        TransferRow("direct", "Drawn directly", ("Draw on the ground; accept the reversal.",),
                    "Lettering prints mirrored."),
        TransferRow("wax", "Wax film",
                    ("Melt wax thin over the warm bare plate; let it cool.",
                     "Lay the pencil sketch face down on it and rub it down.",
                     "Retrace the lines with a point, because they smudge.",
                     "Take the wax off: warm the plate and wipe, or with spirit."),
                    "Before the ground, on bare metal. Wax is grease: degrease after it."),
        TransferRow("chalk", "Chalk or conté sheet",
                    ("Chalk the back of the tracing.", "Trace its main lines with a soft point."),
                    "It smudges: retrace the main lines lightly before the hand rests on them."),
        TransferRow("tissue", "White-dusted tissue, on smoked ground",
                    ("Dust tissue white, lay it face down.", "Trace with a blunt point."),
                    "It smudges: blow the dust off, retrace what faded."),
        TransferRow("toner", "Toner with solvent",
                    ("Lay the toner print face down.", "Wet its back with solvent, press."),
                    "The solvent lifts grounds and crazes acrylic: on bare metal only."),
        TransferRow("toner-resist", "Toner, left as the resist",
                    ("Bring the toner onto the degreased bare plate and leave it there.",
                     "It resists a first light bite: plan that as its own lines.",
                     "Then take it off, lay a ground, draw again and bite again."),
                    "Thin toner lets the mordant through: touch up what is grey."),
        TransferRow("under", "Under the clear plate", ("Tape the sketch under the plate.",),
                    "It prints mirrored unless the sketch was reversed."),
    )
}  # fmt: skip

NEEDLE_CATCHES_UM = {"zinc": 40.0, "copper": 25.0}
"""A point finer than this digs into the metal and catches. ``room-practice``"""
LEAST_COUNTED_PLATES = 5
"""A share of a room's own plates is told only from so many on. ``room-practice``"""
