"""Other plates that are bitten in the same bath at the same time."""

from __future__ import annotations

from core.prepare.tray_fit import litres_to_cover
from server.plans.models import Plan
from server.plates.models import Plate
from server.runs.models import Run

_MM2_PER_CM2 = 100.0


def alongside(plan: Plan) -> str:
    """Return what it means that others are bitten in a plan's bath; empty where none is."""
    runs = Run.objects.filter(bath=plan.bath, ended_at=None).exclude(plate=plan.plate)
    others = [run.plate for run in runs.select_related("plate").order_by("created_at")]
    if not others:
        return ""
    names = " and ".join(plate.name for plate in others)
    verb, it = ("are", "they") if len(others) > 1 else ("is", "the two")
    said = f"{names} {verb} bitten in {plan.bath.name}, too: {it} share its load, each has its own"
    return f"{said} clock.{_too_small(plan, [*others, plan.plate])}"


def _too_small(plan: Plan, plates: list[Plate]) -> str:
    needed = litres_to_cover(p.width_mm * p.height_mm / _MM2_PER_CM2 for p in plates)
    if plan.bath.vessel != "tray" or needed <= plan.bath.volume_l:
        return ""
    return (
        f" Its {plan.bath.volume_l:g} L do not cover all of them: side by side they need "
        f"{needed:.1f} L. Dip them in turn."
    )
