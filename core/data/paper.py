"""How paper is damped and dried: when it is ready, when it must be out, how long it dries."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

School = Literal["soft-soak", "hard-soak", "sponge-bag", "pack", "tap"]
DryWay = Literal["board", "blotters", "line"]
BetterSide = Literal["felt", "wire", "either"]

_MINUTE, _HOUR, _DAY = 60.0, 3600.0, 86_400.0


@dataclass(frozen=True)
class DampingRow:
    """One way of damping; times [s] from when the paper went in."""

    key: School
    label: str
    place: str
    """Where it lies meanwhile."""
    ready_seconds: float
    latest_seconds: float
    why_ready: str
    why_latest: str
    redamp: str
    """How it is damped again for a second colour."""
    source: str = "room-practice"


DAMPING: dict[str, DampingRow] = {
    row.key: row
    for row in (
        DampingRow(
            "soft-soak", "soaked, soft sized", "tray", 20 * _MINUTE, 2 * _HOUR,
            "Soft paper drinks at once: it is limp through.", "Longer washes the size out.",
            "Spray the back, half an hour in a bag.",
        ),
        DampingRow(
            "hard-soak", "soaked, hard sized", "tray", 45 * _MINUTE, 2 * _HOUR,
            "Hard sized paper takes its time to go limp.", "Longer washes the size out.",
            "Back into the water for ten minutes, then blot.",
        ),
        DampingRow(
            "sponge-bag", "sponged, in a bag", "bag", 20 * _MINUTE, 12 * _HOUR,
            "The damp has spread evenly by then.", "A bag goes musty overnight.",
            "Spray lightly and close the bag again.",
        ),
        DampingRow(
            "pack", "damp pack", "pack", 8 * _HOUR, 48 * _HOUR,
            "Overnight every sheet is alike.", "Mould begins after two days.",
            "Back into the pack between damp blotters for an hour.",
        ),
        DampingRow(
            "tap", "under the tap", "towel", 2 * _MINUTE, 15 * _MINUTE,
            "A few minutes are enough for a craft roller.", "It dries while it waits.",
            "Under the tap again.",
        ),
    )
}  # fmt: skip


@dataclass(frozen=True)
class DryRow:
    """One way of drying prints flat."""

    key: DryWay
    label: str
    days: float
    how: str
    source: str = "room-practice"


DRYING: dict[str, DryRow] = {
    row.key: row
    for row in (
        DryRow("board", "taped damp to a board", 1.0,
               "It tightens like a drum; cut it off when it rings."),
        DryRow("blotters", "between blotters under weight", 2.0,
               "Change the blotters after the first hour and the first night."),
        DryRow("line", "on the line, flattened later", 0.5,
               "It cockles: damp it and press it flat afterwards."),
    )
}  # fmt: skip
PLATE_DRIES_SECONDS = 30 * _MINUTE
"""Ink left in the lines this long begins to set: clean the plate before. ``room-practice``"""
