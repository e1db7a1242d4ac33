"""Where every area of a plate stands, for every likely model and bath at once."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from core.kinetics.bath import BathSpeed, load_gain_g_per_l, tray_temperature
from core.kinetics.bite import Bite as Exposing
from core.kinetics.bite import Tray, past_exposure, start_bite
from core.kinetics.row import mordant_row
from core.kinetics.shapes import CurveBath
from core.kinetics.speed import strength_factor
from core.stages.shapes import AreaName, BiteFacts, DoneBite, Method
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]


class Wish(Protocol):
    """An area or a group of lines as it was asked for."""

    @property
    def name(self) -> str: ...
    @property
    def open_cm2(self) -> float: ...
    @property
    def seconds(self) -> float | None: ...


class Wanted(Protocol):
    """What a plan is asked for, whatever its goals are measured in."""

    @property
    def areas(self) -> Sequence[Wish]: ...
    @property
    def bath(self) -> CurveBath: ...
    @property
    def method(self) -> Method: ...
    @property
    def done(self) -> list[DoneBite]: ...
    @property
    def round_to_seconds(self) -> float: ...
    @property
    def open_again(self) -> list[AreaName]: ...
    @property
    def opened_after(self) -> int: ...


class Falling(Protocol):
    """What an exposure comes to, on a scale that falls with time: L*, or depth below zero."""

    def at(self, reference_seconds: Array) -> Array: ...
    @property
    def lightest(self) -> float: ...
    @property
    def wetting(self) -> Array: ...


def by_clock(areas: Sequence[Wish]) -> bool:
    """Tell whether areas were given minutes in place of goals.

    Parameters
    ----------
    areas : sequence of Wish

    Returns
    -------
    bool
    """
    return any(area.seconds is not None for area in areas)


@dataclass(frozen=True)
class Bench:
    """Everything a plan is computed from, validated and tabulated once.

    ``goals`` are on the scale of ``table``, None for what is never bitten.
    """

    given: Wanted
    goals: list[float | None]
    table: Falling
    speed: BathSpeed
    tray: Tray
    valid_to_reference_seconds: float
    bare_share: float

    @property
    def wetting(self) -> Array:
        """Return the wetting time of each draw [s]."""
        return self.table.wetting

    @property
    def pace(self) -> Array:
        """Return the speed of the bath as it is now, per draw: (draws,)."""
        return self.speed.at(self.tray.temperature_c, self.tray.load_g_per_l)

    @property
    def by_clock(self) -> bool:
        """Tell whether minutes were given in place of goals."""
        return by_clock(self.given.areas)

    def goal(self, place: int) -> float:
        """Return the goal of an area that is to be bitten.

        Parameters
        ----------
        place : int
            Of the area among those given.

        Returns
        -------
        float
            On the scale of ``table``.
        """
        goal = self.goals[place]
        if goal is None:
            raise AssertionError("a paper-white area is never open")
        return goal


def opens_again(bench: Bench) -> bool:
    """Tell whether the next bite is the first after an earlier run's.

    Parameters
    ----------
    bench : Bench

    Returns
    -------
    bool
    """
    return 0 < bench.given.opened_after == len(bench.given.done)


def open_now(bench: Bench) -> set[str]:
    """Return names of what the mordant may reach in the next bite, where areas are stopped out.

    Parameters
    ----------
    bench : Bench

    Returns
    -------
    set of str
        All before the first bite; those chosen where an earlier run is gone on from.
    """
    if opens_again(bench):
        return set(bench.given.open_again)
    if bench.given.done:
        return set(bench.given.done[-1].open)
    return {area.name for area in bench.given.areas}


@dataclass(frozen=True)
class Exposure:
    """Reference seconds of each area so far (areas, draws), and the tray as it stands."""

    seconds: Array
    tray: Tray


@dataclass(frozen=True)
class Solved:
    """One bite, made or planned: its facts, places of the areas open and finished, and the end."""

    facts: BiteFacts
    is_open: list[int]
    finished: list[int]
    after: Exposure


def tray_of(bath: CurveBath) -> Tray:
    """Return the tray as the first dip finds it.

    Parameters
    ----------
    bath : CurveBath

    Returns
    -------
    Tray
    """
    return Tray(
        temperature_c=bath.temperature_c,
        load_g_per_l=bath.load_g_per_l,
        volume_l=bath.volume_l,
        room_c=bath.room_c,
        cooling_minutes=bath.cooling_minutes,
        strength=strength_factor(mordant_row(bath), bath.baume, bath.load_g_per_l),
    )


def after_done(bench: Bench) -> tuple[list[Solved], Exposure]:
    """Return the bites already made, and where the areas stand.

    Parameters
    ----------
    bench : Bench

    Returns
    -------
    list of Solved, Exposure
    """
    areas = bench.given.areas
    at = Exposure(np.zeros((len(areas), len(bench.wetting))), bench.tray)
    told: list[Solved] = []
    clock = 0.0
    stopping = bench.given.method == "stop-out"
    before: set[str] = {area.name for area in areas} if stopping else set()
    for number, bite in enumerate(bench.given.done, 1):
        gained = _gained(bench, bite)
        places = [place for place, area in enumerate(areas) if area.name in bite.open]
        seconds = at.seconds.copy()
        seconds[places] += gained
        at = Exposure(seconds, bench.tray)
        clock += bite.seconds
        facts = BiteFacts(
            number=number,
            seconds=bite.seconds,
            cumulative_seconds=clock,
            reference_seconds=round(float(gained.mean()), 1),
            stop_out_before=sorted(before - set(bite.open)),
            open_before=[name for name in bite.open if name not in before],
        )
        told.append(Solved(facts, places, _closed_after(bench, number), at))
        before = set(bite.open)
    return told, at


def _gained(bench: Bench, bite: DoneBite) -> Array:
    return past_exposure(
        bench.speed,
        bite.seconds,
        _readings(bite, bench.tray.temperature_c),
        bench.tray.load_g_per_l,
        bench.wetting,
    )


def _closed_after(bench: Bench, number: int) -> list[int]:
    """Return areas open in bite ``number`` that no later bite made so far was open for."""
    later = {name for bite in bench.given.done[number:] for name in bite.open}
    last = number == len(bench.given.done)
    return [] if last else [i for i, area in enumerate(bench.given.areas) if area.name not in later]


def _readings(bite: DoneBite, bath_c: float) -> list[tuple[float, float]]:
    if bite.temperatures:
        return [(second, warm) for second, warm in bite.temperatures]
    return [(0.0, bath_c if bite.temperature_c is None else bite.temperature_c)]


def bare_cm2(bench: Bench, areas: Sequence[Wish]) -> float:
    """Return the bare metal of open areas: between the grains, or in the lines.

    Parameters
    ----------
    bench : Bench
    areas : sequence of Wish

    Returns
    -------
    float [cm²]
    """
    return bench.bare_share * sum(area.open_cm2 for area in areas)


def dip(bench: Bench, at: Exposure, open_areas: Sequence[Wish], longest_seconds: float) -> Exposing:
    """Return a bite of the open areas, to be lifted at any time up to the longest.

    Parameters
    ----------
    bench : Bench
    at : Exposure
        Before the dip.
    open_areas : sequence of Wish
    longest_seconds : float [s]

    Returns
    -------
    Exposing
        Exposure as a function of the clock.
    """
    return start_bite(
        bench.speed, at.tray, bare_cm2(bench, open_areas), longest_seconds, bench.wetting
    )


def lifted(at: Exposure, bite: Exposing, is_open: NDArray[np.bool_], seconds: float) -> Exposure:
    """Return where the areas stand after a lift.

    Parameters
    ----------
    at : Exposure
        Before the dip.
    bite : Exposing
    is_open : array (areas,) of bool
    seconds : float [s]
        From dip to lift.

    Returns
    -------
    Exposure
    """
    total = at.seconds.copy()
    total[is_open] += bite.exposure(seconds)
    tray = at.tray
    warm = float(tray_temperature(seconds, tray.temperature_c, tray.room_c, tray.cooling_minutes))
    return Exposure(
        total,
        Tray(
            temperature_c=warm,
            load_g_per_l=bite.load_after(seconds),
            volume_l=tray.volume_l,
            room_c=tray.room_c,
            cooling_minutes=tray.cooling_minutes,
            strength=tray.strength,
        ),
    )


def metal_gained_g_per_l(bench: Bench, open_areas: Sequence[Wish], seconds: float) -> float:
    """Return the load a bite adds at the table's rate.

    Parameters
    ----------
    bench : Bench
    open_areas : sequence of Wish
    seconds : float [s]
        From dip to lift.

    Returns
    -------
    float [g/L]
    """
    rate = bench.speed.rate_um_per_min(
        bench.tray.temperature_c, bench.tray.load_g_per_l, bench.tray.strength
    )
    depth = rate * seconds / SECONDS_PER_MINUTE
    return load_gain_g_per_l(
        bare_cm2(bench, open_areas), depth, bench.speed.row.metal, bench.tray.volume_l
    )
