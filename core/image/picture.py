"""Open a picture as linear light."""

from __future__ import annotations

import io
import stat
import warnings
from dataclasses import dataclass
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


@dataclass(frozen=True)
class Photo:
    """A photograph that is decoded, of which parts are turned into light as they are asked for."""

    picture: Image.Image
    size: tuple[int, int]
    """Height and width [px]."""
    top: float
    """The value of white."""

    def linear(self, rows: slice, columns: slice) -> Array:
        """Return linear RGB, white 1, of some rows and columns.

        Parameters
        ----------
        rows, columns : slice
            With beginning and end.

        Returns
        -------
        array (height, width, 3)
        """
        part = self.picture.crop((columns.start, rows.start, columns.stop, rows.stop))
        return _linear(_encoded(part, self.top))


def open_photo(source: str | bytes, most_pixels: int = MOST_PIXELS) -> Photo:
    """Return a photograph, upright; its pixels are counted before they are decoded.

    Parameters
    ----------
    source : str or bytes
        A file's path, or its content. sRGB is taken for granted.
    most_pixels : int

    Returns
    -------
    Photo

    Raises
    ------
    PictureError
        Missing, no plain file, over 60 MB or too many pixels, or no JPEG, PNG or TIFF.
    """
    check_file(source)
    file = io.BytesIO(source) if isinstance(source, bytes) else source
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            picture = Image.open(file, formats=list(KINDS))
            check_size(picture.size, most_pixels)
            ImageOps.exif_transpose(picture, in_place=True)
            picture.load()
    except (
        UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError,
    ) as error:  # fmt: skip
        if isinstance(error, PictureError):
            raise
        raise not_a_picture("" if isinstance(source, bytes) else source) from error
    return Photo(picture, (picture.height, picture.width), _top(picture))


def open_picture(source: str | bytes) -> Array:
    """Return linear RGB, white 1: array (height, width, 3).

    Parameters
    ----------
    source : str or bytes
        As for ``open_photo``.

    Returns
    -------
    array (height, width, 3)

    Raises
    ------
    PictureError
        As for ``open_photo``.
    """
    photo = open_photo(source)
    return photo.linear(slice(0, photo.size[0]), slice(0, photo.size[1]))


def check_file(source: str | bytes) -> None:
    """Refuse what is no plain file, or too large, before it is opened.

    Parameters
    ----------
    source : str or bytes

    Raises
    ------
    PictureError
    """
    if isinstance(source, bytes):
        size = len(source)
    else:
        try:
            found = Path(source).stat()
        except (OSError, ValueError):
            raise not_a_picture(source) from None
        if not stat.S_ISREG(found.st_mode):
            raise not_a_picture(source)
        size = found.st_size
    if size > MOST_BYTES:
        raise PictureError(
            "too-large", "That file is too large.", field="image",
            value=round(size / 1024 / 1024), allowed="at most 60", unit="MB",
        )  # fmt: skip


def not_a_picture(path: str) -> PictureError:
    """Return the error of what cannot be read as a picture.

    Parameters
    ----------
    path : str

    Returns
    -------
    PictureError
    """
    return PictureError(
        "not-a-picture",
        "There is no picture that can be read. Give a JPEG, PNG or TIFF.",
        field="image",
        value=path or None,
        allowed="JPEG, PNG or TIFF",
    )


def check_size(size: tuple[int, int], most: int) -> None:
    """Refuse more pixels than may be decoded.

    Parameters
    ----------
    size : (int, int) [px]
    most : int

    Raises
    ------
    PictureError
    """
    if size[0] * size[1] > most:
        raise PictureError(
            "too-many-pixels", "That picture has too many pixels.", field="image",
            value=f"{size[0]} × {size[1]}", allowed=f"at most {most // 1_000_000}",
            unit="megapixels",
        )  # fmt: skip


def _top(picture: Image.Image) -> float:
    """Return the value of white in a picture."""
    if picture.mode.startswith("I;16"):
        return _SIXTEEN_BIT
    if picture.mode in ("I", "F"):
        _low, high = picture.getextrema()
        return _SIXTEEN_BIT if float(high) > _EIGHT_BIT else _EIGHT_BIT  # type: ignore[arg-type]
    return _EIGHT_BIT


def _encoded(part: Image.Image, top: float) -> Array:
    """Return values 0 to 1 as the file has them: (height, width, 3)."""
    if part.mode.startswith("I;16") or part.mode in ("I", "F"):
        grey = np.asarray(part, dtype=float) / top
        return np.repeat(grey[..., None], 3, axis=2)
    return np.asarray(part if part.mode == "RGB" else part.convert("RGB"), dtype=float) / top


def _linear(encoded: Array) -> Array:
    """Return linear light of sRGB values. Source: ``srgb``."""
    return np.asarray(
        np.where(encoded <= 0.04045, encoded / 12.92, ((encoded + 0.055) / 1.055) ** 2.4)
    )
