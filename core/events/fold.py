"""Fold the events of a subject into its state: what was dipped, when, how warm, what stands open.

Events may arrive in any order and more than once; the order that counts is corrected time, then
device, then the device's own sequence. Nothing is dropped: what has no effect is named in a notice.
The browser folds the same events by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from uuid import UUID

from core.events.event import Event
from core.events.kinds import (
    Covered,
    Dip,
    Lift,
    Neutralised,
    Observation,
    Opened,
    Protected,
    Rinsed,
    Scrap,
    Temperature,
)
from core.events.spans import Notice, NoticeCode, Span, spans, without_bounces
from core.events.undo import holding, in_order, taken_back
from core.schema import Shape
from core.stages.shapes import MOST_DONE

ONE_READING_SECONDS = 0.01
"""A reading that comes back by way of its bath is the same to so much: times are rounded."""

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


class ScrapRead(Shape):
    """A companion scrap that was read; the last one of a bite counts."""

    event: UUID
    at_seconds: float
    after: int
    lstar: float
    spread: float | None


class RunState(Shape):
    """Where a subject stands at the bath."""

    dips: list[Immersion]
    covered: list[str]
    """Whose last word is that it was stopped out or covered."""
    opened: list[str]
    """Whose last word is that it was opened."""
    temperature_c: float | None
    temperature_at_seconds: float | None
    last_cared_seconds: float | None
    """When hands were last at the plate in the bath: rocked, feathered, refreshed."""
    protected: bool
    """Goggles, gloves and extraction were confirmed."""
    scraps: list[ScrapRead]
    """Companion scraps, by the bite after which they were lifted."""
    rinsed: bool
    """Since the last lift."""
    neutralised: bool
    covered_since_lift: bool
    observed: list[str]
    """What was seen or felt since the last dip or lift."""
    notices: list[Notice]

    @property
    def in_bath(self) -> Immersion | None:
        """Return the dip under way, if there is one."""
        return next((dip for dip in self.dips if dip.lifted_seconds is None), None)

    @property
    def done(self) -> list[Immersion]:
        """Return the bites that are over."""
        return [dip for dip in self.dips if dip.lifted_seconds is not None]


def fold(
    events: Iterable[Event], bath: BathLine = (), areas: Collection[str] | None = None
) -> RunState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event
    bath : sequence of (second since the epoch, °C)
        What others read of the bath, oldest first; tells how warm it was where the subject's own
        events do not.
    areas : collection of str or None
        Names that may be open or covered; others are left out and named in a notice. None: any.

    Returns
    -------
    RunState
    """
    ordered = in_order(events)
    gone = taken_back(ordered)
    live, bounced = without_bounces(holding(ordered), (Dip, Lift))
    notices = [_notice(event, "undone") for event in ordered if event.id in gone]
    notices += [_notice(event, "pressed-twice") for event in bounced]
    live, strange = _known_areas_only(live, areas)
    notices += [_notice(event, "unknown-area") for event in strange]
    opened, said = spans(live, Dip, Lift, lambda lift: lift.dip, most=MOST_DONE)
    dead_readings = [e for e in ordered if e.id in gone and isinstance(e.data, Temperature)]
    warm = _Warmth(_celsius(live), _celsius(dead_readings), bath)
    return _state(live, opened, warm, notices + [_notice(event, code) for event, code in said])


def _known_areas_only(
    live: list[Event], areas: Collection[str] | None
) -> tuple[list[Event], list[Event]]:
    """Return events with the known areas alone, and those that named others."""
    if areas is None:
        return live, []
    pairs = [(event, _with_known(event, areas)) for event in live]
    strange = [event for event, known in pairs if event is not known]
    return [
        known for event, known in pairs if event is known or not _covers_nothing(known)
    ], strange


def _covers_nothing(event: Event) -> bool:
    return isinstance(event.data, (Covered, Opened)) and not event.data.areas


def _with_known(event: Event, areas: Collection[str]) -> Event:
    said = event.data
    if not isinstance(said, (Dip, Covered, Opened)):
        return event
    column = "open" if isinstance(said, Dip) else "areas"
    named: list[str] = getattr(said, column)
    known = [name for name in named if name in areas]
    if known == named:
        return event
    return event.model_copy(update={"data": said.model_copy(update={column: known})})


