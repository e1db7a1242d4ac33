"""Step chart → correction curve: the black a film needs for each lightness to print."""

from __future__ import annotations

from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from core.bath.posterior import BAND_SDS
from core.data.polymer import READING_LSTAR
from core.errors import CoreError
from core.polymer.correction_shapes import (
    LEAST_STEPS,
    ChartRead,
    ChartStep,
    CorrectionCurveInput,
    CorrectionCurveOutput,
    CorrectionWarning,
    Printed,
)
from core.polymer.tone_transfer import Transfer, fit_transfer

Array = NDArray[np.float64]

PLACES = 256
_FINE = 4097
_STEEPEST = 12.0
"""Times the slope of a film from solid to clear: past it neighbouring greys would part, and
the film bands."""
_OUTLIER_SDS, _RISE_SDS = 4.0, 3.5
_MOST_LEFT_OUT = 0.15
_LEAST_RANGE = 10.0
_SHORT_RANGE, _FLAT_LSTAR, _FLAT_FILM = 45.0, 1.0, 0.08
_SHOWN = 41
_TESTED = (0.02, 0.98)


def correction_curve(given: CorrectionCurveInput) -> CorrectionCurveOutput:
    """Return the film that prints each lightness a plate can reach.

    Parameters
    ----------
    given : CorrectionCurveInput
        Shares of black and printed tones [L*].

    Returns
    -------
    CorrectionCurveOutput
        ``film`` never rises with its place, and no step of it is over 12/255.

    Raises
    ------
    CoreError
        ``few-steps``: under 8 different films; ``does-not-fall``: more film prints no darker.

    Notes
    -----
    The falling curve of ``tone_transfer`` is turned round; where it is flat every film prints the
    same, and the middle of them is taken. Outside the films of the chart nothing is told.
    """
    steps = sorted(given.chart, key=lambda step: step.film)
    film = np.array([step.film for step in steps])
    lstar = np.array([step.lstar for step in steps])
    spread = np.array([step.spread or READING_LSTAR for step in steps])
    _check(film, lstar)
    kept, curve = _fitted(film, lstar, spread)
    grid = np.linspace(film.min(), film.max(), _FINE)
    prints = curve.lstar(grid)
    lightest, darkest = float(prints[0]), float(prints[-1])
    made, steep = _limited(_turned(grid, prints, np.linspace(darkest, lightest, PLACES)))
    fitted = curve.lstar(film)
    return CorrectionCurveOutput(
        lightest_lstar=round(lightest, 2),
        darkest_lstar=round(darkest, 2),
        film=[round(float(each), 5) for each in made],
        prints=_shown(curve, film),
        chart=[_read(*each) for each in zip(steps, fitted, kept, strict=True)],
        rms_lstar=round(float(np.sqrt(np.mean((lstar - fitted)[kept] ** 2))), 2),
        warnings=_warnings(steps, spread, kept, (grid, prints), steep),
    )


