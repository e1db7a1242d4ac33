"""Proofs: an impression as it was pulled and what was read off it."""

from __future__ import annotations

from typing import ClassVar

from django.db import models

from server.rooms.models import RoomThing
from server.shopbook.printed import Printed


class Proof(Printed, RoomThing):
    """A proof of one state of a plate."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="proofs")
    run = models.ForeignKey("runs.Run", models.PROTECT, null=True, related_name="proofs")
    picture = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
    state_number = models.PositiveIntegerField()
    pulled_at = models.DateTimeField()
    soak_minutes = models.FloatField(null=True)
    pressure = models.CharField(max_length=120, blank=True)
    passes = models.PositiveIntegerField(default=1)
    note = models.TextField(blank=True)
    tones = models.JSONField(default=list)
    """[{"area", "wanted_lstar", "read_lstar", "spread"}]."""
    reading = models.JSONField(null=True)
    """How it was read off its scan: see ``ScanRead``; null where it was read by eye."""
    learned = models.JSONField(null=True)
    """What it did to the curves of its plate's plans, or why it did nothing: see ``LearnedOut``."""
    foul_bite = models.BooleanField(null=True)
    """Whether it shows foul bite; null where nobody said."""
    ok_to_print = models.BooleanField(default=False)


class Pin(RoomThing):
    """A note pinned to a place of a proof: what the next state is to answer.

    Places are in mm on the print, from its top left, so that they carry to later states.
    """

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="pins")
    proof = models.ForeignKey(Proof, models.PROTECT, related_name="pins")
    kind = models.CharField(max_length=20)
    text = models.CharField(max_length=200, blank=True)
    x_mm = models.FloatField()
    y_mm = models.FloatField()
    done_at = models.DateTimeField(null=True)
    done_in_state = models.PositiveIntegerField(null=True)
    """The state that answers it."""
    withdrawn = models.BooleanField(default=False)
    """Set by mistake: it is shown no more; the record still tells of it."""


class Approval(RoomThing):
    """An OK to print: who gave it, on which proof, under which condition; the newest counts."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="approvals")
    proof = models.ForeignKey(Proof, models.PROTECT, related_name="approvals")
    ok = models.BooleanField()
    """False: it was taken back."""
    said_by = models.CharField(max_length=10)
    """As the artist or as the printer; they may be two people."""
    condition = models.CharField(max_length=200, blank=True)
    """What must hold in every impression; empty where nothing must."""
    area = models.CharField(max_length=80, blank=True)
    """Which area's tone tells whether it holds."""
    remark = models.CharField(max_length=1000, blank=True)
    by = models.ForeignKey("accounts.User", models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        ordering: ClassVar = ["-at", "-id"]
