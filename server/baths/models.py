"""Baths and what was read off them."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import RoomThing


class Bath(RoomThing):
    """One tray or tank of mordant as it stands."""

    name = models.CharField(max_length=120)
    mordant = models.CharField(max_length=40)
    vessel = models.CharField(max_length=10, default="tray")
    volume_l = models.FloatField()
    baume = models.FloatField(null=True)
    load_g_per_l = models.FloatField(default=0)
    temperature_c = models.FloatField()
    temperature_at = models.DateTimeField()
    room_c = models.FloatField(null=True)
    rate_factor = models.FloatField(null=True)
    rate_factor_spread = models.FloatField(null=True)
    measured_c = models.FloatField(null=True)
    measured_g_per_l = models.FloatField(null=True)
    measured_at = models.DateTimeField(null=True)
    held_copper = models.BooleanField(default=False)
    retired = models.BooleanField(default=False)


class BathReading(models.Model):
    """A reading of a bath; append-only."""

    id = models.UUIDField(primary_key=True)
    room = models.ForeignKey("rooms.Room", models.CASCADE, related_name="+")
    bath = models.ForeignKey(Bath, models.CASCADE, related_name="readings")
    at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    temperature_c = models.FloatField(null=True)
    load_g_per_l = models.FloatField(null=True)
    note = models.CharField(max_length=300, blank=True)

    class Meta:
        ordering: ClassVar = ["-at"]
