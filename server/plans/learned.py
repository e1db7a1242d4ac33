"""A plan's own curve: what proofs of its plate made of the strip's."""

from __future__ import annotations

import hashlib
import json
from typing import Any

Stored = dict[str, Any]


def own_curve(
    learned: dict[str, Any] | None, strip: dict[str, Any] | None
) -> dict[str, Any] | None:
    """Return the plate's own curve, where it was learned from this very curve and is in use."""
    if not learned or strip is None or not learned["used"] or learned["of"] != digest(strip):
        return None
    curve: Stored = learned["curve"]
    return curve


def digest(curve: dict[str, Any]) -> str:
    """Return what tells a curve from any other."""
    return hashlib.sha256(json.dumps(curve, sort_keys=True).encode()).hexdigest()
