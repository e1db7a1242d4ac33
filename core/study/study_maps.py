"""The maps of a study to print, trace or cut: PNG, PDF at 1:1, or SVG outlines."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import cv2
import numpy as np
from PIL import Image

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, untold
from core.study.divide import FIRST_TONE, divide
from core.study.field import read_field
from core.study.map_pages import MapPage, write_pages
from core.study.map_svg import STATES, map_svg
from core.study.outlines import Polygon, outlines
from core.study.shapes import StudyMapFile, StudyMapsInput, StudyMapsOutput
from core.study.stages import Stage, areas_of, stages_of
from core.study.stop_out_maps import Labels, enlarge, map_size


def study_maps(given: StudyMapsInput, tell: Tell = untold) -> StudyMapsOutput:
    """Return the files of a study's maps, written into a folder.

    Parameters
    ----------
    given : StudyMapsInput
    tell : callable
        Is told the share done.

    Returns
    -------
    StudyMapsOutput

    Raises
    ------
    CoreError
        The study is not there, its maps are too large, or the folder cannot be written.
    """
    labels = divide(read_field(given.field), given.cut, given.width_mm)
    stages = stages_of(areas_of(labels, given.cut, given.width_mm), given.method)
    if not stages:
        raise CoreError("no-stages", "There is nothing to cover: one tone takes all of the plate.")
    laid = cv2.flip(labels, 1) if given.mirrored else labels
    tell(0.1)
    folder = Path(given.write)
    try:
        folder.mkdir(parents=True, exist_ok=True)
        files = _WAYS[given.form](given, laid, stages, folder, tell)
    except OSError:
        raise CoreError(
            "cannot-write", "The maps cannot be written there.", field="write",
            value=given.write, allowed="a folder that can be written",
        ) from None  # fmt: skip
    return StudyMapsOutput(files=files, tables=TABLES_VERSION)


def title_of(stage: Stage, given: StudyMapsInput) -> str:
    """Return what one map says on its head.

    Parameters
    ----------
    stage : Stage
    given : StudyMapsInput

    Returns
    -------
    str
    """
    verb = "cover" if given.method == "stop-out" else "open"
    names = ", ".join(given.names.get(name, name) for name in stage.now)
    crayon = ", ".join(given.names.get(name, name) for name in stage.crayon)
    pen = f" ({given.pens[stage.bite - 1]} pen)" if stage.bite <= len(given.pens) else ""
    then = f", then crayon {crayon}" if crayon else ""
    return f"Before bite {stage.bite}, {verb} {names}{pen}{then}"


def _pictures(
    given: StudyMapsInput, labels: Labels, stages: list[Stage], folder: Path, tell: Tell
) -> list[StudyMapFile]:
    """Write one 8-bit grey PNG a stage."""
    size = map_size(given.width_mm, given.height_mm, given.dpi)
    kinds = FIRST_TONE + MOST_LABELS
    large = enlarge(labels, size, min(kinds, int(labels.max()) + 1))
    files = []
    for i, stage in enumerate(stages):
        path = folder / f"stage-{stage.bite}.png"
        picture = Image.fromarray(np.asarray(cv2.LUT(large, stage.table)))
        picture.save(path, "PNG", dpi=(given.dpi, given.dpi), compress_level=1)
        files.append(StudyMapFile(path=str(path), title=title_of(stage, given)))
        tell(0.2 + 0.8 * (i + 1) / len(stages))
    return files


MOST_LABELS = 15


def _outlined(
    given: StudyMapsInput, labels: Labels, stages: list[Stage], folder: Path, tell: Tell
) -> list[StudyMapFile]:
    """Write one SVG a stage."""
    size = (given.width_mm, given.height_mm)
    files = []
    for i, stage in enumerate(stages):
        path, title = folder / f"stage-{stage.bite}.svg", title_of(stage, given)
        path.write_text(map_svg(title, size, pieces_of(labels, stage, given.width_mm)), "utf-8")
        files.append(StudyMapFile(path=str(path), title=title))
        tell(0.1 + 0.9 * (i + 1) / len(stages))
    return files


def _paged(
    given: StudyMapsInput, labels: Labels, stages: list[Stage], folder: Path, tell: Tell
) -> list[StudyMapFile]:
    """Write one PDF, a page or more a stage."""
    pages = []
    for i, stage in enumerate(stages):
        pieces = pieces_of(labels, stage, given.width_mm)
        pages.append(MapPage(title_of(stage, given), pieces))
        tell(0.1 + 0.7 * (i + 1) / len(stages))
    path = folder / "maps.pdf"
    way = "mirrored, as it lies on the plate" if given.mirrored else "as it prints"
    about = f"{given.title}, {given.width_mm:g} x {given.height_mm:g} mm, {way}"
    count = write_pages(str(path), pages, (given.width_mm, given.height_mm), given.paper, about)
    return [StudyMapFile(path=str(path), title=f"{len(stages)} maps", pages=count)]


def pieces_of(labels: Labels, stage: Stage, width_mm: float) -> dict[int, list[Polygon]]:
    """Return the outlines of what is covered, worked on now, and crayoned.

    Parameters
    ----------
    labels : array
    stage : Stage
    width_mm : float [mm]

    Returns
    -------
    dict of list of Polygon
    """
    shown = cv2.LUT(labels, stage.table)
    fine = labels.shape[1] / width_mm
    return {state: outlines(shown == state, fine) for state in STATES if (shown == state).any()}


_WAYS: dict[str, Callable[..., list[StudyMapFile]]] = {
    "png": _pictures, "svg": _outlined, "pdf": _paged,
}  # fmt: skip
