"""Fit a strip: patches of known time to a curve with its doubt, bad patches named."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from core.errors import StripError
from core.kinetics.row import mordant_row, tables_version
from core.tone.posterior import (
    DEFAULT_READING_SPREAD,
    PATCH_SCATTER,
    Readings,
    draw_curves,
)
from core.tone.shape import SIZE, WETTING, PriorShape, curve_lightness, guess_shape
from core.tone.shapes import Curve, FitStripInput, FitStripOutput, FittedPatch

Array = NDArray[np.float64]

FEWEST_PATCHES = 3
LEAST_FALL_LSTAR = 4.0
SUSPECT_SPREADS = 2.2
"""A patch this far off the curve is looked at again without itself."""
OUTLIER_SPREADS = 3.5
OUTLIER_LSTAR = 3.0
PALE_LSTAR = 3.0
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
        Fewer than 3 usable patches, two patches of one time, or no falling trend.
    """
    order = sorted(range(len(given.patches)), key=lambda i: given.patches[i].seconds)
    readings = _readings(given, order)
    _check(readings)
    readings, why = _without_pale_end(readings)
    prior = _prior(given)
    draws, readings = _without_outliers(readings, prior, why)
    return _output(given, order, draws, readings, why)


def _readings(given: FitStripInput, order: list[int]) -> Readings:
    patches = [given.patches[i] for i in order]
    return Readings(
        seconds=np.array([p.seconds for p in patches]),
        lstar=np.array([p.lstar for p in patches]),
        spread=np.array([p.spread or DEFAULT_READING_SPREAD for p in patches]),
        used=np.ones(len(patches), dtype=bool),
        bitten=given.bitten,
    )


def _check(readings: Readings) -> None:
    count = len(readings.seconds)
    if count < FEWEST_PATCHES:
        raise _too_few(count)
    same = np.flatnonzero(np.diff(readings.seconds) <= 0)
    if len(same):
        raise StripError(
            "same-time",
            "Two patches have the same time. Each patch needs its own: type the times in all, "
            "not the lengths of the dips.",
            field="patches",
            value=float(readings.seconds[same[0]]),
            allowed="different times",
            unit="s",
        )
    _check_falls(readings)


def _check_falls(readings: Readings) -> None:
    pairs = np.triu_indices(len(readings.seconds), 1)
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
    tail = np.arange(darkest + 1, len(readings.seconds))
    doubt = 3.0 * np.hypot(readings.spread[tail], readings.spread[darkest])
    paler = readings.lstar[tail] - readings.lstar[darkest] > np.maximum(PALE_LSTAR, doubt)
    if not len(tail) or not paler.all() or darkest < FEWEST_PATCHES - 1:
        return readings, {}
    if len(tail) < 2 and not _dark_end_agrees(readings, darkest):
        return readings, {}
    used = readings.used.copy()
    used[tail] = False
    why = (
        "Paler than the shorter patches before it: past this time the grain is undercut and the "
        "tone turns pale (open bite). The curve ends before it."
    )
    return replace(readings, used=used), {int(i): why for i in tail}


def _dark_end_agrees(readings: Readings, darkest: int) -> bool:
    """Tell whether the darkest patch follows its neighbours, so that the next one is the odd."""
    before = readings.lstar[: darkest + 1]
    return bool(np.all(np.diff(before[-3:]) < 2.0))


def _prior(given: FitStripInput) -> PriorShape:
    row = mordant_row(given.conditions)
    guess = guess_shape(row.wetting_seconds, row.wetting_log_spread)
    if not given.prior:
        return guess
    old = np.array([draw for curve in given.prior for draw in curve.draws])
    own = np.cov(old, rowvar=False) + _DRIFT
    lesson = np.linalg.inv(guess.covariance) * 0.05 + np.linalg.inv(own)
    covariance = np.linalg.inv(lesson)
    pull = 0.05 * np.linalg.solve(guess.covariance, guess.mean) + np.linalg.solve(
        own, old.mean(axis=0)
    )
    return PriorShape(covariance @ pull, covariance)


_DRIFT = np.diag(
    [0.15**2, 0.12**2, 0.25**2, 0.08**2, 0.2**2, 0.3**2, 0.2**2] + [0.4**2] * (SIZE - 7)
)
"""How far two strips of one ground and metal differ from day to day (dust, wiping, ink)."""


def _without_outliers(
    readings: Readings, prior: PriorShape, why: dict[int, str]
) -> tuple[Array, Readings]:
    draws = draw_curves(readings, prior)
    while True:
        worst = _worst(readings, draws, prior)
        if worst is None:
            return draws, readings
        place, text = worst
        if readings.used.sum() <= FEWEST_PATCHES:
            raise _too_few(int(readings.used.sum()) - 1)
        why[place] = text
        readings = readings.without(place)
        draws = draw_curves(readings, prior)


def _worst(readings: Readings, draws: Array, prior: PriorShape) -> tuple[int, str] | None:
    """Return the patch that its fellows contradict the most, if one is beyond doubt."""
    found: list[tuple[float, int, float, float]] = []
    for place in _suspects(readings, draws):
        others = draw_curves(readings.without(place), prior) if readings.used.sum() > 3 else draws
        said = _fitted(readings, others)[:, place]
        spread = np.sqrt(readings.spread[place] ** 2 + PATCH_SCATTER**2 + said.var())
        off = readings.lstar[place] - said.mean()
        if abs(off) > max(OUTLIER_LSTAR, OUTLIER_SPREADS * spread):
            found.append((abs(off) / spread, place, off, float(spread)))
    if not found:
        return None
    _, place, off, spread = max(found)
    return place, _why(readings, place, off, spread)


def _suspects(readings: Readings, draws: Array) -> list[int]:
    fitted = _fitted(readings, draws).mean(axis=0)
    scale = np.hypot(readings.spread, PATCH_SCATTER)
    far = np.abs(readings.lstar - fitted) > SUSPECT_SPREADS * scale
    rises = np.diff(readings.lstar, prepend=np.inf) > 2.0 * scale
    near = far | rises | np.append(rises[1:], False)
    return [int(i) for i in np.flatnonzero(near & readings.used)]


def _fitted(readings: Readings, draws: Array) -> Array:
    times = readings.reference(np.exp(draws[:, WETTING]))
    return np.minimum.accumulate(curve_lightness(draws, times), axis=1)


def _why(readings: Readings, place: int, off: float, spread: float) -> str:
    said = readings.lstar[place] - off
    read = f"Reads L* {readings.lstar[place]:g}; the others say {said:.0f} ± {2 * spread:.0f}."
    if off > 0:
        return f"{read} Too light: stop-out may have crept in, or the ground held."
    return f"{read} Too dark: a foul bite, or the patch was wiped less."


def _output(
    given: FitStripInput, order: list[int], draws: Array, readings: Readings, why: dict[int, str]
) -> FitStripOutput:
    fitted = _fitted(readings, draws)
    low, high = np.percentile(fitted, BAND, axis=0)
    mean = fitted.mean(axis=0)
    last = int(np.flatnonzero(readings.used)[-1])
    wetting = np.exp(draws[:, WETTING])
    off = (readings.lstar - mean)[readings.used]
    place = {patch: rank for rank, patch in enumerate(order)}
    return FitStripOutput(
        curve=Curve(
            tables=tables_version(given.conditions),
            conditions=given.conditions,
            draws=[[round(float(x), 4) for x in draw] for draw in draws],
            valid_to_seconds=float(readings.seconds[last]),
            valid_to_reference_seconds=round(float(readings.reference(wetting)[:, last].mean()), 1),
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
