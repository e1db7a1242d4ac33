"""Numbers of repair by hand and by tool: starting guesses, replaced by a room's own."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class RepairRow:
    """A route: minutes = fixed + area · (flat + depth · deep), each of the repeats included."""

    key: str
    title: str
    fixed_minutes: float
    flat_minutes_per_cm2: float
    deep_minutes_per_cm2_10um: float
    log_spread: float
    reaches_um: float
    """Deeper than this it is not done this way."""
    steps: tuple[str, ...]
    source: str = "room-practice"


REPAIRS: dict[str, RepairRow] = {
    row.key: row
    for row in (
        RepairRow("burnish", "Burnish by hand", 5, 1.2, 0.0, 0.4, 20, ("burnish",)),
        RepairRow("scrape", "Scrape, close the scratches, burnish", 15, 2.5, 3.0, 0.4, 150,
                  ("scrape", "abrade", "burnish", "degrease")),
        RepairRow("power", "Small power tool, then burnish", 20, 0.8, 0.9, 0.5, 150,
                  ("grind", "abrade", "burnish", "degrease")),
        RepairRow("mask", "Take the ink out with whiting at each inking", 0, 0, 0, 0.3, 1e9,
                  ("mask-whiting",)),
    )
}  # fmt: skip

BURNISH_LSTAR_A_PASS = 6.0
"""One pass of burnishing over an aquatint lightens it by about this much. ``room-practice``"""
BURNISH_ON_PLASTIC_LSTAR = 2.0
"""On plastic burnishing lightens only a little. ``room-practice``"""
MOST_BURNISH_PASSES = 5
"""After these the grain is pressed as flat as it goes. ``room-practice``"""
SCRAPED_LSTAR_BELOW_PAPER = 4.0
"""A scraped and polished place prints a little plate tone. ``room-practice``"""
MASK_MINUTES_AN_INKING = 1.5
"""To lift the ink off a small spot. ``room-practice``"""
MASK_MOST_CM2 = 4.0
"""A spot larger than this is not kept clean by whiting. ``room-practice``"""
NEW_PLATE_MINUTES = {"copper": 420.0, "zinc": 380.0, "plastic": 240.0, "polymer": 180.0}
"""Prepared, drawn, grounded and bitten to the same state, hands on. ``room-practice``"""
