"""Which metal may go into which mordant: allowed, under a caution, or refused, with the reason."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Verdict = Literal["allowed", "care", "refused"]


@dataclass(frozen=True)
class PairRow:
    """One pair. ``held_copper`` None: whatever was in the bath before.

    ``caution`` is what must be known before it is begun: a key of ``CAUTIONS``.
    """

    metal: str
    mordants: tuple[str, ...]
    held_copper: bool | None
    verdict: Verdict
    reason: str
    caution: str = ""
    source: str = "room-practice"


FERRIC = ("copper-ferric", "copper-ferric-citric")
WEAK_NITRIC = ("zinc-nitric-10", "zinc-nitric-16")
SULPHATE = ("zinc-copper-sulphate",)
ALL = (*FERRIC, "copper-nitric", *WEAK_NITRIC, *SULPHATE)

PAIRS = (
    PairRow("copper", FERRIC, None, "allowed", ""),
    PairRow("copper", ("copper-nitric",), None, "care",
            "Brown fumes whose harm shows hours later; it heats itself.", "nitric"),
    PairRow("copper", WEAK_NITRIC, None, "refused",
            "It is too weak for copper, and copper in it would plate out on the next zinc."),
    PairRow("copper", SULPHATE, None, "refused", "Copper sulphate does not bite copper."),
    PairRow("zinc", SULPHATE, None, "allowed", ""),
    PairRow("zinc", WEAK_NITRIC, False, "allowed", ""),
    PairRow("zinc", WEAK_NITRIC, True, "care",
            "Copper was bitten in it: copper plates out on the zinc, red and uneven.",
            "zinc-in-coppered-nitric"),
    PairRow("zinc", ("copper-nitric",), None, "refused",
            "It is far too strong for zinc: it boils up, heats itself and gasses."),
    PairRow("zinc", FERRIC, True, "refused",
            "It held copper. It heats up, gives off gas, and copper plates out on the zinc; that "
            "stays true after topping up or decanting.", "zinc-in-ferric"),
    PairRow("zinc", FERRIC, False, "care",
            "Zinc in ferric heats up and gives off gas, even where no copper was ever in it.",
            "zinc-in-clean-ferric"),
    PairRow("plastic", ALL, None, "refused", "There is nothing to bite in plastic."),
    PairRow("polymer", ALL, None, "refused", "There is nothing to bite in photopolymer."),
)  # fmt: skip
