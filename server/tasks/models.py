"""Long work: what was asked, how far it is, what came of it."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import RoomThing

OPEN = ("waiting", "doing")
HELD = (*OPEN, "done")
"""A task in one of these stands for the same work asked again."""


class Task(RoomThing):
    """A calculation of this room that takes longer than an answer may."""

    kind = models.CharField(max_length=40)
    about = models.UUIDField()
    """What it is of: a plate, a strip; its kind says which."""
    given = models.JSONField()
    digest = models.CharField(max_length=64)
    state = models.CharField(max_length=10, default="waiting")
    progress = models.FloatField(default=0.0)
    turn = models.PositiveIntegerField(default=0)
    """How often it was begun; a worker that lost its turn no longer counts."""
    result = models.JSONField(null=True)
    fault = models.JSONField(null=True)
    made_by = models.ForeignKey(User, models.PROTECT, related_name="+")
    asked_at = models.DateTimeField()
    """When it was asked for last: done before, it may be asked for again."""
    ended_at = models.DateTimeField(null=True)

    class Meta:
        indexes: ClassVar = [models.Index(fields=["room", "about", "kind", "-asked_at"])]
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["room", "kind", "digest"],
                condition=models.Q(state__in=HELD),
                name="same_work_once",
            ),
            models.CheckConstraint(
                condition=models.Q(state__in=(*HELD, "failed", "stopped")), name="task_state"
            ),
        ]
