"""Fold the events of a scratched plate: how long it was worked on, what is drawn, how it wore.

The browser folds the same events by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from collections.abc import Iterable
from uuid import UUID

from core.data.scratches import WorkKind
from core.data.wear import MOST_IMPRESSIONS
from core.events.event import Event
from core.events.marks_kinds import (
    GotUp,
    ImpressionRead,
    Marked,
    Mended,
    Pulled,
    SatDown,
    ScratchedAgain,
    Sharpened,
    Slipped,
    SteelFaced,
)
from core.events.spans import Notice, NoticeCode, spans, without_bounces
from core.events.undo import holding, in_order, taken_back
from core.schema import Shape

MOST_SITTINGS = 500

MARKS_NOTICES: dict[NoticeCode, str] = {
    "already-in-bath": "A sitting was under way already. This beginning is kept and has no effect.",
    "lift-waits-for-dip": "This rest waits for its sitting, which has not come in yet.",
    "second-lift": "This sitting was over before. The first end counts; this one is kept.",
    "pressed-twice": "Pressed twice in one moment. The first press counts; this one is kept.",
    "undone": "Taken back.",
    "too-long": "No sitting is reckoned past 6 h: this end is kept and does not count. Say when "
    "it was over.",
    "too-many": "More than can be reckoned on one plate. This one is kept and does not count.",
    "unknown-area": "This names an impression or a slip that has not come in, or was taken back.",
}


class Sitting(Shape):
    """Work from sitting down to the rest; ``ended_seconds`` None while it is under way."""

    event: UUID
    work: WorkKind
    at_seconds: float
    ended_seconds: float | None


class GroupDrawn(Shape):
    """The last word on a group of marks."""

    group: str
    share: float


class Slip(Shape):
    """A slip, mended or not."""

    event: UUID
    where: str
    mended: bool


class ImpressionPulled(Shape):
    """One impression, counted from 1 with the spoiled ones."""

    event: UUID
    number: int
    at_seconds: float
    passes: int
    worn: int
    """Passes of the plate so far, its own among them."""
    spoiled: bool
    lstar: float | None
    spread: float
    note: str


class MarksState(Shape):
    """Where a scratched plate stands."""

    sittings: list[Sitting]
    worked_seconds: float
    """In sittings that are over."""
    since_sharpened_seconds: float
    """Of these, since the burin was last sharpened."""
    sharpened_after: list[float]
    """Seconds worked between one sharpening and the next."""
    groups: list[GroupDrawn]
    slips: list[Slip]
    impressions: list[ImpressionPulled]
    scratched_again: list[int]
    """Impressions after which the marks were scratched again."""
    steel_faced: bool
    notices: list[Notice]

    @property
    def under_way(self) -> Sitting | None:
        """Return the sitting under way, if there is one."""
        return next((each for each in self.sittings if each.ended_seconds is None), None)


def fold_marks(events: Iterable[Event]) -> MarksState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    MarksState
    """
    ordered = in_order(events)
    gone = taken_back(ordered)
    live, bounced = without_bounces(holding(ordered), (SatDown, GotUp))
    opened, odd = spans(live, SatDown, GotUp, lambda end: end.sat, most=MOST_SITTINGS)
    notices = [_notice(event, "undone") for event in ordered if event.id in gone]
    notices += [_notice(event, "pressed-twice") for event in bounced]
    notices += [_notice(event, code) for event, code in odd]
    sittings = [
        Sitting(
            event=each.event.id, work=each.said.work, at_seconds=each.event.at_seconds,
            ended_seconds=each.end and max(each.event.at_seconds, each.end.at_seconds),
        )
        for each in opened
    ]  # fmt: skip
    impressions, lost = _impressions(live)
    slips, unmended = _slips(live)
    notices += [_notice(event, "too-many") for event in lost]
    notices += [_notice(event, "unknown-area") for event in _nameless(live, impressions)]
    notices += [_notice(event, "unknown-area") for event in unmended]
    worked, since, between = _sharpened(live, sittings)
    return MarksState(
        sittings=sittings,
        worked_seconds=worked,
        since_sharpened_seconds=since,
        sharpened_after=between,
        groups=_groups(live),
        slips=slips,
        impressions=impressions,
        scratched_again=_again(live, impressions),
        steel_faced=_steel(live),
        notices=notices,
    )