NOTICE_TEXTS: dict[NoticeCode, str] = {
    "already-in-bath": "The plate was in the bath already. This dip is kept and has no effect.",
    "lift-waits-for-dip": "This lift waits for its dip, which has not come in yet.",
    "second-lift": "This dip was lifted before. The first lift counts; this one is kept.",
    "pressed-twice": "Pressed twice in one moment. The first press counts; this one is kept.",
    "undone": "Taken back.",
    "too-long": "No bite is reckoned past 6 h: this lift is kept and does not count. Say when the "
    "plate was lifted.",
    "too-many": "More dips than can be reckoned in one run. This one is kept and does not count.",
    "unknown-area": "An entry names an area that this plate does not have. That area is left out.",
}


def _notice(event: Event, code: NoticeCode) -> Notice:
    return Notice(event=event.id, code=code, text=NOTICE_TEXTS[code])


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
        if _until(self.own, seconds):
            return self.line[_until(self.line, seconds) - 1][1]
        dead = [celsius for _, celsius in self.dead[: _until(self.dead, seconds)]]
        if said is not None and said not in dead:
            return said
        others = self.bath[max(_until(self.bath, seconds) - 1, 0) :][:1]
        return next((celsius for _, celsius in others), None)

    @cached_property
    def line(self) -> Celsius:
        """Return all that is known, oldest first: what others read, too, as a probe does."""
        known = [*self.own, *self.dead]
        others = [each for each in self.bath if not any(_one(each, mine) for mine in known)]
        return sorted([*self.own, *others])

    def during(self, start: float, end: float | None) -> Celsius:
        """Return (second since the dip, °C) read while the plate is in, here or by a probe."""
        last = len(self.line) if end is None else _until(self.line, end)
        return [(at - start, c) for at, c in self.line[_until(self.line, start) : last]]


def _one(first: tuple[float, float], second: tuple[float, float]) -> bool:
    """Tell whether two readings are one, told by two ways."""
    return first[1] == second[1] and abs(first[0] - second[0]) < ONE_READING_SECONDS


def _until(line: BathLine, seconds: float) -> int:
    """Return how many readings of a line, oldest first, were taken by then."""
    return bisect_right(line, seconds, key=lambda reading: reading[0])


def _state(
    live: list[Event], opened: list[Span[Dip]], warm: _Warmth, notices: list[Notice]
) -> RunState:
    lifted = [dip.end.at_seconds for dip in opened if dip.end is not None]
    since = max(lifted, default=float("-inf"))
    after = [event.data for event in live if event.at_seconds >= since]
    cared = [event.at_seconds for event in live if event.data.cares]
    last_word = {
        name: isinstance(e.data, Covered)
        for e in live
        if isinstance(e.data, (Covered, Opened))
        for name in e.data.areas
    }
    return RunState(
        dips=[_dip(number, dip, warm) for number, dip in enumerate(opened, 1)],
        covered=[name for name, is_covered in last_word.items() if is_covered],
        opened=[name for name, is_covered in last_word.items() if not is_covered],
        temperature_c=warm.line[-1][1] if warm.line else None,
        temperature_at_seconds=warm.line[-1][0] if warm.line else None,
        last_cared_seconds=max(cared, default=None),
        protected=any(isinstance(event.data, Protected) for event in live),
        scraps=_scraps(live),
        rinsed=any(isinstance(data, Rinsed) for data in after),
        neutralised=any(isinstance(data, Neutralised) for data in after),
        covered_since_lift=any(isinstance(data, Covered) for data in after),
        observed=_observed(live, max([since, *(dip.event.at_seconds for dip in opened)])),
        notices=notices,
    )


def _scraps(live: list[Event]) -> list[ScrapRead]:
    """Return the last scrap read of each bite."""
    read = {
        e.data.after: ScrapRead(event=e.id, at_seconds=e.at_seconds, after=e.data.after,
                                lstar=e.data.lstar, spread=e.data.spread)
        for e in live if isinstance(e.data, Scrap)
    }  # fmt: skip
    return [read[after] for after in sorted(read)]


def _observed(live: list[Event], since: float) -> list[str]:
    said = [e.data for e in live if isinstance(e.data, Observation) and e.at_seconds >= since]
    return list(dict.fromkeys(f"{seen.about} {seen.text}".strip() for seen in said))


def _dip(number: int, dip: Span[Dip], warm: _Warmth) -> Immersion:
    start = dip.event.at_seconds
    end = dip.end.at_seconds if dip.end else None
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
