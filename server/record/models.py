"""The record: every entry in time order, nothing editable away."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import Room


class Entry(models.Model):
    """One line of the record. Append-only: the database refuses update and delete."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    room = models.ForeignKey(Room, models.CASCADE, related_name="+")
    plate = models.ForeignKey("plates.Plate", models.CASCADE, null=True, related_name="entries")
    at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, null=True, related_name="+")
    kind = models.CharField(max_length=40)
    text = models.TextField()
    data = models.JSONField(default=dict)
    corrects = models.ForeignKey("self", models.PROTECT, null=True, related_name="corrections")

    class Meta:
        ordering: ClassVar = ["-at", "-id"]
        indexes: ClassVar = [models.Index(fields=["room", "plate", "-at"])]
