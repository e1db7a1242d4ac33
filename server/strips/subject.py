"""A strip as a subject of events: bitten in a bath of the room, dip after dip."""

from __future__ import annotations

from server.accounts.models import User
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath
from server.events.subject import Subject
from server.rooms.permissions import find
from server.strips.actions.end import load_bath
from server.strips.models import Strip


def _plate(strip: Strip) -> None:
    return None


def _bath(strip: Strip) -> Bath | None:
    return strip.bath


def _follow(user: User, strip: Strip) -> None:
    """Derive anew what the strip's events say of its bath: temperature, and load once it ended."""
    if strip.bath_id is not None:
        strip.bath = settle_bath(find(Bath, strip.room, strip.bath_id, lock=True))
        load_bath(user, strip)


STRIP = Subject(
    kind="strip", model=Strip, action="change strips", plate=_plate, bath=_bath, follow=_follow
)
