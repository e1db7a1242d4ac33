"""Tone areas: into how many tones a picture is worth being cut, and into which."""

from __future__ import annotations

import numpy as np

from core.data.mordants import TABLES_VERSION
from core.study.cut import Cut, best_cuts
from core.study.levels import count_levels
from core.study.on_plate import read_on_plate
from core.study.scale import Scale
from core.study.shapes import StudyWarning, ToneAreasInput, ToneAreasOutput, ToneChoice

_OUT_OF_REACH_SAID = 0.01


def tone_areas(given: ToneAreasInput) -> ToneAreasOutput:
    """Return for each number of tones those that stand closest to the picture.

    Parameters
    ----------
    given : ToneAreasInput

    Returns
    -------
    ToneAreasOutput
        ``rms_lstar`` is measured after smoothing, on 1024 levels of L*.

    Raises
    ------
    CoreError
        No picture that can be cut.
    """
    levels, fine, warnings = read_on_plate(given)
    scale = Scale(given.lightest_lstar, given.darkest_lstar, given.map)
    counts = count_levels(levels)
    surface = given.width_mm * given.height_mm / 100
    choices, few = choose(counts, scale, given.counts, surface)
    return ToneAreasOutput(
        choices=choices,
        floor_lstar=round(floor_of(counts, scale), 3),
        px_per_mm=round(fine, 2),
        warnings=[*warnings, *few, *out_of_reach(counts, scale)],
        tables=TABLES_VERSION,
    )


def choose(
    counts: np.ndarray, scale: Scale, wanted: list[int], surface_cm2: float
) -> tuple[list[ToneChoice], list[StudyWarning]]:
    """Return the best cut for each number of tones, and which numbers there are no greys for.

    Parameters
    ----------
    counts : array (1024,)
        Pixels of each level.
    scale : Scale
    wanted : list of int
    surface_cm2 : float [cm²]
        Of the plate.

    Returns
    -------
    (list of ToneChoice, list of StudyWarning)
    """
    cuts = best_cuts(scale.lstars, counts, max(wanted), scale.reach)
    made = [_choice(cuts[count - 1], surface_cm2) for count in wanted if count <= len(cuts)]
    if len(made) == len(wanted):
        return made, []
    text = f"The picture has greys for {len(cuts)} tones within reach, and no more."
    return made, [StudyWarning(code="fewer-greys", text=text)]


def _choice(cut: Cut, surface_cm2: float) -> ToneChoice:
    return ToneChoice(
        count=len(cut.tones),
        tones_lstar=[round(float(tone), 3) for tone in cut.tones],
        shares=[round(float(share), 6) for share in cut.shares],
        areas_cm2=[round(float(share) * surface_cm2, 2) for share in cut.shares],
        bounds_lstar=[round(float(bound), 3) for bound in cut.bounds],
        rms_lstar=round(cut.rms, 4),
    )


def floor_of(counts: np.ndarray, scale: Scale) -> float:
    """Return what no number of tones gets below: the distance of greys out of reach.

    Parameters
    ----------
    counts : array (1024,)
    scale : Scale

    Returns
    -------
    float [L*]
        Root mean square over the picture.
    """
    off = scale.lstars - np.clip(scale.lstars, *scale.reach)
    return float(np.sqrt((counts * off**2).sum() / counts.sum()))


def share_out_of_reach(counts: np.ndarray, scale: Scale) -> float:
    """Return the share of the picture darker than the darkest tone.

    Parameters
    ----------
    counts : array (1024,)
    scale : Scale

    Returns
    -------
    float
    """
    return float(counts[scale.lstars < scale.darkest - 0.5].sum() / counts.sum())


def out_of_reach(counts: np.ndarray, scale: Scale) -> list[StudyWarning]:
    """Return a warning where part of the picture is darker than the strip can reach.

    Parameters
    ----------
    counts : array (1024,)
    scale : Scale

    Returns
    -------
    list of StudyWarning
    """
    share = share_out_of_reach(counts, scale)
    if share < _OUT_OF_REACH_SAID:
        return []
    text = (
        f"{100 * share:.0f} % of the picture is darker than L* {scale.darkest:.0f}, where the "
        "strip stops: it prints as the darkest tone."
    )
    return [StudyWarning(code="out-of-reach", text=text)]
