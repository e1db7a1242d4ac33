"""The device by the tray, as it would have sent its events in the demo."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from datetime import datetime, timedelta
from typing import Generic, TypeVar

from server.accounts.models import User
from server.editions.subject import PULLS
from server.events.actions.log import log_events
from server.events.schemas import EventsIn
from server.events.subject import Subject
from server.exposures.models import Exposure
from server.exposures.subject import EXPOSURE
from server.marks.models import Marks
from server.marks.subject import MARKS
from server.pulls.models import Pulls
from server.record.actions.write import told_from
from server.rooms.models import RoomThing
from server.runs.actions.state import follow
from server.runs.models import Run
from server.runs.subject import RUN
from server.works.models import Layering
from server.works.subject import WORK

MakeId = Callable[[str], uuid.UUID]


Row = TypeVar("Row", bound=RoomThing)


class Device(Generic[Row]):
    """A device that logs what happens to one subject."""

    def __init__(
        self, user: User, subject: Subject[Row], row: Row, name: str, now: datetime,
        make_id: MakeId,
    ) -> None:  # fmt: skip
        self.user, self.subject, self.row, self.now = user, subject, row, now
        self.sequence, self.name, self.make_id = 0, name, make_id

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
        with told_from(at):
            log_events(self.user, self.row.room.id, self.subject, self.row.id, given)
        return event_id


class Tablet(Device[Run]):
    """The device by the tray, as it would have sent its events."""

    def __init__(self, user: User, run: Run, now: datetime, make_id: MakeId) -> None:
        super().__init__(user, RUN, run, run.plate.name, now, make_id)
        self.run = run

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


class NeedleTablet(Device[Marks]):
    """The device beside whoever scratches, and by the press."""

    def __init__(self, user: User, marks: Marks, name: str, now: datetime, make_id: MakeId) -> None:
        super().__init__(user, MARKS, marks, f"{name} needle", now, make_id)

    def sat(self, begin: datetime, minutes: float, work: str = "hatching") -> datetime:
        """Sit down, and rest; return when."""
        sat = self.log("sat-down", begin, work=work)
        end = begin + timedelta(minutes=minutes)
        self.log("got-up", end, sat=str(sat))
        return end


class PressTablet(Device[Pulls]):
    """The phone by the press."""

    def __init__(self, user: User, pulls: Pulls, name: str, now: datetime, make_id: MakeId) -> None:
        super().__init__(user, PULLS, pulls, f"{name} press", now, make_id)

    def pull(self, at: datetime, wipes: tuple[str, ...], ink: str, paper: uuid.UUID) -> uuid.UUID:
        """Ink, wipe, lay and pull by a time; return the pull."""
        pull = self.log("inked", at - timedelta(minutes=19), ink=ink, name="Lamp black", celsius=31)
        named = {"pull": str(pull)}
        self.log("wiped", at - timedelta(minutes=7), passes=list(wipes), **named)
        self.log("paper-out", at - timedelta(minutes=6), batch=str(paper), pieces=1)
        checked = ["limp", "no shine", "edges wiped"]
        self.log("laid", at - timedelta(minutes=2), batch=str(paper), checked=checked, **named)
        self.log("pulled", at, passes=1, **named)
        return pull


class WorkTablet(Device[Layering]):
    """The phone by the press, for a work's sheets."""

    def __init__(
        self, user: User, work: Layering, name: str, now: datetime, make_id: MakeId
    ) -> None:
        super().__init__(user, WORK, work, f"{name} sheets", now, make_id)


class LampTablet(Device[Exposure]):
    """The device by the lamp and the basin."""

    def __init__(
        self, user: User, exposure: Exposure, name: str, now: datetime, make_id: MakeId
    ) -> None:
        super().__init__(user, EXPOSURE, exposure, f"{name} exposure", now, make_id)

    def lasted(self, stage: str, begin: datetime, seconds: float) -> datetime:
        """Begin a stage and end it; return its end."""
        began = self.log("began", begin, stage=stage)
        end = begin + timedelta(seconds=seconds)
        self.log("ended", end, began=str(began))
        return end
