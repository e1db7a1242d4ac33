"""One bath on one day: how fast it bites against the strip's bath, with its doubt."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import (
    FERRIC_STRENGTH_LOG_SPREAD,
    METALS,
    MORDANTS,
    Mordant,
)
from core.errors import CoreError
from core.kinetics.row import mordant_row
from core.kinetics.shapes import MordantNumbers
from core.kinetics.speed import load_factor, strength_factor, temperature_factor
from core.points import normal_points
from core.units import SECONDS_PER_MINUTE, UM_PER_CM

Array = NDArray[np.float64]

DEFAULT_RATE_FACTOR_SPREAD = 0.05
"""Of the logarithm: a coupon weighed, or a check patch read, with ordinary care."""
DEFAULT_COOLING_MINUTES = 90.0
"""A 4 L tray of 5 cm depth comes two thirds of the way to the room in about an hour and a half."""
LEAST_ENERGY_KJ = 5.0
LEAST_END_SHARE = 0.4
_KINDS_OF_DOUBT = 5
_ENERGY, _END, _STRENGTH, _MEASURED, _STRIP = range(_KINDS_OF_DOUBT)


class BathFacts(Protocol):
    """What a bath must say of itself."""

    @property
    def mordant(self) -> str: ...
    @property
    def temperature_c(self) -> float: ...
    @property
    def load_g_per_l(self) -> float: ...
    @property
    def baume(self) -> float | None: ...
    @property
    def rate_factor(self) -> float | None: ...
    @property
    def rate_factor_spread(self) -> float | None: ...
    @property
    def numbers(self) -> MordantNumbers | None: ...


@dataclass(frozen=True)
class BathSpeed:
    """Speed of a bath over the speed at the strip's conditions, as equally likely draws.

    ``scale``, ``energy_kj_per_mol`` and ``end_g_per_l`` are arrays (draws,): speed = scale ·
    f_T(T)·f_load(m) of that draw.
    """

    row: Mordant
    scale: Array
    energy_kj_per_mol: Array
    end_g_per_l: Array

    def at(self, temperature_c: Array | float, load_g_per_l: Array | float) -> Array:
        """Return speed for each time and draw.

        Parameters
        ----------
        temperature_c, load_g_per_l : array (times,) or float [°C], [g/L]

        Returns
        -------
        array (times, draws), or (draws,) for floats
        """
        warm = np.asarray(temperature_c, dtype=float)[..., None]
        load = np.asarray(load_g_per_l, dtype=float)[..., None]
        return np.asarray(
            self.scale
            * temperature_factor(warm, self.energy_kj_per_mol)
            * load_factor(load, self.end_g_per_l)
        )

    def rate_um_per_min(self, temperature_c: float, load_g_per_l: float, strength: float) -> float:
        """Return the table's rate [µm/min] at a temperature and load, for the metal dissolved.

        Parameters
        ----------
        temperature_c : float [°C]
        load_g_per_l : float [g/L]
        strength : float
            Factor of the bath's strength.

        Returns
        -------
        float [µm/min]
        """
        return float(
            self.row.rate_um_per_min
            * temperature_factor(temperature_c, self.row.energy_kj_per_mol)
            * load_factor(load_g_per_l, self.row.end_g_per_l)
            * strength
        )


def bath_speed(bath: BathFacts, strip: BathFacts | None, draws: int) -> BathSpeed:
    """Return the speed of ``bath`` over that of the bath of ``strip``.

    Parameters
    ----------
    bath, strip : BathFacts
        ``strip`` None: over 20 °C, fresh.
    draws : int

    Returns
    -------
    BathSpeed

    Raises
    ------
    CoreError
        The two baths bite different metals.
    """
    row = mordant_row(bath)
    points = normal_points(draws, _KINDS_OF_DOUBT)
    energy = np.maximum(
        LEAST_ENERGY_KJ,
        row.energy_kj_per_mol + row.energy_spread_kj_per_mol * points[:, _ENERGY],
    )
    end = np.maximum(
        LEAST_END_SHARE * row.end_g_per_l,
        row.end_g_per_l + row.end_spread_g_per_l * points[:, _END],
    )
    scale = _scale(bath, energy, end, points) / _strip_speed(bath, strip, energy, end, points)
    return BathSpeed(row, scale, energy, end)


def _scale(bath: BathFacts, energy: Array, end: Array, points: Array) -> Array:
    """Return what the temperature and load factors are to be multiplied by."""
    if bath.rate_factor is None:
        return _doubtful_strength(bath, points)
    here = temperature_factor(bath.temperature_c, energy) * load_factor(bath.load_g_per_l, end)
    doubt = (
        DEFAULT_RATE_FACTOR_SPREAD if bath.rate_factor_spread is None else bath.rate_factor_spread
    )
    return np.asarray(bath.rate_factor * np.exp(doubt * points[:, _MEASURED]) / here)


def _strip_speed(
    bath: BathFacts, strip: BathFacts | None, energy: Array, end: Array, points: Array
) -> Array:
    """Return the speed of the strip's bath; 1 where today's was measured against it."""
    if strip is None or bath.rate_factor is not None:
        return np.ones(len(points))
    same_metal(bath.mordant, strip.mordant)
    if strip.rate_factor is not None:
        doubt = strip.rate_factor_spread or 0.0
        return np.asarray(strip.rate_factor * np.exp(doubt * points[:, _STRIP]))
    warm = temperature_factor(strip.temperature_c, energy)
    loaded = load_factor(strip.load_g_per_l, end)
    log, doubt = other_mordant(mordant_row(bath), mordant_row(strip))
    apart = np.exp(log + doubt * points[:, _STRIP])
    return np.asarray(warm * loaded * _doubtful_strength(strip, points) * apart)


def same_metal(bath: str, strip: str) -> None:
    """Refuse a strip of another metal than the bath's.

    Parameters
    ----------
    bath, strip : str
        Keys of ``MORDANTS``.

    Raises
    ------
    CoreError
    """
    mine, other = MORDANTS[bath].metal, MORDANTS[strip].metal
    if mine == other:
        return
    raise CoreError(
        "other-metal",
        f"The strip is {other}, this bath is for {mine}. Choose a strip of the plate's own metal.",
        field="bath.mordant",
        value=bath,
        allowed=f"a mordant for {other}",
    )


def other_mordant(mine: Mordant, other: Mordant) -> tuple[float, float]:
    """Return ln speed of another mordant over this one, and its doubt; nought where they are one.

    Parameters
    ----------
    mine, other : Mordant

    Returns
    -------
    (float, float)
    """
    if mine.key == other.key:
        return 0.0, 0.0
    doubt = np.hypot(mine.rate_log_spread, other.rate_log_spread)
    return float(np.log(other.rate_um_per_min / mine.rate_um_per_min)), float(doubt)


def _doubtful_strength(bath: BathFacts, points: Array) -> Array:
    factor = strength_factor(MORDANTS[bath.mordant], bath.baume, bath.load_g_per_l)
    return np.asarray(
        factor * np.exp(FERRIC_STRENGTH_LOG_SPREAD * np.log(factor) * points[:, _STRENGTH])
    )


def tray_temperature(
    seconds: Array | float,
    start_c: float,
    room_c: float | None,
    cooling_minutes: float | None,
) -> Array:
    """Return the bath's temperature [°C] after ``seconds``, drifting to the room (Newton's law).

    Parameters
    ----------
    seconds : array or float [s]
    start_c : float [°C]
    room_c : float [°C] or None
        None: the bath keeps its temperature.
    cooling_minutes : float [min] or None
        None: the named default.

    Returns
    -------
    array or float [°C]
    """
    elapsed = np.asarray(seconds, dtype=float)
    if room_c is None:
        return np.full_like(elapsed, start_c)
    minutes = cooling_minutes or DEFAULT_COOLING_MINUTES
    return room_c + (start_c - room_c) * np.exp(-elapsed / (minutes * SECONDS_PER_MINUTE))


def load_gain_g_per_l(open_bare_cm2: float, depth_um: float, metal: str, volume_l: float) -> float:
    """Return the metal gained by a bath: area × depth × density / volume. Conserves metal.

    Parameters
    ----------
    open_bare_cm2 : float [cm²]
    depth_um : float [µm]
    metal : str
        A key of ``METALS``.
    volume_l : float [L]

    Returns
    -------
    float [g/L]
    """
    grams = open_bare_cm2 * depth_um / UM_PER_CM * METALS[metal].density_g_per_cm3
    return grams / volume_l
