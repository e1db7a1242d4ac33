"""A pull beside the OK to print: does it match, and if not, is it printing, wear or the plate?"""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from core.schema import Shape
from core.stages.cause import cause_of
from core.stages.shapes import AreaName
from core.tone.shapes import Lightness

Seen = Literal[
    "first-pull", "edges-dirty", "shiny-paper", "stiff-paper", "over-wiped", "film-all-over",
    "creased",
]  # fmt: skip
Verdict = Literal["matches", "printing", "wear", "plate", "unread"]
Off = Annotated[float, Field(ge=-100, le=100, json_schema_extra={"unit": "L*"})]
_WEAR_WITHIN = 2.0
"""So near to the expected wear, a lighter area is wear [L*]. ``room-practice``"""
_SURE = 0.5


class PulledArea(Shape):
    """An area as it printed, beside the OK."""

    name: AreaName
    lstar: Lightness
    ok_lstar: Lightness
    spread: Annotated[float, Field(ge=0.05, le=20, json_schema_extra={"unit": "L*"})] = 1.0
    worn_lstar: Off = 0.0
    """By how much wear is expected to have made it lighter."""


class PullCheckInput(Shape):
    """A pull's tones beside those of the OK, and what is seen on the sheet."""

    areas: Annotated[list[PulledArea], Field(max_length=40)] = []
    tolerance_lstar: Annotated[float, Field(ge=0.5, le=20, json_schema_extra={"unit": "L*"})] = 3.0
    seen: Annotated[list[Seen], Field(max_length=10)] = []


class AreaOff(Shape):
    """How far an area is from the OK; above zero is too light."""

    name: str
    lstar: float
    ok_lstar: float
    off_lstar: float
    within: bool


class PullCheckOutput(Shape):
    """Does it match, why not, and what to change at the next pull."""

    verdict: Verdict
    title: str
    """In the largest type."""
    text: str
    areas: list[AreaOff]
    next: list[str]
    """What to do otherwise at the next inking, the likeliest first."""
    bite: bool
    """Only where this is true is it worth changing the plate."""
    printing: float
    """Probability that the pull strayed as a whole."""


_MENDS: dict[Seen, str] = {
    "first-pull": "A first pull is often light: the lines fill with the second inking.",
    "edges-dirty": "Wipe the bevel and the back with a clean cloth before it is laid.",
    "shiny-paper": "The paper shone: blot until it is limp and dull; wet paper takes no ink.",
    "stiff-paper": "The paper was stiff: longer in the damp; dry paper does not reach the lines.",
    "over-wiped": "Wipe less: stop while a breath of film is left, the hand flat and light.",
    "film-all-over": "Wipe on: paper after the gauze, then the hand with a little chalk.",
    "creased": "Lay it from one edge, the blankets smooth, and start slowly.",
}


def pull_check(given: PullCheckInput) -> PullCheckOutput:
    """Return whether a pull matches the OK, and what to do otherwise at the next.

    Parameters
    ----------
    given : PullCheckInput
        Tones [L*] and what is seen.

    Returns
    -------
    PullCheckOutput

    Notes
    -----
    Printing is asked before the plate: what all areas share is the pull's (see
    ``core.stages.cause``); an area that is lighter by what its wear is expected to give is worn;
    only an area that strays alone, on a sheet that shows no fault of printing, is the plate's.
    Source: ``room-practice``, ``bayes``.
    """
    areas = [_off(each, given.tolerance_lstar) for each in given.areas]
    mends = [_MENDS[each] for each in dict.fromkeys(given.seen)]
    if not areas:
        return _unread(mends)
    cause = cause_of(
        np.array(
            [each.off_lstar - a.worn_lstar for each, a in zip(areas, given.areas, strict=True)]
        ),
        np.array([each.spread for each in given.areas]),
    )
    verdict = _verdict(given, areas, cause.printing > _SURE and abs(cause.shift) > 1.0)
    way = _way(cause.shift) if verdict == "printing" else []
    title, text = _words(verdict, areas, given)
    return PullCheckOutput(
        verdict=verdict, title=title, text=text, areas=areas, next=[*mends, *way],
        bite=verdict == "plate", printing=round(cause.printing, 3),
    )  # fmt: skip


def _off(area: PulledArea, tolerance: float) -> AreaOff:
    off = area.lstar - area.ok_lstar
    return AreaOff(
        name=area.name, lstar=area.lstar, ok_lstar=area.ok_lstar, off_lstar=round(off, 2),
        within=abs(off) <= tolerance,
    )  # fmt: skip


def _unread(mends: list[str]) -> PullCheckOutput:
    text = mends[0] if mends else "Read it by eye beside the OK, or read its tones."
    return PullCheckOutput(
        verdict="printing" if mends else "unread", title="Pull again" if mends else "Look at it",
        text=text, areas=[], next=mends, bite=False, printing=1.0 if mends else 0.0,
    )  # fmt: skip


def _verdict(given: PullCheckInput, areas: list[AreaOff], shared: bool) -> Verdict:
    missed = [each for each in areas if not each.within]
    if not missed:
        return "matches"
    if shared or given.seen:
        return "printing"
    worn = {each.name: each.worn_lstar for each in given.areas}
    if all(each.off_lstar > 0 and abs(each.off_lstar - worn[each.name]) <= _WEAR_WITHIN
           and worn[each.name] > 0 for each in missed):  # fmt: skip
        return "wear"
    return "plate"


def _way(shift: float) -> list[str]:
    """Return what to change where all areas miss the same way."""
    if shift > 0:
        return ["All areas are lighter alike: more ink, wipe less, or a quarter turn more."]
    return ["All areas are darker alike: wipe on, stiffer ink, or a quarter turn less."]


def _words(verdict: Verdict, areas: list[AreaOff], given: PullCheckInput) -> tuple[str, str]:
    worst = max(areas, key=lambda each: abs(each.off_lstar))
    way = "lighter" if worst.off_lstar > 0 else "darker"
    off = f"{worst.name} {abs(worst.off_lstar):.0f} L* {way}"
    inside = f"inside ±{given.tolerance_lstar:g}"
    worn = {each.name: each.worn_lstar for each in given.areas}[worst.name]
    if verdict == "matches":
        tail = " Wear, not wiping." if worn >= 1 and worst.off_lstar > 0.5 else ""
        return "It matches", f"{off}, {inside}.{tail}"
    if verdict == "printing":
        return "Pull again", f"{off}: the printing, not the plate."
    if verdict == "wear":
        return "It is worn", f"{off}: as much as wear takes by now."
    return "It is the plate", f"{off}, and the others match."
