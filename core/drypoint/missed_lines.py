"""Drawing over view → the lines that are not scratched yet."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.drypoint.lit import MOST_PIXELS, Grey, Mask
from core.drypoint.missed_shapes import (
    MOST_LINES,
    CountedField,
    Edge,
    MissedLine,
    MissedLinesInput,
    MissedLinesOutput,
    SeenField,
    UnderPlate,
)
from core.errors import CoreError
from core.image.picture import PictureError, open_photo
from core.progress import Tell, untold

Array = NDArray[np.float64]

_PX_PER_MM, _MOST_PX = 8.0, 2400
"""How finely both are laid on each other: a line of a fine needle is still a pixel wide."""
_LAID_PX = 700
_BLURS = ((15, 60), (7, 60), (3, 80))
_DARK_SHARE = 0.82
"""Of the paper's light beside it: what is darker was drawn."""
_SHARED = 0.12
"""A drawing whose lines lie on the scratches hardly more than by chance is another plate's."""
_GAP_MM = 1.2
"""Pieces of a missed line that lie nearer are told as one."""
_AT_EDGE = 0.02
"""Share of an edge's bevel crossed by lines from which it is told."""


@dataclass(frozen=True)
class _Laid:
    """Drawing and scratches on one grid of the plate, as it prints."""

    drawn: Mask
    scratched: Mask
    px_per_mm: float
    moved_mm: float


def missed_lines(given: MissedLinesInput, tell: Tell = untold) -> MissedLinesOutput:
    """Return the lines of a drawing that no scratch follows yet.

    Parameters
    ----------
    given : MissedLinesInput
        View and drawing, plate [mm].
    tell : callable
        Is told the share done.

    Returns
    -------
    MissedLinesOutput

    Raises
    ------
    CoreError
        ``nothing-drawn``, ``another-drawing``; no picture.

    Notes
    -----
    The drawing is moved until it lies best on the scratches, by an affine map. A point of it is
    done where a scratch lies within ``reach_mm``. Source: ``evangelidis-2008``.
    """
    laid = _lay(given, tell)
    missed = laid.drawn & ~_wide(laid.scratched, given.reach_mm * laid.px_per_mm)
    tell(0.8)
    lines = _lines(missed, laid, given.least_mm)
    drawn_mm = _length_mm(laid.drawn, laid)
    missed_mm = sum(each.length_mm for each in lines)
    done = 1 - min(1.0, missed_mm / max(drawn_mm, 1e-6))
    return MissedLinesOutput(
        lines=lines[:MOST_LINES],
        more=max(0, len(lines) - MOST_LINES),
        done_share=round(done, 3),
        drawn_m=round(drawn_mm / 1000, 3),
        missed_m=round(missed_mm / 1000, 3),
        moved_mm=round(laid.moved_mm, 2),
        bevel=_in_bevel(laid, given.bevel_mm),
        text=_text(lines, done),
    )


def _text(lines: list[MissedLine], done: float) -> str:
    if not lines:
        return "Every line of the drawing is scratched."
    what = "1 line" if len(lines) == 1 else f"{len(lines)} lines"
    return f"{what} missed; {done:.0%} of the drawing is scratched."


def _lay(given: MissedLinesInput, tell: Tell) -> _Laid:
    scale, size = _grid(given)
    scratched, _ = _scratched(given, given.view, size)
    drawing = _grey(given.drawing, "drawing")
    if given.drawing_mirrored:
        drawing = cv2.flip(drawing, 1)
    drawn = _drawn(cv2.resize(drawing, size, interpolation=cv2.INTER_AREA), scale)
    tell(0.3)
    if not drawn.any():
        raise CoreError(
            "nothing-drawn", "No line can be told in this drawing: it wants dark lines on light.",
            field="drawing", allowed="dark lines on light",
        )  # fmt: skip
    warp = _best_warp(scratched, drawn)
    moved = cv2.warpAffine(drawn.astype(np.uint8), warp, size, flags=cv2.INTER_NEAREST) > 0
    tell(0.7)
    _check_shared(moved, scratched, given.reach_mm * scale)
    off = float(np.hypot(*(warp @ [size[0] / 2, size[1] / 2, 1] - [size[0] / 2, size[1] / 2])))
    return _Laid(moved, scratched, scale, off / scale)


