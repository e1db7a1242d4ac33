"""Divide a study into its areas: by its tones, then by what was corrected by hand."""

from __future__ import annotations

import math

import cv2
import numpy as np

from core.data.study import RESISTS
from core.study.islands import join
from core.study.levels import Levels
from core.study.scale import Scale
from core.study.shapes import Edit, Point, StudyCut
from core.study.stop_out_maps import Labels

KEPT_WHITE = 0
FIRST_TONE = 1
_FINER_BITS = 4
_LINE = cv2.LINE_8


def divide(field: Levels, cut: StudyCut, width_mm: float) -> Labels:
    """Return which area each point belongs to.

    Parameters
    ----------
    field : array of levels
    cut : StudyCut
    width_mm : float [mm]
        Of the plate.

    Returns
    -------
    array (height, width)
        0 kept white by hand; 1, 2 … the tones, the lightest first; then the graded shapes in the
        order they were drawn.
    """
    scale = Scale(cut.lightest_lstar, cut.darkest_lstar, cut.map)
    fine = field.shape[1] / width_mm
    labels = np.asarray(cv2.LUT(field, scale.table(cut.bounds_lstar) + np.uint8(FIRST_TONE)))
    if cut.join_mm2:
        labels = join(labels, cut.join_mm2 * fine**2)
    graded = len(cut.tones_lstar) + FIRST_TONE
    for edit in cut.edits:
        paint(labels, edit, label_of(edit, cut, graded), fine)
        graded += edit.kind == "grade"
    return labels


def label_of(edit: Edit, cut: StudyCut, graded: int) -> int:
    """Return the label a correction paints: that of the nearest tone.

    Parameters
    ----------
    edit : Edit
    cut : StudyCut
    graded : int
        The next label of a graded shape.

    Returns
    -------
    int
    """
    if edit.kind == "grade":
        return graded
    if edit.to_lstar is None:
        return KEPT_WHITE
    return FIRST_TONE + nearest(edit.to_lstar, cut.tones_lstar)


def nearest(lstar: float, tones: list[float]) -> int:
    """Return the place of the nearest tone.

    Parameters
    ----------
    lstar : float [L*]
    tones : list of float [L*]

    Returns
    -------
    int
    """
    return min(range(len(tones)), key=lambda i: abs(tones[i] - lstar))


def paint(labels: Labels, edit: Edit, label: int, px_per_mm: float) -> None:
    """Paint a stroke or a closed shape.

    Parameters
    ----------
    labels : array
        Is changed.
    edit : Edit
    label : int
    px_per_mm : float
    """
    points = _points(edit.points, px_per_mm)
    if edit.kind != "brush":
        cv2.fillPoly(labels, [points], label, _LINE, _FINER_BITS)
        return
    wide = max(1, round(edit.width_mm * px_per_mm))
    cv2.polylines(labels, [points], False, label, wide, _LINE, _FINER_BITS)
    if len(points) == 1:
        cv2.circle(
            labels, tuple(points[0]), wide << (_FINER_BITS - 1), label, -1, _LINE, _FINER_BITS
        )


def _points(points: list[Point], px_per_mm: float) -> np.ndarray:
    finer = px_per_mm * (1 << _FINER_BITS)
    shift = 0.5 * (1 << _FINER_BITS)
    return np.array([[round(x * finer - shift), round(y * finer - shift)] for x, y in points])


def resisting(edit: Edit, shape: tuple[int, int], px_per_mm: float) -> np.ndarray:
    """Return the share that resists at each point: thickest at one end, none at the other.

    Parameters
    ----------
    edit : Edit
        A graded one.
    shape : (int, int) [px]
    px_per_mm : float

    Returns
    -------
    array (height, width)
    """
    if edit.toward is None or edit.resist is None:
        raise AssertionError("only graded shapes resist in part")
    (x0, y0), (x1, y1) = edit.toward
    length = max(math.hypot(x1 - x0, y1 - y0), 1e-6)
    down, across = np.ogrid[: shape[0], : shape[1]]
    along = (
        (across / px_per_mm - x0) * (x1 - x0) + (down / px_per_mm - y0) * (y1 - y0)
    ) / length**2
    return np.asarray(RESISTS[edit.resist].share * (1 - np.clip(along, 0, 1)), dtype=np.float32)
