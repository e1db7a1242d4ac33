"""One bite, from dip to lift: reference seconds gained, for every likely bath at once."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.kinetics.bath import BathSpeed, load_gain_g_per_l, tray_temperature
from core.kinetics.speed import LOAD_SLOPE, SLOWEST_LOAD_FACTOR, temperature_factor
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]

_POINTS = 18
_FIRST_SECONDS = 4.0


@dataclass(frozen=True)
class Tray:
    """The tray as a bite finds it: where it stands, where it drifts, what it holds."""

    temperature_c: float
    load_g_per_l: float
    volume_l: float
    room_c: float | None
    cooling_minutes: float | None
    strength: float


@dataclass(frozen=True)
class Bite:
    """Exposure through one bite as a function of the clock.

    ``clock`` (points,) [s]; ``gained`` (points, draws) [reference s] without wetting;
    ``load`` (points,) [g/L].
    """

    clock: Array
    gained: Array
    load: Array
    wetting: Array

    def exposure(self, seconds: float) -> Array:
        """Return reference seconds gained by lifting after ``seconds``, per draw.

        Parameters
        ----------
        seconds : float [s]
            From dip to lift.

        Returns
        -------
        array (draws,) [reference s]
        """
        return np.maximum(0.0, self._at(seconds) - self._lost_to_wetting)

    @cached_property
    def mean_exposures(self) -> Array:
        """Return the mean of ``exposures`` at each point of ``clock``: (points,)."""
        return np.asarray(self.exposures.mean(axis=1))

    def clock_for_mean(self, reference_seconds: float) -> float:
        """Return the clock [s] after which the mean gain is ``reference_seconds``, or the last.

        Parameters
        ----------
        reference_seconds : float [reference s]

        Returns
        -------
        float [s]
        """
        return float(np.interp(reference_seconds, self.mean_exposures, self.clock))

    @cached_property
    def _lost_to_wetting(self) -> Array:
        return self._rows_at(np.minimum(self.wetting, self.clock[-1]))

    def load_after(self, seconds: float) -> float:
        """Return the bath's load [g/L] at the lift.

        Parameters
        ----------
        seconds : float [s]
            From dip to lift.

        Returns
        -------
        float [g/L]
        """
        return float(np.interp(seconds, self.clock, self.load))

    @cached_property
    def exposures(self) -> Array:
        """Return reference seconds gained at each point of ``clock``: (points, draws)."""
        return np.maximum(0.0, self.gained - self._lost_to_wetting)

    def _at(self, seconds: float) -> Array:
        place = int(np.clip(np.searchsorted(self.clock, seconds) - 1, 0, len(self.clock) - 2))
        span = self.clock[place + 1] - self.clock[place]
        part = (seconds - self.clock[place]) / span
        return np.asarray(self.gained[place] + part * (self.gained[place + 1] - self.gained[place]))

    def _rows_at(self, seconds: Array) -> Array:
        place = np.clip(np.searchsorted(self.clock, seconds) - 1, 0, len(self.clock) - 2)
        draws = np.arange(len(seconds))
        part = (seconds - self.clock[place]) / (self.clock[place + 1] - self.clock[place])
        low, high = self.gained[place, draws], self.gained[place + 1, draws]
        return np.asarray(low + part * (high - low))


def start_bite(
    speed: BathSpeed, tray: Tray, open_bare_cm2: float, longest_seconds: float, wetting: Array
) -> Bite:
    """Return a bite that may last up to ``longest_seconds``.

    Parameters
    ----------
    speed : BathSpeed
    tray : Tray
        At the moment of the dip.
    open_bare_cm2 : float
        Bare metal in the bath [cm²].
    longest_seconds : float [s]
    wetting : array (draws,) [s]

    Returns
    -------
    Bite
    """
    longest = max(longest_seconds, 2 * _FIRST_SECONDS)
    clock = np.concatenate([[0.0], np.geomspace(_FIRST_SECONDS, longest, _POINTS)])
    warm = tray_temperature(clock, tray.temperature_c, tray.room_c, tray.cooling_minutes)
    load = _load(speed, tray, open_bare_cm2, clock, warm)
    pace = speed.at(warm, load)
    steps = 0.5 * (pace[1:] + pace[:-1]) * np.diff(clock)[:, None]
    gained = np.vstack([np.zeros(pace.shape[1]), np.cumsum(steps, axis=0)])
    return Bite(clock, gained, load, wetting)


def _load(speed: BathSpeed, tray: Tray, open_bare_cm2: float, clock: Array, warm: Array) -> Array:
    """Return the load through the bite [g/L]; an open plate slows its own bath."""
    row = speed.row
    fresh = row.rate_um_per_min * tray.strength * temperature_factor(warm, row.energy_kj_per_mol)
    gain = load_gain_g_per_l(open_bare_cm2, 1.0 / SECONDS_PER_MINUTE, row.metal, tray.volume_l)
    load = [tray.load_g_per_l]
    for pace, span in zip(fresh.tolist(), np.diff(clock).tolist(), strict=False):
        slowed = max(SLOWEST_LOAD_FACTOR, 1.0 - LOAD_SLOPE * load[-1] / row.end_g_per_l)
        load.append(load[-1] + gain * pace * slowed * span)
    return np.array(load)


def past_exposure(
    speed: BathSpeed,
    seconds: float,
    temperatures: list[tuple[float, float]],
    load_g_per_l: float,
    wetting: Array,
) -> Array:
    """Return reference seconds gained by a bite already made, from its thermometer readings.

    Parameters
    ----------
    seconds : float [s]
        From dip to lift.
    temperatures : list of (second since the dip, °C), at least one; held flat beyond the ends.
    load_g_per_l : float [g/L]
    wetting : array (draws,) [s]

    Returns
    -------
    array (draws,) [reference s]
    """
    times, warm = np.array(sorted(temperatures), dtype=float).T
    inner = times[(times > 0) & (times < seconds)]
    clock = np.unique(np.concatenate([[0.0], inner, np.linspace(0.0, max(seconds, 1e-3), 25)]))
    pace = speed.at(np.interp(clock, times, warm), np.full(len(clock), load_g_per_l))
    steps = 0.5 * (pace[1:] + pace[:-1]) * np.diff(clock)[:, None]
    gained = np.vstack([np.zeros(pace.shape[1]), np.cumsum(steps, axis=0)])
    bite = Bite(clock, gained, np.full(len(clock), load_g_per_l), wetting)
    return bite.exposure(max(seconds, 1e-3))
