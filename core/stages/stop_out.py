"""Planning by stopping out: all areas start open, each is closed when it is dark enough."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from core.stages.bench import Bench, Exposure, Solved, dip, lifted, open_now, opens_again
from core.stages.shapes import BiteFacts
from core.stages.solve import NEAR_ENOUGH, longest_clock, seconds_to_tone

Array = NDArray[np.float64]

SAME_GOAL = 0.05


def plan_by_stopping_out(bench: Bench, start: Exposure) -> tuple[list[Solved], Exposure]:
    """Return the remaining bites, lightest area first, and where the areas end.

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
    After bites already made only the areas open in the last of them are still open.
    """
    waiting = _open_places(bench)
    finished_now = _finished_without_bite(bench, start, waiting) if bench.given.done else []
    closing = [place for place in range(len(bench.given.areas)) if place not in waiting]
    again = opens_again(bench)
    before = [] if bench.given.done else [_name(bench, place) for place in closing]
    waiting = [place for place in waiting if place not in finished_now]
    before += [] if again else [_name(bench, place) for place in finished_now]
    opening = [_name(bench, place) for place in waiting] if again else []
    bites: list[Solved] = []
    at = start
    clock = sum(bite.seconds for bite in bench.given.done)
    while waiting:
        number = len(bench.given.done) + len(bites) + 1
        seconds, closed, after = _next_bite(bench, at, waiting)
        clock += seconds
        gained = (after.seconds - at.seconds)[waiting[0]].mean()
        facts = BiteFacts(
            number=number,
            seconds=seconds,
            cumulative_seconds=clock,
            reference_seconds=round(float(gained), 1),
            stop_out_before=before,
            open_before=opening,
        )
        bites.append(Solved(facts, is_open=waiting, finished=closed, after=after))
        before, opening = [_name(bench, place) for place in closed], []
        waiting = [place for place in waiting if place not in closed]
        at = after
    return bites, at


def _name(bench: Bench, place: int) -> str:
    return bench.given.areas[place].name


def _open_places(bench: Bench) -> list[int]:
    areas = bench.given.areas
    still = open_now(bench)
    return [
        place
        for place, area in enumerate(areas)
        if (goal := bench.goals[place]) is not None
        and area.name in still
        and (goal < bench.table.lightest or bench.given.done)
    ]


def _finished_without_bite(bench: Bench, at: Exposure, waiting: list[int]) -> list[int]:
    """Return areas that are as dark as wanted, or darker, before the next dip."""
    return [
        place
        for place in waiting
        if bench.table.at(at.seconds[place]).mean() <= bench.goal(place) + NEAR_ENOUGH
    ]


def _next_bite(bench: Bench, at: Exposure, waiting: list[int]) -> tuple[float, list[int], Exposure]:
    """Return how long the next bite lasts, which areas it finishes, and where all stand then."""
    areas = [bench.given.areas[place] for place in waiting]
    bite = dip(bench, at, areas, longest_clock(bench, at))
    need, first = min(
        (seconds_to_tone(bench, at.seconds[place], bite, bench.goal(place)), place)
        for place in _next_in_line(bench, at, waiting)
    )
    step = bench.given.round_to_seconds
    seconds = max(step, round(need / step) * step)
    is_open = np.isin(np.arange(len(bench.given.areas)), waiting)
    after = lifted(at, bite, is_open, seconds)
    soon = bite.exposure(seconds + step / 2)
    closed = [
        place
        for place in waiting
        if place == first or _reached(bench, at.seconds[place] + soon, place, first)
    ]
    return seconds, closed, after


def _next_in_line(bench: Bench, at: Exposure, waiting: list[int]) -> list[int]:
    """Return the lightest goal of each exposure so far: only they can be due first."""
    lightest: dict[float, int] = {}
    for place in waiting:
        so_far = float(at.seconds[place].mean())
        best = lightest.get(so_far, place)
        lightest[so_far] = max(best, place, key=lambda p: bench.goal(p))
    return list(lightest.values())


def _reached(bench: Bench, exposure: Array, place: int, first: int) -> bool:
    """Tell whether an area is due within the same rounded bite as the first."""
    goal = bench.goal(place)
    return (
        abs(goal - bench.goal(first)) <= SAME_GOAL
        or float(bench.table.at(exposure).mean()) <= goal
        or float(exposure.mean()) >= bench.valid_to_reference_seconds
    )
