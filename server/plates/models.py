"""Works and the plates they are printed from."""

from __future__ import annotations

from django.db import models

from server.rooms.models import RoomThing


class Work(RoomThing):
    """A print, from one plate or several."""

    name = models.CharField(max_length=120)


class Plate(RoomThing):
    """A plate on the rack, with its facts and where it stands."""

    work = models.ForeignKey(Work, models.PROTECT, null=True, related_name="plates")
    name = models.CharField(max_length=120)
    metal = models.CharField(max_length=20)
    route = models.CharField(max_length=40)
    thickness_mm = models.FloatField()
    width_mm = models.FloatField()
    height_mm = models.FloatField()
    place = models.CharField(max_length=20, default="resting")
    place_note = models.CharField(max_length=120, blank=True)
    state_number = models.PositiveIntegerField(default=0)
    ok_to_print = models.BooleanField(default=False)
    put_away = models.BooleanField(default=False)
    routes = models.JSONField(default=list)
    """The routes of a mixed plate; empty: its one route."""
    facts = models.JSONField(default=dict)
    """What matters later: see ``PlateFacts``."""
    study = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
