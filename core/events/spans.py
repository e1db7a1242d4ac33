"""What lasts from one event to another: an immersion, a stage of an exposure.

Two devices may both say that it began: the first counts, and the end of either ends it.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Generic, Literal, TypeVar
from uuid import UUID

from core.events.event import Event
from core.events.payload import Payload
from core.kinetics.shapes import LONGEST_SECONDS
from core.schema import Shape

SAME_PRESS_SECONDS = 1.0
"""A beginning and an end nearer than this are one press that bounced: no hand does both.
``room-practice``"""

NoticeCode = Literal[
    "already-in-bath", "lift-waits-for-dip", "second-lift", "pressed-twice", "undone",
    "too-long", "too-many", "unknown-area", "inked-already", "done-before", "pulled-twice",
    "no-such-pull", "no-such-paper", "signed-stays", "no-such-sheet", "no-such-inking",
    "inked-since", "printed-twice", "layer-twice",
]  # fmt: skip


class Notice(Shape):
    """An event that is kept but has no effect, or waits, and why."""

    event: UUID
    code: NoticeCode
    text: str


Begin = TypeVar("Begin", bound=Payload)
End = TypeVar("End", bound=Payload)
Odd = tuple[Event, NoticeCode]


@dataclass
class Span(Generic[Begin]):
    """What lasts, while it is put together; ``names`` are the beginnings that stand for it."""

    event: Event
    said: Begin
    names: set[UUID]
    end: Event | None


@dataclass(frozen=True)
class _Ends(Generic[End]):
    """The events that end something, and which beginning each names."""

    all: list[tuple[Event, End]]
    names: Callable[[End], UUID | None]

    def of(self, begin: Event, since: float) -> Event | None:
        """Return the first end that names the beginning, else the first nameless one after it.

        One that comes later than what began ``since`` that second can last is no end of it.
        """
        latest = since + LONGEST_SECONDS
        named = (e for e, s in self.all if self.names(s) == begin.id and e.at_seconds <= latest)
        nameless = (
            e
            for e, s in self.all
            if self.names(s) is None and begin.at_seconds <= e.at_seconds <= latest
        )
        return next(named, None) or next(nameless, None)


def without_bounces(
    live: list[Event], presses: tuple[type[Payload], type[Payload]]
) -> tuple[list[Event], list[Event]]:
    """Return events without the beginning or end of a press that bounced, and those.

    Parameters
    ----------
    live : list of Event
        In the order that counts.
    presses : (type, type)
        The kinds that begin and end.

    Returns
    -------
    (list of Event, list of Event)
    """
    kept, bounced = list[Event](), list[Event]()
    last: Event | None = None
    for event in live:
        if not isinstance(event.data, presses):
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


def spans(
    live: list[Event],
    begins: type[Begin],
    ends: type[End],
    names: Callable[[End], UUID | None],
    *,
    most: int,
) -> tuple[list[Span[Begin]], list[Odd]]:
    """Return what lasted, one after another, and the events without effect with why.

    Parameters
    ----------
    live : list of Event
        Those that hold, in the order that counts.
    begins, ends : type
        The kinds of events.
    names : callable
        Which beginning an end names; None: the one under way.
    most : int
        So many are reckoned.

    Returns
    -------
    (list of Span, list of (Event, code))
    """
    over = _Ends([(e, e.data) for e in live if isinstance(e.data, ends)], names)
    opened: list[Span[Begin]] = []
    odd: list[Odd] = []
    refused: set[UUID] = set()
    for event in live:
        if not isinstance(event.data, begins):
            continue
        last = opened[-1] if opened else None
        if last is not None and not _over(last, event):
            last.names.add(event.id)
            both = (last.end, over.of(event, last.event.at_seconds))
            last.end = min((end for end in both if end), key=_when, default=None)
            odd.append((event, "already-in-bath"))
        elif len(opened) == most:
            refused.add(event.id)
            odd.append((event, "too-many"))
        else:
            opened.append(Span(event, event.data, {event.id}, over.of(event, event.at_seconds)))
    used = {span.end.id for span in opened if span.end is not None}
    return opened, odd + [
        (event, _why_not(event, names(said), opened, refused))
        for event, said in over.all
        if event.id not in used
    ]


def _over(span: Span[Begin], event: Event) -> bool:
    """Tell whether something was over when something else happened."""
    return span.end is not None and span.end.at_seconds <= event.at_seconds


def _when(event: Event) -> float:
    return event.at_seconds


def _why_not(
    event: Event, named: UUID | None, opened: list[Span[Begin]], refused: set[UUID]
) -> NoticeCode:
    """Return why an end has no effect."""
    if named in refused:
        return "too-many"
    mine = next((span for span in opened if named in span.names), None)
    if named is None:
        mine = next((s for s in opened if s.end is None and _when(s.event) <= _when(event)), None)
    if mine is None:
        return "lift-waits-for-dip"
    late = event.at_seconds > mine.event.at_seconds + LONGEST_SECONDS
    return "too-long" if late else "second-lift"
