"""A bath's speed from what was measured of it: coupons, check patches, strips, a hydrometer."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from functools import lru_cache
from math import log
from typing import Any

from django.utils import timezone

from core.bath.speed_shapes import BathNow, BathSpeedInput, BathSpeedOutput
from core.bath.today import bath_speed
from core.data.mordants import MORDANTS
from core.kinetics.shapes import MordantNumbers
from core.kinetics.speed import strength_factor
from core.limits import within
from core.tone.shapes import Curve
from server.baths.models import Bath, BathCheck

MOST_CHECKS = 24
"""The newest of them: older ones say next to nothing."""
MOST_STRIPS = 8
"""Of tones, beside those: each says little."""
CHECKS_FOR_OWN = 3
"""From so many coupons and strips on a bath's own energy and end of life stand in its reckoning."""
OWN_KINDS = ("coupon", "lines", "strip")
DAY_SECONDS = 86_400


@dataclass(frozen=True)
class Piece:
    """One piece of evidence with the check it comes from; None for the strength it was made to."""

    check: BathCheck | None
    said: dict[str, Any]


def pieces(bath: Bath, now: datetime | None = None) -> list[Piece]:
    """Return what was measured of a bath, as the core takes it, the oldest first."""
    at = now or timezone.now()
    rows = _newest(bath, at)
    if not rows:
        return []
    found = [Piece(row, _said(row, at, bath.replaced_rows)) for row in rows]
    labelled = _as_made(bath)
    if labelled and all(row.kind != "hydrometer" for row in rows):
        return [Piece(None, labelled), *found]
    return found


def _newest(bath: Bath, now: datetime) -> list[BathCheck]:
    """Return the newest checks, the oldest first; many strips crowd out no coupon."""
    made = [row for row in bath.check_rows if row.at <= now]
    strips = [row for row in made if row.kind == "strip"][:MOST_STRIPS]
    others = [row for row in made if row.kind != "strip"][:MOST_CHECKS]
    return sorted([*strips, *others], key=lambda row: row.at)


def _as_made(bath: Bath) -> dict[str, Any] | None:
    """Return the strength a bath was made to as a reading, where it is not the label's."""
    row = MORDANTS[bath.mordant]
    if bath.baume is None or strength_factor(row, bath.baume, 0.0) == 1.0:
        return None
    return {"kind": "hydrometer", "baume": bath.baume, "load_g_per_l": 0.0}


def _said(row: BathCheck, now: datetime, replaced: list[tuple[datetime, float]]) -> dict[str, Any]:
    """Return a check's evidence: whole days old, so that one day's answers agree."""
    kept = 1.0
    for at, share in replaced:
        if at > row.at:
            kept *= 1.0 - share
    days = int((now - row.at).total_seconds() // DAY_SECONDS)
    curve = {"curve": row.curve} if row.curve else {}
    aged = {"kind": row.kind, "days_ago": max(0, days), "replaced_since": round(1.0 - kept, 4)}
    return row.said | curve | aged


def speed_input(
    bath: Bath, found: list[Piece], warm_c: float, load: float, against: Curve | None
) -> BathSpeedInput:
    """Return what the core is asked."""
    now = within(BathNow, {"temperature_c": warm_c, "load_g_per_l": load})
    return BathSpeedInput.model_validate(
        {
            "mordant": bath.mordant,
            "evidence": [each.said for each in found],
            "now": now,
            "against": against,
            "numbers": bath.own_numbers,
        }
    )


def told(given: BathSpeedInput) -> BathSpeedOutput:
    """Return the core's answer; a pure function, so what it said before still holds."""
    return _told(given.model_dump_json())


@lru_cache(maxsize=256)
def _told(given: str) -> BathSpeedOutput:
    return bath_speed(BathSpeedInput.model_validate_json(given))


@dataclass(frozen=True)
class Measured:
    """A bath's speed as plans take it: over a strip's, or over 20 °C, fresh."""

    factor: float
    spread: float
    numbers: MordantNumbers | None


def measured_speed(
    bath: Bath, warm_c: float, against: Curve | None, beside: uuid.UUID | None = None
) -> Measured | None:
    """Return the measured speed of a bath; None where nothing was measured.

    The lines of the strip ``beside`` are not asked.
    """
    found = [piece for piece in pieces(bath) if not _is_of(piece, beside)]
    if not any(tells_speed(piece) for piece in found):
        return None
    answer = told(speed_input(bath, found, warm_c, bath.load_g_per_l, against))
    numbers = own_of(bath, found, answer)
    if against is not None and answer.rate_factor and answer.rate_factor_spread:
        return Measured(answer.rate_factor, answer.rate_factor_spread, numbers)
    fresh = numbers.rate_um_per_min if numbers else None
    fresh = fresh or answer.own.rate_um_per_min.guess
    spread = _log_spread(answer.low, answer.high)
    return Measured(answer.rate_um_per_min / fresh, spread, numbers)


def tells_speed(piece: Piece) -> bool:
    """Tell whether a piece alone says how fast the bath is: strips are only compared."""
    return piece.said["kind"] != "strip"


def _is_of(piece: Piece, strip: uuid.UUID | None) -> bool:
    check = piece.check
    return strip is not None and check is not None and (check.kind, check.strip) == ("lines", strip)


def for_own(found: list[Piece]) -> int:
    """Return how many pieces there are of the kinds that tell a bath's own numbers."""
    return sum(each.said["kind"] in OWN_KINDS for each in found)


def _log_spread(low: float, high: float) -> float:
    return log(high / low) / 3.92


def own_of(bath: Bath, found: list[Piece], answer: BathSpeedOutput) -> MordantNumbers | None:
    """Return the mordant's numbers as this bath's own pieces leave them; the room's where few."""
    if for_own(found) < CHECKS_FOR_OWN:
        return bath.own_numbers
    own = answer.own
    known = bath.own_numbers.model_dump() if bath.own_numbers else {}
    learned = {
        "rate_um_per_min": own.rate_um_per_min.value,
        "rate_log_spread": max(own.rate_um_per_min.spread, 0.005),
        "energy_kj_per_mol": own.energy_kj_per_mol.value,
        "energy_spread_kj_per_mol": own.energy_kj_per_mol.spread,
        "end_g_per_l": own.end_g_per_l.value,
        "end_spread_g_per_l": own.end_g_per_l.spread,
    }
    return MordantNumbers(**within(MordantNumbers, known | learned))
