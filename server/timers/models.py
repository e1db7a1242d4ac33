"""Timers of what waits by itself: a ground cooling, dust settling, varnish drying."""

from __future__ import annotations

from django.db import models

from server.accounts.models import User
from server.rooms.models import RoomThing


class Timer(RoomThing):
    """One wait, from ``started_at`` for ``seconds``; it goes on whoever looks."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, null=True, related_name="timers")
    what = models.CharField(max_length=80)
    started_at = models.DateTimeField()
    seconds = models.FloatField()
    ended_at = models.DateTimeField(null=True)
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
