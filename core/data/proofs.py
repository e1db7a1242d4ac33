"""Numbers of proofs: how far they stray by printing and by the plate, and what mending takes."""

from __future__ import annotations

READING_LSTAR = 1.0
"""Standard deviation of a tone read off a proof, where it was not measured. ``room-practice``"""
SCATTER_LSTAR = 0.7
"""By which areas of one plate stray from each other in one pull. ``room-practice``"""
PRINTING_LSTAR, PRINTING_SHARE = 6.0, 0.4
"""How far a pull strays as a whole, and how often it does. ``room-practice``"""
PLATE_LSTAR, PLATE_SHARE = 10.0, 0.15
"""How far an area strays by its bite, and how often. ``room-practice``"""
PULL_MINUTES = 25.0
"""Damp paper ready, inked, wiped and pulled again. ``room-practice``"""
BITE_MINUTES, GROUND_MINUTES = 30.0, 90.0
"""Beside the bite itself: cover, dip, wash; with a new ground or grain before it.
``room-practice``"""
DRYPOINT_MINUTES_PER_CM2, DRYPOINT_FIXED = 2.0, 5.0
DRYPOINT_SHARE, DRYPOINT_LSTAR = 0.3, 2.0
BURNISH_SHARE, BURNISH_LSTAR = 0.25, 2.0
"""A change by hand lands within this share of itself, and this much more. ``room-practice``"""
