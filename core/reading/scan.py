"""A scan as light: whole, and small enough to find one's way in."""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.study.levels import BLOCKED, BURNT, FULL_LIGHT, open_light

Light = NDArray[np.float32]
"""Linear light, white of the file 1: (height, width)."""
Points = NDArray[np.float32]
"""(n, 2), across and down [px]."""

MOST_PIXELS = 60_000_000
_LEAST_PX, _DARKEST = 24, 0.01
WORK_PX = 1000
"""Long side of the picture that is worked on, about: a patch has its hundred pixels in it."""
_WHOLE_TIMES = 3
"""From here on it is so many times smaller, whole: the mean of whole pixels is quickly taken."""


@dataclass(frozen=True)
class Scan:
    """A scan as it was sent, and its light at the size that is worked on."""

    whole: NDArray[np.uint16]
    """Linear light of every pixel, 65535 white."""
    light: Light
    burnt: Light
    """Share of its pixels in which a colour ran out of range at the light end."""
    blocked: Light
    """Share of its pixels that are black as the file can be."""
    less: float
    """Size of the worked picture over the whole one."""

    def to_work(self, points: Points) -> Points:
        """Return points of the scan as they lie in the worked picture.

        Parameters
        ----------
        points : array (n, 2) [px]

        Returns
        -------
        array (n, 2) [px]
        """
        return np.asarray((points + 0.5) * self.less - 0.5, dtype=np.float32)

    def to_whole(self, points: Points) -> Points:
        """Return points of the worked picture as they lie in the scan.

        Parameters
        ----------
        points : array (n, 2) [px]

        Returns
        -------
        array (n, 2) [px]
        """
        return np.asarray((points + 0.5) / self.less - 0.5, dtype=np.float32)


def open_scan(path: str) -> Scan:
    """Return a scan as light.

    Parameters
    ----------
    path : str

    Returns
    -------
    Scan

    Raises
    ------
    PictureError
        No picture, or too large.
    CoreError
        It is black, or a sliver.
    """
    whole, ends = open_light(path, MOST_PIXELS)
    times = _times_smaller(max(whole.shape))
    whole, less = _whole_times(whole, times), 1 / times
    light = _made_small(whole, less) / np.float32(FULL_LIGHT)
    if min(light.shape) < _LEAST_PX or float(np.percentile(light[::4, ::4], 95)) < _DARKEST:
        raise CoreError(
            "no-paper", "No paper is seen in this picture: it is black, or a sliver.",
            field="image", value=path, allowed="a scan of a print with its sheet",
        )  # fmt: skip
    return Scan(
        whole=whole,
        light=light,
        burnt=_share(ends, BURNT, light.shape),
        blocked=_share(ends, BLOCKED, light.shape),
        less=less,
    )


def _times_smaller(long_px: int) -> float:
    """Return how many times smaller a picture is worked on: of large ones a whole number."""
    times = max(1.0, long_px / WORK_PX)
    return float(round(times)) if times >= _WHOLE_TIMES else times


def _whole_times(picture: NDArray, times: float) -> NDArray:
    """Return a picture without the last rows and columns that make no whole pixel when small."""
    if times < _WHOLE_TIMES:
        return picture
    height, width = (side - side % int(times) for side in picture.shape)
    return picture[:height, :width]


def _made_small(whole: NDArray, less: float) -> Light:
    """Return means over what becomes one pixel: light is added up in no other way."""
    size = (max(1, round(whole.shape[1] * less)), max(1, round(whole.shape[0] * less)))
    return np.asarray(cv2.resize(whole, size, interpolation=cv2.INTER_AREA), dtype=np.float32)


def _share(ends: NDArray[np.uint8], which: int, shape: tuple[int, ...]) -> Light:
    there = cv2.bitwise_and(ends, which)
    if not cv2.countNonZero(there):
        return np.zeros(shape, dtype=np.float32)
    there = cv2.compare(there, 0, cv2.CMP_GT)
    small = cv2.resize(there, (shape[1], shape[0]), interpolation=cv2.INTER_AREA)
    return np.asarray(small, dtype=np.float32) / np.float32(255)


def seen_through(points: NDArray, warp: NDArray) -> Points:
    """Return points moved by a projective map.

    Parameters
    ----------
    points : array (n, 2)
    warp : array (3, 3)

    Returns
    -------
    array (n, 2)
    """
    moved = cv2.perspectiveTransform(np.asarray(points, dtype=np.float64)[None], warp)
    return np.asarray(moved[0], dtype=np.float32)
