"""Which number an impression gets: the lowest that is free, and none twice."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Literal
from uuid import UUID

Series = Literal["edition", "artist", "printer", "trial"]
NumberOrder = Literal["pulled", "dried"]
NUMBERED: tuple[Series, ...] = ("edition", "artist", "printer")
"""A trial proof has no number."""


@dataclass(frozen=True)
class Signed:
    """An impression that was signed."""

    pull: UUID
    series: Series
    pulled_seconds: float
    signed_seconds: float


@dataclass(frozen=True)
class Number:
    """What an impression is called; ``number`` None where its series is full, or has none."""

    pull: UUID
    series: Series
    number: int | None


def give_numbers(
    given: Iterable[Number], signed: Iterable[Signed], most: dict[Series, int], order: NumberOrder
) -> list[Number]:
    """Return numbers for those signed that have none, in the order the edition goes by.

    Parameters
    ----------
    given : iterable of Number
        Those that stand; void ones among them keep theirs.
    signed : iterable of Signed
        All that are signed.
    most : dict
        How many there are of each series.
    order : str
        By when they were pulled, or by when they were signed (dried).

    Returns
    -------
    list of Number
        New ones only. What was given before is never changed, so that a number once signed stays.
    """
    standing = list(given)
    named = {each.pull for each in standing}
    free = {
        series: iter(free_numbers(standing, series, most.get(series, 0))) for series in NUMBERED
    }
    new = []
    for each in in_turn((s for s in signed if s.pull not in named), order):
        number = next(free[each.series], None) if each.series in free else None
        if number is None and each.series != "trial":
            continue
        new.append(Number(each.pull, each.series, number))
    return new


def in_turn(signed: Iterable[Signed], order: NumberOrder) -> list[Signed]:
    """Return impressions in the order they are numbered.

    Parameters
    ----------
    signed : iterable of Signed
    order : str

    Returns
    -------
    list of Signed
    """

    def when(each: Signed) -> tuple[float, float, str]:
        first, then = each.pulled_seconds, each.signed_seconds
        return (first, then, str(each.pull)) if order == "pulled" else (then, first, str(each.pull))

    return sorted(signed, key=when)


def free_numbers(given: Sequence[Number], series: Series, most: int) -> list[int]:
    """Return the numbers of a series that nobody has, the lowest first.

    Parameters
    ----------
    given : sequence of Number
    series : str
    most : int

    Returns
    -------
    list of int
    """
    taken = {each.number for each in given if each.series == series}
    return [number for number in range(1, most + 1) if number not in taken]


def label_of(series: Series, number: int | None, size: int | None = None) -> str:
    """Return how an impression is called: "12", "AP 2", "trial proof".

    Parameters
    ----------
    series : str
    number : int or None
    size : int or None
        Of the edition, to say "12/20".

    Returns
    -------
    str
    """
    if series == "trial":
        return "trial proof"
    if number is None:
        return "number to come"
    if series == "edition":
        return f"{number}/{size}" if size else f"{number}"
    return f"{'AP' if series == 'artist' else 'PP'} {number}"
