"""Make a token for a simulated instrument on this machine."""

from __future__ import annotations

import uuid
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.baths.models import Bath
from server.instruments.actions.keep import make_instrument
from server.instruments.schemas import InstrumentIn
from server.rooms.models import Membership, Room

SIMULATED = uuid.UUID("4f6f1c57-6f3b-4f0d-8f65-0d9c7a5b1c11")


class Command(BaseCommand):
    """Write the token alone to standard output; one that was made before is replaced."""

    def add_arguments(self, parser: CommandParser) -> None:
        """Take its kind, its bath's name, and how often it speaks."""
        parser.add_argument("kind")
        parser.add_argument("--bath", default="")
        parser.add_argument("--every", type=float, default=5.0)

    def handle(self, *args: Any, **options: Any) -> None:
        """Make it as the keeper of the bath's room, else of the demo's."""
        kind, name = options["kind"], options["bath"]
        room, bath = self._place(name)
        keeper = Membership.objects.filter(room=room, role="keeper").select_related("user").first()
        if keeper is None:
            raise CommandError("That print room has no keeper.")
        where = f" in {bath.name}" if bath else ""
        given = InstrumentIn.model_validate(
            {
                "id": uuid.uuid5(SIMULATED, f"{room.id} {kind} {bath.id if bath else ''}"),
                "name": f"Simulated {kind}{where}"[:120], "kind": kind,
                "bath": bath.id if bath else None,
                "every_seconds": min(max(options["every"], 1.0), 600.0), "days": 30,
            }
        )  # fmt: skip
        _, token = make_instrument(keeper.user, room.id, given)
        self.stdout.write(token)

    def _place(self, name: str) -> tuple[Room, Bath | None]:
        if not name:
            room = Room.objects.order_by("-is_demo", "created_at").first()
            if room is None:
                raise CommandError("There is no print room yet.")
            return room, None
        found = list(Bath.objects.filter(name=name, retired=False).select_related("room"))
        if len(found) != 1:
            there = ", ".join(Bath.objects.filter(retired=False).values_list("name", flat=True))
            many = "More than one bath is" if found else "No bath is"
            raise CommandError(f"{many} called {name!r}. There are: {there or 'none'}.")
        return found[0].room, found[0]
