"""Look a painted plate over before the dip: what should be covered and looks bare."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, untold
from core.study.divide import divide
from core.study.field import read_field
from core.study.rectify import find_corners, lay_straight, open_colours
from core.study.shapes import BareMark, LookOverInput, LookOverOutput
from core.study.stages import StudyArea, areas_of, stages_of
from core.study.stop_out_maps import BEFORE, NOW, OPEN, Labels

Features = NDArray[np.float32]
Mask = NDArray[np.bool_]

HAND_MM = 0.9
"""Within so much of an outline a painted edge, or a corner found, may be off."""
LEAST_MM2 = 5.0
"""Of a mark's middle: a piece of 25 mm² is far larger, a speck of light smaller."""
SCRATCH_MM, SCRATCH_WIDE_MM = 8.0, 1.2
EDGE_MM = 2.5
_SOFT_MM, _FINE_MM = 0.45, 0.15
_DARKEST = 4.0
_PASSES = 3
_METAL_WITHIN = 4.0
_APART = 4.0
"""In spreads: covered and metal nearer than this are not told apart."""
MOST_MARKS = 40


def look_over(given: LookOverInput, tell: Tell = untold) -> LookOverOutput:
    """Return what looks bare on a photograph and should be covered.

    Parameters
    ----------
    given : LookOverInput
    tell : callable
        Is told the share done.

    Returns
    -------
    LookOverOutput

    Raises
    ------
    CoreError
        No picture, no plate in it, or nothing is covered before this bite.

    Notes
    -----
    The map says where metal should be seen and where each pen: how both look in this light is
    learned there, by medians, so that what was forgotten does not spoil it. A point is bare where
    it looks like the metal and unlike what covers its own area.
    """
    labels = divide(read_field(given.field), given.cut, given.width_mm)
    areas = areas_of(labels, given.cut, given.width_mm)
    stage = next((s for s in stages_of(areas, given.method) if s.bite == given.bite), None)
    if stage is None:
        raise CoreError(
            "no-stage", f"Nothing is painted before bite {given.bite}.", field="bite",
            value=given.bite, allowed="a bite before which something is covered",
        )  # fmt: skip
    photo = open_colours(given.image)
    corners = (
        np.array(given.corners_px, dtype=np.float32)
        if given.corners_px
        else find_corners(photo, given.width_mm, given.height_mm)
    )
    tell(0.3)
    plate, fine = lay_straight(photo, corners, given.width_mm, given.height_mm)
    laid = cv2.resize(
        cv2.flip(labels, 1), (plate.shape[1], plate.shape[0]), interpolation=cv2.INTER_NEAREST
    )
    seen = _Seen(plate, laid, np.asarray(cv2.LUT(laid, stage.table)), fine)
    tell(0.5)
    marks, sure = _bare_marks(seen, areas)
    return LookOverOutput(
        marks=marks, corners_px=[(round(float(x), 1), round(float(y), 1)) for x, y in corners],
        sure=sure, text=_told(marks, sure), tables=TABLES_VERSION,
    )  # fmt: skip


@dataclass(frozen=True)
class _Seen:
    """A plate laid straight, its map, and what becomes of each point before the bite."""

    plate: NDArray[np.uint8]
    labels: Labels
    states: NDArray[np.uint8]
    fine: float

    @property
    def covered(self) -> Mask:
        return (self.states == BEFORE) | (self.states == NOW)

    @property
    def open(self) -> Mask:
        return self.states == OPEN


def _bare_marks(seen: _Seen, areas: list[StudyArea]) -> tuple[list[BareMark], bool]:
    features = _even(np.log(seen.plate.astype(np.float32) + _DARKEST), seen)
    soft = cv2.GaussianBlur(features, (0, 0), _SOFT_MM * seen.fine)
    inner = _inner(seen.covered, HAND_MM * seen.fine)
    bare, sure = _looks_bare(soft, seen, inner)
    wide = cv2.morphologyEx(bare.astype(np.uint8), cv2.MORPH_OPEN, _disc(0.5 * seen.fine))
    marks = _pieces(wide > 0, seen, areas, LEAST_MM2)
    thin, _ = _looks_bare(cv2.GaussianBlur(features, (0, 0), _FINE_MM * seen.fine), seen, inner)
    near = cv2.dilate(wide, _disc(2 * seen.fine)) > 0
    marks += _scratches(thin & ~near & ~_seams(seen), seen, areas)
    return sorted(marks, key=lambda mark: -mark.mm2)[:MOST_MARKS], sure


