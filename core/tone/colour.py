"""Colour relative to the paper: linear sRGB and CIE L*a*b*, both ways."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

_TO_XYZ = np.array([
    [0.4124564, 0.3575761, 0.1804375],
    [0.2126729, 0.7151522, 0.0721750],
    [0.0193339, 0.1191920, 0.9503041],
])  # fmt: skip
"""Linear sRGB to XYZ, D65."""
_WHITE = _TO_XYZ.sum(axis=1)
_FOOT = 6 / 29


def lab_from_linear(rgb: Array) -> Array:
    """Return L*a*b* of linear sRGB, white 1, 1, 1.

    Parameters
    ----------
    rgb : array (..., 3)
        Relative to the paper.

    Returns
    -------
    array (..., 3)

    Notes
    -----
    Source: ``cie-15``, ``srgb``.
    """
    t = np.maximum(np.asarray(rgb) @ _TO_XYZ.T, 0.0) / _WHITE
    f = np.where(t > _FOOT**3, np.cbrt(t), t / (3 * _FOOT**2) + 4 / 29)
    return np.stack(
        [116 * f[..., 1] - 16, 500 * (f[..., 0] - f[..., 1]), 200 * (f[..., 1] - f[..., 2])],
        axis=-1,
    )


def linear_from_lab(lab: Sequence[float] | Array) -> Array:
    """Return linear sRGB of L*a*b*; outside the screen's reach it is cut off.

    Parameters
    ----------
    lab : array (..., 3)

    Returns
    -------
    array (..., 3)
    """
    given = np.asarray(lab, dtype=float)
    y = (given[..., 0] + 16) / 116
    f = np.stack([y + given[..., 1] / 500, y, y - given[..., 2] / 200], axis=-1)
    t = np.where(f > _FOOT, f**3, 3 * _FOOT**2 * (f - 4 / 29))
    return np.asarray(np.clip((t * _WHITE) @ np.linalg.inv(_TO_XYZ).T, 0.0, 1.0))


def lab_to_hex(lab: Sequence[float]) -> str:
    """Return a colour as a screen shows it: "#2c221b".

    Parameters
    ----------
    lab : sequence of 3 floats

    Returns
    -------
    str
    """
    linear = linear_from_lab(lab)
    encoded = np.where(linear <= 0.0031308, 12.92 * linear, 1.055 * linear ** (1 / 2.4) - 0.055)
    return "#" + "".join(f"{round(float(each) * 255):02x}" for each in encoded)
