"""What a proof needs next: pull again, bite, ground anew, burnish, drypoint, or leave it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from core.data.mordants import TABLES_VERSION
from core.data.proofs import (
    BITE_MINUTES,
    BURNISH_LSTAR,
    BURNISH_SHARE,
    DRYPOINT_FIXED,
    DRYPOINT_LSTAR,
    DRYPOINT_MINUTES_PER_CM2,
    DRYPOINT_SHARE,
    GROUND_MINUTES,
    PULL_MINUTES,
    SCATTER_LSTAR,
)
from core.data.repair import BURNISH_LSTAR_A_PASS, BURNISH_ON_PLASTIC_LSTAR, MOST_BURNISH_PASSES
from core.kinetics.bath import bath_speed
from core.stages.advice import LEAVE_LSTAR, times_of
from core.stages.cause import Cause, cause_of
from core.stages.second_grain import second_goal, sum_of_screens
from core.stages.shapes import Reached
from core.stages.what_next_shapes import (
    Act,
    AreaMiss,
    JudgedArea,
    Step,
    WhatNextInput,
    WhatNextOutput,
)
from core.tone.no_strip import guess_curve
from core.tone.table import ToneTable, band, table_of
from core.units import clock_text, to_five

Array = NDArray[np.float64]

_GOLDEN = 0.6180339887498949
_NORMAL = NormalDist()
LIGHT_CURE = "more ink, a softer wipe, a tighter press"
DARK_CURE = "less ink, a harder wipe, a slacker press"
BURNISH_MINUTES_PER_CM2 = 1.2
LEAST_ON_SECONDS = 20.0
"""A bite that may last no longer is none to be advised."""


@dataclass(frozen=True)
class _Plate:
    """What can be done to a plate, as equally likely draws."""

    table: ToneTable
    pace: Array
    last: float
    """So long its curve is known: a longer bite is not told of [reference s]."""
    lightest: float
    given: WhatNextInput
    doubt: str
    """Words after a time that no strip stands behind."""


def what_next(given: WhatNextInput) -> WhatNextOutput:
    """Return whether plate or printing is at fault, and what to do, ranked.

    Parameters
    ----------
    given : WhatNextInput
        Tones [L*].

    Returns
    -------
    WhatNextOutput
        Times by the clock in the bath given [s].

    Notes
    -----
    A tone after a bite is that of each likely curve at the time where it printed what was read,
    and the bite further; what hands do lands within a share of the change. Source:
    ``room-practice``.
    """
    if not given.areas:
        return _unread()
    off = np.array([area.read_lstar - area.wanted_lstar for area in given.areas])
    cause = cause_of(off, np.array([area.spread for area in given.areas]))
    plate = _plate(given)
    steps = [*_pull(given, cause, off)]
    for area, own in zip(given.areas, cause.own, strict=True):
        steps += _for_area(area, float(own), cause, plate)
    return WhatNextOutput(
        cause=cause.kind,
        text=_sentence(given.areas, cause, off),
        chance=round(_chance(cause), 2),
        shift_lstar=round(cause.shift, 1),
        shift_spread=round(cause.shift_spread, 1),
        areas=[
            AreaMiss(
                name=area.name, off_lstar=round(float(miss), 1), own_lstar=round(float(own), 1),
                own_spread=round(float(doubt), 1), plate=round(float(chance), 2),
            )
            for area, miss, own, doubt, chance in zip(
                given.areas, off, cause.own, cause.own_spread, cause.plate, strict=True
            )
        ],
        steps=ranked(steps),
        tables=TABLES_VERSION,
    )  # fmt: skip


def _unread() -> WhatNextOutput:
    return WhatNextOutput(
        cause="unread", text="No tones were read off this proof.", chance=0.0, shift_lstar=0.0,
        shift_spread=0.0, areas=[], steps=[], tables=TABLES_VERSION,
    )  # fmt: skip


def _plate(given: WhatNextInput) -> _Plate:
    curve = given.curve or guess_curve(given.bath.mordant, given.bath.numbers)
    table = table_of(curve)
    speed = bath_speed(given.bath, curve.conditions, len(table.lstar))
    lightest = given.lightest_lstar
    return _Plate(
        table,
        speed.at(given.bath.temperature_c, given.bath.load_g_per_l),
        curve.valid_to_reference_seconds,
        table.lightest if lightest is None else lightest,
        given,
        "" if curve.measured else " A guess: there is no strip.",
    )


def _chance(cause: Cause) -> float:
    plate = float(cause.plate.max())
    return {
        "plate": plate * (1 - cause.printing),
        "printing": cause.printing * (1 - plate),
        "both": plate * cause.printing,
        "neither": (1 - plate) * (1 - cause.printing),
    }[cause.kind]


def _sentence(areas: list[JudgedArea], cause: Cause, off: Array) -> str:
    """Return the answer in one sentence; of two areas or one it cannot be sure."""
    way = "light" if cause.shift > 0 else "dark"
    worst = int(np.abs(np.where(cause.plate > 0.5, cause.own, 0.0)).argmax())
    own = float(cause.own[worst] if cause.kind == "both" else off[worst])
    each = f"{areas[worst].name} is {abs(own):.0f} L* too {'light' if own > 0 else 'dark'}"
    if len(areas) < 3 and np.abs(off).max() > LEAVE_LSTAR:
        return f"{'One area' if len(areas) == 1 else 'Two areas'} cannot say whether plate or wipe."
    if cause.kind == "printing":
        return f"It is the printing: all areas are {abs(cause.shift):.0f} L* too {way}."
    if cause.kind == "both":
        return (
            f"It is both: the pull is {abs(cause.shift):.0f} L* too {way}, and {each} beside that."
        )
    if cause.kind == "plate":
        return f"It is the plate: {each}."
    if np.abs(off).max() <= LEAVE_LSTAR:
        return f"It is what you meant: all within ±{LEAVE_LSTAR:g} L*."
    return "It is near what you meant; no fault of plate or wipe stands out."


def _pull(given: WhatNextInput, cause: Cause, off: Array) -> Iterator[Step]:
    """Yield another pull where the printing is in doubt, before anything is done to the plate."""
    if cause.kind not in ("printing", "both") and not (
        len(given.areas) < 3 and np.abs(off).max() > LEAVE_LSTAR
    ):
        return
    light = float(off.mean() if len(given.areas) < 3 else cause.shift) > 0
    yield Step(
        act="pull", area="",
        text=f"Pull again: {LIGHT_CURE if light else DARK_CURE}.",
        lstar=None,
        sure=round(cause.printing, 2),
        whole_print=round(abs(cause.shift), 1),
        minutes=PULL_MINUTES,
    )  # fmt: skip


def _for_area(area: JudgedArea, own: float, cause: Cause, plate: _Plate) -> list[Step]:
    """Return what can be done to one area: its own miss is mended, not the wipe's."""
    shared = cause.kind in ("printing", "both")
    now = area.read_lstar - (cause.shift if shared else 0.0)
    spread = float(np.hypot(area.spread, cause.shift_spread if shared else 0.0))
    off = now - area.wanted_lstar
    if abs(off) <= LEAVE_LSTAR or (shared and abs(own) <= LEAVE_LSTAR):
        return [_leave(area, now, spread)] if not shared else []
    todo = _darker if off > 0 else _lighter
    steps = [*todo(area, now, spread, plate), _leave(area, now, spread)]
    return sorted(steps, key=lambda step: (-round(step.sure, 1), step.minutes))


