"""Lightness of a picture on 1024 levels of L*, read from its file within few bytes a pixel."""

from __future__ import annotations

import warnings
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray
from PIL import Image, UnidentifiedImageError

from core.image.picture import (
    KINDS,
    MOST_PIXELS,
    PictureError,
    check_file,
    check_size,
    not_a_picture,
)
from core.study.profile import Light, light_of
from core.tone.lightness import lightness_from_reflectance

Levels = NDArray[np.uint16]
"""0 black to 1023 white, evenly in L*: (height, width)."""
Ends = NDArray[np.uint8]
"""``BURNT`` where a colour of a pixel is at the top of its range, ``BLOCKED`` where all are at the
bottom: of some rows, evenly taken."""

BURNT, BLOCKED = 1, 2
_ENDS_ROWS = 1000
"""Every other row is asked, of large pictures about so many: a share is told by them as well."""
LEVELS = 1024
TOP = LEVELS - 1
_Y_STEPS = 65_536
FULL_LIGHT = _Y_STEPS - 1
_BAND_PX = 2_000_000
"""Rows are turned to lightness in bands, so that little stands in memory beside the picture."""
_AT_ONCE = 2
_ORIENTATION = 274
_TAIL_BYTES = 65_536
_ENDS = {"JPEG": b"\xff\xd9", "PNG": b"IEND"}


@dataclass(frozen=True)
class _Head:
    """What a file says of itself before a pixel is decoded."""

    format: str
    orientation: int
    profile: bytes | None


def read_levels(path: str, most_pixels: int = MOST_PIXELS) -> Levels:
    """Return the lightness of a picture, upright, its colours read by its own profile.

    Parameters
    ----------
    path : str
        JPEG, PNG or TIFF: grey or colour, 8 or 16 bits, LZW too; what is clear lies on white.
    most_pixels : int

    Returns
    -------
    array (height, width) of levels

    Raises
    ------
    PictureError
        Missing, no plain file, over 60 MB, too many pixels, broken, or another kind of file.

    Notes
    -----
    L* of the luminance; white paper is 100. Source: ``cie-15``, ``srgb``.
    """
    head, pixels = _decoded(path, most_pixels)
    levels = _in_bands(pixels, light_of(head.profile), _levels_by_light())
    return _upright(levels, head.orientation)


def open_light(path: str, most_pixels: int = MOST_PIXELS) -> tuple[NDArray[np.uint16], Ends]:
    """Return the linear light of a picture, upright, and where its file had no more room.

    Parameters
    ----------
    path : str
        As for ``read_levels``.
    most_pixels : int

    Returns
    -------
    (array, array)
        Light, ``FULL_LIGHT`` where the file is white; and where a colour ends.

    Raises
    ------
    PictureError
        As for ``read_levels``.
    """
    head, pixels = _decoded(path, most_pixels)
    light = _in_bands(pixels, light_of(head.profile), None)
    return _upright(light, head.orientation), _upright(_ends_of(pixels), head.orientation)


def _decoded(path: str, most_pixels: int) -> tuple[_Head, NDArray]:
    head = _head(path, most_pixels)
    pixels = cv2.imread(path, cv2.IMREAD_UNCHANGED)
    if pixels is None:
        raise not_a_picture(path)
    return head, pixels


