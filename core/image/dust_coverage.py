"""Dust coverage from a close photograph: how much is covered, how fine, where thin or crowded."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage

from core.data.dust import FULLEST, GOOD_COVER, THINNEST
from core.data.mordants import TABLES_VERSION
from core.errors import CoreError
from core.image.grains import Grains, find_grains
from core.image.picture import open_photo
from core.image.shapes import (
    CoveragePatch,
    DustCoverageInput,
    DustCoverageOutput,
    Verdict,
)
from core.image.two_kinds import TwoKinds, tell_apart
from core.image.view import View, look_at
from core.progress import Tell, part_of, untold

Array = NDArray[np.float64]
Mask = NDArray[np.bool_]

LEAST_SIDE_PX = 64
FULLEST_VALLEY = 1.12
"""Noise, streaks and slopes of light have no two kinds: their middle is fuller than their sides."""
FEWEST_GRAINS = 12
MOST_PIXELS = 60_000_000
"""Of a photograph: a phone's largest. What is looked at of it is far less."""
ROWS, COLUMNS = 4, 6
OUTLINE_DOUBT_PX = 0.12
SURE = 2.0
"""Odds of about seven to one."""
_SPECK, _HOLE = 0.05, 0.30
"""Of a middling grain's area: less is a speck of grime, or a glint on a grain."""


def dust_coverage(given: DustCoverageInput, tell: Tell = untold) -> DustCoverageOutput:
    """Return the coverage of a photograph on disk.

    Parameters
    ----------
    given : DustCoverageInput
        A path, and the scale [µm per pixel].
    tell : callable
        Is told the share done.

    Returns
    -------
    DustCoverageOutput

    Raises
    ------
    CoreError
        No picture, too small, or no grains in it.
    """
    return _measure(_seen(given), part_of(tell, 0.1, 1))


def _seen(given: DustCoverageInput) -> View:
    """Return what is looked at of a photograph; the photograph itself is let go of."""
    photo = open_photo(given.image, MOST_PIXELS)
    _check_side(photo.size)
    return look_at(photo.linear, photo.size, given.um_per_pixel)


def measure_dust(rgb: Array, um_per_pixel: float, tell: Tell = untold) -> DustCoverageOutput:
    """Return the coverage of a picture.

    Parameters
    ----------
    rgb : array (height, width, 3)
        Linear light.
    um_per_pixel : float [µm]
    tell : callable
        Is told the share done.

    Returns
    -------
    DustCoverageOutput
        Share covered 0 to 1, grains per mm², sizes [µm].

    Raises
    ------
    CoreError
        Too small, or no grains in it.
    """
    size = (rgb.shape[0], rgb.shape[1])
    _check_side(size)
    return _measure(look_at(lambda rows, columns: rgb[rows, columns], size, um_per_pixel), tell)


def _measure(view: View, tell: Tell) -> DustCoverageOutput:
    kinds = tell_apart(view, part_of(tell, 0, 0.8))
    if kinds.valley > FULLEST_VALLEY:
        raise _no_grains()
    grains = find_grains(kinds, view.piece)
    tell(0.9)
    if len(grains.discs.radii_px) < FEWEST_GRAINS:
        raise _no_grains()
    mask = _cleaned(kinds.lighter if grains.lighter else ~kinds.lighter, grains)
    return _output(mask, kinds, grains, view.um_per_pixel)


def _check_side(size: tuple[int, int]) -> None:
    shortest = min(size)
    if shortest < LEAST_SIDE_PX:
        raise CoreError(
            "too-small", "That picture is too small to count grains in.", field="image",
            value=shortest, allowed=f"at least {LEAST_SIDE_PX}", unit="px",
        )  # fmt: skip


def _no_grains() -> CoreError:
    return CoreError(
        "no-grains",
        "No grains can be told from the metal in this photograph. Go closer, light it from the "
        "side, and see that it is sharp; if the plate is bare, dust it first.",
        field="image",
        allowed="a close photograph of a dusted plate",
    )


