"""Load the demo print room."""

from __future__ import annotations

import time
from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from server.demo.room import fresh
from server.rooms.models import Room


class Command(BaseCommand):
    """``./keen demo``; with ``--reset`` the times are as of now."""

    def add_arguments(self, parser: CommandParser) -> None:
        """Take the choice between filling an empty database and a fresh start."""
        parser.add_argument("--if-empty", action="store_true")
        parser.add_argument("--reset", action="store_true")

    def handle(self, *args: Any, **options: Any) -> None:
        """Load the room."""
        if options["if_empty"] and Room.objects.exists():
            self.stdout.write("There are print rooms already.")
            return
        fresh(time.time())
        self.stdout.write("Lantern Quay Print Room is open.")
