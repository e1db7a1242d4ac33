"""Instruments: small programs that send readings, and what they sent."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.baths.models import Bath
from server.rooms.models import RoomThing


class Instrument(RoomThing):
    """One instrument and its token, of which only a hash is kept.

    ``kind`` says which readings the token may send, ``bath`` where they belong. ``window_at`` and
    ``window_calls`` count its calls of one minute.
    """

    name = models.CharField(max_length=120)
    kind = models.CharField(max_length=20)
    bath = models.ForeignKey(Bath, models.CASCADE, null=True, related_name="instruments")
    token_sha256 = models.CharField(max_length=64, unique=True)
    every_seconds = models.FloatField(default=5)
    ends_at = models.DateTimeField()
    taken_back_at = models.DateTimeField(null=True)
    made_by = models.ForeignKey(User, models.PROTECT, related_name="+")
    last_at = models.DateTimeField(null=True)
    last_kind = models.CharField(max_length=20, blank=True)
    last_value = models.FloatField(null=True)
    last_why = models.CharField(max_length=200, blank=True)
    """Why the last one was not simply believed; empty where it was."""
    window_at = models.DateTimeField(null=True)
    window_calls = models.PositiveIntegerField(default=0)


class InstrumentReading(models.Model):
    """One reading as it was sent; kept whether it is believed or not."""

    id = models.UUIDField(primary_key=True)
    room = models.ForeignKey("rooms.Room", models.CASCADE, related_name="+")
    instrument = models.ForeignKey(Instrument, models.CASCADE, related_name="readings")
    at = models.DateTimeField()
    received_at = models.DateTimeField()
    kind = models.CharField(max_length=20)
    value = models.FloatField()
    believed = models.BooleanField()
    why = models.CharField(max_length=200, blank=True)

    class Meta:
        ordering: ClassVar = ["-at"]
        indexes: ClassVar = [models.Index(fields=["instrument", "at"], name="read_by_instrument")]
