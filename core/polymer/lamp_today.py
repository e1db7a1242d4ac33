"""What a lamp gives today, from its hours and everything that was measured of it."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from core.bath.posterior import BAND_SDS
from core.data.polymer import LAMPS, METER, WEDGE_READING_STEPS, LampRow
from core.polymer.lamp_shapes import LampReading, LampTodayInput, LampTodayOutput, WedgeReading

Array = NDArray[np.float64]

_WANDERS = ((0.002, 0.80), (0.010, 0.15), (0.040, 0.05))
"""How far a lamp strays beside its ageing, for a root of an hour, and how often: as a rule 2 % in a
hundred hours; now and then its glass is dirty or a tube goes. ``room-practice``"""
_CALM = _WANDERS[:1]
"""While nothing was measured, nothing unusual is supposed."""
_UNKNOWN = 10.0
"""Spread of a scale that nothing is known of, as a logarithm."""
_UNCOUNTED_SPREAD = 0.12
"""Of a lamp whose hours nobody counted. ``room-practice``"""


def lamp_today(given: LampTodayInput) -> LampTodayOutput:
    """Return the light a lamp gives now, over that at a test.

    Parameters
    ----------
    given : LampTodayInput
        Kind, hours [h], readings.

    Returns
    -------
    LampTodayOutput
        With 95 % bands.

    Notes
    -----
    ln E(h) = ln E₀ − k·h + a slow wander; k from the kind of lamp, meter and wedge each with their
    own unknown scale, all in one normal regression. Dose over time is irradiance: mJ/cm² = mW/cm² ·
    s. Source: ``normal-regression``, ``room-practice``.
    """
    row = LAMPS[given.lamp]
    now = _hours_now(given)
    test = now if given.test_hours is None else given.test_hours
    asked = np.array([now, test])
    mean, spread = _since_test(row, given.readings, asked)
    if given.hours is None and not given.readings:
        spread = math.hypot(spread, _UNCOUNTED_SPREAD)
    factor, low, high = (math.exp(mean + z * spread) for z in (0, -BAND_SDS, BAND_SDS))
    light = _light(row, given.readings, now)
    return LampTodayOutput(
        factor=round(factor, 4), low=round(low, 4), high=round(high, 4),
        times=round(1 / factor, 4),
        mw_per_cm2=light[0], mw_low=light[1], mw_high=light[2],
        measured=bool(given.readings),
        life_left_hours=None if given.hours is None else round(max(0.0, row.hours - now), 1),
        text=_text(given, row, now),
    )  # fmt: skip


def _hours_now(given: LampTodayInput) -> float:
    if given.hours is not None:
        return given.hours
    latest = max((each.hours for each in given.readings), default=0.0)
    return max(latest, given.test_hours or 0.0)


def _since_test(row: LampRow, readings: list[LampReading], asked: Array) -> tuple[float, float]:
    """Return mean and spread of the logarithm of the light now over that at the test."""
    return _mixed(row, readings, asked, np.array([1.0, -1.0]), own_scale=False)


def _light(
    row: LampRow, readings: list[LampReading], now: float
) -> tuple[float | None, float | None, float | None]:
    """Return irradiance now and its band [mW/cm²]; None where no meter ever told it."""
    if all(isinstance(each, WedgeReading) for each in readings):
        return None, None, None
    mean, spread = _mixed(row, readings, np.array([now]), np.ones(1), own_scale=True)
    reach = BAND_SDS * spread
    low, middle, high = (round(math.exp(mean + each), 3) for each in (-reach, 0.0, reach))
    return middle, low, high


def _mixed(
    row: LampRow, readings: list[LampReading], asked: Array, turn: Array, *, own_scale: bool
) -> tuple[float, float]:
    """Return mean and spread of a sum of logarithms, over lamps that stray little or far."""
    wanders = _WANDERS if readings else _CALM
    told = [_told(row, readings, asked, wander, own_scale) for wander, _ in wanders]
    logs = np.array([each[2] for each in told]) + np.log([often for _, often in wanders])
    shares = np.exp(logs - logs.max()) / np.exp(logs - logs.max()).sum()
    means = np.array([turn @ mean for mean, _, _ in told])
    variances = np.array([turn @ covariance @ turn for _, covariance, _ in told])
    mean = float(shares @ means)
    return mean, math.sqrt(max(0.0, float(shares @ (variances + (means - mean) ** 2))))


def _told(
    row: LampRow, readings: list[LampReading], asked: Array, wander: float, own_scale: bool
) -> tuple[Array, Array, float]:
    """Return the logarithms asked for, after the readings: mean, covariance, log evidence.

    With its own scale, what is asked is what a meter would read; else the light without a scale.
    """
    hours = np.array([each.hours for each in readings])
    values, noise, meter = _values(readings)
    everywhere = np.concatenate([hours, asked])
    scales = np.concatenate([meter, np.full(len(asked), 1.0 if own_scale else np.nan)])
    mean = -_fade(row) * everywhere
    prior = _prior(row, everywhere, wander)
    prior = prior + _UNKNOWN**2 * (scales[:, None] == scales[None, :])
    count = len(hours)
    seen = prior[:count, :count] + np.diag(noise**2)
    off = values - mean[:count]
    gain = np.linalg.solve(seen, prior[:count, count:]).T
    evidence = -0.5 * (off @ np.linalg.solve(seen, off) + np.linalg.slogdet(seen)[1])
    return (
        mean[count:] + gain @ off,
        prior[count:, count:] - gain @ prior[:count, count:],
        float(evidence),
    )


def _fade(row: LampRow) -> float:
    """Return the rate at which the logarithm of its light falls [1/h]."""
    return -math.log1p(-row.loss.value) / row.hours


def _prior(row: LampRow, hours: Array, wander: float) -> Array:
    spread = row.loss.spread / (1 - row.loss.value) / row.hours
    return np.asarray(
        spread**2 * np.outer(hours, hours) + wander**2 * np.minimum.outer(hours, hours)
    )


def _values(readings: list[LampReading]) -> tuple[Array, Array, Array]:
    """Return each reading as the logarithm of light, its spread, and which scale it is on."""
    rows = [_value(each) for each in readings]
    values, noise, meter = zip(*rows, strict=True) if rows else ((), (), ())
    return np.array(values), np.array(noise), np.array(meter)


def _value(reading: LampReading) -> tuple[float, float, float]:
    if reading.kind == "irradiance":
        return math.log(reading.mw_per_cm2), METER.value, 1.0
    if reading.kind == "dose":
        return math.log(reading.mj_per_cm2 / reading.seconds), METER.value, 1.0
    a_step = math.log(10) * reading.step_density
    light = a_step * reading.held_step - math.log(reading.seconds)
    return light, a_step * WEDGE_READING_STEPS.value, 2.0


def _text(given: LampTodayInput, row: LampRow, now: float) -> str:
    if given.hours is None:
        return "Its hours are not counted: only a reading tells how it ages. Count them from now."
    used = now / row.hours
    if used > 1:
        return f"It has burnt {now:.0f} h, past its usual {row.hours:.0f}: measure, or change it."
    if not given.readings:
        return "From its hours alone, a guess: a wedge or a meter makes it sure."
    return f"{now:.0f} h of about {row.hours:.0f}."
