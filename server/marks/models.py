"""Scratched plates: what is meant to be drawn, trials on offcuts, looks at what is scratched."""

from __future__ import annotations

import uuid
from typing import ClassVar

from django.db import models

from server.accounts.models import User
from server.plates.models import Plate
from server.rooms.models import RoomThing


class Trial(RoomThing):
    """A trial on an offcut: pressures of one needle, textures, printed and read."""

    name = models.CharField(max_length=120)
    material = models.CharField(max_length=20)
    needle = models.CharField(max_length=120, blank=True)
    needle_um = models.FloatField(null=True)
    lightest_lstar = models.FloatField()
    solid_lstar = models.FloatField()
    pressures = models.JSONField(default=list)
    """As ``pressure-scale`` takes its trials."""
    textures = models.JSONField(default=list)
    """As ``mask-plan`` takes what was read."""
    read_on = models.DateField(null=True)
    note = models.CharField(max_length=2000, blank=True)
    out_reason = models.CharField(max_length=120, blank=True)
    """Why it no longer counts; empty where it does."""


class Marks(RoomThing):
    """What a plate's marks shall be; what happened to them are events."""

    plate = models.OneToOneField(Plate, models.CASCADE, related_name="marks")
    trial = models.ForeignKey(Trial, models.PROTECT, null=True, related_name="+")
    decided = models.JSONField(default=dict)
    """See ``MarksDecided``."""


def marks_id(plate: Plate) -> uuid.UUID:
    """Return the id of a plate's marks: a plate has one, whoever writes first."""
    return uuid.uuid5(plate.id, "marks")


class Look(RoomThing):
    """A look at a scratched plate: photographs merged, lines missed; ``seen`` is the answer."""

    plate = models.ForeignKey(Plate, models.CASCADE, related_name="looks")
    task = models.UUIDField()
    """Whose file the view is."""
    pictures = models.JSONField()
    """Ids of the photographs, in the order of their lights."""
    drawing = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
    inked = models.BooleanField(default=False)
    seen = models.JSONField()
    """As ``scratch-view`` answers."""
    by = models.ForeignKey(User, models.PROTECT, related_name="+")

    class Meta:
        ordering: ClassVar = ["-created_at", "-id"]
