"""Planning by plain minutes: each area bites for the time that was typed, whatever it comes to."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from core.stages.bench import Bench, Exposure, Solved, dip, lifted, open_now, opens_again
from core.stages.shapes import BiteFacts


@dataclass(frozen=True)
class _Step:
    """One bite to come: how long [s], what is opened before it, open in it and finished by it."""

    seconds: float
    opened: list[int]
    is_open: list[int]
    finished: list[int]


def plan_by_clock(bench: Bench, start: Exposure) -> tuple[list[Solved], Exposure]:
    """Return the remaining bites of areas that were given minutes, and where the areas end.

    Parameters
    ----------
    bench : Bench
        Its areas carry ``seconds``; those without stay white.
    start : Exposure
        After the bites made.

    Returns
    -------
    list of Solved, Exposure

    Notes
    -----
    A bite lasts as long as the clock says, in a cold bath too. What a late lift gave too much is
    taken off the bites that follow; times nearer than the rounding share a bite, and a rest shorter
    than it is none.
    """
    way = _closing if bench.given.opened_after else _OF[bench.given.method]
    steps = way(bench, _clock_so_far(bench))
    return _run(bench, start, steps)


def _clock_so_far(bench: Bench) -> list[float]:
    """Return the seconds each area has been open in a bite by the clock."""
    done = bench.given.done
    return [sum(b.seconds for b in done if area.name in b.open) for area in bench.given.areas]


def _closing(bench: Bench, so_far: list[float]) -> list[_Step]:
    """Return the bites of stopping out: all are open, each ends when its minutes are over."""
    areas, still = bench.given.areas, open_now(bench)
    left = {
        place: area.seconds - so_far[place]
        for place, area in enumerate(areas)
        if area.seconds is not None and area.name in still
    }
    steps, at, least = list[_Step](), 0.0, bench.given.round_to_seconds
    waiting = [place for place, rest in left.items() if rest >= (least if so_far[place] else 0)]
    while waiting:
        seconds = min(left[place] for place in waiting) - at
        at += seconds
        ends = [place for place in waiting if left[place] - at < least]
        steps.append(_Step(seconds, [], waiting, ends))
        waiting = [place for place in waiting if place not in ends]
    return steps


def _opening(bench: Bench, so_far: list[float]) -> list[_Step]:
    """Return the bites of opening up: what bites longest is open first, all end together."""
    areas, least = bench.given.areas, bench.given.round_to_seconds
    opened = {name for bite in bench.given.done for name in bite.open}
    wanted = [place for place, area in enumerate(areas) if area.seconds is not None]
    already = [place for place in wanted if areas[place].name in opened]
    rest = max((_left(bench, place, so_far) for place in already), default=0.0)
    groups: list[tuple[float, list[int]]] = [(rest, already)] if already else []
    for place in sorted(set(wanted) - set(already), key=lambda p: -_left(bench, p, so_far)):
        left = _left(bench, place, so_far)
        if groups and groups[-1][0] - left < least:
            groups[-1] = (max(left, groups[-1][0]), [*groups[-1][1], place])
        else:
            groups.append((left, [place]))
    ends = [*(left for left, _ in groups[1:]), 0.0]
    steps, is_open = list[_Step](), list[int]()
    for (left, group), end in zip(groups, ends, strict=True):
        is_open = [*is_open, *group]
        new = [place for place in group if place not in already]
        if left - end >= (least if not new else 0):
            steps.append(_Step(left - end, new, is_open, is_open if end == 0 else []))
    return steps


def _left(bench: Bench, place: int, so_far: list[float]) -> float:
    return (bench.given.areas[place].seconds or 0.0) - so_far[place]


_OF = {"stop-out": _closing, "open-up": _opening}


def _run(bench: Bench, start: Exposure, steps: list[_Step]) -> tuple[list[Solved], Exposure]:
    areas, done = bench.given.areas, bench.given.done
    at, planned = start, list[Solved]()
    clock = sum(bite.seconds for bite in done)
    closed = [] if done else [area.name for area in areas if area.seconds is None]
    again = opens_again(bench)
    if done and not again and bench.given.method == "stop-out":
        first = {areas[place].name for place in steps[0].is_open} if steps else set()
        closed = [name for name in done[-1].open if steps and name not in first]
    for number, step in enumerate(steps, len(done) + 1):
        bite = dip(bench, at, [areas[place] for place in step.is_open], step.seconds + 1.0)
        after = lifted(at, bite, _mask(bench, step.is_open), step.seconds)
        clock += step.seconds
        facts = BiteFacts(
            number=number,
            seconds=step.seconds,
            cumulative_seconds=clock,
            reference_seconds=round(float(bite.exposure(step.seconds).mean()), 1),
            stop_out_before=closed,
            open_before=[areas[place].name for place in (step.is_open if again else step.opened)],
        )
        planned.append(Solved(facts, step.is_open, step.finished, after))
        closing = bench.given.method == "stop-out"
        closed = [areas[place].name for place in step.finished] if closing else []
        at, again = after, False
    return planned, at


def _mask(bench: Bench, places: list[int]) -> NDArray[np.bool_]:
    return np.isin(np.arange(len(bench.given.areas)), places)
