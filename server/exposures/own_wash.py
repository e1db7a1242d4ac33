"""How long this room's plates are washed out, by those that were clear."""

from __future__ import annotations

from statistics import fmean

from server.exposures.models import Exposure
from server.rooms.models import Room

LEAST, MOST = 2, 8
"""So many plates, the last of them, say what a room needs. ``room-practice``"""


def own_wash(room: Room) -> float | None:
    """Return what the room needs at 20 °C [s]; None until two plates were checked clear."""
    rows = Exposure.objects.filter(room=room, outcome=Exposure.FINISHED)
    rows = rows.exclude(washed_seconds=None).order_by("-ended_at")
    told = list(rows.values_list("washed_seconds", flat=True)[:MOST])
    return round(fmean(each or 0.0 for each in told), 1) if len(told) >= LEAST else None
