"""Where the registration crosses of several plates stand, so that none lies on another's."""

from __future__ import annotations

from core.layers.shapes import SizeMm

ARM_MM, GAP_MM, EDGE_MM = 3.0, 9.0, 5.0
"""Half a cross, from one plate's to the next, from the edge. ``room-practice``"""
_LEAST_ARM_MM = 1.5
_BETWEEN_MM = 1.5


def mark_places(size_mm: SizeMm, plates: int) -> tuple[float, list[list[tuple[float, float]]]]:
    """Return half the length of a cross, and for each plate where its four stand.

    Parameters
    ----------
    size_mm : (float, float) [mm]
    plates : int

    Returns
    -------
    float [mm], list of list of (float, float) [mm]
        From the top left of the print, the first plate's nearest to the corners. No place for a
        plate too small for all of them.
    """
    room = size_mm[0] / 2 - EDGE_MM
    gap = min(GAP_MM, room / max(1, plates))
    arm = min(ARM_MM, (gap - _BETWEEN_MM) / 2)
    if arm < _LEAST_ARM_MM or size_mm[1] < 4 * EDGE_MM:
        return _LEAST_ARM_MM, [[] for _ in range(plates)]
    edge = max(EDGE_MM, arm + 1)
    return arm, [_corners(size_mm, edge + gap * place, edge) for place in range(plates)]


def _corners(size: SizeMm, x: float, y: float) -> list[tuple[float, float]]:
    across, down = (round(x, 1), round(size[0] - x, 1)), (round(y, 1), round(size[1] - y, 1))
    return [(at_x, at_y) for at_y in down for at_x in across]
