"""Which readings of a probe are believed: kept they are all."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

LEAST_C, MOST_C = 0.0, 60.0
"""Outside this no bath of the trade stands: a probe in the air, or broken. ``room-practice``"""
FASTEST_C_PER_MINUTE = 2.0
"""A tray changes slower; a second minute must agree. ``room-practice``"""
AGREES_C = 0.5
"""Two minutes agree when the second stays within this and one more slope's reach."""
LONGEST_AHEAD_SECONDS = 60.0
"""A clock of an instrument may be fast by so much. ``room-practice``"""
SURELY_C = (5.0, 40.0)
"""Typed within this it is taken; beyond it is asked back. ``room-practice``"""
SILENT_SECONDS = 20.0
"""A probe that said nothing for so long is silent. ``room-practice``"""


@dataclass(frozen=True)
class Judged:
    """A reading, whether it is believed, and why not or only now."""

    at_seconds: float
    value: float
    believed: bool
    why: str


@dataclass(frozen=True)
class Before:
    """A reading before: what it said, and whether it was believed."""

    at_seconds: float
    value: float
    believed: bool


def judged(
    readings: Iterable[tuple[float, float]], before: Sequence[Before], now_seconds: float
) -> list[Judged]:
    """Return readings of a thermometer in the order of time, each believed or not.

    Parameters
    ----------
    readings : iterable of (second since the epoch, °C)
        In any order.
    before : sequence of Before
        Readings of the same probe that are there already, of the last minutes.
    now_seconds : float [s since the epoch]

    Returns
    -------
    list of Judged

    Notes
    -----
    Outside 0 to 60 °C: never. From the future: never. Steeper than 2 °C a minute from the last one
    believed: only when a second minute agrees with it. Source: ``room-practice``.
    """
    known = sorted(before, key=lambda each: each.at_seconds)
    found = []
    for at, value in sorted(readings):
        past = [each for each in known if each.at_seconds < at]
        told = _judge(at, value, past, now_seconds)
        known = [*past, Before(at, value, told.believed),
                 *(each for each in known if each.at_seconds >= at)]  # fmt: skip
        found.append(told)
    return found


def _judge(at: float, value: float, past: list[Before], now_seconds: float) -> Judged:
    if at > now_seconds + LONGEST_AHEAD_SECONDS:
        return Judged(at, value, False, "It is from the future: set the instrument's clock.")
    if not LEAST_C <= value <= MOST_C:
        return Judged(at, value, False, f"Outside {LEAST_C:g} to {MOST_C:g} °C: not in a bath.")
    last = next((each for each in reversed(past) if each.believed), None)
    if last is None or _slow(last, at, value):
        return Judged(at, value, True, "")
    if _second_minute_agrees(last, at, value, past):
        return Judged(at, value, True, "A jump that a second minute agreed with.")
    return Judged(
        at, value, False,
        f"More than {FASTEST_C_PER_MINUTE:g} °C in a minute: believed when a second minute agrees.",
    )  # fmt: skip


def _slow(last: Before, at: float, value: float) -> bool:
    minutes = max((at - last.at_seconds) / 60.0, 1.0)
    return abs(value - last.value) <= FASTEST_C_PER_MINUTE * minutes


def _second_minute_agrees(last: Before, at: float, value: float, past: list[Before]) -> bool:
    """Tell whether what was doubted for a minute or more all lies by this reading."""
    since = [e for e in past if e.at_seconds > last.at_seconds and LEAST_C <= e.value <= MOST_C]
    if not since or at - since[0].at_seconds < 60.0:
        return False
    reach = AGREES_C + FASTEST_C_PER_MINUTE
    return all(abs(value - each.value) <= reach for each in since if at - each.at_seconds <= 120.0)
