"""Numbers of etched lines, until a room's own measurements replace them."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Number:
    """One number of the trade: value, one standard deviation, unit, source."""

    value: float
    spread: float
    unit: str
    source: str


NEEDLE_UM = Number(50.0, 10.0, "µm", "room-practice")
"""Width an etching needle opens in the ground, where it was not measured."""
UNDERCUT_SPREAD = 0.12
"""Of the undercut: how far to the side a line is bitten for each part of depth.
``room-practice``"""
DARKNESS_DEPTH_UM = Number(15.0, 4.0, "µm", "room-practice")
"""A line this deep holds 63 % of the ink it can show."""
UNPRINTED_LSTAR, FULL_LINE_LSTAR = 94.0, 18.0
"""What an empty and a full line print, for drawing them: not a reading. ``room-practice``"""
LEAST_LAND_UM = Number(60.0, 15.0, "µm", "room-practice")
"""Land narrower than this falls in: the lines run together and print grey."""
DEPTHS_UM = {"fine": (15.0, 25.0), "middle": (30.0, 50.0), "strong": (60.0, 100.0)}
"""Usual depths [µm] of three strengths of line. ``room-practice``"""
DEPTH_READING_SPREAD_UM = 4.0
"""By focusing a loupe on the surface and on the floor of a line. ``room-practice``"""
WIDTH_READING_SPREAD_UM = 6.0
"""By a loupe with a scale. ``room-practice``"""
