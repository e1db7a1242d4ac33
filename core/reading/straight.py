"""A proof laid straight: its tones over the sheet's, as small as it is shown and compared."""

from __future__ import annotations

from pathlib import Path

import cv2
import numpy as np
from numpy.typing import NDArray

from core.errors import CoreError
from core.reading.scan import Light
from core.tone.lightness import lightness_from_reflectance

Array = NDArray[np.float64]
Lstars = NDArray[np.float32]

LONG_PX = 900
VALUES_A_LSTAR = 2.5
"""Of an 8-bit grey: L* 100 is 250, so that what is a little lighter than the sheet has room."""
NAME = "straight.png"


def write_straight(folder: str, over: Light, warp: Array, ratio: float) -> str:
    """Write a proof laid straight, its plate alone, as it prints; return the file's path.

    Parameters
    ----------
    folder : str
    over : array (height, width)
        Light over the sheet's.
    warp : array (3, 3)
        From the plate (1 wide, 1 high) to the worked picture.
    ratio : float
        Width over height of the plate.

    Returns
    -------
    str

    Raises
    ------
    CoreError
        It cannot be written there.
    """
    size = (LONG_PX, round(LONG_PX / ratio)) if ratio >= 1 else (round(LONG_PX * ratio), LONG_PX)
    onto = warp @ np.diag([1 / size[0], 1 / size[1], 1.0])
    flags = cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP
    laid = cv2.warpPerspective(over, onto, size, flags=flags, borderValue=1.0)
    lstars = lightness_from_reflectance(np.clip(laid, 0, 1.05))
    values = np.asarray(np.clip(lstars * VALUES_A_LSTAR, 0, 255), dtype=np.uint8)
    path = Path(folder) / NAME
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_bytes(bytes(cv2.imencode(".png", values)[1]))
    except OSError:
        raise CoreError(
            "not-written", "The straight picture could not be written.", field="write",
            value=folder, allowed="a folder that can be written to",
        ) from None  # fmt: skip
    return str(path)


def open_straight(path: str) -> Lstars:
    """Return the tones of a proof laid straight.

    Parameters
    ----------
    path : str

    Returns
    -------
    array (height, width) [L*]

    Raises
    ------
    CoreError
        It is not there.
    """
    found = cv2.imread(path, cv2.IMREAD_GRAYSCALE) if Path(path).is_file() else None
    if found is None:
        raise CoreError("no-picture", "This proof is not laid straight: read it first.")
    return np.asarray(found, dtype=np.float32) / np.float32(VALUES_A_LSTAR)
