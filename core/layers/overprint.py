"""Plates in the order they are printed → the print they make together."""

from __future__ import annotations

from pathlib import Path
from typing import Annotated

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from pydantic import Field

from core.errors import CoreError
from core.image.shapes import ImagePath
from core.layers.films import coverage_of, laid_down, printed_over
from core.layers.shapes import MOST_PLATES, Film, SizeMm
from core.progress import Tell, untold
from core.schema import Shape
from core.study.shapes import Folder
from core.tone.colour import lab_from_linear, linear_from_lab
from core.tone.lightness import reflectance_from_lightness
from core.tone.shapes import Lightness

Array = NDArray[np.float64]
_LONG_PX = 1200
_MOST_PER_MM = 12.0


class OverprintPlate(Film):
    """A plate with a picture of what it prints: dark is ink."""

    image: ImagePath
    solid_lstar: Lightness = 0.0
    """Of the picture, where the plate prints solid."""


class OverprintInput(Shape):
    """Two to six plates in the order they are printed, and where the preview is written."""

    plates: Annotated[list[OverprintPlate], Field(min_length=1, max_length=MOST_PLATES)]
    size_mm: SizeMm
    """Of the print."""
    write: Folder


class OverprintFile(Shape):
    """One plate alone, in its ink."""

    name: str
    path: str
    covers: float
    """Share of the print."""


class OverprintOutput(Shape):
    """The preview, and each plate alone."""

    path: str
    previews: list[OverprintFile]
    """Each plate alone, in the order they are printed."""
    width_px: int
    height_px: int
    px_per_mm: float
    lstar: float
    """Mean of the whole print."""
    darkest_lstar: float
    bare: float
    """Share of the print that stays paper."""


def overprint(given: OverprintInput, tell: Tell = untold) -> OverprintOutput:
    """Return the print that several plates make, and write it.

    Parameters
    ----------
    given : OverprintInput
    tell : callable
        Is told the share done.

    Returns
    -------
    OverprintOutput

    Raises
    ------
    CoreError
        A picture that cannot be read or is one tone; a folder that cannot be written.
    """
    folder = made_folder(given.write)
    per_mm = grid_of(given.size_mm)
    wide, high = (max(1, round(side * per_mm)) for side in given.size_mm)
    light: Array = np.ones((high, wide, 3))
    shares = []
    for place, plate in enumerate(given.plates, start=1):
        covers = coverage_on(plate, given.size_mm, per_mm)
        ink = linear_from_lab(plate.ink_lab)
        light = printed_over(light, covers, ink, plate.lets_through)
        alone = printed_over(np.ones_like(light), covers, ink, 1.0)
        path = write_light(folder / f"plate-{place}.png", alone)
        shares.append((plate.name, path, covers))
        tell(place / (len(given.plates) + 1))
    lstar = lab_from_linear(light)[..., 0]
    bare = np.prod([1 - covers for _, _, covers in shares], axis=0)
    return OverprintOutput(
        path=write_light(folder / "print.png", light),
        previews=[
            OverprintFile(name=name, path=path, covers=round(float(covers.mean()), 4))
            for name, path, covers in shares
        ],
        width_px=light.shape[1], height_px=light.shape[0], px_per_mm=round(per_mm, 4),
        lstar=round(float(lstar.mean()), 2),
        darkest_lstar=round(float(np.percentile(lstar, 0.5)), 1),
        bare=round(float(bare.mean()), 4),
    )  # fmt: skip


def coverage_on(plate: OverprintPlate, size_mm: SizeMm, per_mm: float) -> Array:
    """Return what a plate covers on the grid of a print.

    Parameters
    ----------
    plate : OverprintPlate
    size_mm : (float, float) [mm]
    per_mm : float

    Returns
    -------
    array (height, width)

    Raises
    ------
    CoreError
        A picture that cannot be read or is one tone; it names the plate.
    """
    solid = float(reflectance_from_lightness(plate.solid_lstar))
    try:
        covers = coverage_of(plate.image, min(solid, 0.9))
    except CoreError as error:
        raise CoreError(
            error.code, f"{plate.name}: {error.text}", field="plates.image",
            value=plate.name, allowed=error.allowed, unit=error.unit,
        ) from error  # fmt: skip
    return laid_down(covers, size_mm, plate.lies, per_mm)


def stacked(plates: list[OverprintPlate], covers: list[Array]) -> Array:
    """Return the light of plates printed one over the other.

    Parameters
    ----------
    plates : list of OverprintPlate
        In the order they are printed.
    covers : list of array (...)
        What each covers.

    Returns
    -------
    array (..., 3)
    """
    light = np.ones((*covers[0].shape, 3))
    for plate, share in zip(plates, covers, strict=True):
        light = printed_over(light, share, linear_from_lab(plate.ink_lab), plate.lets_through)
    return light


def grid_of(size_mm: SizeMm) -> float:
    """Return how many pixels of the preview a millimetre has.

    Parameters
    ----------
    size_mm : (float, float) [mm]

    Returns
    -------
    float [px/mm]
    """
    return min(_MOST_PER_MM, _LONG_PX / max(size_mm))


def made_folder(path: str) -> Path:
    """Return a folder that is there.

    Parameters
    ----------
    path : str

    Returns
    -------
    Path

    Raises
    ------
    CoreError
        It cannot be made.
    """
    folder = Path(path)
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise CoreError(
            "cannot-write", "That folder cannot be written.", field="write", value=path,
            allowed="a folder that can be written",
        ) from error  # fmt: skip
    return folder


def write_light(path: Path, light: Array) -> str:
    """Write light over the paper's as a PNG and return its path.

    Parameters
    ----------
    path : Path
    light : array (height, width, 3)

    Returns
    -------
    str
    """
    seen = np.clip(light, 0.0, 1.0)
    encoded = np.where(seen <= 0.0031308, 12.92 * seen, 1.055 * seen ** (1 / 2.4) - 0.055)
    Image.fromarray(np.round(encoded * 255).astype(np.uint8)).save(path)
    return str(path)
