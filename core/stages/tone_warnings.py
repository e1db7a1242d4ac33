"""What to beware of in a plan of tones, each with what to do about it."""

from __future__ import annotations

from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from core.kinetics.row import mordant_row
from core.kinetics.speed import strength_factor
from core.stages.bench import Exposure, Solved, open_now
from core.stages.shapes import Area, PlanWarning
from core.stages.tone_bench import ToneBench
from core.stages.warnings import bath_near_end, heat_of_reaction, too_short
from core.tone.table import band
from core.units import SECONDS_PER_MINUTE

Array = NDArray[np.float64]

LEAST_APART = 0.03
"""So little between two strengths hides in the doubt of a hydrometer. ``room-practice``"""
REACHED_LSTAR = 1.0
"""Nearer than this to the wanted tone counts as reached: nobody sees the difference."""
LEAST_SEEN_LSTAR = 2.0
"""Two printed areas nearer than this look like one tone."""


def tone_warnings(
    bench: ToneBench, start: Exposure, done: list[Solved], bites: list[Solved], end: Exposure
) -> list[PlanWarning]:
    """Return the warnings of a plan of tones, the gravest first.

    Parameters
    ----------
    bench : ToneBench
    start : Exposure
        Before the next dip.
    done, bites : list of Solved
        Made, and still to come.
    end : Exposure
        When all is done.

    Returns
    -------
    list of PlanWarning
    """
    return [
        *_overshoots(bench, start),
        *_no_strip(bench),
        *_strength_unsaid(bench),
        *_beyond(bench, end),
        *heat_of_reaction(bench, bites),
        *bath_near_end(bench, bites),
        *_out_of_reach(bench, end),
        *too_short(bench, bites),
        *_too_close(bench, end),
    ]


def _no_strip(bench: ToneBench) -> list[PlanWarning]:
    if bench.curve.measured:
        return []
    return [
        PlanWarning(
            code="no-strip",
            text="No strip yet: these times are a guess. Bite a test strip of 6 patches first "
            "(about 40 minutes).",
        )
    ]


def _strength_unsaid(bench: ToneBench) -> list[PlanWarning]:
    """Return a warning where one hydrometer is compared with none: the other is taken as 42 °Bé."""
    strip, bath = bench.curve.conditions, bench.given.bath
    if not bench.curve.measured or bath.rate_factor or strip.rate_factor:
        return []
    today, then = (
        strength_factor(mordant_row(bath), each.baume, each.load_g_per_l) for each in (bath, strip)
    )
    if (bath.baume is None) == (strip.baume is None) or abs(today / then - 1) < LEAST_APART:
        return []
    return [_one_reading(bath.baume, strip.baume, today / then)]


def _one_reading(bath: float | None, strip: float | None, factor: float) -> PlanWarning:
    """Return that only one of two strengths was read, by which today counts faster or slower."""
    way = f"{abs(factor - 1):.0%} {'faster' if factor > 1 else 'slower'}"
    if strip is None:
        said, mend = (
            f"Today's bath reads {bath:g} °Bé; nobody read the strip's",
            "a new strip's bath",
        )
    else:
        said = f"The strip's bath read {strip:g} °Bé; nobody read today's"
        mend = "today's bath"
    return PlanWarning(
        code="strength-unsaid",
        params={"baume": bath or strip or 0.0, "factor": round(factor, 2)},
        text=f"{said}, so 42 °Bé is taken for it: the plan counts today {way} for that alone. Read "
        f"the hydrometer in {mend}, or bite a check patch first.",
    )


def _beyond(bench: ToneBench, end: Exposure) -> list[PlanWarning]:
    """Return warnings of areas whose minutes go on after the strip's last good patch."""
    valid = bench.valid_to_reference_seconds
    found = []
    for place, area in enumerate(bench.given.areas):
        if area.seconds is None or float(end.seconds[place].mean()) <= valid:
            continue
        minutes = area.seconds / SECONDS_PER_MINUTE
        known = (
            f"your strip shows nothing after {valid / SECONDS_PER_MINUTE:.0f} min of its own time"
            if bench.curve.measured
            else "no guess reaches so far"
        )
        found.append(
            PlanWarning(
                code="beyond-strip",
                area=area.name,
                params={"seconds": area.seconds, "valid_to_seconds": round(valid, 1)},
                text=f"{area.name}: {minutes:g} min, but {known}. The grain may bite away there "
                "and print paler again: lift earlier, or bite a longer strip.",
            )
        )
    return found


