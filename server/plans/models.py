"""Plans: which tones are wanted, with which strip, in which bath."""

from __future__ import annotations

from typing import Any, ClassVar

from django.db import models

from server.plans.learned import own_curve
from server.rooms.models import RoomThing


class Plan(RoomThing):
    """One plan a part and ground of a plate; its bites are computed, never stored."""

    plate = models.ForeignKey("plates.Plate", models.CASCADE, related_name="plans")
    bath = models.ForeignKey("baths.Bath", models.PROTECT, related_name="+")
    strip = models.ForeignKey("strips.Strip", models.PROTECT, null=True, related_name="+")
    part = models.CharField(max_length=10, default="tones")
    """A key of the core's processes: a mixed plate has a plan for each, bitten in their order."""
    method = models.CharField(max_length=10, default="stop-out")
    round_to_seconds = models.FloatField(default=5)
    open_again = models.JSONField(default=list)
    """What is opened again after the bites of a finished run; empty: it begins anew."""
    ground = models.PositiveSmallIntegerField(default=1)
    """A part bitten under a second ground has a second plan; the first is kept."""
    superseded = models.BooleanField(default=False)
    """A plan of a later ground is there."""
    areas = models.JSONField()
    """[{"name", "parts", …}] with the columns of the process's wish; what is bitten least first."""
    measured = models.JSONField(default=list)
    """Lines of this plate that were measured: see ``MeasuredLine``."""

    learned = models.JSONField(null=True)
    """The plate's own curve, as its proofs moved the strip's: see ``server.plans.learned``."""

    @property
    def curve(self) -> dict[str, Any] | None:
        """Return the curve it is planned by: the plate's own where its proofs gave one."""
        alone = self.strip.curve if self.strip else None
        return own_curve(self.learned, self.strip) or alone

    class Meta:
        constraints: ClassVar = [
            models.UniqueConstraint(
                fields=["plate", "part"],
                condition=models.Q(superseded=False),
                name="one_plan_a_part",
            )
        ]
