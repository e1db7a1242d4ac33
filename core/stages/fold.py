"""Fold the events of a run into its state: what was dipped, when, how warm, what stands open.

Events may arrive in any order and more than once; the order that counts is corrected time, then
device, then the device's own sequence. Nothing is dropped: what has no effect is named in a notice.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import Field

from core.schema import Shape

EventKind = Literal[
    "dip",
    "lift",
    "temperature",
    "rocked",
    "feathered",
    "covered",
    "rinsed",
    "neutralised",
    "observation",
    "note",
    "undo",
]


class RunEvent(Shape):
    """One thing that happened at the tray, at corrected time [s since the epoch]."""

    id: str
    kind: EventKind
    at_seconds: float
    device: str
    sequence: int
    data: dict[str, Any] = Field(default_factory=dict)


class Dip(Shape):
    """One immersion; ``lifted_seconds`` is None while the plate is in the bath."""

    event: str
    bite: int
    at_seconds: float
    lifted_seconds: float | None
    open: list[str]
    temperatures: list[tuple[float, float]]
    """(second since the dip, °C)."""


class Notice(Shape):
    """An event that is kept but has no effect, or waits, and why."""

    event: str
    code: Literal["already-in-bath", "lift-waits-for-dip", "second-lift", "undone"]
    text: str


class RunState(Shape):
    """Where a run stands."""

    dips: list[Dip]
    covered: list[str]
    temperature_c: float | None
    temperature_at_seconds: float | None
    last_cared_seconds: float | None
    """When the plate was last rocked or feathered in the present dip."""
    rinsed: bool
    """Since the last lift."""
    neutralised: bool
    covered_since_lift: bool
    notices: list[Notice]

    @property
    def in_bath(self) -> Dip | None:
        """Return the dip under way, if there is one."""
        return next((dip for dip in self.dips if dip.lifted_seconds is None), None)

    @property
    def done(self) -> list[Dip]:
        """Return the bites that are over."""
        return [dip for dip in self.dips if dip.lifted_seconds is not None]


def fold(events: Iterable[RunEvent]) -> RunState:
    """Return the state that follows from events, whatever their order of arrival."""
    unique = {event.id: event for event in events}
    ordered = sorted(unique.values(), key=lambda e: (e.at_seconds, e.device, e.sequence, e.id))
    undone = _undone(ordered)
    live = [event for event in ordered if event.id not in undone and event.kind != "undo"]
    notices = [_notice(event, "undone") for event in ordered if event.id in undone]
    dips, said = _dips(live)
    return _state(live, dips, notices + said)


def _undone(ordered: list[RunEvent]) -> set[str]:
    """Return ids taken back; an undo that was itself undone takes nothing back."""
    gone: set[str] = set()
    for event in reversed(ordered):
        if event.kind == "undo" and event.id not in gone:
            target = event.data.get("event")
            if isinstance(target, str) and target != event.id:
                gone.add(target)
    return gone


_TEXTS = {
    "already-in-bath": "The plate was in the bath already. This dip is kept and has no effect.",
    "lift-waits-for-dip": "This lift waits for its dip, which has not come in yet.",
    "second-lift": "This dip was lifted before. The first lift counts; this one is kept.",
    "undone": "Taken back.",
}


def _notice(event: RunEvent, code: str) -> Notice:
    return Notice(event=event.id, code=code, text=_TEXTS[code])


@dataclass
class _Open:
    """A dip while it is being put together; ``names`` are the dips that stand for it."""

    event: RunEvent
    names: set[str]
    lift: RunEvent | None


def _dips(live: list[RunEvent]) -> tuple[list[_Open], list[Notice]]:
    """Return the immersions and the notices of dips and lifts without effect.

    Two devices may both say "dip" for one immersion: the first counts, and the lift of either
    ends it.
    """
    lifts = [event for event in live if event.kind == "lift"]
    opened: list[_Open] = []
    notices: list[Notice] = []
    for event in (event for event in live if event.kind == "dip"):
        lift = _lift_of(event, lifts)
        last = opened[-1] if opened else None
        if last is None or (last.lift is not None and last.lift.at_seconds <= event.at_seconds):
            opened.append(_Open(event, {event.id}, lift))
            continue
        last.names.add(event.id)
        last.lift = min((x for x in (last.lift, lift) if x), key=_when, default=None)
        notices.append(_notice(event, "already-in-bath"))
    used = {dip.lift.id for dip in opened if dip.lift is not None}
    known = {name for dip in opened for name in dip.names}
    return opened, notices + [_lift_notice(e, known) for e in lifts if e.id not in used]


def _when(event: RunEvent) -> float:
    return event.at_seconds


def _lift_of(dip: RunEvent, lifts: list[RunEvent]) -> RunEvent | None:
    """Return the first lift that names the dip, else the first nameless lift after it."""
    named = (lift for lift in lifts if lift.data.get("dip") == dip.id)
    nameless = (
        lift for lift in lifts if lift.data.get("dip") is None and lift.at_seconds >= dip.at_seconds
    )
    return next(named, None) or next(nameless, None)


def _lift_notice(lift: RunEvent, known: set[str]) -> Notice:
    return _notice(lift, "second-lift" if lift.data.get("dip") in known else "lift-waits-for-dip")


def _state(live: list[RunEvent], opened: list[_Open], notices: list[Notice]) -> RunState:
    warm = [event for event in live if event.kind == "temperature"]
    lifted = [dip.lift.at_seconds for dip in opened if dip.lift is not None]
    since = max(lifted, default=float("-inf"))
    after = {event.kind for event in live if event.at_seconds >= since}
    cared = [event.at_seconds for event in live if event.kind in ("rocked", "feathered")]
    covered = [name for event in live if event.kind == "covered" for name in _names(event)]
    return RunState(
        dips=[_dip(number, dip, warm) for number, dip in enumerate(opened, 1)],
        covered=list(dict.fromkeys(covered)),
        temperature_c=warm[-1].data["celsius"] if warm else None,
        temperature_at_seconds=warm[-1].at_seconds if warm else None,
        last_cared_seconds=max(cared, default=None),
        rinsed="rinsed" in after,
        neutralised="neutralised" in after,
        covered_since_lift="covered" in after,
        notices=notices,
    )


def _names(event: RunEvent) -> list[str]:
    return [str(name) for name in event.data.get("areas", [])]


def _dip(number: int, dip: _Open, warm: list[RunEvent]) -> Dip:
    start = dip.event.at_seconds
    end = dip.lift.at_seconds if dip.lift else None
    before = [event for event in warm if event.at_seconds <= start]
    during = [e for e in warm if e.at_seconds > start and (end is None or e.at_seconds <= end)]
    known = before[-1].data["celsius"] if before else dip.event.data.get("celsius")
    readings = [] if known is None else [(0.0, float(known))]
    readings += [(e.at_seconds - start, float(e.data["celsius"])) for e in during]
    return Dip(
        event=dip.event.id,
        bite=number,
        at_seconds=start,
        lifted_seconds=None if end is None else max(start, end),
        open=[str(name) for name in dip.event.data.get("open", [])],
        temperatures=readings,
    )
