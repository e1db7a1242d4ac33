"""Numbers of aquatint dust."""

from __future__ import annotations

GOOD_COVER = (0.45, 0.55)
"""Half covered: the mordant finds its way, and grain enough stands. ``room-practice``"""
THINNEST, FULLEST = 0.40, 0.60
"""Under 40 % it bites open; above 60 % the mordant finds no way in. ``room-practice``"""
