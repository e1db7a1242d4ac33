"""What was decided for one part of a plate, and what its process is called."""

from __future__ import annotations

from typing import Literal

from core.kinetics.shapes import CurveBath
from core.line.shapes import MeasuredLine
from core.schema import Shape
from core.stages.shapes import AreaName, DoneBite, Goal, Method
from core.tone.shapes import Curve

Columns = dict[str, float | str | None]
"""One area as it is stored: the columns of its process's wish, and what it is called."""


class Decided(Shape):
    """What was decided for one part of a plate, in which bath, after which bites."""

    areas: list[Columns]
    bath: CurveBath
    method: Method
    round_to_seconds: float
    curve: Curve | None = None
    measured: list[MeasuredLine] = []
    done: list[DoneBite] = []
    open_again: list[AreaName] = []
    """What is open again after an earlier run's bites."""
    opened_after: int = 0
    """How many of ``done`` those are; 0: none is gone on from."""


Closing = Literal["stop-out", "leave"]


class Opening(Shape):
    """The words of opening up: what makes an area one that the mordant reaches."""

    verb: str
    """"Draw": lines through the ground; "Open": take the cover off."""
    done: str
    how: str
    closed: str
    """What stands beside an area until its turn."""
    covers: bool
    """Until its turn it is covered by hand."""


class Hands(Shape):
    """The words of the run screen: what hands do, and what the liquid is called."""

    dip: str
    lift: str
    wet: str
    """Said while the mordant bites."""
    dry: str
    """Said between bites."""
    at_zero: str
    closing: Closing
    """How an area ends: stopped out with varnish, or left alone from then on."""
    opening: Opening
    follow: str
    """Before the areas that end: "Then stop out"."""
    ready: str
    """When all is covered that shall be."""
    finish: str
    """When all is bitten."""


class ProcessWords(Shape):
    """What a process is called, and what its goal is."""

    key: str
    title: str
    """As a heading: "Lines"."""
    many: str
    """In a sentence: "the lines"."""
    area: str
    """One of what it bites: "group of lines"."""
    against: str
    """What its speed is over: "the strip"."""
    goal: Goal
    hands: Hands
