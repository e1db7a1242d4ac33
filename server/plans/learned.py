"""A plan's own curve: what proofs of its plate made of the strip's."""

from __future__ import annotations

import hashlib
import json
from functools import lru_cache
from typing import Any

from core.tone.learn_curve import learn_curve
from core.tone.learn_shapes import LearnCurveInput, LearnCurveOutput, PlateReading
from core.tone.shapes import Curve
from server.strips.models import Strip

Stored = dict[str, Any]

MOST_READINGS = 40
"""Of one plan: the newest say it."""


def is_of(learned: Stored | None, strip: Strip | None) -> bool:
    """Tell whether readings of a plate were made over this strip, in the bath it still names."""
    return bool(
        learned
        and strip is not None
        and strip.curve is not None
        and learned["strip"] == str(strip.id)
        and learned["curve"]["conditions"] == strip.curve["conditions"]
    )


def own_curve(learned: Stored | None, strip: Strip | None) -> Stored | None:
    """Return the plate's own curve where it is in use; learned anew if its strip is fitted anew."""
    if learned is None or strip is None or strip.curve is None or not is_of(learned, strip):
        return None
    if not learned["used"]:
        return None
    if learned["of"] == digest(strip.curve):
        curve: Stored = learned["curve"]
        return curve
    return _learned_anew(json.dumps(strip.curve), json.dumps(learned["readings"]))


def learn(curve: Stored, readings: list[Stored]) -> LearnCurveOutput:
    """Return what a strip's curve and the readings of a plate give together."""
    fields = PlateReading.model_fields
    return learn_curve(
        LearnCurveInput(
            curve=Curve.model_validate(curve),
            readings=[
                PlateReading(**{key: each[key] for key in fields})
                for each in readings[-MOST_READINGS:]
            ],
        )
    )


@lru_cache(maxsize=64)
def _learned_anew(curve: str, readings: str) -> Stored:
    return learn(json.loads(curve), json.loads(readings)).curve.model_dump(mode="json")


def digest(curve: Stored) -> str:
    """Return what tells a curve from any other."""
    return hashlib.sha256(json.dumps(curve, sort_keys=True).encode()).hexdigest()
