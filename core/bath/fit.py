"""Does a plate fit into a tray or tank, and how much covers it."""

from __future__ import annotations

from core.bath.make_up_shapes import Fit, PlateSize, VesselSize
from core.data.make_up import FREEBOARD_MM, UNDER_PLATE_MM

MM3_PER_L = 1e6
ROUND_SIDES_MM = 20.0
"""Fingers, tongs or hooks beside the plate. ``room-practice``"""


def vessel_fit(
    vessel: VesselSize, plate: PlateSize | None, over_mm: float, volume_l: float | None
) -> Fit:
    """Return whether the plate fits, and the litres it needs.

    Parameters
    ----------
    vessel : VesselSize
        Its inside [mm].
    plate : PlateSize or None
    over_mm : float [mm]
        Liquid over the plate.
    volume_l : float [L] or None
        What is made up; None: what is needed.

    Returns
    -------
    Fit
    """
    base = vessel.width_mm * vessel.length_mm
    deep = UNDER_PLATE_MM + over_mm + (_stands(vessel, plate) if plate else 0.0)
    metal = plate.width_mm * plate.height_mm * plate.thickness_mm if plate else 0.0
    needed = (base * deep - metal) / MM3_PER_L
    holds = base * max(vessel.height_mm - FREEBOARD_MM, 0.0) / MM3_PER_L
    poured = needed if volume_l is None else volume_l
    depth = (poured * MM3_PER_L + metal) / base
    trouble = _trouble(vessel, plate, needed, holds, poured)
    return Fit(
        fits=trouble is None,
        needed_l=round(needed, 3),
        holds_l=round(holds, 3),
        depth_mm=round(depth, 1),
        text=trouble or f"It covers the plate by {over_mm:g} mm and leaves the rim free.",
    )


def _stands(vessel: VesselSize, plate: PlateSize) -> float:
    """Return how high the plate stands in the liquid [mm]."""
    if not vessel.upright:
        return plate.thickness_mm
    return min(plate.width_mm, plate.height_mm)


def _trouble(
    vessel: VesselSize, plate: PlateSize | None, needed: float, holds: float, poured: float
) -> str | None:
    if plate is not None and not _lies(vessel, plate):
        return (
            f"The plate of {plate.width_mm:g} × {plate.height_mm:g} mm does not go into "
            f"{vessel.width_mm:g} × {vessel.length_mm:g} mm with {ROUND_SIDES_MM:g} mm for hands."
        )
    if needed > holds:
        return f"Too shallow: it needs {needed:.2f} L and holds {holds:.2f} L below its rim."
    if poured > holds:
        return f"{poured:.2f} L is more than the {holds:.2f} L it holds below its rim."
    if poured < needed - 0.005:
        return f"{poured:.2f} L does not cover the plate: it needs {needed:.2f} L."
    return None


def _lies(vessel: VesselSize, plate: PlateSize) -> bool:
    sides = sorted((plate.width_mm, plate.height_mm))
    room = sorted((vessel.width_mm, vessel.length_mm))
    if vessel.upright:
        return sides[1] + ROUND_SIDES_MM <= room[1]
    return all(s + ROUND_SIDES_MM <= r for s, r in zip(sides, room, strict=True))
