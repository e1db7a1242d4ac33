"""Outlines of areas, in mm: smooth lines round what is painted, their holes left out."""

from __future__ import annotations

import itertools

import contourpy
import cv2
import numpy as np
from numpy.typing import NDArray

Polygon = list[NDArray[np.float64]]
"""A line round a piece, and one round each hole in it: arrays (points, 2) [mm]."""
_HALF_AWAY_PX = 0.35
_LEAST_POINTS = 4


def outlines(inside: NDArray[np.bool_], px_per_mm: float) -> list[Polygon]:
    """Return the pieces of an area.

    Parameters
    ----------
    inside : array (height, width) of bool
    px_per_mm : float

    Returns
    -------
    list of Polygon
        x to the right and y down from the top left.

    Notes
    -----
    Marching squares at the middle between inside and outside, then points that stand less than a
    third of a pixel off a straight line left out (Douglas and Peucker): the surface stays.
    Source: ``marching-squares``. Source: ``douglas-peucker``.
    """
    wide = cv2.copyMakeBorder(inside.astype(np.float32), 1, 1, 1, 1, cv2.BORDER_CONSTANT, value=0)
    soft = cv2.GaussianBlur(wide, (3, 3), 0.6)
    maker = contourpy.contour_generator(z=soft, fill_type=contourpy.FillType.OuterOffset)
    points, offsets = maker.filled(0.5, 2.0)
    pieces = []
    for piece, ends in zip(points, offsets, strict=True):
        rings = [piece[a:b] for a, b in itertools.pairwise(ends)]
        kept = [_simpler(ring, px_per_mm) for ring in rings if len(ring) >= _LEAST_POINTS]
        if kept:
            pieces.append(kept)
    return pieces


def _simpler(ring: NDArray, px_per_mm: float) -> NDArray[np.float64]:
    """Return a ring in mm with fewer points; pixel 1 of the wider picture is the first one."""
    fewer = cv2.approxPolyDP(ring.astype(np.float32)[:, None], _HALF_AWAY_PX, True)[:, 0]
    own = fewer if len(fewer) >= _LEAST_POINTS - 1 else ring
    return np.asarray((own.astype(float) - 0.5) / px_per_mm)


def surface_mm2(pieces: list[Polygon]) -> float:
    """Return the surface of pieces without their holes.

    Parameters
    ----------
    pieces : list of Polygon

    Returns
    -------
    float [mm²]
    """
    total = 0.0
    for first, *holes in pieces:
        total += _shoelace(first) - sum(_shoelace(hole) for hole in holes)
    return total


def _shoelace(ring: NDArray[np.float64]) -> float:
    x, y = ring[:, 0], ring[:, 1]
    return float(abs(np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1))) / 2)


def as_path(pieces: list[Polygon]) -> str:
    """Return pieces as the path of an SVG, to be filled by the even-odd rule.

    Parameters
    ----------
    pieces : list of Polygon

    Returns
    -------
    str
    """
    rings = (ring for piece in pieces for ring in piece)
    return "".join("M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in ring) + "Z" for ring in rings)
