"""Log events of a subject: always stored when well formed, once, in any order."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import TypeVar

from django.db import transaction
from django.utils import timezone

from core.events.event import payload_of
from core.events.kinds import Undo
from core.events.payload import Payload, Told
from server.accounts.models import User
from server.events.models import Event
from server.events.schemas import EventsIn, Stamped
from server.events.subject import Named, Subject
from server.events.times import settled_times
from server.record.actions.write import write
from server.record.models import Entry
from server.replies.errors import Stale
from server.rooms.models import RoomThing
from server.rooms.permissions import enter, find

Row = TypeVar("Row", bound=RoomThing)


@transaction.atomic
def log_events(
    user: User, room_id: uuid.UUID, subject: Subject[Row], subject_id: uuid.UUID, given: EventsIn
) -> Row:
    """Return the subject after storing the events it did not have yet.

    Raises
    ------
    NotFound, NotAllowed
    Stale
        The id of an event is another subject's.
    """
    room = enter(user, room_id, subject.action)
    row = find(subject.model, room, subject_id, lock=True)
    if store_events(user, subject, row, given):
        subject.follow(user, row)
    return row


def store_events(user: User, subject: Subject[Row], row: Row, given: EventsIn) -> list[Event]:
    """Return the events that were not known yet, stored and told; what follows is the caller's.

    The subject is locked and the user may log of it.

    Raises
    ------
    Stale
        The id of an event is another subject's.
    """
    bath = subject.bath(row)
    now = timezone.now()
    times = settled_times(given.events, row.created_at, now)
    rows = {
        event.id: _row(user, subject, row, bath, event, times[event.id], now)
        for event in given.events
    }
    new = _stored(rows, row.id)
    noted = set(Entry.objects.filter(id__in=rows).values_list("id", flat=True))
    for event in new:
        _tell(user, subject, row, bath, event, None if event.id in noted else event.id)
    return new


def _stored(rows: dict[uuid.UUID, Event], subject: uuid.UUID) -> list[Event]:
    """Store the events that are not known yet, and return those.

    Raises
    ------
    Stale
    """
    known = set(Event.objects.filter(id__in=rows).values_list("id", flat=True))
    new = [event for event in rows.values() if event.id not in known]
    Event.objects.bulk_create(new, ignore_conflicts=True)
    taken = Event.objects.filter(id__in=rows).exclude(subject=subject).first()
    if taken is not None:
        raise Stale(
            "id-taken", "The id of that event is taken by one of something else. Make a new one.",
            field="events.id", value=str(taken.id),
        )  # fmt: skip
    return new


def _row(
    user: User,
    subject: Subject[Row],
    row: Row,
    bath: Named | None,
    event: Stamped,
    at: datetime,
    received: datetime,
) -> Event:
    return Event(
        id=event.id,
        room_id=row.room_id,
        subject_kind=subject.kind,
        subject=row.id,
        bath_id=bath.id if bath else None,
        kind=event.kind,
        device=event.device,
        sequence=event.sequence,
        monotonic_ms=event.monotonic_ms,
        offset_ms=event.offset_ms,
        offset_spread_ms=event.offset_spread_ms,
        at=at,
        received_at=received,
        by=user,
        data=event.data.model_dump(mode="json"),
    )


def _tell(
    user: User,
    subject: Subject[Row],
    row: Row,
    bath: Named | None,
    event: Event,
    entry_id: uuid.UUID | None,
) -> None:
    """Write the record, where the kind of event belongs there; its entry has the event's own id."""
    said = payload_of(event.kind, event.data)
    if not said.in_record:
        return
    told = Told(bath=bath.name if bath else "", target=_target(said))
    write(
        row.room, user, f"{subject.kind}: {event.kind}", said.words(told),
        plate=subject.plate(row), at=event.at, data=event.data, entry_id=entry_id,
    )  # fmt: skip


def _target(said: Payload) -> Payload | None:
    """Return what an undo takes back; None where that has not come in, or for other kinds."""
    if not isinstance(said, Undo):
        return None
    target = Event.objects.filter(id=said.event).first()
    return payload_of(target.kind, target.data) if target else None
