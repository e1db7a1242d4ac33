"""How warm a bath will be: a cooling tray, a jacket of warm water, and the heat of biting."""

from __future__ import annotations

import math

import numpy as np

from core.bath.heat_shapes import BathHeatInput, BathHeatOutput, HeatWarning
from core.data.heat import (
    COOLING_MINUTES,
    FUMES_G_PER_H,
    REACTION_KJ_PER_MOL,
    USUAL_LITRES,
    WATER_KJ_PER_L_K,
)
from core.data.lines import Number
from core.data.mordants import METALS, Mordant
from core.data.preparation import COPPER_G_PER_MOL, ZINC_G_PER_MOL
from core.kinetics.row import mordant_row
from core.kinetics.shapes import Conditions
from core.kinetics.speed import load_factor, temperature_factor
from core.units import UM_PER_CM

G_PER_MOL = {"copper": COPPER_G_PER_MOL, "zinc": ZINC_G_PER_MOL}
STEP_MINUTES = 0.5
TOLD_STEPS = 60
TWO_SPREADS = 1.96
REACHED = ("reach_minutes", "reach_soonest_minutes", "reach_latest_minutes")
WARM_RISE_C = 2.0
"""A rise by its own heat that is worth a word."""


def bath_heat(given: BathHeatInput) -> BathHeatOutput:
    """Return how warm the bath will be, and what its own heat can do.

    Parameters
    ----------
    given : BathHeatInput
        Temperatures [°C], volume [L], bare metal [cm²], time [min].

    Returns
    -------
    BathHeatOutput

    Notes
    -----
    dT/dt = heat of what dissolves / (4.18 kJ/(L·K) · V) − (T − around) / cooling time; the metal
    dissolves at the mordant's rate at that temperature. The bound keeps all heat in the bath and
    takes rate and heat of reaction two spreads up. Source: ``newton-cooling``,
    ``reaction-enthalpies``.
    """
    row = mordant_row(Conditions(mordant=given.mordant, numbers=given.numbers))
    cooling = _cooling(given)
    middle, grams = _walk(given, row, cooling.value, 0.0)
    slow, _ = _walk(given, row, cooling.value + TWO_SPREADS * cooling.spread, -1.0)
    fast, _ = _walk(given, row, max(1.0, cooling.value - cooling.spread), 1.0)
    bound, _ = _walk(given, row, None, TWO_SPREADS)
    rise = float(bound[-1] - given.temperature_c)
    every = math.ceil(len(middle) / TOLD_STEPS)
    minutes = np.arange(len(middle)) * STEP_MINUTES
    bands = np.sort(np.array([middle, slow, fast]), axis=0)
    return BathHeatOutput(
        forecast=[
            _told(minutes[i], middle[i], bands[0][i], bands[2][i])
            for i in _told_places(len(middle), every)
        ],
        end_c=round(float(middle[-1]), 2),
        end_low_c=round(float(bands[0][-1]), 2),
        end_high_c=round(float(bands[2][-1]), 2),
        speed_share=round(_share(row, given.temperature_c, float(middle[-1])), 3),
        **_reached(given, minutes, (middle, *bands[[0, 2]])),
        rise_bound_c=round(rise, 2),
        heat_kj=round(grams / G_PER_MOL[row.metal] * _heat(row).value, 2),
        dissolved_g=round(grams, 3),
        cooling_minutes=round(cooling.value, 1),
        warnings=[
            *_from_outside(given, row, float(bands[2].max())),
            *_warnings(given, row, rise, grams),
        ],
    )


def _told_places(steps: int, every: int) -> list[int]:
    """Return which steps are told: every so many, and the last."""
    return [*range(0, steps - 1, every), steps - 1]


def _share(row: Mordant, now_c: float, then_c: float) -> float:
    """Return the speed at one temperature over that at another."""
    now, then = (float(temperature_factor(c, row.energy_kj_per_mol)) for c in (now_c, then_c))
    return then / now


def _reached(
    given: BathHeatInput, minutes: np.ndarray, ways: tuple[np.ndarray, ...]
) -> dict[str, float | None]:
    """Return when the wanted warmth is there: as expected, at the soonest, at the latest."""
    if given.reach_c is None:
        return dict.fromkeys(REACHED)
    expected, *others = (_crossing(given.reach_c, minutes, way) for way in ways)
    known = sorted(each for each in others if each is not None)
    soonest = known[0] if known else None
    latest = known[-1] if len(known) == len(others) else None
    return dict(zip(REACHED, (expected, soonest, latest), strict=True))


