"""How fast baths bite, against which strip, and from what: what the shelf and a page share."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import datetime
from functools import cached_property, lru_cache

from core.bath.line import days_until_due
from core.bath.speed_shapes import BathNow, BathSpeedInput, BathSpeedOutput
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
    return found.defer("curve", "patches", "fit", "marks").order_by("-created_at").first()


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

    @property
    def due_days(self) -> float:
        """Return in how many days it is to be checked; nought: now.

        To the degree and gram: a probe's every word changes no day, and the bench asks often.
        """
        bath, strip = self.bath, self.strip
        key = (
            bath.mordant, bath.baume, round(bath.temperature_c), round(bath.load_g_per_l),
            (strip.id, strip.version) if strip else None, self.now.toordinal(),
            tuple((row.id, row.version) for row in bath.check_rows),
            tuple(bath.replaced_rows), bath.own_numbers,
        )  # fmt: skip
        return _due_days(_Due(key, self))


@dataclass(frozen=True)
class _Due:
    """A question for the day of the next check; alike where all that matters to it is alike."""

    key: tuple[object, ...]
    known: Known = field(compare=False)


@lru_cache(maxsize=256)
def _due_days(due: _Due) -> float:
    asked = due.known.asked
    about = BathNow(
        temperature_c=float(round(asked.now.temperature_c)),
        load_g_per_l=float(round(asked.now.load_g_per_l)),
    )
    return days_until_due(asked.model_copy(update={"now": about}))
