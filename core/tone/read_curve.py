"""Ask a curve both ways: the time for a tone, the tone for a time, each with its band."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from core.kinetics.bath import BathSpeed, bath_speed
from core.kinetics.bite import Bite, Tray, start_bite
from core.kinetics.row import mordant_row, tables_version
from core.kinetics.shapes import MordantKey, MordantNumbers
from core.kinetics.speed import strength_factor
from core.tone.no_strip import guess_curve
from core.tone.shapes import Curve, CurvePoint, ReadCurveInput, ReadCurveOutput
from core.tone.table import ToneTable, band, table_of

Array = NDArray[np.float64]

ABOUT_REACHED_LSTAR = 0.3
CLOCK_STEP_SECONDS = 0.2


def read_curve(given: ReadCurveInput) -> ReadCurveOutput:
    """Return answers for a single dip, in the strip's own bath or in ``bath``.

    Parameters
    ----------
    given : ReadCurveInput
        Tones [L*] and times [s].

    Returns
    -------
    ReadCurveOutput

    Raises
    ------
    CoreError
        The bath bites another metal than the strip's.
    """
    curve = given.curve or guess_curve(*_guessed(given))
    table = table_of(curve)
    bite = _single_dip(given, curve, table)
    longest = _longest_clock(curve, bite)
    points = [_for_tone(table, bite, longest, goal) for goal in given.lstar]
    points += [_for_time(table, bite, longest, seconds) for seconds in given.seconds]
    return ReadCurveOutput(points=points, tables=tables_version(given.bath or curve.conditions))


def _guessed(given: ReadCurveInput) -> tuple[MordantKey, MordantNumbers | None]:
    """Return of which mordant a curve is guessed."""
    if given.bath is None:
        raise AssertionError("checked at entry")
    return given.bath.mordant, given.bath.numbers


def _single_dip(given: ReadCurveInput, curve: Curve, table: ToneTable) -> Bite:
    conditions = curve.conditions
    bath = given.bath or conditions
    speed = bath_speed(bath, conditions, len(table.lstar))
    longest = max([curve.valid_to_reference_seconds * 20.0, *given.seconds, 600.0])
    row = mordant_row(bath)
    tray = Tray(
        temperature_c=bath.temperature_c,
        load_g_per_l=bath.load_g_per_l,
        volume_l=given.bath.volume_l if given.bath else 4.0,
        room_c=given.bath.room_c if given.bath else None,
        cooling_minutes=given.bath.cooling_minutes if given.bath else None,
        strength=strength_factor(row, bath.baume, bath.load_g_per_l),
    )
    if given.bath is None:
        speed = _own_bath(speed, conditions.temperature_c, conditions.load_g_per_l)
    return start_bite(speed, tray, 0.0, longest, table.wetting)


def _own_bath(speed: BathSpeed, temperature_c: float, load_g_per_l: float) -> BathSpeed:
    """Return the strip's own bath, which bites at exactly its own speed."""
    return replace(speed, scale=speed.scale / speed.at(temperature_c, load_g_per_l))


def _longest_clock(curve: Curve, bite: Bite) -> float:
    """Return the clock time [s] of a single dip that reaches the strip's end."""
    goal = curve.valid_to_reference_seconds
    return _crossing(lambda t: float(bite.exposure(t).mean()) - goal, float(bite.clock[-1]))


def _crossing(rising: Callable[[float], float], longest: float) -> float:
    if rising(longest) <= 0:
        return longest
    if rising(0.0) >= 0:
        return 0.0
    low, high = 0.0, longest
    while high - low > CLOCK_STEP_SECONDS:
        middle = 0.5 * (low + high)
        low, high = (middle, high) if rising(middle) < 0 else (low, middle)
    return 0.5 * (low + high)


def _expected(table: ToneTable, bite: Bite, seconds: float) -> float:
    return float(table.at(bite.exposure(seconds)).mean())


def _time_for(table: ToneTable, bite: Bite, longest: float, goal: float) -> float:
    return _crossing(lambda t: goal - _expected(table, bite, t), longest)


def _for_tone(table: ToneTable, bite: Bite, longest: float, goal: float) -> CurvePoint:
    seconds = _time_for(table, bite, longest, goal)
    reached = abs(_expected(table, bite, seconds) - goal) <= ABOUT_REACHED_LSTAR
    return _point(table, bite, longest, seconds, reached)


def _for_time(table: ToneTable, bite: Bite, longest: float, seconds: float) -> CurvePoint:
    return _point(table, bite, longest, seconds, seconds <= longest + 1.0)


def _point(
    table: ToneTable, bite: Bite, longest: float, seconds: float, reachable: bool
) -> CurvePoint:
    tones = table.at(bite.exposure(seconds))
    low, high = band(tones)
    span = float(bite.clock[-1])
    return CurvePoint(
        seconds=round(seconds, 1),
        seconds_low=round(_time_for(table, bite, span, float(high)), 1),
        seconds_high=round(_time_for(table, bite, span, float(low)), 1),
        lstar=round(float(tones.mean()), 1),
        lstar_low=round(float(low), 1),
        lstar_high=round(float(high), 1),
        reachable=reachable,
    )