def _darker(area: JudgedArea, now: float, spread: float, plate: _Plate) -> Iterator[Step]:
    if plate.given.bites:
        yield from (_bite if plate.given.grain_stands else _new_grain)(area, now, spread, plate)
    change = now - area.wanted_lstar
    wide = float(np.hypot(spread, DRYPOINT_LSTAR + DRYPOINT_SHARE * change))
    minutes = DRYPOINT_FIXED + DRYPOINT_MINUTES_PER_CM2 * _cm2(area, plate)
    yield _by_hand(area, "drypoint", f"Hatch into it with a needle, {change:.0f} L* darker.",
                   now, wide, minutes)  # fmt: skip


def _lighter(area: JudgedArea, now: float, spread: float, plate: _Plate) -> Iterator[Step]:
    change = area.wanted_lstar - now
    gain = (
        BURNISH_ON_PLASTIC_LSTAR if plate.given.material == "plastic" else BURNISH_LSTAR_A_PASS
    ) * MOST_BURNISH_PASSES
    reached = now + min(change, gain)
    wide = float(np.hypot(spread, BURNISH_LSTAR + BURNISH_SHARE * min(change, gain)))
    passes = max(1, int(np.ceil(min(change, gain) / (gain / MOST_BURNISH_PASSES))))
    minutes = 5 + BURNISH_MINUTES_PER_CM2 * passes * _cm2(area, plate)
    text = f"Burnish {min(change, gain):.0f} L* up, then degrease and proof."
    if change > gain:
        text = f"Scrape, then burnish: {change:.0f} L* is more than burnishing alone gives."
    yield _by_hand(area, "burnish", text, now, wide, minutes, reached)


