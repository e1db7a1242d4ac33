"""Works of several plates or layers, and their sheets that were signed."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.plates.models import Work
from server.rooms.models import RoomThing


class Layering(RoomThing):
    """How a work is printed; what happened to its sheets are events. Its id is the work's."""

    work = models.OneToOneField(Work, models.CASCADE, related_name="layering")
    decided = models.JSONField(default=dict)
    """See ``WorkDecided``."""
    put_away = models.BooleanField(default=False)


class SignedSheet(RoomThing):
    """A signed sheet of a work with its number; once given it stays, void or not."""

    layering = models.ForeignKey(Layering, models.CASCADE, related_name="signed")
    sheet = models.UUIDField()
    series = models.CharField(max_length=10)
    number = models.PositiveIntegerField(null=True)
    """Null: a trial proof, or one of a kind."""
    signed_at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    before_ok = models.CharField(max_length=120, blank=True)

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["layering", "series", "number"], name="one_sheet_of_a_number",
            ),
            models.UniqueConstraint(fields=["layering", "sheet"], name="one_number_of_a_sheet"),
        ]  # fmt: skip
