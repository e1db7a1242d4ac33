"""How a plate lies in its bath, and what that does to the sediment."""

from __future__ import annotations

from typing import Literal

Facing = Literal["face up", "face down", "upright"]

SEDIMENT_HINTS: dict[Facing, str] = {
    "face up": "Sediment settles in the lines: rock the tray.",
    "face down": "Sediment falls out of the lines. Rest it on its edges; no air under it.",
    "upright": "Sediment falls past the lines. Turn it head over between bites.",
}
"""For a mordant that leaves sediment. ``room-practice``"""
USUAL_FACING: dict[str, Facing] = {"tank": "upright"}
"""By vessel; in all others it lies face up. ``room-practice``"""


def usual_facing(vessel: str) -> Facing:
    """Return how a plate lies where nobody said.

    Parameters
    ----------
    vessel : str

    Returns
    -------
    Facing
    """
    return USUAL_FACING.get(vessel, "face up")
