"""Picture → positive: fitted to the plate, its greys turned by the correction curve, written."""

from __future__ import annotations

from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray
from PIL import Image

from core.errors import CoreError
from core.polymer.film_files import Film, write_film
from core.polymer.film_tones import FilmTones
from core.polymer.positive_shapes import PositiveInput, PositiveOutput, Preview
from core.polymer.positive_warnings import check_colours, warnings_of
from core.progress import Tell, untold
from core.study.levels import FULL_LIGHT, open_light
from core.units import MM_PER_INCH

Light = NDArray[np.uint16]
"""Linear light, 65535 white: (height, width)."""

MOST_FILM_PX = 320_000_000
_BAND_ROWS = 512
_PREVIEW_PX = 900
_SHARPEN_MM = 0.25
_LIES = {
    "to-plate": "Printed side to the plate. Seen from above, as it lies, it reads mirrored; the "
    "print reads right.",
    "away": "Printed side up, away from the plate: its thickness softens the dots. Seen from above "
    "it reads mirrored; the print reads right.",
}


def positive(given: PositiveInput, tell: Tell = untold) -> PositiveOutput:
    """Return the film of a picture, written in each form wanted.

    Parameters
    ----------
    given : PositiveInput
        Picture, plate [mm], resolution [dpi], curve.
    tell : callable
        Is told the share done.

    Returns
    -------
    PositiveOutput

    Raises
    ------
    CoreError
        No picture; CMYK; a film of over 320 megapixels; a folder that cannot be written.

    Notes
    -----
    The plate's face carries the print mirrored. A film that lies printed side to the plate is seen
    mirrored from above and right-reading from its printed side, which is what the printer draws:
    the file is mirrored only where the printed side lies away. Greys go from linear light to the
    film's share of black by one table of 65536 places. Source: ``srgb``, ``cie-15``.
    """
    check_colours(given.image)
    size = _film_px(given)
    light, _ = open_light(given.image)
    light = _cut(light, given)
    tell(0.2)
    picture_dpi = MM_PER_INCH * min(
        light.shape[1] / given.width_mm, light.shape[0] / given.height_mm
    )
    light = _sharpened(light, given)
    tones = FilmTones(given)
    film = _filmed(light, size, tones, mirrored=given.printed_side == "away", tell=tell)
    files = write_film(
        film, given.dpi, given.forms, given.write, (given.width_mm, given.height_mm),
        _LIES[given.printed_side].split(".")[0] + ".",
    )  # fmt: skip
    tell(0.95)
    small = _small(light)
    return PositiveOutput(
        files=files,
        previews=_previews(small, tones, Path(given.write)),
        width_px=size[0], height_px=size[1],
        picture_dpi=round(picture_dpi, 1),
        mirrored=given.printed_side == "away",
        lie=_LIES[given.printed_side],
        black_share=round(1 - float(cv2.mean(film)[0]) / FULL_LIGHT, 4),
        off_without_lstar=tones.off_without(small),
        warnings=warnings_of(given, small, tones, picture_dpi),
    )  # fmt: skip


def _film_px(given: PositiveInput) -> tuple[int, int]:
    """Return width and height of the film [px]."""
    wide, high = (
        max(1, round(side / MM_PER_INCH * given.dpi)) for side in (given.width_mm, given.height_mm)
    )
    if wide * high > MOST_FILM_PX:
        most = MM_PER_INCH * (MOST_FILM_PX / (given.width_mm * given.height_mm)) ** 0.5
        raise CoreError(
            "too-many-pixels", f"A film of {wide} × {high} px is too large.", field="dpi",
            value=given.dpi, allowed=f"at most {int(most)}", unit="dpi",
        )  # fmt: skip
    return wide, high


def _cut(light: Light, given: PositiveInput) -> Light:
    """Return the part that is used, in the plate's proportions."""
    height, width = light.shape
    crop = given.crop
    left, top = round(crop.left * width), round(crop.top * height)
    right = min(width, left + max(1, round(crop.width * width)))
    bottom = min(height, top + max(1, round(crop.height * height)))
    part = light[top:bottom, left:right]
    wanted = given.width_mm / given.height_mm
    return (_filled if given.fit == "fill" else _whole)(part, wanted)


def _filled(part: Light, wanted: float) -> Light:
    height, width = part.shape
    if width / height > wanted:
        keep = max(1, round(height * wanted))
        start = (width - keep) // 2
        return part[:, start : start + keep]
    keep = max(1, round(width / wanted))
    start = (height - keep) // 2
    return part[start : start + keep]


def _whole(part: Light, wanted: float) -> Light:
    height, width = part.shape
    if width / height > wanted:
        more = round(width / wanted) - height
        pads = (more // 2, more - more // 2, 0, 0)
    else:
        more = round(height * wanted) - width
        pads = (0, 0, more // 2, more - more // 2)
    return np.asarray(
        cv2.copyMakeBorder(part, *pads, cv2.BORDER_CONSTANT, value=(float(FULL_LIGHT),))
    )


def _sharpened(light: Light, given: PositiveInput) -> Light:
    """Return the picture with its edges raised, where that was asked for."""
    if given.sharpen == 0:
        return light
    sigma = max(0.5, _SHARPEN_MM * light.shape[1] / given.width_mm)
    soft = cv2.GaussianBlur(light, (0, 0), sigma)
    return np.asarray(cv2.addWeighted(light, 1 + given.sharpen, soft, -given.sharpen, 0))


def _filmed(
    light: Light, size: tuple[int, int], tones: FilmTones, *, mirrored: bool, tell: Tell
) -> Film:
    """Return the film at its size, band by band so that little stands beside it in memory."""
    width, height = size
    if width <= light.shape[1] and height <= light.shape[0]:
        light, scaled = cv2.resize(light, size, interpolation=cv2.INTER_AREA), True
    else:
        scaled = False
    film = np.empty((height, width), dtype=np.uint16)
    for top in range(0, height, _BAND_ROWS):
        rows = min(_BAND_ROWS, height - top)
        band = light[top : top + rows] if scaled else _enlarged(light, size, top, rows)
        made = cv2.LUT(band, tones.film)
        film[top : top + rows] = made[:, ::-1] if mirrored else made
        tell(0.2 + 0.55 * (top + rows) / height)
    return film


def _enlarged(light: Light, size: tuple[int, int], top: int, rows: int) -> Light:
    """Return some rows of a picture at a larger size."""
    across, down = light.shape[1] / size[0], light.shape[0] / size[1]
    warp = np.array([[across, 0, across / 2 - 0.5], [0, down, (top + 0.5) * down - 0.5]])
    return np.asarray(
        cv2.warpAffine(
            light, warp, (size[0], rows), flags=cv2.INTER_CUBIC | cv2.WARP_INVERSE_MAP,
            borderMode=cv2.BORDER_REPLICATE,
        )
    )  # fmt: skip


def _small(light: Light) -> Light:
    less = min(1.0, _PREVIEW_PX / max(light.shape))
    size = max(1, round(light.shape[1] * less)), max(1, round(light.shape[0] * less))
    return np.asarray(cv2.resize(light, size, interpolation=cv2.INTER_AREA))


def _previews(small: Light, tones: FilmTones, folder: Path) -> list[Preview]:
    """Write small pictures of what becomes of it."""
    found = []
    for name, table in tones.seen().items():
        seen = table[small]
        path = folder / f"{name}.png"
        Image.fromarray(seen[:, ::-1] if name == "film" else seen).save(path, compress_level=1)
        found.append(Preview.model_validate({"name": name, "path": str(path)}))
    return found
