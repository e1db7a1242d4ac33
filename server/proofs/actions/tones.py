"""Tones read off a proof, beside those that were meant."""

from __future__ import annotations

from typing import Any

from server.plates.models import Plate
from server.proofs.actions.meant import TONAL, meant_tones
from server.proofs.schemas import ReadTone

Stored = dict[str, Any]


def tones_read(plate: Plate, read: list[ReadTone]) -> list[Stored]:
    """Return tones read beside those wanted and expected, as they stand today."""
    meant = {name: each for part in TONAL for name, each in meant_tones(plate, part).items()}
    return [
        {
            "area": tone.area,
            "parts": meant[tone.area].parts if tone.area in meant else "",
            "wanted_lstar": meant[tone.area].wanted if tone.area in meant else None,
            "expected_lstar": meant[tone.area].expected if tone.area in meant else None,
            "read_lstar": tone.read_lstar,
            "spread": tone.spread,
        }
        for tone in read
    ]


def tones_corrected(plate: Plate, stood: list[Stored], read: list[ReadTone]) -> list[Stored]:
    """Return tones typed anew: what was wanted and expected stays as it stood that day."""
    before = {tone["area"]: tone for tone in stood}
    fresh = {tone["area"]: tone for tone in tones_read(plate, read)}
    return [
        {**before.get(area, tone), "read_lstar": tone["read_lstar"], "spread": tone["spread"]}
        for area, tone in fresh.items()
    ]
