"""How fast baths bite, against which strip, and from what: what the shelf and a page share."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from functools import cached_property, lru_cache

from core.bath.line import days_until_due
from core.bath.speed_shapes import BathSpeedInput, BathSpeedOutput
from core.tone.shapes import Curve
from server.baths.models import Bath
from server.baths.speed import DAY_SECONDS, Piece, pieces, speed_input, told
from server.overview.bath_schemas import Speed
from server.strips.models import Strip


def strip_for(bath: Bath) -> Strip | None:
    """Return the newest strip that counts and was bitten in the same mordant."""
    found = Strip.objects.filter(
        room=bath.room_id, out_reason="", conditions__mordant=bath.mordant
    ).exclude(curve=None)
    return found.order_by("-created_at").first()


@dataclass(frozen=True)
class Known:
    """A bath with all that is known of its speed at one moment."""

    bath: Bath
    now: datetime

    @cached_property
    def strip(self) -> Strip | None:
        """Return the strip its speed is told against."""
        return strip_for(self.bath)

    @cached_property
    def pieces(self) -> list[Piece]:
        """Return the evidence."""
        return pieces(self.bath, self.now)

    @cached_property
    def asked(self) -> BathSpeedInput:
        """Return what the core is asked."""
        bath, strip = self.bath, self.strip
        curve = Curve.model_validate(strip.curve) if strip else None
        asked = speed_input(bath, self.pieces, bath.temperature_c, bath.load_g_per_l, curve)
        if strip is None:
            return asked
        days = max(0.0, (self.now - strip.created_at).total_seconds() / DAY_SECONDS)
        return asked.model_copy(update={"against_days": min(float(int(days)), 4000.0)})

    @cached_property
    def told(self) -> BathSpeedOutput:
        """Return the core's answer."""
        return told(self.asked)

    @property
    def over(self) -> float:
        """Return what a rate is divided by where no strip is [µm/min]."""
        return 1.0 if self.strip else self.told.own.rate_um_per_min.guess

    @cached_property
    def speed(self) -> Speed:
        """Return today's speed over the strip's, or over the table's, fresh at 20 °C."""
        at = self.told
        if self.strip is not None and at.rate_factor is not None:
            return Speed(
                value=at.rate_factor, low=at.rate_factor_low or 0, high=at.rate_factor_high or 0
            )
        by = self.over
        return Speed(value=at.rate_um_per_min / by, low=at.low / by, high=at.high / by)

    @cached_property
    def due_days(self) -> float:
        """Return in how many days it is to be checked; nought: now."""
        return _due_days(self.asked.model_dump_json())


@lru_cache(maxsize=256)
def _due_days(asked: str) -> float:
    """Return what the core says; a pure function, so what it said before still holds."""
    return days_until_due(BathSpeedInput.model_validate_json(asked))
