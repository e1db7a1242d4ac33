"""Planning by opening up: the darkest first, lighter areas opened before later bites."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.kinetics.bite import Bite
from core.stages.bench import Bench, Exposure, Solved, dip, lifted
from core.stages.shapes import BiteFacts
from core.stages.solve import NEAR_ENOUGH, longest_clock, seconds_to_tone

_PASSES = 2
"""Each pass starts later bites in the tray that the earlier ones, as last solved, leave."""


@dataclass(frozen=True)
class _Step:
    """One bite to come: the areas opened before it, and all that are open in it."""

    opened: list[int]
    is_open: list[int]


def plan_by_opening_up(bench: Bench, start: Exposure) -> tuple[list[Solved], Exposure]:
    """Return the remaining bites, darkest area first, and where the areas end.

    Parameters
    ----------
    bench : Bench
    start : Exposure
        After the bites made.

    Returns
    -------
    list of Solved, Exposure

    Notes
    -----
    An area's time runs from its opening to the end, so lengths are solved from the last bite back.
    What is open already bites alone first, unless the bites to come give it all it needs.
    """
    steps = _steps(bench)
    if steps and not steps[0].opened:
        bites, end = _planned(bench, start, steps[1:])
        place = steps[0].is_open[-1]
        if bench.table.at(end.seconds[place]).mean() <= bench.goal(place) + NEAR_ENOUGH:
            return bites, end
    return _planned(bench, start, steps)


def _planned(bench: Bench, start: Exposure, steps: list[_Step]) -> tuple[list[Solved], Exposure]:
    lengths = [300.0] * len(steps)
    for _ in range(_PASSES):
        lengths = _solve_back(bench, start, steps, lengths)
    step = bench.given.round_to_seconds
    lengths = [max(step, round(seconds / step) * step) for seconds in lengths]
    return _run(bench, start, steps, lengths)


def _steps(bench: Bench) -> list[_Step]:
    areas = bench.given.areas
    opened = {name for bite in bench.given.done for name in bite.open}
    wanted = [
        place
        for place, area in enumerate(areas)
        if (goal := bench.goals[place]) is not None
        and (goal < bench.table.lightest or area.name in opened)
    ]
    wanted.sort(key=bench.goal)
    already = [place for place in wanted if areas[place].name in opened]
    groups = [already] if already else []
    for place in wanted:
        if place in already:
            continue
        same = (
            groups and groups[-1] is not already and bench.goal(groups[-1][0]) == bench.goal(place)
        )
        if same:
            groups[-1].append(place)
        else:
            groups.append([place])
    steps, open_now = [], list[int]()
    for group in groups:
        open_now = open_now + group
        steps.append(_Step([] if group is already else group, open_now))
    return steps


def _solve_back(
    bench: Bench, start: Exposure, steps: list[_Step], lengths: list[float]
) -> list[float]:
    bites = _bites(bench, start, steps, lengths)
    later = np.zeros(len(bench.wetting))
    solved = list(lengths)
    for number in range(len(steps) - 1, -1, -1):
        place = steps[number].is_open[-1]
        so_far = start.seconds[place] + later
        solved[number] = seconds_to_tone(bench, so_far, bites[number], bench.goal(place))
        later = later + bites[number].exposure(max(solved[number], 1e-3))
    return solved


def _bites(bench: Bench, start: Exposure, steps: list[_Step], lengths: list[float]) -> list[Bite]:
    at, bites = start, []
    for step, seconds in zip(steps, lengths, strict=True):
        areas = [bench.given.areas[place] for place in step.is_open]
        bite = dip(bench, at, areas, longest_clock(bench, at))
        bites.append(bite)
        at = lifted(at, bite, _mask(bench, step), max(seconds, 1e-3))
    return bites


def _mask(bench: Bench, step: _Step) -> NDArray[np.bool_]:
    return np.isin(np.arange(len(bench.given.areas)), step.is_open)


def _run(
    bench: Bench, start: Exposure, steps: list[_Step], lengths: list[float]
) -> tuple[list[Solved], Exposure]:
    at, planned = start, list[Solved]()
    clock = sum(bite.seconds for bite in bench.given.done)
    white = [area.name for place, area in enumerate(bench.given.areas) if not _ever(steps, place)]
    for number, (step, seconds) in enumerate(zip(steps, lengths, strict=True), 1):
        areas = [bench.given.areas[place] for place in step.is_open]
        bite = dip(bench, at, areas, longest_clock(bench, at))
        after = lifted(at, bite, _mask(bench, step), seconds)
        clock += seconds
        last = number == len(steps)
        facts = BiteFacts(
            number=len(bench.given.done) + number,
            seconds=seconds,
            cumulative_seconds=clock,
            reference_seconds=round(float(bite.exposure(seconds).mean()), 1),
            stop_out_before=white if number == 1 and not bench.given.done else [],
            open_before=[bench.given.areas[place].name for place in step.opened],
        )
        planned.append(Solved(facts, step.is_open, step.is_open if last else [], after))
        at = after
    return planned, at


def _ever(steps: list[_Step], place: int) -> bool:
    return bool(steps) and place in steps[-1].is_open
