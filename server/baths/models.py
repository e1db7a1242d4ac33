"""Baths and what was read off them."""

from __future__ import annotations

from typing import ClassVar

from django.db import models
from django.utils.functional import cached_property

from core.kinetics.shapes import MordantNumbers
from server.accounts.models import User
from server.rooms.models import RoomThing
from server.shopbook.actions.numbers import own_mordant_numbers


class Bath(RoomThing):
    """One tray, tank or bottle of mordant.

    ``temperature_c``, ``load_g_per_l`` and what they were when the speed was measured are derived
    from the readings and events that hold: ``actions/settle.py`` alone sets them.
    """

    name = models.CharField(max_length=120)
    mordant = models.CharField(max_length=40)
    vessel = models.CharField(max_length=10, default="tray")
    volume_l = models.FloatField()
    baume = models.FloatField(null=True)
    load_g_per_l = models.FloatField(default=0)
    temperature_c = models.FloatField()
    temperature_at = models.DateTimeField()
    room_c = models.FloatField(null=True)
    rate_factor = models.FloatField(null=True)
    rate_factor_spread = models.FloatField(null=True)
    measured_c = models.FloatField(null=True)
    measured_g_per_l = models.FloatField(null=True)
    measured_at = models.DateTimeField(null=True)
    held_copper = models.BooleanField(default=False)
    retired = models.BooleanField(default=False)

    @cached_property
    def own_numbers(self) -> MordantNumbers | None:
        """Return the room's own numbers of its mordant, asked for once."""
        return own_mordant_numbers(self.room_id, self.mordant)


class BathReading(models.Model):
    """Something known of a bath; thermometer events of runs and strips are not copied here.

    ``gained_g_per_l`` is what the bites of a run added: the one row that is derived, and reckoned
    anew when an event of the run comes in or is taken back.
    """

    id = models.UUIDField(primary_key=True)
    room = models.ForeignKey("rooms.Room", models.CASCADE, related_name="+")
    bath = models.ForeignKey(Bath, models.CASCADE, related_name="readings")
    at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, null=True, related_name="+")
    temperature_c = models.FloatField(null=True)
    load_g_per_l = models.FloatField(null=True)
    gained_g_per_l = models.FloatField(default=0)
    note = models.CharField(max_length=300, blank=True)

    class Meta:
        ordering: ClassVar = ["-at"]
