"""An exposure as a subject of events."""

from __future__ import annotations

from server.accounts.models import User
from server.events.subject import Subject
from server.exposures.actions.settle import settle
from server.exposures.models import Exposure
from server.plates.models import Plate


def _plate(exposure: Exposure) -> Plate | None:
    return exposure.plate


def _no_bath(_: Exposure) -> None:
    return None


def _follow(user: User, exposure: Exposure) -> None:
    settle(user, exposure)


EXPOSURE = Subject(
    kind="exposure", model=Exposure, action="expose", plate=_plate, bath=_no_bath, follow=_follow
)
