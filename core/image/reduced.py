"""A picture made smaller in linear light, a band of rows at a time: of a large scan never all."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.image.picture import Photo, open_photo

Array = NDArray[np.float64]
_BAND_PX = 384


def reduced(photo: Photo, rows: slice, columns: slice, times: int) -> Array:
    """Return a part of a picture so many times smaller: means of whole pixels, in linear light.

    Parameters
    ----------
    photo : Photo
    rows, columns : slice
        With beginning and end.
    times : int
        1: as it is.

    Returns
    -------
    array (height, width, 3)
        What makes no whole pixel at the right and below is left out.
    """
    high, wide = (rows.stop - rows.start) // times, (columns.stop - columns.start) // times
    out = np.empty((high, wide, 3), dtype=np.float32)
    band = max(1, _BAND_PX // times)
    within = slice(columns.start, columns.start + wide * times)
    for first in range(0, high, band):
        count = min(band, high - first)
        top = rows.start + first * times
        light = photo.linear(slice(top, top + count * times), within)
        blocks = light.reshape(count, times, wide, times, 3)
        out[first : first + count] = blocks.mean(axis=(1, 3)) if times > 1 else blocks[:, 0, :, 0]
    return np.asarray(out)


def open_reduced(source: str, most_px: int) -> Array:
    """Return a picture as linear light, its long side not much over ``most_px``.

    Parameters
    ----------
    source : str
        As for ``open_photo``.
    most_px : int

    Returns
    -------
    array (height, width, 3)

    Raises
    ------
    PictureError
        As for ``open_photo``.
    """
    photo = open_photo(source)
    high, wide = photo.size
    times = max(1, max(high, wide) // most_px)
    return reduced(photo, slice(0, high), slice(0, wide), times)
