"""Plans: which tones are wanted, with which strip, in which bath."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.rooms.models import RoomThing


class Plan(RoomThing):
    """One plan a part of a plate; its bites are computed, never stored."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="plans")
    bath = models.ForeignKey("baths.Bath", models.PROTECT, related_name="+")
    strip = models.ForeignKey("strips.Strip", models.PROTECT, null=True, related_name="+")
    part = models.CharField(max_length=10, default="tones")
    """"lines" or "tones": a mixed plate has a plan for each, its lines bitten first."""
    method = models.CharField(max_length=10, default="stop-out")
    round_to_seconds = models.FloatField(default=5)
    areas = models.JSONField()
    """Tones: [{"name", "parts", "lstar", "open_cm2"}], lightest first. Lines: with "depth_um" or
    "darkness", "needle_um" and "spacing_um" in place of "lstar", finest first."""
    measured = models.JSONField(default=list)
    """Lines of this plate that were measured: see ``MeasuredLine``."""

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(fields=["plate", "part"], name="one_plan_a_part")
        ]
