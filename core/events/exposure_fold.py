"""Fold the events of an exposure into its state: which stage lasted how long, what was checked.

The browser folds the same events by the same rules; ``tests/golden`` holds both to it.
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import get_args
from uuid import UUID

from core.data.exposure_stages import CHECKED_AFTER, CheckKey, StageKey
from core.events.event import Event
from core.events.exposure_kinds import Began, Checked, Ended, PassedOver, WaterRead
from core.events.spans import Notice, NoticeCode, Span, spans, without_bounces
from core.events.undo import holding, in_order, taken_back
from core.schema import Shape

MOST_STAGES = 200
"""Stages that are reckoned in one exposure, repeats among them."""

NOTICES: dict[NoticeCode, str] = {
    "already-in-bath": "A stage was under way already. This beginning is kept and has no effect.",
    "lift-waits-for-dip": "This end waits for its beginning, which has not come in yet.",
    "second-lift": "This stage was ended before. The first end counts; this one is kept.",
    "pressed-twice": "Pressed twice in one moment. The first press counts; this one is kept.",
    "undone": "Taken back.",
    "too-long": "No stage is reckoned past 6 h: this end is kept and does not count. Say when it "
    "was over.",
    "too-many": "More stages than can be reckoned in one exposure. This one is kept and does not "
    "count.",
    "unknown-area": "An entry names a stage that this exposure does not have.",
}


class StageSpan(Shape):
    """A stage from its beginning to its end; ``ended_seconds`` None while it is under way."""

    event: UUID
    stage: StageKey
    step: int
    at_seconds: float
    ended_seconds: float | None


class CheckMade(Shape):
    """The last word on a check since its stage was last begun."""

    check: CheckKey
    fine: bool
    at_seconds: float


class ExposureState(Shape):
    """Where an exposure stands."""

    spans: list[StageSpan]
    passed: list[tuple[StageKey, int]]
    """Stages that are left as they are."""
    water_c: float | None
    checks: list[CheckMade]
    notices: list[Notice]

    @property
    def under_way(self) -> StageSpan | None:
        """Return the stage under way, if there is one."""
        return next((span for span in self.spans if span.ended_seconds is None), None)


def fold_exposure(events: Iterable[Event]) -> ExposureState:
    """Return the state that follows from events, whatever their order of arrival.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    ExposureState
    """
    ordered = in_order(events)
    gone = taken_back(ordered)
    live, bounced = without_bounces(holding(ordered), (Began, Ended))
    opened, odd = spans(live, Began, Ended, lambda end: end.began, most=MOST_STAGES)
    notices = [_notice(event, "undone") for event in ordered if event.id in gone]
    notices += [_notice(event, "pressed-twice") for event in bounced]
    notices += [_notice(event, code) for event, code in odd]
    made = [_span(each) for each in opened]
    water = [event.data.celsius for event in live if isinstance(event.data, WaterRead)]
    passed = [(e.data.stage, e.data.step) for e in live if isinstance(e.data, PassedOver)]
    return ExposureState(
        spans=made,
        passed=list(dict.fromkeys(passed)),
        water_c=water[-1] if water else None,
        checks=_checks(live, made),
        notices=notices,
    )


def _notice(event: Event, code: NoticeCode) -> Notice:
    return Notice(event=event.id, code=code, text=NOTICES[code])


def _span(span: Span[Began]) -> StageSpan:
    start = span.event.at_seconds
    return StageSpan(
        event=span.event.id,
        stage=span.said.stage,
        step=span.said.step,
        at_seconds=start,
        ended_seconds=None if span.end is None else max(start, span.end.at_seconds),
    )


def _checks(live: list[Event], made: list[StageSpan]) -> list[CheckMade]:
    """Return the last word on each check since its stage was last begun, in the table's order."""
    begun = {span.stage: span.at_seconds for span in made}
    last = {
        event.data.check: CheckMade(
            check=event.data.check, fine=event.data.fine, at_seconds=event.at_seconds
        )
        for event in live
        if isinstance(event.data, Checked)
        and event.at_seconds >= begun.get(CHECKED_AFTER[event.data.check], float("-inf"))
    }
    return [last[key] for key in get_args(CheckKey) if key in last]
