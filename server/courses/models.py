"""The course of each plate: its steps, what was done, skipped, repeated and added."""

from __future__ import annotations

from django.db import models

from server.rooms.models import RoomThing


class Course(RoomThing):
    """One course a plate, changed as a whole: a change decided on an older version is refused."""

    plate = models.OneToOneField("plates.Plate", models.CASCADE, related_name="course")
    steps = models.JSONField(default=list)
    """[{"id", "key", "part", "route", "status", "reason", "measures", "tries", "by", "at",
    "added"}] in working order; texts come from the core's table."""
    facts = models.JSONField(default=dict)
    """{group: text} as noted before steps were kept one by one."""
