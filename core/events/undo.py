"""Which events still hold, after what was taken back and put back."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from uuid import UUID

from core.events.event import Event
from core.events.kinds import Undo


def in_order(events: Iterable[Event]) -> list[Event]:
    """Return each event once, in the order that counts: time, device, its own count, id.

    Parameters
    ----------
    events : iterable of Event
        In any order, repeated or not.

    Returns
    -------
    list of Event
    """
    unique = {event.id: event for event in events}
    return sorted(unique.values(), key=lambda e: (e.at_seconds, e.device, e.sequence, str(e.id)))


def taken_back(events: Iterable[Event]) -> set[UUID]:
    """Return ids of events that an undo which itself holds takes back.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    set of UUID

    Notes
    -----
    Follows the undos themselves and not the clock, so that a device whose clock was off takes back
    the same: first the undos that nothing takes back, then those they leave standing, and so on.
    Undos that name each other in a ring take nothing back.
    """
    target_of = {e.id: e.data.event for e in events if isinstance(e.data, Undo)}
    unsettled = Counter(target_of.values())
    settled = [undo for undo in target_of if not unsettled[undo]]
    gone: set[UUID] = set()
    for undo in settled:
        target = target_of[undo]
        if undo not in gone:
            gone.add(target)
        unsettled[target] -= 1
        if target in target_of and not unsettled[target]:
            settled.append(target)
    return gone


def holding(events: Iterable[Event]) -> list[Event]:
    """Return the events that hold, in the order that counts; undos are not among them.

    Parameters
    ----------
    events : iterable of Event

    Returns
    -------
    list of Event
    """
    ordered = in_order(events)
    gone = taken_back(ordered)
    return [e for e in ordered if e.id not in gone and not isinstance(e.data, Undo)]
