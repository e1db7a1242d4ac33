"""Print rooms, their members, and the base of everything that belongs to one."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models

from server.accounts.models import User


class Room(models.Model):
    """A print room: nothing of one is ever seen from another."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    name = models.CharField(max_length=120)
    time_zone = models.CharField(max_length=60, default="Europe/Lisbon")
    is_demo = models.BooleanField(default=False)
    created_at = models.DateTimeField(auto_now_add=True)


class Membership(models.Model):
    """A person's role in a room."""

    room = models.ForeignKey(Room, models.CASCADE, related_name="memberships")
    user = models.ForeignKey(User, models.CASCADE, related_name="memberships")
    role = models.CharField(max_length=10, choices=[("keeper", "keeper"), ("printer", "printer")])

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(fields=["room", "user"], name="one_role_a_room")
        ]


class HandLink(models.Model):
    """A link the keeper hands over, for a new member or a new password; mail is never sent."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    room = models.ForeignKey(Room, models.CASCADE)
    kind = models.CharField(max_length=10)
    token_sha256 = models.CharField(max_length=64, unique=True)
    role = models.CharField(max_length=10, blank=True)
    user = models.ForeignKey(User, models.CASCADE, null=True, related_name="+")
    made_by = models.ForeignKey(User, models.PROTECT, related_name="+")
    expires_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True)


class RoomThing(models.Model):
    """The base of every domain table: its room, a client-made id, a version."""

    id = models.UUIDField(primary_key=True)
    room = models.ForeignKey(Room, models.CASCADE, related_name="+")
    created_at = models.DateTimeField(auto_now_add=True)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        abstract = True