def _overshoots(bench: ToneBench, start: Exposure) -> list[PlanWarning]:
    if not bench.given.done:
        return []
    found = []
    still_open = open_now(bench)
    for place, area in enumerate(bench.given.areas):
        if area.lstar is None:
            continue
        now = float(bench.table.at(start.seconds[place]).mean())
        if now < area.lstar - REACHED_LSTAR:
            found.append(_overshoot(area.name, now, area.lstar, area.name in still_open))
    return found


def _overshoot(name: str, now: float, wanted: float, still_open: bool) -> PlanWarning:
    first = "Stop it out before the next dip. " if still_open else ""
    return PlanWarning(
        code="overshoot",
        area=name,
        params={"lstar": round(now, 1), "wanted": wanted},
        text=f"{name} went past its tone: it prints L* {now:.0f}, wanted {wanted:.0f}. {first}"
        "Burnish it after the proof, or let the darker tones go as much darker.",
    )


def _out_of_reach(bench: ToneBench, end: Exposure) -> list[PlanWarning]:
    found = []
    for place, area in enumerate(bench.given.areas):
        if area.lstar is None:
            continue
        reached = float(bench.table.at(end.seconds[place]).mean())
        if area.lstar > bench.table.lightest + REACHED_LSTAR:
            found.append(_too_light(area.name, area.lstar, bench.table.lightest))
        elif reached > area.lstar + REACHED_LSTAR:
            found.append(_too_dark(bench, area.name, area.lstar, reached))
    return found


def _too_light(name: str, wanted: float, lightest: float) -> PlanWarning:
    return PlanWarning(
        code="tone-out-of-reach",
        area=name,
        params={"wanted": wanted, "nearest": round(lightest, 1)},
        text=f"{name} is wanted at L* {wanted:.0f}, but an unbitten plate prints {lightest:.0f} "
        "(plate tone). It is stopped out before the first bite; wipe it cleaner when you print.",
    )


def _too_dark(bench: ToneBench, name: str, wanted: float, reached: float) -> PlanWarning:
    far = bench.table.lstar[:, -1].mean()
    beyond = far <= wanted and bench.curve.measured
    text = (
        f"{name} is wanted at L* {wanted:.0f}; your strip shows no darker than {reached:.0f}. "
        "The plan stops where the strip does. "
    )
    text += (
        "Bite a strip with a longer patch to go on."
        if beyond
        else "Lay a second aquatint over it, use a coarser grain, or accept this tone."
    )
    return PlanWarning(
        code="beyond-strip" if beyond else "tone-out-of-reach",
        area=name,
        params={"wanted": wanted, "nearest": round(reached, 1)},
        text=text,
    )


def _too_close(bench: ToneBench, end: Exposure) -> list[PlanWarning]:
    areas = bench.given.areas
    order = sorted(
        (place for place, area in enumerate(areas) if _asked(area) is not None),
        key=lambda place: end.seconds[place].mean(),
    )
    found = []
    for light, dark in pairwise(order):
        if _asked(areas[light]) == _asked(areas[dark]):
            continue
        tones = [bench.table.at(end.seconds[place]) for place in (light, dark)]
        apart = float((tones[0] - tones[1]).mean())
        if apart < max(LEAST_SEEN_LSTAR, _half_band(tones[0]), _half_band(tones[1])):
            found.append(_close(areas[light].name, areas[dark].name, apart))
    return found


def _asked(area: Area) -> float | None:
    return area.lstar if area.seconds is None else area.seconds


def _half_band(tones: Array) -> float:
    low, high = band(tones)
    return (high - low) / 2


def _close(light: str, dark: str, apart: float) -> PlanWarning:
    return PlanWarning(
        code="tones-too-close",
        area=dark,
        params={"other": light, "apart_lstar": round(apart, 1)},
        text=f"{light} and {dark} will print only {apart:.0f} L* apart; they may look like one "
        "tone. Move one, or give both one bite.",
    )
