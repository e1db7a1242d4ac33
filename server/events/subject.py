"""What events happen to: a subject says where it is, who may log, and what follows."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Generic, Protocol, TypeVar
from uuid import UUID

from server.accounts.models import User
from server.rooms.models import RoomThing

Row = TypeVar("Row", bound=RoomThing)


class Named(Protocol):
    """A bath, or whatever else an event's words name."""

    @property
    def id(self) -> UUID: ...
    @property
    def name(self) -> str: ...


@dataclass(frozen=True)
class Subject(Generic[Row]):
    """One kind of subject."""

    kind: str
    model: type[Row]
    action: str
    """In the table of roles."""
    plate: Callable[[Row], RoomThing | None]
    bath: Callable[[Row], Named | None]
    follow: Callable[[User, Row], None]
    """Called after new events: what they change elsewhere is derived anew."""
