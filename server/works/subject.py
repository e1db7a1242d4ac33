"""A work's sheets as a subject of events: what was signed is numbered as it comes in."""

from __future__ import annotations

from server.accounts.models import User
from server.events.subject import Subject
from server.marks.state import ALSO_PRINTED
from server.rooms.models import RoomThing
from server.works.models import Layering
from server.works.numbers import number_waiting
from server.works.of_plate import printed_in_works


def _no_plate(_: Layering) -> RoomThing | None:
    return None


def _no_bath(_: Layering) -> None:
    return None


def _follow(user: User, row: Layering) -> None:
    number_waiting(user, row)


ALSO_PRINTED.append(printed_in_works)
WORK = Subject(
    kind="work", model=Layering, action="print", plate=_no_plate, bath=_no_bath, follow=_follow,
)  # fmt: skip
