"""Make a user who keeps a new print room, or give a user a new password."""

from __future__ import annotations

import getpass
import secrets
import sys
import uuid
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.accounts.models import User
from server.members.actions.keep import make_room
from server.members.schemas import RoomIn

SHORTEST_PASSWORD = 10


class Command(BaseCommand):
    """``./keen user add``."""

    def add_arguments(self, parser: CommandParser) -> None:
        """Take the sign-in name and the room."""
        parser.add_argument("sign_in")
        parser.add_argument("--name", default="Keeper")
        parser.add_argument("--room", default="Our print room")
        parser.add_argument("--time-zone", default="UTC")

    def handle(self, *args: Any, **options: Any) -> None:
        """Make the user; the password is asked for, or made up where nobody can be asked."""
        password = _password()
        if len(password) < SHORTEST_PASSWORD:
            raise CommandError(f"A password of at least {SHORTEST_PASSWORD} letters is needed.")
        sign_in = options["sign_in"].strip().lower()
        user = User.objects.filter(sign_in=sign_in).first()
        if user is not None:
            user.set_password(password)
            user.save()
            self.stdout.write(f"{sign_in} has a new password.")
        else:
            user = User.objects.create_user(sign_in, password, name=options["name"])
            room = RoomIn(id=uuid.uuid4(), name=options["room"], time_zone=options["time_zone"])
            make_room(user, room)
            self.stdout.write(f"{sign_in} keeps {options['room']}.")
        if not sys.stdin.isatty():
            self.stdout.write(f"Password: {password}")


def _password() -> str:
    if sys.stdin.isatty():
        return getpass.getpass("Password: ")
    return secrets.token_urlsafe(12)
