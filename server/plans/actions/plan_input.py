"""A plan in today's bath, after what was done, as the core takes it."""

from __future__ import annotations

from typing import Any

from core.stages.fold import Dip
from core.stages.shapes import DoneBite, PlanBitesInput
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath


def plan_input(
    *,
    areas: list[dict[str, Any]],
    bath: Bath,
    curve: dict[str, Any] | None,
    method: str,
    round_to_seconds: float,
    done: list[Dip],
    temperature_c: float | None = None,
) -> PlanBitesInput:
    """Return the core's input for a plan."""
    return PlanBitesInput(
        curve=Curve.model_validate(curve) if curve else None,
        method=method,
        areas=[{key: a[key] for key in ("name", "lstar", "open_cm2")} for a in areas],
        bath=bath_facts(bath, temperature_c),
        done=[done_bite(dip) for dip in done],
        round_to_seconds=round_to_seconds,
    )


def done_bite(dip: Dip) -> DoneBite:
    """Return a finished immersion as the core takes it."""
    lifted = dip.at_seconds if dip.lifted_seconds is None else dip.lifted_seconds
    return DoneBite(
        seconds=round(lifted - dip.at_seconds, 2),
        temperatures=dip.temperatures or None,
        open=dip.open,
    )
