"""Which steps of a course follow from what is known of a plate's marks."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from typing import Any

from core.data.steps import MARKED_STEPS
from core.events.marks_fold import fold_marks
from server.events.models import Event
from server.events.reads import core_event
from server.marks.models import Marks

PLANNED_STEP = "plan-marks"


def settled_by_hand(marks: Iterable[Marks]) -> dict[Any, frozenset[str]]:
    """Return for each plate the steps that are done: planned with a group, drawn with all.

    One query, however many plates there are.
    """
    rows = [row for row in marks if _groups(row)]
    events: dict[Any, list[Event]] = defaultdict(list)
    for event in Event.objects.filter(subject__in=[row.id for row in rows], kind__in=_KINDS):
        events[event.subject].append(event)
    return {row.plate_id: _settled(row, events[row.id]) for row in rows}


_KINDS = ("marked", "undo")


def _groups(row: Marks) -> list[str]:
    return [each["name"] for each in row.decided.get("groups", []) if each["lstar"] is not None]


def _settled(row: Marks, events: list[Event]) -> frozenset[str]:
    drawn = {each.group: each.share for each in fold_marks(map(core_event, events)).groups}
    if all(drawn.get(name, 0.0) >= 1 for name in _groups(row)):
        return frozenset((PLANNED_STEP, *MARKED_STEPS))
    return frozenset((PLANNED_STEP,))
