"""Test strips: patches of known time, and the curve they give."""

from __future__ import annotations

from django.db import models

from server.rooms.models import RoomThing
from server.shopbook.printed import Printed


class Strip(Printed, RoomThing):
    """A strip with what was read off it; ``curve`` is the core's, handed on as it is."""

    name = models.CharField(max_length=120)
    ground = models.CharField(max_length=80)
    metal = models.CharField(max_length=20)
    bitten = models.CharField(max_length=10)
    bath = models.ForeignKey("baths.Bath", models.PROTECT, null=True, related_name="+")
    """Where it is bitten; null for one read off an older scrap."""
    conditions = models.JSONField()
    planned = models.JSONField(default=list)
    """Seconds in the bath in all of each patch, where it is bitten here; shortest first."""
    ended_at = models.DateTimeField(null=True)
    """When its bites were over; null while they are not, and for one bitten elsewhere."""
    end_reason = models.CharField(max_length=100, default="")
    """Why they ended before all were made."""
    patches = models.JSONField(default=list)
    """[{"seconds", "lstar", "spread", "left_out"}]."""
    lines = models.JSONField(default=list)
    """A line strip's lines, measured: see ``MeasuredLine``."""
    picture = models.ForeignKey("files.Picture", models.PROTECT, null=True, related_name="+")
    """The scan it was read from."""
    marks = models.JSONField(default=list)
    """Corners of each patch in that scan [px], in the order of ``patches``."""
    read_on = models.DateField(null=True)
    note = models.TextField(blank=True)
    out_reason = models.CharField(max_length=120, blank=True)
    """Why it no longer counts for new strips and plans of its ground; empty where it does."""
    prior = models.JSONField(default=list)
    """Earlier strips that its curve leans on: [{"strip", "share"}]."""
    fit = models.JSONField(null=True)
    """The core's whole answer but the curve; null while the patches give none."""
    curve = models.JSONField(null=True)
    fault = models.JSONField(null=True)