def _by_hand(
    area: JudgedArea, act: Act, text: str, now: float, wide: float, minutes: float,
    reached: float | None = None,
) -> Step:  # fmt: skip
    tone = area.wanted_lstar if reached is None else reached
    return Step(
        act=act, area=area.name, text=text, lstar=round(tone, 1),
        lstar_low=round(max(0.0, tone - 1.96 * wide), 1),
        lstar_high=round(min(100.0, tone + 1.96 * wide), 1),
        sure=round(_within(area.wanted_lstar - tone, wide), 2),
        whole_print=_whole(area, now - tone), minutes=round(minutes),
    )  # fmt: skip


def _leave(area: JudgedArea, now: float, spread: float) -> Step:
    return Step(
        act="leave", area=area.name,
        text=f"Leave. Inside ±{LEAVE_LSTAR:g} L*." if abs(now - area.wanted_lstar) <= LEAVE_LSTAR
        else f"Leave it {abs(now - area.wanted_lstar):.0f} L* off.",
        lstar=round(now, 1), lstar_low=round(max(0.0, now - 1.96 * spread), 1),
        lstar_high=round(min(105.0, now + 1.96 * spread), 1),
        sure=round(_within(now - area.wanted_lstar, spread), 2), whole_print=0.0, minutes=0.0,
    )  # fmt: skip


def _bite(area: JudgedArea, now: float, spread: float, plate: _Plate) -> Iterator[Step]:
    """Yield the bite that goes on through the grain that stands, as far as its curve is known."""
    read = now + spread * _normal(len(plate.pace))
    there = times_of(plate.table, read)
    wanted = times_of(plate.table, np.full(len(there), area.wanted_lstar))
    clock = np.maximum(0.0, wanted - there) / plate.pace + plate.table.wetting
    needs, most = _median_more(now, area.wanted_lstar, plate), _longest_on(there, plate)
    seconds = to_five(min(needs, most))
    if most < LEAST_ON_SECONDS:
        return
    low, high = (min(each, most) for each in band(clock))
    bitten = np.maximum(0.0, seconds - plate.table.wetting) * plate.pace
    tones = plate.table.at(there + bitten) + SCATTER_LSTAR * _normal(len(bitten), 7)
    text = f"Bite {clock_text(seconds)} more ({clock_text(low)} to {clock_text(high)})."
    if needs > most:
        text = f"Bite {clock_text(seconds)} more, as far as its curve is known."
    yield _bitten(area, "bite", text + plate.doubt, now, tones, seconds, (low, high),
                  BITE_MINUTES + seconds / 60)  # fmt: skip


def _longest_on(there: Array, plate: _Plate) -> float:
    """Return how long an area may bite on until its curve is no longer known [s]."""
    left = np.maximum(0.0, plate.last - there) / plate.pace + plate.table.wetting
    return float(np.median(left))


