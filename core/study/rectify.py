"""A photographed plate, laid straight: by its four corners, which are looked for."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.image.picture import not_a_picture
from core.study.levels import check_picture

Colours = NDArray[np.uint8]
Corners = NDArray[np.float32]
"""Top left, top right, bottom right, bottom left [px]: (4, 2)."""

MOST_PIXELS = 60_000_000
LAID_PX_PER_MM, MOST_LAID_PX = 5.0, 3_000_000
_LOOKED_AT_PX = 800
_LEAST_SHARE = 0.08
_BENT = 0.02
_MARGIN = 0.03
_LIMITS = (30, 45, 70, 110)
_WIDE_REACH, _NARROW_REACH = 0.015, 0.006
"""Shares of a side by which a corner found on the small picture may be off; then once more."""
_SAMPLES = 160


def open_colours(path: str) -> Colours:
    """Return a photograph, upright: (height, width, 3), blue first.

    Parameters
    ----------
    path : str

    Returns
    -------
    array

    Raises
    ------
    PictureError
        No picture, or too large.
    """
    check_picture(path, MOST_PIXELS)
    found = cv2.imread(path, cv2.IMREAD_COLOR)
    if found is None:
        raise not_a_picture(path)
    return np.asarray(found)


def find_corners(photo: Colours, width_mm: float, height_mm: float) -> Corners:
    """Return the corners of the plate in a photograph.

    Parameters
    ----------
    photo : array (height, width, 3)
    width_mm, height_mm : float [mm]
        Of the plate.

    Returns
    -------
    array (4, 2)

    Raises
    ------
    CoreError
        No four-sided shape stands out from what it lies on.
    """
    less = min(1.0, _LOOKED_AT_PX / max(photo.shape[:2]))
    small = cv2.resize(photo, None, fx=less, fy=less, interpolation=cv2.INTER_AREA)
    shapes = [four_sided(mask) for mask in _foregrounds(small)]
    there = [shape for shape in shapes if shape is not None]
    if not there:
        raise CoreError(
            "no-plate", "The plate cannot be told from what it lies on. Drag its four corners.",
            field="corners_px", allowed="four corners",
        )  # fmt: skip
    best = min(there, key=lambda shape: _off(shape, width_mm / height_mm))
    fine = _refined(photo, _refined(photo, best / less, _WIDE_REACH), _NARROW_REACH)
    return _in_order(fine, wide=width_mm >= height_mm)


def _refined(photo: Colours, corners: Corners, reach: float) -> Corners:
    """Return corners where the sides meet along which the colours change most."""
    lab = cv2.cvtColor(cv2.GaussianBlur(photo, (0, 0), 1.2), cv2.COLOR_BGR2LAB).astype(np.float32)
    lines = []
    for i in range(4):
        a, b = corners[i], corners[(i + 1) % 4]
        points = _steepest(lab, a, b, reach * float(np.linalg.norm(b - a)))
        vx, vy, x, y = cv2.fitLine(points, cv2.DIST_WELSCH, 0, 0.01, 0.01).ravel()
        lines.append(np.cross([x, y, 1], [x + vx, y + vy, 1]))
    return _meeting(lines)


def _steepest(lab: NDArray, a: NDArray, b: NDArray, reach: float) -> NDArray[np.float32]:
    """Return for points along a side where, across it, the colours change most."""
    along = (b - a) / np.linalg.norm(b - a)
    across = np.array([along[1], -along[0]])
    places = np.linspace(0.06, 0.94, _SAMPLES)[:, None]
    reach = max(2.0, reach)
    offs = np.arange(-reach, reach + 1.0)
    middles = a + places * (b - a)
    grid = middles[:, None] + offs[None, :, None] * across
    seen = cv2.remap(
        lab, grid[..., 0].astype(np.float32), grid[..., 1].astype(np.float32), cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )  # fmt: skip
    steep = np.abs(seen[:, 2:] - seen[:, :-2]).sum(axis=2)
    best = steep.argmax(axis=1) + 1
    return np.asarray(grid[np.arange(len(best)), best], dtype=np.float32)


def _meeting(lines: list[NDArray]) -> Corners:
    meets = [np.cross(lines[i - 1], lines[i]) for i in range(4)]
    return np.array([meet[:2] / meet[2] for meet in meets], dtype=np.float32)


def _off(corners: Corners, ratio: float) -> float:
    """Return how little a shape looks like a plate of this ratio, seen a little aslant."""
    sides = np.linalg.norm(corners - np.roll(corners, 1, axis=0), axis=1)
    seen = (sides[0] + sides[2]) / (sides[1] + sides[3])
    uneven = abs(np.log(sides[0] / sides[2])) + abs(np.log(sides[1] / sides[3]))
    return float(min(abs(np.log(seen * ratio)), abs(np.log(seen / ratio))) + 0.5 * uneven)


def _foregrounds(small: Colours) -> list[NDArray[np.uint8]]:
    """Return where the colours are not those of the border of the picture, by several limits.

    Paint may stand out more than the metal, or be as light as the table.
    """
    lab = cv2.cvtColor(cv2.GaussianBlur(small, (0, 0), 2), cv2.COLOR_BGR2LAB).astype(np.float32)
    edge = max(2, round(_MARGIN * min(small.shape[:2])))
    border = np.concatenate(
        [part.reshape(-1, 3) for part in (lab[:edge], lab[-edge:], lab[:, :edge], lab[:, -edge:])]
    )
    middle = np.median(border, axis=0)
    spread = 1.5 * np.median(np.abs(border - middle), axis=0) + 3.0
    far = np.sqrt((((lab - middle) / spread) ** 2).sum(axis=2))
    scaled = np.asarray(np.clip(far * 12, 0, 255), dtype=np.uint8)
    otsu, _ = cv2.threshold(scaled, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    closed = np.ones((9, 9), np.uint8)
    return [
        np.asarray(cv2.morphologyEx((scaled > level).astype(np.uint8), cv2.MORPH_CLOSE, closed))
        for level in (*_LIMITS, otsu)
    ]


def four_sided(mask: NDArray[np.uint8]) -> Corners | None:
    """Return the corners of the largest shape of a mask; None where it has not four sides.

    Parameters
    ----------
    mask : array (height, width)

    Returns
    -------
    array (4, 2) or None
    """
    found, _ = cv2.findContours(mask, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    if not found:
        return None
    largest = max(found, key=cv2.contourArea)
    if cv2.contourArea(largest) < _LEAST_SHARE * mask.size:
        return None
    hull = cv2.convexHull(largest)
    for step in range(1, 12):
        shape = cv2.approxPolyDP(hull, step * 0.5 * _BENT * cv2.arcLength(hull, True), True)
        if len(shape) == 4:
            return _sharpened(hull[:, 0].astype(np.float32), shape[:, 0].astype(np.float32))
        if len(shape) < 4:
            return None
    return None


def _sharpened(hull: NDArray, rough: NDArray) -> Corners:
    """Return corners where the lines through the four sides meet: a filed corner is round."""
    lines = []
    for i in range(4):
        a, b = rough[i], rough[(i + 1) % 4]
        along, length = b - a, float(np.linalg.norm(b - a))
        place = (hull - a) @ along / length**2
        off = np.abs(np.cross(along, hull - a)) / length
        near = hull[(place > 0.02) & (place < 0.98) & (off < 0.02 * length)]
        points = np.vstack([near, a + 0.1 * along, a + 0.9 * along]) if len(near) < 2 else near
        vx, vy, x, y = cv2.fitLine(points, cv2.DIST_HUBER, 0, 0.01, 0.01).ravel()
        lines.append(np.cross([x, y, 1], [x + vx, y + vy, 1]))
    return _meeting(lines)


def _in_order(corners: Corners, *, wide: bool) -> Corners:
    """Return corners from the top left clockwise, turned so that the plate's long side fits."""
    middle = corners.mean(axis=0)
    turn = np.arctan2(*(corners - middle).T[::-1])
    ordered = corners[np.argsort(turn)]
    start = int(np.argmin(ordered.sum(axis=1)))
    ordered = np.roll(ordered, -start, axis=0)
    across = np.linalg.norm(ordered[1] - ordered[0]) + np.linalg.norm(ordered[2] - ordered[3])
    down = np.linalg.norm(ordered[3] - ordered[0]) + np.linalg.norm(ordered[2] - ordered[1])
    square = abs(across - down) < 0.1 * (across + down)
    return ordered if square or (across >= down) == wide else np.roll(ordered, 1, axis=0)


def lay_straight(
    photo: Colours, corners: Corners, width_mm: float, height_mm: float
) -> tuple[Colours, float]:
    """Return the plate alone, straight, and its pixels per mm.

    Parameters
    ----------
    photo : array
    corners : array (4, 2) [px]
    width_mm, height_mm : float [mm]

    Returns
    -------
    (array, float)

    Raises
    ------
    CoreError
        The corners do not go round a shape.
    """
    fine = min(LAID_PX_PER_MM, (MOST_LAID_PX / (width_mm * height_mm)) ** 0.5)
    width, height = round(width_mm * fine), round(height_mm * fine)
    if not cv2.isContourConvex(corners.astype(np.float32)[:, None]):
        raise CoreError(
            "crossed-corners", "The corners cross over. Give them clockwise from the top left.",
            field="corners_px", allowed="four corners, clockwise",
        )  # fmt: skip
    onto = np.array([[0, 0], [width, 0], [width, height], [0, height]], dtype=np.float32)
    warp = cv2.getPerspectiveTransform(corners.astype(np.float32), onto)
    return np.asarray(cv2.warpPerspective(photo, warp, (width, height), flags=cv2.INTER_AREA)), fine
