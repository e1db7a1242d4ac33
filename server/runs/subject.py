"""A run as a subject of events."""

from __future__ import annotations

from server.accounts.models import User
from server.baths.actions.settle import settle_bath
from server.baths.models import Bath
from server.events.subject import Subject
from server.plates.models import Plate
from server.rooms.permissions import find
from server.runs.actions.end import load_bath
from server.runs.actions.scraps import read_scraps
from server.runs.models import Run


def _plate(run: Run) -> Plate:
    return run.plate


def _bath(run: Run) -> Bath:
    return run.bath


def _follow(user: User, run: Run) -> None:
    """Derive anew what the run's events say of its bath: temperature, speed, load once it ended."""
    run.bath = settle_bath(find(Bath, run.room, run.bath_id, lock=True))
    read_scraps(run)
    load_bath(user, run)


RUN = Subject(kind="run", model=Run, action="run", plate=_plate, bath=_bath, follow=_follow)