def _median_more(now: float, wanted: float, plate: _Plate) -> float:
    """Return the clock time from one tone to another, as ``advise`` says it [s]."""
    count = len(plate.pace)
    there, then = (times_of(plate.table, np.full(count, tone)) for tone in (now, wanted))
    return float(np.median(np.maximum(0.0, then - there) / plate.pace + plate.table.wetting))


def _new_grain(area: JudgedArea, now: float, spread: float, plate: _Plate) -> Iterator[Step]:
    """Yield the bite through a second grain, laid over a first that was stripped."""
    goal = second_goal(now, area.wanted_lstar, plate.lightest)
    wanted = times_of(plate.table, np.full(len(plate.pace), goal))
    clock = np.minimum(wanted, plate.last) / plate.pace + plate.table.wetting
    seconds = to_five(float(np.median(clock)))
    low, high = band(clock)
    alone = plate.table.at(np.maximum(0.0, seconds - plate.table.wetting) * plate.pace)
    first = Reached(value=now, low=max(0.0, now - 1.96 * spread), high=now + 1.96 * spread)
    second = Reached(value=float(alone.mean()), low=band(alone)[0], high=band(alone)[1])
    both = sum_of_screens(first, second, plate.lightest)
    wide = max(0.5, (both.high - both.low) / 3.92)
    yield Step(
        act="re-ground", area=area.name,
        text=f"Lay a new grain and bite {clock_text(seconds)} "
        f"({clock_text(low)} to {clock_text(high)}).{plate.doubt}",
        seconds=seconds, seconds_low=to_five(low), seconds_high=to_five(high), opens=[area.name],
        lstar=round(both.value, 1), lstar_low=round(both.low, 1), lstar_high=round(both.high, 1),
        sure=round(_within((both.high + both.low) / 2 - area.wanted_lstar, wide), 2),
        whole_print=_whole(area, now - both.value), minutes=round(GROUND_MINUTES + seconds / 60),
    )  # fmt: skip


def _bitten(
    area: JudgedArea, act: Act, text: str, now: float, tones: Array, seconds: float,
    reach: tuple[float, float], minutes: float,
) -> Step:  # fmt: skip
    low, high = band(tones)
    tone = float(tones.mean())
    return Step(
        act=act, area=area.name, text=text,
        seconds=seconds, seconds_low=to_five(reach[0]), seconds_high=to_five(reach[1]),
        opens=[area.name], lstar=round(tone, 1), lstar_low=round(low, 1), lstar_high=round(high, 1),
        sure=round(float(np.mean(np.abs(tones - area.wanted_lstar) <= LEAVE_LSTAR)), 2),
        whole_print=_whole(area, now - tone), minutes=round(minutes),
    )  # fmt: skip


def ranked(steps: list[Step]) -> list[Step]:
    """Return steps with the printing first, then by what the best of an area does to the print.

    Parameters
    ----------
    steps : list of Step

    Returns
    -------
    list of Step
    """
    best: dict[str, float] = {}
    for step in steps:
        if step.act != "leave":
            best[step.area] = max(best.get(step.area, 0.0), abs(step.whole_print))
    order = {step.area: -best.get(step.area, 0.0) for step in steps}
    return sorted(steps, key=lambda step: (step.act != "pull", order[step.area]))


def _cm2(area: JudgedArea, plate: _Plate) -> float:
    share = area.share if area.share is not None else 1 / max(1, len(plate.given.areas))
    return share * plate.given.plate_cm2


def _whole(area: JudgedArea, change: float) -> float:
    return round(abs(change) * (area.share or 0.0), 1)


def _within(off: float, spread: float) -> float:
    """Return how likely it is to lie within the tolerance."""
    up, down = (LEAVE_LSTAR - off) / spread, (-LEAVE_LSTAR - off) / spread
    return _NORMAL.cdf(up) - _NORMAL.cdf(down)


@lru_cache(maxsize=16)
def _normal(count: int, skip: int = 0) -> Array:
    """Return spread-out draws of a standard normal, the same each time."""
    places = (np.arange(1 + skip, count + 1 + skip) * _GOLDEN) % 1.0
    return np.array([_NORMAL.inv_cdf(place) for place in np.clip(places, 1e-3, 1 - 1e-3).tolist()])
