"""What goes wrong with exposed plates: how each cause shows, and what tells it from the others.

Chances and shifts are ``room-practice``.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal, get_args

SignKey = Literal[
    "lights-lost", "paper-grey", "darks-closed", "no-tooth", "middle-dark", "mottled", "rings",
    "edges-lifted", "not-clear", "one-side", "blurred", "film-stuck", "tacky",
]  # fmt: skip
SIGNS: dict[SignKey, str] = {
    "lights-lost": "The lightest tones print as bare paper",
    "paper-grey": "What should stay white prints grey",
    "darks-closed": "The darkest tones are one: nothing between them",
    "no-tooth": "Darks wipe out: pale in the middle, no tooth to hold ink",
    "middle-dark": "Both ends are right, the middle is too dark",
    "mottled": "Blotches where the tone should be even",
    "rings": "Rings or drops, like dried water",
    "edges-lifted": "Fine lines or edges have come away",
    "not-clear": "The floor of the darks feels slimy or looks milky",
    "one-side": "One side or corner is lighter than the rest",
    "blurred": "Outlines are soft, dots run together",
    "film-stuck": "The film stuck to the plate, or left marks",
    "tacky": "The surface is sticky, or wears within a few prints",
}
LEAST_CHANCE = 0.04
"""That a sign is seen where the cause does not bring it, or missed where it does.
``room-practice``"""

Tone = Literal["paper", "highlight", "shadow", "solid"]
TONES: tuple[Tone, ...] = get_args(Tone)
CauseKey = Literal[
    "image-long", "image-short", "screen-long", "screen-short", "wash-short", "wash-long",
    "film-thin", "contact", "damp", "lamp-uneven", "lamp-weak", "film-turned", "water-left",
    "soft", "uncorrected", "fogged",
]  # fmt: skip


@dataclass(frozen=True)
class CauseRow:
    """One cause: how often, what is seen, how the four tones move, what to do and to test next."""

    key: CauseKey
    label: str
    weight: float
    """How often, against the others."""
    signs: dict[SignKey, float]
    """Chance that each is seen; the rest hardly ever."""
    shifts: dict[Tone, float] = field(default_factory=dict)
    """L* by which a tone prints lighter than it should."""
    why: str = ""
    now: str = ""
    test: str = ""
    source: str = "room-practice"


CAUSES: dict[CauseKey, CauseRow] = {
    row.key: row
    for row in (
        CauseRow(
            "image-long", "Image exposed too long", 1.4,
            {"lights-lost": 0.85, "darks-closed": 0.15},
            {"highlight": 3.0, "shadow": 2.0, "solid": 1.0},
            "Light creeps under small dots and hardens them away.",
            "This plate's lights do not come back: expose another.",
            "Expose a wedge strip at this time and at two thirds of it.",
        ),
        CauseRow(
            "image-short", "Image exposed too short", 1.2,
            {"paper-grey": 0.85, "edges-lifted": 0.5, "not-clear": 0.15, "darks-closed": 0.2},
            {"paper": -6.0, "highlight": -6.0, "shadow": -1.0},
            "Under clear film the polymer is not hardened to its surface, and takes ink.",
            "It cannot be exposed further once washed: expose another.",
            "Expose a wedge strip at this time and at half as long again.",
        ),
        CauseRow(
            "screen-long", "Dot screen exposed too long", 1.0,
            {"darks-closed": 0.35, "no-tooth": 0.25, "middle-dark": 0.05},
            {"solid": 7.0, "shadow": 5.0},
            "The screen hardens too much of the ground: nothing deep is left to hold ink.",
            "Print it for what it is; expose the next shorter.",
            "Two-way test with shorter screen times.",
        ),
        CauseRow(
            "screen-short", "Dot screen exposed too short", 1.2,
            {"no-tooth": 0.85, "edges-lifted": 0.15},
            {"solid": 9.0, "shadow": 4.0},
            "No dots stand in the darks: ink is wiped out of them.",
            "A roulette or drypoint can give the darks some tooth.",
            "Two-way test with longer screen times.",
        ),
        CauseRow(
            "wash-short", "Washed out too short", 1.2,
            {"not-clear": 0.8, "darks-closed": 0.7, "mottled": 0.3, "tacky": 0.15},
            {"solid": 4.0, "shadow": 1.0},
            "Unhardened polymer is left in the darks and hardens there.",
            "Before it is hardened: wash on. After: it stays.",
            "Wash a strip of the same exposure half as long again.",
        ),
        CauseRow(
            "wash-long", "Washed out too long", 0.9,
            {"lights-lost": 0.5, "edges-lifted": 0.7},
            {"highlight": 2.0},
            "Water and brush undercut the finest dots and edges.",
            "What is gone is gone; dry and harden what stands.",
            "Wash a strip of the same exposure for the time at your water's temperature.",
        ),
        CauseRow(
            "film-thin", "The film's black is too thin", 0.9,
            {"darks-closed": 0.6, "no-tooth": 0.3},
            {"solid": 8.0, "shadow": 3.0, "highlight": 0.5},
            "Light comes through the black and hardens what should wash out.",
            "Lay two films on each other, or print it denser.",
            "Measure the black with a densitometer, or expose under it and a coin beside.",
        ),
        CauseRow(
            "contact", "The film did not lie close", 1.0,
            {"blurred": 0.85, "mottled": 0.4, "lights-lost": 0.25, "one-side": 0.15},
            {"highlight": 1.0, "shadow": -0.5},
            "Where film and plate part, light spreads under the dots.",
            "Clean glass and film, longer vacuum, no grain of dust.",
            "Expose fine lines in all corners and look at them with a loupe.",
        ),
        CauseRow(
            "damp", "Damp, or no chalk between film and plate", 0.9,
            {"film-stuck": 0.85, "mottled": 0.55, "rings": 0.2},
            {},
            "In damp air film and polymer stick and pull marks.",
            "Chalk the plate and brush it off; dry the room.",
            "Lay a clean film on a chalked and a bare strip for five minutes.",
        ),
        CauseRow(
            "lamp-uneven", "The lamp is uneven", 0.8,
            {"one-side": 0.9, "lights-lost": 0.15, "paper-grey": 0.2},
            {},
            "One side gets more light than the other.",
            "Raise the lamp or turn the plate half way through.",
            "Measure nine points, or expose a wedge in each corner.",
        ),
        CauseRow(
            "lamp-weak", "The lamp has aged", 0.8,
            {"paper-grey": 0.6, "no-tooth": 0.5, "edges-lifted": 0.45, "not-clear": 0.15},
            {"paper": -4.0, "highlight": -4.0, "solid": 5.0, "shadow": 1.0},
            "Both exposures came out short, though the clock was right.",
            "Lengthen both by the wedge.",
            "Expose the wedge for its old time: how many steps fewer hold?",
        ),
        CauseRow(
            "film-turned", "The film lay with its back to the plate", 0.6,
            {"blurred": 0.75, "lights-lost": 0.4, "middle-dark": 0.05},
            {"highlight": 1.5},
            "The film's own thickness lies between picture and polymer.",
            "Emulsion to plate: the picture reads mirrored as it lies.",
            "Scratch a corner of the film: the side that scratches goes down.",
        ),
        CauseRow(
            "water-left", "Water stood on it while it dried", 0.9,
            {"rings": 0.9, "mottled": 0.45},
            {},
            "Drops swell the polymer where they dry.",
            "Blot at once, no standing water, then warm air.",
            "Dry half a strip blotted, half wet.",
        ),
        CauseRow(
            "soft", "Not dried or hardened through", 0.8,
            {"tacky": 0.9, "mottled": 0.2, "edges-lifted": 0.2},
            {"paper": -1.5},
            "Soft polymer holds ink where it should not, and wears.",
            "Dry longer, then harden once more.",
            "Press a fingernail into a corner after hardening again.",
        ),
        CauseRow(
            "uncorrected", "The picture was not fitted to the plate", 0.9,
            {"middle-dark": 0.85, "darks-closed": 0.3},
            {},
            "Both ends hold, but a plate prints its middle tones darker than its film.",
            "Read a step chart through this pair and make the positive by its curve.",
            "Print a step chart of 21 steps.",
        ),
        CauseRow(
            "fogged", "The plate saw light, or is old", 0.5,
            {"darks-closed": 0.7, "not-clear": 0.2, "no-tooth": 0.45, "lights-lost": 0.2},
            {"solid": 12.0, "shadow": 8.0},
            "It was hardened before it was exposed.",
            "Keep plates wrapped, cool, under yellow light.",
            "Wash out a piece that was never exposed: it must wash off down to the steel.",
        ),
    )
}  # fmt: skip
SHIFT_SPREAD_SHARE, SHIFT_SPREAD_LSTAR = 0.6, 1.5
"""By how much a tone's shift differs from one failure to the next: a share of it, and L*.
``room-practice``"""
FACT_SPREAD = 0.18
"""Of the logarithm of a time or of light, as it is known afterwards. ``room-practice``"""
FACTS: dict[str, tuple[tuple[CauseKey, float, float], ...]] = {
    "image_ratio": (("image-long", 1.55, 0.25), ("image-short", 0.62, 0.25)),
    "screen_ratio": (("screen-long", 1.6, 0.25), ("screen-short", 0.58, 0.25)),
    "wash_share": (("wash-long", 1.7, 0.3), ("wash-short", 0.5, 0.3)),
    "lamp_factor": (("lamp-weak", 0.68, 0.2),),
}
"""What is known of the work: the cause it speaks of, its usual share there, and the spread of its
logarithm; under every other cause the share is 1. ``room-practice``"""
