"""Stop-out maps: what is covered before each bite, as it lies on the plate, at its size."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray
from PIL import Image

from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.progress import Tell, part_of, untold
from core.study.on_plate import read_on_plate
from core.study.scale import Scale
from core.study.shapes import Method, StageMap, StopOutMapsInput, StopOutMapsOutput

Labels = NDArray[np.uint8]
"""The place of the tone that each pixel belongs to, 0 the lightest: (height, width)."""

BEFORE, NOW, OPEN = 0, 128, 255
MM_PER_INCH = 25.4
MOST_MAP_PX = 130_000_000


def stop_out_maps(given: StopOutMapsInput, tell: Tell = untold) -> StopOutMapsOutput:
    """Return the maps of a picture, written as one PNG a stage.

    Parameters
    ----------
    given : StopOutMapsInput
    tell : callable
        Is told the share done.

    Returns
    -------
    StopOutMapsOutput

    Raises
    ------
    CoreError
        No picture that can be cut, a map too large, or a folder that cannot be written.
    """
    size = map_size(given.width_mm, given.height_mm, given.dpi)
    levels, _, warnings = read_on_plate(given)
    tell(0.1)
    scale = Scale(given.lightest_lstar, given.darkest_lstar, given.map)
    labels = cv2.LUT(levels, scale.table(scale.middles(given.tones_lstar)))
    del levels
    large = enlarge(labels, size, len(given.tones_lstar))
    del labels
    large = cv2.flip(large, 1) if given.mirrored else large
    tell(0.2)
    surface = given.width_mm * given.height_mm / 100
    stages = write_stages(
        large, stage_tables(len(given.tones_lstar), given.method), surface,
        Path(given.write), given.dpi, part_of(tell, 0.2, 1),
    )  # fmt: skip
    return StopOutMapsOutput(
        stages=stages, width_px=size[0], height_px=size[1], warnings=warnings,
        tables=TABLES_VERSION,
    )  # fmt: skip


def map_size(width_mm: float, height_mm: float, dpi: float) -> tuple[int, int]:
    """Return width and height of a map.

    Parameters
    ----------
    width_mm, height_mm : float [mm]
    dpi : float

    Returns
    -------
    (int, int) [px]

    Raises
    ------
    CoreError
        More than 130 megapixels.
    """
    width, height = (max(1, round(side / MM_PER_INCH * dpi)) for side in (width_mm, height_mm))
    if width * height > MOST_MAP_PX:
        most = MM_PER_INCH * (MOST_MAP_PX / (width_mm * height_mm)) ** 0.5
        raise CoreError(
            "too-many-pixels", f"Maps of {width} × {height} px are too large.", field="dpi",
            value=dpi, allowed=f"at most {int(most)}", unit="dpi",
        )  # fmt: skip
    return width, height


def enlarge(labels: Labels, size: tuple[int, int], kinds: int) -> Labels:
    """Return labels at another size, their outlines smooth and each within the next.

    Parameters
    ----------
    labels : array
    size : (int, int) [px]
        Width and height.
    kinds : int
        How many labels there are.

    Returns
    -------
    array (height, width)

    Notes
    -----
    The border of "this tone or darker" is drawn for each tone where a half of it lies, so that
    between white and black no ribbon of middle tones comes about.
    """
    if (labels.shape[1], labels.shape[0]) == size:
        return labels
    finer = size[0] >= labels.shape[1]
    way = cv2.INTER_LINEAR if finer else cv2.INTER_AREA
    out = np.zeros((size[1], size[0]), dtype=np.uint8)
    for place in range(1, kinds):
        _, darker = cv2.threshold(labels, place - 1, 255, cv2.THRESH_BINARY)
        soft = cv2.resize(darker, size, interpolation=way)
        cv2.threshold(soft, 127, 1, cv2.THRESH_BINARY, dst=soft)
        cv2.add(out, soft, dst=out)
    return out


def stage_tables(kinds: int, method: Method) -> list[NDArray[np.uint8]]:
    """Return for each stage what becomes of each label: covered before, worked on now, or open.

    Parameters
    ----------
    kinds : int
        Tones, the lightest first.
    method : {"stop-out", "open-up"}

    Returns
    -------
    list of array (256,)
        One fewer than there are tones: the last is never covered, the first never opened.
    """
    places = np.arange(256)
    tables = []
    for stage in range(kinds - 1):
        if method == "stop-out":
            now, done, rest = stage, places < stage, (BEFORE, OPEN)
        else:
            now, done, rest = kinds - 1 - stage, places > kinds - 1 - stage, (OPEN, BEFORE)
        table = np.where(done, rest[0], rest[1])
        table[now] = NOW
        tables.append(table.astype(np.uint8))
    return tables


def write_stages(
    labels: Labels,
    tables: list[NDArray[np.uint8]],
    surface_cm2: float,
    folder: Path,
    dpi: float,
    tell: Tell,
) -> list[StageMap]:
    """Write one map a stage, and return what each covers.

    Parameters
    ----------
    labels : array
    tables : list of array (256,)
    surface_cm2 : float [cm²]
        Of the plate.
    folder : Path
    dpi : float
    tell : callable

    Returns
    -------
    list of StageMap

    Raises
    ------
    CoreError
        The folder cannot be written.
    """
    counts = cv2.calcHist([labels], [0], None, [256], [0, 256]).ravel().astype(float)
    cm2_a_px = surface_cm2 / labels.size
    stages = []
    for number, picture in enumerate(_drawn(labels, tables), start=1):
        path = folder / f"stage-{number}.png"
        _write(picture, path, dpi)
        shown = {kind: counts[tables[number - 1] == kind].sum() for kind in (BEFORE, NOW, OPEN)}
        stages.append(_stage(number, path, {k: v * cm2_a_px for k, v in shown.items()}, tables))
        tell(number / len(tables))
    return stages


def _drawn(labels: Labels, tables: list[NDArray[np.uint8]]) -> Iterator[Labels]:
    for table in tables:
        yield np.asarray(cv2.LUT(labels, table))


def _stage(number: int, path: Path, cm2: dict[int, float], tables: list) -> StageMap:
    opens = tables[0][0] == BEFORE  # opening up, the lightest is covered from the first
    now = cm2[NOW]
    return StageMap(
        number=number,
        path=str(path),
        cover_cm2=round(now, 3),
        covered_cm2=round(cm2[BEFORE] + (0.0 if opens else now), 3),
        open_cm2=round(cm2[OPEN] + (now if opens else 0.0), 3),
    )


def _write(picture: Labels, path: Path, dpi: float) -> None:
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        Image.fromarray(picture).save(path, "PNG", dpi=(dpi, dpi), compress_level=1)
    except OSError:
        raise CoreError(
            "cannot-write", "The maps cannot be written there.", field="write",
            value=str(path.parent), allowed="a folder that can be written",
        ) from None  # fmt: skip
