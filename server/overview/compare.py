"""A plan beside other ways to bite it: the room's other baths and strips, and fewer bites."""

from __future__ import annotations

from core.data.mordants import MORDANTS
from core.kinetics.shapes import CurveBath
from core.process.compare import Alternative, alternatives
from core.process.rows import PROCESSES
from core.tone.shapes import Curve
from server.baths.actions.facts import bath_facts
from server.baths.models import Bath
from server.plans.actions.decide import decided, measured_lines, with_its_lines
from server.plans.models import Plan
from server.strips.models import Strip

MOST_COMPARED = 4
"""Of baths, and of strips: more are no help, and each is solved."""


def compared(plan: Plan) -> list[Alternative]:
    """Return a plan from bare metal, and what other ways come to."""
    process = PROCESSES[plan.part]
    curve = plan.curve
    given = decided(plan, curve, measured_lines(plan.measured, plan.strip), [])
    baths = Bath.objects.filter(
        room=plan.room, retired=False, mordant__in=_same_metal(plan), vessel__in=process.vessels
    ).exclude(id=plan.bath_id)
    return alternatives(
        process,
        given,
        {
            str(bath.id): (
                bath.name,
                bath_facts(
                    bath,
                    against=process.against(given.curve),
                    beside=with_its_lines(process, plan.strip_id),
                ),
            )
            for bath in baths[:MOST_COMPARED]
        },
        {str(strip.id): _strip(strip, plan.bath) for strip in _strips(plan, process.strips)},
    )


def _same_metal(plan: Plan) -> list[str]:
    metal = MORDANTS[plan.bath.mordant].metal
    return [key for key, row in MORDANTS.items() if row.metal == metal]


def _strips(plan: Plan, kind: str) -> list[Strip]:
    """Return the newest other strips that calibrate tones; a line strip has no curve to swap."""
    if kind != "tones":
        return []
    found = Strip.objects.filter(room=plan.room, metal=plan.plate.metal, out_reason="")
    found = found.exclude(curve=None)
    others = found.exclude(id=plan.strip_id) if plan.strip_id else found
    return list(others.order_by("-created_at")[:MOST_COMPARED])


def _strip(strip: Strip, bath: Bath) -> tuple[str, Curve, CurveBath]:
    """Return a strip with its curve, and the plan's bath as over that."""
    curve = Curve.model_validate(strip.curve)
    return strip.name, curve, bath_facts(bath, against=curve)
