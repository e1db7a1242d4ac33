"""What changed between two proofs of a plate: point by point, area by area, and what all share."""

from __future__ import annotations

from typing import Annotated

import cv2
import numpy as np
from numpy.typing import NDArray
from pydantic import Field

from core.data.mordants import TABLES_VERSION
from core.data.proofs import READING_LSTAR
from core.image.shapes import ImagePath
from core.reading.straight import Lstars, open_straight
from core.schema import Shape
from core.stages.cause import cause_of
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness

LEAST_LSTAR = 1.2
"""A change smaller than this is not shown."""
CELLS = 48
"""Along the long side."""
_GRAIN_CELLS = 1.1
"""Cells are evened out over so many: two pulls of one plate differ in every grain."""
_ALIGNED_PX, _PASSES = 450, 40
SHIFTED_MM = 0.3


class ComparedArea(Shape):
    """An area as it was read off both proofs."""

    name: AreaName
    left_lstar: Lightness
    right_lstar: Lightness
    left_spread: Annotated[float, Field(ge=0.05, le=20)] = READING_LSTAR
    right_spread: Annotated[float, Field(ge=0.05, le=20)] = READING_LSTAR


class CompareProofsInput(Shape):
    """Two proofs of a plate, laid straight, and their areas as they were read."""

    left: ImagePath | None = None
    right: ImagePath | None = None
    width_mm: Annotated[float, Field(ge=1, le=2500, json_schema_extra={"unit": "mm"})]
    areas: Annotated[list[ComparedArea], Field(max_length=40)] = []


class AreaChange(Shape):
    """How an area changed from the left proof to the right: above zero, lighter [L*]."""

    name: str
    change_lstar: float
    own_lstar: float
    """Without what all areas share."""


class CompareProofsOutput(Shape):
    """What changed; by cells where both are laid straight."""

    areas: list[AreaChange]
    shared_lstar: float
    """What all areas share: the wipe."""
    shared_spread: float
    columns: int
    rows: int
    cells: list[float]
    """Change of each cell, row by row [L*]; empty where a picture is missing."""
    shift_mm: float
    """How far the right picture had to be moved to lie on the left one."""
    text: str
    tables: str


def compare_proofs(given: CompareProofsInput) -> CompareProofsOutput:
    """Return what changed between two proofs.

    Parameters
    ----------
    given : CompareProofsInput

    Returns
    -------
    CompareProofsOutput
        [L*]

    Raises
    ------
    CoreError
        A picture is not there.

    Notes
    -----
    The right picture is moved onto the left one by the enhanced correlation coefficient before
    they are differed. What all areas share is parted from each one's own as in ``cause_of``.
    Source: ``evangelidis-2008``, ``room-practice``.
    """
    changes = np.array([area.right_lstar - area.left_lstar for area in given.areas])
    spreads = np.array([np.hypot(a.left_spread, a.right_spread) for a in given.areas])
    cause = cause_of(changes, spreads) if len(changes) else None
    own = cause.own if cause else changes
    cells, shift = _cells(given)
    return CompareProofsOutput(
        areas=[
            AreaChange(name=a.name, change_lstar=round(float(c), 1), own_lstar=round(float(o), 1))
            for a, c, o in zip(given.areas, changes, own, strict=True)
        ],
        shared_lstar=round(cause.shift, 1) if cause else 0.0,
        shared_spread=round(cause.shift_spread, 1) if cause else 0.0,
        columns=cells.shape[1], rows=cells.shape[0],
        cells=[round(float(x), 1) for x in cells.ravel()],
        shift_mm=round(shift, 2),
        text=_sentence(given.areas, changes),
        tables=TABLES_VERSION,
    )  # fmt: skip


def _sentence(areas: list[ComparedArea], changes: NDArray) -> str:
    """Return what changed most, in one sentence."""
    order = [int(i) for i in np.argsort(-np.abs(changes)) if abs(changes[i]) >= LEAST_LSTAR]
    if not len(changes):
        return "No area was read off both."
    if not order:
        return f"Nothing changed by {LEAST_LSTAR:g} L* or more."
    told = [
        f"{areas[i].name} went {_whole(changes[i])} L* {'lighter' if changes[i] > 0 else 'darker'}"
        for i in order[:2]
    ]
    return ", ".join(told) + "."


def _whole(change: float) -> int:
    """Return a change to the whole L*, halves up: as it is shown everywhere."""
    return int(abs(round(float(change), 1)) + 0.5)


def _cells(given: CompareProofsInput) -> tuple[NDArray, float]:
    if given.left is None or given.right is None:
        return np.zeros((0, 0)), 0.0
    left, right = open_straight(given.left), open_straight(given.right)
    size = (left.shape[1], left.shape[0])
    right = cv2.resize(right, size, interpolation=cv2.INTER_AREA)
    moved, shift = _onto(left, right)
    less = CELLS / max(left.shape)
    cells = (max(1, round(size[0] * less)), max(1, round(size[1] * less)))
    change = cv2.resize(moved - left, cells, interpolation=cv2.INTER_AREA)
    even = cv2.GaussianBlur(change, (0, 0), _GRAIN_CELLS)
    return np.asarray(even), shift / size[0] * given.width_mm


def _onto(left: Lstars, right: Lstars) -> tuple[Lstars, float]:
    """Return the right picture moved onto the left, and by how much at most [px]."""
    less = min(1.0, _ALIGNED_PX / max(left.shape))
    small = [
        cv2.GaussianBlur(cv2.resize(each, None, fx=less, fy=less, interpolation=cv2.INTER_AREA),
                         (0, 0), 1.5)
        for each in (left, right)
    ]  # fmt: skip
    warp = np.eye(2, 3, dtype=np.float32)
    stop = (cv2.TERM_CRITERIA_COUNT | cv2.TERM_CRITERIA_EPS, _PASSES, 1e-5)
    try:
        _, warp = cv2.findTransformECC(small[0], small[1], warp, cv2.MOTION_AFFINE, stop, None, 5)
    except cv2.error:
        return right, 0.0
    full = np.asarray(warp, dtype=float).copy()
    full[:, 2] /= less
    height, width = left.shape
    corners = np.array([[0, 0], [width, 0], [width, height], [0, height]], dtype=float)
    off = corners @ full[:, :2].T + full[:, 2] - corners
    flags = cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP
    moved = cv2.warpAffine(
        right, full, (width, height), flags=flags, borderMode=cv2.BORDER_REPLICATE
    )
    return np.asarray(moved), float(np.linalg.norm(off, axis=1).max())
