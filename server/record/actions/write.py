"""Write an entry into the record."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from datetime import datetime, timedelta
from itertools import count
from typing import Any

from django.utils import timezone

from server.accounts.models import User
from server.record.models import Entry
from server.rooms.models import Room, RoomThing

_TIMES: ContextVar[Iterator[datetime] | None] = ContextVar("times of a past", default=None)
_SECOND = timedelta(seconds=1)


@contextmanager
def told_from(begin: datetime, apart: timedelta = _SECOND) -> Iterator[None]:
    """Let entries without a time of their own stand at a past that is told afterwards."""
    before = _TIMES.set(begin + place * apart for place in count())
    try:
        yield
    finally:
        _TIMES.reset(before)


def _now() -> datetime:
    times = _TIMES.get()
    return timezone.now() if times is None else next(times)


def write(
    room: Room,
    user: User | None,
    kind: str,
    text: str,
    *,
    plate: RoomThing | None = None,
    data: dict[str, Any] | None = None,
    at: datetime | None = None,
    entry_id: uuid.UUID | None = None,
) -> Entry:
    """Return the new entry; call it inside the transaction of the change it tells of."""
    return Entry.objects.create(
        id=entry_id or uuid.uuid4(),
        room=room,
        plate_id=plate.id if plate else None,
        at=at or _now(),
        by=user,
        kind=kind,
        text=text,
        data=data or {},
    )