def _crossing(celsius: float, minutes: np.ndarray, warmth: np.ndarray) -> float | None:
    """Return the first minute at which a line passes a temperature."""
    side = np.sign(warmth - celsius)
    passed = np.flatnonzero(side != side[0])
    if side[0] == 0:
        return 0.0
    if len(passed) == 0:
        return None
    after = int(passed[0])
    before = after - 1
    share = (celsius - warmth[before]) / (warmth[after] - warmth[before])
    return round(float(minutes[before] + share * (minutes[after] - minutes[before])), 1)


def _told(*values: float) -> tuple[float, float, float, float]:
    minute, middle, low, high = (round(float(value), 2) for value in values)
    return minute, middle, low, high


def _heat(row: Mordant) -> Number:
    return REACTION_KJ_PER_MOL[row.caution]


def _cooling(given: BathHeatInput) -> Number:
    if given.cooling_minutes is not None:
        return Number(given.cooling_minutes, 0.1 * given.cooling_minutes, "min", "room-practice")
    usual = COOLING_MINUTES["jacket" if given.jacket_c is not None else given.vessel]
    size = (given.volume_l / USUAL_LITRES) ** (1 / 3)
    return Number(usual.value * size, usual.spread * size, usual.unit, usual.source)


def _walk(
    given: BathHeatInput, row: Mordant, cooling_minutes: float | None, spreads: float
) -> tuple[np.ndarray, float]:
    """Return °C at each step, and grams dissolved; no cooling time: all heat stays."""
    around = given.room_c if given.jacket_c is None else given.jacket_c
    heat = _heat(row)
    per_gram = max(heat.value + spreads * heat.spread, 0.0) / G_PER_MOL[row.metal]
    per_gram /= WATER_KJ_PER_L_K.value * given.volume_l
    area = given.open_cm2 * METALS[row.metal].density_g_per_cm3 / UM_PER_CM
    fresh = row.rate_um_per_min * float(np.exp(spreads * row.rate_log_spread)) * area
    warm, load, grams = [given.temperature_c], given.load_g_per_l, 0.0
    for _ in range(round(given.minutes / STEP_MINUTES)):
        pace = fresh * float(temperature_factor(warm[-1], row.energy_kj_per_mol))
        lost = pace * float(load_factor(load, row.end_g_per_l)) * STEP_MINUTES
        grams, load = grams + lost, load + lost / given.volume_l
        cooled = 0.0
        if cooling_minutes is not None:
            cooled = (warm[-1] - around) * -np.expm1(-STEP_MINUTES / cooling_minutes)
        warm.append(min(warm[-1] + lost * per_gram - cooled, 100.0))
    return np.array(warm), grams


def _from_outside(given: BathHeatInput, row: Mordant, warmest: float) -> list[HeatWarning]:
    """Return a warning where what stands round the bath takes it past what its mordant bears."""
    hottest = row.hottest_c
    around, what = (given.room_c, "room") if given.jacket_c is None else (given.jacket_c, "jacket")
    if hottest is None or around <= hottest or warmest <= hottest:
        return []
    return [
        HeatWarning(
            code="too-warm-around", caution="nitric-hot",
            text=f"The {what} takes it to {warmest:.0f} °C; above {hottest:g} °C it runs away. "
            f"Keep what is round it below {hottest:g} °C.",
        )
    ]  # fmt: skip


def _warnings(given: BathHeatInput, row: Mordant, rise: float, grams: float) -> list[HeatWarning]:
    found = []
    hottest = row.hottest_c
    if hottest is not None and given.temperature_c + rise > hottest:
        found.append(HeatWarning(
            code="past-limit", caution="nitric-hot",
            text=f"Its own heat can take it from {given.temperature_c:.0f} to "
            f"{given.temperature_c + rise:.0f} °C; above {hottest:g} °C it runs away. More liquid, "
            "a cold jacket, or less open metal at a time.",
        ))  # fmt: skip
    elif rise >= WARM_RISE_C:
        found.append(HeatWarning(
            code="heats-itself", caution="nitric-warm" if hottest else row.caution,
            text=f"It warms itself by up to {rise:.0f} °C: read the thermometer during the bite.",
        ))  # fmt: skip
    if row.caution == "nitric" and grams / (given.minutes / 60.0) >= FUMES_G_PER_H:
        found.append(HeatWarning(
            code="fumes", caution="nitric",
            text=f"About {grams:.0f} g dissolve: brown gas. Extraction on before the dip, nobody "
            "leans over the tray.",
        ))  # fmt: skip
    return found