def _ends_of(pixels: NDArray) -> Ends:
    """Return where a colour is at the top of its range, or all are at the bottom."""
    some = pixels[:: max(2, len(pixels) // _ENDS_ROWS)]
    top = 1.0 if np.issubdtype(pixels.dtype, np.floating) else float(_depth(pixels) - 1)
    below = top * (1 - 1e-6) - 0.5 * (top > 1)
    least, most, *_ = cv2.minMaxLoc(some.reshape(len(some), -1))
    ends = np.zeros(some.shape[:2], dtype=np.uint8)
    if most > below:
        ends[cv2.inRange(some, (-1.0,) * 4, (below, below, below, top)) == 0] = BURNT
    if least <= 0:
        ends[cv2.inRange(some, (-1.0,) * 4, (0.0, 0.0, 0.0, top)) > 0] |= BLOCKED
    return ends


def level_lstars() -> NDArray[np.float64]:
    """Return L* of each level.

    Returns
    -------
    array (1024,) [L*]
    """
    return np.linspace(0.0, 100.0, LEVELS)


def count_levels(levels: Levels) -> NDArray[np.int64]:
    """Return how many pixels have each level.

    Parameters
    ----------
    levels : array (height, width)

    Returns
    -------
    array (1024,)
    """
    counts = np.zeros(LEVELS, dtype=np.int64)
    rows = max(1, _BAND_PX // max(1, levels.shape[1]))
    for top in range(0, levels.shape[0], rows):
        band = np.ascontiguousarray(levels[top : top + rows])
        found = cv2.calcHist([band], [0], None, [LEVELS], [0, LEVELS])
        counts += found.ravel().astype(np.int64)
    return counts


def check_picture(path: str, most_pixels: int = MOST_PIXELS) -> None:
    """Refuse what is no picture, or too large, before a pixel of it is decoded.

    Parameters
    ----------
    path : str
    most_pixels : int

    Raises
    ------
    PictureError
    """
    _head(path, most_pixels)


def _head(path: str, most_pixels: int) -> _Head:
    check_file(path)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(path, formats=list(KINDS)) as picture:
                check_size(picture.size, most_pixels)
                kind, profile = str(picture.format), picture.info.get("icc_profile")
                _check_whole(path, kind)
                orientation = int(picture.getexif().get(_ORIENTATION, 1) or 1)
    except PictureError:
        raise
    except (
        UnidentifiedImageError, OSError, SyntaxError, ValueError, TypeError,
        Image.DecompressionBombError,
    ):  # fmt: skip
        raise not_a_picture(path) from None
    return _Head(kind, orientation, profile)


def _check_whole(path: str, kind: str) -> None:
    """Refuse a file that breaks off: what is read of it would be half a picture."""
    end = _ENDS.get(kind)
    if end is None:
        return
    with Path(path).open("rb") as file:
        size = file.seek(0, 2)
        file.seek(max(0, size - _TAIL_BYTES))
        if end not in file.read():
            raise PictureError(
                "broken-picture", "That picture breaks off before its end. Save or send it again.",
                field="image", value=path, allowed="a whole JPEG, PNG or TIFF",
            )  # fmt: skip


def _in_bands(
    pixels: NDArray, light: Light, table: NDArray[np.uint16] | None
) -> NDArray[np.uint16]:
    """Return the light of decoded pixels, or what a table makes of it, band by band."""
    height, width = pixels.shape[:2]
    out = np.empty((height, width), dtype=np.uint16)
    tables = light.tables(_depth(pixels), 1 if pixels.ndim == 2 else 3)
    rows = max(1, _BAND_PX // max(1, width))

    def turn(top: int) -> None:
        luminance = _luminance(_whole_numbers(pixels[top : top + rows]), tables)
        out[top : top + rows] = luminance if table is None else cv2.LUT(luminance, table)

    with ThreadPoolExecutor(_AT_ONCE) as bands:
        list(bands.map(turn, range(0, height, rows)))
    return out


def _depth(pixels: NDArray) -> int:
    return 256 if pixels.dtype == np.uint8 else _Y_STEPS


def _whole_numbers(band: NDArray) -> NDArray:
    """Return a band in 8 or 16 bits; light kept as fractions is taken as 0 to 1."""
    if band.dtype in (np.uint8, np.uint16):
        return band
    if np.issubdtype(band.dtype, np.floating):
        return np.asarray(np.clip(np.nan_to_num(band), 0, 1) * FULL_LIGHT, dtype=np.uint16)
    return np.asarray(np.clip(band, 0, FULL_LIGHT), dtype=np.uint16)


def _luminance(band: NDArray, tables: NDArray) -> NDArray[np.uint16]:
    """Return linear luminance on 65536 steps, white the last."""
    if band.ndim == 2:
        return np.asarray(cv2.LUT(band, tables[0].ravel()))
    if band.shape[2] == 2:
        return _on_white(cv2.LUT(np.ascontiguousarray(band[..., 0]), tables[0].ravel()), band)
    colours = cv2.split(band)[2::-1]  # OpenCV has blue first
    red, green, blue = (cv2.LUT(*pair) for pair in zip(colours, tables, strict=True))
    light = cv2.add(cv2.add(red, green), blue)
    return _on_white(light, band) if band.shape[2] == 4 else np.asarray(light)


def _on_white(light: NDArray, band: NDArray) -> NDArray[np.uint16]:
    top = 255.0 if band.dtype == np.uint8 else float(FULL_LIGHT)
    solid = band[..., -1].astype(np.float32) / top
    return np.asarray(light * solid + FULL_LIGHT * (1 - solid), dtype=np.uint16)


def _levels_by_light() -> NDArray[np.uint16]:
    lstar = lightness_from_reflectance(np.arange(_Y_STEPS) / FULL_LIGHT)
    return np.asarray(np.rint(np.clip(lstar, 0, 100) / 100 * TOP), dtype=np.uint16)


def _upright(levels: NDArray, orientation: int) -> NDArray:
    """Return the picture as it was held: the camera says how it was turned."""
    if orientation in (5, 6, 7, 8):
        levels = levels.T
    flips = {2: (1,), 3: (0, 1), 4: (0,), 6: (1,), 7: (0, 1), 8: (0,)}.get(orientation, ())
    return np.ascontiguousarray(np.flip(levels, flips)) if flips else np.ascontiguousarray(levels)
