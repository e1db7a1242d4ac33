"""What a proof needs next, from its tones, its plan and how its grain stands."""

from __future__ import annotations

from functools import lru_cache
from typing import Any

from core.stages.what_next import ranked, what_next
from core.stages.what_next_shapes import JudgedArea, WhatNextInput, WhatNextOutput
from server.proofs.actions.meant import goal_of
from server.proofs.actions.standing import Planned, Standing
from server.proofs.models import Proof

LEAST_SHARE = 0.0


def next_for(proof: Proof, at: Standing | None = None) -> WhatNextOutput | None:
    """Return whether plate or printing is at fault, and what to do; None where nothing was meant.

    All tonal areas of a plate are judged together, since what they share is the printing; each is
    bitten on by its own plan.
    """
    at = at or Standing(proof.plate)
    areas = {name: area for plan in at.plans for name, area in plan.areas.items()}
    judged = [_judged(proof, tone, areas) for tone in proof.tones if _is_meant(tone)]
    if not at.plans or not judged:
        return None
    told = [_by_plan(proof, plan, judged) for plan in at.plans]
    whose = {name: place for place, plan in enumerate(at.plans) for name in plan.areas}
    steps = [s for place, each in enumerate(told) for s in each.steps
             if whose.get(s.area, 0) == place]  # fmt: skip
    return told[0].model_copy(update={"steps": ranked(steps)})


def _by_plan(proof: Proof, plan: Planned, judged: list[JudgedArea]) -> WhatNextOutput:
    """Return what is next as one plan's curve, bath and grain have it."""
    plate = proof.plate
    given = WhatNextInput(
        areas=judged,
        curve=plan.curve,
        bath=plan.bath,
        grain_stands=plan.grain_stands,
        plate_cm2=plate.width_mm * plate.height_mm / 100,
        material=plate.metal,
        bites=plate.metal in ("copper", "zinc"),
    )
    return _told(given.model_dump_json())


@lru_cache(maxsize=256)
def _told(given: str) -> WhatNextOutput:
    """Return the answer to an input as JSON: a pure function, asked of each proof on the line."""
    return what_next(WhatNextInput.model_validate_json(given))


def _is_meant(tone: dict[str, Any]) -> bool:
    return tone["wanted_lstar"] is not None or tone.get("expected_lstar") is not None


def _judged(proof: Proof, tone: dict[str, Any], areas: dict[str, Any]) -> JudgedArea:
    surface = proof.plate.width_mm * proof.plate.height_mm / 100
    open_cm2 = areas.get(tone["area"], {}).get("open_cm2")
    return JudgedArea(
        name=tone["area"],
        wanted_lstar=goal_of(tone),
        read_lstar=tone["read_lstar"],
        spread=tone.get("spread") or 1.0,
        share=None if open_cm2 is None else max(LEAST_SHARE, min(1.0, open_cm2 / surface)),
    )