def _cleaned(mask: Mask, grains: Grains) -> Mask:
    """Return the grains with specks of grime taken out and glints filled in."""
    grain = float(np.pi * np.median(grains.discs.radii_px) ** 2)
    filled = ~_without_small(~mask, _HOLE * grain)
    return _without_small(filled, _SPECK * grain)


def _without_small(mask: Mask, least_px: float) -> Mask:
    labels, count = ndimage.label(mask)
    sizes = np.bincount(labels.ravel(), minlength=count + 1)
    keep = sizes >= least_px
    keep[0] = False
    return np.asarray(keep[labels])


def _output(mask: Mask, kinds: TwoKinds, grains: Grains, um_per_pixel: float) -> DustCoverageOutput:
    covered = float(mask.mean())
    patches = _patches(mask)
    spread = _spread(mask, patches)
    window_mm2 = grains.window_px * (um_per_pixel / 1000) ** 2
    return DustCoverageOutput(
        covered=round(covered, 3),
        covered_spread=round(spread, 3),
        grains_per_mm2=round(len(grains.discs.radii_px) / window_mm2, 1),
        median_grain_um=round(2 * float(np.median(grains.discs.radii_px)) * um_per_pixel, 1),
        verdict=verdict_of(covered),
        reasons=_reasons(covered, patches, grains),
        grains_are="lighter" if grains.lighter else "darker",
        patches=patches,
        tables=TABLES_VERSION,
    )


def _patches(mask: Mask) -> list[CoveragePatch]:
    found = []
    for i, row in enumerate(np.array_split(mask, ROWS, axis=0)):
        for j, part in enumerate(np.array_split(row, COLUMNS, axis=1)):
            covered = float(part.mean())
            found.append(
                CoveragePatch(
                    x=round(j / COLUMNS, 4), y=round(i / ROWS, 4), width=round(1 / COLUMNS, 4),
                    height=round(1 / ROWS, 4), covered=round(covered, 3),
                    verdict=verdict_of(covered),
                )
            )  # fmt: skip
    return found


def _spread(mask: Mask, patches: list[CoveragePatch]) -> float:
    outline = mask ^ ndimage.binary_erosion(mask)
    from_outline = OUTLINE_DOUBT_PX * outline.mean()
    from_patches = np.std([patch.covered for patch in patches]) / np.sqrt(len(patches))
    return float(np.hypot(from_outline, from_patches))


def verdict_of(covered: float) -> Verdict:
    """Return what a covered share means for the bite.

    Parameters
    ----------
    covered : float
        Share of the surface, 0 to 1.

    Returns
    -------
    Verdict
    """
    if covered < THINNEST:
        return "too thin"
    if covered < GOOD_COVER[0]:
        return "thin"
    if covered <= GOOD_COVER[1]:
        return "good"
    return "full" if covered <= FULLEST else "too full"


_WHAT_TO_DO: dict[str, str] = {
    "too thin": "Under 40 % the metal bites open and prints pale with dark edges. Dust again.",
    "thin": "A little thin: a short second dusting brings it to about half.",
    "full": "A little full: tones come slowly. Fuse it, or brush off and dust shorter.",
    "too full": "Above 60 % the mordant finds no way in. Brush the dust off and dust shorter.",
}


def _reasons(covered: float, patches: list[CoveragePatch], grains: Grains) -> list[str]:
    verdict = verdict_of(covered)
    said = [_WHAT_TO_DO[verdict]] if verdict in _WHAT_TO_DO else []
    thin = sum(patch.verdict == "too thin" for patch in patches)
    full = sum(patch.verdict == "too full" for patch in patches)
    if thin and verdict != "too thin":
        said.append(f"{thin} of {len(patches)} patches are too thin: see the map.")
    if full and verdict != "too full":
        said.append(f"{full} of {len(patches)} patches are too full: see the map.")
    if grains.sureness < SURE:
        kind = "lighter" if grains.lighter else "darker"
        said.append(f"Which are the grains is not sure here; the {kind} patches were taken.")
    return said
