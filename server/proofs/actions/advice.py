"""One line of advice for each area of a proof that was wanted and read."""

from __future__ import annotations

from core.process.rows import PROCESSES
from core.stages.advice import AdviseInput, AdviseOutput, ReadArea, advise
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.plans.models import Plan
from server.proofs.actions.meant import TONAL, goal_of, meant_tones
from server.proofs.models import Proof


def advice_for(proof: Proof) -> AdviseOutput | None:
    """Return one line of advice for each area that was wanted and read."""
    found = Plan.objects.filter(plate=proof.plate, part__in=TONAL, superseded=False)
    found = found.select_related("bath", "strip")
    plans = sorted(found, key=lambda plan: PROCESSES[plan.part].order)
    if not plans or not proof.tones:
        return None
    told = [_advice(plan, proof, first=plan is plans[0]) for plan in plans]
    return AdviseOutput(
        areas=[area for each in told for area in each.areas],
        first=next((each.first for each in told if each.first), None),
    )


def _advice(plan: Plan, proof: Proof, *, first: bool) -> AdviseOutput:
    """Return advice for the areas of one plan; the first takes those that no plan names now."""
    own = {area["name"] for area in plan.areas}
    others = {name for part in TONAL for name in meant_tones(proof.plate, part)} - own
    areas = [
        ReadArea(name=t["area"], wanted_lstar=goal_of(t), read_lstar=t["read_lstar"])
        for t in proof.tones
        if (t["area"] in own or (first and t["area"] not in others))
        and (t["wanted_lstar"] is not None or t["expected_lstar"] is not None)
    ]
    curve = plan.curve
    return advise(
        AdviseInput(
            areas=areas,
            curve=Curve.model_validate(curve) if curve else None,
            bath=bath_facts(plan.bath),
        )
    )
