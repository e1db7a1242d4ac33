"""Fold the events of a subject into its state: what was dipped, when, how warm, what stands open.

Events may arrive in any order and more than once; the order that counts is corrected time, then
device, then the device's own sequence. Nothing is dropped: what has no effect is named in a notice.
The browser folds the same events by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Literal
from uuid import UUID

from core.events.event import Event
from core.events.kinds import Covered, Dip, Lift, Neutralised, Rinsed, Temperature
from core.events.undo import holding, in_order, taken_back
from core.schema import Shape

SAME_PRESS_SECONDS = 0.5
"""A dip and a lift nearer than this are one press that bounced: no hand does both.
``room-practice``"""

BathLine = Sequence[tuple[float, float]]
"""(second since the epoch, °C) of a bath, oldest first, as others than the subject read it."""


class Immersion(Shape):
    """One immersion; ``lifted_seconds`` is None while the plate is in the bath."""

    event: UUID
    bite: int
    at_seconds: float
    lifted_seconds: float | None
    open: list[str]
    temperatures: list[tuple[float, float]]
    """(second since the dip, °C)."""


NoticeCode = Literal[
    "already-in-bath", "lift-waits-for-dip", "second-lift", "pressed-twice", "undone"
]


class Notice(Shape):
    """An event that is kept but has no effect, or waits, and why."""

    event: UUID
    code: NoticeCode
    text: str


class RunState(Shape):
    """Where a subject stands at the bath."""

    dips: list[Immersion]
    covered: list[str]
    temperature_c: float | None
    temperature_at_seconds: float | None
    last_cared_seconds: float | None
    """When hands were last at the plate in the bath: rocked, feathered, refreshed."""
    rinsed: bool
    """Since the last lift."""
    neutralised: bool
    covered_since_lift: bool
    notices: list[Notice]

    @property
    def in_bath(self) -> Immersion | None:
        """Return the dip under way, if there is one."""
        return next((dip for dip in self.dips if dip.lifted_seconds is None), None)

    @property
    def done(self) -> list[Immersion]:
        """Return the bites that are over."""
        return [dip for dip in self.dips if dip.lifted_seconds is not None]


def fold(events: Iterable[Event], bath: BathLine = ()) -> RunState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event
    bath : sequence of (second since the epoch, °C)
        What others read of the bath, oldest first; tells how warm it was where the subject's own
        events do not.

    Returns
    -------
    RunState
    """
    ordered = in_order(events)
    gone = taken_back(ordered)
    live, bounced = _without_bounces(holding(ordered))
    notices = [_notice(event, "undone") for event in ordered if event.id in gone]
    notices += [_notice(event, "pressed-twice") for event in bounced]
    opened, said = _dips(live)
    dead_readings = [e for e in ordered if e.id in gone and isinstance(e.data, Temperature)]
    warm = _Warmth(_celsius(live), _celsius(dead_readings), bath)
    return _state(live, opened, warm, notices + said)


def _without_bounces(live: list[Event]) -> tuple[list[Event], list[Event]]:
    """Return events without the dip or lift of a press that bounced, and those."""
    kept, bounced = list[Event](), list[Event]()
    last: Event | None = None
    for event in live:
        if not isinstance(event.data, (Dip, Lift)):
            kept.append(event)
        elif last is not None and _same_press(last, event):
            bounced.append(event)
        else:
            kept.append(event)
            last = event
    return kept, bounced


def _same_press(first: Event, second: Event) -> bool:
    return (
        second.at_seconds - first.at_seconds < SAME_PRESS_SECONDS
        and first.device == second.device
        and first.kind != second.kind
    )


NOTICE_TEXTS: dict[NoticeCode, str] = {
    "already-in-bath": "The plate was in the bath already. This dip is kept and has no effect.",
    "lift-waits-for-dip": "This lift waits for its dip, which has not come in yet.",
    "second-lift": "This dip was lifted before. The first lift counts; this one is kept.",
    "pressed-twice": "Pressed twice in one moment. The first press counts; this one is kept.",
    "undone": "Taken back.",
}


def _notice(event: Event, code: NoticeCode) -> Notice:
    return Notice(event=event.id, code=code, text=NOTICE_TEXTS[code])


@dataclass
class _Open:
    """A dip while it is being put together; ``names`` are the dips that stand for it."""

    event: Event
    said: Dip
    names: set[UUID]
    lift: Event | None


