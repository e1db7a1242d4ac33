"""Numbers of pools of mordant brushed onto the grain, until a strip of pools is read."""

from __future__ import annotations

from core.data.lines import Number

POOL_SPEED = Number(0.85, 0.25, "× tray", "room-practice")
"""Speed of a pool refreshed in time over that of the same mordant in a tray; spread of its log."""
REFRESH_SECONDS = 30
"""A pool is a thin film and is used up: left longer than this it slows. ``room-practice``"""
