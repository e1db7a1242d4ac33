"""What happened to a subject: one append-only table for runs, strips and what comes."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import Room


class Event(models.Model):
    """One thing that happened; append-only: the database refuses update and delete.

    ``at`` is the device's monotonic time plus its offset to this server's clock; ``offset_spread``
    says how sure that is. ``received_at`` is the server's own. ``bath`` is the one the subject was
    in, so that what a bath stands at can be asked for at once.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    room = models.ForeignKey(Room, models.CASCADE, related_name="+")
    subject_kind = models.CharField(max_length=20)
    subject = models.UUIDField()
    bath = models.ForeignKey("baths.Bath", models.CASCADE, null=True, related_name="events")
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
        indexes: ClassVar = [
            models.Index(fields=["subject", "at"], name="events_of_a_subject"),
            models.Index(fields=["bath", "kind", "at"], name="events_of_a_bath"),
        ]
