"""Runs at the bath; what happened in them are events."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.rooms.models import RoomThing


class Run(RoomThing):
    """A plate's bites from one plan, from the first dip to the stripped ground.

    ``areas`` and ``bath`` are what was decided when it began, so that a later change of the plan
    cannot change what was done. ``before`` holds the bites of an earlier run, where this one goes
    on from them; after so many of them as ``opened_after``, what is in ``open_again`` was opened
    anew. ``stripped_at`` says when its ground came off. ``facing`` is how the plate lies; empty: as
    usual in its vessel. ``outcome`` is empty while it is under way. ``map`` names the picture of
    its areas, from the plate's value study; null where there is none.
    """

    FINISHED, SET_ASIDE, NEVER_DIPPED = "finished", "set aside", "never dipped"

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
    facing = models.CharField(max_length=10, default="")
    map = models.JSONField(null=True)
    before = models.JSONField(default=list)
    open_again = models.JSONField(default=list)
    opened_after = models.PositiveIntegerField(default=0)
    stripped_at = models.DateTimeField(null=True)
    ended_at = models.DateTimeField(null=True)
    outcome = models.CharField(max_length=12, default="")
    reason = models.CharField(max_length=100, default="")

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["plate"],
                condition=models.Q(ended_at__isnull=True),
                name="one_open_run_a_plate",
            )
        ]
