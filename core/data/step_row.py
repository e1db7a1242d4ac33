"""What a row of the table of steps is."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Group = Literal["prepare", "image", "ground", "plan", "bite", "proof", "edition"]
MeasureKind = Literal["yes-no", "number", "choice", "text"]
Beside = Literal[
    "bevel", "degreasers", "drawing", "dust-count", "ground-check", "repair", "transfers",
    "grounds", "textures", "solvents", "marks",
]  # fmt: skip
"""What a step shows beside its texts: a calculation, a picture, a table."""
GroundOf = Literal["", "ball", "liquid", "soft", "dust", "spray", "toner"]


@dataclass(frozen=True)
class Measure:
    """One thing to note down when a step is done; numbers carry their unit and limits."""

    key: str
    label: str
    kind: MeasureKind = "text"
    unit: str = ""
    options: tuple[str, ...] = ()
    low: float | None = None
    high: float | None = None
    fact: str = ""
    """The fact of the plate it stays true as, after the step."""
    tells: str = ""
    """What it says of the ground: a field of ``GroundCheckInput``."""
    lays: tuple[tuple[str, GroundOf], ...] = ()
    """Words that say which ground lies on the plate by now."""


@dataclass(frozen=True)
class StepRow:
    """One step of a course."""

    key: str
    group: Group
    title: str
    why: str
    good: str
    fails: tuple[tuple[str, str], ...] = ()
    """Pairs of what goes wrong and the mend."""
    hands: int = 5
    """[min]"""
    wait: int = 0
    """[min]"""
    at_hand: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    needs: tuple[str, ...] = ()
    """Steps that must come before, where the course has them."""
    measures: tuple[Measure, ...] = ()
    timer: str = ""
    """What the wait is called on a timer; empty where nothing waits."""
    again_after: tuple[str, ...] = ()
    """Steps after which this one must be done once more."""
    said: str = ""
    """What is said of a plate once it is done."""
    beside: tuple[Beside, ...] = ()
    ground: GroundOf = ""
    """The ground it lays."""
    new_ground: bool = False
    """It begins the ground of a route, before which a plate is cleaned anew."""
    cleans: bool = False
    """It takes grease off: the time to the ground counts from here."""
    strips: bool = False
    """It takes the ground off: a grain bitten so far is gone."""
    greases: bool = False
    """It brings grease back: cleaning is asked for again."""
    greases_when: tuple[str, tuple[str, ...]] | None = None
    """A measure and the words with which it brings grease back."""
    each_ground: bool = False
    """Done once more with each new ground."""
    once: bool = False
    """Done once a plate, however many routes it takes."""
    only_on: tuple[str, ...] = ()
    """The materials it is for; empty: any."""
    longer_on: tuple[str, int, str] | None = None
    """A route on which it waits longer: how long [min], and why."""
    between: tuple[tuple[str, ...], tuple[str, ...]] | None = None
    """Routes of a mixed plate between which it comes."""
    when_unknown: bool = False
    """Comes first on an old plate whose past nobody knows."""
    fails_when: tuple[str, str] | None = None
    """A measure and the word that means: not done, do it again."""
    by_approval: bool = False
    """Done once a proof is OK to print."""
    source: str = "room-practice"


def yes(key: str, label: str, *, fact: str = "", tells: str = "") -> Measure:
    """Return a measure answered with yes or no.

    Parameters
    ----------
    key, label : str
    fact, tells : str
        What it stays true as, and what it says of the ground.

    Returns
    -------
    Measure
    """
    return Measure(key, label, "yes-no", fact=fact, tells=tells)


def number(key: str, label: str, unit: str, low: float, high: float, *, tells: str = "") -> Measure:
    """Return a measure that is a number within limits.

    Parameters
    ----------
    key, label, unit : str
    low, high : float [unit]
    tells : str
        What it says of the ground.

    Returns
    -------
    Measure
    """
    return Measure(key, label, "number", unit, (), low, high, tells=tells)


def choice(
    key: str,
    label: str,
    *options: str,
    fact: str = "",
    tells: str = "",
    lays: tuple[tuple[str, GroundOf], ...] = (),
) -> Measure:
    """Return a measure chosen from words.

    Parameters
    ----------
    key, label : str
    options : str
    fact, tells, lays : str
        What it stays true as, what it says of the ground, and which words mean a ground laid.

    Returns
    -------
    Measure
    """
    return Measure(key, label, "choice", "", options, fact=fact, tells=tells, lays=lays)