def _even(logs: Features, seen: _Seen) -> Features:
    """Return colours with the fall of the light taken out: one smooth surface for all labels."""
    height, width = logs.shape[:2]
    step = max(1, round(2 * seen.fine))
    part = (slice(step // 2, None, step), slice(step // 2, None, step))
    values = cv2.blur(logs, (step, step))[part].mean(axis=2).ravel()
    own = seen.labels[part].ravel()
    down, across = np.meshgrid(
        np.linspace(-1, 1, height)[part[0]], np.linspace(-1, 1, width)[part[1]], indexing="ij"
    )
    shape = _terms(down.ravel(), across.ravel())
    kinds = [(own == label).astype(float) for label in np.unique(own)]
    design = np.column_stack([*kinds, shape])
    weights = np.ones(len(values))
    solved = np.zeros(design.shape[1])
    for _ in range(_PASSES):
        solved = np.linalg.lstsq(design * weights[:, None], values * weights, rcond=None)[0]
        off = np.abs(values - design @ solved)
        weights = 1 / (1 + (off / (1.5 * np.median(off) + 1e-3)) ** 2)
    full_down, full_across = np.meshgrid(
        np.linspace(-1, 1, height), np.linspace(-1, 1, width), indexing="ij"
    )
    light = _terms(full_down.ravel(), full_across.ravel()) @ solved[len(kinds) :]
    return np.asarray(logs - light.reshape(height, width, 1), dtype=np.float32)


def _terms(down: NDArray, across: NDArray) -> NDArray:
    return np.column_stack([down, across, down * across, down**2, across**2])


def _looks_bare(features: Features, seen: _Seen, inner: Mask) -> tuple[Mask, bool]:
    """Return where what should be covered looks like metal, and whether that can be told."""
    metal = _inner(seen.open, HAND_MM * seen.fine)
    if metal.sum() < 50 * seen.fine**2:
        metal = seen.open
    if not metal.any():
        return np.zeros_like(inner), False
    middle, spread = _look(features[metal])
    to_metal = _far(features, middle, spread)
    bare, sure = np.zeros_like(inner), True
    covers = {label: _look(features[inner & (seen.labels == label)])
              for label in np.unique(seen.labels[inner])}  # fmt: skip
    apart = {label: float(_far(own[0][None, None], middle, spread)[0, 0])
             for label, own in covers.items()}  # fmt: skip
    usual = _usual_cover(covers, apart)
    for label, (own, own_spread) in covers.items():
        here = inner & (seen.labels == label)
        if apart[label] < _APART:  # all of it looks like metal: forgotten, or not to be told
            sure = sure and usual is not None
            if usual is None:
                continue
            own, own_spread = usual
        to_cover = _far(features, own, np.minimum(np.maximum(own_spread, spread * 0.5), spread * 3))
        bare |= here & (to_metal < to_cover) & (to_metal < max(_METAL_WITHIN, 0.4 * apart[label]))
    return bare, sure


Look = tuple[NDArray[np.float32], NDArray[np.float32]]


def _usual_cover(covers: dict[int, Look], apart: dict[int, float]) -> Look | None:
    """Return how another pen looks, for an area that was forgotten as a whole."""
    told = [label for label, far in apart.items() if far >= _APART]
    return covers[max(told, key=lambda label: apart[label])] if told else None


def _look(values: Features) -> Look:
    """Return the middling colour of points and their spread, whatever a few of them are."""
    middle = np.median(values, axis=0)
    spread = 1.4826 * np.median(np.abs(values - middle), axis=0)
    return middle, np.asarray(np.maximum(spread, 0.02), dtype=np.float32)


def _far(features: Features, middle: NDArray, spread: NDArray) -> NDArray[np.float32]:
    return np.asarray(np.sqrt((((features - middle) / spread) ** 2).mean(axis=-1)))


def _seams(seen: _Seen) -> Mask:
    """Return where two pens meet, whose mixture may look like metal, and the plate's own border,
    where a corner found a little off shows the table."""
    labels = seen.labels
    seam = np.zeros(labels.shape, dtype=np.uint8)
    seam[[0, -1]] = 1
    seam[:, [0, -1]] = 1
    seam[:, 1:] |= (labels[:, 1:] != labels[:, :-1]).astype(np.uint8)
    seam[1:] |= (labels[1:] != labels[:-1]).astype(np.uint8)
    return np.asarray(cv2.dilate(seam, _disc(HAND_MM * seen.fine)) > 0)


def _inner(mask: Mask, px: float) -> Mask:
    """Return a mask without its border; the plate's own edge is no border."""
    wide = cv2.copyMakeBorder(mask.astype(np.uint8), 1, 1, 1, 1, cv2.BORDER_REPLICATE)
    deep = cv2.distanceTransform(wide, cv2.DIST_L2, 5)[1:-1, 1:-1]
    return np.asarray(deep > px)


def _disc(radius_px: float) -> NDArray[np.uint8]:
    side = 2 * max(1, round(radius_px)) + 1
    return np.asarray(cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (side, side)))


def _pieces(bare: Mask, seen: _Seen, areas: list[StudyArea], least_mm2: float) -> list[BareMark]:
    count, _parts, stats, middles = cv2.connectedComponentsWithStats(bare.astype(np.uint8))
    marks = []
    for i in range(1, count):
        mm2 = stats[i, cv2.CC_STAT_AREA] / seen.fine**2
        if mm2 >= least_mm2:
            box = stats[i, : cv2.CC_STAT_AREA] / seen.fine
            marks.append(_mark("not painted", middles[i], box, mm2, seen, areas))
    return marks


def _scratches(thin: Mask, seen: _Seen, areas: list[StudyArea]) -> list[BareMark]:
    """Return long thin pieces: a line through the ground."""
    joined = cv2.morphologyEx(thin.astype(np.uint8), cv2.MORPH_CLOSE, _disc(0.4 * seen.fine))
    count, parts, stats, middles = cv2.connectedComponentsWithStats(joined)
    marks = []
    for i in range(1, count):
        left, top, width, height, area = stats[i]
        if np.hypot(width, height) < SCRATCH_MM * seen.fine:
            continue
        own = (parts[top : top + height, left : left + width] == i).astype(np.uint8)
        (_, _), sides, _ = cv2.minAreaRect(cv2.findNonZero(own))
        if max(sides) >= SCRATCH_MM * seen.fine and area / max(sides) < SCRATCH_WIDE_MM * seen.fine:
            box = stats[i, : cv2.CC_STAT_AREA] / seen.fine
            marks.append(_mark("scratch", middles[i], box, area / seen.fine**2, seen, areas))
    return marks


def _mark(
    kind: str, middle: NDArray, box: NDArray, mm2: float, seen: _Seen, areas: list[StudyArea]
) -> BareMark:
    left, top, width, height = (float(each) for each in box)
    label = int(seen.labels[int(middle[1]), int(middle[0])])
    wide, high = seen.labels.shape[1] / seen.fine, seen.labels.shape[0] / seen.fine
    at_edge = min(left, top, wide - left - width, high - top - height) < EDGE_MM
    name = next((area.name for area in areas if label in area.labels), "")
    return BareMark(
        kind="edge" if kind == "not painted" and at_edge else kind,
        area=name, x_mm=round(float(middle[0]) / seen.fine, 1),
        y_mm=round(float(middle[1]) / seen.fine, 1), width_mm=round(width, 1),
        height_mm=round(height, 1), mm2=round(float(mm2), 1),
    )  # fmt: skip


def _told(marks: list[BareMark], sure: bool) -> str:
    if not sure:
        return (
            "Metal and paint look too much alike here to be told apart. Light it from the side, "
            "and look yourself."
        )
    if not marks:
        return "Nothing bare was seen where it should be covered. Look once more yourself."
    what = "place looks" if len(marks) == 1 else "places look"
    return f"{len(marks)} {what} bare and should be covered."
