"""A plate's marks as a subject of events."""

from __future__ import annotations

from server.accounts.models import User
from server.events.subject import Subject
from server.marks.models import Marks
from server.plates.models import Plate


def _plate(marks: Marks) -> Plate | None:
    return marks.plate


def _no_bath(_: Marks) -> None:
    return None


def _nothing_follows(_: User, __: Marks) -> None:
    """What follows from its events is derived where it is shown."""


MARKS = Subject(
    kind="marks", model=Marks, action="scratch", plate=_plate, bath=_no_bath,
    follow=_nothing_follows,
)  # fmt: skip
