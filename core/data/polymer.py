"""Numbers of photopolymer plates, until a room's own measurements replace them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

from core.data.lines import Number

LampKind = Literal["point", "tubes", "panel"]
LAMP_KINDS: tuple[LampKind, ...] = get_args(LampKind)

STEP_DENSITY = 0.15
"""Of a transmission step wedge: a step is a factor of √2 in light. Source: ``step-wedge``."""
WEDGE_STEPS = 21
"""Steps on the usual wedge. ``step-wedge``"""


@dataclass(frozen=True)
class LampRow:
    """A kind of lamp: how it ages, and whether its light falls with the distance squared."""

    kind: LampKind
    label: str
    loss: Number
    """Share of its light lost over ``hours``, where nothing was measured."""
    hours: float
    """Its usual life [h]."""
    inverse_square: bool
    source: str = "room-practice"


LAMPS: dict[LampKind, LampRow] = {
    row.kind: row
    for row in (
        LampRow("point", "One small lamp", Number(0.15, 0.08, "", "room-practice"), 1000.0, True),
        LampRow("tubes", "Tubes", Number(0.20, 0.08, "", "room-practice"), 800.0, False),
        LampRow("panel", "LED panel", Number(0.10, 0.05, "", "room-practice"), 5000.0, False),
    )
}
METER = Number(0.03, 0.01, "", "room-practice")
"""One reading of irradiance or dose: how it was held, and its scale; of the logarithm."""
WEDGE_READING_STEPS = Number(0.35, 0.1, "steps", "room-practice")
"""Which step is the last that holds, judged by eye between two."""
HELD_LSTAR = 1.5
"""A highlight prints so much darker than clear film, a shadow so much lighter than solid
film. ``room-practice``"""
HIGHLIGHT_FILM, SHADOW_FILM = 0.05, 0.95
"""Share of the film that is black in the patches of a two-way test. ``room-practice``"""
EVEN_SHARE = 0.10
"""Light within a plate that differs by less is no worse than a tenth of a time.
``room-practice``"""
READING_LSTAR = 0.8
"""Spread of a printed tone, where it was not said. ``room-practice``"""

WASH_MINUTES = Number(5.0, 1.0, "min", "room-practice")
"""In water of 20 °C with a soft brush."""
WASH_HALVES_C = 10.0
"""Water warmer by so much washes out in half the time. ``room-practice``"""
OVER_WASHED, UNDER_WASHED = 1.5, 0.5
"""Shares of the time at which dots under 5 % are lost, and darks stay closed. ``room-practice``"""
FIRST_SCREEN_SECONDS, FIRST_IMAGE_SECONDS = 80.0, 160.0
"""Where a first two-way test is centred, where no wedge was read. ``room-practice``"""
TEST_STEP = 2**0.5
"""From one time of a test to the next: half a stop of light. ``step-wedge``"""
COVER_SECONDS = 15.0
"""To move a card from one strip to the next. ``room-practice``"""
LEAST_PATCH_MM = 8.0
"""Of a test: smaller ones cannot be read beside each other. ``room-practice``"""
