"""Films of ink over one another: what is seen through them."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.image.reduced import open_reduced
from core.layers.shapes import Lying

Array = NDArray[np.float64]
_GREY = np.array([0.2126729, 0.7151522, 0.0721750])
_WHITE_SHARE, _MOST_PX = 99.5, 2400


def printed_over(below: Array, covers: Array, ink: Array, lets_through: float) -> Array:
    """Return light over the paper's after one more film is printed.

    Parameters
    ----------
    below : array (..., 3)
        Linear light over the paper's.
    covers : array (...)
        Share of each place that is covered.
    ink : array (3,)
        Linear light of the ink printed solid on paper.
    lets_through : float
        0 hides what lies below, 1 multiplies with it.

    Returns
    -------
    array (..., 3)

    Notes
    -----
    R = (1 − a)·B + a·R_ink·((1 − T) + T·B): over bare paper (B = 1) the ink's own colour, with
    T = 1 the product of both. Dots of two plates fall independently (Demichel), so shares
    multiply. Source: ``murray-davies``.
    """
    solid = ink * ((1 - lets_through) + lets_through * below)
    share = covers[..., None]
    return np.asarray(below * (1 - share) + solid * share)


def coverage_of(image: str, solid_y: float = 0.0) -> Array:
    """Return the share of each pixel that a plate covers, from a picture of what it prints.

    Parameters
    ----------
    image : str
        Dark prints.
    solid_y : float
        Light of the picture where the plate prints solid.

    Returns
    -------
    array (height, width)

    Raises
    ------
    CoreError
        No picture, or one that is one tone.

    Notes
    -----
    a = (1 − Y) / (1 − Y_solid). Source: ``murray-davies``.
    """
    light = open_reduced(image, _MOST_PX) @ _GREY
    white = float(np.percentile(light, _WHITE_SHARE))
    if white < 0.02 or white - float(light.min()) < 0.02:
        raise CoreError(
            "one-tone", "This picture is one tone: nothing of the plate is seen in it.",
            field="image", allowed="a picture with paper and ink",
        )  # fmt: skip
    return np.asarray(np.clip((1 - light / white) / (1 - solid_y), 0.0, 1.0))


def laid_down(covers: Array, size_mm: tuple[float, float], lies: Lying, px_per_mm: float) -> Array:
    """Return a plate's coverage where it lies on the key's print, on a grid.

    Parameters
    ----------
    covers : array (h, w)
        Over the whole plate.
    size_mm : (float, float) [mm]
        Of the key's print, and of the plate.
    lies : Lying
    px_per_mm : float

    Returns
    -------
    array (height, width)
    """
    wide, high = (max(1, round(side * px_per_mm)) for side in size_mm)
    own = covers.shape[1] / size_mm[0], covers.shape[0] / size_mm[1]
    # finer than the grid: first to the grid's own step, so that lines are averaged, not skipped
    less = min(1.0, px_per_mm / own[0], px_per_mm / own[1])
    if less < 1:
        covers = cv2.resize(covers, None, fx=less, fy=less, interpolation=cv2.INTER_AREA)
    onto = np.vstack([placing(size_mm, lies), [0, 0, 1]])
    px = np.diag([covers.shape[1] / size_mm[0], covers.shape[0] / size_mm[1], 1.0])
    grid = np.diag([wide / size_mm[0], high / size_mm[1], 1.0])
    half = np.array([[1, 0, 0.5], [0, 1, 0.5], [0, 0, 1.0]])
    warp = np.linalg.inv(half) @ grid @ onto @ np.linalg.inv(px) @ half
    laid = cv2.warpAffine(
        covers.astype(np.float32), warp[:2], (wide, high), flags=cv2.INTER_LINEAR, borderValue=0.0,
    )  # fmt: skip
    return np.clip(np.asarray(laid, dtype=float), 0.0, 1.0)


def placing(size_mm: tuple[float, float], lies: Lying) -> Array:
    """Return the map from a plate's own mm to those of the key's print: array (2, 3).

    Parameters
    ----------
    size_mm : (float, float) [mm]
    lies : Lying

    Returns
    -------
    array (2, 3)
    """
    middle = np.asarray(size_mm) / 2
    turn = np.radians(lies.clockwise_deg)
    grown = np.diag([1 + lies.wider, 1 + lies.higher])
    turned = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]]) @ grown
    moved = np.array([lies.right_mm, lies.down_mm])
    off = middle + moved - turned @ middle
    return np.column_stack([turned, off])
