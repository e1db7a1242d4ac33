"""Moments of a bath and of the strips it is compared with: how their speeds hang together.

ln speed = ln r₂₀ + a + s + Ea·x(T) + ln f_load(m; m_end),  x = −1000/R·(1/T − 1/T₂₀)

a is what this mordant differs from the table by, Ea its activation energy, s what the bath wanders
from day to day. Energies and ends of life are taken from a grid; for each of them the speeds are
normal. No energy is below the least: warmer is never slower.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from core.data.drift import DRIFT_PER_ROOT_DAY, REPLACED
from core.data.mordants import Mordant
from core.kinetics.bath import LEAST_END_SHARE, LEAST_ENERGY_KJ
from core.kinetics.speed import REFERENCE_C, load_factor
from core.units import GAS_CONSTANT_J_PER_MOL_K, kelvin

Array = NDArray[np.float64]

_ENERGIES, _ENDS = 17, 21
LEAST_OF_RATE = 0.25
"""Of the variance of the table's rate: it is not all the strength's. ``room-practice``"""
_REACH = 3.5
"""Spreads of the table on both sides that the grid covers."""


@dataclass(frozen=True)
class Moment:
    """A bath at one time; ``days_ago`` below zero lies ahead.

    ``offset`` is what is known of its strength (logarithm); ``apart`` the standard deviation of
    what sets it apart from today's bath. ``fixed`` speeds are known as such: neither the table's
    rate nor its energy speaks in them.
    """

    temperature_c: float
    load_g_per_l: float
    days_ago: float = 0.0
    replaced: float = 0.0
    offset: float = 0.0
    apart: float = 0.0
    fixed: bool = False

    @property
    def warmth(self) -> float:
        """Return x(T) [mol/kJ]: by how much the logarithm grows with the energy."""
        inverse = 1.0 / kelvin(self.temperature_c) - 1.0 / kelvin(REFERENCE_C)
        return -1000.0 / GAS_CONSTANT_J_PER_MOL_K * inverse


@dataclass(frozen=True)
class Moments:
    """Moments of one mordant, and the doubt of its strength today that a hydrometer lessens.

    Behind them stands one that is no time: how far the strength is from the label's.
    """

    row: Mordant
    each: list[Moment]
    strength_doubt: float

    @property
    def strength(self) -> int:
        """Return the place of the strength's distance from the label's."""
        return len(self.each)

    @cached_property
    def grid(self) -> tuple[Array, Array, Array]:
        """Return energies [kJ/mol], ends of life [g/L], how likely each pair is: 3 × (pairs,)."""
        row, steps = self.row, np.linspace(-_REACH, _REACH, _ENERGIES)
        energies = row.energy_kj_per_mol + row.energy_spread_kj_per_mol * steps
        energies = np.maximum(energies, LEAST_ENERGY_KJ)
        end_steps = np.linspace(-_REACH, _REACH, _ENDS)
        ends = row.end_g_per_l + row.end_spread_g_per_l * end_steps
        ends = np.maximum(ends, LEAST_END_SHARE * row.end_g_per_l)
        likely = np.exp(-0.5 * (steps[:, None] ** 2 + end_steps**2)).ravel()
        return np.repeat(energies, _ENDS), np.tile(ends, _ENERGIES), likely / likely.sum()

    @cached_property
    def means(self) -> Array:
        """Return ln speed [µm/min] of each moment for each pair, a nought behind: (pairs, n+1)."""
        energies, ends, _ = self.grid
        rate = np.log(self.row.rate_um_per_min)
        columns = [
            np.full(len(ends), m.offset)
            if m.fixed
            else rate + m.offset + energies * m.warmth + np.log(load_factor(m.load_g_per_l, ends))
            for m in self.each
        ]
        return np.array([*columns, np.zeros(len(ends))]).T

    @cached_property
    def covariance(self) -> Array:
        """Return how ln speeds of one pair hang together before anything was measured (n + 1)²."""
        live = np.array([0.0 if m.fixed else 1.0 for m in self.each])
        own = np.array([1.0 if m.apart == 0 and not m.fixed else 0.0 for m in self.each])
        by_strength, by_rate = np.append(own, 1.0), np.append(live, 0.0)
        count = len(self.each)
        total = self._rate_variance * np.outer(
            by_rate, by_rate
        ) + self.strength_doubt**2 * np.outer(by_strength, by_strength)
        total[:count, :count] += self._wander(own)
        total[range(count), range(count)] += [m.apart**2 for m in self.each]
        return np.asarray(total)

    @property
    def _rate_variance(self) -> float:
        """Return the doubt of the table's rate without what of it is doubt of the strength."""
        whole = self.row.rate_log_spread**2
        return max(whole - self.strength_doubt**2, LEAST_OF_RATE * whole)

    def _wander(self, own: Array) -> Array:
        """Return the covariance of a walk that stands at nought today, both ways in time."""
        days = np.array([m.days_ago for m in self.each])
        replaced = np.array([m.replaced for m in self.each])
        steps = DRIFT_PER_ROOT_DAY.value**2 * _common(days) + REPLACED.value**2 * _common(replaced)
        return np.asarray(steps * np.outer(own, own))


def _common(place: Array) -> Array:
    """Return how far two walks from nought go the same way: (n, n)."""
    same_side = np.outer(np.sign(place), np.sign(place)) > 0
    return np.where(same_side, np.minimum.outer(abs(place), abs(place)), 0.0)
