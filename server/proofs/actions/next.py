"""What a proof needs next, from its tones, its plan and how its grain stands."""

from __future__ import annotations

from typing import Any

from core.stages.what_next import what_next
from core.stages.what_next_shapes import JudgedArea, WhatNextInput, WhatNextOutput
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.plans.models import Plan
from server.proofs.actions.meant import TONAL, goal_of
from server.proofs.models import Proof
from server.runs.actions.go_on import carries_on
from server.runs.actions.state import last_of

LEAST_SHARE = 0.0


def next_for(proof: Proof) -> WhatNextOutput | None:
    """Return whether plate or printing is at fault, and what to do; None where nothing was meant.

    All tonal areas of a plate are judged together: what they share is the printing.
    """
    plans = Plan.objects.filter(plate=proof.plate, part__in=TONAL, superseded=False)
    plan = plans.select_related("bath", "strip").order_by("created_at").first()
    judged = [_judged(proof, tone, plan) for tone in proof.tones if _is_meant(tone)]
    if plan is None or not judged:
        return None
    run = last_of(plan)
    plate, curve = proof.plate, plan.curve
    return what_next(
        WhatNextInput(
            areas=judged,
            curve=Curve.model_validate(curve) if curve else None,
            bath=bath_facts(plan.bath),
            grain_stands=run is not None and carries_on(run),
            plate_cm2=plate.width_mm * plate.height_mm / 100,
            material=plate.metal,
            bites=plate.metal in ("copper", "zinc"),
        )
    )


def _is_meant(tone: dict[str, Any]) -> bool:
    return tone["wanted_lstar"] is not None or tone.get("expected_lstar") is not None


def _judged(proof: Proof, tone: dict[str, Any], plan: Plan | None) -> JudgedArea:
    surface = proof.plate.width_mm * proof.plate.height_mm / 100
    areas = {area["name"]: area for area in plan.areas} if plan else {}
    open_cm2 = areas.get(tone["area"], {}).get("open_cm2")
    return JudgedArea(
        name=tone["area"],
        wanted_lstar=goal_of(tone),
        read_lstar=tone["read_lstar"],
        spread=tone.get("spread") or 1.0,
        share=None if open_cm2 is None else max(LEAST_SHARE, min(1.0, open_cm2 / surface)),
    )
