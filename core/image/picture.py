"""Open a picture as linear light."""

from __future__ import annotations

import io
import warnings
from pathlib import Path

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from core.errors import CoreError

Array = NDArray[np.float64]

KINDS = ("JPEG", "PNG", "TIFF")
MOST_BYTES = 60 * 1024 * 1024
MOST_PIXELS = 120_000_000
_EIGHT_BIT, _SIXTEEN_BIT = 255.0, 65_535.0


class PictureError(CoreError):
    """A file that is not a picture that can be measured."""


def open_picture(source: str | bytes) -> Array:
    """Return linear RGB, white 1: array (height, width, 3).

    Parameters
    ----------
    source : str or bytes
        A file's path, or its content. sRGB is taken for granted.

    Returns
    -------
    array (height, width, 3)

    Raises
    ------
    PictureError
        Missing, over 60 MB or 120 megapixels, or no JPEG, PNG or TIFF.
    """
    data = source if isinstance(source, bytes) else _read(source)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            picture = Image.open(io.BytesIO(data), formats=list(KINDS))
            _check_size(picture.size)
            return _linear(_encoded(ImageOps.exif_transpose(picture)))
    except (UnidentifiedImageError, OSError, SyntaxError, Image.DecompressionBombError) as error:
        raise _not_a_picture("" if isinstance(source, bytes) else source) from error


def _read(path: str) -> bytes:
    try:
        size = Path(path).stat().st_size
        if size > MOST_BYTES:
            raise PictureError(
                "too-large", "That file is too large.", field="image",
                value=round(size / 1024 / 1024), allowed="at most 60", unit="MB",
            )  # fmt: skip
        return Path(path).read_bytes()
    except (OSError, ValueError) as error:
        if isinstance(error, PictureError):
            raise
        raise _not_a_picture(path) from error


def _not_a_picture(path: str) -> PictureError:
    return PictureError(
        "not-a-picture",
        "There is no picture that can be read. Give a JPEG, PNG or TIFF.",
        field="image",
        value=path or None,
        allowed="JPEG, PNG or TIFF",
    )


def _check_size(size: tuple[int, int]) -> None:
    if size[0] * size[1] > MOST_PIXELS:
        raise PictureError(
            "too-many-pixels", "That picture has too many pixels.", field="image",
            value=f"{size[0]} × {size[1]}", allowed="at most 120", unit="megapixels",
        )  # fmt: skip


def _encoded(picture: Image.Image) -> Array:
    """Return values 0 to 1 as the file has them: (height, width, 3)."""
    if picture.mode.startswith("I;16"):
        grey = np.asarray(picture, dtype=float) / _SIXTEEN_BIT
        return np.repeat(grey[..., None], 3, axis=2)
    if picture.mode in ("I", "F"):
        grey = np.asarray(picture, dtype=float)
        top = _SIXTEEN_BIT if grey.max() > _EIGHT_BIT else _EIGHT_BIT
        return np.repeat((grey / top)[..., None], 3, axis=2)
    return np.asarray(picture.convert("RGB"), dtype=float) / _EIGHT_BIT


def _linear(encoded: Array) -> Array:
    """Return linear light of sRGB values. Source: ``srgb``."""
    return np.asarray(
        np.where(encoded <= 0.04045, encoded / 12.92, ((encoded + 0.055) / 1.055) ** 2.4)
    )
