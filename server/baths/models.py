"""Baths and what was read off them."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable
from datetime import datetime
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
    """Ever: it, or what it was poured from. Never taken back."""
    made_from = models.ForeignKey("self", models.PROTECT, null=True, related_name="+")
    """The bath it was decanted from."""
    width_mm = models.FloatField(null=True)
    length_mm = models.FloatField(null=True)
    height_mm = models.FloatField(null=True)
    """Inside of its vessel."""
    retired = models.BooleanField(default=False)
    retired_to = models.CharField(max_length=120, blank=True)
    """Where what was in it waits, or went."""

    @cached_property
    def check_rows(self) -> list[BathCheck]:
        """Return the checks that hold, the newest first, asked for once."""
        return list(BathCheck.objects.filter(bath=self, taken_back=False).order_by("-at"))

    @property
    def measured_rows(self) -> list[BathCheck]:
        """Return the checks that tell a speed: strips are only laid over each other."""
        return [row for row in self.check_rows if row.kind != "strip"]

    @cached_property
    def replaced_rows(self) -> list[tuple[datetime, float]]:
        """Return when which share was replaced, asked for once."""
        rows = BathReading.objects.filter(bath=self, taken_back=False, replaced_share__gt=0)
        return list(rows.values_list("at", "replaced_share"))

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
    replaced_share = models.FloatField(default=0)
    """Of the bath, poured off and replaced by new."""
    instrument = models.UUIDField(null=True)
    """The probe that read it; null for hands."""
    taken_back = models.BooleanField(default=False)
    note = models.CharField(max_length=300, blank=True)

    class Meta:
        ordering: ClassVar = ["-at"]
        indexes: ClassVar = [models.Index(fields=["bath", "instrument", "at"], name="bath_read_by")]


class BathCheck(RoomThing):
    """A piece of evidence of how fast a bath bites: coupon, check patch, hydrometer, strip.

    ``said`` is the core's shape of it, without the curve. ``curve`` is that of the strip it was
    read off, as it was then. A companion scrap of a run is derived from its event, a strip and its
    measured lines from the strip.
    """

    bath = models.ForeignKey(Bath, models.CASCADE, related_name="checks")
    at = models.DateTimeField()
    by = models.ForeignKey(User, models.PROTECT, null=True, related_name="+")
    kind = models.CharField(max_length=12)
    said = models.JSONField()
    curve = models.JSONField(null=True)
    strip = models.UUIDField(null=True)
    """The strip of the curve."""
    run = models.UUIDField(null=True)
    """The run of the scrap."""
    taken_back = models.BooleanField(default=False)

    class Meta:
        ordering: ClassVar = ["at"]


def ask_checks_of(baths: Iterable[Bath]) -> None:
    """Ask for the checks of several baths at once, as each would ask for its own."""
    baths = list(baths)
    checks: dict[object, list[BathCheck]] = defaultdict(list)
    for check in BathCheck.objects.filter(bath__in=baths, taken_back=False).order_by("-at"):
        checks[check.bath_id].append(check)
    replaced: dict[object, list[tuple[datetime, float]]] = defaultdict(list)
    rows = BathReading.objects.filter(bath__in=baths, taken_back=False, replaced_share__gt=0)
    for bath_id, at, share in rows.values_list("bath_id", "at", "replaced_share"):
        replaced[bath_id].append((at, share))
    for bath in baths:
        bath.check_rows, bath.replaced_rows = checks[bath.id], replaced[bath.id]
