"""A photograph of a scratched plate as signal over noise: bright marks on an even dark ground."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.image.picture import PictureError, open_photo

Grey = NDArray[np.uint8]
Small = NDArray[np.float32]
Mask = NDArray[np.bool_]

MOST_PIXELS = 30_000_000
LEAST_SIDE_PX = 128
STEP = 4
"""What is slow over a photograph is found on every fourth pixel."""
_GROUND_SHARE = 24
"""The ground is looked for in windows of this part of the shorter side: wider than any mark."""
_LEAST_NOISE = 0.7
_NOISE_ROWS = 150
_WHITE = 250
_BLOB_SHARE = 60
"""A reflection of the lamp is wider than this part of the shorter side; a scratch never."""
_BITS_16 = 257.0


@dataclass(frozen=True)
class Lit:
    """One photograph: how far each pixel stands out of its ground [grey values].

    ``above`` (height, width); ``noise`` of a pixel of it; ``glare`` (height/STEP, width/STEP),
    where nothing can be seen.
    """

    above: Grey
    noise: float
    glare: Mask

    @property
    def glare_share(self) -> float:
        """Return the share of it that is glare."""
        return float(self.glare.mean())


def read_grey(path: str, place: int) -> Grey:
    """Return a photograph in grey values, upright.

    Parameters
    ----------
    path : str
    place : int
        Among those given, from 0: errors name it.

    Returns
    -------
    array (height, width)

    Raises
    ------
    CoreError
        No picture, too large, or too small.
    """
    try:
        photo = open_photo(path, MOST_PIXELS)
    except PictureError as error:
        raise CoreError(
            error.code, f"Photograph {place + 1}: {error.text}", field=f"images.{place}",
            value=error.value, allowed=error.allowed, unit=error.unit,
        ) from error  # fmt: skip
    if min(photo.size) < LEAST_SIDE_PX:
        raise CoreError(
            "too-small", f"Photograph {place + 1} is too small to see a scratch on.",
            field=f"images.{place}", value=min(photo.size), allowed=f"at least {LEAST_SIDE_PX}",
            unit="px",
        )  # fmt: skip
    if photo.picture.mode.startswith("I;16"):
        return np.asarray(np.asarray(photo.picture) / _BITS_16, dtype=np.uint8)
    return np.asarray(photo.picture.convert("L"))


def light_up(grey: Grey, *, inked: bool) -> Lit:
    """Return what stands out of a photograph.

    Parameters
    ----------
    grey : array (height, width)
    inked : bool
        Dark marks on a bright plate.

    Returns
    -------
    Lit
    """
    bright = cv2.bitwise_not(grey) if inked else grey
    glare = _glare(grey)
    soft = cv2.GaussianBlur(bright, (0, 0), 0.6)
    above = cv2.subtract(soft, _ground(soft))
    if glare.any():
        size = (grey.shape[1], grey.shape[0])
        hidden = cv2.resize(glare.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST)
        above[hidden > 0] = 0
    return Lit(np.asarray(above), max(_LEAST_NOISE, _noise(bright)), glare)


def _ground(soft: Grey) -> Grey:
    """Return the plate without its marks: the darkest near by, opened, smoothed."""
    least = cv2.erode(soft, np.ones((3, 3), np.uint8))[::STEP, ::STEP]
    reach = max(7, min(least.shape) // _GROUND_SHARE) | 1
    opened = cv2.morphologyEx(
        cv2.blur(least, (3, 3)), cv2.MORPH_OPEN, np.ones((reach, reach), np.uint8)
    )
    smooth = cv2.GaussianBlur(opened.astype(np.float32), (0, 0), reach / 2)
    smooth += _lift(soft[::STEP, ::STEP], smooth)
    size = (soft.shape[1], soft.shape[0])
    small = np.clip(np.rint(smooth), 0, 255).astype(np.uint8)
    return np.asarray(cv2.resize(small, size, interpolation=cv2.INTER_LINEAR))


def _lift(some: Grey, smooth: Small) -> float:
    """Return by how much the darkest lies under the ground: half of all pixels hold no mark."""
    off = some.astype(np.float32) - smooth
    return float(np.percentile(off[::2, ::2], 50))


def _noise(bright: Grey) -> float:
    """Return the noise of a pixel [grey values], told by what no line makes: a corner's twist."""
    step = max(6, len(bright) // _NOISE_ROWS)
    some = bright[:-1:step].astype(np.float32), bright[1::step].astype(np.float32)
    rows = min(len(some[0]), len(some[1]))
    one, two = some[0][:rows], some[1][:rows]
    twist = one[:, 1:] - one[:, :-1] - two[:, 1:] + two[:, :-1]
    return float(np.median(np.abs(twist)) / 0.6745 / 2 * _SOFTER)


_SOFTER = 0.55
"""Of the noise that is left once the photograph was softened."""


def _glare(grey: Grey) -> Mask:
    """Return where the lamp is mirrored: white over more than any mark is wide, and round it."""
    small = grey[::STEP, ::STEP]
    wide = max(5, min(small.shape) // _BLOB_SHARE) | 1
    kernel = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (wide, wide))
    white = (small >= _WHITE).astype(np.uint8)
    core = cv2.morphologyEx(white, cv2.MORPH_OPEN, kernel)
    if not core.any():
        return np.zeros(small.shape, bool)
    halo = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (3 * wide, 3 * wide))
    return np.asarray(cv2.dilate(core, halo) > 0)