def _notice(event: Event, code: NoticeCode) -> Notice:
    return Notice(event=event.id, code=code, text=MARKS_NOTICES[code])


def _sharpened(live: list[Event], sittings: list[Sitting]) -> tuple[float, float, list[float]]:
    """Return seconds worked in all and since the last sharpening, and between sharpenings."""
    at = [event.at_seconds for event in live if isinstance(event.data, Sharpened)]
    worked = [_worked_before(sittings, each) for each in at]
    total = _worked_before(sittings, float("inf"))
    steps = zip(worked, [0.0, *worked], strict=False)
    return total, total - (worked[-1] if worked else 0.0), [round(b - a, 3) for b, a in steps]


def _worked_before(sittings: list[Sitting], at_seconds: float) -> float:
    """Return how long was worked before a moment, in sittings that are over."""
    over = (each for each in sittings if each.ended_seconds is not None)
    return sum(
        max(0.0, min(each.ended_seconds or 0.0, at_seconds) - each.at_seconds) for each in over
    )


def _groups(live: list[Event]) -> list[GroupDrawn]:
    last = {e.data.group: e.data.share for e in live if isinstance(e.data, Marked)}
    return [GroupDrawn(group=group, share=share) for group, share in last.items()]


def _slips(live: list[Event]) -> tuple[list[Slip], list[Event]]:
    """Return the slips, and mends of slips that are not known."""
    mends = [e for e in live if isinstance(e.data, Mended)]
    mended = {e.data.slip for e in mends if isinstance(e.data, Mended)}
    slips = [
        Slip(event=e.id, where=e.data.where, mended=e.id in mended)
        for e in live
        if isinstance(e.data, Slipped)
    ]
    known = {each.event for each in slips}
    return slips, [e for e in mends if isinstance(e.data, Mended) and e.data.slip not in known]


def _impressions(live: list[Event]) -> tuple[list[ImpressionPulled], list[Event]]:
    """Return the impressions with their last readings, and those past what is reckoned."""
    read = {
        e.data.pull: (e.data.lstar, e.data.spread)
        for e in live
        if isinstance(e.data, ImpressionRead)
    }
    pulls = [(e, e.data) for e in live if isinstance(e.data, Pulled)]
    found, worn = list[ImpressionPulled](), 0
    for event, said in pulls[:MOST_IMPRESSIONS]:
        worn += said.passes
        lstar, spread = read.get(event.id, (said.lstar, said.spread))
        found.append(
            ImpressionPulled(
                event=event.id, number=len(found) + 1, at_seconds=event.at_seconds,
                passes=said.passes, worn=worn, spoiled=said.spoiled, lstar=lstar, spread=spread,
                note=said.note,
            )
        )  # fmt: skip
    return found, [event for event, _ in pulls[MOST_IMPRESSIONS:]]


def _nameless(live: list[Event], impressions: list[ImpressionPulled]) -> list[Event]:
    """Return readings of impressions that are not known."""
    known = {each.event for each in impressions}
    return [e for e in live if isinstance(e.data, ImpressionRead) and e.data.pull not in known]


def _again(live: list[Event], impressions: list[ImpressionPulled]) -> list[int]:
    """Return after how many impressions the marks were scratched again; before the first: none."""
    at = [e.at_seconds for e in live if isinstance(e.data, ScratchedAgain)]
    counts = [sum(each.at_seconds <= when for each in impressions) for when in at]
    return sorted({count for count in counts if count})


def _steel(live: list[Event]) -> bool:
    said = [e.data.faced for e in live if isinstance(e.data, SteelFaced)]
    return bool(said) and said[-1]