def count_fields(under: UnderPlate, view: str) -> list[CountedField]:
    """Return how much of each field is scratched.

    Parameters
    ----------
    under : UnderPlate
        Plate and fields [mm], as they print.
    view : str
        As ``scratch-view`` writes it.

    Returns
    -------
    list of CountedField
        0 for a field that lies off the plate.

    Raises
    ------
    CoreError
        Corners that hold hardly anything.
    """
    scale, size = _grid(under)
    _, share = _scratched(under, view, size)
    return [_counted(share, each, scale) for each in under.fields]


def _grid(under: UnderPlate) -> tuple[float, tuple[int, int]]:
    """Return pixels a mm, and width and height [px], of the grid a plate is looked at on."""
    scale = min(_PX_PER_MM, _MOST_PX / max(under.width_mm, under.height_mm))
    return scale, (round(under.width_mm * scale), round(under.height_mm * scale))


def _counted(share: NDArray[np.float32], field: SeenField, scale: float) -> CountedField:
    left, top = (round(at * scale) for at in (field.x_mm, field.y_mm))
    wide, high = (max(1, round(at * scale)) for at in (field.width_mm, field.height_mm))
    part = share[top : top + high, left : left + wide]
    return CountedField(name=field.name, covered=round(float(part.mean()), 4) if part.size else 0.0)


def _grey(path: str, field: str) -> Grey:
    try:
        return np.asarray(open_photo(path, MOST_PIXELS).picture.convert("L"))
    except PictureError as error:
        raise CoreError(
            error.code, error.text, field=field, value=error.value, allowed=error.allowed,
            unit=error.unit,
        ) from error  # fmt: skip


def _scratched(
    given: UnderPlate, view: str, size: tuple[int, int]
) -> tuple[Mask, NDArray[np.float32]]:
    """Return the scratched pixels of the plate, cut out of the view, and each one's share."""
    mask = (_grey(view, "view") < 128).astype(np.uint8)
    high, wide = mask.shape
    corners = given.corners_px or [(0, 0), (wide, 0), (wide, high), (0, high)]
    onto = np.array([[0, 0], [size[0], 0], [size[0], size[1]], [0, size[1]]], dtype=np.float32)
    side = np.array(corners, dtype=np.float32)
    if abs(cv2.contourArea(side)) < 0.02 * mask.size:
        raise CoreError(
            "corners-too-near", "Those corners hold hardly anything of the photograph.",
            field="corners_px", allowed="the four corners of the plate, clockwise",
        )  # fmt: skip
    less = max(1, int(min(wide / size[0], high / size[1])))
    near = cv2.dilate(mask, np.ones((less, less), np.uint8)) if less > 1 else mask
    warp = cv2.getPerspectiveTransform(side, onto)
    whole = cv2.blur(mask.astype(np.float32), (less, less))
    return (
        np.asarray(cv2.warpPerspective(near, warp, size, flags=cv2.INTER_NEAREST) > 0),
        np.asarray(cv2.warpPerspective(whole, warp, size, flags=cv2.INTER_LINEAR)),
    )


def _drawn(grey: Grey, scale: float) -> Mask:
    """Return the drawn pixels: darker than the paper beside them."""
    beside = max(9, round(4 * scale)) | 1
    paper = cv2.GaussianBlur(
        cv2.dilate(grey, np.ones((beside, beside), np.uint8)), (0, 0), beside / 2
    )
    return np.asarray(grey < _DARK_SHARE * paper.astype(np.float32))


def _best_warp(scratched: Mask, drawn: Mask) -> Array:
    """Return the affine map that takes the drawing onto the scratches."""
    less = min(1.0, _LAID_PX / max(scratched.shape))
    fixed, moving = (_soft(mask, less) for mask in (scratched, drawn))
    best = np.eye(2, 3, dtype=np.float32)
    likeness = _likeness(fixed, moving, best)
    for blur, passes in _BLURS:
        stop = (cv2.TERM_CRITERIA_COUNT | cv2.TERM_CRITERIA_EPS, passes, 1e-6)
        try:
            _, found = cv2.findTransformECC(
                fixed, moving, best.copy(), cv2.MOTION_AFFINE, stop, None, blur
            )
        except cv2.error:
            continue
        now = _likeness(fixed, moving, found)
        if now > likeness and _is_small(found, fixed.shape):
            best, likeness = found, now
    warp = best.astype(float)
    warp[:, 2] /= less
    return np.asarray(cv2.invertAffineTransform(warp))


def _is_small(warp: Array, shape: tuple[int, ...]) -> bool:
    """Return whether a map moves the drawing no further than a hand lays it askew."""
    return bool(
        np.abs(warp[:, :2] - np.eye(2)).max() < 0.12 and np.abs(warp[:, 2]).max() < 0.1 * shape[1]
    )


