"""A trial scale on an offcut → how wide a line each pressure prints."""

from __future__ import annotations

import math
from itertools import pairwise

from core.data.mordants import TABLES_VERSION
from core.data.scratches import NEEDLE_PRINTS, PRESSURE_SPREAD, PRESSURE_WIDTH_UM, PRESSURES
from core.drypoint.coverage import share_for
from core.drypoint.mark_shapes import (
    PressureRow,
    PressureScaleInput,
    PressureScaleOutput,
    PressureTrial,
)
from core.errors import CoreError

_LOUPE_UM = 6.0
"""By a loupe with a scale. ``room-practice``"""
_MIDDLE = 3


def pressure_scale(given: PressureScaleInput) -> PressureScaleOutput:
    """Return the printed width of a line by pressure, from a trial where one was read.

    Parameters
    ----------
    given : PressureScaleInput
        Trials with their spacing [µm] and tone [L*].

    Returns
    -------
    PressureScaleOutput
        Pressures without a trial follow the table, moved by those with one.

    Raises
    ------
    CoreError
        A tone outside what bare plate and solid ink print; a pressure given twice.

    Notes
    -----
    w = a · s for one layer, a from the tone. Source: ``yule-nielsen``, ``room-practice``.
    """
    _check(given)
    read = {each.pressure: _width(given, each) for each in given.trials}
    factor = _factor(given, read)
    rows = [_row(pressure, read, factor) for pressure in PRESSURES]
    return PressureScaleOutput(rows=rows, warnings=_warnings(rows), tables=TABLES_VERSION)


def _check(given: PressureScaleInput) -> None:
    seen = set()
    for place, each in enumerate(given.trials):
        if each.pressure in seen:
            raise CoreError(
                "twice", f"Pressure {each.pressure} was given twice.",
                field=f"trials.{place}.pressure", value=each.pressure, allowed="each once",
            )  # fmt: skip
        seen.add(each.pressure)
        tone = each.lstar
        if each.width_um is None and tone is not None and not _within(given, tone):
            raise CoreError(
                "tone-outside", f"Pressure {each.pressure}: no line can print L* {tone:g} between "
                "the bare plate and solid ink.", field=f"trials.{place}.lstar", value=tone,
                allowed=f"{given.solid_lstar:g} to {given.lightest_lstar:g}", unit="L*",
            )  # fmt: skip


def _within(given: PressureScaleInput, lstar: float) -> bool:
    return given.solid_lstar <= lstar <= given.lightest_lstar


def _width(given: PressureScaleInput, trial: PressureTrial) -> tuple[float, float]:
    """Return the width that a trial tells, and its spread [µm]."""
    if trial.width_um is not None:
        return trial.width_um, _LOUPE_UM
    reach = (given.lightest_lstar, given.solid_lstar)
    lstar = trial.lstar if trial.lstar is not None else given.lightest_lstar
    share = share_for(lstar, *reach)
    darker = share_for(max(given.solid_lstar, lstar - trial.spread), *reach)
    return max(5.0, share * trial.spacing_um), max(2.0, (darker - share) * trial.spacing_um)


def _factor(given: PressureScaleInput, read: dict[int, tuple[float, float]]) -> float:
    """Return by how much the table is moved: by the trials, else by the needle."""
    if read:
        logs = [math.log(width / PRESSURE_WIDTH_UM[at]) for at, (width, _) in read.items()]
        return math.exp(sum(logs) / len(logs))
    if given.needle_um is None:
        return 1.0
    return given.needle_um * NEEDLE_PRINTS.value / PRESSURE_WIDTH_UM[_MIDDLE]


def _row(pressure: int, read: dict[int, tuple[float, float]], factor: float) -> PressureRow:
    guess = PRESSURE_WIDTH_UM[pressure] * factor
    width, spread = read.get(pressure, (guess, guess * PRESSURE_SPREAD))
    return PressureRow(
        pressure=pressure, width_um=round(width, 1), spread_um=round(spread, 1),
        measured=pressure in read,
    )  # fmt: skip


def _warnings(rows: list[PressureRow]) -> list[str]:
    measured = [row for row in rows if row.measured]
    return [
        f"Pressure {after.pressure} printed finer than pressure {before.pressure}: were two "
        "mixed up, or was one wiped harder?"
        for before, after in pairwise(measured)
        if after.width_um + after.spread_um < before.width_um - before.spread_um
    ]
