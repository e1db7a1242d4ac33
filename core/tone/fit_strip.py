"""Fit a strip: patches of known time to a curve with its doubt, bad patches named."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from core.errors import StripError
from core.kinetics.row import mordant_row, tables_version
from core.tone.earlier_strips import Earlier, earlier_strips
from core.tone.merge import grouped, mixed, spoken_for, surer
from core.tone.outliers import (
    FEWEST_PATCHES,
    fitted,
    fitted_patches,
    limit_lstar,
    without_outliers,
)
from core.tone.posterior import DEFAULT_READING_SPREAD, PATCH_SCATTER, Readings
from core.tone.shape import WETTING, PriorShape, curve_lightness, guess_shape
from core.tone.shapes import Curve, FitStripInput, FitStripOutput, FittedPatch, Patch

Array = NDArray[np.float64]
Groups = list[NDArray[np.intp]]

LEAST_FALL_LSTAR = 4.0
PALE_LSTAR = 3.0
PALE = (
    "Paler than the shorter patches before it: past this time the grain is undercut and the "
    "tone turns pale (open bite). The curve ends before it."
)
BAND = (2.5, 97.5)


def fit_strip(given: FitStripInput) -> FitStripOutput:
    """Return the curve of a strip, with flagged patches and the time it is valid to.

    Parameters
    ----------
    given : FitStripInput
        At least 3 patches, cumulative seconds, L* relative to the bare sheet.

    Returns
    -------
    FitStripOutput

    Raises
    ------
    StripError
        Fewer than 3 usable times, or no falling trend.

    Notes
    -----
    Patches of one time are read as one; so are the nearest of very many.
    """
    order = sorted(range(len(given.patches)), key=lambda i: given.patches[i].seconds)
    patches = [given.patches[i] for i in order]
    groups = grouped(np.array([p.seconds for p in patches]))
    readings = _readings(patches, groups, given)
    _check(readings)
    readings, why = _without_pale_end(readings)
    guess = _guess(given)
    old = earlier_strips(given.prior, given.prior_days, guess) if given.prior else None
    draws, kept, out = without_outliers(readings, old.shape if old else guess)
    if kept.used.sum() < FEWEST_PATCHES:
        raise _too_few(int(kept.used.sum()))
    why |= {place: _why(float(kept.lstar[place]), *found) for place, found in out.items()}
    left_out = _reasons(patches, groups, kept, draws, why)
    told = _output(given, order, draws, kept, groups, left_out)
    return told.model_copy(update=_shares(old, draws)) if old else told


def _shares(old: Earlier, draws: Array) -> dict[str, Any]:
    share = old.share(draws)
    return {
        "own_share": round(1 - share, 3),
        "prior_shares": [round(float(share * weight), 3) for weight in old.weights],
    }


def _spread(patch: Patch) -> float:
    return patch.spread or DEFAULT_READING_SPREAD


def _readings(patches: list[Patch], groups: Groups, given: FitStripInput) -> Readings:
    scatter = np.full(len(patches), PATCH_SCATTER)
    return Readings(
        seconds=np.array([p.seconds for p in patches]),
        lstar=spoken_for(np.array([p.lstar for p in patches]), groups),
        spread=surer(np.array([_spread(p) for p in patches]), groups),
        scatter=surer(scatter, groups),
        used=np.ones(len(groups), dtype=bool),
        mix=mixed(groups),
        bitten=given.bitten,
        other_dips=np.array(given.other_dips),
    )


def _check(readings: Readings) -> None:
    count = len(readings.lstar)
    if count < FEWEST_PATCHES:
        raise _too_few(count)
    _check_falls(readings)


def _check_falls(readings: Readings) -> None:
    pairs = np.triu_indices(len(readings.lstar), 1)
    steps = readings.lstar[pairs[1]] - readings.lstar[pairs[0]]
    fall = float(readings.lstar.max() - readings.lstar.min())
    if np.median(steps) >= 0 or fall < LEAST_FALL_LSTAR:
        raise StripError(
            "no-falling-trend",
            "The patches do not get darker with time. Check that the times stand beside the right "
            "patches, and that the strip was read from its shortest bite.",
            field="patches",
            value=round(-float(np.median(steps)), 1),
            allowed=f"a fall of at least {LEAST_FALL_LSTAR:g}",
            unit="L*",
        )


def _too_few(usable: int) -> StripError:
    return StripError(
        "too-few-patches",
        f"A curve needs at least {FEWEST_PATCHES} usable patches; this strip has {usable}. "
        "Read more patches, or bite a longer strip.",
        field="patches",
        value=usable,
        allowed=f"at least {FEWEST_PATCHES}",
        unit="patches",
    )


def _without_pale_end(readings: Readings) -> tuple[Readings, dict[int, str]]:
    """Leave out patches after the darkest that are surely paler: grain undercut, open bite."""
    darkest = int(np.argmin(readings.lstar))
    tail = np.arange(darkest + 1, len(readings.lstar))
    doubt = 3.0 * np.hypot(readings.spread[tail], readings.spread[darkest])
    paler = readings.lstar[tail] - readings.lstar[darkest] > np.maximum(PALE_LSTAR, doubt)
    if not len(tail) or not paler.all() or darkest < FEWEST_PATCHES - 1:
        return readings, {}
    if len(tail) < 2 and not _dark_end_agrees(readings, darkest):
        return readings, {}
    used = readings.used.copy()
    used[tail] = False
    return replace(readings, used=used), {int(i): PALE for i in tail}


def _dark_end_agrees(readings: Readings, darkest: int) -> bool:
    """Tell whether the darkest patch follows its neighbours, so that the next one is the odd."""
    before = readings.lstar[: darkest + 1]
    return bool(np.all(np.diff(before[-3:]) < 2.0))


def _guess(given: FitStripInput) -> PriorShape:
    row = mordant_row(given.conditions)
    return guess_shape(row.wetting_seconds, row.wetting_log_spread)


def _why(read: float, off: float, spread: float) -> str:
    said = f"Reads L* {read:g}; the others say {read - off:.0f} ± {2 * spread:.0f}."
    if off > 0:
        return f"{said} Too light: stop-out may have crept in, or the ground held."
    return f"{said} Too dark: a foul bite, or the patch was wiped less."


def _reasons(
    given: list[Patch], groups: Groups, readings: Readings, draws: Array, why: dict[int, str]
) -> dict[int, str]:
    """Return why patches are left out, by place: with their group, or alone within it."""
    alone = {group: text for group, text in why.items() if len(groups[group]) == 1 or text == PALE}
    said = {int(place): text for group, text in alone.items() for place in groups[group]}
    several = [group for place, group in enumerate(groups) if len(group) > 1 and place not in alone]
    if not several:
        return said
    curves = fitted_patches(readings, draws)
    for place in (int(each) for group in several for each in group):
        patch, told = given[place], curves[:, place]
        spread = float(np.sqrt(_spread(patch) ** 2 + PATCH_SCATTER**2 + told.var()))
        off = patch.lstar - float(told.mean())
        if abs(off) > limit_lstar(spread):
            said[place] = _why(patch.lstar, off, spread)
    for group, text in why.items():
        if not said.keys() & set(groups[group].tolist()):  # together they are off, none alone
            said |= dict.fromkeys(groups[group].tolist(), text)
    return said


def _output(
    given: FitStripInput,
    order: list[int],
    draws: Array,
    readings: Readings,
    groups: Groups,
    why: dict[int, str],
) -> FitStripOutput:
    curves = fitted_patches(readings, draws)
    low, high = np.percentile(curves, BAND, axis=0)
    mean = curves.mean(axis=0)
    last = int(groups[int(np.flatnonzero(readings.used)[-1])][-1])
    wetting = np.exp(draws[:, WETTING])
    off = (readings.lstar - fitted(readings, draws).mean(axis=0))[readings.used]
    place = {patch: rank for rank, patch in enumerate(order)}
    return FitStripOutput(
        curve=Curve(
            tables=tables_version(given.conditions),
            conditions=given.conditions,
            draws=[[round(float(x), 4) for x in draw] for draw in draws],
            valid_to_seconds=float(readings.seconds[last]),
            valid_to_reference_seconds=round(
                float(readings.reference_of_patches(wetting)[:, last].mean()), 1
            ),
        ),
        patches=[
            FittedPatch(
                seconds=patch.seconds,
                lstar=patch.lstar,
                fitted=round(float(mean[place[i]]), 1),
                fitted_low=round(float(low[place[i]]), 1),
                fitted_high=round(float(high[place[i]]), 1),
                outlier=place[i] in why,
                why=why.get(place[i]),
            )
            for i, patch in enumerate(given.patches)
        ],
        lightest_lstar=round(float(curve_lightness(draws, np.zeros((len(draws), 1))).mean()), 1),
        darkest_lstar=round(float(mean[last]), 1),
        valid_to_seconds=float(readings.seconds[last]),
        rms_lstar=round(float(np.sqrt(np.mean(off**2))), 2),
        wetting_seconds=round(float(wetting.mean()), 1),
        tables=tables_version(given.conditions),
    )
