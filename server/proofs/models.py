"""Proofs: an impression as it was pulled and what was read off it."""

from __future__ import annotations

from django.db import models

from server.rooms.models import RoomThing


class Proof(RoomThing):
    """A proof of one state of a plate."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="proofs")
    run = models.ForeignKey("runs.Run", models.PROTECT, null=True, related_name="proofs")
    picture = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
    state_number = models.PositiveIntegerField()
    pulled_at = models.DateTimeField()
    paper = models.CharField(max_length=120, blank=True)
    soak_minutes = models.FloatField(null=True)
    ink = models.CharField(max_length=120, blank=True)
    wipe = models.CharField(max_length=120, blank=True)
    pressure = models.CharField(max_length=120, blank=True)
    passes = models.PositiveIntegerField(default=1)
    note = models.TextField(blank=True)
    tones = models.JSONField(default=list)
    """[{"area", "wanted_lstar", "read_lstar"}]."""
    foul_bite = models.BooleanField(null=True)
    """Whether it shows foul bite; null where nobody said."""
    ok_to_print = models.BooleanField(default=False)
