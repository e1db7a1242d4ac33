"""How a study prints: its tones in aquatint grain at true size, the right way round."""

from __future__ import annotations

from functools import lru_cache

import cv2
import numpy as np
from numpy.typing import NDArray
from scipy import ndimage, stats

from core.study.divide import FIRST_TONE, resisting
from core.study.graded import speckle_share
from core.study.scale import Scale
from core.study.shapes import Edit, StudyCut
from core.study.stop_out_maps import Labels
from core.tone.lightness import reflectance_from_lightness

GRAIN_UM = 90.0
"""A middling rosin grain with the gap beside it. ``room-practice``"""
_RANKS = 16
_TILE_PX = 512
Codes = NDArray[np.uint8]
"""Of each point its area, times 16, and the rank of its grain among 16."""


def coded(labels: Labels, cut: StudyCut, px_per_mm: float, seed: int = 1) -> Codes:
    """Return labels with the grain in them, so that any change of tone is one look-up.

    Parameters
    ----------
    labels : array
        As ``divide`` returns them.
    cut : StudyCut
    px_per_mm : float
    seed : int
        Of the grain.

    Returns
    -------
    array (height, width)

    Notes
    -----
    A graded shape is drawn as what it is: speckles of its light tone in its dark one, so many as
    print the mixture by Yule and Nielsen.
    """
    whole = speckled(labels, cut, px_per_mm, seed)
    return np.asarray(cv2.add(cv2.multiply(whole, _RANKS), _grain(whole.shape, px_per_mm, seed)))


def speckled(labels: Labels, cut: StudyCut, px_per_mm: float, seed: int = 1) -> Labels:
    """Return labels in which graded shapes are speckles of their two tones.

    Parameters
    ----------
    labels : array
    cut : StudyCut
    px_per_mm : float
    seed : int

    Returns
    -------
    array of the same shape
    """
    out = labels.copy()
    graded = FIRST_TONE + len(cut.tones_lstar)
    for edit in (each for each in cut.edits if each.kind == "grade"):
        _speckle(out, labels == graded, edit, cut, px_per_mm, seed)
        graded += 1
    return out


def _speckle(
    out: Labels, inside: np.ndarray, edit: Edit, cut: StudyCut, px_per_mm: float, seed: int
) -> None:
    if not inside.any():
        return
    light, dark = ends_of(edit, cut)
    pair = cut.tones_lstar[light], cut.tones_lstar[dark]
    share = speckle_share(resisting(edit, out.shape, px_per_mm), *pair)
    rank = _ranks(max(1.0, 0.5 * px_per_mm), seed + 1)
    tiled = _tiled(rank, (out.shape[0], out.shape[1]))
    out[inside] = np.where(tiled < share, FIRST_TONE + light, FIRST_TONE + dark)[inside]


def ends_of(edit: Edit, cut: StudyCut) -> tuple[int, int]:
    """Return the places of a graded shape's light and dark tone; never the same.

    Parameters
    ----------
    edit : Edit
    cut : StudyCut

    Returns
    -------
    (int, int)
    """
    tones = cut.tones_lstar
    places = range(len(tones))
    light = min(places, key=lambda i: abs(tones[i] - (edit.from_lstar or 0)))
    dark = min(places, key=lambda i: abs(tones[i] - (edit.to_lstar or 0)))
    if dark > light:
        return light, dark
    return (light, light + 1) if light + 1 < len(tones) else (light - 1, light)


def table_of(lstars: list[float], px_per_mm: float) -> NDArray[np.uint8]:
    """Return the grey that each code prints as: sRGB on paper of L* 100.

    Parameters
    ----------
    lstars : list of float [L*]
        Of each label.
    px_per_mm : float

    Returns
    -------
    array (256,)

    Notes
    -----
    A tone is ink and paper side by side. Where a pixel holds many grains it has their mean, with
    the unevenness that so few leave; where it is finer than a grain it is either. The mean light
    of each tone is kept.
    """
    table = np.full(256, 255, dtype=np.uint8)
    for label, lstar in enumerate(lstars[:_RANKS]):
        start = label * _RANKS
        table[start : start + _RANKS] = _greys(float(lstar), px_per_mm)
    return table


def show(codes: Codes, table: NDArray[np.uint8]) -> NDArray[np.uint8]:
    """Return the picture of codes.

    Parameters
    ----------
    codes : array
    table : array (256,)

    Returns
    -------
    array of the same shape
    """
    return np.asarray(cv2.LUT(codes, table))


def as_drawn(field: np.ndarray, cut: StudyCut) -> NDArray[np.uint8]:
    """Return the study itself as a grey picture, in the lightness it asks for.

    Parameters
    ----------
    field : array of levels
    cut : StudyCut

    Returns
    -------
    array of the same shape
    """
    lstars = Scale(cut.lightest_lstar, cut.darkest_lstar, cut.map).lstars
    table = np.full(65_536, 255, dtype=np.uint8)
    table[: len(lstars)] = _encoded(reflectance_from_lightness(lstars))
    return np.asarray(cv2.LUT(field, table))


@lru_cache(maxsize=256)
def _greys(lstar: float, px_per_mm: float) -> NDArray[np.uint8]:
    """Return the greys of the 16 ranks of one tone; their mean light is the tone's."""
    wanted = float(reflectance_from_lightness(np.clip(lstar, 0, 100)))
    paper, ink = min(1.0, wanted + 0.45 * (1 - wanted)), 0.5 * wanted
    bare = (wanted - ink) / max(paper - ink, 1e-6)
    coarse = min(1.0, GRAIN_UM * px_per_mm / 1000)
    spread = np.sqrt(bare * (1 - bare)) * coarse
    middles = (np.arange(_RANKS) + 0.5) / _RANKS
    bent = bare + spread * stats.norm.ppf(middles)
    light = ink + (paper - ink) * np.clip(bent, 0, 1)
    return _encoded(np.clip(light * wanted / max(light.mean(), 1e-6), 0, 1))


def _encoded(light: NDArray) -> NDArray[np.uint8]:
    value = np.where(light <= 0.0031308, 12.92 * light, 1.055 * np.abs(light) ** (1 / 2.4) - 0.055)
    return np.asarray(np.rint(255 * np.clip(value, 0, 1)), dtype=np.uint8)


def _grain(shape: tuple[int, ...], px_per_mm: float, seed: int) -> NDArray[np.uint8]:
    ranks = _ranks(max(0.5, GRAIN_UM / 1000 * px_per_mm), seed)
    return _tiled(np.asarray(ranks * _RANKS, dtype=np.uint8), (shape[0], shape[1]))


def _tiled(tile: NDArray, shape: tuple[int, int]) -> NDArray:
    times = (-(-shape[0] // _TILE_PX), -(-shape[1] // _TILE_PX))
    return np.tile(tile, times)[: shape[0], : shape[1]]


@lru_cache(maxsize=32)
def _ranks(size_px: float, seed: int) -> NDArray[np.float32]:
    """Return a tile of values 0 to 1, each as frequent, in spots of a size; it has no seam."""
    noise = np.random.default_rng(seed).random((_TILE_PX, _TILE_PX))
    spots = ndimage.gaussian_filter(noise, 0.42 * size_px, mode="wrap")
    order = np.empty(noise.size, dtype=np.float32)
    order[np.argsort(spots, axis=None)] = np.arange(noise.size, dtype=np.float32)
    return np.asarray((order / noise.size).reshape(noise.shape), dtype=np.float32)