def _dips(live: list[Event]) -> tuple[list[_Open], list[Notice]]:
    """Return the immersions and the notices of dips and lifts without effect.

    Two devices may both say "dip" for one immersion: the first counts, and the lift of either
    ends it.
    """
    lifts = [(event, event.data) for event in live if isinstance(event.data, Lift)]
    opened: list[_Open] = []
    notices: list[Notice] = []
    for event in live:
        if not isinstance(event.data, Dip):
            continue
        lift = _lift_of(event, lifts)
        last = opened[-1] if opened else None
        if last is None or (last.lift is not None and last.lift.at_seconds <= event.at_seconds):
            opened.append(_Open(event, event.data, {event.id}, lift))
            continue
        last.names.add(event.id)
        last.lift = min((x for x in (last.lift, lift) if x), key=_when, default=None)
        notices.append(_notice(event, "already-in-bath"))
    used = {dip.lift.id for dip in opened if dip.lift is not None}
    known = {name for dip in opened for name in dip.names}
    return opened, notices + [_lift_notice(e, x, known) for e, x in lifts if e.id not in used]


def _when(event: Event) -> float:
    return event.at_seconds


def _lift_of(dip: Event, lifts: list[tuple[Event, Lift]]) -> Event | None:
    """Return the first lift that names the dip, else the first nameless lift after it."""
    named = (event for event, said in lifts if said.dip == dip.id)
    nameless = (e for e, said in lifts if said.dip is None and e.at_seconds >= dip.at_seconds)
    return next(named, None) or next(nameless, None)


def _lift_notice(event: Event, lift: Lift, known: set[UUID]) -> Notice:
    return _notice(event, "second-lift" if lift.dip in known else "lift-waits-for-dip")


Celsius = list[tuple[float, float]]


def _celsius(events: list[Event]) -> Celsius:
    """Return (second, °C) of thermometer events, oldest first."""
    return [(e.at_seconds, e.data.celsius) for e in events if isinstance(e.data, Temperature)]


@dataclass(frozen=True)
class _Warmth:
    """What is known of the bath's temperature: read here, taken back, and read by others."""

    own: Celsius
    dead: Celsius
    bath: BathLine

    def at_dip(self, seconds: float, said: float | None) -> float | None:
        """Return the temperature [°C] a dip begins at: read here, else as the device had it."""
        own = [celsius for at, celsius in self.own if at <= seconds]
        if own:
            return own[-1]
        dead = [celsius for at, celsius in self.dead if at <= seconds]
        if said is not None and said not in dead:
            return said
        others = [celsius for at, celsius in self.bath if at <= seconds]
        return next(iter(others[-1:] or [celsius for _, celsius in self.bath[:1]]), None)

    def during(self, start: float, end: float | None) -> Celsius:
        """Return (second since the dip, °C) read while the plate is in."""
        return [(at - start, c) for at, c in self.own if at > start and (end is None or at <= end)]


def _state(
    live: list[Event], opened: list[_Open], warm: _Warmth, notices: list[Notice]
) -> RunState:
    lifted = [dip.lift.at_seconds for dip in opened if dip.lift is not None]
    since = max(lifted, default=float("-inf"))
    after = [event.data for event in live if event.at_seconds >= since]
    cared = [event.at_seconds for event in live if event.data.cares]
    covered = [name for e in live if isinstance(e.data, Covered) for name in e.data.areas]
    return RunState(
        dips=[_dip(number, dip, warm) for number, dip in enumerate(opened, 1)],
        covered=list(dict.fromkeys(covered)),
        temperature_c=warm.own[-1][1] if warm.own else None,
        temperature_at_seconds=warm.own[-1][0] if warm.own else None,
        last_cared_seconds=max(cared, default=None),
        rinsed=any(isinstance(data, Rinsed) for data in after),
        neutralised=any(isinstance(data, Neutralised) for data in after),
        covered_since_lift=any(isinstance(data, Covered) for data in after),
        notices=notices,
    )


def _dip(number: int, dip: _Open, warm: _Warmth) -> Immersion:
    start = dip.event.at_seconds
    end = dip.lift.at_seconds if dip.lift else None
    begins = warm.at_dip(start, dip.said.celsius)
    first = [] if begins is None else [(0.0, begins)]
    return Immersion(
        event=dip.event.id,
        bite=number,
        at_seconds=start,
        lifted_seconds=None if end is None else max(start, end),
        open=dip.said.open,
        temperatures=first + warm.during(start, end),
    )
