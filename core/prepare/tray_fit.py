"""How much mordant covers plates that lie side by side."""

from __future__ import annotations

from collections.abc import Iterable

COVERED_BY_CM = 2.0
"""Mordant over the plate. ``room-practice``"""
_CM3_PER_L = 1000.0


def litres_to_cover(areas_cm2: Iterable[float]) -> float:
    """Return the least volume that covers plates side by side, lying flat.

    Parameters
    ----------
    areas_cm2 : iterable of float [cm²]
        Of each plate.

    Returns
    -------
    float [L]

    Notes
    -----
    Area times 20 mm; the margin between plates and walls comes on top. Source: ``room-practice``.
    """
    return sum(areas_cm2) * COVERED_BY_CM / _CM3_PER_L