def _soft(mask: Mask, less: float) -> NDArray[np.float32]:
    small = cv2.resize(
        mask.astype(np.float32), None, fx=less, fy=less, interpolation=cv2.INTER_AREA
    )
    return np.asarray(cv2.GaussianBlur(np.minimum(small, 0.5), (0, 0), 1.5))


def _likeness(fixed: NDArray, moving: NDArray, warp: NDArray) -> float:
    size = (fixed.shape[1], fixed.shape[0])
    flags = cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP
    laid = cv2.warpAffine(moving, warp, size, flags=flags)
    if laid.std() < 1e-9 or fixed.std() < 1e-9:
        return 0.0
    return float(np.corrcoef(laid.ravel(), fixed.ravel())[0, 1])


def _check_shared(drawn: Mask, scratched: Mask, reach_px: float) -> None:
    """Refuse a drawing that the scratches, or most of the lines, have nothing to do with."""
    if not scratched.any():
        return
    followed = _beyond_chance(drawn, _wide(scratched, reach_px))
    meant = _beyond_chance(scratched, _wide(drawn, reach_px))
    if max(followed, meant) < _SHARED:
        raise CoreError(
            "another-drawing",
            "The scratches lie nowhere on the lines of this drawing. Is it this plate's, and the "
            "right way round? If the plate does not fill the photograph, drag its corners.",
            field="drawing", allowed="the drawing that lay under this plate",
        )  # fmt: skip


def _beyond_chance(own: Mask, near: Mask) -> float:
    chance = float(near.mean())
    return (float(near[own].mean()) - chance) / max(1 - chance, 1e-6)


def _wide(mask: Mask, reach_px: float) -> Mask:
    """Return a mask and all within a reach of it."""
    away = cv2.distanceTransform((~mask).astype(np.uint8), cv2.DIST_L2, 5)
    return np.asarray(away <= reach_px)


def _line_px(mask: Mask) -> float:
    """Return how wide the lines of a drawing are [px].

    A line of w pixels has w + 1/w = 4 · mean − 2,
    the mean of how far its pixels lie from its edge.
    """
    inside = cv2.distanceTransform(mask.astype(np.uint8), cv2.DIST_L2, 5)[mask]
    twice = max(2.0, 4 * float(inside.mean()) - 2) if inside.size else 2.0
    return (twice + float(np.sqrt(twice**2 - 4))) / 2


def _length_mm(mask: Mask, laid: _Laid) -> float:
    return float(mask.sum()) / _line_px(laid.drawn) / laid.px_per_mm


def _lines(missed: Mask, laid: _Laid, least_mm: float) -> list[MissedLine]:
    """Return the missed pieces, those that lie near each other as one, the longest first."""
    gap = max(3, round(_GAP_MM * laid.px_per_mm)) | 1
    round_gap = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (gap, gap))
    joined = cv2.dilate(missed.astype(np.uint8), round_gap)
    count, labels = cv2.connectedComponents(joined, connectivity=8)
    labels[~missed] = 0
    sizes = np.bincount(labels.ravel(), minlength=count)
    per_mm = _line_px(laid.drawn) * laid.px_per_mm
    found = [
        _line(labels == label, float(sizes[label]) / per_mm, laid.px_per_mm)
        for label in np.argsort(-sizes[1:]) + 1
        if sizes[label] / per_mm >= least_mm
    ]
    return [each.model_copy(update={"number": n}) for n, each in enumerate(found, 1)]


def _line(mask: Mask, length_mm: float, scale: float) -> MissedLine:
    x, y, wide, high = cv2.boundingRect(mask.astype(np.uint8))
    return MissedLine(
        number=0, x_mm=round(x / scale, 2), y_mm=round(y / scale, 2),
        width_mm=round(wide / scale, 2), height_mm=round(high / scale, 2),
        length_mm=round(length_mm, 1),
    )  # fmt: skip


def _in_bevel(laid: _Laid, bevel_mm: float) -> list[Edge]:
    """Return the edges whose bevel is crossed by lines."""
    wide = round(bevel_mm * laid.px_per_mm)
    if wide < 1:
        return []
    at = laid.scratched
    bands: list[tuple[Edge, NDArray[np.bool_]]] = [
        ("left", np.any(at[:, :wide], axis=1)), ("top", np.any(at[:wide], axis=0)),
        ("right", np.any(at[:, -wide:], axis=1)), ("bottom", np.any(at[-wide:], axis=0)),
    ]  # fmt: skip
    return [edge for edge, band in bands if float(band.mean()) > _AT_EDGE]