def _check(film: Array, lstar: Array) -> None:
    different = len(np.unique(np.round(film, 4)))
    if different < LEAST_STEPS:
        raise CoreError(
            "few-steps", "A chart needs steps of different film.", field="chart", value=different,
            allowed=f"at least {LEAST_STEPS}", unit="different steps",
        )  # fmt: skip
    third = max(2, len(film) // 3)
    fall = float(np.median(lstar[:third]) - np.median(lstar[-third:]))
    if fall < 0 or lstar.max() - lstar.min() < _LEAST_RANGE:
        said = "Is the chart turned round?" if fall < 0 else "Was this chart exposed and printed?"
        raise CoreError(
            "does-not-fall", f"More black on the film prints no darker on this chart. {said}",
            field="chart", value=round(fall, 1), allowed=f"a fall of at least {_LEAST_RANGE:g}",
            unit="L*",
        )  # fmt: skip


def _fitted(film: Array, lstar: Array, spread: Array) -> tuple[NDArray[np.bool_], Transfer]:
    """Return which steps count, and their curve: the worst is left out while it is far off."""
    kept = np.ones(len(film), dtype=bool)
    curve = fit_transfer(film, lstar, spread)
    for _ in range(int(_MOST_LEFT_OUT * len(film))):
        off = np.where(kept, np.abs(lstar - curve.lstar(film)) / spread, 0)
        if off.max() < _OUTLIER_SDS:
            break
        kept[off.argmax()] = False
        curve = fit_transfer(film[kept], lstar[kept], spread[kept])
    return kept, curve


def _turned(grid: Array, prints: Array, wanted: Array) -> Array:
    """Return the film of each wanted tone, the middle one where several print it."""
    first = np.searchsorted(-prints, -wanted - 1e-9, side="left")
    last = np.searchsorted(-prints, -wanted + 1e-9, side="right")
    low = np.interp(wanted, prints[::-1], grid[::-1])
    flat = (last - first) > 1
    ends = np.clip(np.stack([first, last - 1]), 0, len(grid) - 1)
    return np.where(flat, grid[ends].mean(axis=0), low)


def _limited(film: Array) -> tuple[Array, bool]:
    """Return a film whose steps are no steeper than is allowed, and whether any was."""
    most = _STEEPEST / (PLACES - 1)
    if np.all(film[:-1] - film[1:] <= most + 1e-12):
        return film, False
    down, up = film.copy(), film.copy()
    for i in range(1, PLACES):
        down[i] = max(film[i], down[i - 1] - most)
        up[-1 - i] = min(film[-1 - i], up[-i] + most)
    return (down + up) / 2, True


def _shown(curve: Transfer, film: Array) -> list[Printed]:
    at = np.linspace(film.min(), film.max(), _SHOWN)
    reach = BAND_SDS * curve.spread(at)
    return [
        Printed(film=round(float(f), 4), lstar=round(float(y), 2),
                low=round(float(y - r), 2), high=round(float(y + r), 2))
        for f, y, r in zip(at, curve.lstar(at), reach, strict=True)
    ]  # fmt: skip


def _read(step: ChartStep, fitted: float, kept: bool) -> ChartRead:
    return ChartRead(
        film=step.film, lstar=step.lstar, fitted=round(float(fitted), 2), outlier=not kept
    )


def _warnings(
    steps: list[ChartStep], spread: Array, kept: NDArray[np.bool_], curve: tuple[Array, Array],
    steep: bool,
) -> list[CorrectionWarning]:  # fmt: skip
    grid, prints = curve
    found = [*_of_steps(steps, spread, kept), *_of_reach(prints), *_of_ends(grid, prints)]
    if steep:
        found.append(_said("steep", "Some greys lie so near in film that they would band: the "
                                    "curve is held back there."))  # fmt: skip
    return found


def _of_steps(
    steps: list[ChartStep], spread: Array, kept: NDArray[np.bool_]
) -> list[CorrectionWarning]:
    out = [_percent(step.film) for step, counts in zip(steps, kept, strict=True) if not counts]
    found = []
    if out:
        found.append(_said("left-out", f"Left out, for they lie far off the rest: {_all(out)}."))
    rises = [
        _percent(after.film)
        for (before, after), sds in zip(pairwise(steps), pairwise(spread), strict=True)
        if after.lstar - before.lstar > _RISE_SDS * np.hypot(*sds)
    ]
    if rises:
        text = f"Lighter than a step of less film: {_all(rises)}. Read them again."
        found.append(_said("rises", text))
    return found


def _of_reach(prints: Array) -> list[CorrectionWarning]:
    reach = float(prints[0] - prints[-1])
    if reach >= _SHORT_RANGE:
        return []
    text = (
        f"Paper and the darkest step are only {reach:.0f} L* apart. Is the pair of exposures the "
        "right one?"
    )
    return [_said("short-range", text)]


def _of_ends(grid: Array, prints: Array) -> list[CorrectionWarning]:
    found = []
    light = float(grid[np.argmax(prints < prints[0] - _FLAT_LSTAR)])
    dark = float(grid[np.argmax(prints < prints[-1] + _FLAT_LSTAR)])
    if light - grid[0] > _FLAT_FILM:
        found.append(_said("flat-lights", f"Up to {_percent(light)} film prints as paper: lights "
                                          "are lost. Expose the image less."))  # fmt: skip
    if grid[-1] - dark > _FLAT_FILM:
        found.append(_said("flat-darks", f"From {_percent(dark)} film on all prints as solid: "
                                         "darks are closed."))  # fmt: skip
    if grid[0] > _TESTED[0] or grid[-1] < _TESTED[1]:
        text = (
            f"The chart goes from {_percent(grid[0])} to {_percent(grid[-1])} film: nothing beyond "
            "is used."
        )
        found.append(_said("ends-early", text))
    return found


def _said(code: str, text: str) -> CorrectionWarning:
    return CorrectionWarning.model_validate({"code": code, "text": text})


def _percent(share: float) -> str:
    return f"{100 * share:.0f} %"


def _all(names: list[str]) -> str:
    return ", ".join(names[:6]) + (f" and {len(names) - 6} more" if len(names) > 6 else "")
