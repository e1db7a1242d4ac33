"""The print room's own numbers, recipes and tools."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models
from django.db.models.functions import Lower

from server.accounts.models import User
from server.rooms.models import RoomThing


class OwnNumber(models.Model):
    """A number of a table as this room measured it; append-only, the newest stands.

    ``value`` null gives the table's own number back.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    room = models.ForeignKey("rooms.Room", models.CASCADE, related_name="+")
    mordant = models.CharField(max_length=40)
    column = models.CharField(max_length=40)
    value = models.FloatField(null=True)
    reason = models.CharField(max_length=300)
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering: ClassVar = ["-at", "-id"]
        indexes: ClassVar = [models.Index(fields=["room", "mordant", "-at"])]


class Recipe(RoomThing):
    """A recipe of the room's own."""

    name = models.CharField(max_length=120)
    kind = models.CharField(max_length=20)
    text = models.TextField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    changed_at = models.DateTimeField(auto_now=True)


class Supply(RoomThing):
    """A paper, an ink or a way of wiping; proofs and strips name it."""

    kind = models.CharField(max_length=10)
    name = models.CharField(max_length=120)
    note = models.CharField(max_length=300, blank=True)
    put_away = models.BooleanField(default=False)
    """Not offered any more; what was printed with it still says so."""
    facts = models.JSONField(default=dict)
    """Of a paper see ``PaperFacts``, of an ink ``InkFacts``."""

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                models.F("room"), models.F("kind"), Lower("name"), name="one_supply_of_a_name"
            )
        ]


class Tool(RoomThing):
    """A needle, scraper or roller, with its measured width and when it was sharpened."""

    name = models.CharField(max_length=120)
    kind = models.CharField(max_length=20)
    width_um = models.FloatField(null=True)
    sharpened_on = models.DateField(null=True)
    note = models.CharField(max_length=300, blank=True)
    put_away = models.BooleanField(default=False)


class Press(RoomThing):
    """A press as it is set: what its pressure is read by, its blankets, its pace."""

    name = models.CharField(max_length=120)
    read_by = models.CharField(max_length=10, default="turns")
    quarters = models.IntegerField(default=6)
    """Quarter turns from contact, quarters of a gauge's mark, or the number of a gap."""
    passes = models.PositiveIntegerField(default=1)
    bed_width_mm = models.FloatField(null=True)
    bed_length_mm = models.FloatField(null=True)
    speed = models.CharField(max_length=120, blank=True)
    blankets = models.JSONField(default=list)
    """From the plate up: see ``Blanket``."""
    note = models.CharField(max_length=300, blank=True)
    put_away = models.BooleanField(default=False)
