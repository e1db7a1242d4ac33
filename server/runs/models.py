"""Runs at the bath and their append-only events."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import Room, RoomThing


class Run(RoomThing):
    """A plate's bites from one plan, from the first dip to the stripped ground.

    ``areas`` and ``bath`` are what was decided when it began, so that a later change of the plan
    cannot change what was done.
    """

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="runs")
    plan = models.ForeignKey("plans.Plan", models.PROTECT, null=True, related_name="runs")
    bath = models.ForeignKey("baths.Bath", models.PROTECT, related_name="runs")
    part = models.CharField(max_length=10, default="tones")
    method = models.CharField(max_length=10, default="stop-out")
    round_to_seconds = models.FloatField(default=5)
    areas = models.JSONField()
    strip = models.ForeignKey("strips.Strip", models.PROTECT, null=True, related_name="+")
    curve = models.JSONField(null=True)
    measured = models.JSONField(default=list)
    ended_at = models.DateTimeField(null=True)

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["plate"],
                condition=models.Q(ended_at__isnull=True),
                name="one_open_run_a_plate",
            )
        ]


class Event(models.Model):
    """One thing that happened; append-only: the database refuses update and delete.

    ``at`` is the device's monotonic time plus its offset to this server's clock; ``offset_spread``
    says how sure that is. ``received_at`` is the server's own.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    room = models.ForeignKey(Room, models.CASCADE, related_name="+")
    run = models.ForeignKey(Run, models.CASCADE, related_name="events")
    kind = models.CharField(max_length=20)
    device = models.UUIDField()
    sequence = models.PositiveBigIntegerField()
    monotonic_ms = models.FloatField()
    offset_ms = models.FloatField()
    offset_spread_ms = models.FloatField()
    at = models.DateTimeField()
    received_at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    data = models.JSONField(default=dict)

    class Meta:
        ordering: ClassVar = ["at", "device", "sequence", "id"]
        indexes: ClassVar = [models.Index(fields=["run", "at"])]
