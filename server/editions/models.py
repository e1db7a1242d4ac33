"""Editions and the impressions in them."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.plates.models import Plate
from server.rooms.models import RoomThing


class Edition(RoomThing):
    """How many impressions a plate gives, how they are numbered, when they no longer match."""

    plate = models.OneToOneField(Plate, models.CASCADE, related_name="edition")
    size = models.PositiveIntegerField()
    artist_proofs = models.PositiveIntegerField(default=2)
    printer_proofs = models.PositiveIntegerField(default=1)
    order = models.CharField(max_length=10, default="pulled")
    tolerance_lstar = models.FloatField(default=3.0)
    wear_area = models.CharField(max_length=80, blank=True)
    spoiled_share = models.FloatField(default=0.1)
    cancelled_at = models.DateTimeField(null=True)
    cancelled_how = models.CharField(max_length=120, blank=True)
    cancelled_by = models.ForeignKey(User, models.PROTECT, null=True, related_name="+")


class Impression(RoomThing):
    """A signed impression with its number; once given it stays, void or not."""

    edition = models.ForeignKey(Edition, models.CASCADE, related_name="impressions")
    pull = models.UUIDField()
    series = models.CharField(max_length=10)
    number = models.PositiveIntegerField(null=True)
    signed_at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    before_ok = models.CharField(max_length=120, blank=True)
    """Why it was signed although nothing was OK to print."""

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["edition", "series", "number"], name="one_impression_of_a_number",
            ),
            models.UniqueConstraint(fields=["edition", "pull"], name="one_number_of_a_pull"),
        ]  # fmt: skip
