"""Uploaded pictures: the original as it came, and a copy without metadata to show."""

from __future__ import annotations

from django.db import models

from server.rooms.models import RoomThing


class Picture(RoomThing):
    """A picture of this room; ``original`` and ``shown`` are paths under the media folder."""

    name = models.CharField(max_length=200)
    content_type = models.CharField(max_length=40)
    sha256 = models.CharField(max_length=64)
    bytes = models.PositiveBigIntegerField()
    width_px = models.PositiveIntegerField()
    height_px = models.PositiveIntegerField()
    original = models.CharField(max_length=200)
    shown = models.CharField(max_length=200)
