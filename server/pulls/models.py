"""A plate at the press: one row a plate; what happened is events."""

from __future__ import annotations

import uuid

from django.db import models

from server.accounts.models import User
from server.plates.models import Plate
from server.rooms.models import RoomThing


class Pulls(RoomThing):
    """How a plate is printed; its pulls, its paper in the damp and its wipe map are events."""

    plate = models.OneToOneField(Plate, models.CASCADE, related_name="pulls")
    decided = models.JSONField(default=dict)
    """See ``PrintingDecided``."""


def pulls_id(plate: Plate) -> uuid.UUID:
    """Return the id of a plate's pulls: a plate has one row, whoever writes first."""
    return uuid.uuid5(plate.id, "pulls")


class Sound(RoomThing):
    """A note spoken at the press; ``path`` lies under the media folder."""

    plate = models.ForeignKey(Plate, models.CASCADE, related_name="sounds")
    content_type = models.CharField(max_length=40)
    bytes = models.PositiveIntegerField()
    path = models.CharField(max_length=200)
    by = models.ForeignKey(User, models.PROTECT, related_name="+")
