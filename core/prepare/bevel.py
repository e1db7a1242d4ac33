"""Is a bevel needed, how far does it run, how long does it take."""

from __future__ import annotations

import math

from core.data.preparation import (
    FILE_MINUTES_PER_CM,
    LEAST_FLAT_MM,
    OPTIONAL_UNDER_MM,
    USUAL_RUN_SHARE,
)
from core.errors import CoreError
from core.prepare.shapes import BevelInput, BevelOutput

_LOW, _HIGH = 0.7, 1.5


def bevel(given: BevelInput) -> BevelOutput:
    """Return whether a bevel is needed and what it comes to.

    Parameters
    ----------
    given : BevelInput
        Sizes [mm], angle to the face [°].

    Returns
    -------
    BevelOutput

    Raises
    ------
    CoreError
        The bevel would take the whole edge, or run in farther than the plate allows.

    Notes
    -----
    run = height / tan(angle). Edge = perimeter − 8·r + 2π·r for corners rounded with radius r.
    Source: ``trigonometry``, ``room-practice``.
    """
    height = given.height_of_bevel_mm or USUAL_RUN_SHARE * given.thickness_mm
    _check_height(given, height)
    run = height / math.tan(math.radians(given.angle_degrees))
    _check_run(given, run)
    edge_cm = edge_length_cm(given.width_mm, given.height_mm, given.corners_rounded_mm)
    minutes = edge_cm * FILE_MINUTES_PER_CM[given.material] * given.thickness_mm
    needed, reason = _needed(given)
    return BevelOutput(
        needed=needed,
        reason=reason,
        run_mm=round(run, 2),
        height_mm=round(height, 2),
        edge_cm=round(edge_cm, 1),
        minutes=round(minutes, 0),
        minutes_low=round(_LOW * minutes, 0),
        minutes_high=round(_HIGH * minutes, 0),
    )


def is_optional(material: str, thickness_mm: float) -> bool:
    """Tell whether a plate may go without a bevel: plastic under 1.5 mm. ``room-practice``.

    Parameters
    ----------
    material : str
    thickness_mm : float [mm]

    Returns
    -------
    bool
    """
    return material == "plastic" and thickness_mm < OPTIONAL_UNDER_MM


def edge_length_cm(width_mm: float, height_mm: float, corner_mm: float) -> float:
    """Return the length of edge to work [cm], its corners rounded with a radius [mm].

    Parameters
    ----------
    width_mm, height_mm, corner_mm : float [mm]

    Returns
    -------
    float [cm]
    """
    radius = min(corner_mm, width_mm / 2, height_mm / 2)
    return (2 * (width_mm + height_mm) - 8 * radius + 2 * math.pi * radius) / 10


def _needed(given: BevelInput) -> tuple[str, str]:
    if is_optional(given.material, given.thickness_mm):
        return "optional", (
            f"Plastic of {given.thickness_mm:g} mm bends before it cuts: under "
            f"{OPTIONAL_UNDER_MM:g} mm it may go without. File it all the same if its edge prints."
        )
    if given.material == "plastic":
        return "needed", (
            f"Plastic from {OPTIONAL_UNDER_MM:g} mm on cuts paper and blankets at its edge."
        )
    what = "Photopolymer on steel" if given.material == "polymer" else given.material.capitalize()
    return "needed", f"{what} always: a square edge cuts paper and blankets, and prints a frame."


def _check_height(given: BevelInput, height: float) -> None:
    most = given.thickness_mm - min(LEAST_FLAT_MM, given.thickness_mm / 4)
    if height > most + 1e-9:
        raise CoreError(
            "bevel-too-steep",
            f"A bevel {height:g} mm high leaves no edge on a plate {given.thickness_mm:g} mm "
            "thick: it would be a knife.",
            field="height_of_bevel_mm",
            value=round(height, 2),
            allowed=f"at most {most:.2f}",
            unit="mm",
        )


def _check_run(given: BevelInput, run: float) -> None:
    most = min(given.width_mm, given.height_mm) / 4
    if run > most:
        raise CoreError(
            "bevel-too-wide",
            f"At {given.angle_degrees:g}° the bevel runs {run:.1f} mm in, too far for this plate. "
            "Take a steeper angle.",
            field="angle_degrees",
            value=given.angle_degrees,
            allowed=f"so steep that it runs in at most {most:.1f}",
            unit="mm",
        )
