"""Value studies: what a plate is meant to print, and how that is cut into tones."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.rooms.models import RoomThing


class Study(RoomThing):
    """The value study of a plate. What follows from it (greys, areas, maps) is derived: files named
    by the digest of what they were made from, made again where they are lost."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="studies")
    strip = models.ForeignKey("strips.Strip", models.PROTECT, null=True, related_name="+")
    bath = models.ForeignKey("baths.Bath", models.PROTECT, null=True, related_name="+")
    sketches = models.JSONField(default=list)
    """[{"picture", "crop", "turned", "left_mm", …}]: see ``SketchIn``."""
    tuning = models.JSONField(default=dict)
    smooth_mm = models.FloatField()
    map = models.CharField(max_length=10, default="linear")
    count = models.PositiveSmallIntegerField(null=True)
    """Tones chosen; null: as many as pay."""
    tones = models.JSONField(null=True)
    """Moved by hand; null: those that stand closest."""
    bounds = models.JSONField(null=True)
    join_mm2 = models.FloatField(default=0)
    edits = models.JSONField(default=list)
    names = models.JSONField(default=dict)
    """What areas are called by hand, by their own names."""
    pens = models.JSONField(default=list)
    lettering = models.CharField(max_length=12, default="")
    """What a look at its lettering came to; empty: nobody looked."""

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(fields=["plate"], name="one_study_a_plate"),
        ]
