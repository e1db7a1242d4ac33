"""Sketches laid together on a plate, as they shall print, smoothed to what a brush can paint."""

from __future__ import annotations

from pathlib import Path

import cv2
import numpy as np

from core.data.mordants import TABLES_VERSION
from core.data.study import COARSEST_PX_PER_MM
from core.errors import CoreError
from core.progress import Tell, untold
from core.study.brush import grid_px_per_mm, shrink, smooth
from core.study.levels import LEVELS, TOP, Levels, count_levels, read_levels
from core.study.on_plate import check_greys, too_coarse
from core.study.shapes import Sketch, StudyFieldInput, StudyFieldOutput, Tuning

_QUICKLY = [cv2.IMWRITE_PNG_COMPRESSION, 1, cv2.IMWRITE_PNG_FILTER, cv2.IMWRITE_PNG_FILTER_SUB]
SMALL_PX = 1200
"""What is looked at on a screen is no wider."""


def study_field(given: StudyFieldInput, tell: Tell = untold) -> StudyFieldOutput:
    """Return a study as it is cut, written as a picture on 1024 levels of L*.

    Parameters
    ----------
    given : StudyFieldInput
    tell : callable
        Is told the share done.

    Returns
    -------
    StudyFieldOutput

    Raises
    ------
    CoreError
        A sketch that is no picture, too coarse or beside the plate, one flat grey, or a folder
        that cannot be written.
    """
    grid = grid_px_per_mm(given.width_mm, given.height_mm)
    sheet, finest = _laid(given, grid, tell)
    tuned = np.asarray(cv2.LUT(sheet, _tuned(given.tuning)))
    field = smooth(tuned, given.smooth_mm * grid)
    check_greys(field)
    tell(0.9)
    height, width = field.shape
    less = min(1.0, SMALL_PX / max(height, width))
    folder = Path(given.write)
    return StudyFieldOutput(
        path=_write(field, folder / "field.png"),
        small_path=_write(
            shrink(field, round(width * less), round(height * less)), folder / "small.png"
        ),
        width_px=width, height_px=height, px_per_mm=round(grid, 4),
        finest_px_per_mm=round(finest, 2), counts=[int(n) for n in count_levels(field)],
        warnings=[], tables=TABLES_VERSION,
    )  # fmt: skip


def read_field(path: str) -> Levels:
    """Return a field as ``study_field`` wrote it.

    Parameters
    ----------
    path : str

    Returns
    -------
    array (height, width) of levels

    Raises
    ------
    CoreError
        It is not there.
    """
    found = cv2.imread(path, cv2.IMREAD_UNCHANGED)
    if found is None or found.ndim != 2 or found.dtype != np.uint16:
        raise CoreError("no-field", "The study is not there any more. Ask for its areas again.")
    return found


def _laid(given: StudyFieldInput, grid: float, tell: Tell) -> tuple[Levels, float]:
    """Return the sheet with all sketches on it, and the pixels per mm of the coarsest."""
    size = f"{given.width_mm:g} × {given.height_mm:g} mm"
    sheet = np.full(
        (round(given.height_mm * grid), round(given.width_mm * grid)), TOP, dtype=np.uint16
    )
    finest = np.inf
    for i, sketch in enumerate(given.sketches):
        try:
            levels = _cropped(read_levels(sketch.image), sketch)
            fine = min(levels.shape[1] / sketch.width_mm, levels.shape[0] / sketch.height_mm)
            if fine < COARSEST_PX_PER_MM:
                raise too_coarse(fine, size)
            _lay(sheet, levels, sketch, grid)
        except CoreError as error:
            error.field = f"sketches.{i}"
            raise
        finest = min(finest, fine)
        tell(0.8 * (i + 1) / len(given.sketches))
    return sheet, finest


def _cropped(levels: Levels, sketch: Sketch) -> Levels:
    height, width = levels.shape
    left, top, right, bottom = sketch.crop
    rows = slice(int(top * height), max(int(top * height) + 1, round(bottom * height)))
    columns = slice(int(left * width), max(int(left * width) + 1, round(right * width)))
    return np.rot90(levels[rows, columns], -sketch.turned // 90)


def _lay(sheet: Levels, levels: Levels, sketch: Sketch, grid: float) -> None:
    """Lay the part of a sketch that falls on the plate."""
    rows, own_rows = _overlap(sketch.top_mm, sketch.height_mm, sheet.shape[0], grid)
    columns, own_columns = _overlap(sketch.left_mm, sketch.width_mm, sheet.shape[1], grid)
    if rows is None or columns is None:
        raise CoreError(
            "beside-the-plate", "The sketch lies beside the plate: nothing of it would print.",
            field="sketches", value=f"{sketch.left_mm:g}, {sketch.top_mm:g}",
            allowed="a place on the plate", unit="mm",
        )  # fmt: skip
    part = levels[_share(own_rows, levels.shape[0]), _share(own_columns, levels.shape[1])]
    size = (columns.stop - columns.start, rows.stop - rows.start)
    finer = part.shape[1] < size[0]
    fitted = cv2.resize(
        np.ascontiguousarray(part), size,
        interpolation=cv2.INTER_LINEAR if finer else cv2.INTER_AREA,
    )  # fmt: skip
    below = sheet[rows, columns]
    sheet[rows, columns] = fitted if sketch.lies == "over" else np.minimum(below, fitted)


Shares = tuple[float, float]


def _overlap(
    start_mm: float, length_mm: float, side_px: int, grid: float
) -> tuple[slice | None, Shares]:
    """Return which pixels of the sheet a sketch lies on, and which share of the sketch that is."""
    start, stop = start_mm * grid, (start_mm + length_mm) * grid
    first, last = max(0, round(start)), min(side_px, round(stop))
    if last <= first:
        return None, (0.0, 0.0)
    span = stop - start
    return slice(first, last), (max(0.0, (first - start) / span), min(1.0, (last - start) / span))


def _share(shares: Shares, side_px: int) -> slice:
    first = round(shares[0] * side_px)
    return slice(min(first, side_px - 1), max(first + 1, round(shares[1] * side_px)))


def _tuned(tuning: Tuning) -> Levels:
    """Return what each level becomes; a table for all values of 16 bits."""
    own = np.linspace(0, 100, LEVELS)
    stretched = np.clip((own - tuning.black) / (tuning.white - tuning.black), 0, 1)
    table = np.full(65_536, TOP, dtype=np.uint16)
    table[:LEVELS] = np.rint(TOP * stretched**tuning.gamma)
    return table


def _write(levels: Levels, path: Path) -> str:
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
    except OSError:
        raise _cannot_write(path) from None
    if not cv2.imwrite(str(path), levels, _QUICKLY):
        raise _cannot_write(path)
    return str(path)


def _cannot_write(path: Path) -> CoreError:
    return CoreError(
        "cannot-write", "The study cannot be written there.", field="write",
        value=str(path.parent), allowed="a folder that can be written",
    )  # fmt: skip
