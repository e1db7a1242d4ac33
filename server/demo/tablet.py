"""The device by the tray, as it would have sent its events in the demo."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from datetime import datetime, timedelta

from server.accounts.models import User
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.runs.actions.state import follow
from server.runs.models import Run
from server.runs.subject import RUN

MakeId = Callable[[str], uuid.UUID]


class Tablet:
    """The device by the tray, as it would have sent its events."""

    def __init__(self, user: User, run: Run, now: datetime, make_id: MakeId) -> None:
        self.user, self.run, self.now, self.make_id = user, run, now, make_id
        self.sequence, self.name = 0, run.plate.name

    def log(self, kind: str, at: datetime, **data: object) -> uuid.UUID:
        """Log one event at a time of the past."""
        self.sequence += 1
        event_id = self.make_id(f"{self.name} event {self.sequence}")
        offset = self.now.timestamp() * 1000
        event = {
            "id": event_id, "kind": kind, "device": self.make_id("tablet"),
            "sequence": self.sequence, "monotonic_ms": (at - self.now).total_seconds() * 1000,
            "offset_ms": offset, "offset_spread_ms": 12, "data": data,
        }  # fmt: skip
        given = EventsIn.model_validate({"events": [event]})
        log_events(self.user, self.run.room.id, RUN, self.run.id, given)
        return event_id

    def bite(self, begin: datetime, late_seconds: float) -> datetime:
        """Dip, rock, lift when planned (or late), rinse and stop out; return the lift."""
        bites = follow(self.run, begin.timestamp()).sheet.plan.bites
        is_open = [area.name for area in bites[0].areas]
        dip = self.log("dip", begin, open=is_open)
        lift = begin + timedelta(seconds=bites[0].seconds + late_seconds)
        self.log("lift", lift, dip=str(dip))
        self.log("rinsed", lift + timedelta(seconds=20))
        closed = [area.name for area in bites[0].areas if area.finished]
        self.log("covered", lift + timedelta(minutes=9), areas=closed)
        return lift
