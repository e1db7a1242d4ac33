"""Where every area of a plate stands, for every likely curve and bath at once."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import BARE_SHARE_OF_AQUATINT, MORDANTS
from core.kinetics.bath import BathSpeed, bath_speed, load_gain_g_per_l, tray_temperature
from core.kinetics.bite import Bite, Tray, past_exposure, start_bite
from core.kinetics.speed import strength_factor
from core.stages.shapes import Area, BittenArea, DoneBite, PlanBitesInput, PlannedBite
from core.tone.no_strip import guess_curve
from core.tone.shapes import Curve
from core.tone.table import ToneTable, band, table_of
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Bench:
    """Everything a plan is computed from, validated and tabulated once."""

    given: PlanBitesInput
    curve: Curve
    table: ToneTable
    speed: BathSpeed
    tray: Tray

    @property
    def wetting(self) -> Array:
        """Return the wetting time of each draw [s]."""
        return self.table.wetting


@dataclass(frozen=True)
class Exposure:
    """Reference seconds of each area so far (areas, draws), and the tray as it stands."""

    seconds: Array
    tray: Tray


def lay_out(given: PlanBitesInput) -> Bench:
    """Return the bench of a plan.

    Raises
    ------
    CoreError
        The strip is of another metal than the bath's.
    """
    curve = given.curve or guess_curve(given.bath.mordant)
    table = table_of(curve)
    bath = given.bath
    speed = bath_speed(bath, curve.conditions, len(table.lstar))
    tray = Tray(
        temperature_c=bath.temperature_c,
        load_g_per_l=bath.load_g_per_l,
        volume_l=bath.volume_l,
        room_c=bath.room_c,
        cooling_minutes=bath.cooling_minutes,
        strength=strength_factor(MORDANTS[bath.mordant], bath.baume, bath.load_g_per_l),
    )
    return Bench(given, curve, table, speed, tray)


def after_done(bench: Bench) -> tuple[list[PlannedBite], Exposure]:
    """Return the bites already made with what they came to, and where the areas stand."""
    areas = bench.given.areas
    at = Exposure(np.zeros((len(areas), len(bench.wetting))), bench.tray)
    told: list[PlannedBite] = []
    clock = 0.0
    before: set[str] = {area.name for area in areas}
    for number, bite in enumerate(bench.given.done, 1):
        gained = _gained(bench, bite)
        places = [place for place, area in enumerate(areas) if area.name in bite.open]
        seconds = at.seconds.copy()
        seconds[places] += gained
        at = Exposure(seconds, bench.tray)
        clock += bite.seconds
        told.append(
            PlannedBite(
                number=number,
                seconds=bite.seconds,
                cumulative_seconds=clock,
                reference_seconds=round(float(gained.mean()), 1),
                stop_out_before=sorted(before - set(bite.open)),
                open_before=[],
                areas=bitten_areas(bench, at, places, _closed_after(bench, number)),
            )
        )
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


def bare_cm2(areas: list[Area]) -> float:
    """Return the bare metal [cm²] between the grains of aquatinted areas."""
    return BARE_SHARE_OF_AQUATINT * sum(area.open_cm2 for area in areas)


def dip(bench: Bench, at: Exposure, open_areas: list[Area], longest_seconds: float) -> Bite:
    """Return a bite of the open areas, to be lifted at any time up to ``longest_seconds``."""
    return start_bite(bench.speed, at.tray, bare_cm2(open_areas), longest_seconds, bench.wetting)


def lifted(at: Exposure, bite: Bite, is_open: NDArray[np.bool_], seconds: float) -> Exposure:
    """Return where the areas stand after lifting at ``seconds``."""
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


def bitten_areas(
    bench: Bench, at: Exposure, places: list[int], finished: list[int]
) -> list[BittenArea]:
    """Return the expected tones of areas with their 95 % bands."""
    alike: dict[bytes, tuple[float, float, float, float]] = {}
    result = []
    for place in places:
        seconds = at.seconds[place]
        key = seconds.tobytes()
        if key not in alike:
            tones = bench.table.at(seconds)
            alike[key] = (float(tones.mean()), *band(tones), float(seconds.mean()))
        lstar, low, high, reference = (round(value, 1) for value in alike[key])
        result.append(
            BittenArea(
                name=bench.given.areas[place].name,
                lstar=lstar,
                lstar_low=low,
                lstar_high=high,
                finished=place in finished,
                reference_seconds=reference,
            )
        )
    return result


def metal_gained_g_per_l(bench: Bench, open_areas: list[Area], seconds: float) -> float:
    """Return the load a bite adds [g/L] at the table's rate."""
    rate = bench.speed.rate_um_per_min(
        bench.tray.temperature_c, bench.tray.load_g_per_l, bench.tray.strength
    )
    depth = rate * seconds / SECONDS_PER_MINUTE
    return load_gain_g_per_l(
        bare_cm2(open_areas), depth, bench.speed.row.metal, bench.tray.volume_l
    )
