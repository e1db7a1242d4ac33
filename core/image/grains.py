"""Which of two kinds of patches are the grains: told by shape, never by lightness."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage

from core.image.two_kinds import TwoKinds

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]

_CHORD = 30.0
"""Outlines are judged on a grid on which a middling patch is this many points across."""
_COARSEST, _FINEST = 0.7, 3.0
_WINDOW_PX = 420
_OUTLINE_SIGMA = 1.5
_LEAST_DISC = 2.0
_EVEN_SIZES, _ROUND_OUTLINE, _FILLED = 73.0, 43.0, 49.0
"""How much each sign counts, so that their sum is the logarithm of the odds; from photographs drawn
in three ways, see docs/decisions/0009."""
_CREVICE = 0.25
"""A disc this small beside the middling one lies in a crevice between two others."""


@dataclass(frozen=True)
class Discs:
    """The largest discs that fit into one kind of patches, none with its middle in another."""

    radii_px: Array
    filled: float
    """Area of the discs over that of the kind."""

    @property
    def unevenness(self) -> float:
        """Return the spread of the radii over their mean."""
        if len(self.radii_px) < 2:
            return 1.0
        return float(self.radii_px.std() / self.radii_px.mean())


@dataclass(frozen=True)
class Grains:
    """``lighter`` tells that the grains are; ``sureness`` is the logarithm of the odds."""

    lighter: bool
    sureness: float
    discs: Discs
    window_px: int
    """Pixels of the photograph in which the discs were laid."""


def find_grains(kinds: TwoKinds, piece: tuple[slice, slice]) -> Grains:
    """Return which kind are the grains.

    Parameters
    ----------
    kinds : TwoKinds
    piece : (slice, slice)
        Rows and columns that lie in one piece on the photograph: grains are looked at there.

    Returns
    -------
    Grains

    Notes
    -----
    Grains are round, gaps between them are not. So, in the grains, the discs that fit are more even
    in size and fill more, and the outline curves round them more often than round the gaps.
    """
    window = _window(kinds.smooth[piece])
    finer = _finer(window, kinds.threshold)
    fine = ndimage.zoom(ndimage.gaussian_filter(window, 0.5 / finer), finer, order=3)
    light = fine > kinds.threshold
    lighter, darker = lay_discs(light), lay_discs(~light)
    sign = (
        _EVEN_SIZES * (darker.unevenness - lighter.unevenness)
        + _ROUND_OUTLINE * _rounds(fine, light)
        + _FILLED * (lighter.filled - darker.filled)
    )
    chosen = lighter if sign > 0 else darker
    discs = Discs(chosen.radii_px / finer, chosen.filled)
    return Grains(sign > 0, abs(float(sign)), discs, window.size)


def _window(smooth: Array) -> Array:
    tops = [max(0, (side - _WINDOW_PX) // 2) for side in smooth.shape]
    return smooth[tops[0] : tops[0] + _WINDOW_PX, tops[1] : tops[1] + _WINDOW_PX]


def _finer(window: Array, threshold: float) -> float:
    """Return how much finer than the pixels to look: patches of any size then look alike."""
    light = ndimage.gaussian_filter(window, _OUTLINE_SIGMA) > threshold
    outline = float((light ^ ndimage.binary_erosion(light)).sum())
    across = 4 * min(light.sum(), (~light).sum()) / max(outline, 1.0)
    return float(np.clip(_CHORD / max(across, 1.0), _COARSEST, _FINEST))


def _rounds(fine: Array, light: Mask) -> float:
    """Return by how much more than half the outline curves round the lighter kind."""
    soft = ndimage.gaussian_filter(fine, _OUTLINE_SIGMA)
    down, across = np.gradient(soft)
    steep = np.hypot(down, across) + 1e-9
    turn = -(np.gradient(down / steep, axis=0) + np.gradient(across / steep, axis=1))
    outline = light ^ ndimage.binary_erosion(light)
    return float(np.mean(turn[outline] > 0) - 0.5) if outline.any() else 0.0


def lay_discs(kind: Mask) -> Discs:
    """Return the largest discs that fit into a kind, the largest first.

    Parameters
    ----------
    kind : array (height, width) of bool

    Returns
    -------
    Discs
        Radii [pixels].
    """
    inside = ndimage.distance_transform_edt(kind)
    soft = ndimage.gaussian_filter(inside, 1.0)
    peaks = (ndimage.maximum_filter(soft, size=5) == soft) & (soft > _LEAST_DISC)
    ys, xs = np.nonzero(peaks)
    order = np.argsort(-soft[ys, xs], kind="stable")
    taken = np.zeros(kind.shape, dtype=bool)
    radii = []
    for y, x in zip(ys[order], xs[order], strict=True):
        if not taken[y, x]:
            radii.append(float(soft[y, x]))
            _mark(taken, int(y), int(x), radii[-1])
    kept = _without_crevices(np.array(radii))
    return Discs(kept, float(np.pi * (kept**2).sum() / max(1, kind.sum())))


def _without_crevices(radii: Array) -> Array:
    if len(radii) == 0:
        return radii
    middling = (radii**3).sum() / (radii**2).sum()
    return np.asarray(radii[radii > _CREVICE * middling])


def _mark(taken: Mask, y: int, x: int, radius: float) -> None:
    reach = int(np.ceil(radius))
    top, left = max(0, y - reach), max(0, x - reach)
    part = taken[top : y + reach + 1, left : x + reach + 1]
    down, across = np.ogrid[: part.shape[0], : part.shape[1]]
    part |= (down + top - y) ** 2 + (across + left - x) ** 2 <= radius**2
