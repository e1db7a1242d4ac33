"""One line of advice for each area of a proof that was wanted and read."""

from __future__ import annotations

from core.stages.advice import AdviseInput, AdviseOutput, ReadArea, advise
from server.proofs.actions.meant import goal_of
from server.proofs.actions.standing import Planned, Standing
from server.proofs.models import Proof


def advice_for(proof: Proof, at: Standing) -> AdviseOutput | None:
    """Return one line of advice for each area that was wanted and read."""
    plans = at.in_working_order
    if not plans or not proof.tones:
        return None
    told = [_advice(plan, proof, at if plan is plans[0] else None) for plan in plans]
    return AdviseOutput(
        areas=[area for each in told for area in each.areas],
        first=next((each.first for each in told if each.first), None),
    )


def _advice(plan: Planned, proof: Proof, at: Standing | None) -> AdviseOutput:
    """Return advice for the areas of one plan; the first takes those that no plan names now."""
    others = at.meant - plan.areas.keys() if at else None
    areas = [
        ReadArea(name=t["area"], wanted_lstar=goal_of(t), read_lstar=t["read_lstar"])
        for t in proof.tones
        if (t["area"] in plan.areas or (others is not None and t["area"] not in others))
        and (t["wanted_lstar"] is not None or t["expected_lstar"] is not None)
    ]
    return advise(AdviseInput(areas=areas, curve=plan.curve, bath=plan.bath))
