"""Minutes as printmakers write them: "2 + 4 + 8" for bites, "10, 30, 60" for times in all."""

from __future__ import annotations

import re
from itertools import accumulate, pairwise
from typing import Annotated

from pydantic import Field

from core.errors import CoreError
from core.kinetics.shapes import LONGEST_SECONDS
from core.schema import Shape
from core.stages.shapes import MOST_AREAS
from core.units import SECONDS_PER_MINUTE

EXAMPLES = "10, 30, 60 for times in all, or 2 + 4 + 8 for bites one after the other"
_BETWEEN = re.compile(r"\s*;\s*|,\s+|\s+")


class MinutesInput(Shape):
    """Minutes as they are written; a time may be minutes, with a comma or point, or m:ss."""

    text: Annotated[str, Field(min_length=1, max_length=400)]


class MinutesOutput(Shape):
    """Seconds in all, shortest first."""

    seconds: list[float]


def minutes(given: MinutesInput) -> MinutesOutput:
    """Return the times in all that were written.

    Parameters
    ----------
    given : MinutesInput

    Returns
    -------
    MinutesOutput [s]

    Raises
    ------
    CoreError
        Not times, none at all, too many, too long, or times in all that fall.
    """
    bites = "+" in given.text
    parts = given.text.split("+") if bites else _BETWEEN.split(given.text.strip(" ,;"))
    times = [_seconds(part.strip(" ,;"), place) for place, part in enumerate(parts)]
    totals = list(accumulate(times)) if bites else times
    _check(totals, given.text)
    return MinutesOutput(seconds=[round(total, 1) for total in totals])


def _seconds(part: str, place: int) -> float:
    whole = re.fullmatch(r"(\d{1,3}):([0-5]\d)", part)
    if whole:
        return int(whole[1]) * SECONDS_PER_MINUTE + int(whole[2])
    if re.fullmatch(r"\d{1,4}(?:[.,]\d{1,3})?", part):
        seconds = float(part.replace(",", ".")) * SECONDS_PER_MINUTE
        if seconds > 0:
            return seconds
    raise CoreError(
        "not-a-time", f"“{part}”, the {_nth(place)}, is no time in minutes. Write {EXAMPLES}.",
        field="text", value=part, allowed="minutes above 0, or m:ss", unit="min",
    )  # fmt: skip


def _nth(place: int) -> str:
    first = ("first", "second", "third")
    return first[place] if place < len(first) else f"{place + 1}th"


def _check(totals: list[float], text: str) -> None:
    if len(totals) > MOST_AREAS:
        raise CoreError(
            "too-many", "More times than a plate has areas.", field="text", value=len(totals),
            allowed=f"at most {MOST_AREAS}",
        )  # fmt: skip
    for before, after in pairwise(totals):
        if after <= before:
            raise CoreError(
                "minutes-fall",
                f"{_told(after)} min comes after {_told(before)}: times in all rise. "
                f"Write {EXAMPLES}.",
                field="text", value=text, allowed="times that rise", unit="min",
            )  # fmt: skip
    if totals[-1] > LONGEST_SECONDS:
        raise CoreError(
            "too-long", f"{_told(totals[-1])} min is longer than a bite is reckoned.",
            field="text", value=_told(totals[-1]), unit="min",
            allowed=f"at most {_told(LONGEST_SECONDS)}",
        )  # fmt: skip


def _told(seconds: float) -> str:
    return f"{seconds / SECONDS_PER_MINUTE:g}"
