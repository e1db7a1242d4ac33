"""Ink, hands and press: starting guesses, until a room's own pulls replace them."""

from __future__ import annotations

from typing import Literal

InkRole = Literal["pigment", "base", "medium", "oil", "other"]
Stiffness = Literal["soft", "middle", "stiff"]
PressBy = Literal["turns", "gauge", "gap"]
"""What its pressure is read by: turns from contact, a gauge, the number of a gap."""

INK_G_PER_CM2_SHALLOW, INK_G_PER_CM2_DEEP = 0.010, 0.020
"""For the first inking of lines to ``INK_SHALLOW_UM`` and from ``INK_DEEP_UM`` deep.
``room-practice``"""
INK_SHALLOW_UM, INK_DEEP_UM = 20.0, 80.0
INK_NEXT_SHARE = 0.5
"""Of the first inking, for each one after. ``room-practice``"""
INK_FACTOR = 1.5
"""× or ÷, 95 %. ``room-practice``"""
PULL_MINUTES, PULL_FACTOR = 25.0, 1.5
"""An impression of a worked plate, × or ÷, until a room's own were counted. ``room-practice``"""
BREAK_AFTER_MINUTES, BREAK_MINUTES = 120.0, 15.0
"""Hands tire at the press. ``room-practice``"""
SAME_SITTING_MINUTES = 90.0
"""A gap longer than this is a pause, not an impression. ``room-practice``"""
