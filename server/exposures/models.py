"""Lamps, two-way tests, step charts and exposures of photopolymer plates."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.rooms.models import RoomThing


class Lamp(RoomThing):
    """A lamp that plates are exposed under; ``hours`` null where nobody counts them."""

    name = models.CharField(max_length=120)
    kind = models.CharField(max_length=10)
    hours = models.FloatField(null=True)
    distance_mm = models.FloatField(null=True)
    """From lamp to plate; null where it is not known."""
    vacuum = models.BooleanField(default=False)
    bed_width_mm = models.FloatField(null=True)
    bed_height_mm = models.FloatField(null=True)
    nine = models.JSONField(default=list)
    """Nine readings over the bed, row by row from the top left; empty where never measured."""
    note = models.CharField(max_length=300, blank=True)
    put_away = models.BooleanField(default=False)


class Measurement(RoomThing):
    """One reading of a lamp; ``said`` is as the core takes it."""

    lamp = models.ForeignKey(Lamp, models.CASCADE, related_name="measurements")
    at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
    kind = models.CharField(max_length=12)
    said = models.JSONField()
    taken_back = models.BooleanField(default=False)

    class Meta:
        ordering: ClassVar = ["-at", "-id"]


class Test(RoomThing):
    """A two-way test: planned, then its patches read; ``pair`` is the core's whole answer."""

    name = models.CharField(max_length=120)
    lamp = models.ForeignKey(Lamp, models.PROTECT, related_name="tests")
    lamp_hours = models.FloatField(null=True)
    """When it was exposed."""
    planned = models.JSONField(null=True)
    """As ``pair-test`` takes it; null for one that was made elsewhere."""
    exposed = models.JSONField(null=True)
    """What its strips truly had, by its exposure: see ``strip_seconds``."""
    patches = models.JSONField(default=list)
    read_on = models.DateField(null=True)
    note = models.CharField(max_length=2000, blank=True)
    out_reason = models.CharField(max_length=120, blank=True)
    """Why it no longer counts; empty where it does."""
    pair = models.JSONField(null=True)
    fault = models.JSONField(null=True)


class Chart(RoomThing):
    """A step chart exposed by a pair, printed and read; ``curve`` is the core's whole answer."""

    name = models.CharField(max_length=120)
    lamp = models.ForeignKey(Lamp, models.PROTECT, related_name="charts")
    lamp_hours = models.FloatField(null=True)
    test = models.ForeignKey(Test, models.PROTECT, null=True, related_name="charts")
    screen_seconds = models.FloatField()
    image_seconds = models.FloatField()
    steps = models.JSONField(default=list)
    """[{"film", "lstar", "spread"}]."""
    picture = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
    """The scan it was read from."""
    read_on = models.DateField(null=True)
    note = models.CharField(max_length=2000, blank=True)
    curve = models.JSONField(null=True)
    fault = models.JSONField(null=True)


class Exposure(RoomThing):
    """A plate, or the piece of a test, from the chalk to the last light; what happened are events.

    ``decided`` and the ``sheet`` that followed from it are as they were when it began: a later
    reading of the test or the lamp cannot change what was done. ``lamp_seconds`` follows from the
    events that hold. ``outcome`` is empty while it is under way.
    """

    FINISHED, SET_ASIDE, NEVER_BEGUN = "finished", "set aside", "never begun"

    plate = models.ForeignKey("plates.Plate", models.CASCADE, null=True, related_name="exposures")
    test = models.ForeignKey(Test, models.CASCADE, null=True, related_name="exposures")
    """The test that is exposed; null where a plate is."""
    by_test = models.ForeignKey(Test, models.PROTECT, null=True, related_name="+")
    """Whose pair the times are; null where they were typed."""
    lamp = models.ForeignKey(Lamp, models.PROTECT, related_name="exposures")
    lamp_hours = models.FloatField(null=True)
    """When it began."""
    decided = models.JSONField()
    sheet = models.JSONField()
    lamp_seconds = models.FloatField(default=0)
    washed_seconds = models.FloatField(null=True)
    """Until it was clear, as in water of 20 °C; null where that was not checked."""
    ended_at = models.DateTimeField(null=True)
    outcome = models.CharField(max_length=12, default="", blank=True)
    reason = models.CharField(max_length=100, default="", blank=True)

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=[name],
                condition=models.Q(ended_at__isnull=True),
                name=f"one_open_exposure_a_{name}",
            )
            for name in ("plate", "test")
        ]
